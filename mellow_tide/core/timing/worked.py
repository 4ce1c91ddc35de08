"""Seconds of work by part and by region."""

from collections import Counter

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.flow.passages import split_into_passages
from mellow_tide.core.timing.run_sheet import RunSheet


def part_seconds_in(sheet: RunSheet) -> dict[str, int]:
    """By part that is work, its whole seconds by the clock: strokes, oil and asking, the way there not."""
    found: Counter[str] = Counter()
    for entry in sheet.entries:
        if entry.working and entry.role == "work":
            found[entry.part_id] += entry.seconds
    return dict(found)


def counted_seconds_in(sheet: RunSheet, flow: Flow, catalogue: Catalogue) -> dict[str, float]:
    """By part that is work, the seconds that count for its region.

    A stroke that runs over several regions counts for each by length of glide, for all their parts in the passage.
    """
    passage = {}
    for places in split_into_passages([part.setup for part in flow.parts], catalogue):
        passage.update(dict.fromkeys(places, places))
    found: dict[str, float] = {part.id: 0.0 for part in flow.parts if part.role == "work"}
    for entry in sheet.entries:
        if not entry.working or entry.role != "work":
            continue
        regions = (entry.region, *entry.over)
        length = sum(catalogue.regions[id].glide_cm for id in regions)
        for id in regions:
            own = [entry.part] if id == entry.region else []
            parts = own or [at for at in passage[entry.part] if flow.parts[at].region == id]
            for at in parts:
                share = catalogue.regions[id].glide_cm / length / len(parts)
                found[flow.parts[at].id] += entry.seconds * share
    return found


def region_seconds_in(sheet: RunSheet, flow: Flow, catalogue: Catalogue) -> dict[str, float]:
    """By region, the seconds of one side (the mean of both), as `counted_seconds_in` counts them."""
    counted = counted_seconds_in(sheet, flow, catalogue)
    found: dict[str, list[float]] = {}
    for part in flow.parts:
        if part.role == "work":
            found.setdefault(part.region, []).append(counted[part.id])
    # What was split by hand is one side all the same.
    sides = {id: len({p.side for p in flow.parts if p.role == "work" and p.region == id}) for id in found}
    return {id: sum(seconds) / sides[id] for id, seconds in found.items()}
