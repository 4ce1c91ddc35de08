import type { Catalogue, LeftOut, SessionView } from "../../api/client";
import { capital } from "../../lib/words";
import { whyLeftOut } from "./reasons";

interface Props {
  leftOut: readonly LeftOut[];
  proof: SessionView["plan"]["proof"];
  school: string;
  catalogue: Catalogue;
  onFocus: ((region: string) => void) | undefined;
  onAllow: ((region: string) => void) | undefined;
}

/** What the plan does not work, why, and how to have it all the same. */
export function LeftOutList({ leftOut, proof, school, catalogue, onFocus, onAllow }: Props) {
  const name = (id: string) => catalogue.regions[id]?.whole ?? id;
  return (
    <section aria-label="Left out">
      <h2 className="text-2xl">Left out, and why</h2>
      {leftOut.length === 0 && <p className="mt-2">Nothing: every region has its time.</p>}
      <ul className="mt-2 divide-y divide-base-300">
        {leftOut.map((left) => (
          <li key={left.region} className="py-3">
            <p className="font-bold">{capital(name(left.region))}</p>
            <p>{whyLeftOut(left, name)}</p>
            {left.reason === "no_time" && onFocus && (
              <button
                type="button"
                className="btn btn-ghost mt-1 min-h-11"
                onClick={() => onFocus(left.region)}
              >
                Ask for the {name(left.region)}
              </button>
            )}
            {left.reason === "wish" && onAllow && (
              <button
                type="button"
                className="btn btn-ghost mt-1 min-h-11"
                onClick={() => onAllow(left.region)}
              >
                Allow the {name(left.region)} again
              </button>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-4 text-quiet">
        School: {school}. Of all sets of regions none does more good in these minutes; {proof.sets_priced}{" "}
        were worked out to the second, the rest ruled out.
      </p>
    </section>
  );
}
