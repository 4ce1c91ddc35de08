import type { Catalogue } from "../api/client";
import { useCatalogue } from "../api/useCatalogue";
import { say } from "../phrases/screens/tideline";
import { span } from "../phrases/time";
import { bareName } from "../phrases/words";
import type { ClockSpan, TideLayout } from "./layout";

/** Pixels that the shore takes below the water. */
export const SHORE = 44;

/** Pixels of a letter, so that only names are written that have room. */
const LETTER = 6.8;

/** Under the water: the cloth, folded back where a cover opens and laid again where it closes, and where one stands. */
export function Shore({ layout, y }: { layout: TideLayout; y: number }) {
  const catalogue = useCatalogue();
  return (
    <g>
      {layout.windows.map((window) =>
        window.name === "none" ? null : (
          <Cloth key={window.x0} span={window} y={y} name={windowName(window, catalogue)} />
        ),
      )}
      {layout.places.map((place) => (
        <Stand key={place.x0} span={place} y={y + 24} name={place.name === "away" ? "basin" : place.name} />
      ))}
    </g>
  );
}

/** A stretch in which a window is open: a corner of cloth turned back at either end, its hem between. */
function Cloth({ span: { x0, x1, seconds }, y, name }: { span: ClockSpan; y: number; name: string }) {
  const corner = Math.min(11, (x1 - x0) / 2);
  const foot = y + 17;
  return (
    <g>
      <title>{say.uncoveredWhile(name, span(seconds))}</title>
      <path
        d={`M${x0} ${foot} Q${x0 + 1} ${foot - corner} ${x0 + corner} ${foot - corner - 2} L${x0 + corner} ${foot} Z
            M${x1} ${foot} Q${x1 - 1} ${foot - corner} ${x1 - corner} ${foot - corner - 2} L${x1 - corner} ${foot} Z`}
        className="fill-cloth stroke-quiet/60"
        strokeWidth={0.8}
        strokeLinejoin="round"
      />
      <line
        x1={x0 + corner}
        x2={x1 - corner}
        y1={foot}
        y2={foot}
        className="stroke-cloth"
        strokeWidth={2}
        strokeLinecap="round"
      />
      {x1 - x0 > name.length * LETTER + 24 && <Name x={(x0 + x1) / 2} y={foot - 4} name={name} middle />}
    </g>
  );
}

/** A stretch in which the therapist stands at one place: a pair of footprints, and where. */
function Stand({ span: { x0, x1, seconds }, y, name }: { span: ClockSpan; y: number; name: string }) {
  const room = x1 - x0;
  return (
    <g>
      <title>{say.standWhile(name, span(seconds))}</title>
      {room > 14 && (
        <>
          <ellipse
            cx={x0 + 4}
            cy={y + 9}
            rx={2.3}
            ry={4.6}
            className="fill-quiet"
            transform={`rotate(-9 ${x0 + 4} ${y + 9})`}
          />
          <ellipse
            cx={x0 + 10}
            cy={y + 7}
            rx={2.3}
            ry={4.6}
            className="fill-quiet"
            transform={`rotate(9 ${x0 + 10} ${y + 7})`}
          />
        </>
      )}
      {room > name.length * LETTER + 20 && <Name x={x0 + 17} y={y + 13} name={name} />}
    </g>
  );
}

function Name({ x, y, name, middle }: { x: number; y: number; name: string; middle?: boolean }) {
  return (
    <text
      x={x}
      y={y}
      textAnchor={middle ? "middle" : "start"}
      className="pointer-events-none fill-base-content text-[13px]"
    >
      {name}
    </text>
  );
}

/** An open window in words that fit. */
function windowName(window: ClockSpan, catalogue: Catalogue): string {
  const name = catalogue.windows[window.name]?.name ?? window.name;
  if (window.side === "mid") return name;
  return `${window.side} ${bareName({ name })}`;
}
