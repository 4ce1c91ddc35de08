import { useCatalogue } from "../../../api/useCatalogue";
import { BodyPlan } from "../../../meeting/BodyPlan";
import { say } from "../../../phrases/screens/plan/brief";
import { Button } from "../../../ui/Button";
import {
  amountAfterHold,
  amountAfterTap,
  amountOf,
  type BriefWord,
  type HowMuch,
  isChosen,
  patchOf,
  type RegionWishes,
} from "./amounts";

/** How darkly a region is shaded that gets more, and much more. */
const SHADES: Readonly<Record<HowMuch, number>> = { usual: 0, more: 0.45, much: 0.9, nothing: 0 };

interface Props {
  question: string;
  asked: BriefWord;
  brief: RegionWishes;
  /** The regions that this session could work. */
  offered: readonly string[];
  onChange(patch: Required<RegionWishes>): void;
}

/** More, much more or nothing of a region, on the body or in the list, which say the same. */
export function RegionsPanel({ question, asked, brief, offered, onChange }: Props) {
  const catalogue = useCatalogue();
  const set = (id: string, amount: HowMuch) => offered.includes(id) && onChange(patchOf(brief, id, amount));
  const sides = (id: string) =>
    ["mid", "left", "right"].map((side) => [`${id} ${side}`, SHADES[amountOf(brief, id)]] as const);
  return (
    <fieldset>
      <legend className="mb-2 font-bold">{question}</legend>
      <div className="max-w-[26rem]">
        <BodyPlan
          catalogue={catalogue}
          shaded={Object.fromEntries((brief.focus ?? []).flatMap(sides))}
          barred={brief.leave_out ?? []}
          onPick={({ region }) => set(region, amountAfterTap(asked, amountOf(brief, region)))}
          onHold={({ region }) => set(region, amountAfterHold(amountOf(brief, region)))}
        />
      </div>
      <p className="mt-1 max-w-[26rem] text-[0.95rem] text-quiet">
        {asked === "focus" ? say.howToChooseOnBody : say.howToLeaveOutOnBody}
      </p>
      <ul className="mt-2 grid gap-x-6 sm:grid-cols-2">
        {Object.values(catalogue.regions)
          .filter((region) => offered.includes(region.id))
          .map((region, place) => {
            const amount = amountOf(brief, region.id);
            const chosen = isChosen(asked, amount);
            const blocked = !chosen && amount !== "usual";
            return (
              <li key={region.id} className="flex items-center justify-between gap-2">
                <label
                  title={region.gloss}
                  className={`flex min-h-11 items-center gap-2 ${blocked ? "text-quiet" : ""}`}
                >
                  <input
                    type="checkbox"
                    data-first={place === 0 || undefined}
                    className="checkbox"
                    checked={chosen}
                    disabled={blocked}
                    onChange={() => set(region.id, chosen ? "usual" : amountAfterTap(asked, "usual"))}
                  />
                  {region.whole}
                </label>
                {asked === "focus" && chosen && (
                  <Button
                    look="quiet"
                    className={`px-2 font-normal ${amount === "much" ? "bg-base-300" : ""}`}
                    aria-pressed={amount === "much"}
                    aria-label={say.muchMoreOf(region.whole)}
                    onClick={() => set(region.id, amount === "much" ? "more" : "much")}
                  >
                    much
                  </Button>
                )}
              </li>
            );
          })}
      </ul>
    </fieldset>
  );
}
