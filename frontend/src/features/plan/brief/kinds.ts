/** What each kind of session offers to choose from, and the brief with which a change of kind begins. */
import type { Brief, Catalogue } from "../../../api/client";

type Known = Pick<Catalogue, "kinds" | "schools" | "closings" | "usual_briefs">;

/** The schools to choose from for a kind; one that is not offered any more only where it is the `present` one. */
export function schoolsOf(kind: string, catalogue: Known, present = "") {
  return Object.values(catalogue.schools).filter(
    (school) => school.kind === kind && (school.offered || school.id === present),
  );
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

/**
 * The brief as another kind of session, as the house begins that. What was asked for is kept, as far as the kind knows
 * it; a part of the body ends where its own hold is.
 */
export function briefOfKind(brief: Brief, kind: string, catalogue: Known): Partial<Brief> {
  const usualBrief = catalogue.usual_briefs[kind] ?? brief;
  const { school, area = null, first_position = null } = usualBrief;
  const asked = brief.close_with !== catalogue.usual_briefs[brief.kind ?? ""]?.close_with;
  const known = closingsOf(kind, catalogue).some(({ id }) => id === brief.close_with);
  const close_with = asked && known && !area ? brief.close_with : usualBrief.close_with;
  const offered = offeredRegions(usualBrief, catalogue);
  const usual = catalogue.kinds[kind]?.usual_minutes ?? [];
  const nearest = [...usual].sort(
    (a, b) => Math.abs(a - brief.booked_minutes) - Math.abs(b - brief.booked_minutes),
  )[0];
  return {
    kind,
    school,
    area,
    first_position,
    finish: "calm",
    booked_minutes: nearest ?? brief.booked_minutes,
    focus: (brief.focus ?? []).filter((region) => offered.includes(region)),
    much_more: (brief.much_more ?? []).filter((region) => offered.includes(region)),
    leave_out: (brief.leave_out ?? []).filter((region) => offered.includes(region)),
    points: (brief.points ?? []).filter(({ region }) => offered.includes(region)),
    close_with,
  };
}
