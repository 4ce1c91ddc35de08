import { useCatalogue } from "../../../api/useCatalogue";
import { BodyPlan } from "../../../meeting/BodyPlan";
import { say } from "../../../phrases/screens/plan/brief";
import { Button } from "../../../ui/Button";
import { amountAfterTap, amountOf, type HowMuch, patchOf, type RegionWishes } from "./amounts";

/** How darkly a region is shaded that gets more, and much more. */
const SHADES: Readonly<Record<HowMuch, number>> = { usual: 0, more: 0.45, much: 0.9, nothing: 0 };

interface Props {
  question: string;
  /** Which of the two words of the brief was opened. */
  about: "focus" | "leave_out";
  brief: RegionWishes;
  /** The regions that this session could work. */
  offered: readonly string[];
  onChange(patch: Required<RegionWishes>): void;
}

/** More, much more or nothing of a region, on the body or in the list, which say the same. */
export function RegionsPanel({ question, about, brief, offered, onChange }: Props) {
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
          onPick={({ region }) => {
            const amount = amountOf(brief, region);
            if (about === "focus") set(region, amountAfterTap(amount));
            else if (amount === "usual" || amount === "nothing")
              set(region, amount === "usual" ? "nothing" : "usual");
          }}
          onHold={({ region }) => set(region, amountOf(brief, region) === "nothing" ? "usual" : "nothing")}
        />
      </div>
      <p className="mt-1 max-w-[26rem] text-[0.95rem] text-quiet">
        {about === "focus" ? say.howToChooseOnBody : say.howToLeaveOutOnBody}
      </p>
      <ul className="mt-2 grid gap-x-6 sm:grid-cols-2">
        {Object.values(catalogue.regions)
          .filter((region) => offered.includes(region.id))
          .map((region, place) => {
            const amount = amountOf(brief, region.id);
            const chosen = about === "focus" ? amount === "more" || amount === "much" : amount === "nothing";
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
                    onChange={() => set(region.id, chosen ? "usual" : about === "focus" ? "more" : "nothing")}
                  />
                  {region.whole}
                </label>
                {about === "focus" && chosen && (
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
