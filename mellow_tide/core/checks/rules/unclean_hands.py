"""ORD09: soiled or oily hands onto face, scalp, neck, hands or abdomen."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import both, flow, part
from mellow_tide.core.checks.repairs import part_skipping
from mellow_tide.core.flow.flow import Flow, WaySkip
from mellow_tide.core.phrases.book import say


def check(case: Case) -> Iterator[Found]:
    """Parts that begin with hands less clean than their region asks for. A house that makes no pause after the feet
    bears soiled hands where oily ones would do.
    """
    begun: set[str] = set()
    for e in case.sheet.entries:
        if e.kind not in ("announce", "oil", "stroke") or e.role != "work" or e.part_id in begun:
            continue
        begun.add(e.part_id)
        s = case.flow.parts[e.part]
        wants = case.region(s).hands
        borne = wants == "unsoiled" and (e.hands == "oiled" or case.chosen("clean_after_feet") == "none")
        if wants == "any" or e.hands == "clean" or borne:
            continue
        what = say(
            "findings.hands_from_feet" if e.hands == "soiled" else "findings.hands_oily", place=case.place(s)
        )
        yield Found(what, s, None, part_skipping(say("repairs.clean_hands_first"), s, "clean_hands"))


def _after_feet(c: Catalogue, *skips: WaySkip) -> Flow:
    feet = both(c, "foot", position="supine")
    neck = part(c, "neck", position="supine").model_copy(update={"skips": skips})
    return flow(c, *feet, neck)


CHECK = Check(
    code="ORD09",
    name="unclean hands",
    severity="caution",
    summary="Hands are cleaned after the feet before neck, hands and abdomen, and of oil before face and scalp.",
    rationale="Nobody wants feet or oil on the face. Schools differ: some wash, some wipe with a hot towel, some "
    "make no pause after washed feet.",
    bad=lambda c: _after_feet(c, "clean_hands"),
    good=_after_feet,
    check=check,
)
