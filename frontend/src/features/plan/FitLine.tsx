import { Link } from "@tanstack/react-router";
import type { SessionView } from "../../api/client";
import { span } from "../../lib/time";

/** One line that always answers: does it fit, is it balanced, is there something to mend. */
export function FitLine({ session, planning }: { session: SessionView; planning: boolean }) {
  const { sheet, balance, findings } = session.evaluation;
  const over = sheet.seconds - sheet.hands_on_seconds;
  const apart = Math.abs(balance.left - balance.right);
  const fit = sheet.open_ended
    ? `${span(sheet.seconds)} of work, at her pace`
    : Math.abs(over) <= 15
      ? `Fits ${span(sheet.hands_on_seconds)} hands-on`
      : `${span(over)} ${over > 0 ? "over" : "under"} the ${span(sheet.hands_on_seconds)} hands-on`;
  return (
    <div className="no-print sticky bottom-0 z-20 -mx-4 mt-8 flex flex-wrap items-center gap-x-7 gap-y-2 border-t border-base-300 bg-base-100 px-4 py-3 sm:-mx-8 sm:px-8">
      <p className="font-bold">{planning ? "Planning …" : fit}</p>
      <p className="max-sm:hidden">
        {apart <= 30 ? `Sides even, ${span(balance.left)} each` : `Left and right differ by ${span(apart)}`}
      </p>
      <p className="max-sm:hidden">
        {span(balance.between)} between strokes ({Math.round((100 * balance.between) / sheet.seconds)} %)
      </p>
      {findings.length > 0 && (
        <a href="#findings" className="font-bold text-accent underline">
          <span aria-hidden="true">△ </span>
          {findings.length} to look at
        </a>
      )}
      <Link
        to="/session/$sessionId/work"
        params={{ sessionId: session.session_id }}
        className="btn btn-primary ml-auto h-12 px-5 text-lg"
      >
        {session.stage === "plan" ? "To the table" : "To Work"}
      </Link>
    </div>
  );
}
