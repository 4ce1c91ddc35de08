import re
from datetime import UTC, datetime, timedelta

import pytest
from fastapi.testclient import TestClient

from mellow_tide.app import make_app
from mellow_tide.demo.people import PRACTICE_ID, THERAPIST_EMAIL, THERAPIST_PASSWORD, demo_id
from mellow_tide.services.door import UnknownOffer, read_offers
from mellow_tide.services.sign_in import SignInRefused, TooManyAttempts, find_holder, sign_in, sign_out
from mellow_tide.web.guard import COOKIE
from tests.conftest import NOW
from tests.web.conftest import ORIGIN

RIGHT = {"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD}


def problem(answer, status):
    assert answer.status_code == status
    assert answer.headers["content-type"] == "application/problem+json"
    return answer.json()["type"].rsplit(":", 1)[1]


def test_the_cookie_is_out_of_reach_of_scripts_and_other_sites(stranger):
    answer = stranger.post("/api/sign-in", json=RIGHT)
    cookie = answer.headers["set-cookie"].lower()
    assert "httponly" in cookie
    assert "samesite=strict" in cookie
    stranger.cookies.clear()


def test_every_route_but_signing_in_asks_who_it_is(stranger):
    paths = stranger.get("/api/openapi.json").json()["paths"]
    inside = [
        (path, method)
        for path, ways in paths.items()
        for method in ways
        if path not in ("/api/sign-in", "/api/ready") and not path.startswith("/api/intake/")
    ]
    assert len(inside) >= 8
    for path, method in inside:
        url = re.sub(r"\{\w+_id\}", "8263e649-d33f-5b58-946b-004267f3f1ea", path)
        assert problem(stranger.request(method.upper(), url, json={}), 401) == "not-signed-in", (path, method)


@pytest.mark.parametrize("origin", ["http://evil.example", "null", "", "http://testserver.evil.example"])
def test_a_write_from_a_foreign_page_is_refused(client, origin):
    answer = client.delete("/api/sign-in", headers={"Origin": origin})
    assert problem(answer, 403) == "foreign-origin"
    assert client.get("/api/me").status_code == 200


def test_signing_out_ends_it_on_the_server_too(stranger):
    stranger.post("/api/sign-in", json=RIGHT)
    token = stranger.cookies["tide_sign_in"]
    assert stranger.get("/api/me").json()["practice"] == "The Loft above the Boat Shed"
    stranger.delete("/api/sign-in")
    stranger.cookies.set("tide_sign_in", token)
    assert problem(stranger.get("/api/me"), 401) == "not-signed-in"
    stranger.cookies.clear()


@pytest.mark.parametrize(
    "wrong", [{**RIGHT, "password": "spring tide"}, {**RIGHT, "email": "nobody@nowhere.example"}]
)
def test_a_wrong_word_and_an_unknown_person_get_the_same_answer(stranger, wrong):
    assert problem(stranger.post("/api/sign-in", json=wrong), 401) == "sign-in-refused"


def test_attempts_are_slowed_and_the_right_password_does_not_help_while_waiting(db):
    def attempt(password, seconds):
        return sign_in(db, " WENNA@boatshed.example", password, "10.0.0.7", NOW + timedelta(seconds=seconds))

    for second in range(3):
        with pytest.raises(SignInRefused):
            attempt("wrong", second)
    with pytest.raises(TooManyAttempts) as slowed:
        attempt(THERAPIST_PASSWORD, 3)
    assert slowed.value.seconds == 1
    with pytest.raises(SignInRefused):
        attempt("wrong", 4)
    with pytest.raises(TooManyAttempts) as slowed:
        attempt("wrong", 5)
    assert slowed.value.seconds == 3
    # Another address is not held up, and after the pause the right password works and clears the slate.
    assert sign_in(db, THERAPIST_EMAIL, THERAPIST_PASSWORD, "10.0.0.8", NOW)
    assert attempt(THERAPIST_PASSWORD, 8)
    with pytest.raises(SignInRefused):
        attempt("wrong", 9)


def test_the_wait_is_told_to_the_browser(stranger):
    wrong = {"email": "slow@boatshed.example", "password": "x"}
    answers = [stranger.post("/api/sign-in", json=wrong) for _ in range(4)]
    assert problem(answers[-1], 429) == "too-many-attempts"
    assert int(answers[-1].headers["Retry-After"]) >= 1


def test_a_sign_in_expires(db):
    now = datetime.now(UTC)
    token = sign_in(db, THERAPIST_EMAIL, THERAPIST_PASSWORD, "10.0.0.9", now)
    assert find_holder(db, token, now + timedelta(days=13))
    assert find_holder(db, token, now + timedelta(days=15)) is None
    sign_out(db, token)
    assert find_holder(db, token, now) is None


def test_a_practice_that_is_shut_is_entered_by_nobody(stranger, app_dsn):
    """Neither by signing in, nor with a sign-in from before, nor by a link to an intake."""
    stranger.post("/api/sign-in", json=RIGHT)
    cookie = stranger.cookies["tide_sign_in"]
    linnet = demo_id("client linnet")
    link = stranger.post(f"/api/clients/{linnet}/intakes").json()["token"]
    stranger.cookies.clear()
    app = make_app(app_dsn, shut=frozenset({PRACTICE_ID}))
    with TestClient(app, headers=ORIGIN, raise_server_exceptions=False) as outside:
        assert problem(outside.post("/api/sign-in", json=RIGHT), 401) == "sign-in-refused"
        outside.cookies.set(COOKIE, cookie)
        assert problem(outside.get("/api/me"), 401) == "not-signed-in"
        opening = {"token": link, "key": "k" * 40}
        assert problem(outside.post("/api/intake/open", json=opening), 410) == "practice-shut"


@pytest.mark.parametrize(
    ("words", "offers"), [(None, {"demo"}), ("", set()), (" demo ,", {"demo"}), ("demo", {"demo"})]
)
def test_what_the_door_offers(words, offers):
    assert read_offers(words) == offers


def test_a_door_that_knows_no_such_offer_says_what_it_knows():
    with pytest.raises(UnknownOffer, match=r"“demos”.*use demo"):
        read_offers("demo,demos")
