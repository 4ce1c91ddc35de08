"""What spares the hands, through HTTP: taken with one act, taken back with one."""

import json
from datetime import date, timedelta
from uuid import uuid4

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


def test_a_week_has_the_changes_of_its_days_each_with_its_own_load(here):
    begins = date.fromisoformat(ok(here.get("/api/easings"))["day"])
    tomorrow = (begins + timedelta(days=1)).isoformat()
    for number, hour in enumerate(("09:00", "11:00", "14:00", "16:00")):
        booking = {
            "session_id": str(uuid4()),
            "new_name": f"Client {number}",
            "minutes": 90,
            "start": {"day": tomorrow, "at": hour},
            "accepted": ["hands_strained", "thumbs_strained", "in_lunch", "gap_short", "day_off"],
        }
        ok(here.post("/api/bookings", json=booking))
    week = ok(here.get("/api/easings", params={"week": True}))
    assert week["days"] == 7
    assert {one["day"] for one in week["easings"]} >= {begins.isoformat(), tomorrow}
    for day in (begins.isoformat(), tomorrow):
        alone = ok(here.get("/api/easings", params={"day": day}))
        assert [one for one in week["easings"] if one["day"] == day][: len(alone["easings"])] == alone[
            "easings"
        ]
        assert {json.dumps(one["before"]) for one in alone["easings"]} == {json.dumps(alone["now"])}
