import { useCatalogue } from "../api/useCatalogue";
import { span } from "../phrases/time";
import { zoneName } from "../phrases/words";
import type { StrokeSpan, TideLayout } from "./layout";

const LETTER = 7;

/** The strokes of a line that is drawn large: each a stretch of water at its depth, with its name and its passes. */
export function Strokes({ layout }: { layout: TideLayout }) {
  return (
    <g className="pointer-events-none">
      {layout.strokes.map((stroke) => (
        <g key={stroke.entry.start}>
          {stroke.entry.side !== "left" && <Level stroke={stroke} y={layout.horizon - stroke.rise} />}
          {stroke.entry.side !== "right" && <Level stroke={stroke} y={layout.horizon + stroke.rise} />}
          <Name stroke={stroke} layout={layout} />
        </g>
      ))}
    </g>
  );
}

function Level({ stroke, y }: { stroke: StrokeSpan; y: number }) {
  return (
    <line
      x1={stroke.x0 + 2}
      x2={stroke.x1 - 2}
      y1={y}
      y2={y}
      className="stroke-base-content"
      strokeWidth={2}
      strokeLinecap="round"
    />
  );
}

function Name({ stroke, layout }: { stroke: StrokeSpan; layout: TideLayout }) {
  const catalogue = useCatalogue();
  const { entry, x0, x1 } = stroke;
  const name = catalogue.strokes[entry.stroke ?? ""]?.name ?? "";
  const room = x1 - x0 + 4;
  const fits = (lines: string[]) => (lines.every((line) => line.length * LETTER <= room) ? lines : []);
  const shown = [
    ...fits(broken(name, room - 12)),
    ...fits(entry.zone ? [zoneName(entry.zone, catalogue.regions[entry.region])] : []),
    ...fits([`${entry.passes} × · ${span(entry.seconds)}`]),
  ];
  const up = entry.side !== "left";
  const first = up
    ? layout.horizon - stroke.rise - 8 - (shown.length - 1) * 15
    : layout.horizon + stroke.rise + 17;
  return (
    <text textAnchor="middle" className="fill-base-content text-[13px]">
      {shown.map((line, i) => (
        <tspan key={line} x={(x0 + x1) / 2} y={first + i * 15}>
          {line}
        </tspan>
      ))}
    </text>
  );
}

/** Words in lines that fit so many pixels. */
function broken(words: string, room: number): string[] {
  const lines: string[] = [];
  for (const word of words.split(" ")) {
    const last = lines.at(-1);
    if (last !== undefined && (last.length + word.length + 1) * LETTER <= room)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
