"""Every check by its own examples: it fails the bad flow, passes the good one, and its repairs mend."""

import pytest

from mellow_tide.core.care.restrictions import Restrictions, restrict
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


def found_in(flow, client=None):
    client = client or ClientFacts()
    sheet = lay_out(flow, CATALOGUE, client.height_cm)
    return findings(Case(flow, sheet, CATALOGUE, client, restrict(client, CATALOGUE)))


def codes(flow, client=None):
    return [f.code for f in found_in(flow, client)]


def stops_found(flow, client=None):
    return sum(f.severity == "stop" for f in found_in(flow, client))


@EACH
def test_the_good_flow_passes(check: Check):
    good = check.good(CATALOGUE)
    check_flow(good, CATALOGUE)
    client = None if good == check.bad(CATALOGUE) else check.client
    assert check.code not in codes(good, client)


@EACH
def test_the_bad_flow_fails_at_a_place_that_is_there(check: Check):
    bad = check.bad(CATALOGUE)
    found = [f for f in found_in(bad, check.client) if f.code == check.code]
    assert found
    steps = {stop.id: len(stop.steps) for stop in bad.stops}
    for finding in found:
        assert finding.what.endswith(".")
        assert finding.stop_id is None or finding.stop_id in steps
        assert finding.step is None or finding.step < steps[finding.stop_id]


@EACH
def test_a_repair_mends_and_makes_nothing_worse(check: Check):
    bad = check.bad(CATALOGUE)
    before = codes(bad, check.client).count(check.code)
    for finding in found_in(bad, check.client):
        for repair in finding.repairs if finding.code == check.code else ():
            repaired = apply(bad, repair.edits)
            check_flow(repaired, CATALOGUE)
            assert codes(repaired, check.client).count(check.code) < before
            assert stops_found(repaired, check.client) <= stops_found(bad, check.client)


def test_codes_and_names_are_unique_and_every_check_explains_itself():
    assert len({c.code for c in CHECKS}) == len({c.name for c in CHECKS}) == len(CHECKS)
    assert all(c.summary.endswith(".") and c.rationale.endswith(".") for c in CHECKS)


def test_a_check_that_fails_itself_takes_nothing_down(caplog):
    def broken(case: Case):
        yield Found("seen before the failure.")
        raise ZeroDivisionError

    first = CHECKS[0]
    ill = Check("XXX01", "ill", "stop", "s.", "r.", first.bad, first.good, broken)
    bad = first.bad(CATALOGUE)
    found = findings(
        Case(bad, lay_out(bad, CATALOGUE), CATALOGUE, ClientFacts(), Restrictions()), [ill, first]
    )
    assert [f.code for f in found] == [first.code, BROKEN]
    assert "XXX01" in caplog.text
