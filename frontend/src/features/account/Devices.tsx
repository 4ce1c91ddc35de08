import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type Account, api } from "../../api/client";
import { accountQuery } from "../../api/practiceQueries";
import { askAgain } from "../../api/queries";
import { say } from "../../phrases/screens/account";
import { shared } from "../../phrases/screens/shared";
import { dayAndTime } from "../../phrases/time";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { Section } from "../../ui/Section";

/** Where one is signed in; any but this one can be signed out here. */
export function Devices({ devices, timeZone }: { devices: Account["devices"]; timeZone: string }) {
  const queries = useQueryClient();
  const ending = useMutation({
    mutationFn: (sign_in_id: string) =>
      api.DELETE("/api/account/devices/{sign_in_id}", { params: { path: { sign_in_id } } }),
    onSettled: () => askAgain(queries, accountQuery),
  });
  return (
    <Section narrow title={say.signedInAt}>
      <ul aria-label={say.signedInAt} className="mt-3">
        {devices.map((one) => (
          <li
            key={one.sign_in_id}
            className="flex min-h-14 flex-wrap items-center gap-x-4 border-t border-base-300 py-2 first:border-t-0"
          >
            <span className="font-bold">{one.device || say.unknownDevice}</span>
            <span className="text-quiet">
              {one.present ? say.thisDevice : say.lastUsed(dayAndTime(one.seen_at, timeZone, new Date()))}
            </span>
            {!one.present && (
              <Button
                className="ml-auto"
                disabled={ending.isPending}
                aria-label={shared.signOut(one.device || say.unknownDevice)}
                onClick={() => ending.mutate(one.sign_in_id)}
              >
                Sign out
              </Button>
            )}
          </li>
        ))}
      </ul>
      {ending.error && <ProblemNote error={ending.error} />}
    </Section>
  );
}
