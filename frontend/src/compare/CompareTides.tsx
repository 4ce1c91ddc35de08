import { useId, useMemo } from "react";
import type { Outline, RunSheet } from "../api/client";
import { say } from "../phrases/screens/compare";
import { smallSwells } from "../tideline/swells";
import { Ripples, Surface } from "../tideline/Water";
import { useDesk } from "../ui/screen/useDesk";
import { useWidth } from "../ui/screen/useWidth";

interface Props {
  first: RunSheet | Outline;
  second: RunSheet | Outline;
  names: readonly [string, string];
}

const [HEIGHT, LOW] = [150, 104];

/** Two sessions laid over one another on one clock: the first as water, the second as a line drawn over it. */
export function CompareTides({ first, second, names }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(640);
  const water = useId();
  const height = useDesk() ? LOW : HEIGHT;
  const longest = Math.max(first.seconds, second.seconds, 1);
  const [one, other] = useMemo(
    () =>
      [first, second].map((sheet) =>
        smallSwells(
          sheet,
          { width: (width * sheet.seconds) / longest, height },
          { left: 0, right: 0, top: 6, bottom: 6 },
        ),
      ),
    [first, second, width, height, longest],
  );
  return (
    <figure>
      <div ref={ref} className="w-full">
        <svg width={width} height={height} role="img" aria-label={say.waterAndLine(names[0], names[1])}>
          <Ripples id={water} />
          {one?.swells.map((swell) => (
            <g key={swell.partId}>
              <path d={swell.above} className="fill-tide" opacity={0.6} />
              <path d={swell.below} className="fill-tide" opacity={0.4} />
              <path d={swell.below} fill={`url(#${water})`} />
            </g>
          ))}
          <Surface x0={0} x1={width} y={height / 2} />
          {other?.swells.map((swell) => (
            <g key={swell.partId} className="fill-none stroke-accent" strokeWidth={2}>
              <path d={swell.above} />
              <path d={swell.below} />
            </g>
          ))}
        </svg>
      </div>
      <figcaption className="mt-1 flex desk:mt-0 desk:text-[0.95rem] flex-wrap gap-x-6 text-quiet">
        <span>
          <span
            aria-hidden="true"
            className="mr-2 inline-block h-3 w-6 rounded-full bg-tide align-middle forced-color-adjust-none"
          />
          {names[0]}
        </span>
        <span>
          <span
            aria-hidden="true"
            className="mr-2 inline-block w-6 border-t-2 border-accent align-middle forced-color-adjust-none"
          />
          {names[1]}
        </span>
      </figcaption>
    </figure>
  );
}
