"""The list of checks as a page, generated from the checks themselves."""

from collections.abc import Iterable

from mellow_tide.core.catalogue.catalogue import ShippedCatalogue
from mellow_tide.core.catalogue.house import in_house
from mellow_tide.core.checks.check import Check, make_case
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.setting import Setting

HEAD = """# What is checked

Generated from the checks; `./tide test` holds it to them. `refuse`: do not work so. `caution`: mend it, or know why
not. `advice`: most would do otherwise. A repair is one action on the Plan screen.

| code | severity | check | why | repair |
|---|---|---|---|---|
"""


def describe_checks(checks: Iterable[Check], shipped: ShippedCatalogue) -> str:
    """A Markdown page with one row a check, in their order."""
    rows = [
        f"| {c.code} | {c.severity} | **{c.name}.** {c.summary} | {c.rationale} | {_repair(c, shipped)} |"
        for c in checks
    ]
    return HEAD + "\n".join(rows) + "\n"


def _repair(check: Check, shipped: ShippedCatalogue) -> str:
    """What the repair of the check's own bad example says, or a dash."""
    ours = in_house(check.house, shipped)
    case = make_case(check.bad(ours), Setting.of(check.client or ClientFacts(), ours, check.pace))
    return next((repair.words for found in check.check(case) for repair in found.repairs), "–")
