"""HND05: the table goes up and down more than the work asks for."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.examples import both, flow, part
from mellow_tide.core.phrases.book import say

MOST_IN_POSITION = 2
"""Changes of height in one position: down or up once, and back (from experience)."""


def check(case: Case) -> Iterator[Found]:
    """The third change of height in one position, and each further one."""
    changes: dict[str, int] = {}
    for e in case.sheet.entries:
        if e.kind != "height":
            continue
        changes[e.position] = changes.get(e.position, 0) + 1
        if changes[e.position] > MOST_IN_POSITION:
            s = case.flow.parts[e.part]
            what = say("findings.height_changes", place=case.place(s))
            yield Found(what, s)


CHECK = Check(
    code="HND05",
    name="table up and down",
    severity="advice",
    summary="In one position the table changes its height at most twice.",
    rationale="Work at the wrong height costs the back; changing it again and again costs the calm.",
    bad=lambda c: flow(
        c, part(c, "back"), *both(c, "foot"), *both(c, "hips"), *both(c, "arm"), *both(c, "thigh_back")
    ),
    good=lambda c: flow(
        c, part(c, "back"), *both(c, "hips"), *both(c, "thigh_back"), *both(c, "foot"), *both(c, "arm")
    ),
    house=House(rules={"table_height": "lifts"}),
    check=check,
)
