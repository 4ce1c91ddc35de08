import type { Entry } from "../../../api/client";
import { useCatalogue } from "../../../api/useCatalogue";
import { plainSentence } from "../../../phrases/table/plainSentence";
import type { Moment } from "../../../tableplan/moment";
import { TablePlan } from "../../../tableplan/TablePlan";

/** One picture, one sentence: for a partner, or for whoever does this for the first time. */
export function Plain(props: { moment: Moment | null; entry: Entry }) {
  const catalogue = useCatalogue();
  return (
    <>
      {props.moment && (
        <div className="min-h-0 w-full flex-1 [&_svg]:h-full [&_svg]:w-full" aria-hidden="true">
          <TablePlan catalogue={catalogue} moment={props.moment} />
        </div>
      )}
      <h1 className="max-w-[38ch] shrink-0 pb-2 font-sans text-[clamp(4.2rem,min(4.2vw,14cqh),6rem)] font-semibold leading-[1.05] max-sm:pb-12 max-sm:text-[1.65rem]">
        {plainSentence(props.entry, catalogue)}
      </h1>
    </>
  );
}
