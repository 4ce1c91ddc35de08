/**
 * The table plan's layout: a moment of a session in, shapes out, in centimetres on the page. The head is to the left;
 * whoever looks at it looks straight down on the client.
 */
import type { Entry } from "../api/client";
import { capital, sided, zoneName } from "../phrases/words";
import { arrows } from "./arrows";
import { type Cloth, clothOf } from "./cloth";
import { capsule, ellipse, type Frame, outline, type Point } from "./geometry";
import type { Moment, Names } from "./moment";
import {
  framesOf,
  HEIGHT,
  LEFT,
  MIDDLE,
  moved,
  onPage,
  sidesOf,
  type Turn,
  WIDTH,
  type ZonePatch,
  zonePatches,
  zonePaths,
} from "./page";
import { type BodyPiece, belly, type Posture, postureOf } from "./postures";
import { inWords } from "./words";

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
    feet: entry.seated || moment.alone ? [] : stands,
    seat: entry.seated ? (stands[0] ?? null) : null,
    rightIsUp: posture.right === 1,
    spots: spotsOf(posture, turn, names),
    says: inWords(moment, names),
  };
}

/** A region as it is worked: its side, and how the client lies. */
type Where = Pick<Entry, "region" | "side" | "position">;

/** The zones of one region that can be pointed at where the client now lies. */
export function zoneSpots(where: Where, zones: readonly string[], names: Names): Spot[] {
  return zones.map((zone) => {
    const paths = patchesOf(where, zone, names).map(({ path }) => path);
    return spotOf(where, zone, zone, paths.join(""), names);
  });
}

/** The same, told apart by the client's side where a zone of the middle lies on both, or broadly over it. */
export function sidedZoneSpots(where: Where, zones: readonly string[], names: Names): Spot[] {
  return zones.flatMap((zone) => {
    const patches = patchesOf(where, zone, names, true);
    if (where.side !== "mid" || patches.length < 2) return zoneSpots(where, [zone], names);
    return patches.map(({ path, at }, i) => {
      const side = nearerSide(at, where.position, names);
      return spotOf({ ...where, side }, zone, `${zone} ${i}`, path, names);
    });
  });
}

function patchesOf(where: Where, zone: string, names: Names, halved = false): ZonePatch[] {
  const posture = postureOf(where.position);
  const frames = framesOf(posture, where.region, sidesOf(where.region, where.side, names), onPage(posture));
  return frames.flatMap((frame) => zonePatches(where.region, zone, frame, names, halved));
}

function spotOf({ region, side }: Where, zone: string, key: string, path: string, names: Names): Spot {
  return { key, region, side, zone, name: capital(zoneName(zone, names.regions[region])), path };
}

/** The client's side on which a point of the page lies: that of the nearer shoulder; `mid` where only one is seen. */
function nearerSide(at: Point, position: string, names: Names): "left" | "right" | "mid" {
  const posture = postureOf(position);
  const far = (side: "left" | "right") => {
    const [frame] = framesOf(posture, "shoulders", sidesOf("shoulders", side, names), onPage(posture));
    return frame
      ? Math.hypot((frame.from[0] + frame.to[0]) / 2 - at[0], (frame.from[1] + frame.to[1]) / 2 - at[1])
      : null;
  };
  const [left, right] = [far("left"), far("right")];
  if (left === null || right === null) return "mid";
  return left < right ? "left" : "right";
}

function pathOf(part: BodyPiece, turn: Turn): string {
  if (part.kind === "strip") return capsule(moved(part.frame, turn));
  if (part.kind === "round") return ellipse(turn(part.at), part.rx, part.ry);
  return outline(part.points.map(turn));
}

function bellyOf(position: string, turn: Turn): string | null {
  const part = belly(position);
  return part ? pathOf(part, turn) : null;
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
