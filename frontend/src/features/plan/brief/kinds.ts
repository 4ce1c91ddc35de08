/** What each kind of session offers to choose from, and the brief with which a change of kind begins. */
import type { Brief, Catalogue } from "../../../api/client";

type Known = Pick<Catalogue, "kinds" | "schools" | "closings">;

export function schoolsOf(kind: string, catalogue: Known) {
  return Object.values(catalogue.schools).filter((school) => school.kind === kind);
}

/** The positions of the brief's school, in its order. */
export function positionsOf(brief: Brief, catalogue: Known): string[] {
  return (catalogue.schools[brief.school ?? ""]?.block ?? []).map((block) => block.position);
}

/** The regions that the brief's school works, and its part of the body if it keeps to one. */
export function offeredRegions(brief: Brief, catalogue: Known): string[] {
  const worked = (catalogue.schools[brief.school ?? ""]?.block ?? []).flatMap((block) => block.rows.flat());
  const area = (catalogue.kinds[brief.kind ?? ""]?.area ?? []).find(({ id }) => id === brief.area);
  return [...new Set(worked)].filter((region) => !area || area.regions.includes(region));
}

/** In the chair the client is seated at the end; nobody else is. */
export function closingsOf(kind: string, catalogue: Known) {
  const seated = catalogue.kinds[kind]?.surface === "chair";
  return Object.values(catalogue.closings).filter(({ id }) => (id === "seated") === seated);
}

/** The brief as another kind of session: what the kind does not know is let go, the rest is kept. */
export function briefOfKind(brief: Brief, kind: string, catalogue: Known): Partial<Brief> {
  const known = catalogue.kinds[kind];
  const school = schoolsOf(kind, catalogue)[0]?.id ?? brief.school;
  const part = known?.area?.[0];
  const area = part?.id ?? null;
  const next: Brief = { ...brief, kind, school, area, first_position: null, finish: "calm" };
  const offered = offeredRegions(next, catalogue);
  const usual = known?.usual_minutes ?? [];
  const nearest = [...usual].sort(
    (a, b) => Math.abs(a - brief.booked_minutes) - Math.abs(b - brief.booked_minutes),
  )[0];
  const closings = closingsOf(kind, catalogue).map(({ id }) => id);
  return {
    kind,
    school,
    area,
    first_position: null,
    finish: "calm",
    booked_minutes: nearest ?? brief.booked_minutes,
    focus: (brief.focus ?? []).filter((region) => offered.includes(region)),
    leave_out: (brief.leave_out ?? []).filter((region) => offered.includes(region)),
    close_with: part?.closing ?? (closings.includes(brief.close_with ?? "") ? brief.close_with : closings[0]),
  };
}
