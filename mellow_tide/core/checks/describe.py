"""The list of checks as a page, generated from the checks themselves."""

from collections.abc import Iterable, Iterator

from mellow_tide.core.catalogue.catalogue import ShippedCatalogue
from mellow_tide.core.catalogue.house.house import DEFAULTS
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.catalogue.rules import Condition
from mellow_tide.core.checks.check import Check, make_case
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.setting import Setting

HEAD = """# What is checked

Generated from the checks; `./tide test` holds it to them. `refuse`: do not work so. `caution`: mend it, or know why
not. `advice`: most would do otherwise. A repair is one action on the Plan screen.

| code | severity | check | why | repair |
|---|---|---|---|---|
"""


CONDITIONS = """
## What conditions do

Generated from `conditions.toml`. `refer`: no session. `ask`: the clinician first. `adapt`: worked otherwise. What it
does are its data, which planner and checks obey; what it says stands on the screens.

| condition | level | the intake asks | it does | it says |
|---|---|---|---|---|
"""


def describe_checks(checks: Iterable[Check], shipped: ShippedCatalogue) -> str:
    """A Markdown page with one row a check and one a condition, in their order."""
    rows = [
        f"| {c.code} | {c.severity} | **{c.name}.** {c.summary} | {c.rationale} | {_repair(c, shipped)} |"
        for c in checks
    ]
    conditions = [
        f"| **{c.name}** | {c.level} | {c.asks} | {'; '.join(_does(c, shipped)) or '–'} | {c.says} |"
        for c in in_house(DEFAULTS, shipped).conditions.values()
    ]
    return HEAD + "\n".join(rows) + "\n" + CONDITIONS + "\n".join(conditions) + "\n"


def _does(condition: Condition, shipped: ShippedCatalogue) -> Iterator[str]:
    """What each of its data does, in short."""
    names = {id: region.whole for id, region in in_house(DEFAULTS, shipped).regions.items()}

    def named(ids: Iterable[str]) -> str:
        return ", ".join(names.get(id, id) for id in ids).replace("_", " ")

    if condition.needs_place:
        yield "asks where"
    listed = (
        ("leaves alone: {}", condition.forbid),
        ("only if asked for: {}", condition.unless_asked),
        ("nothing outward on {}", condition.no_outward),
        ("never {}", condition.no_positions),
        ("no heat on {}", condition.avoid_heat),
        ("no {} in the oil", condition.no_ingredients),
    )
    yield from (words.format(named(ids)) for words, ids in listed if ids)
    yield from (f"{named([id])}: depth {depth} at most" for id, depth in condition.cap.items())
    for one in condition.no_strokes:
        yield f"no {named(one.strokes)} on {named(one.on)}"
    if condition.most_minutes:
        yield f"{condition.most_minutes} min at most"
    if condition.flat_minutes == 0:
        yield "never on the back or face down"
    elif condition.flat_minutes:
        yield f"{condition.flat_minutes} min on the back or face down at a stretch"
    if condition.raise_head:
        yield "raises the head end"


def _repair(check: Check, shipped: ShippedCatalogue) -> str:
    """What the repair of the check's own bad example says, or a dash."""
    ours = in_house(check.house, shipped)
    case = make_case(check.bad(ours), Setting.of(check.client or ClientFacts(), ours, check.pace))
    return next((repair.words for found in check.check(case) for repair in found.repairs), "–")
