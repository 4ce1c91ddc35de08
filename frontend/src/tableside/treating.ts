/** Which sore points to treat in the time there is, as the core chooses; both are held to the same vectors. */
import { inOrder, MOST_HOLDS, type SorePoint } from "./points";

const NUMBER = 4;
const FLUSH = 9;

export interface Treating {
  /** Ids of the points to treat now, in their order. */
  now: string[];
  left: string[];
  seconds: number;
}

type Worth = [named: number, numbers: number, falls: number, count: number];

/** Seconds of a point's next hold: half as long again where its number stayed. */
export function nextHoldSeconds({ numbers }: SorePoint, hold: number): number {
  const [before, last] = numbers.slice(-2);
  return last !== undefined && before === last ? hold + Math.ceil(hold / 2) : hold;
}

function pointSeconds(point: SorePoint, hold: number): number {
  const holds = MOST_HOLDS - point.holds;
  const longer = holds > 0 ? nextHoldSeconds(point, hold) - hold : 0;
  return holds * (hold + NUMBER) + longer + FLUSH;
}

function better(a: Worth, b: Worth): boolean {
  const at = a.findIndex((one, index) => one !== b[index]);
  return at >= 0 && (a[at] ?? 0) > (b[at] ?? 0);
}

/** `hold`: seconds of one hold. `falls`: by how much a point fell on earlier visits, by its id. */
export function treating(
  points: readonly SorePoint[],
  seconds: number,
  ceiling: number,
  hold: number,
  falls: Readonly<Record<string, number>> = {},
): Treating {
  const wanted = inOrder(points, ceiling);
  const best = new Map<number, { worth: Worth; now: string[] }>([[0, { worth: [0, 0, 0, 0], now: [] }]]);
  for (const point of wanted) {
    const number = point.numbers.at(-1) ?? ceiling;
    const under = number <= ceiling ? number : 0;
    for (const [used, { worth, now }] of [...best]) {
      const more = used + pointSeconds(point, hold);
      const sum: Worth = [
        worth[0] + Number(point.named),
        worth[1] + under,
        worth[2] + (falls[point.id] ?? 0),
        worth[3] + 1,
      ];
      const known = best.get(more);
      if (more <= seconds && (!known || better(sum, known.worth)))
        best.set(more, { worth: sum, now: [...now, point.id] });
    }
  }
  let used = 0;
  for (const [total, { worth }] of best) {
    const held = best.get(used)?.worth ?? worth;
    if (better(worth, held) || (total < used && !better(held, worth))) used = total;
  }
  const now = best.get(used)?.now ?? [];
  return { now, left: wanted.flatMap(({ id }) => (now.includes(id) ? [] : [id])), seconds: used };
}
