import { Link } from "@tanstack/react-router";
import type { Arrival } from "../../../api/client";
import { say } from "../../../phrases/screens/clients/exchange";

interface Props {
  lines: readonly Arrival[];
  leftOut: ReadonlySet<number>;
  onLeaveOut(line: number, out: boolean): void;
}

/** Every line of what was brought, with what would become of it; each can be left out. */
export function Arrivals({ lines, leftOut, onLeaveOut }: Props) {
  return (
    <section aria-label="Lines" className="mt-6">
      <h2 className="text-2xl">{lines.length === 1 ? "One line" : say.lines(lines.length)}</h2>
      <ul className="mt-2">
        {lines.map((one) => (
          <li key={one.line} className="border-t border-base-300">
            <label className="grid min-h-11 grid-cols-[auto_1fr] items-center gap-x-4 gap-y-0 py-2 sm:grid-cols-[auto_14rem_12rem_1fr]">
              <input
                type="checkbox"
                className="checkbox"
                aria-label={say.addLine(one.line, one.name && `, ${one.name}`)}
                disabled={one.outcome === "faulty"}
                checked={!leftOut.has(one.line)}
                onChange={(event) => onLeaveOut(one.line, !event.target.checked)}
              />
              <span className="font-bold">{one.name || say.line(one.line)}</span>
              <span className="text-quiet max-sm:col-start-2">{one.phone || one.email}</span>
              <span className="max-sm:col-start-2">
                <Becomes one={one} />
                {one.unread && one.unread.length > 0 && (
                  <span className="block text-accent">△ {say.linesUnread(one.unread)}</span>
                )}
              </span>
            </label>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Becomes({ one }: { one: Arrival }) {
  if (one.outcome === "new") return <>new</>;
  if (one.outcome === "twice")
    return (
      <span className="text-accent">
        {say.sameAsLine} {one.twice_of}
      </span>
    );
  if (one.outcome === "faulty") return <span className="text-accent">△ {one.problems?.join("; ")}</span>;
  return (
    <span className="text-accent">
      △ there already:{" "}
      <Link
        to="/clients/$clientId"
        params={{ clientId: one.known_id ?? "" }}
        className="underline underline-offset-4"
      >
        {one.known_as}
      </Link>
    </span>
  );
}
