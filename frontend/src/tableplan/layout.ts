/**
 * The table plan's layout: a moment of a session in, shapes out, in centimetres on the page. The head is to the left;
 * whoever looks at it looks straight down on the client.
 */
import type { Catalogue, Entry, Excluded } from "../api/client";
import { capital, listed, placeWord, sided, spoken } from "../lib/words";
import { axes, capsule, ellipse, type Frame, outline, type Point, patch, within } from "./geometry";
import { belly, type Piece, type Posture, postureOf, type Which } from "./postures";
import { ZONES } from "./zones";

/** What is to be seen: an entry of the run sheet, and what of the client and the room matters. */
export interface Moment {
  entry: Pick<
    Entry,
    "position" | "place" | "seated" | "window" | "window_side" | "region" | "side" | "kind" | "role"
  > & { zone?: string | null; stroke?: string | null };
  surface: "table" | "chair" | "bed" | "mat";
  excluded: readonly Excluded[];
  /** Regions that may not be worked at all. */
  barred: readonly string[];
  pregnant: boolean;
}

/** A place that can be pointed at: a region's side, or a zone of it. */
export interface Spot {
  key: string;
  region: string;
  side: Entry["side"];
  zone: string | null;
  name: string;
  path: string;
}

export interface TablePlanLayout {
  width: number;
  height: number;
  surface: Shape[];
  supports: string[];
  body: string[];
  /** Drawn over the rest of the body, since they are seen over it. */
  heads: string[];
  belly: string | null;
  cloth: Cloth | null;
  worked: string[];
  zone: string[];
  arrows: string[];
  hatched: string[];
  feet: Point[];
  seat: Point | null;
  /** Where the client's right and left are, as seen. */
  rightIsUp: boolean;
  spots: Spot[];
  /** The same in words. */
  says: string;
}

interface Shape {
  path: string;
  role: "ground" | "detail";
}

/** The sheet, the places where it is open, and the fold along its upper edge. */
interface Cloth {
  path: string;
  fold: string;
  open: string[];
}

export const WIDTH = 236;
export const HEIGHT = 128;
const [LEFT, MIDDLE] = [28, HEIGHT / 2];

type Names = Pick<Catalogue, "regions" | "windows" | "positions" | "strokes">;

export function layTablePlan(moment: Moment, names: Names): TablePlanLayout {
  const { entry } = moment;
  const posture = postureOf(entry.position);
  const turn = onPage(posture);
  const sides = sidesOf(entry.region, entry.side, names);
  const worked = framesOf(posture, entry.region, sides, turn);
  const direction = names.strokes[entry.stroke ?? ""]?.direction;
  const stands = feetAt(entry, posture, worked[0]);
  return {
    width: WIDTH,
    height: HEIGHT,
    surface: surfaceOf(moment, posture, turn),
    supports: posture.supports.map((part) => pathOf(part, turn)),
    body: posture.body.filter((part) => part.kind !== "round").map((part) => pathOf(part, turn)),
    heads: posture.body.filter((part) => part.kind === "round").map((part) => pathOf(part, turn)),
    belly: moment.pregnant ? bellyOf(entry.position, turn) : null,
    cloth: clothOf(moment, posture, turn, names),
    worked: entry.kind === "stroke" ? worked.map((frame) => capsule(frame)) : [],
    zone: worked.flatMap((frame) => zonePaths(entry.region, entry.zone, frame, names)),
    arrows:
      entry.kind === "stroke" && direction
        ? worked.flatMap((frame) => arrows(frame, direction, entry.region))
        : [],
    hatched: hatchedOf(moment, posture, turn, names),
    feet: entry.seated ? [] : stands,
    seat: entry.seated ? (stands[0] ?? null) : null,
    rightIsUp: posture.right === 1,
    spots: spotsOf(posture, turn, names),
    says: inWords(moment, names),
  };
}

/** The zones of one region that can be pointed at where the client now lies. */
export function zoneSpots(
  region: string,
  side: Entry["side"],
  zones: readonly string[],
  position: string,
  names: Names,
): Spot[] {
  const posture = postureOf(position);
  const frames = framesOf(posture, region, sidesOf(region, side, names), onPage(posture));
  return zones.map((zone) => ({
    key: zone,
    region,
    side,
    zone,
    name: capital(spoken(zone)),
    path: frames.flatMap((frame) => zonePaths(region, zone, frame, names)).join(""),
  }));
}

type Turn = (point: Point) => Point;

/** From a posture's centimetres to the page's; whoever sits is put in the middle. */
function onPage(posture: Posture): Turn {
  const left = LEFT + (180 - posture.length) / 2;
  return ([u, v]) => [left + u, MIDDLE - v];
}

function moved(frame: Frame, turn: Turn): Frame {
  return { ...frame, from: turn(frame.from), to: turn(frame.to) };
}

function pathOf(part: Piece, turn: Turn): string {
  if (part.kind === "strip") return capsule(moved(part.frame, turn));
  if (part.kind === "round") return ellipse(turn(part.at), part.rx, part.ry);
  return outline(part.points.map(turn));
}

function sidesOf(region: string, side: Entry["side"], names: Names): Which[] {
  if (names.regions[region]?.sides === "mid") return ["right"];
  return side === "left" || side === "right" ? [side] : ["right", "left"];
}

function framesOf(posture: Posture, region: string, sides: readonly Which[], turn: Turn): Frame[] {
  const found = sides.map((side) => posture.region(region, side));
  return found.filter((frame) => frame !== undefined).map((frame) => moved(frame, turn));
}

/** Which way across a strip is outward: away from the body's axis on the page. */
function outward(frame: Frame): 1 | -1 {
  const [, across] = axes(frame);
  return (frame.from[1] + frame.to[1]) / 2 + across[1] >= MIDDLE === across[1] >= 0 ? 1 : -1;
}

function zonePaths(region: string, zone: string | null | undefined, frame: Frame, names: Names): string[] {
  const place = ZONES[region]?.[zone ?? ""];
  if (!place) return [];
  const [a, b, ra, rb] = place;
  if (names.regions[region]?.sides === "mid") {
    return b === 0 ? [patch(frame, a, 0, ra, rb)] : [patch(frame, a, b, ra, rb), patch(frame, a, -b, ra, rb)];
  }
  return [patch(frame, a, b * outward(frame), ra, rb)];
}

function bellyOf(position: string, turn: Turn): string | null {
  const part = belly(position);
  return part ? pathOf(part, turn) : null;
}

/** How far the sheet is folded away, in cm along the body, and what is laid over the chest instead. */
const FOLDS: Record<string, { from?: number; to?: number; chestCover?: readonly [number, number] }> = {
  back: { from: 84 },
  side_back: { from: 84 },
  chest: { from: 46 },
  abdomen: { from: 82, chestCover: [36, 57] },
  foot: { to: 158 },
};

function clothOf(moment: Moment, posture: Posture, turn: Turn, names: Names): Cloth | null {
  const { window, window_side } = moment.entry;
  if (posture.sheetFrom === undefined || window === "clothed") return null;
  const fold = FOLDS[window];
  const [x0] = turn([fold?.from ?? posture.sheetFrom, 0]);
  const [x1] = turn([fold?.to ?? posture.length + 6, 0]);
  const side =
    window_side === "left" || window_side === "right" ? [window_side] : (["right", "left"] as const);
  const uncovers = fold ? [] : (names.windows[window]?.uncovers ?? []);
  const open = uncovers.flatMap((region) =>
    framesOf(posture, region, names.regions[region]?.sides === "mid" ? ["right"] : side, turn).map((frame) =>
      capsule(frame, 3.5),
    ),
  );
  const cover = fold?.chestCover?.map((u) => turn([u, 0])[0]);
  return {
    path: clothBetween(x0, x1) + (cover ? clothBetween(cover[0] ?? 0, cover[1] ?? 0, 22) : ""),
    fold: fold?.to === undefined ? edge(x0) : edge(x1),
    open,
  };
}

function edge(x: number, half = 36): string {
  return `M${x} ${MIDDLE - half}C${x - 3} ${MIDDLE - half / 3} ${x + 4} ${MIDDLE + half / 3} ${x} ${MIDDLE + half}`;
}

function clothBetween(x0: number, x1: number, half = 36): string {
  const [y0, y1, third] = [MIDDLE - half, MIDDLE + half, half / 3];
  return `${edge(x0, half)}L${x1 - 2} ${y1}C${x1 + 3} ${MIDDLE + third} ${x1 - 3} ${MIDDLE - third} ${x1} ${y0}Z`;
}

function surfaceOf({ surface }: Moment, posture: Posture, turn: Turn): Shape[] {
  const seated = posture.sheetFrom === undefined;
  if (seated) {
    const [x, y] = turn([posture.length / 2, 0]);
    return [{ path: ellipse([x, y], posture.length / 2 + 14, 46), role: "ground" }];
  }
  const [x0, x1] = [LEFT - 10, LEFT + 196];
  const half = { table: 38, bed: 54, mat: 46, chair: 38 }[surface];
  const r = surface === "table" ? 10 : 4;
  const ground = `M${x0 + r} ${MIDDLE - half}H${x1 - r}Q${x1} ${MIDDLE - half} ${x1} ${MIDDLE - half + r}V${MIDDLE + half - r}Q${x1} ${MIDDLE + half} ${x1 - r} ${MIDDLE + half}H${x0 + r}Q${x0} ${MIDDLE + half} ${x0} ${MIDDLE + half - r}V${MIDDLE - half + r}Q${x0} ${MIDDLE - half} ${x0 + r} ${MIDDLE - half}Z`;
  const seam: Shape[] =
    surface === "table"
      ? [{ path: `M${(x0 + x1) / 2} ${MIDDLE - half}V${MIDDLE + half}`, role: "detail" }]
      : [];
  return [{ path: ground, role: "ground" }, ...seam];
}

function hatchedOf(moment: Moment, posture: Posture, turn: Turn, names: Names): string[] {
  const whole = moment.barred.flatMap((region) =>
    framesOf(posture, region, sidesOf(region, "both", names), turn).map((frame) => capsule(frame, 1)),
  );
  const places = moment.excluded.flatMap(({ region, side = "both", zone }) =>
    framesOf(posture, region, sidesOf(region, side, names), turn).flatMap((frame) =>
      zone ? zonePaths(region, zone, frame, names) : [capsule(frame, 1)],
    ),
  );
  return [...whole, ...places];
}

/** Arrow lines along, across or round a strip, as the stroke runs. `toward_heart` on a limb runs up it. */
function arrows(frame: Frame, direction: string, region: string): string[] {
  const headOnly = ["scalp", "face", "neck", "shoulders", "chest", "back", "side_body"].includes(region);
  const inward = headOnly ? [0.1, 0.9] : [0.95, 0.05];
  const [a0 = 0, a1 = 1] = direction === "away" ? [...inward].reverse() : inward;
  const at = (a: number, b: number) => within(frame, a, b);
  switch (direction) {
    case "toward_heart":
    case "away":
      return [-0.45, 0.45].map((b) => arrow(at(a0, b), at(a1, b)));
    case "along_fibre":
      return [arrow(at(0.5, 0), at(0.05, 0)), arrow(at(0.5, 0), at(0.95, 0))];
    case "across":
      return [0.25, 0.6].flatMap((a) => [
        arrow(at(a, 0), at(a, 0.8)),
        arrow(at(a + 0.12, 0), at(a + 0.12, -0.8)),
      ]);
    case "clockwise": {
      const [x, y] = at(0.5, 0);
      const r = Math.max(frame.width[0] * 0.55, 3);
      return [`M${x - r} ${y}A${r} ${r} 0 1 1 ${x} ${y + r}m-2.6 -2.4l2.6 2.4l-2.2 2.8`];
    }
    default: {
      const [x, y] = at(0.5, 0);
      return [ellipse([x, y], 2.6, 2.6), ellipse([x, y], 5, 5)];
    }
  }
}

function arrow(from: Point, to: Point): string {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [dx, dy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const head = (sign: number) =>
    `M${fixed(to[0] - 3 * dx - 2 * sign * dy)} ${fixed(to[1] - 3 * dy + 2 * sign * dx)}L${fixed(to[0])} ${fixed(to[1])}`;
  return `M${fixed(from[0])} ${fixed(from[1])}L${fixed(to[0])} ${fixed(to[1])}${head(1)}${head(-1)}`;
}

const fixed = (value: number) => Math.round(value * 10) / 10;

/** Two feet where the therapist stands, beside what is worked; one place, the stool, where they sit. */
function feetAt({ place }: Moment["entry"], posture: Posture, worked: Frame | undefined): Point[] {
  const x = worked ? (worked.from[0] + worked.to[0]) / 2 : LEFT + posture.length / 2;
  const seated = posture.sheetFrom === undefined;
  const [start, end] = seated
    ? [LEFT + (180 - posture.length) / 2, LEFT + (180 + posture.length) / 2]
    : [LEFT - 10, LEFT + 196];
  const up = MIDDLE - 52;
  const down = MIDDLE + 52;
  const pair = (at: number, y: number): Point[] => [
    [at - 5, y],
    [at + 5, y],
  ];
  const upright = (at: number): Point[] => [
    [at, MIDDLE - 5],
    [at, MIDDLE + 5],
  ];
  switch (place) {
    // Behind one who is seated is where the head of a table would be: the page has that to the right.
    case "head":
      return seated ? upright(Math.min(end + 16, WIDTH - 10)) : upright(start - 9);
    case "foot":
      return seated ? upright(Math.max(start - 14, 10)) : upright(Math.min(end + 8, WIDTH - 9));
    case "right":
      return pair(x, posture.right === 1 ? up : down);
    case "left":
      return pair(x, posture.right === 1 ? down : up);
    default:
      return pair(WIDTH - 16, HEIGHT - 10);
  }
}

function spotsOf(posture: Posture, turn: Turn, names: Names): Spot[] {
  return Object.values(names.regions).flatMap((region) => {
    const sides: Entry["side"][] = region.sides === "mid" ? ["mid"] : ["right", "left"];
    return sides.flatMap((side) =>
      framesOf(posture, region.id, sidesOf(region.id, side, names), turn).map((frame) => ({
        key: `${region.id} ${side}`,
        region: region.id,
        side,
        zone: null,
        name: capital(sided(region, side)),
        path: capsule(frame),
      })),
    );
  });
}

function inWords({ entry, excluded, barred, pregnant }: Moment, names: Names): string {
  const position = names.positions[entry.position]?.name ?? entry.position;
  const region = names.regions[entry.region];
  const window = names.windows[entry.window];
  const stroke = names.strokes[entry.stroke ?? ""];
  const where = placeWord(entry.place, entry.position);
  const open =
    entry.window === "none" || entry.window === "clothed"
      ? "Nothing is uncovered."
      : `Uncovered: ${entry.window_side === "mid" ? "" : `${entry.window_side} `}${window?.name ?? entry.window}.`;
  const work = stroke
    ? `${capital(stroke.name)} on the ${region ? sided(region, entry.side) : entry.region}${entry.zone ? `, ${spoken(entry.zone)}` : ""}, ${spoken(stroke.direction)}.`
    : "";
  const off = [
    ...barred.map((id) => names.regions[id]?.whole ?? id),
    ...excluded.map(({ region: id, side = "both", zone }) => {
      const there = names.regions[id];
      const name = there ? sided(there, there.sides === "mid" ? "mid" : side) : id;
      return zone ? `${name}, ${spoken(zone)}` : name;
    }),
  ];
  return [
    `The client is ${position}${pregnant ? ", pregnant" : ""}.`,
    open,
    where === "away"
      ? "You are at the basin."
      : `You ${entry.seated ? "sit" : "stand"} ${where === "behind" ? "behind" : where === "head" || where === "foot" ? `at the ${where}` : `on the client’s ${where}`}.`,
    work,
    off.length > 0 ? `Keep off: ${listed(off)}.` : "",
  ]
    .filter(Boolean)
    .join(" ");
}
