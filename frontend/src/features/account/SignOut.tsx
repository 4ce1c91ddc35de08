import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { LogOut } from "lucide-react";
import { useState } from "react";
import { countTaps } from "../../api/keptRuns";
import { signOut } from "../../api/signOut";
import { say } from "../../phrases/screens/account";
import { shared } from "../../phrases/screens/shared";
import { Button } from "../../ui/Button";
import { Overlay } from "../../ui/Overlay";

/** Signs out; where taps still wait on this device, it asks first. */
export function SignOut({ name, className = "" }: { name: string; className?: string }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [unsent, setUnsent] = useState(0);
  const out = useMutation({
    mutationFn: signOut,
    onSuccess: async () => {
      queries.clear();
      await navigate({ to: "/sign-in" });
    },
  });
  const ask = async () => {
    const waiting = await countTaps().catch(() => 0);
    if (waiting > 0) setUnsent(waiting);
    else out.mutate();
  };
  return (
    <>
      <Button
        look="quiet"
        className={`px-2 font-normal ${className}`}
        onClick={ask}
        aria-label={shared.signOut(name)}
      >
        <LogOut aria-hidden="true" size={20} />
        Sign out
      </Button>
      {unsent > 0 && (
        <div className="fixed inset-0 z-20 bg-black/50">
          <Overlay
            label={say.signOutNow}
            className="inset-x-5 top-1/3 mx-auto grid max-w-md gap-4 rounded-box px-7 py-6 text-base-content shadow-xl"
            onClose={() => setUnsent(0)}
          >
            <h2 className="text-2xl">{say.signOutNow}</h2>
            <p>{say.tapsStay(unsent)}</p>
            <div className="flex flex-wrap gap-3">
              <Button look="main" onClick={() => out.mutate()}>
                Sign out
              </Button>
              <Button onClick={() => setUnsent(0)}>{say.staySignedIn}</Button>
            </div>
          </Overlay>
        </div>
      )}
    </>
  );
}
