"""SUP01: too much or too little lubricant for the work."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Case, Check, Found, Repair
from mellow_tide.core.checks.examples import flow, part
from mellow_tide.core.flow.edits import ChangePart
from mellow_tide.core.flow.flow import Amount, Flow
from mellow_tide.core.phrases.book import say

GRIPS = frozenset({"petrissage", "friction"})


def check(case: Case) -> Iterator[Found]:
    """Much oil where tissue must be gripped, and little where most strokes glide, or on a hairy or dry skin."""
    dry = case.client.body_hair == "much" or case.client.skin == "dry"
    for s in case.worked():
        if s.medium != "lubricated" or s.oil == "usual":
            continue
        families = [case.stroke(x).family for x in s.steps]
        glides = families.count("effleurage")
        if s.oil == "much" and not dry and any(f in GRIPS for f in families):
            what = say("findings.much_oil", place=case.place(s))
        elif s.oil == "little" and (dry or 2 * glides > len(families)):
            what = say("findings.little_oil", place=case.place(s))
        else:
            continue
        edits = (ChangePart(part_id=s.id, oil="usual"),)
        yield Found(what, s, None, (Repair(words=say("repairs.take_usual_amount"), edits=edits),))


def _oiled(c: Catalogue, oil: Amount) -> Flow:
    return flow(c, part(c, "back").model_copy(update={"oil": oil}))


CHECK = Check(
    code="SUP01",
    name="amount of oil",
    severity="advice",
    summary="As much oil as the strokes want: enough to glide, little enough to grip.",
    rationale="Too much and tissue slips out of the hand; too little and hair and skin are dragged along.",
    bad=lambda c: _oiled(c, "much"),
    good=lambda c: _oiled(c, "usual"),
    check=check,
)
