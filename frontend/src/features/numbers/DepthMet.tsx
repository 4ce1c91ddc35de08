import type { MonthlyNumbers } from "../../api/client";
import { locale } from "../../api/manner";
import { say } from "../../phrases/screens/learn/numbers";
import { monthName } from "./monthName";
import { Picture } from "./Picture";

const [SIZE, RIM] = [64, 2];

/** A bowl for each month, filled as far as the depth was just right. */
export function DepthMet({ depth }: { depth: MonthlyNumbers["depth"] }) {
  const total = (of: "heard" | "just_right" | "lighter" | "deeper") =>
    depth.reduce((sum, month) => sum + month[of], 0);
  const heard = total("heard");
  const sentence = say.depthSay(total("just_right"), heard, total("lighter"), total("deeper"));
  return (
    <Picture title={say.depthMet} sentence={heard > 0 ? sentence : say.nobodySaid} part="depth">
      <ul className="flex flex-wrap gap-4">
        {depth
          .filter((month) => month.heard > 0)
          .map((month) => (
            <li key={month.month} className="text-center">
              <Bowl share={month.just_right / month.heard} />
              <span aria-hidden="true">
                {monthName(month.month, true)} <span className="numbers font-bold">{percent(month)}</span>
              </span>
              <span className="sr-only">
                {say.rightOf(monthName(month.month), month.just_right, month.heard)}
              </span>
            </li>
          ))}
      </ul>
    </Picture>
  );
}

function percent({ just_right, heard }: MonthlyNumbers["depth"][number]): string {
  return (just_right / heard).toLocaleString(locale(), { style: "percent" });
}

function Bowl({ share }: { share: number }) {
  const level = RIM + (SIZE - 2 * RIM) * (1 - share);
  const id = `bowl-${Math.round(share * 1000)}`;
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      width={SIZE}
      height={SIZE}
      aria-hidden="true"
      className="mx-auto block"
    >
      <clipPath id={id}>
        <circle cx={SIZE / 2} cy={SIZE / 2} r={SIZE / 2 - RIM} />
      </clipPath>
      <rect x={0} y={level} width={SIZE} height={SIZE} className="fill-tide" clipPath={`url(#${id})`} />
      <circle
        cx={SIZE / 2}
        cy={SIZE / 2}
        r={SIZE / 2 - RIM}
        className="fill-none stroke-base-content"
        strokeWidth={1.2}
      />
    </svg>
  );
}
