"""Every check by its own examples: it fails the bad flow, passes the good one, and its repairs mend."""

import pytest

from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.checks.check import Case, Check, Found
from mellow_tide.core.checks.engine import BROKEN, findings
from mellow_tide.core.checks.registry import CHECKS
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.edits import apply
from mellow_tide.core.flow.reach import check_flow
from mellow_tide.core.timing.run_sheet import lay_out

CATALOGUE = load_catalogue()
EACH = pytest.mark.parametrize("check", CHECKS, ids=lambda c: c.code)


def case_of(flow, client=None):
    client = client or ClientFacts()
    return Case(flow, lay_out(flow, CATALOGUE, client.height_cm), CATALOGUE, client)


def codes(flow):
    return [f.code for f in findings(case_of(flow))]


def stops_found(flow):
    return sum(f.severity == "stop" for f in findings(case_of(flow)))


@EACH
def test_the_good_flow_passes(check: Check):
    check_flow(check.good(CATALOGUE), CATALOGUE)
    assert check.code not in codes(check.good(CATALOGUE))


@EACH
def test_the_bad_flow_fails_at_a_place_that_is_there(check: Check):
    bad = check.bad(CATALOGUE)
    found = [f for f in findings(case_of(bad)) if f.code == check.code]
    assert found
    steps = {stop.id: len(stop.steps) for stop in bad.stops}
    for finding in found:
        assert finding.what.endswith(".")
        assert finding.stop_id is None or finding.stop_id in steps
        assert finding.step is None or finding.step < steps[finding.stop_id]


@EACH
def test_a_repair_mends_and_makes_nothing_worse(check: Check):
    bad = check.bad(CATALOGUE)
    before = codes(bad).count(check.code)
    for finding in findings(case_of(bad)):
        for repair in finding.repairs if finding.code == check.code else ():
            repaired = apply(bad, repair.edits)
            check_flow(repaired, CATALOGUE)
            assert codes(repaired).count(check.code) < before
            assert stops_found(repaired) <= stops_found(bad)


def test_codes_and_names_are_unique_and_every_check_explains_itself():
    assert len({c.code for c in CHECKS}) == len({c.name for c in CHECKS}) == len(CHECKS)
    assert all(c.summary.endswith(".") and c.rationale.endswith(".") for c in CHECKS)


def test_a_check_that_fails_itself_takes_nothing_down(caplog):
    def broken(case: Case):
        yield Found("seen before the failure.")
        raise ZeroDivisionError

    first = CHECKS[0]
    ill = Check("XXX01", "ill", "stop", "s.", "r.", first.bad, first.good, broken)
    found = findings(case_of(first.bad(CATALOGUE)), [ill, first])
    assert [f.code for f in found] == [first.code, BROKEN]
    assert "XXX01" in caplog.text
