"""A file of another calendar: looked at, taken, taken again, through HTTP."""

from datetime import UTC, datetime, timedelta
from uuid import uuid4

import pytest
from icalendar import Calendar, Event

from tests.conftest import NOW
from tests.web.conftest import a_practice, faults, problem

MERLE = a_practice("Merle Oxbow")
START = datetime(NOW.year, NOW.month, NOW.day, 9, tzinfo=UTC) + timedelta(days=28 + (1 - NOW.weekday()) % 7)
"""A Tuesday four weeks on."""


@pytest.fixture
def merle(served):
    """A browser in which somebody has just opened a practice."""
    client = served.browser()
    assert client.post("/api/door/practices", json=MERLE).status_code == 204
    return client


def event(uid, title, start=START, minutes=60, **more):
    one = Event()
    one.add("uid", uid)
    one.add("summary", title)
    one.add("dtstart", start)
    one.add(
        "dtend",
        start + (timedelta(days=1) if not isinstance(start, datetime) else timedelta(minutes=minutes)),
    )
    for name, value in more.items():
        one.add(name, value)
    return one


def calendar(*events):
    whole = Calendar()
    for one in events:
        whole.add_component(one)
    return whole.to_ical().decode()


def ok(answer, status=200):
    assert answer.status_code == status, answer.text[:600]
    return answer.json() if answer.content else None


def preview(client, text):
    return ok(client.post("/api/calendar-in/preview", json={"text": text}))


def take(client, text, *chosen, accepted=()):
    body = {"text": text, "chosen": list(chosen), "accepted": list(accepted)}
    return client.post("/api/calendar-in", json=body)


def day(client, start=START):
    return ok(client.get("/api/day", params={"day": start.date().isoformat()}))


def block(uid):
    return {"uid": uid, "becomes": "block"}


def session(uid, name):
    return {"uid": uid, "becomes": "session", "client_name": name}


def counted(taken):
    return taken["sessions"], taken["blocks"], taken["blocks_gone"]


def begin(client, session_id):
    url = f"/api/sessions/{session_id}"
    revision = ok(client.get(url))["revision"]
    ok(client.put(f"{url}/day-answer", json={"revision": revision, "answer": {}}))
    began = {"id": str(uuid4()), "at": NOW.isoformat(), "kind": "began"}
    ok(
        client.post(
            f"{url}/events", json={"events": [{**began, "sheet_id": ok(client.get(url))["sheet_id"]}]}
        )
    )


def add_client(client, name):
    ok(client.post("/api/clients", json={"name": name}), 201)


def test_an_event_with_a_clients_name_is_proposed_as_a_session_and_anything_else_blocks(merle):
    add_client(merle, "Gannet Ferrow")
    text = calendar(
        event("1", "Massage: gannet ferrow, back"),
        event("2", "Dentist", START + timedelta(hours=3)),
        event("3", "Bank holiday", START.date(), transp="TRANSPARENT"),
    )
    lines = {line["title"]: line for line in preview(merle, text)["lines"]}
    assert {title: line["becomes"] for title, line in lines.items()} == {
        "Massage: gannet ferrow, back": "session",
        "Dentist": "block",
        "Bank holiday": "leave_out",
    }
    assert lines["Massage: gannet ferrow, back"]["client_name"] == "Gannet Ferrow"
    assert day(merle)["sessions"] == [], "looking changes nothing"


def test_what_is_taken_is_in_the_day_and_the_same_file_again_changes_nothing(merle):
    weekly = event("1", "Supervision", START + timedelta(hours=3), rrule={"freq": "weekly", "count": 4})
    text = calendar(event("2", "Gannet"), weekly)
    chosen = (block("1"), session("2", "Gannet Ferrow"))
    assert counted(ok(take(merle, text, *chosen))) == (1, 4, 0)
    whole = day(merle)
    assert [one["client_name"] for one in whole["sessions"]] == ["Gannet Ferrow"]
    assert [one["block"]["title"] for one in whole["blocks"]] == ["Supervision"]
    assert counted(ok(take(merle, text, *chosen))) == (0, 0, 0)
    lines = {line["uid"]: line for line in preview(merle, text)["lines"]}
    assert (lines["1"]["there"], lines["2"]["there"]) == (4, 1)
    assert lines["2"]["becomes"] == "session"
    assert len(ok(merle.get("/api/clients", params={"typed": "Gannet"}))) == 1


def test_a_block_is_not_free_and_a_session_in_it_clashes(merle):
    text = calendar(event("1", "Dentist", minutes=90))
    ok(take(merle, text, block("1")))
    begins = day(merle)["blocks"][0]["span"]["begins"]
    assert not [span for span in day(merle)["free"] if span["begins"] < begins + 90 and begins < span["ends"]]
    refused = merle.post(
        "/api/bookings",
        json={
            "session_id": str(uuid4()),
            "new_name": "Gannet Ferrow",
            "minutes": 60,
            "start": {"day": START.date().isoformat(), "at": f"{begins // 60:02}:{begins % 60:02}"},
        },
    )
    assert problem(refused, 409) == "clashing"
    (clash,) = refused.json()["clashes"]
    assert clash["kind"] == "blocked"
    assert "Dentist" not in clash["says"], "whoever books need not know why"


def test_an_event_that_moved_moves_its_block_and_one_that_is_cancelled_frees_it(merle):
    there = calendar(event("1", "Dentist"), event("2", "Choir", START + timedelta(hours=5)))
    ok(take(merle, there, block("1"), block("2")))
    later = calendar(
        event("1", "Dentist", START + timedelta(hours=1)),
        event("2", "Choir", START + timedelta(hours=5), status="CANCELLED"),
    )
    assert preview(merle, later)["blocks_gone"] == 1
    assert counted(ok(take(merle, later, block("1")))) == (0, 1, 1)
    (dentist,) = day(merle)["blocks"]
    assert datetime.fromisoformat(dentist["block"]["starts_at"]) == START + timedelta(hours=1)


def test_a_session_whose_event_moved_is_told_and_not_booked_twice(merle):
    ok(take(merle, calendar(event("1", "Gannet")), session("1", "Gannet Ferrow")))
    moved = calendar(event("1", "Gannet", START + timedelta(hours=2)))
    (line,) = preview(merle, moved)["lines"]
    assert (line["becomes"], line["there"], line["moved_there"]) == ("session", 0, 1)
    assert ok(take(merle, moved, session("1", "Gannet Ferrow")))["sessions"] == 0
    assert len(day(merle)["sessions"]) == 1


@pytest.mark.parametrize(
    "changes",
    [
        {"exdate": START + timedelta(days=7)},
        {"cancelled": START + timedelta(days=7)},
    ],
)
def test_a_session_whose_event_was_cancelled_is_told_and_stays(merle, changes):
    weekly = {"freq": "weekly", "count": 3}
    ok(take(merle, calendar(event("1", "Gannet", rrule=weekly)), session("1", "Gannet Ferrow")))
    assert preview(merle, calendar(event("1", "Gannet", rrule=weekly)))["cancelled"] == []
    called_off = changes.pop("cancelled", None)
    parts = [event("1", "Gannet", rrule=weekly, **changes)]
    if called_off:
        parts.append(event("1", "Gannet", called_off, status="CANCELLED", **{"recurrence-id": called_off}))
    (told,) = preview(merle, calendar(*parts))["cancelled"]
    assert (told["client_name"], datetime.fromisoformat(told["starts_at"])) == (
        "Gannet Ferrow",
        START + timedelta(days=7),
    )
    assert told["day"] == (START + timedelta(days=7)).date().isoformat()
    gone = preview(merle, calendar(event("1", "Gannet", rrule=weekly, status="CANCELLED")))
    assert [one["day"] for one in gone["cancelled"]] == [
        (START + timedelta(days=days)).date().isoformat() for days in (0, 7, 14)
    ]
    assert len(day(merle, START + timedelta(days=7))["sessions"]) == 1


def test_an_import_is_undone_in_one_act(merle):
    ok(take(merle, calendar(event("1", "Dentist")), block("1")))
    before = day(merle)
    newer = calendar(
        event("1", "Dentist", START + timedelta(hours=1)),
        event("2", "Gannet", START + timedelta(hours=3), rrule={"freq": "weekly", "count": 2}),
        event("3", "Choir", START + timedelta(hours=6)),
    )
    taken = ok(take(merle, newer, block("1"), session("2", "Gannet Ferrow"), block("3")))
    assert counted(taken) == (2, 2, 0)
    assert ok(merle.get("/api/clients", params={"typed": "Gannet"}))
    assert ok(merle.post("/api/calendar-in/undo", json=taken["receipt"])) == {"sessions_kept": 0}
    assert day(merle)["blocks"] == before["blocks"]
    assert day(merle)["sessions"] == day(merle, START + timedelta(days=7))["sessions"] == []
    assert ok(merle.get("/api/clients", params={"typed": "Gannet"})) == []
    again = ok(merle.post("/api/calendar-in/undo", json=taken["receipt"]))
    assert again == {"sessions_kept": 0}, "twice is as once"
    assert counted(ok(take(merle, newer, block("1"), session("2", "Gannet Ferrow"), block("3")))) == (2, 2, 0)


def test_undoing_forgets_nobody_whose_session_it_does_not_take_back(merle):
    add_client(merle, "Gannet Ferrow")
    (client,) = ok(merle.get("/api/clients", params={"typed": "Gannet"}))
    receipt = {"sessions": [], "clients": [client["client_id"]], "blocked": [], "before": []}
    ok(merle.post("/api/calendar-in/undo", json=receipt))
    assert ok(merle.get("/api/clients", params={"typed": "Gannet"})) == [client]


def test_undoing_an_import_leaves_what_has_begun_and_who_is_known(merle):
    text = calendar(event("1", "Gannet"), event("2", "Petrel", START + timedelta(hours=3)))
    taken = ok(take(merle, text, session("1", "Gannet Ferrow"), session("2", "Petrel Sandwick")))
    first, second = sorted(day(merle)["sessions"], key=lambda one: one["starts_at"])
    begin(merle, first["session_id"])
    page = ok(merle.get(f"/api/clients/{second['client_id']}"))
    known = {"revision": page["revision"], "record": {**page["record"], "height_cm": 180}}
    ok(merle.put(f"/api/clients/{second['client_id']}", json=known))
    assert ok(merle.post("/api/calendar-in/undo", json=taken["receipt"])) == {"sessions_kept": 1}
    assert [one["client_name"] for one in day(merle)["sessions"]] == ["Gannet Ferrow"]
    assert ok(merle.get("/api/clients", params={"typed": "Petrel"}))


def test_a_series_goes_on_though_its_new_client_was_renamed(merle):
    weekly = {"freq": "weekly", "count": 2}
    ok(take(merle, calendar(event("1", "Gannet", rrule=weekly)), session("1", "Gannet Ferrow")))
    client = ok(merle.get("/api/clients", params={"typed": "Gannet"}))[0]
    page = ok(merle.get(f"/api/clients/{client['client_id']}"))
    renamed = {"revision": page["revision"], "record": {**page["record"], "name": "Petrel Ferrow"}}
    ok(merle.put(f"/api/clients/{client['client_id']}", json=renamed))
    longer = calendar(event("1", "Gannet", rrule={"freq": "weekly", "count": 3}))
    assert ok(take(merle, longer, session("1", "Petrel Ferrow")))["sessions"] == 1
    longest = calendar(event("1", "Gannet", rrule={"freq": "weekly", "count": 4}))
    assert ok(take(merle, longest, session("1", "Gannet Ferrow")))["sessions"] == 1, (
        "somebody new by the old name"
    )


def test_sessions_that_clash_are_told_and_taken_when_that_is_meant(merle):
    text = calendar(event("1", "A"), event("2", "B", START + timedelta(minutes=30)))
    chosen = (session("1", "Gannet Ferrow"), session("2", "Tern Maddox"))
    refused = take(merle, text, *chosen)
    assert problem(refused, 409) == "clashing"
    kinds = {clash["kind"] for clash in refused.json()["clashes"]}
    assert "overlap" in kinds
    assert day(merle)["sessions"] == [], "all or nothing"
    assert ok(take(merle, text, *chosen, accepted=sorted(kinds)))["sessions"] == 2


def test_one_new_client_for_all_events_under_the_name(merle):
    text = calendar(event("1", "A"), event("2", "B", START + timedelta(days=1)))
    answer = take(merle, text, session("1", "Gannet Ferrow"), session("2", "gannet ferrow"))
    assert ok(answer)["sessions"] == 2
    assert len(ok(merle.get("/api/clients", params={"typed": "Gannet"}))) == 1


def test_a_name_is_the_client_who_has_it_and_two_who_share_it_are_not_guessed(merle):
    add_client(merle, "Gannet Ferrow")
    text = calendar(event("1", "Gannet Ferrow"))
    assert ok(take(merle, text, session("1", "gannet  FERROW")))["sessions"] == 1
    assert len(ok(merle.get("/api/clients", params={"typed": "Gannet"}))) == 1
    add_client(merle, "Gannet Ferrow")
    later = calendar(event("2", "Gannet Ferrow", START + timedelta(days=1)))
    assert preview(merle, later)["lines"][0]["becomes"] == "block"
    assert faults(take(merle, later, session("2", "Gannet Ferrow"))) == {"chosen": "name_shared"}


@pytest.mark.parametrize(
    ("one", "words", "code"),
    [
        (event("1", "Holiday", START.date()), "no hour", "whole_day_session"),
        (event("1", "Retreat", minutes=600), "600 min", "unbookable_minutes"),
    ],
)
def test_what_can_be_no_session_says_why_and_is_refused_as_one(merle, one, words, code):
    text = calendar(one)
    (line,) = preview(merle, text)["lines"]
    assert words in line["no_session"]
    assert faults(take(merle, text, session("1", "Gannet Ferrow"))) == {"chosen": code}


def test_ones_own_calendar_is_known_again_and_left_out(merle):
    text = calendar(event("1", "Gannet"))
    ok(take(merle, text, session("1", "Gannet Ferrow")))
    path = ok(merle.post("/api/calendar-feed", json={"names": True}), 201)["path"]
    own = merle.get(path).text
    assert [line["becomes"] for line in preview(merle, own)["lines"]] == ["leave_out"]
    uid = preview(merle, own)["lines"][0]["uid"]
    assert counted(ok(take(merle, own, block(uid)))) == (0, 0, 0)


@pytest.mark.parametrize("text", ["nothing", "BEGIN:VCALENDAR\nBEGIN:VEVENT\n", "a,b\n1,2\n", "BEGIN:VEVENT"])
def test_what_is_no_calendar_says_what_to_do(merle, text):
    told = merle.post("/api/calendar-in/preview", json={"text": text})
    assert faults(told) == {"text": "no_calendar"}
    assert "iCalendar" in told.text


def test_a_block_can_be_freed_and_blocked_again_by_its_owner_alone(merle, served):
    ok(take(merle, calendar(event("1", "Dentist")), block("1")))
    (there,) = day(merle)["blocks"]
    path = f"/api/blocked-time/{there['block']['block_id']}"
    stranger = served.browser()
    assert stranger.post("/api/door/practices", json=a_practice("Sable Quarrymoor")).status_code == 204
    assert stranger.delete(path).status_code == 404
    ok(merle.delete(path), 204)
    assert day(merle)["blocks"] == []
    kept = {name: there["block"][name] for name in ("title", "starts_at", "ends_at", "whole_days")}
    ok(merle.put(path, json=kept), 204)
    assert day(merle)["blocks"] == [there]
    backwards = {**kept, "ends_at": (START - timedelta(hours=1)).isoformat()}
    assert faults(merle.put(path, json=backwards)) == {"ends_at": "ends_first"}


def test_a_calendar_of_many_years_is_read_and_one_with_too_much_ahead_is_refused(merle):
    past = [event(str(n), "Long ago", START - timedelta(days=400 + n)) for n in range(4000)]
    text = calendar(*past, event("x", "Dentist"))
    assert len(text) > 300_000
    assert [line["title"] for line in preview(merle, text)["lines"]] == ["Dentist"]
    daily = [event(str(n), "Swim", rrule={"freq": "daily"}) for n in range(7)]
    assert faults(merle.post("/api/calendar-in/preview", json={"text": calendar(*daily)})) == {
        "text": "calendar_too_full"
    }
