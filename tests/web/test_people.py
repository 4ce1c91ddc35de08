"""Who works in a practice, and what each may do: the table of permissions, tried both ways for every operation."""

import re
from datetime import timedelta
from uuid import UUID, uuid4

import pytest

from mellow_tide.core.flow.brief import Brief, ClientFacts
from mellow_tide.core.planner.plan import plan
from mellow_tide.services.permissions import EVERYBODY, MAY, NOT_IN_DEMO, OWNERS
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.people import list_memberships
from mellow_tide.store.sessions import NewSession, add_session
from tests.conftest import NOW
from tests.settings import setting
from tests.web.conftest import a_practice, problem

OWNER = a_practice("Tamsin Alderweir")
IVO = {"name": "Ivo Marlpit", "email": "ivo@marlpit.example", "password": "seven kettles over dunes"}
OUTSIDE = ("/api/calendar/", "/api/door", "/api/sign-in", "/api/ready", "/api/intake/")


@pytest.fixture
def owner(served):
    client = served.browser()
    assert client.post("/api/door/practices", json=OWNER).status_code == 204
    return client


def invite(served, owner, role="therapist"):
    served.now += timedelta(minutes=1)
    answer = owner.post("/api/people/invitations", json={"role": role, "invited_for": "Ivo"})
    assert answer.status_code == 201
    return answer.json()["link"].split("#")[1]


@pytest.fixture
def therapist(served, owner):
    client = served.browser()
    assert client.post("/api/door/members", json={"token": invite(served, owner), **IVO}).status_code == 204
    return client


class TestAnInvitation:
    def test_it_says_what_it_is_to_and_brings_one_person_in(self, served, owner):
        token, newcomer = invite(served, owner), served.browser()
        assert newcomer.post("/api/door/invitation", json={"token": token}).json() == {
            "practice": "Alderweir Room",
            "role": "therapist",
            "invited_for": "Ivo",
            "made_by": "Tamsin Alderweir",
        }
        assert len(owner.get("/api/people").json()["invitations"]) == 1
        assert newcomer.post("/api/door/members", json={"token": token, **IVO}).status_code == 204
        me = newcomer.get("/api/me").json()
        assert (me["practice"], me["role"], me["name"]) == ("Alderweir Room", "therapist", "Ivo Marlpit")
        people = owner.get("/api/people").json()
        assert [(one["name"], one["role"]) for one in people["members"]] == [
            ("Tamsin Alderweir", "owner"),
            ("Ivo Marlpit", "therapist"),
        ]
        assert people["invitations"] == []
        again = served.browser().post("/api/door/members", json={"token": token, **IVO})
        assert problem(again, 410) == "invitation-over"

    def test_a_weak_password_does_not_use_it_up(self, served, owner):
        token, newcomer = invite(served, owner), served.browser()
        weak = newcomer.post("/api/door/members", json={"token": token, **IVO, "password": "marlpit1"})
        assert weak.status_code == 422
        taken = newcomer.post("/api/door/members", json={"token": token, **IVO, "email": OWNER["email"]})
        assert taken.json()["errors"][0]["code"] == "email_taken"
        assert newcomer.post("/api/door/members", json={"token": token, **IVO}).status_code == 204

    def test_it_ends_after_a_week_or_when_it_is_withdrawn(self, served, owner):
        token, other = invite(served, owner), invite(served, owner)
        (first, _) = owner.get("/api/people").json()["invitations"]
        gone = f"/api/people/invitations/{first['invitation_id']}"
        assert owner.delete(gone).status_code == 204
        assert owner.delete(gone).status_code == 404
        stranger = served.browser()
        assert problem(stranger.post("/api/door/invitation", json={"token": token}), 410) == "invitation-over"
        served.now += timedelta(days=8)
        assert problem(stranger.post("/api/door/invitation", json={"token": other}), 410) == "invitation-over"


class TestAMember:
    def test_each_has_a_day_of_their_own_with_the_same_clients(self, owner, therapist, superuser_dsn):
        added = owner.post("/api/clients", json={"name": "Pell Dunmarsh"}).json()
        assert added["client_id"] in [one["client_id"] for one in therapist.get("/api/clients").json()]
        ivo = UUID(owner.get("/api/people").json()["members"][1]["person_id"])
        made = plan(Brief(booked_minutes=60), setting(ClientFacts()))
        with Database(superuser_dsn, most_connections=1) as db:
            with db.transaction(Sight(person=ivo)) as t:
                practice = list_memberships(t, ivo)[0].practice_id
            with db.transaction(Sight(practice, ivo)) as t:
                add_session(t, NewSession(uuid4(), UUID(added["client_id"]), ivo, NOW, made))
        day = {"day": NOW.date().isoformat()}
        his, hers = (who.get("/api/day", params=day).json() for who in (therapist, owner))
        assert [session["client_name"] for session in his["sessions"]] == ["Pell Dunmarsh"]
        assert his["next_action"]["action"] == "plan"
        assert hers["sessions"] == []

    def test_a_session_is_given_to_another_therapist_and_taken_from_the_first(self, owner, therapist):
        tamsin, ivo = (one["person_id"] for one in owner.get("/api/people").json()["members"])
        day = {"day": NOW.date().isoformat()}
        start = {"day": day["day"], "at": "14:00"}
        booking = {
            "session_id": str(uuid4()),
            "new_name": "Pell Dunmarsh",
            "kind": "full_body",
            "start": start,
        }
        made = owner.post("/api/bookings", json=booking).raise_for_status().json()
        url = f"/api/sessions/{made['session_id']}/booking"
        given = owner.put(url, json={"revision": made["revision"], "move": {"person_id": ivo}})
        assert given.status_code == 200, given.text
        his, hers = (who.get("/api/day", params=day).json() for who in (therapist, owner))
        assert [session["client_name"] for session in his["sessions"]] == ["Pell Dunmarsh"]
        assert hers["sessions"] == []
        # The client is with him: at the same hour she cannot be booked elsewhere without a word.
        again = {**booking, "session_id": str(uuid4()), "new_name": None}
        again["client_id"] = made["client"]["client_id"]
        assert "another session at that time" in owner.post("/api/bookings", json=again).json()["detail"]
        back = {"revision": given.json()["revision"], "move": {"person_id": tamsin}}
        assert therapist.put(url, json=back).status_code == 200

    def test_whoever_is_let_go_is_signed_out_and_gets_in_no_more(self, served, owner, therapist):
        ivo = owner.get("/api/people").json()["members"][1]["person_id"]
        assert owner.delete(f"/api/people/{ivo}").status_code == 204
        assert therapist.get("/api/me").status_code == 401
        keys = {key: IVO[key] for key in ("email", "password")}
        assert problem(served.browser().post("/api/sign-in", json=keys), 401) == "sign-in-refused"
        assert len(owner.get("/api/people").json()["members"]) == 1

    def test_a_practice_keeps_an_owner(self, owner, therapist):
        tamsin, ivo = (one["person_id"] for one in owner.get("/api/people").json()["members"])
        assert problem(owner.delete(f"/api/people/{tamsin}"), 409) == "last-owner"
        role = {"role": "therapist"}
        assert problem(owner.put(f"/api/people/{tamsin}/role", json=role), 409) == "last-owner"
        assert owner.put(f"/api/people/{ivo}/role", json={"role": "owner"}).status_code == 204
        assert owner.put(f"/api/people/{tamsin}/role", json=role).status_code == 204
        assert therapist.get("/api/me").json()["role"] == "owner"
        assert problem(owner.delete(f"/api/people/{ivo}"), 403) == "not-permitted"

    def test_nobody_reaches_the_people_of_another_practice(self, served, owner, client):
        wenna = client.get("/api/me").json()["person_id"]
        assert owner.delete(f"/api/people/{wenna}").status_code == 404
        assert owner.put(f"/api/people/{wenna}/role", json={"role": "therapist"}).status_code == 404
        assert client.get("/api/me").json()["role"] == "owner"


def operations(client):
    """Every operation inside: its name, its method and its path."""
    for path, ways in client.get("/api/openapi.json").json()["paths"].items():
        if not path.startswith(OUTSIDE):
            for method, told in ways.items():
                yield told["operationId"], method.upper(), path


class TestWhatEachMayDo:
    def test_every_operation_stands_in_the_table_once(self, stranger):
        names = {name for name, _, _ in operations(stranger)}
        assert names == OWNERS | EVERYBODY
        assert not OWNERS & EVERYBODY
        assert names >= NOT_IN_DEMO

    @pytest.mark.parametrize("role", ["owner", "therapist"])
    def test_what_the_table_allows_is_let_through_and_nothing_else(self, role, owner, therapist):
        asking = {"owner": owner, "therapist": therapist}[role]
        tried = 0
        # Nothing is there under these ids: whatever is let through finds nothing to change.
        for name, method, path in operations(owner):
            url = re.sub(r"\{(\w+)\}", lambda _: str(uuid4()), path)
            answer = asking.request(
                method, url, json={"unknown": True} if method in ("POST", "PUT") else None
            )
            assert ("not-permitted" in answer.text) == (name not in MAY[role]), (name, answer.status_code)
            tried += 1
        assert tried > 80

    def test_what_one_may_is_told_with_who_one_is(self, owner, therapist):
        assert set(owner.get("/api/me").json()["may"]) == OWNERS | EVERYBODY
        assert set(therapist.get("/api/me").json()["may"]) == EVERYBODY

    def test_the_practice_is_renamed_by_its_owner(self, owner):
        change = {"name": "Alder House", "time_zone": "Europe/Oslo", "country": "NO"}
        assert owner.put("/api/practice", json=change).status_code == 204
        assert owner.get("/api/me").json()["practice"] == "Alder House"
        wrong = owner.put("/api/practice", json=change | {"time_zone": "Moon/Sea"})
        assert wrong.json()["errors"][0]["field"] == "time_zone"
        owner.put("/api/practice", json=change | {"name": "Alderweir Room"})
