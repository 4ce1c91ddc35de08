"""Preparing through the web: what is ticked on one device is ready on the other."""

import pytest

from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD
from tests.web.conftest import problem

KEYS = {"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD}


@pytest.fixture
def devices(served):
    return [served.browser(**KEYS), served.browser(**KEYS)]


def ok(answer):
    assert answer.status_code == 200, answer.text
    return answer.json()


def item_of(preparation, id):
    return next(one for one in preparation["items"] if one["thing"]["id"] == id)


def test_what_is_ticked_on_one_device_is_ready_on_the_other(devices):
    here, there = devices
    day = ok(here.get("/api/preparation"))
    session = day["sessions"][0]["session_id"]
    address = f"/api/sessions/{session}/preparation"
    for _ in range(2):
        ticked = ok(here.put(f"{address}/room:warm", json={"done": True}))
    assert item_of(ticked, "room:warm")["done_by"]
    assert item_of(ok(there.get(address)), "room:warm")["done_at"]
    assert item_of(ok(there.get("/api/preparation"))["sessions"][0], "room:warm")["done_at"]
    assert (
        item_of(ok(there.put(f"{address}/room:warm", json={"done": False})), "room:warm")["done_at"] is None
    )
    assert problem(here.put(f"{address}/room:cold", json={"done": True}), 404) == "not-there"


def test_a_day_adds_up_what_its_sessions_take_and_says_when_the_room_is_warmed(devices):
    day = ok(devices[0].get("/api/preparation"))
    poured = sum(one["thing"]["millilitres"] or 0 for session in day["sessions"] for one in session["items"])
    in_all = sum(one["millilitres"] for one in day["supplies"]["lubricants"])
    # What was worked this morning is to be washed too, and is prepared no more.
    assert poured < in_all
    waiting = [one for one in ok(devices[0].get("/api/day"))["sessions"] if one["stage"] == "plan"]
    assert [one["session_id"] for one in day["sessions"]] == [one["session_id"] for one in waiting]
    for session in day["sessions"]:
        assert item_of(session, "room:warm")["due_at"] < session["starts_at"]
    empty = ok(devices[0].get("/api/preparation", params={"day": "2020-01-01"}))
    assert (empty["sessions"], empty["supplies"]["hot_towels"]) == ([], 0)


def test_the_self_check_is_ones_own_and_leaves_the_thumbs_of_the_day_less(devices):
    here = devices[0]
    usual = ok(here.get("/api/day"))["hands"]["thumb_budget_seconds"]
    said = ok(here.put("/api/self-check", json={"check": {"wrists": 1, "thumbs": 4, "back": 7}}))
    assert said["have_seen"] == ["back"]
    assert (
        ok(here.get("/api/day"))["hands"]["thumb_budget_seconds"] == usual * 6 // 10 == said["thumb_seconds"]
    )
    said = ok(here.put("/api/self-check", json={"check": {"wrists": 0, "thumbs": 0, "back": 0}}))
    assert ok(here.get("/api/preparation"))["self_check"] == said
    assert (
        here.put("/api/self-check", json={"check": {"wrists": 11, "thumbs": 0, "back": 0}}).status_code == 422
    )
