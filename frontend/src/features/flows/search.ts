/** Finding flows by what one remembers of them: name, words, region, minutes, kind. */
import type { Catalogue, FlowView } from "../../api/client";

/** The flows that every typed word fits: a word of name, note, kind, school or a region begins with it, or minutes. */
export function found(flows: readonly FlowView[], typed: string, catalogue: Catalogue): FlowView[] {
  const words = typed
    .toLowerCase()
    .split(/[\s,]+/)
    .filter((word) => word && !UNITS.has(word));
  return flows.filter((flow) => {
    const names = namesOf(flow, catalogue);
    return words.every((word) =>
      /^\d+$/.test(word)
        ? flow.brief.booked_minutes === Number(word)
        : names.some((name) => name.startsWith(word)),
    );
  });
}

const UNITS = new Set(["min", "minutes", "the", "a", "and", "with"]);

function namesOf({ name, note, brief, regions }: FlowView, catalogue: Catalogue): string[] {
  const school = catalogue.schools[brief.school ?? ""]?.name ?? "";
  const kind = catalogue.kinds[brief.kind ?? ""]?.name ?? "";
  const worked = regions.flatMap((id) => [
    catalogue.regions[id]?.name ?? "",
    catalogue.regions[id]?.whole ?? "",
  ]);
  return [name, note, kind, school, brief.pressure ?? "", ...worked]
    .join(" ")
    .toLowerCase()
    .split(/[^\p{L}\d]+/u);
}
