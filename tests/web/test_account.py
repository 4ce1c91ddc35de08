"""The account of whoever is signed in: password, second factor, devices."""

from datetime import timedelta

import pyotp
import pytest

from mellow_tide.services.people.password_link import make_password_link
from mellow_tide.store.database import Database
from tests.web.conftest import a_practice, faults, problem

SABLE = a_practice("Sable Quarrymoor")
KEYS = {"email": SABLE["email"], "password": SABLE["password"]}
TABLET = (
    "Mozilla/5.0 (Linux; Android 14; K) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/138.0.0.0 Safari/537.36"
)


@pytest.fixture
def sable(served):
    """A browser in which somebody has just opened a practice."""
    client = served.browser()
    assert client.post("/api/door/practices", json=SABLE).status_code == 204
    return client


def later(served, seconds):
    served.now += timedelta(seconds=seconds)


class TestNameAndEmail:
    def test_a_name_is_changed_without_more_ado(self, sable):
        change = {"name": "Sable Quarry", "email": SABLE["email"]}
        assert sable.put("/api/account", json=change).status_code == 204
        assert sable.get("/api/me").json()["name"] == "Sable Quarry"

    def test_another_e_mail_wants_the_password(self, served, sable):
        change = {"name": SABLE["name"], "email": "New@quarrymoor.example"}
        assert faults(sable.put("/api/account", json=change)) == {"password": "wrong_password"}
        right = change | {"password": SABLE["password"]}
        assert sable.put("/api/account", json=right).status_code == 204
        assert sable.get("/api/account").json()["email"] == "new@quarrymoor.example"
        served.browser(email="new@quarrymoor.example", password=SABLE["password"])

    @pytest.mark.parametrize(
        ("email", "code"), [("sable", "not_an_email"), ("wenna@boatshed.example", "email_taken")]
    )
    def test_one_that_is_none_or_somebody_else_s_is_refused(self, sable, email, code):
        change = {"name": SABLE["name"], "email": email, "password": SABLE["password"]}
        assert faults(sable.put("/api/account", json=change)) == {"email": code}


class TestThePassword:
    def test_it_is_changed_with_the_old_one_and_other_devices_are_signed_out(self, served, sable):
        tablet = served.browser(agent=TABLET, **KEYS)
        change = {"old": SABLE["password"], "new": "quiet basalt ferry"}
        assert sable.put("/api/account/password", json=change).status_code == 204
        assert sable.get("/api/me").status_code == 200
        assert tablet.get("/api/me").status_code == 401
        served.browser(email=SABLE["email"], password="quiet basalt ferry")

    def test_a_wrong_old_one_and_a_weak_new_one_are_told_apart(self, sable):
        wrong = {"old": "not it at all", "new": "quiet basalt ferry"}
        assert faults(sable.put("/api/account/password", json=wrong)) == {"old": "wrong_password"}
        weak = {"old": SABLE["password"], "new": "quarrymoor"}
        assert faults(sable.put("/api/account/password", json=weak)) == {"new": "weak_password"}

    def test_whoever_sits_at_a_device_does_not_guess_it(self, sable):
        wrong = {"old": "not it at all", "new": "quiet basalt ferry"}
        answers = [sable.put("/api/account/password", json=wrong).status_code for _ in range(5)]
        assert answers == [422, 422, 422, 429, 429]


class TestDevices:
    def test_each_is_told_by_what_it_is_and_signed_out_alone(self, served, sable):
        later(served, 60)
        tablet = served.browser(agent=TABLET, **KEYS)
        devices = sable.get("/api/account").json()["devices"]
        assert [(one["device"], one["present"]) for one in devices] == [
            ("Chrome on Android", False),
            ("Firefox on Linux", True),
        ]
        gone = devices[0]["sign_in_id"]
        assert sable.delete(f"/api/account/devices/{gone}").status_code == 204
        assert tablet.get("/api/me").status_code == 401
        assert sable.get("/api/me").status_code == 200
        assert sable.delete(f"/api/account/devices/{gone}").status_code == 404

    def test_nobody_signs_out_somebody_else_s(self, served, sable):
        other = served.browser()
        assert other.post("/api/door/practices", json=a_practice("Ossian Quarrymoor")).status_code == 204
        theirs = other.get("/api/account").json()["devices"][0]["sign_in_id"]
        assert sable.delete(f"/api/account/devices/{theirs}").status_code == 404
        assert other.get("/api/me").status_code == 200

    def test_when_it_was_last_used_is_told_to_the_hour(self, served, sable):
        later(served, 2 * 3600)
        sable.get("/api/me")
        (device,) = sable.get("/api/account").json()["devices"]
        assert device["seen_at"] == served.now.isoformat().replace("+00:00", "Z")


class TestTheSecondFactor:
    @pytest.fixture
    def codes(self, served, sable):
        """Sable's recovery codes, and her app, after both agree."""
        proposed = sable.post("/api/account/second-factor", json={"password": SABLE["password"]}).json()
        assert proposed["qr_svg"].startswith("<svg")
        self.app = pyotp.TOTP(proposed["secret"])
        answer = sable.put("/api/account/second-factor", json={"code": self.app.at(served.now)})
        later(served, 60)
        return answer.json()["codes"]

    def test_it_is_asked_for_once_the_password_is_right(self, served, sable, codes):
        stranger = served.browser()
        wrong = {**KEYS, "password": "wrong"}
        assert problem(stranger.post("/api/sign-in", json=wrong), 401) == "sign-in-refused"
        assert problem(stranger.post("/api/sign-in", json=KEYS), 401) == "code-wanted"
        served.browser(**KEYS, code=self.app.at(served.now))

    def test_a_code_works_once_and_one_from_before_not_at_all(self, served, sable, codes):
        code, old = self.app.at(served.now), self.app.at(served.now - timedelta(seconds=90))
        assert problem(served.browser().post("/api/sign-in", json={**KEYS, "code": old}), 401) == "code-wrong"
        served.browser(**KEYS, code=f" {code[:3]} {code[3:]} ")
        assert (
            problem(served.browser().post("/api/sign-in", json={**KEYS, "code": code}), 401) == "code-wrong"
        )

    def test_a_clock_that_is_half_a_minute_off_does_not_keep_her_out(self, served, sable, codes):
        served.browser(**KEYS, code=self.app.at(served.now + timedelta(seconds=30)))

    def test_codes_are_not_guessed(self, served, sable, codes):
        stranger = served.browser()
        sent = [stranger.post("/api/sign-in", json={**KEYS, "code": f"{n:06}"}).status_code for n in range(5)]
        assert sent == [401, 401, 401, 429, 429]

    def test_a_recovery_code_opens_once_however_it_is_typed(self, served, sable, codes):
        assert len(set(codes)) == 10
        typed = codes[0].upper().replace("-", " ")
        served.browser(**KEYS, code=typed)
        again = served.browser().post("/api/sign-in", json={**KEYS, "code": codes[0]})
        assert problem(again, 401) == "code-wrong"
        assert sable.get("/api/account").json()["recovery_codes"] == 9

    def test_it_does_not_count_before_a_code_of_it_was_given(self, served, sable):
        sable.post("/api/account/second-factor", json={"password": SABLE["password"]})
        assert faults(sable.put("/api/account/second-factor", json={"code": "000000"})) == {
            "code": "wrong_code"
        }
        assert not sable.get("/api/account").json()["second_factor"]
        served.browser(**KEYS)

    def test_one_that_stands_is_not_replaced_by_whoever_sits_there(self, sable, codes):
        again = sable.post("/api/account/second-factor", json={"password": SABLE["password"]})
        assert problem(again, 409) == "second-factor-stands"

    def test_it_is_given_up_with_the_password(self, served, sable, codes):
        assert faults(sable.post("/api/account/second-factor/end", json={"password": "no"})) == {
            "password": "wrong_password"
        }
        right = {"password": SABLE["password"]}
        assert sable.post("/api/account/second-factor/end", json=right).status_code == 204
        served.browser(**KEYS)

    @pytest.mark.parametrize(("ends", "status"), [(False, 401), (True, 204)])
    def test_a_password_link_leaves_it_unless_the_phone_is_gone(
        self, served, sable, codes, owner_dsn, ends, status
    ):
        with Database(owner_dsn, most_connections=1, now=lambda: served.now) as owner:
            token = make_password_link(owner, SABLE["email"], ends)
        sent = {"token": token, "password": "quiet basalt ferry"}
        assert served.browser().put("/api/door/password", json=sent).status_code == 204
        new = {"email": SABLE["email"], "password": "quiet basalt ferry"}
        assert served.browser().post("/api/sign-in", json=new).status_code == status
