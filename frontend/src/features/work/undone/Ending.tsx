import type { Entry } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { say } from "../../../phrases/screens/work/undone";
import { namesOf } from "./Undone";

/** Before the session ends: whether it should, and what is still owed. */
export function Ending(props: { owed: readonly Entry[] }) {
  const catalogue = useCatalogue();
  return (
    <>
      <p className="font-serif text-[clamp(1.6rem,3.2vw,3rem)] italic">{say.thatWasLastHold}</p>
      <h1 className="text-[clamp(2.6rem,8vw,7rem)]">{say.endSession}</h1>
      {props.owed.length > 0 && (
        <p className="max-w-[40ch] text-[clamp(1.2rem,2.2vw,2rem)] text-accent">
          {say.stillOwed(namesOf(catalogue, props.owed))}
        </p>
      )}
      <p className="text-[clamp(1.2rem,2.2vw,2rem)]">{say.goOnEndsIt}</p>
    </>
  );
}
