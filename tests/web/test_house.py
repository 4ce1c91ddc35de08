"""How a practice works, changed one thing at a time by people who may not know of one another."""

import json

import psycopg
import pytest

from mellow_tide.demo.people import demo_id
from tests.conftest import NOW
from tests.web.conftest import a_practice, problem


def work(client, item, after, seen=None):
    return client.put("/api/house", json={"item": item, "after": after, "seen": seen})


@pytest.fixture
def own(served):
    """A browser in a practice of its own."""
    client = served.browser()
    assert client.post("/api/door/practices", json=a_practice("Wren Saltings")).status_code == 204
    return client


def session_url(client):
    there = demo_id(f"session {NOW.date().isoformat()} bram")
    return f"/api/sessions/{there}"


class TestAChange:
    def test_it_is_kept_at_once_dated_and_told_with_who_made_it(self, own):
        told = work(own, "rules.end", "feet").json()
        assert told["now"]["rules.end"] == "feet"
        change = told["changes"]["rules.end"]
        assert (change["person_name"], change["before"], change["after"]) == ("Wren Saltings", None, "feet")
        assert change["says"] == "How it ends: a hold at the feet"
        assert own.get("/api/catalogue").json()["usual_briefs"]["full_body"]["close_with"] == "feet"

    def test_it_is_undone_by_putting_back_what_was(self, own):
        work(own, "rules.end", "feet")
        told = work(own, "rules.end", None, "feet").json()
        assert told["now"]["rules.end"] == "head"
        assert told["changes"]["rules.end"]["says"] == "How it ends: a hold at the head"

    def test_seconds_are_the_practice_s_own_within_bounds(self, own):
        told = work(own, "seconds.turn", "90").json()
        assert (told["now"]["seconds.turn"], told["usual"]["seconds.turn"]) == ("90", "70")
        assert told["changes"]["seconds.turn"]["says"] == "Turning over, with the bolster: 90 s"
        for wrong in ("0", "901", "a while", ""):
            assert work(own, "seconds.turn", wrong, "90").json()["errors"][0]["code"] == "seconds_cannot_be"
        assert own.get("/api/house").json()["now"]["seconds.turn"] == "90"

    @pytest.mark.parametrize(
        ("item", "after", "says"),
        [
            ("minutes.chair.before", "3", "Chair, before the first touch: 3 min"),
            ("bookings.chair", "20, 10", "Chair, usual bookings: 10, 20 min"),
            ("kinds.chair", "not_offered", "Chair: not offered"),
            ("lubricants.plain_cream", "none", "Plain cream: not in stock"),
            ("lubricants.own-balm", '{"name": "rose balm", "contains": ["scent"]}', "Rose balm: in stock"),
            ("rules.wedge", "none", "Wedge: none, folded towels instead"),
        ],
    )
    def test_room_kinds_and_times_are_changed_told_and_undone_in_the_same_way(self, own, item, after, says):
        before = own.get("/api/house").json()
        told = work(own, item, after).json()
        assert told["changes"][item]["says"] == says
        assert told["now"][item] != before["now"].get(item)
        undone = work(own, item, None, told["own"][item]).json()
        if item == "lubricants.own-balm":
            assert undone["now"][item] == "none"
        else:
            assert (undone["now"], undone["own"]) == (before["now"], before["own"])

    @pytest.mark.parametrize(
        ("item", "after", "code"),
        [
            ("minutes.chair.before", "61", "minutes_cannot_be"),
            ("bookings.chair", "0", "bookings_cannot_be"),
            ("bookings.chair", "1000", "bookings_cannot_be"),
            ("kinds.chair", "sometimes", "kinds_cannot_be"),
            ("lubricants.own-x", '{"name": ""}', "lubricants_cannot_be"),
            ("lubricants.own-x", '{"name": "' + "x" * 500 + '"}', "lubricants_cannot_be"),
        ],
    )
    def test_what_cannot_be_says_what_can(self, own, item, after, code):
        answer = work(own, item, after)
        assert [error["code"] for error in answer.json()["errors"]] == [code]
        assert own.get("/api/house").json()["changes"] == {}

    @pytest.mark.parametrize(
        ("item", "after"), [("rules.end", "moon"), ("rules.moon", "x"), ("moon", "x"), ("seconds.moon", "9")]
    )
    def test_what_does_not_exist_is_refused_by_name(self, own, item, after):
        assert work(own, item, after).status_code == 422
        assert own.get("/api/house").json()["changes"] == {}

    def test_of_two_who_change_one_thing_the_second_sees_what_the_first_did(self, own):
        assert work(own, "rules.stool", "stand").status_code == 200
        answer = work(own, "rules.stool", "stand")
        assert problem(answer, 409) == "house-changed-elsewhere"
        assert own.get("/api/me").json()["name"] in answer.json()["title"]
        assert "standing throughout" in answer.json()["detail"]
        assert work(own, "rules.end", "whole").status_code == 200

    def test_another_practice_works_as_before(self, own, client):
        work(own, "rules.end", "feet")
        assert client.get("/api/house").json()["now"]["rules.end"] == "head"
        assert client.get("/api/house").json()["changes"] == {}


class TestWhatItWouldDo:
    def test_a_trial_names_flows_and_plans_and_changes_nothing(self, client):
        told = client.post("/api/house/trial", json={"item": "rules.end", "after": "feet"}).json()
        assert told["of_flows"] > 5
        assert 0 < len(told["flows"]) < told["of_flows"]
        assert client.get("/api/house").json()["now"]["rules.end"] == "head"

    def test_what_is_touched_is_looked_at_as_it_is_and_as_it_would_be(self, client):
        tried = {"item": "rules.end", "after": "feet"}
        told = client.post("/api/house/trial", json=tried).json()
        session = session_url(client).rpartition("/")[2]
        for path in (f"flows/{told['flows'][0]['flow_id']}", f"plans/{session}"):
            beside = client.post(f"/api/house/trial/{path}", json=tried).json()
            ends = [beside[which]["sheet"]["entries"][-1]["region"] for which in ("first", "second")]
            assert ends == ["scalp", "foot"]
            assert beside["names"] == ["As you work now", "After the change"]
        slower = {"item": "seconds.turn", "after": "300"}
        beside = client.post(f"/api/house/trial/{path}", json=slower).json()
        longer = beside["second"]["sheet"]["seconds"] - beside["first"]["sheet"]["seconds"]
        assert longer == 230
        assert client.get("/api/house").json()["own"] == {"rules.table_height": "lifts"}

    def test_what_is_not_there_is_not_looked_at(self, client, own):
        tried = {"item": "rules.end", "after": "feet"}
        flow = client.post("/api/house/trial", json=tried).json()["flows"][0]["flow_id"]
        assert own.post(f"/api/house/trial/flows/{flow}", json=tried).status_code == 404
        assert client.post(f"/api/house/trial/plans/{flow}", json=tried).status_code == 404

    def test_a_change_that_touches_nothing_says_so(self, client):
        told = client.post(
            "/api/house/trial", json={"item": "rules.first_trimester", "after": "decline"}
        ).json()
        assert told["flows"] == []
        assert told["plans"] == []


class TestAtTheTable:
    def test_a_point_is_held_and_eased_off_as_the_house_says(self, client, superuser_dsn):
        told = client.get(session_url(client)).json()
        assert (told["hold_seconds"], told["specific_ceiling"]) == (8, 7)
        work(client, "rules.point_hold", "until_it_lets_go")
        work(client, "rules.strength", "no_discomfort")
        told = client.get(session_url(client)).json()
        assert (told["hold_seconds"], told["specific_ceiling"]) == (20, 3)
        work(client, "rules.point_hold", None, "until_it_lets_go")
        work(client, "rules.strength", None, "no_discomfort")


class TestAPlanThatStands:
    @pytest.fixture
    def changed(self, client, superuser_dsn):
        """The demo works otherwise than when its plans were made."""
        assert work(client, "rules.stool", "stand").status_code == 200
        yield
        work(client, "rules.stool", None, "stand")
        with psycopg.connect(superuser_dsn) as db:
            db.execute("DELETE FROM house_change")

    def test_it_is_not_changed_and_says_what_the_house_does_otherwise(self, client, changed):
        told = client.get(session_url(client)).json()
        assert [one["says"] for one in told["house_news"]] == ["Stool: none, standing throughout"]
        flow = told["plan"]["flow"]
        assert client.get(session_url(client)).json()["plan"]["flow"] == flow

    def test_a_brief_that_ended_as_the_house_did_is_offered_to_end_as_it_does_now(self, client, changed):
        assert client.get(session_url(client)).json()["house_brief"] is None
        work(client, "rules.end", "feet")
        told = client.get(session_url(client)).json()
        assert told["plan"]["flow"]["brief"]["close_with"] == "head"
        assert told["house_brief"]["close_with"] == "feet"
        work(client, "rules.end", None, "feet")

    def test_looked_at_it_is_no_news(self, client, changed):
        assert client.post(f"{session_url(client)}/looked-at").json()["house_news"] == []

    def test_what_was_changed_and_put_back_is_no_news(self, client, changed):
        work(client, "rules.stool", None, "stand")
        assert client.get(session_url(client)).json()["house_news"] == []
        work(client, "rules.stool", "stand")


class TestFirstSteps:
    def test_each_is_gone_when_it_is_done_or_skipped(self, own):
        steps = "/api/house/first-steps"
        assert own.get(steps).json()["ahead"] == ["room", "hours", "house", "client"]
        own.post("/api/clients", json={"name": "Pell Dunmarsh"})
        assert own.get(steps).json()["ahead"] == ["room", "hours", "house"]
        for _ in range(2):
            assert own.put(f"{steps}/house/skipped").status_code == 204
        assert own.get(steps).json()["ahead"] == ["room", "hours"]
        work(own, "rules.wedge", "none")
        assert own.get(steps).json()["ahead"] == ["hours"]
        own.put("/api/house/hours", json={"days": [0, 2]})
        assert own.get(steps).json()["ahead"] == []

    def test_what_the_house_does_is_not_what_is_in_its_room(self, own):
        work(own, "rules.end", "feet")
        assert own.get("/api/house/first-steps").json()["ahead"] == ["room", "hours", "client"]

    def test_a_practice_that_has_begun_has_none(self, client):
        assert client.get("/api/house/first-steps").json()["ahead"] == []


class TestHours:
    def test_they_are_the_usual_ones_until_they_are_said_and_each_has_their_own(self, own, client):
        assert own.get("/api/house/hours").json()["said"] is False
        wish = {"days": [4, 0], "first_start": "08:30", "last_start": "16:00", "gap_minutes": 20}
        lunch = {"starts": "12:00", "minutes": 30}
        told = own.put("/api/house/hours", json={**wish, "lunch": lunch}).json()
        assert (told["said"], told["hours"]["days"]) == (True, [0, 4])
        assert own.get("/api/house/hours").json() == told
        assert client.get("/api/house/hours").json()["hours"]["gap_minutes"] == 15

    @pytest.mark.parametrize(
        "wrong",
        [
            {"days": [8]},
            {"gap_minutes": -1},
            {"first_start": "19:00"},
            {"first_start": "soon"},
            {"lunch": {"starts": "12:00", "minutes": 0}},
        ],
    )
    def test_what_cannot_be_is_refused_and_nothing_is_kept(self, own, wrong):
        assert own.put("/api/house/hours", json=wrong).status_code == 422
        assert own.get("/api/house/hours").json()["said"] is False

    def test_the_day_says_what_does_not_go_with_them(self, client):
        usual = client.get("/api/house/hours").json()["hours"]
        day = {"day": NOW.date().isoformat()}
        assert client.get("/api/day", params=day).json()["clashes"] == []
        client.put("/api/house/hours", json={"days": [], "gap_minutes": 0})
        told = client.get("/api/day", params=day).json()
        assert told["sessions"]
        assert {clash["kind"] for clash in told["clashes"]} == {"day_off"}
        assert len(told["clashes"]) == len(told["sessions"])
        client.put("/api/house/hours", json=usual)


class TestASchoolOfOnesOwn:
    def school(self, client, **changes):
        base = client.get("/api/catalogue").json()["schools"]["back_outwards"]
        rows = [{"position": block["position"], "rows": block["rows"]} for block in base["block"]]
        return {"name": "ours", "base": base["id"], "weights": base["weights"], "blocks": rows, **changes}

    def test_it_is_compared_with_its_base_before_it_is_kept(self, own):
        heavy = self.school(own, weights={"lower_leg_back": 4})
        told = own.post("/api/house/schools/beside", json={"school": heavy, "booked_minutes": 90}).json()
        assert told["own"]["minutes"]["lower_leg_back"] > told["base"]["minutes"]["lower_leg_back"]
        assert own.get("/api/house").json()["own"] == {}

    def test_it_is_kept_told_and_archived_rather_than_lost(self, own):
        item = "schools.own-ours"
        told = work(own, item, json.dumps(self.school(own, usual=True))).json()
        assert told["changes"][item]["says"] == "Ours: changed"
        known = own.get("/api/catalogue").json()
        assert known["usual_briefs"]["full_body"]["school"] == "own-ours"
        told = work(own, item, None, told["own"][item]).json()
        assert told["changes"][item]["says"] == "Ours: archived"
        known = own.get("/api/catalogue").json()
        assert known["usual_briefs"]["full_body"]["school"] == "back_outwards"
        assert known["schools"]["own-ours"]["offered"] is False

    @pytest.mark.parametrize(
        "wrong",
        [{"base": "moon"}, {"name": ""}, {"weights": {"back": 99}}, {"blocks": []}, {"name": "x" * 500}],
    )
    def test_what_cannot_be_is_refused_and_nothing_is_kept(self, own, wrong):
        school = self.school(own, **wrong)
        assert own.post("/api/house/schools/beside", json={"school": school}).status_code == 422
        assert work(own, "schools.own-ours", json.dumps(school)).status_code == 422
        assert own.get("/api/house").json()["own"] == {}
