import { useState } from "react";
import { api, body, type Learnt, type StartDepth } from "../../api/client";
import { useCatalogue } from "../../api/useCatalogue";
import { say } from "../../phrases/screens/learn";
import { capital, depthWord } from "../../phrases/words";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/ProblemNote";
import { useCorrecting } from "./useCorrecting";

interface Props {
  clientId: string;
  starts: readonly StartDepth[];
}

const DEPTHS = [1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5];

/** A wish set by hand: dated, with its reason, and still one piece of evidence among others. */
export function SetWish({ clientId, starts }: Props) {
  const catalogue = useCatalogue();
  const [open, setOpen] = useState(false);
  const [region, setRegion] = useState("back");
  const [depth, setDepth] = useState(3);
  const [reason, setReason] = useState("");
  const setting = useCorrecting(clientId, () =>
    body<Learnt>(
      api.PUT("/api/clients/{client_id}/learnt/wishes/{region}", {
        params: { path: { client_id: clientId, region } },
        body: { depth, reason },
      }),
    ),
  );
  if (!open)
    return (
      <Button className="mt-3" onClick={() => setOpen(true)}>
        {say.setWishByHand}
      </Button>
    );
  return (
    <form
      aria-label={say.setWishByHand}
      className="mt-3 grid max-w-xl gap-3 rounded-box bg-base-200 p-5 sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        setting.mutate(undefined, {
          onSuccess: () => {
            setOpen(false);
            setReason("");
          },
        });
      }}
    >
      <label className="block">
        <span className="block">Region</span>
        <select
          className="select h-11 w-full text-base"
          value={region}
          onChange={(event) => setRegion(event.target.value)}
        >
          {Object.values(catalogue.regions).map((one) => (
            <option key={one.id} value={one.id}>
              {capital(one.whole)}
              {starts.some((start) => start.region === one.id) ? "" : " (nothing known)"}
            </option>
          ))}
        </select>
      </label>
      <label className="block">
        <span className="block">Depth</span>
        <select
          className="select h-11 w-full text-base"
          value={depth}
          onChange={(event) => setDepth(Number(event.target.value))}
        >
          {DEPTHS.map((one) => (
            <option key={one} value={one}>
              {one}, {depthWord[Math.floor(one)]}
            </option>
          ))}
        </select>
      </label>
      <label className="block sm:col-span-2">
        <span className="block">Why</span>
        <input
          className="input h-11 w-full text-base"
          required
          maxLength={400}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      {setting.error && <ProblemNote error={setting.error} />}
      <div className="flex gap-2 sm:col-span-2">
        <Button look="main" type="submit" disabled={setting.isPending}>
          {say.letItCount}
        </Button>
        <Button look="quiet" onClick={() => setOpen(false)}>
          Cancel
        </Button>
      </div>
    </form>
  );
}
