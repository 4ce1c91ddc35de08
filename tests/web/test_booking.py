"""Booking through HTTP: typed, tried, stored, moved, repeated, cancelled, taken back; clashes are said first."""

from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime
from uuid import uuid4

import pytest

from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD, demo_id
from tests.web.conftest import a_practice, faults, problem

TODAY = "2026-05-04"
THURSDAY = "2026-05-07"
OTTILIE, BRAM, LINNET = (str(demo_id(f"client {name}")) for name in ("ottilie", "bram", "linnet"))


@pytest.fixture
def wenna(served):
    return served.browser(email=THERAPIST_EMAIL, password=THERAPIST_PASSWORD)


@pytest.fixture
def own(served):
    """A practice of one's own in Lisbon, with nobody in it yet."""
    return opened(served)


def opened(served):
    browser = served.browser()
    assert browser.post("/api/door/practices", json=a_practice("Tamsin Quayle")).status_code == 204
    return browser


def read(browser, line="", **picked):
    answer = browser.post("/api/bookings/reading", json={"line": line, "picked": picked})
    assert answer.status_code == 200, answer.text
    return answer.json()


def wanted(day=THURSDAY, at="10:00", **told):
    return {"session_id": str(uuid4()), "start": {"day": day, "at": at}, **told}


def book(browser, **told):
    answer = browser.post("/api/bookings", json=wanted(**told))
    assert answer.status_code == 200, answer.text
    return answer.json()


def day_of(browser, day=THURSDAY):
    return browser.get("/api/day", params={"day": day}).json()


def names(browser, day=THURSDAY):
    return [session["client_name"] for session in day_of(browser, day)["sessions"]]


def move(browser, session, **move):
    body = {"revision": session["revision"], "move": move}
    return browser.put(f"/api/sessions/{session['session_id']}/booking", json=body)


class TestReading:
    def test_a_line_names_client_minutes_day_and_hour(self, wenna):
        told = read(wenna, "ott 75 thu 10")
        assert told["client"]["name"] == "Ottilie Saltgrove"
        assert told["brief"]["booked_minutes"] == 75
        assert told["start"] == {"day": THURSDAY, "at": "10:00:00"}
        assert (told["ready"], told["clashes"], told["problems"]) == (True, [], [])

    def test_what_is_not_said_is_as_last_time_at_the_next_free_start(self, wenna):
        told = read(wenna, "linnet")
        assert (told["brief"]["booked_minutes"], told["brief"]["focus"], told["visits"]) == (60, ["back"], 1)
        assert told["brief"]["first_visit"] is False
        # Half past twelve is too near lunch, and nine, eleven, two and a quarter past four are taken.
        assert told["start"]["day"] == "2026-05-04"
        assert told["start"] not in told["free"]
        assert len(told["free"]) == 3
        assert told["clashes"] == []

    def test_somebody_new_begins_as_the_house_does(self, own):
        told = read(own, "new client Mara Quill tomorrow 10")
        assert (told["client"], told["new_name"], told["visits"]) == (None, "Mara Quill", 0)
        assert told["brief"]["first_visit"] is True
        assert told["start"] == {"day": "2026-05-05", "at": "10:00:00"}
        assert told["ready"] is True

    def test_in_a_pregnancy_a_prenatal_session_is_proposed(self, wenna):
        assert read(wenna, "nerys")["brief"]["kind"] == "prenatal"
        assert read(wenna, "nerys chair 15")["brief"]["kind"] == "chair"

    def test_letters_that_mean_several_offer_them(self, wenna):
        told = read(wenna, "o")
        assert 1 <= len(told["candidates"]) <= 5
        assert told["client"] not in told["candidates"]
        picked = read(wenna, "o", client_id=BRAM)
        assert picked["client"]["name"] == "Bram Lanternby"

    @pytest.mark.parametrize(
        ("line", "word"),
        [
            ("ott 1000 min", "1000 min"),
            ("ott 0 min", "0 min"),
            ("ott 9999-12-31 11pm", "9999-12-31"),
            ("ott 0001-01-01 0:00", "0001-01-01"),
        ],
    )
    def test_what_cannot_be_is_said_and_not_ready(self, wenna, line, word):
        told = read(wenna, line)
        assert told["ready"] is False
        assert word in told["problems"][0]

    def test_nobody_named_is_not_ready(self, wenna):
        told = read(wenna, "75 thu 10")
        assert (told["client"], told["new_name"], told["ready"]) == (None, "", False)

    def test_what_does_not_go_is_told_while_one_types(self, wenna):
        assert [c["kind"] for c in read(wenna, "linnet 60 today 9:30")["clashes"]] == ["overlap"]
        assert {c["kind"] for c in read(wenna, "ott 60 thu 7am")["clashes"]} == {"too_early"}

    @pytest.mark.parametrize(
        ("typed", "day"), [("thu", THURSDAY), ("7 may", THURSDAY), ("in 3 days", THURSDAY), ("soon", None)]
    )
    def test_a_day_is_found_by_its_name(self, wenna, typed, day):
        found = wenna.get("/api/day/named", params={"typed": typed}).json()["day"]
        assert (found and found["day"]) == day


class TestBooking:
    def test_it_is_planned_tried_and_stored(self, wenna):
        body = wanted(client_id=LINNET, minutes=60)
        tried = wenna.post("/api/bookings/trial", json=body).json()
        assert tried["clashes"] == []
        assert tried["outline"]["strokes"]
        assert names(wenna) == []
        made = wenna.post("/api/bookings", json=body).json()
        assert made["plan"]["flow"]["brief"]["booked_minutes"] == 60
        assert names(wenna) == ["Linnet Marrowby"]
        mark = next(one for one in day_of(wenna)["strip"] if one["day"] == THURSDAY)
        assert (mark["sessions"], mark["minutes"]) == (1, 60)

    def test_sent_twice_it_is_booked_once(self, wenna):
        body = wanted(new_name="Perran Gull", kind="full_body", minutes=60, day="2026-05-08")
        first, second = (wenna.post("/api/bookings", json=body).json() for _ in range(2))
        assert first == second
        assert names(wenna, "2026-05-08") == ["Perran Gull"]
        found = wenna.get("/api/clients", params={"typed": "Perran Gull"}).json()
        assert len(found) == 1

    def test_what_was_learnt_is_in_the_plan(self, wenna):
        made = book(wenna, client_id=LINNET, day="2026-05-11")
        learnt = wenna.get(f"/api/clients/{LINNET}/learnt").json()["starts"]
        (start,) = (one["depth"] for one in learnt if one["region"] == "back")
        depths = [
            step["depth"]
            for part in made["plan"]["flow"]["parts"]
            if part["region"] == "back" and part["role"] == "work"
            for step in part["steps"]
        ]
        assert max(depths) == int(start)

    def test_what_does_not_go_is_refused_unless_it_is_meant(self, wenna):
        body = wanted(client_id=LINNET, day=TODAY, at="09:30")
        refused = wenna.post("/api/bookings", json=body)
        assert problem(refused, 409) == "clashing"
        assert "before Ottilie Saltgrove is over" in refused.json()["detail"]
        body["accepted"] = ["overlap"]
        made = wenna.post("/api/bookings", json=body).json()
        assert "Linnet Marrowby" in names(wenna, TODAY)
        assert wenna.delete(f"/api/sessions/{made['session_id']}/booking").status_code == 204
        assert "Linnet Marrowby" not in names(wenna, TODAY)

    def test_a_flow_can_be_what_the_plan_is_made_from(self, wenna):
        flow = next(one for one in wenna.get("/api/flows").json() if one["brief"]["kind"] == "chair")
        made = book(
            wenna, client_id=BRAM, flow_id=flow["flow_id"], kind="chair", minutes=20, day="2026-05-14"
        )
        brief = made["plan"]["flow"]["brief"]
        assert (brief["kind"], brief["booked_minutes"]) == ("chair", 20)

    @pytest.mark.parametrize(
        ("told", "field"),
        [
            ({"client_id": BRAM, "minutes": 0}, "minutes"),
            ({"client_id": BRAM, "minutes": 1000}, "minutes"),
            ({"client_id": BRAM, "day": "9999-01-01"}, "start"),
            ({"client_id": BRAM, "kind": "thai"}, "kind"),
            ({}, "client_id"),
            ({"client_id": BRAM, "repeat": {"every_weeks": 1}}, "repeat"),
            ({"client_id": BRAM, "repeat": {"every_weeks": 26, "count": 60}}, "start"),
        ],
    )
    def test_bad_input_is_refused_by_field_and_nothing_is_stored(self, wenna, told, field):
        before = day_of(wenna)
        answer = wenna.post("/api/bookings", json=wanted(**told))
        assert field in faults(answer)
        assert day_of(wenna)["sessions"] == before["sessions"]

    def test_two_who_book_the_same_hour_at_once_do_not_both_get_it(self, wenna, served):
        other = served.browser(email=THERAPIST_EMAIL, password=THERAPIST_PASSWORD)
        bodies = [wanted(client_id=id, day="2026-05-20", at="15:00") for id in (BRAM, LINNET)]
        for browser, body in zip((wenna, other), bodies, strict=True):
            browser.post("/api/bookings/trial", json=body)
        pairs = list(zip((wenna, other), bodies, strict=True))
        with ThreadPoolExecutor() as pool:
            answers = list(pool.map(lambda one: one[0].post("/api/bookings", json=one[1]), pairs))
        assert sorted(answer.status_code for answer in answers) == [200, 409]
        assert len(names(wenna, "2026-05-20")) == 1


class TestRepeating:
    def test_every_two_weeks_it_is_the_same_hour_also_when_clocks_change(self, served):
        served.now = datetime(2026, 10, 1, 8, tzinfo=UTC)
        own = opened(served)
        repeat = {"every_weeks": 2, "count": 3}
        body = wanted(new_name="Mara Quill", kind="full_body", minutes=60, day="2026-10-15", repeat=repeat)
        tried = own.post("/api/bookings/trial", json=body).json()
        assert [one["day"] for one in tried["starts"]] == ["2026-10-15", "2026-10-29", "2026-11-12"]
        assert own.post("/api/bookings", json=body).status_code == 200
        for day in ("2026-10-15", "2026-10-29", "2026-11-12"):
            (session,) = day_of(own, day)["sessions"]
            assert session["span"] == {"begins": 600, "ends": 660}
            assert session["repeats"] is True
        firsts = [
            day_of(own, day)["sessions"][0]["brief"]["first_visit"] for day in ("2026-10-15", "2026-10-29")
        ]
        assert firsts == [True, False]

    def test_taken_back_the_whole_repeat_is_gone_and_the_client_of_whom_only_a_name_is_known(self, wenna):
        body = wanted(new_name="Wren Halyard", day="2026-09-03", repeat={"every_weeks": 1, "count": 3})
        assert wenna.post("/api/bookings", json=body).status_code == 200
        days = ("2026-09-03", "2026-09-10", "2026-09-17")
        assert [names(wenna, day) for day in days] == [["Wren Halyard"]] * 3
        assert wenna.delete(f"/api/sessions/{body['session_id']}/booking").status_code == 204
        assert [names(wenna, day) for day in days] == [[], [], []]
        assert wenna.get("/api/clients", params={"typed": "Wren Halyard"}).json() == []
        known = wanted(new_name="Wren Halyard", day="2026-09-03")
        client = wenna.post("/api/bookings", json=known).json()["client"]["client_id"]
        page = wenna.get(f"/api/clients/{client}").json()
        record = {**page["record"], "conditions": ["nut_allergy"]}
        wenna.put(f"/api/clients/{client}", json={"revision": page["revision"], "record": record})
        assert wenna.delete(f"/api/sessions/{known['session_id']}/booking").status_code == 204
        assert wenna.get(f"/api/clients/{client}").json()["record"]["conditions"] == ["nut_allergy"]
        again = wenna.delete(f"/api/sessions/{body['session_id']}/booking")
        assert problem(again, 404) == "not-there"

    def test_a_clash_of_a_later_one_says_its_day(self, wenna):
        book(wenna, client_id=BRAM, day="2026-06-11", at="11:00")
        repeat = {"every_weeks": 1, "until": "2026-06-11"}
        body = wanted(client_id=LINNET, day="2026-06-04", at="12:00", repeat=repeat, minutes=45)
        says = [clash["says"] for clash in wenna.post("/api/bookings/trial", json=body).json()["clashes"]]
        assert len(says) == 1
        assert says[0].startswith("Thu 11 Jun: ")

    def test_one_is_changed_or_all_that_follow(self, wenna):
        repeat = {"every_weeks": 1, "count": 3}
        first = book(wenna, client_id=LINNET, day="2026-07-06", at="10:00", minutes=45, repeat=repeat)
        moved = move(wenna, first, start={"day": "2026-07-07", "at": "11:00"}).json()
        days = ["2026-07-07", "2026-07-13", "2026-07-20"]
        assert [day_of(wenna, day)["sessions"][0]["span"]["begins"] for day in days] == [660, 600, 600]
        second = day_of(wenna, "2026-07-13")["sessions"][0]
        assert (
            move(wenna, second, start={"day": "2026-07-15", "at": "09:00"}, later_too=True).status_code == 200
        )
        days = ["2026-07-07", "2026-07-15", "2026-07-22"]
        assert [day_of(wenna, day)["sessions"][0]["span"]["begins"] for day in days] == [660, 540, 540]
        assert moved["revision"] == first["revision"] + 1

    def test_a_session_that_stands_is_repeated(self, wenna):
        first = book(wenna, client_id=LINNET, day="2026-08-03", at="10:00", minutes=45)
        url = f"/api/sessions/{first['session_id']}/repeat"
        repeat = {"every_weeks": 3, "until": "2026-09-20"}
        tried = wenna.post(f"{url}/trial", json=repeat).json()
        assert [one["day"] for one in tried["starts"]] == ["2026-08-24", "2026-09-14"]
        answer = wenna.post(url, json={"revision": first["revision"], "repeat": repeat})
        assert answer.status_code == 200, answer.text
        for day in ("2026-08-03", "2026-08-24", "2026-09-14"):
            (session,) = day_of(wenna, day)["sessions"]
            assert (session["repeats"], session["brief"]["booked_minutes"]) == (True, 45)
        assert wenna.delete(url).status_code == 200
        assert day_of(wenna, "2026-08-03")["sessions"][0]["repeats"] is False
        assert [names(wenna, day) for day in ("2026-08-24", "2026-09-14")] == [[], []]

    def test_moved_together_by_a_week_they_are_in_nobodys_way(self, wenna):
        repeat = {"every_weeks": 1, "count": 3}
        first = book(wenna, client_id=BRAM, day="2026-10-05", at="10:00", minutes=60, repeat=repeat)
        start = {"day": "2026-10-12", "at": "10:00"}
        assert move(wenna, first, start=start, later_too=True).status_code == 200
        days = ("2026-10-05", "2026-10-12", "2026-10-19", "2026-10-26")
        assert [len(names(wenna, day)) for day in days] == [0, 1, 1, 1]


class TestMoving:
    @pytest.fixture
    def booked(self, wenna):
        return book(wenna, client_id=LINNET, day="2026-05-28", at="10:00", minutes=60)

    @pytest.fixture(autouse=True)
    def tidy(self, wenna):
        yield
        for day in ("2026-05-28", "2026-05-29"):
            for session in day_of(wenna, day)["sessions"]:
                wenna.delete(f"/api/sessions/{session['session_id']}/booking")

    def test_to_another_day(self, wenna, booked):
        assert move(wenna, booked, start={"day": "2026-05-29", "at": "16:00"}).status_code == 200
        assert names(wenna, "2026-05-28") == []
        assert names(wenna, "2026-05-29") == ["Linnet Marrowby"]

    def test_shorter_the_plan_is_fitted_and_says_what_gives_way(self, wenna, booked):
        url = f"/api/sessions/{booked['session_id']}"
        tried = wenna.post(f"{url}/booking/trial", json={"minutes": 45}).json()
        assert tried["difference"]["changes"]
        shorter = move(wenna, booked, minutes=45).json()
        assert shorter["plan"]["flow"]["brief"]["booked_minutes"] == 45
        assert abs(shorter["evaluation"]["sheet"]["seconds"] - 35 * 60) <= 15
        taken_back = wenna.post(f"{url}/undo", json={"revision": shorter["revision"]}).json()
        assert taken_back["plan"] == booked["plan"]

    def test_the_second_of_two_who_move_it_sees_what_the_first_did(self, wenna, booked):
        assert move(wenna, booked, start={"day": "2026-05-28", "at": "11:00"}).status_code == 200
        late = move(wenna, booked, start={"day": "2026-05-28", "at": "15:00"})
        assert problem(late, 409) == "changed-elsewhere"
        assert day_of(wenna, "2026-05-28")["sessions"][0]["span"]["begins"] == 660

    def test_onto_another_it_is_said_first(self, wenna, booked):
        book(wenna, client_id=BRAM, day="2026-05-28", at="14:00", minutes=60)
        refused = move(wenna, booked, start={"day": "2026-05-28", "at": "14:30"})
        assert problem(refused, 409) == "clashing"
        again = move(wenna, booked, start={"day": "2026-05-28", "at": "14:30"}, accepted=["overlap"])
        assert again.status_code == 200

    def test_a_session_that_is_worked_stays(self, wenna):
        worked = day_of(wenna, TODAY)["sessions"][0]
        assert problem(move(wenna, worked, start={"day": TODAY, "at": "20:00"}), 409) == "run-has-begun"
        url = f"/api/sessions/{worked['session_id']}"
        assert problem(wenna.delete(f"{url}/booking"), 409) == "run-has-begun"
        gone = {"revision": worked["revision"], "attendance": "did_not_come"}
        assert problem(wenna.put(f"{url}/attendance", json=gone), 409) == "run-has-begun"

    def test_nobody_gets_a_session_who_does_not_work_here(self, wenna, booked):
        assert faults(move(wenna, booked, person_id=str(uuid4()))) == {"person_id": "unknown_therapist"}


class TestAttendance:
    @pytest.mark.parametrize("attendance", ["cancelled", "did_not_come"])
    def test_whoever_does_not_come_leaves_the_water_free_and_can_come_back(self, wenna, attendance):
        made = book(wenna, client_id=BRAM, day="2026-05-13", at="10:00", minutes=60)
        url = f"/api/sessions/{made['session_id']}/attendance"
        told = {"revision": made["revision"], "attendance": attendance, "note": "flu"}
        gone = wenna.put(url, json=told).json()
        day = day_of(wenna, "2026-05-13")
        assert [(s["attendance"], s["attendance_note"]) for s in day["sessions"]] == [(attendance, "flu")]
        assert (day["next_action"], day["hands"]["strain"]) == (None, 0)
        assert day["free"][0] == {"begins": 540, "ends": 780}
        assert read(wenna, "linnet 60 2026-05-13 10")["clashes"] == []
        back = {"revision": gone["revision"], "attendance": "expected"}
        assert wenna.put(url, json=back).json()["attendance"] == "expected"
        assert day_of(wenna, "2026-05-13")["next_action"]["action"] == "plan"
        wenna.delete(f"/api/sessions/{made['session_id']}/booking")

    def test_who_comes_after_all_is_told_what_was_booked_meanwhile(self, wenna):
        made = book(wenna, client_id=BRAM, day="2026-05-15", at="10:00", minutes=60)
        url = f"/api/sessions/{made['session_id']}/attendance"
        gone = wenna.put(url, json={"revision": made["revision"], "attendance": "cancelled"}).json()
        book(wenna, client_id=LINNET, day="2026-05-15", at="10:15", minutes=60)
        back = {"revision": gone["revision"], "attendance": "expected"}
        refused = wenna.put(url, json=back)
        assert problem(refused, 409) == "clashing"
        accepted = [clash["kind"] for clash in refused.json()["clashes"]]
        assert accepted == ["overlap"]
        assert day_of(wenna, "2026-05-15")["sessions"][0]["attendance"] == "cancelled"
        assert wenna.put(url, json={**back, "accepted": accepted}).json()["attendance"] == "expected"

    def test_a_word_goes_with_it_and_no_more(self, wenna):
        made = book(wenna, client_id=BRAM, day="2026-05-12", at="10:00")
        url = f"/api/sessions/{made['session_id']}/attendance"
        told = {"revision": made["revision"], "attendance": "late", "note": "x" * 201}
        assert faults(wenna.put(url, json=told)) == {"note": "too_long"}
        late = wenna.put(url, json={**told, "note": "12 min, the ferry"}).json()
        assert (late["attendance"], late["attendance_note"]) == ("late", "12 min, the ferry")


class TestWalkingIn:
    def told(self, **answers):
        return {"session_id": str(uuid4()), "kind": "chair", "minutes": 15, **answers}

    def test_nobody_is_named_and_the_session_can_begin(self, own, served):
        served.now = datetime(2026, 5, 6, 10, 0, tzinfo=UTC)
        made = own.post("/api/walk-ins", json=self.told()).json()
        assert made["walk_in"] is True
        assert made["client"]["name"] == "Walk-in at 11:00"
        assert made["day_answer"] is not None
        assert not {"scalp", "neck"} <= {left["region"] for left in made["plan"]["left_out"]}
        assert own.get("/api/clients").json() == []
        named = own.put(f"/api/sessions/{made['session_id']}/walk-in", json={"name": "Jory Blee"}).json()
        assert (named["client"]["name"], named["walk_in"]) == ("Jory Blee", False)
        assert [one["name"] for one in own.get("/api/clients").json()] == ["Jory Blee"]
        again = own.put(f"/api/sessions/{made['session_id']}/walk-in", json={"name": "Jory Blee"})
        assert faults(again) == {"name": "named_already"}

    def test_the_name_of_a_client_puts_the_two_together(self, own, served):
        served.now = datetime(2026, 5, 6, 10, 0, tzinfo=UTC)
        known = own.post("/api/clients", json={"name": "Jory Blee"}).json()["client_id"]
        made = own.post("/api/walk-ins", json=self.told()).json()
        named = own.put(f"/api/sessions/{made['session_id']}/walk-in", json={"client_id": known}).json()
        assert named["client"]["client_id"] == known
        visits = own.get(f"/api/clients/{known}").json()["visits"]
        assert [visit["session_id"] for visit in visits] == [made["session_id"]]

    def test_what_they_answer_is_in_the_plan(self, own, served):
        served.now = datetime(2026, 5, 6, 10, 0, tzinfo=UTC)
        answer = {"conditions": ["anticoagulants"], "excluded": [{"region": "neck", "side": "mid"}]}
        made = own.post("/api/walk-ins", json=self.told(answer=answer, consents=["scalp"], minutes=30)).json()
        regions = {part["region"] for part in made["plan"]["flow"]["parts"] if part["role"] == "work"}
        assert "neck" not in regions
        assert "scalp" in regions
        strokes = {step["stroke"] for part in made["plan"]["flow"]["parts"] for step in part["steps"]}
        assert not strokes & {
            "hacking",
            "cupping",
            "tapping",
            "stripping",
            "cross_fibre_friction",
            "point_hold",
        }

    def test_a_stop_sign_is_no_session(self, own, served):
        served.now = datetime(2026, 5, 6, 10, 0, tzinfo=UTC)
        refused = own.post("/api/walk-ins", json=self.told(answer={"conditions": ["fever"]}))
        assert problem(refused, 422) == "no-session"
        assert day_of(own, "2026-05-06")["sessions"] == []

    def test_a_pregnancy_counts(self, own, served):
        served.now = datetime(2026, 5, 6, 10, 0, tzinfo=UTC)
        made = own.post("/api/walk-ins", json=self.told(weeks=20)).json()
        depths = [
            step["depth"]
            for part in made["plan"]["flow"]["parts"]
            if part["region"] in ("shoulders", "neck")
            for step in part["steps"]
        ]
        assert max(depths) <= 3


def test_a_session_over_midnight_takes_from_both_days(own, served):
    served.now = datetime(2026, 5, 6, 10, 0, tzinfo=UTC)
    made = book(own, new_name="Night Owl", day="2026-05-07", at="23:30", minutes=60, accepted=["too_late"])
    start = datetime.fromisoformat(made["starts_at"])
    assert start.astimezone(UTC) == datetime(2026, 5, 7, 22, 30, tzinfo=UTC)
    assert [s["span"] for s in day_of(own, "2026-05-07")["sessions"]] == [{"begins": 1410, "ends": 1470}]
    after = read(own, "new client Early Bird 60 2026-05-08", start={"day": "2026-05-08", "at": "00:15"})
    assert {clash["kind"] for clash in after["clashes"]} == {"overlap", "too_early"}
