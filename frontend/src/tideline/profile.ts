/** The depth of a part over time, as water: smooth, on the horizon at both ends, its crest at the true depth. */

export interface DepthSpan {
  start: number;
  seconds: number;
  depth: number;
}

/** How softly depth flows: seconds from horizon to full height at most, and smoothing as a share of the whole. */
export interface Softness {
  shore: number;
  blur: number;
}

const SAMPLES = 40;

/** Second and depth, `SAMPLES + 1` of them from the first span's start to the last one's end. */
export function profileOf(spans: readonly DepthSpan[], softness: Softness): [number, number][] {
  const start = spans[0]?.start ?? 0;
  const last = spans.at(-1);
  const end = last ? last.start + last.seconds : start;
  const length = Math.max(end - start, 1);
  const blur = softness.blur * length;
  const shore = Math.min(softness.shore, 0.4 * length);
  const raw = Array.from({ length: SAMPLES + 1 }, (_, i): [number, number] => {
    const second = start + (i / SAMPLES) * length;
    const edge = Math.min(second - start, end - second) / shore;
    const rise = edge >= 1 ? 1 : (1 - Math.cos(Math.PI * edge)) / 2;
    return [second, rise * blurredDepth(spans, second, blur)];
  });
  const crest = Math.max(...raw.map(([, depth]) => depth));
  const deepest = Math.max(...spans.map((span) => span.depth));
  return raw.map(([second, depth]) => [second, crest > 0 ? (depth * deepest) / crest : 0]);
}

/** The depths round `second`, each weighted by its seconds and its distance (a Gaussian of width `blur`). */
function blurredDepth(spans: readonly DepthSpan[], second: number, blur: number): number {
  let total = 0;
  let weight = 0;
  for (const span of spans) {
    const nearest = Math.min(Math.max(second, span.start), span.start + span.seconds);
    const middle = (nearest + span.start + span.seconds / 2) / 2;
    const near = span.seconds * Math.exp(-(((middle - second) / blur) ** 2) / 2);
    total += near * span.depth;
    weight += near;
  }
  return weight > 0 ? total / weight : 0;
}
