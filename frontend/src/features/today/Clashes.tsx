import type { Clash } from "../../api/client";
import { say } from "../../phrases/screens/today/booking";

/** What does not fit, one line each. */
export function Clashes({ clashes, label }: { clashes: readonly Clash[]; label?: string }) {
  return (
    <ul aria-label={label ?? say.clashesOf}>
      {clashes.map((clash) => (
        <li key={clash.says}>
          <span className="text-accent" aria-hidden="true">
            △{" "}
          </span>
          {clash.says}
        </li>
      ))}
    </ul>
  );
}
