"""The door: the demo, a practice of one's own, and a forgotten password."""

import threading
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta

import psycopg
import pytest

from mellow_tide.services.people.password_link import make_password_link
from mellow_tide.store.database import Database
from mellow_tide.store.errors import NotThere
from tests.conftest import NOW
from tests.web.conftest import a_practice, faults, problem

MORWEN = a_practice("Morwen Reedbank")


class TestTheDemo:
    def test_one_tap_leads_round_the_demo_which_says_that_it_is_shared(self, served):
        stranger = served.browser()
        assert stranger.post("/api/door/demo").status_code == 204
        me = stranger.get("/api/me").json()
        assert (me["practice"], me["demo"]) == ("The Loft above the Boat Shed", True)
        assert len(stranger.get("/api/day").json()["sessions"]) == 4

    def test_nobody_makes_it_their_own(self, served):
        stranger = served.browser()
        stranger.post("/api/door/demo")
        change = {"old": "slackwater", "new": "kelp harbour lantern"}
        assert problem(stranger.put("/api/account/password", json=change), 403) == "not-in-demo"
        assert problem(stranger.post("/api/people/invitations", json={"role": "owner"}), 403) == "not-in-demo"
        assert not {"change_password", "invite_person"} & set(stranger.get("/api/me").json()["may"])

    def test_nobody_sees_who_else_looks_round(self, served):
        one, other = served.browser(), served.browser()
        one.post("/api/door/demo")
        other.post("/api/door/demo")
        assert [device["present"] for device in other.get("/api/account").json()["devices"]] == [True]

    def test_where_it_is_not_offered_nobody_gets_in(self, served):
        stranger = served.browser("practices", "invited")
        assert stranger.get("/api/door").json()["offers"] == ["invited", "practices"]
        assert problem(stranger.post("/api/door/demo"), 403) == "not-offered"


class TestAPracticeOfOnesOwn:
    def test_it_is_opened_with_its_owner_signed_in_and_knows_nothing_of_others(self, served):
        stranger = served.browser()
        assert stranger.post("/api/door/practices", json=MORWEN).status_code == 204
        me = stranger.get("/api/me").json()
        assert me["practice"] == "Reedbank Room"
        assert (me["role"], me["time_zone"], me["country"]) == ("owner", "Europe/Lisbon", "PT")
        assert not me["demo"]
        assert stranger.get("/api/day").json()["sessions"] == []
        assert stranger.get("/api/clients").json() == []
        again = served.browser()
        credentials = {"email": " Morwen@Reedbank.example ", "password": MORWEN["password"]}
        assert again.post("/api/sign-in", json=credentials).status_code == 204
        assert again.get("/api/me").json()["name"] == "Morwen Reedbank"

    @pytest.mark.parametrize(
        ("wrong", "field", "code"),
        [
            ({"email": "morwen"}, "email", "not_an_email"),
            ({"email": "morwen@reedbank"}, "email", "not_an_email"),
            ({"email": "wenna@boatshed.example"}, "email", "email_taken"),
            ({"email": "WENNA@boatshed.example"}, "email", "email_taken"),
            ({"password": "kelp"}, "password", "short_password"),
            ({"password": "password123"}, "password", "weak_password"),
            ({"password": "reedbank1"}, "password", "weak_password"),
            ({"time_zone": "Middle/Earth"}, "time_zone", "unknown_time_zone"),
            ({"country": "XX"}, "country", "unknown_country"),
            ({"practice": "R" * 500}, "practice", "too_long"),
            ({"name": "M" * 500}, "name", "too_long"),
            ({"name": "   "}, "name", "unusable"),
        ],
    )
    def test_what_cannot_be_used_is_told_by_its_field_and_nothing_is_made(
        self, served, owner_count, wrong, field, code
    ):
        before = owner_count()
        answer = served.browser().post("/api/door/practices", json=MORWEN | wrong)
        assert faults(answer) == {field: code}
        assert owner_count() == before

    def test_every_fault_is_told_at_once(self, served):
        wrong = MORWEN | {"email": "morwen", "password": "kelp", "time_zone": "nowhere"}
        assert set(faults(served.browser().post("/api/door/practices", json=wrong))) == {
            "email",
            "password",
            "time_zone",
        }

    def test_of_two_at_once_with_one_e_mail_one_gets_it(self, served, owner_count):
        clients = [served.browser(), served.browser()]
        before, ready = owner_count(), threading.Barrier(2)

        def open_it(client):
            ready.wait()
            return client.post("/api/door/practices", json=MORWEN).status_code

        with ThreadPoolExecutor(2) as both:
            assert sorted(both.map(open_it, clients)) == [204, 422]
        assert owner_count() == before + 1

    def test_nobody_opens_them_by_the_hundred(self, served):
        stranger = served.browser()
        answers = [
            stranger.post("/api/door/practices", json=MORWEN | {"email": "x"}).status_code for _ in range(22)
        ]
        assert answers.count(422) == 20
        assert answers[-1] == 429

    def test_it_is_not_offered_everywhere(self, served):
        assert (
            problem(served.browser("invited").post("/api/door/practices", json=MORWEN), 403) == "not-offered"
        )


class TestAForgottenPassword:
    @pytest.fixture
    def link(self, served, owner_dsn):
        """Makes a link for Morwen, whose practice is open."""
        assert served.browser().post("/api/door/practices", json=MORWEN).status_code == 204

        def make(ends_second_factor=False):
            with Database(owner_dsn, most_connections=1, now=lambda: NOW) as owner:
                return make_password_link(owner, "Morwen@reedbank.example", ends_second_factor)

        return make

    def test_a_link_sets_a_new_one_once_and_signs_every_device_out(self, served, link):
        device = served.browser()
        device.post("/api/sign-in", json={key: MORWEN[key] for key in ("email", "password")})
        assert device.get("/api/me").status_code == 200
        token, stranger = link(), served.browser()
        sent = {"token": token, "password": "quiet basalt ferry"}
        assert stranger.put("/api/door/password", json=sent).status_code == 204
        assert problem(stranger.put("/api/door/password", json=sent), 410) == "password-link-over"
        assert device.get("/api/me").status_code == 401
        new = {"email": MORWEN["email"], "password": "quiet basalt ferry"}
        assert stranger.post("/api/sign-in", json=new).status_code == 204
        old = {"email": MORWEN["email"], "password": MORWEN["password"]}
        assert problem(served.browser().post("/api/sign-in", json=old), 401) == "sign-in-refused"

    def test_a_weak_one_does_not_use_the_link_up(self, served, link):
        token, stranger = link(), served.browser()
        answer = stranger.put("/api/door/password", json={"token": token, "password": "morwen123"})
        assert faults(answer) == {"password": "weak_password"}
        sent = {"token": token, "password": "quiet basalt ferry"}
        assert stranger.put("/api/door/password", json=sent).status_code == 204

    def test_it_works_for_a_day(self, served, link):
        token, stranger = link(), served.browser()
        served.now = NOW + timedelta(hours=25)
        sent = {"token": token, "password": "quiet basalt ferry"}
        assert problem(stranger.put("/api/door/password", json=sent), 410) == "password-link-over"

    def test_for_an_e_mail_that_nobody_has_there_is_none(self, owner_dsn):
        with Database(owner_dsn, most_connections=1) as owner, pytest.raises(NotThere):
            make_password_link(owner, "nobody@nowhere.example", False)


@pytest.fixture
def owner_count(superuser_dsn):
    """How many practices there are, and people in them."""

    def count():
        with psycopg.connect(superuser_dsn) as db:
            (practices,) = db.execute("SELECT count(*) FROM practice").fetchone()
            (people,) = db.execute("SELECT count(*) FROM person").fetchone()
        assert practices == people
        return practices

    return count
