"""What spares the hands, through HTTP: taken with one act, taken back with one."""

import pytest

from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD


@pytest.fixture
def here(served):
    return served.browser(email=THERAPIST_EMAIL, password=THERAPIST_PASSWORD)


def ok(answer):
    assert answer.status_code == 200, answer.text[:400]
    return answer.json()


def test_a_change_is_taken_and_the_day_is_lighter_by_what_was_promised_and_taken_back(here):
    found = ok(here.get("/api/easings"))
    best = found["easings"][0]
    address = f"/api/sessions/{best['session_id']}"
    taken = ok(here.post(f"{address}/edits", json={"revision": best["revision"], "edits": best["edits"]}))
    day = ok(here.get("/api/day"))["hands"]
    assert day == best["after"]
    assert day["thumb_seconds"] < found["now"]["thumb_seconds"] or day["strain"] < found["now"]["strain"]
    ok(here.post(f"{address}/undo", json={"revision": taken["revision"]}))
    assert ok(here.get("/api/day"))["hands"] == found["now"]


def test_the_best_comes_first_one_for_a_session_and_none_where_nobody_comes(here):
    found = ok(here.get("/api/easings"))["easings"]
    assert len({one["session_id"] for one in found}) == len(found)
    assert ok(here.get("/api/easings", params={"day": "2020-01-01"}))["easings"] == []
