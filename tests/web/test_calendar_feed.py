"""One's own sessions in another calendar, read back by icalendar against RFC 5545."""

from datetime import UTC, datetime, timedelta
from uuid import uuid4
from zoneinfo import ZoneInfo

import pytest
from icalendar import Calendar

from tests.conftest import NOW
from tests.web.conftest import a_practice, problem

SABLE = a_practice("Sable Quarrymoor")
TUESDAY = NOW.date() + timedelta(days=28 + (1 - NOW.weekday()) % 7)
AT_TEN = datetime.combine(TUESDAY, datetime.min.time().replace(hour=10), ZoneInfo(SABLE["time_zone"]))


@pytest.fixture
def sable(served):
    """A browser in which somebody has just opened a practice."""
    client = served.browser()
    assert client.post("/api/door/practices", json=SABLE).status_code == 204
    return client


def ok(answer, status=200):
    assert answer.status_code == status, answer.text
    return answer.json()


def book(client, at, name="Gannet Ferrow"):
    booking = {
        "session_id": str(uuid4()),
        "new_name": name,
        "minutes": 60,
        "start": {"day": TUESDAY.isoformat(), "at": at},
    }
    answer = client.post("/api/bookings", json=booking)
    assert answer.status_code == 200, answer.text[:400]
    return booking["session_id"]


def events(served, path):
    answer = served.browser().get(path)
    assert answer.status_code == 200, answer.text
    assert answer.headers["content-type"].startswith("text/calendar")
    # RFC 5545, 3.1: lines end in CRLF and have at most 75 octets.
    lines = answer.content.split(b"\r\n")
    assert max(len(line) for line in lines) <= 75
    assert b"\n" not in answer.content.replace(b"\r\n", b"")
    calendar = Calendar.from_ical(answer.content)
    assert (calendar["version"], calendar.errors) == ("2.0", [])
    return {str(event["uid"]): event for event in calendar.walk("VEVENT")}


def test_whoever_has_the_address_reads_the_sessions_without_a_name(served, sable):
    session = book(sable, "10:00")
    made = ok(sable.post("/api/calendar-feed", json={"names": False}), 201)
    (event,) = events(served, made["path"]).values()
    assert str(event["uid"]) == f"{session}@mellow-tide"
    assert event["dtstart"].dt == AT_TEN.astimezone(UTC)
    assert event["dtend"].dt - event["dtstart"].dt == timedelta(minutes=60)
    assert str(event["summary"]) == "Massage, 60 min"
    assert b"Gannet" not in served.browser().get(made["path"]).content


def test_names_are_shown_only_where_that_was_asked(served, sable):
    book(sable, "10:00")
    path = ok(sable.post("/api/calendar-feed", json={"names": True}), 201)["path"]
    assert [str(event["summary"]) for event in events(served, path).values()] == ["Gannet Ferrow, 60 min"]
    assert ok(sable.put("/api/calendar-feed", json={"names": False}))["names"] is False
    assert [str(event["summary"]) for event in events(served, path).values()] == ["Massage, 60 min"]


def test_a_new_address_ends_the_old_one_and_a_deleted_one_says_nothing(served, sable):
    assert ok(sable.get("/api/calendar-feed"))["made_at"] is None
    first = ok(sable.post("/api/calendar-feed", json={"names": False}), 201)["path"]
    second = ok(sable.post("/api/calendar-feed", json={"names": False}), 201)["path"]
    assert problem(served.browser().get(first), 404) == "not-there"
    assert events(served, second) == {}
    assert ok(sable.get("/api/calendar-feed"))["made_at"]
    assert ok(sable.delete("/api/calendar-feed"))["made_at"] is None
    assert problem(served.browser().get(second), 404) == "not-there"
    assert problem(served.browser().get("/api/calendar/" + "x" * 43 + "/sessions.ics"), 404) == "not-there"


def test_a_session_that_is_moved_is_moved_there_and_one_taken_back_is_gone(served, sable):
    first, second = book(sable, "10:00"), book(sable, "13:00", name="Piper Skerry")
    path = ok(sable.post("/api/calendar-feed", json={"names": False}), 201)["path"]
    assert len(events(served, path)) == 2
    assert sable.delete(f"/api/sessions/{second}/booking").status_code == 204
    assert set(events(served, path)) == {f"{first}@mellow-tide"}


def test_the_shared_demo_has_no_address(served):
    demo = served.browser()
    assert demo.post("/api/door/demo").status_code == 204
    assert problem(demo.post("/api/calendar-feed", json={"names": False}), 403)
