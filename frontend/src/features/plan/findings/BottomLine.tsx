import { Link } from "@tanstack/react-router";
import type { SessionView } from "../../../api/client";
import { pouredWords } from "../../../phrases/measures";
import { say } from "../../../phrases/screens/plan/findings";
import { shared } from "../../../phrases/screens/shared";
import { span } from "../../../phrases/time";
import { Button } from "../../../ui/Button";
import { Between } from "./Between";

interface Props {
  session: SessionView;
  planning: boolean;
  /** The findings are open beside the plan. */
  open: boolean;
  onOpen(open: boolean): void;
  /** Fits the plan to its minutes again, with the least change. */
  onFit: (() => void) | undefined;
}

/** One line that always answers: does it fit, is it balanced, is it safe, what of the hands and the oil. */
export function BottomLine({ session, planning, open, onOpen, onFit }: Props) {
  const { findings } = session.evaluation;
  const answers = answersOf(session);
  const offers = onFit && isOffTheClock(session);
  return (
    <div className="no-print sticky bottom-0 z-20 -mx-4 mt-8 desk:mt-0 desk:shrink-0 border-t border-base-300 bg-base-100 sm:-mx-8">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1 px-4 max-2xl:gap-x-4 py-2 max-sm:gap-x-3 sm:px-8">
        <p className="font-bold">{planning ? "Planning …" : answers.fit}</p>
        {offers && (
          <Button look="quiet" className="px-2" disabled={planning} onClick={onFit}>
            {say.fitThePlan}
          </Button>
        )}
        <p className="max-sm:hidden">{answers.balance}</p>
        <p className="max-lg:hidden">{answers.hands}</p>
        {answers.oil && <p className="max-2xl:hidden">{answers.oil}</p>}
        <Between evaluation={session.evaluation} />
        {findings.length > 0 ? (
          <Button
            look="quiet"
            className="border-transparent bg-transparent px-2 font-bold text-accent underline"
            aria-expanded={open}
            aria-controls="findings"
            onClick={() => onOpen(!open)}
          >
            <span aria-hidden="true">△ </span>
            {answers.safe}
          </Button>
        ) : (
          <p className="max-sm:hidden">{answers.safe}</p>
        )}
        <Link
          to="/session/$sessionId/work"
          params={{ sessionId: session.session_id }}
          className="btn btn-primary ml-auto h-12 px-5 text-lg"
        >
          {session.stage === "plan" ? shared.toTable : "To Work"}
        </Link>
      </div>
    </div>
  );
}

function isOffTheClock({ evaluation }: SessionView): boolean {
  return evaluation.verdicts.fit === "over" || evaluation.verdicts.fit === "under";
}

const HANDS = { easy: "easy", strained: "strained" };

function answersOf({ evaluation }: SessionView) {
  const { sheet, balance, findings, hands, supplies, verdicts } = evaluation;
  const handsOn = span(sheet.hands_on_seconds);
  const fit = {
    open_ended: say.ofWorkAtHerPace(span(sheet.seconds)),
    fits: `Fits ${handsOn} hands-on`,
    over: say.overHandsOn(span(verdicts.over), handsOn),
    under: say.underHandsOn(span(verdicts.over), handsOn),
  };
  return {
    fit: fit[verdicts.fit],
    balance:
      verdicts.balance === "even"
        ? say.sidesEvenEach(span(balance.left))
        : say.leftAndRightDifferBy(span(verdicts.apart)),
    hands: say.handsThumbs(HANDS[verdicts.hands], Math.round(100 * hands.thumb_share)),
    oil: supplies.lubricant ? say.ofOil(pouredWords(supplies.millilitres)) : "",
    safe:
      findings.length === 0
        ? say.isSafe
        : verdicts.safety === "refuse"
          ? say.notSafeToLookAt(findings.length)
          : say.toLookAt(findings.length),
  };
}
