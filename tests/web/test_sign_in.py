import re
import threading
import time
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta

import psycopg
import pytest
from fastapi.testclient import TestClient

from mellow_tide.app import make_app
from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_ID, THERAPIST_PASSWORD, demo_id
from mellow_tide.services.door import BadSetting, read_offers
from mellow_tide.services.people.attempts import (
    HASHED_AT_ONCE,
    WAITING_FOR_HASH,
    Caller,
    TooManyAttempts,
    taking_turns,
)
from mellow_tide.services.people.sign_in import Credentials, SignInRefused, find_holder, sign_in, sign_out
from mellow_tide.store.database import Database
from mellow_tide.web.guard import SIGN_IN
from tests.conftest import NOW
from tests.web.conftest import BASE, ORIGIN, problem

RIGHT = {"email": THERAPIST_EMAIL, "password": THERAPIST_PASSWORD}


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
        if not path.startswith(("/api/door", "/api/sign-in", "/api/ready", "/api/intake/", "/api/calendar/"))
    ]
    assert len(inside) >= 8
    for path, method in inside:
        url = re.sub(r"\{\w+_id\}", "8263e649-d33f-5b58-946b-004267f3f1ea", path)
        assert problem(stranger.request(method.upper(), url, json={}), 401) == "not-signed-in", (path, method)


@pytest.mark.parametrize(
    "origin",
    [
        "http://evil.example",
        "null",
        "",
        "http://localhost.evil.example",
        "https://localhost",
        "http://localhost:80",
    ],
)
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


class Clocked:
    """The door at a time of our own."""

    def __init__(self, app_dsn):
        self.now = NOW
        self.db = Database(app_dsn, most_connections=12, now=lambda: self.now)

    def enter(self, password=THERAPIST_PASSWORD, email=THERAPIST_EMAIL, came_by="10.0.0.7", browser="", at=0):
        self.now = NOW + timedelta(seconds=at)
        return sign_in(self.db, Credentials(email, password), Caller(came_by, browser))

    def is_refused(self, **given):
        with pytest.raises(SignInRefused):
            self.enter("wrong", **given)

    def waits(self, **given):
        with pytest.raises(TooManyAttempts) as slowed:
            self.enter(**given)
        return slowed.value.seconds


@pytest.fixture
def door(app_dsn, superuser_dsn):
    with psycopg.connect(superuser_dsn) as db:
        db.execute("DELETE FROM sign_in_attempt")
    door = Clocked(app_dsn)
    with door.db:
        yield door


def test_attempts_are_slowed_and_the_right_password_does_not_help_while_waiting(door):
    for second in range(3):
        door.is_refused(at=second, email=" WENNA@boatshed.example")
    assert door.waits(at=3) == 1
    door.is_refused(at=4)
    assert door.waits(at=5) == 3
    # After the pause the right password works and clears the slate.
    assert door.enter(at=8)
    door.is_refused(at=9)


def test_another_address_each_time_helps_nobody(door):
    for second in range(3):
        door.is_refused(at=second, came_by=f"10.0.1.{second}")
    assert door.waits(at=3, came_by="10.9.9.9") > 0


def test_another_account_each_time_is_slowed_by_the_address(door):
    for n in range(20):
        door.is_refused(at=n, email=f"client{n}@letters.example", came_by="2001:db8::7")
    assert door.waits(at=20, email="one.more@letters.example", came_by="2001:db8::99") > 0
    door.is_refused(at=20, email="one.more@letters.example", came_by="10.0.2.1")


def test_an_account_of_one_s_own_does_not_clear_the_address(door):
    for n in range(20):
        door.is_refused(at=2 * n, email=f"client{n}@letters.example", came_by="10.0.3.1")
        if n < 19:
            door.enter(at=2 * n + 1, came_by="10.0.3.1")
    assert door.waits(at=39, email="one.more@letters.example", came_by="10.0.3.1") > 0


def test_strangers_do_not_keep_the_owner_out_of_her_own_browser(door):
    """As long as they go on, whoever holds what an earlier sign-in left is counted by herself."""
    browser = door.enter(at=0).browser
    for second in range(1, 4):
        door.is_refused(at=second)
    assert door.waits(at=4) > 0
    assert door.enter(at=4, browser=browser).browser == browser
    assert door.waits(at=4, browser="somebody else’s") > 0
    # Such a browser does not let anybody try without end either.
    for second in range(5, 8):
        door.is_refused(at=second, browser=browser)
    assert door.waits(at=8, browser=browser) > 0


def test_many_at_once_are_counted_before_any_is_answered(door):
    def try_once(_):
        try:
            door.enter("wrong")
        except (SignInRefused, TooManyAttempts) as refused:
            return type(refused)

    with ThreadPoolExecutor(12) as at_once:
        answers = list(at_once.map(try_once, range(12)))
    assert answers.count(SignInRefused) == 3
    assert answers.count(TooManyAttempts) == 9


def test_a_clock_that_is_set_back_keeps_nobody_waiting(door):
    for day in range(3):
        door.is_refused(at=86_400 * 400 + day)
    assert door.enter(at=0)


def test_few_passwords_are_hashed_at_one_time_and_few_wait(door):
    """Each takes 64 MB; more than can wait are sent away at once."""
    inside, most, lock = 0, 0, threading.Lock()

    def hash_slowly():
        nonlocal inside, most
        with taking_turns():
            with lock:
                inside += 1
                most = max(most, inside)
            time.sleep(0.05)
            with lock:
                inside -= 1

    def ask(_):
        try:
            hash_slowly()
        except TooManyAttempts:
            return "sent away"
        return "hashed"

    with ThreadPoolExecutor(30) as at_once:
        answers = list(at_once.map(ask, range(30)))
    assert most <= HASHED_AT_ONCE
    assert "sent away" in answers
    assert answers.count("hashed") >= HASHED_AT_ONCE + WAITING_FOR_HASH


def test_what_is_over_is_pruned(door, superuser_dsn):
    door.is_refused(at=0)
    door.enter(at=1)
    assert door.enter(at=86_400 * 30)
    with psycopg.connect(superuser_dsn) as db:
        old = NOW + timedelta(days=15)
        assert db.execute("SELECT count(*) FROM sign_in WHERE expires_at < %s", [old]).fetchone() == (0,)
        assert db.execute("SELECT count(*) FROM sign_in_attempt WHERE at < %s", [old]).fetchone() == (0,)


def test_what_touches_safety_is_written_down_without_a_word_of_anybody(door, client, superuser_dsn):
    door.is_refused(at=0)
    held = door.enter(at=1)
    sign_out(door.db, held.token)
    linnet = demo_id("client linnet")
    client.get("/api/clients-out/cards")
    client.get(f"/api/clients/{linnet}/record.json")
    with psycopg.connect(superuser_dsn) as db:
        rows = db.execute("SELECT kind, what, person_id FROM security_event ORDER BY event_id").fetchall()
    kinds = [kind for kind, _, _ in rows]
    assert kinds[-2:] == ["exported", "exported"]
    assert {"signed_in", "sign_in_failed", "signed_out"} <= set(kinds)
    assert {what for _, what, _ in rows} <= {"", "all contacts", "whole record"}
    assert all(person == THERAPIST_ID for kind, _, person in rows if kind == "exported")


def test_the_wait_is_told_to_the_browser(stranger):
    wrong = {"email": "slow@boatshed.example", "password": "x"}
    answers = [stranger.post("/api/sign-in", json=wrong) for _ in range(4)]
    assert problem(answers[-1], 429) == "too-many-attempts"
    assert int(answers[-1].headers["Retry-After"]) >= 1


def test_a_sign_in_expires(door):
    token = door.enter().token
    assert find_holder(door.db, token, NOW + timedelta(days=13))
    assert find_holder(door.db, token, NOW + timedelta(days=15)) is None
    sign_out(door.db, token)
    assert find_holder(door.db, token, NOW) is None


def test_a_practice_that_is_shut_is_entered_by_nobody(stranger, app_dsn):
    """Neither by signing in, nor with a sign-in from before, nor by a link to an intake."""
    stranger.post("/api/sign-in", json=RIGHT)
    cookie = stranger.cookies["tide_sign_in"]
    linnet = demo_id("client linnet")
    link = stranger.post(f"/api/clients/{linnet}/intakes").json()["token"]
    stranger.cookies.clear()
    app = make_app(app_dsn, offers=frozenset({"practices"}))
    with TestClient(app, base_url=BASE, headers=ORIGIN, raise_server_exceptions=False) as outside:
        assert problem(outside.post("/api/sign-in", json=RIGHT), 401) == "sign-in-refused"
        outside.cookies.set(SIGN_IN, cookie)
        assert problem(outside.get("/api/me"), 401) == "not-signed-in"
        opening = {"token": link, "key": "k" * 40}
        assert problem(outside.post("/api/intake/open", json=opening), 410) == "practice-shut"


@pytest.mark.parametrize(
    ("words", "elsewhere", "offers"),
    [
        (None, False, {"demo", "practices", "invited"}),
        (None, True, {"invited"}),
        ("", False, set()),
        (" demo ,", False, {"demo"}),
        ("practices,demo", True, {"demo", "practices"}),
    ],
)
def test_what_the_door_offers(words, elsewhere, offers):
    assert read_offers(words, elsewhere) == offers


def test_a_door_that_knows_no_such_offer_says_what_it_knows():
    with pytest.raises(BadSetting, match=r"“demos”.*use demo, practices, invited"):
        read_offers("demo,demos")
