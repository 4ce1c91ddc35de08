import type { LogView } from "../../api/client";
import { CompareTides } from "../../compare/CompareTides";
import { say } from "../../phrases/screens/log";
import { HowItWent } from "./HowItWent";

interface Props {
  page: LogView;
  /** What was done, by region. */
  table: React.ReactNode;
  /** The words of the log, in two columns on a desk. */
  children: React.ReactNode;
}

/** A log on one screen of a desk: the session as it was over its words, the regions beside both. */
export function LogFrame({ page, table, children }: Props) {
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)] desk:grid-cols-[repeat(2,minmax(0,1fr))_minmax(0,1.15fr)] desk:grid-rows-[auto_1fr] desk:gap-y-3">
      <div className="lg:col-span-2 desk:row-start-1">
        <CompareTides
          first={page.session.evaluation.sheet}
          second={page.actual}
          names={["Planned", say.asItWas]}
        />
        <HowItWent page={page} />
      </div>
      {children}
      <div className="lg:col-start-1 lg:row-start-2 lg:row-span-2 desk:col-start-3 desk:row-start-1 desk:max-h-[calc(100dvh-13.5rem)] desk:overflow-y-auto">
        {table}
      </div>
    </div>
  );
}
