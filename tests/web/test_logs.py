"""The log through HTTP: saved, signed, added to, told as files; what it leaves for later, and what it teaches."""

import json
from datetime import timedelta
from io import BytesIO
from uuid import UUID, uuid4

import pytest
from pypdf import PdfReader

from mellow_tide.core.formats.session_log import SessionLog
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.run.log import Log
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_ID, THERAPIST_NAME, demo_id
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.errors import Conflict
from mellow_tide.store.logs import add_log
from mellow_tide.store.sessions import NewSession, add_session
from tests.conftest import NOW
from tests.web.test_sessions import answer_day, began, moved, url

POINT = str(uuid4())


def work(client, name, *happened, apart=30):
    """Work a session from first touch to last, with what happens in between, so many seconds `apart`."""
    answer_day(client, name)
    kinds = [began(client, name), moved(client, name, 3), *happened, {"kind": "ended"}]
    events = [
        {"id": str(uuid4()), "at": (NOW + timedelta(seconds=apart * n)).isoformat(), **kind}
        for n, kind in enumerate(kinds)
    ]
    assert client.post(url(name, "/events"), json={"events": events}).status_code == 200


def said(word, depth=3, region="back"):
    return {"kind": "said", "word": word, "region": region, "side": "mid", "depth": depth}


WORKED = (
    said("lighter", 3),
    said("lighter", 2),
    {"kind": "point_found", "point": POINT, "region": "back", "side": "left", "zone": "erectors"},
    {"kind": "point_rated", "point": POINT, "number": 7},
    {"kind": "point_held", "point": POINT, "seconds": 8},
    {"kind": "point_rated", "point": POINT, "number": 5},
    {"kind": "added", "part_id": "added-1", "region": "hand", "side": "right", "seconds": 60},
)


def page(client, name):
    return client.get(url(name, "/log")).json()


def save(client, name, sign=False, **log):
    body = {"revision": page(client, name)["revision"], "log": log, "sign": sign}
    return client.put(url(name, "/log"), json=body)


class TestASession:
    """One session from its end to what the next visit starts from."""

    def test_a_log_is_saved_and_saved_again_until_it_is_signed(self, client):
        work(client, "bram", *WORKED)
        assert page(client, "bram")["actual"]["seconds"] > 0
        # What was added takes its own time.
        (hands,) = [row for row in page(client, "bram")["done"] if row["region"] == "hand"]
        assert hands["taken"] == 30
        assert save(client, "bram", note="first").status_code == 200
        later = save(
            client,
            "bram",
            sign=True,
            note="well",
            client_words="slept well",
            aftercare=["Rise slowly"],
            door_wish="more time for the hands",
            for_clinician="Is the rash on the arm known?",
            next_booking="in three weeks",
        )
        assert later.status_code == 200
        assert later.json()["signed_by"] == THERAPIST_NAME
        assert later.json()["session"]["stage"] == "logged"

    def test_a_signed_log_is_changed_no_more_and_added_to_with_a_date(self, client):
        refused = save(client, "bram", note="otherwise")
        assert refused.status_code == 422
        assert refused.json()["type"].endswith("log-signed")
        assert page(client, "bram")["log"]["note"] == "well"
        added = client.post(url("bram", "/log/additions"), json={"words": "  Rang: the arm is well.  "})
        assert added.status_code == 201
        (one,) = added.json()["additions"]
        assert one["words"] == "Rang: the arm is well."
        assert one["by"]
        assert client.post(url("bram", "/log/additions"), json={"words": "   "}).status_code == 422

    def test_nothing_is_added_to_a_log_that_can_still_be_changed(self, client):
        refused = client.post(url("isolde", "/log/additions"), json={"words": "early"})
        assert refused.json()["type"].endswith("log-not-signed")

    def test_it_is_told_as_a_document_and_as_a_paper(self, client):
        answer = client.get(url("bram", "/log.json"))
        assert "session-log.json" in answer.headers["content-disposition"]
        told = SessionLog.model_validate(answer.json())
        assert json.loads(told.model_dump_json()) == answer.json()
        assert [point.numbers for point in told.points] == [(7, 5)]
        text = "".join(
            sheet.extract_text()
            for sheet in PdfReader(BytesIO(client.get(url("bram", "/log.pdf")).content)).pages
        )
        for words in ("Bram", "7, 5", "slept well", "Rise slowly", "Rang: the arm is well.", "Signed by"):
            assert words in text
        assert client.get(url("isolde", "/log.pdf")).status_code == 404

    def test_what_it_leaves_turns_up_at_its_stage_of_the_next_session_and_is_ticked_off(
        self, client, app_dsn
    ):
        next_id = another_session(client, app_dsn, "bram")
        left = client.get(f"/api/sessions/{next_id}/follow-ups").json()
        assert [(one["stage"], one["kind"]) for one in left] == [
            ("work", "point"),
            ("plan", "wish"),
            ("meet", "question"),
        ]
        assert "erectors: 7, 5" in left[0]["words"]
        # It is for later, not for the session that left it.
        assert client.get(url("bram", "/follow-ups")).json() == []
        first = left[0]
        ticked = client.put(
            f"/api/sessions/{next_id}/follow-ups/{first['made_in']}/{first['number']}", json={"done": True}
        ).json()
        assert ticked[0]["done_at"]
        again = client.put(
            f"/api/sessions/{next_id}/follow-ups/{first['made_in']}/{first['number']}", json={"done": False}
        ).json()
        assert again[0]["done_at"] is None

    def test_signing_puts_the_next_visit_where_the_words_point_and_says_how_sure(self, client):
        learnt = taught(client, "bram")
        (back,) = [one for one in learnt["starts"] if one["region"] == "back"]
        assert back["mean"] < 2.2
        assert back["answers"] == 2
        assert back["sureness"] in ("not_known", "fairly_sure")
        wishes = client_page(client, "bram")["record"]["wishes"]
        assert {"region": "back", "depth": back["depth"]} in wishes
        change = client.get(f"/api/clients/{client_id(client, 'bram')}/history").json()[0]
        assert (change["source"], change["change"]["item"]) == ("learnt", "back")

    def test_the_next_plan_is_drafted_and_every_change_of_depth_has_its_reason(self, client):
        drafted = client.get(f"/api/clients/{client_id(client, 'bram')}/learnt/draft").json()
        reasons = {one["region"]: one for one in drafted["reasons"]}
        assert reasons["back"]["start"]["answers"] == 2
        assert reasons["back"]["depth_after"] < reasons["back"]["depth_before"]
        # A point was left at 5: it has its own time now.
        (left,) = reasons["back"]["points"]
        assert left["numbers"] == [7, 5]
        flow = drafted["draft"]["plan"]["flow"]
        place = {key: left[key] for key in ("region", "side", "zone")}
        assert flow["brief"]["points"] == [place]
        held = [step["zone"] for part in flow["parts"] for step in part["steps"] if step["point"]]
        assert held == [left["zone"]] * 2
        assert [f for f in drafted["draft"]["evaluation"]["findings"] if f["severity"] == "refuse"] == []
        nobody = client.get(f"/api/clients/{client_id(client, 'corin')}/learnt/draft")
        assert nobody.status_code == 404

    def test_a_visit_that_was_unusual_is_left_out_with_its_reason_and_put_back(self, client):
        address = f"/api/clients/{client_id(client, 'bram')}/learnt/visits/{url('bram').rsplit('/', 1)[1]}"
        without = client.put(
            address, json={"left_out": True, "reason": "had a fever, as it turned out"}
        ).json()
        assert [visit["counts"] for visit in without["visits"]] == [False]
        assert without["visits"][0]["reason"].startswith("had a fever")
        assert [one for one in without["starts"] if one["answers"]] == []
        back = client.put(address, json={"left_out": False, "reason": "counted again"}).json()
        assert [one["region"] for one in back["starts"] if one["answers"]] == ["back"]
        assert client.put(address, json={"left_out": True, "reason": " "}).status_code == 422

    def test_a_wish_set_by_hand_is_dated_reasoned_evidence_that_moves_the_estimate(self, client):
        address = f"/api/clients/{client_id(client, 'bram')}/learnt/wishes/back"
        before = taught(client, "bram")["starts"][0]["mean"]
        moved = client.put(address, json={"depth": 4, "reason": "only light while it healed"}).json()
        (start,) = [one for one in moved["starts"] if one["region"] == "back"]
        assert before + 0.3 < start["mean"] < 4
        assert moved["by_hand"][-1]["reason"] == "only light while it healed"
        assert (
            client.put(address.replace("/back", "/knee"), json={"depth": 2, "reason": "x"}).status_code == 422
        )

    def test_everything_of_it_is_in_the_client_s_whole_record(self, client):
        whole = client.get(f"/api/clients/{client_id(client, 'bram')}/record.json").json()
        visit = next(visit for visit in whole["visits"] if visit["additions"])
        assert visit["logs"][-1]["signed_by"]
        assert [left["kind"] for left in visit["left"]] == ["point", "wish", "question"]
        assert [mark["left_out"] for mark in visit["marks"]] == [True, False]
        assert any(change["reason"] for change in whole["history"])

    def test_what_a_device_sends_after_signing_is_kept_and_changes_nothing_that_was_signed(self, client):
        def signed():
            answer = client.get(url("bram", "/log.json")).json()
            return {field: value for field, value in answer.items() if field != "additions"}

        before, done = signed(), page(client, "bram")["done"]
        late = [
            {"id": str(uuid4()), "at": (NOW + timedelta(hours=2)).isoformat(), **kind}
            for kind in (said("deeper", 3), {"kind": "halted", "reason": "safety"})
        ]
        assert client.post(url("bram", "/events"), json={"events": late}).status_code == 200
        assert signed() == before
        now = page(client, "bram")
        assert (now["done"], now["session"]["run"]["halted"]) == (done, None)
        assert [one["kind"] for one in now["late"]] == ["said", "halted"]
        assert all(one["received_at"] for one in now["late"])
        whole = client.get(f"/api/clients/{client_id(client, 'bram')}/record.json").json()
        kept = [event for visit in whole["visits"] for event in visit["events"] if event.get("after_signing")]
        assert [event["kind"] for event in kept] == ["said", "halted"]

    def test_a_tap_sent_again_with_other_content_is_refused_and_the_first_stands(self, client):
        tap = {"id": str(uuid4()), "at": (NOW + timedelta(hours=3)).isoformat(), **said("deeper", 3)}
        assert client.post(url("bram", "/events"), json={"events": [tap]}).status_code == 200
        assert client.post(url("bram", "/events"), json={"events": [tap]}).status_code == 200
        other = client.post(url("bram", "/events"), json={"events": [{**tap, "word": "lighter"}]})
        assert (other.status_code, other.json()["type"]) == (409, "urn:mellow-tide:problem:event-differs")
        assert len(page(client, "bram")["late"]) == 3

    def test_the_database_itself_refuses_a_revision_after_the_signed_one(self, client, app_dsn):
        at = demo_id("session 2026-05-04 bram")
        with (
            Database(app_dsn, most_connections=1) as db,
            pytest.raises(Conflict, match="session_log_signed"),
            db.transaction(Sight(PRACTICE_ID)) as t,
        ):
            add_log(t, at, 99, Log(note="Written over."), None)


def client_id(client, name):
    return client.get(url(name)).json()["client"]["client_id"]


def client_page(client, name):
    return client.get(f"/api/clients/{client_id(client, name)}").json()


def taught(client, name):
    return client.get(f"/api/clients/{client_id(client, name)}/learnt").json()


def another_session(client, app_dsn, name):
    """A session of the same client, four weeks later."""
    earlier = client.get(url(name)).json()
    made = uuid4()
    with Database(app_dsn, most_connections=1) as db, db.transaction(Sight(PRACTICE_ID)) as t:
        plan = Plan.model_validate(earlier["plan"])
        add_session(
            t,
            NewSession(
                made, UUID(earlier["client"]["client_id"]), THERAPIST_ID, NOW + timedelta(days=28), plan
            ),
        )
    return made


class TestOwnPace:
    """A pace is learnt from what was worked, and used only once it is accepted."""

    def test_it_is_shown_and_not_used(self, client):
        pace = client.get("/api/own-pace").json()
        assert pace["sessions"] >= 2
        assert pace["in_use"] == {}
        assert all(0.5 <= one["factor"] <= 2 for one in pace["learnt"] if one["trusted"])

    def test_accepted_it_changes_the_clock_of_what_is_to_come_and_of_nothing_that_was(self, client):
        before = {
            name: client.get(url(name)).json()["evaluation"]["sheet"]["seconds"]
            for name in ("corin", "ottilie")
        }
        accepted = client.put("/api/own-pace", json={"confirmed": []}).json()
        assert accepted["accepted_at"]
        assert accepted["in_use"]
        after = {
            name: client.get(url(name)).json()["evaluation"]["sheet"]["seconds"]
            for name in ("corin", "ottilie")
        }
        assert after["corin"] != before["corin"]
        assert after["ottilie"] == before["ottilie"]
        # A plan made now fits at this pace.
        brief = client.get(url("corin")).json()["plan"]["flow"]["brief"]
        revision = client.get(url("corin")).json()["revision"]
        made = client.put(
            url("corin", "/brief"), json={"revision": revision, "brief": brief, "anew": True}
        ).json()
        assert (
            abs(made["evaluation"]["sheet"]["seconds"] - made["evaluation"]["sheet"]["hands_on_seconds"])
            <= 15
        )
        back = client.delete("/api/own-pace").json()
        assert (back["in_use"], back["accepted_at"]) == ({}, None)

    def test_only_what_was_learnt_can_be_confirmed(self, client):
        refused = client.put("/api/own-pace", json={"confirmed": ["juggling"]})
        assert refused.json()["type"].endswith("unknown-factor")


def test_a_wish_for_a_region_outweighs_what_is_inferred_from_others(client):
    address = f"/api/clients/{client_id(client, 'corin')}/learnt/wishes/foot"
    assert client.put(address, json={"depth": 4, "reason": "feet firm"}).status_code == 200
    # Twice lighter on the back, and nothing said of the feet.
    work(client, "corin", said("lighter", 3), said("lighter", 2))
    save(client, "corin", sign=True)
    starts = {start["region"]: start for start in taught(client, "corin")["starts"]}
    assert (starts["foot"]["depth"], starts["foot"]["basis"]) == (4, "by_hand")
    assert starts["back"]["depth"] <= 2
    wishes = {wish["region"]: wish["depth"] for wish in client_page(client, "corin")["record"]["wishes"]}
    assert wishes["foot"] == 4
