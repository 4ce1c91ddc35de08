"""Every check by its own examples: it fails the bad flow, passes the good one, and its repairs mend."""

import pytest

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.checks.check import Case, Check, Found, make_case
from mellow_tide.core.checks.engine import BROKEN, run_checks
from mellow_tide.core.checks.registry import CHECKS
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.edits import apply
from mellow_tide.core.flow.reach import check_flow
from tests.settings import CATALOGUE, setting

WELL = ClientFacts(consents=frozenset(CATALOGUE.consents))
EACH = pytest.mark.parametrize("check", CHECKS, ids=lambda c: c.code)


def found_in(flow, check, client=None):
    return run_checks(
        make_case(flow, setting(client or check.client or ClientFacts(), CATALOGUE, check.house, check.pace))
    )


def codes(flow, check, client=None):
    return [f.code for f in found_in(flow, check, client)]


def parts_found(flow, check):
    return sum(f.severity == "refuse" for f in found_in(flow, check))


@EACH
def test_the_good_flow_passes(check: Check):
    good = check.good(CATALOGUE)
    check_flow(good, CATALOGUE)
    client = WELL if good == check.bad(CATALOGUE) else None
    assert check.code not in codes(good, check, client)


@EACH
def test_the_bad_flow_fails_at_a_place_that_is_there(check: Check):
    bad = check.bad(CATALOGUE)
    found = [f for f in found_in(bad, check) if f.code == check.code]
    assert found
    steps = {part.id: len(part.steps) for part in bad.parts}
    for finding in found:
        assert finding.what.endswith(".")
        assert finding.part_id is None or finding.part_id in steps
        assert finding.step is None or finding.step < steps[finding.part_id]


@EACH
def test_a_repair_mends_and_makes_nothing_worse(check: Check):
    bad = check.bad(CATALOGUE)
    before = codes(bad, check).count(check.code)
    for finding in found_in(bad, check):
        for repair in finding.repairs if finding.code == check.code else ():
            repaired = apply(bad, repair.edits)
            check_flow(repaired, CATALOGUE)
            assert codes(repaired, check).count(check.code) < before
            assert parts_found(repaired, check) <= parts_found(bad, check)


def test_codes_and_names_are_unique_and_every_check_explains_itself():
    assert len({c.code for c in CHECKS}) == len({c.name for c in CHECKS}) == len(CHECKS)
    assert all(c.summary.endswith(".") and c.rationale.endswith(".") for c in CHECKS)


def test_a_check_that_fails_itself_takes_nothing_down(caplog):
    def broken(case: Case):
        yield Found("seen before the failure.")
        raise ZeroDivisionError

    first = CHECKS[0]
    ill = Check("XXX01", "ill", "refuse", "s.", "r.", first.bad, first.good, broken)
    bad = first.bad(CATALOGUE)
    found = run_checks(make_case(bad, setting(ClientFacts(), CATALOGUE)), [ill, first])
    assert [f.code for f in found] == [first.code, BROKEN]
    assert "XXX01" in caplog.text


BY_CODE = {check.code: check for check in CHECKS}


@pytest.mark.parametrize(
    ("code", "rules"),
    [
        ("ORD09", {"clean_after_feet": "none"}),
        ("CAU06", {"behind_knee": "circles"}),
        ("CNS01", {"abdomen": "for_all"}),
        ("PRG04", {"prenatal_points": "disregard"}),
        ("PRG08", {"first_trimester": "light"}),
    ],
)
def test_where_schools_differ_the_house_decides_and_the_check_says_so(code, rules):
    check = BY_CODE[code]
    assert "Schools differ" in check.rationale
    client = check.client or ClientFacts()
    bad = check.bad(CATALOGUE)
    found = run_checks(make_case(bad, setting(client, CATALOGUE, House(rules=rules))))
    assert code not in [f.code for f in found]


def test_a_stricter_house_finds_more():
    check = BY_CODE["PRS04"]
    calm = check.good(CATALOGUE)
    strict = House(rules={"strength": "no_discomfort"})
    assert "PRS04" in [f.code for f in run_checks(make_case(calm, setting(ClientFacts(), CATALOGUE, strict)))]
