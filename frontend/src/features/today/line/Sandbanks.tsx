import type { Day } from "../../../api/client";
import { say } from "../../../phrases/screens/today/calendarIn";
import { ABOVE, type DayScale, LINE_HEIGHT } from "./dayScale";

/** Pixels from which a title can be read in it. */
const NAMED = 56;

/** The time that is blocked: a bank of sand that lies above the water. */
export function Sandbanks({ day, scale }: { day: Day; scale: DayScale }) {
  return day.blocks.map(({ block, span }) => {
    const left = scale.x(Math.max(span.begins, scale.first));
    const width = scale.x(Math.min(span.ends, scale.last)) - left;
    if (width <= 0) return null;
    const middle = LINE_HEIGHT / 2;
    const shoulder = Math.min(14, width / 4);
    const top = middle - 26;
    const bank = `M0 ${middle} Q${shoulder} ${top} ${shoulder * 2} ${top} H${width - shoulder * 2} Q${width - shoulder} ${top} ${width} ${middle} Z`;
    return (
      <div
        key={block.block_id}
        className="absolute text-quiet"
        style={{ left, width, top: ABOVE, height: LINE_HEIGHT }}
      >
        <svg width={width} height={LINE_HEIGHT} aria-hidden="true" className="absolute inset-0">
          <path d={bank} className="fill-base-300 stroke-base-content/30" />
        </svg>
        <span
          className="absolute inset-x-2 truncate text-center text-[0.85rem]"
          style={{ top: middle - 23 }}
          title={block.title || say.untitled}
        >
          {width >= NAMED ? block.title || say.blockedTime : ""}
        </span>
      </div>
    );
  });
}
