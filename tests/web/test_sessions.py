from datetime import datetime, timedelta
from uuid import UUID, uuid4

import pytest

from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD, demo_id
from tests.conftest import NOW

DAY = "/api/day?day=2026-05-04"


def url(name, rest=""):
    return f"/api/sessions/{demo_id(f'session 2026-05-04 {name}')}{rest}"


def fields(answer, status=422):
    assert answer.status_code == status, answer.text
    assert answer.headers["content-type"] == "application/problem+json"
    return {error["field"]: (error["what"], error["remedy"]) for error in answer.json()["errors"]}


def change(client, name, anew=True, **brief):
    revision = client.get(url(name)).json()["revision"]
    return client.put(url(name, "/brief"), json={"revision": revision, "brief": brief, "anew": anew})


def answer_day(client, name, lasting=False, **answer):
    body = {"revision": client.get(url(name)).json()["revision"], "answer": answer, "lasting": lasting}
    return client.put(url(name, "/day-answer"), json=body)


def test_the_day_says_what_is_next(client):
    day = client.get(DAY).json()
    assert [s["stage"] for s in day["sessions"]] == ["logged", "plan", "plan", "plan"]
    assert day["next_action"]["action"] == "plan"
    assert 0 < day["hands"]["strain"] <= 10
    empty = client.get("/api/day?day=2030-01-01").json()
    assert empty.pop("hands")["thumb_seconds"] == 0
    assert empty["working"] == empty["free"] == [{"begins": 540, "ends": 780}, {"begins": 825, "ends": 1080}]
    assert (empty["day"], empty["sessions"], empty["clashes"]) == ("2030-01-01", [], [])
    assert empty["next_action"] is None
    assert [mark["day"] for mark in empty["strip"]][:2] == ["2029-12-31", "2030-01-01"]
    assert len(empty["strip"]) == 9


def test_a_changed_brief_is_planned_stored_and_read_again(client):
    answer = change(client, "bram", booked_minutes=60, focus=["neck"], leave_out=["foot"], close_with="feet")
    assert answer.status_code == 200
    made = answer.json()
    assert abs(made["evaluation"]["sheet"]["seconds"] - 50 * 60) <= 15
    again = client.get(url("bram")).json()
    assert again == made
    assert {"region": "foot", "reason": "wish", "gives": []} in again["plan"]["left_out"]


@pytest.mark.parametrize(
    ("brief", "wanted"),
    [
        ({"booked_minutes": -3}, {"booked_minutes": ("too small", "use 10 or more")}),
        ({"booked_minutes": 4000}, {"booked_minutes": ("too large", "use 120 or less")}),
        ({"booked_minutes": "soon"}, {"booked_minutes": ("not a whole number", "use a whole number")}),
        ({}, {"booked_minutes": ("missing", "give a value")}),
        ({"booked_minutes": 60, "colour": "blue"}, {"colour": ("not known here", "leave it out")}),
    ],
)
def test_bad_input_names_field_and_remedy_and_saves_nothing(client, brief, wanted):
    before = client.get(url("corin")).json()
    assert fields(change(client, "corin", **brief)) == wanted
    assert client.get(url("corin")).json() == before


def test_an_unknown_region_and_a_brief_that_cannot_fit(client):
    assert list(fields(change(client, "corin", booked_minutes=60, focus=["bak"]))) == ["focus"]
    needs = fields(change(client, "corin", booked_minutes=20, focus=["back", "neck"]))
    assert set(needs) == {"focus", "booked_minutes"}
    assert needs["booked_minutes"][1].startswith("book ")


def test_an_impossible_brief_offers_what_would_do(client):
    answer = change(client, "corin", booked_minutes=25, focus=["back", "neck", "foot"])
    fields(answer)
    offers = answer.json()["offers"]
    assert [offer["says"] for offer in offers][:2] == ["Book 30 minutes", "Take back out of the focus"]
    taken = {"booked_minutes": 25, "focus": ["back", "neck", "foot"], **offers[1]["change"]}
    assert change(client, "corin", **taken).status_code == 200


def test_another_length_is_tried_without_storing_and_then_taken(client):
    change(client, "bram", booked_minutes=90, focus=["hips"])
    before = client.get(url("bram")).json()
    brief = {**before["plan"]["flow"]["brief"], "booked_minutes": 60}
    tried = client.post(url("bram", "/adjustment"), json={"brief": brief}).json()
    assert tried["plan"]["flow"]["brief"]["booked_minutes"] == 60
    assert abs(tried["evaluation"]["sheet"]["seconds"] - 50 * 60) <= 15
    assert tried["difference"]["changes"]
    assert client.get(url("bram")).json() == before
    body = {"revision": before["revision"], "brief": brief}
    taken = client.put(url("bram", "/adjustment"), json=body).json()
    assert taken["plan"]["flow"] == tried["plan"]["flow"]
    assert taken["difference"] == tried["difference"]
    assert client.get(url("bram")).json()["plan"] == taken["plan"]
    assert client.put(url("bram", "/adjustment"), json=body).status_code == 409


def test_a_late_client_begins_later_and_ends_as_booked(client):
    before = client.get(url("bram")).json()
    booked = before["plan"]["flow"]["brief"]["booked_minutes"]
    brief = {**before["plan"]["flow"]["brief"], "booked_minutes": booked - 15}
    body = {"revision": before["revision"], "brief": brief, "late_minutes": 15}
    late = client.put(url("bram", "/adjustment"), json=body).json()

    def ends(session):
        minutes = session["plan"]["flow"]["brief"]["booked_minutes"]
        return datetime.fromisoformat(session["starts_at"]) + timedelta(minutes=minutes)

    assert ends(late) == ends(before)
    assert datetime.fromisoformat(late["starts_at"]) > datetime.fromisoformat(before["starts_at"])
    assert late["attendance"] == "late"
    (on_day,) = [one for one in client.get(DAY).json()["sessions"] if one["session_id"] == late["session_id"]]
    assert on_day["attendance_note"] == "booked for 11:00"

    def step(which, session):
        return client.post(url("bram", f"/{which}"), json={"revision": session["revision"]}).json()

    def told(session):
        plan = session["plan"]["flow"]["brief"]["booked_minutes"]
        return session["starts_at"], session["attendance"], session["attendance_note"], plan

    undone = step("undo", late)
    assert told(undone) == told(before), "the start goes back with the minutes"
    done_again = step("redo", undone)
    assert told(done_again) == told(late)
    brief = {**brief, "booked_minutes": booked - 25}
    body = {"revision": done_again["revision"], "brief": brief, "late_minutes": 10}
    later = client.put(url("bram", "/adjustment"), json=body).json()
    assert ends(later) == ends(before)
    assert told(step("undo", later)) == told(late), "still late, by less"


def test_today_a_client_is_met_before_anything_else(served):
    client = served.browser(email=THERAPIST_EMAIL, password=THERAPIST_PASSWORD)

    def opens(name):
        return {one["client_name"]: one["opens"] for one in client.get(DAY).json()["sessions"]}[name]

    assert opens("Corin Foghollow") == "meet"
    answer_day(client, "corin")
    assert opens("Corin Foghollow") == "plan"
    assert opens("Isolde Kelpworth") == "meet"
    served.now = NOW - timedelta(days=1)
    assert opens("Isolde Kelpworth") == "plan"


def test_a_length_that_cannot_be_is_refused_with_offers_and_changes_nothing(client):
    before = client.get(url("bram")).json()
    brief = {**before["plan"]["flow"]["brief"], "booked_minutes": 10}
    for answer in (
        client.post(url("bram", "/adjustment"), json={"brief": brief}),
        client.put(url("bram", "/adjustment"), json={"revision": before["revision"], "brief": brief}),
    ):
        fields(answer)
        assert answer.json()["offers"]
    assert client.get(url("bram")).json() == before


def test_why_and_what_the_table_needs_are_read(client):
    flow = client.get(url("bram")).json()["plan"]["flow"]
    worked = {part["region"] for part in flow["parts"] if part["role"] == "work"}
    why = client.get(url("bram", "/reasons")).json()
    assert {reason["region"] for reason in why["regions"]} == worked
    assert why["order"]["seconds"] <= why["order"]["plain_seconds"]
    side = client.get(url("bram", "/table-side")).json()
    assert [table["part"] for table in side["replanning"]["parts"]] == list(range(len(flow["parts"])))
    assert {extra["position"] for extra in side["extras"]} <= {part["position"] for part in flow["parts"]}


def test_what_was_edited_is_kept_when_the_brief_changes(client):
    change(client, "bram", booked_minutes=90, focus=["hips"])
    before = client.get(url("bram")).json()
    edit = {"kind": "change_step", "part_id": "neck", "step": 2, "passes": 6}
    edited = client.post(url("bram", "/edits"), json={"revision": before["revision"], "edits": [edit]}).json()
    assert edited["plan"]["by_hand"] == ["neck"]
    brief = {**before["plan"]["flow"]["brief"], "leave_out": ["hand"]}
    made = client.put(url("bram", "/brief"), json={"revision": edited["revision"], "brief": brief}).json()
    assert made["plan"]["by_hand"] == ["neck"]
    assert made["difference"]["kept"] == ["neck"]
    neck = [[s["steps"] for s in v["plan"]["flow"]["parts"] if s["id"] == "neck"] for v in (edited, made)]
    assert neck[0] == neck[1]


def test_a_part_is_reshaped_and_what_is_pulled_is_not_said_to_have_moved(client):
    made = change(client, "bram", booked_minutes=90, focus=["hips"]).json()
    for seconds in (345, 400):
        body = {"revision": made["revision"], "pull": {"part_id": "neck", "seconds": seconds}}
        made = client.post(url("bram", "/reshape"), json=body).json()
        assert made["plan"]["by_hand"] == ["neck"]
        assert abs(made["evaluation"]["sheet"]["seconds"] - 80 * 60) <= 15
        assert made["difference"]["moved"] == []
        assert "neck" in [found["region"] for found in made["difference"]["changes"]]
    body = {"revision": made["revision"], "part_id": "knee", "seconds": 60}
    assert "part_id" in fields(client.post(url("bram", "/reshape"), json=body))


def stepped(client, name, way, revision):
    return client.post(url(name, f"/{way}"), json={"revision": revision})


def test_changes_are_taken_back_and_done_again_as_often_as_there_were_any(client):
    first = change(client, "bram", booked_minutes=90).json()
    second = change(client, "bram", booked_minutes=75).json()
    third = change(client, "bram", booked_minutes=60).json()
    assert (third["can_undo"], third["can_redo"]) == (True, False)
    back = stepped(client, "bram", "undo", third["revision"]).json()
    assert back["plan"] == second["plan"]
    back = stepped(client, "bram", "undo", back["revision"]).json()
    assert back["plan"] == first["plan"]
    assert back["can_redo"]
    # Nothing is remembered by the page: it is the same after a reload.
    assert client.get(url("bram")).json() == back
    again = stepped(client, "bram", "redo", back["revision"]).json()
    assert again["plan"] == second["plan"]
    other = change(client, "bram", booked_minutes=45).json()
    assert not other["can_redo"]
    assert stepped(client, "bram", "redo", other["revision"]).status_code == 404
    assert stepped(client, "bram", "undo", back["revision"]).status_code == 409
    assert client.get(url("bram")).json()["plan"] == other["plan"]


def test_two_windows_never_overwrite_one_another(client):
    revision = client.get(url("corin")).json()["revision"]
    body = {"revision": revision, "brief": {"booked_minutes": 60}}
    assert client.put(url("corin", "/brief"), json=body).status_code == 200
    late = client.put(url("corin", "/brief"), json={**body, "brief": {"booked_minutes": 90}})
    assert late.status_code == 409
    assert late.json()["type"].endswith("changed-elsewhere")
    assert client.get(url("corin")).json()["plan"]["flow"]["brief"]["booked_minutes"] == 60


def test_an_edit_is_held_to_the_catalogue(client):
    session = client.get(url("isolde")).json()
    part = session["plan"]["flow"]["parts"][1]

    def put(**over):
        step = {**part["steps"][0], **over}
        edit = {"kind": "insert_step", "part_id": part["id"], "at": 0, "step": step}
        return client.post(url("isolde", "/edits"), json={"revision": session["revision"], "edits": [edit]})

    assert list(fields(put(stroke="poking"))) == ["parts.1.steps.0.stroke"]
    assert list(fields(put(passes=0))) == ["edits.0.insert_step.step.passes"]
    assert client.get(url("isolde")).json() == session


def began(client, name):
    """The first touch, by the run sheet that the server shows now."""
    return {"kind": "began", "sheet_id": client.get(url(name)).json()["sheet_id"]}


def moved(client, name, to):
    """Gone to an entry of that sheet, counted from 0."""
    sheet = client.get(url(name)).json()["evaluation"]["sheet"]
    return {"kind": "moved", "to": sheet["entries"][to]["address"]}


class TestARun:
    """Working a session: events in, state out, the plan stands, the log after the end."""

    def events(self, *kinds):
        return [
            {"id": str(uuid4()), "at": (NOW + timedelta(seconds=30 * n)).isoformat(), **kind}
            for n, kind in enumerate(kinds)
        ]

    def test_events_are_kept_once_and_in_order(self, client):
        said = {"kind": "said", "word": "deeper", "region": "back", "side": "mid", "depth": 2}
        too_early = client.post(url("bram", "/events"), json={"events": self.events(began(client, "bram"))})
        assert too_early.status_code == 409
        assert too_early.json()["type"].endswith("day-question-open")
        answer_day(client, "bram")
        sent = self.events(began(client, "bram"), moved(client, "bram", 3), said, moved(client, "bram", 5))
        first = client.post(url("bram", "/events"), json={"events": sent})
        assert first.status_code == 200
        assert first.json()["entry"] == 5
        again = client.post(url("bram", "/events"), json={"events": sent[1:3]})
        assert again.json() == first.json()
        assert client.get(url("bram")).json()["run"] == first.json()
        assert client.get(url("bram")).json()["stage"] == "work"

    def test_the_plan_of_a_run_stands(self, client):
        answer = change(client, "bram", booked_minutes=75)
        assert answer.status_code == 409
        assert answer.json()["type"].endswith("run-has-begun")

    def test_it_is_logged_only_after_its_end(self, client):
        body = {"revision": 0, "log": {"suited": {"back": 3}, "note": "well", "next_time": ""}}
        assert list(fields(client.put(url("bram", "/log"), json=body))) == ["session_id"]
        client.post(url("bram", "/events"), json={"events": self.events({"kind": "ended"})})
        assert client.get(url("bram")).json()["stage"] == "log"
        saved = client.put(url("bram", "/log"), json=body)
        assert saved.status_code == 200
        assert (saved.json()["revision"], saved.json()["log"]["suited"]) == (1, {"back": 3})
        assert client.put(url("bram", "/log"), json=body).status_code == 409
        assert client.get(url("bram", "/log")).json() == saved.json()

    def test_nonsense_is_refused_with_its_place(self, client):
        wrong = self.events({"kind": "said", "word": "ouch", "region": "back", "side": "mid", "depth": 9})
        named = fields(client.post(url("isolde", "/events"), json={"events": wrong}))
        assert set(named) == {"events.0.said.word", "events.0.said.depth"}
        elsewhere = self.events(
            {"kind": "said", "word": "deeper", "region": "tail", "side": "mid", "depth": 2}
        )
        assert list(fields(client.post(url("isolde", "/events"), json={"events": elsewhere}))) == [
            "events.0.region"
        ]
        body = {"revision": 0, "log": {"suited": {"tail": 3}}}
        assert list(fields(client.put(url("isolde", "/log"), json=body))) == ["suited.tail"]


def test_what_is_not_there_is_a_problem_too(client):
    nowhere = client.get(f"/api/sessions/{UUID(int=1)}")
    assert nowhere.status_code == 404
    assert nowhere.json()["type"].endswith("not-there")
    assert client.get("/api/nothing").headers["content-type"] == "application/problem+json"


def test_no_stack_trace_reaches_a_user(client, monkeypatch):
    def broken(*_):
        raise RuntimeError("secret inner matter")

    monkeypatch.setattr("mellow_tide.services.booking.days.read_day", broken)
    answer = client.get(DAY)
    assert answer.status_code == 500
    assert "secret" not in answer.text
    assert "Traceback" not in answer.text
    assert answer.json()["detail"].startswith("Nothing was changed.")


def test_a_repair_is_one_action(client):
    change(client, "corin", booked_minutes=75)
    before = client.get(url("corin")).json()
    removed = {"revision": before["revision"], "edits": [{"kind": "remove_part", "part_id": "hips-left"}]}
    lopsided = client.post(url("corin", "/edits"), json=removed).json()
    missing = next(f for f in lopsided["evaluation"]["findings"] if f["code"] == "BAL01")
    mended = client.post(
        url("corin", "/edits"),
        json={"revision": lopsided["revision"], "edits": missing["repairs"][0]["edits"]},
    )
    assert mended.status_code == 200
    assert [f["code"] for f in mended.json()["evaluation"]["findings"]] == ["HLT03"]
    stale = client.post(url("corin", "/edits"), json=removed)
    assert stale.status_code == 409
    nowhere = {"revision": mended.json()["revision"], "edits": [{"kind": "remove_part", "part_id": "tail"}]}
    assert list(fields(client.post(url("corin", "/edits"), json=nowhere))) == ["part_id"]


def test_a_window_left_open_is_closed_in_one_action(client):
    change(client, "corin", booked_minutes=75)
    revision = client.get(url("corin")).json()["revision"]
    open_too = [{"kind": "change_part", "part_id": "hips-right", "skips": ["cover"]}]
    bare = client.post(url("corin", "/edits"), json={"revision": revision, "edits": open_too}).json()
    (found,) = [f for f in bare["evaluation"]["findings"] if f["code"] == "DRP05"]
    assert (found["severity"], found["part_id"]) == ("refuse", "hips-right")
    repair = {"revision": bare["revision"], "edits": found["repairs"][0]["edits"]}
    mended = client.post(url("corin", "/edits"), json=repair).json()
    assert [f["code"] for f in mended["evaluation"]["findings"]] == ["HLT03"]


def test_other_plans_are_offered_and_taken_as_a_brief(client):
    change(client, "corin", booked_minutes=75)
    found = client.get(url("corin", "/alternatives")).json()
    assert [other["brief"]["school"] for other in found["others"]] == ["feet_upwards", "head_downwards"]
    taken = change(client, "corin", **found["others"][0]["brief"]).json()
    assert taken["evaluation"]["sheet"] == found["others"][0]["sheet"]
    again = client.get(url("corin", "/alternatives")).json()
    assert "back_outwards" in [other["brief"]["school"] for other in again["others"]]
    assert again["present"] == found["others"][0]["traits"]


def test_a_passage_is_told_moved_and_pulled_as_one(client):
    before = client.get(url("corin")).json()
    leg = next(x for x in before["evaluation"]["passages"] if x["name"] == "right leg, behind")
    places = client.get(url("corin", f"/parts/{leg['id']}/places")).json()
    landing = next(x for x in places["with_passage"] if x["edits"])
    edits = {"revision": before["revision"], "edits": landing["edits"]}
    moved = client.post(url("corin", "/edits"), json=edits).json()
    order = [part["id"] for part in moved["plan"]["flow"]["parts"]]
    at = order.index(leg["parts"][0])
    assert order[at : at + len(leg["parts"])] == leg["parts"]
    pull = {"part_id": leg["id"], "seconds": leg["seconds"] + 60, "passage": True}
    pulled = client.post(url("corin", "/reshape"), json={"revision": moved["revision"], "pull": pull}).json()
    after = next(x for x in pulled["evaluation"]["passages"] if x["name"] == "right leg, behind")
    assert after["seconds"] == pytest.approx(leg["seconds"] + 60, abs=30)
    scalp = client.get(url("corin", "/parts/scalp/places")).json()
    assert scalp["with_passage"] == []
