import { Link } from "@tanstack/react-router";
import type { SessionView } from "../../api/client";
import { span } from "../../lib/time";
import { sideSeconds } from "./sequence";

/** One line that always answers: does it fit, is it balanced, how much goes on between strokes. */
export function FitLine({ session, planning }: { session: SessionView; planning: boolean }) {
  const { sheet } = session;
  const over = sheet.seconds - sheet.hands_on_seconds;
  const sides = sideSeconds(sheet);
  const apart = Math.abs(sides.left - sides.right);
  const fit =
    Math.abs(over) <= 15
      ? `Fits ${span(sheet.hands_on_seconds)} hands-on`
      : `${span(over)} ${over > 0 ? "over" : "under"} the ${span(sheet.hands_on_seconds)} hands-on`;
  return (
    <div className="no-print sticky bottom-0 z-20 -mx-4 mt-8 flex flex-wrap items-center gap-x-8 gap-y-2 border-t border-base-300 bg-base-100 px-4 py-3 sm:-mx-8 sm:px-8">
      <p className="font-bold">{planning ? "Planning …" : fit}</p>
      <p className="max-sm:hidden">
        {apart <= 30 ? `Sides even, ${span(sides.left)} each` : `Left and right differ by ${span(apart)}`}
      </p>
      <p className="max-sm:hidden">
        {span(sides.between)} between strokes ({Math.round((100 * sides.between) / sheet.seconds)} %)
      </p>
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
