import { say } from "../../../phrases/screens/practice";
import { HowLong } from "./HowLong";
import { Kinds } from "./Kinds";
import { Lubricants } from "./Lubricants";
import { Rules } from "./Rules";
import { Schools } from "./school/Schools";
import type { Shown } from "./useItem";

/** How the practice works, with what, and what it offers: every sentence is changed in place. */
export function House({ shown }: { shown: Shown }) {
  return (
    <>
      <Rules about="work" title={say.howWeWork} intro={say.whatRulesDo} shown={shown} />
      <Rules about="consent" title={say.whatWeAsk} intro={say.whatAskingDoes} shown={shown} />
      <Rules about="room" title={say.whatWeHave} intro={say.whatRoomDoes} shown={shown} />
      <Lubricants shown={shown} />
      <Kinds shown={shown} />
      <Schools shown={shown} />
      <HowLong shown={shown} />
    </>
  );
}
