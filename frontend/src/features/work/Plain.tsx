import type { Catalogue, Entry } from "../../api/client";
import type { Moment } from "../../tableplan/moment";
import { TablePlan } from "../../tableplan/TablePlan";
import { plainSentence } from "./plainSentence";

/** One picture, one sentence: for a partner, or for whoever does this for the first time. */
export function Plain(props: { moment: Moment | null; entry: Entry; catalogue: Catalogue }) {
  return (
    <>
      {props.moment && (
        <div className="w-[min(72vw,58vh)] max-sm:w-[86vw]" aria-hidden="true">
          <TablePlan moment={props.moment} catalogue={props.catalogue} />
        </div>
      )}
      <h1 className="max-w-[34ch] font-sans text-[clamp(1.9rem,4vw,4.4rem)] font-semibold leading-tight">
        {plainSentence(props.entry, props.catalogue)}
      </h1>
    </>
  );
}
