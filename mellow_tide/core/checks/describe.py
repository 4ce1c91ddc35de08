"""The list of checks as a page, generated from the checks themselves."""

from collections.abc import Iterable

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.check import Check, case_of
from mellow_tide.core.flow.brief import ClientFacts

HEAD = """# What is checked

Generated from the checks; `./tide test` holds it to them. `refuse`: do not work so. `caution`: mend it, or know why
not. `advice`: most would do otherwise. A repair is one action on the Plan screen.

| code | severity | check | why | repair |
|---|---|---|---|---|
"""


def checks_page(checks: Iterable[Check], catalogue: Catalogue) -> str:
    """A Markdown page with one row a check, in their order."""
    rows = [
        f"| {c.code} | {c.severity} | **{c.name}.** {c.summary} | {c.rationale} | {_repair(c, catalogue)} |"
        for c in checks
    ]
    return HEAD + "\n".join(rows) + "\n"


def _repair(check: Check, catalogue: Catalogue) -> str:
    """What the repair of the check's own bad example says, or a dash."""
    client = check.client or ClientFacts()
    case = case_of(check.bad(catalogue), client, catalogue, check.house, check.pace)
    return next((repair.words for found in check.check(case) for repair in found.repairs), "–")
