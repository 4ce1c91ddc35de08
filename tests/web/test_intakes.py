"""Intakes over HTTP: the link opens once, what is filled in is kept, and the therapist reads it."""

import json
from datetime import UTC, datetime, timedelta

import psycopg
import pytest
from psycopg.types.json import Jsonb

from mellow_tide.demo.people import HOUSE, PRACTICE_ID
from mellow_tide.store.database import Sight, look_through
from tests.web.test_clients import client_of
from tests.web.test_sessions import fields

OTHER_ID = "00000000-0000-0000-0000-000000000001"
OTHER_KEY = "b" * 40


@pytest.fixture
def link(client):
    """A fresh link for Corin."""
    made = client.post(f"/api/clients/{client_of(client, 'Corin')['client_id']}/intakes")
    assert made.status_code == 201
    return made.json()


def key_of(link):
    """The key of the device that opens a link: one of its own for each."""
    return link["token"][::-1]


def opened(stranger, link, key=None):
    return stranger.post("/api/intake/open", json={"token": link["token"], "key": key or key_of(link)})


def filled(stranger, link, sequence, answers, path="/answers", method="PUT"):
    body = {"key": key_of(link), "sequence": sequence, "answers": answers}
    return stranger.request(method, f"/api/intake{path}", json=body)


def handed_in(stranger, link, answers):
    opened(stranger, link)
    assert filled(stranger, link, 9, answers, path="/hand-in", method="POST").status_code == 204


def ended(answer, status, code):
    assert (answer.status_code, answer.json()["type"]) == (status, f"urn:mellow-tide:problem:{code}")


def test_the_link_opens_on_one_device_only_and_there_as_often_as_it_likes(stranger, link):
    assert link["link"].startswith("http://localhost/intake#")
    assert link["token"] in link["link"]
    assert link["qr_svg"].startswith("<svg")
    assert opened(stranger, link).status_code == 200
    assert opened(stranger, link).status_code == 200
    ended(opened(stranger, link, OTHER_KEY), 409, "link-used")
    assert stranger.post("/api/intake/form", json={"key": key_of(link)}).status_code == 200
    ended(stranger.post("/api/intake/form", json={"key": OTHER_KEY}), 410, "link-ended")
    # The link itself is no key: with it alone nobody reads what was filled in.
    as_key = link["token"].ljust(32, "x")
    ended(stranger.post("/api/intake/form", json={"key": as_key}), 410, "link-ended")


def test_the_form_shows_nothing_of_anybody(stranger, link):
    text = opened(stranger, link, "c" * 40).text
    for told in ("Corin", "Foghollow", "contact_lenses_on_record", "Ottilie", "Talks until"):
        assert told not in text
    assert "The Loft above the Boat Shed" in text


def test_a_link_of_last_week_and_one_that_never_was_are_closed(stranger, link, owner_dsn):
    ended(stranger.post("/api/intake/open", json={"token": "x" * 32, "key": OTHER_KEY}), 410, "link-ended")
    with psycopg.connect(owner_dsn) as c:
        look_through(c, Sight(PRACTICE_ID))
        c.execute("UPDATE intake SET expires_at = %s", (datetime.now(UTC) - timedelta(seconds=1),))
    ended(opened(stranger, link), 410, "link-ended")


def test_what_is_filled_in_is_kept_and_an_older_saving_that_comes_late_changes_nothing(stranger, link):
    opened(stranger, link)
    assert filled(stranger, link, 2, {"address_as": "Cory", "talk": "quiet"}).json()["problems"] == []
    assert filled(stranger, link, 1, {"address_as": "C"}).status_code == 200
    form = stranger.post("/api/intake/form", json={"key": key_of(link)}).json()
    assert (form["sequence"], form["answers"]["address_as"], form["answers"]["talk"]) == (2, "Cory", "quiet")


def test_what_cannot_be_right_is_said_and_kept_but_not_handed_in(stranger, link):
    opened(stranger, link)
    wrong = {"pregnant": "yes", "due_date": "1999-01-01"}
    (problem,) = filled(stranger, link, 1, wrong).json()["problems"]
    assert problem["field"] == "due_date"
    refused = filled(stranger, link, 2, wrong, path="/hand-in", method="POST")
    assert "due_date" in fields(refused)
    assert stranger.post("/api/intake/form", json={"key": key_of(link)}).json()["handed_in"] is False
    assert "birth_year" in fields(filled(stranger, link, 3, {"birth_year": 12}))
    assert "shoe_size" in fields(filled(stranger, link, 3, {"shoe_size": 44}))


def test_it_is_handed_in_once_and_stands(stranger, client, link):
    assert client.get(f"/api/intakes/{link['intake_id']}").status_code == 404
    handed_in(stranger, link, {"talk": "quiet"})
    # An answer that got lost is asked for again: the same once more is no fault, anything else is.
    assert filled(stranger, link, 9, {"talk": "quiet"}, path="/hand-in", method="POST").status_code == 204
    ended(filled(stranger, link, 10, {"talk": "talk"}, path="/hand-in", method="POST"), 409, "handed-in")
    ended(filled(stranger, link, 11, {"talk": "talk"}), 409, "handed-in")
    items = client.get(f"/api/intakes/{link['intake_id']}").json()["items"]
    assert [(one["item"]["id"], one["item"]["answer"]) for one in items] == [("talk", "Quiet")]


def test_what_is_handed_in_is_what_was_looked_at_and_never_older_answers(stranger, client, link):
    """Older answers used to be looked at, and newer ones, never looked at, to be handed in."""
    opened(stranger, link)
    filled(stranger, link, 5, {"conditions": {"today": ["dropsy"]}})
    older = filled(stranger, link, 4, {"talk": "quiet"}, path="/hand-in", method="POST")
    ended(older, 409, "answers-out-of-turn")
    assert stranger.post("/api/intake/form", json={"key": key_of(link)}).json()["handed_in"] is False
    ahead = filled(stranger, link, 900_000, {"talk": "quiet"}, path="/hand-in", method="POST")
    ended(ahead, 409, "answers-out-of-turn")
    ended(filled(stranger, link, 900_000, {"talk": "quiet"}), 409, "answers-out-of-turn")
    assert filled(stranger, link, 6, {"talk": "quiet"}, path="/hand-in", method="POST").status_code == 204
    items = client.get(f"/api/intakes/{link['intake_id']}").json()["items"]
    assert [one["item"]["id"] for one in items] == ["talk"]


def test_a_form_stored_with_an_answer_nobody_knows_can_still_be_read(stranger, client, link, owner_dsn):
    handed_in(stranger, link, {"talk": "quiet"})
    with psycopg.connect(owner_dsn) as c:
        look_through(c, Sight(PRACTICE_ID))
        stray = json.dumps(
            {
                "conditions": {"today": ["dropsy"]},
                "condition_places": [{"condition": "eczema", "places": [{"region": "tail"}]}],
                "consents": {"tail": "yes"},
                "excluded": [{"region": "tail"}],
                "wishes": [{"region": "tail", "depth": 3}],
                "talk": "quiet",
            }
        )
        c.execute("UPDATE intake SET answers = %s WHERE intake_id = %s", (stray, link["intake_id"]))
    review = client.get(f"/api/intakes/{link['intake_id']}")
    assert [one["item"]["id"] for one in review.json()["items"]] == ["talk"]


def test_a_link_is_withdrawn_and_what_was_handed_in_stays(stranger, client, link):
    opened(stranger, link)
    filled(stranger, link, 1, {"talk": "quiet"})
    assert client.post(f"/api/intakes/{link['intake_id']}/withdraw").status_code == 204
    ended(opened(stranger, link), 410, "link-ended")
    ended(filled(stranger, link, 2, {"talk": "talk"}), 410, "link-ended")
    assert client.post(f"/api/intakes/{OTHER_ID}/withdraw").status_code == 404


def test_each_answer_is_accepted_or_questioned_and_only_the_accepted_change_the_record(
    stranger, client, link
):
    answers = {
        "conditions": {"usual": ["varicose_veins", "eczema"]},
        "condition_places": [{"condition": "eczema", "places": []}],
        "wishes": [{"region": "lower_leg_back", "depth": 4}],
        "consents": {"face": "no"},
        "medicines": "aspirin",
    }
    handed_in(stranger, link, answers)
    url = f"/api/intakes/{link['intake_id']}"
    review = client.get(url).json()
    meant = {one["item"]["id"]: one["item"]["means"] for one in review["items"]}
    assert meant["wishes lower_leg_back"] == "Held to depth 2: varicose veins."
    sent = {id: {"verdict": "accepted"} for id in meant if id != "medicines"}
    half = client.post(f"{url}/verdicts", json={"verdicts": sent}).json()
    assert half["reviewed_at"] is None
    asked = {"medicines": {"verdict": "questioned", "note": "How much, and why?"}}
    done = client.post(f"{url}/verdicts", json={"verdicts": asked}).json()
    assert done["reviewed_at"]
    page = client_of(client, "Corin")
    assert {"varicose_veins", "eczema"} <= set(page["record"]["conditions"])
    assert page["record"]["medicines"] == ""
    assert page["since"]["consents face"]["source"] == "intake"
    assert [(one["item"]["id"], one["note"]) for one in page["to_ask"]] == [
        ("medicines", "How much, and why?")
    ]
    client.post(f"{url}/verdicts", json={"verdicts": {"medicines": {"verdict": "settled"}}})
    assert client_of(client, "Corin")["to_ask"] == []
    stray = client.post(f"{url}/verdicts", json={"verdicts": {"tail": {"verdict": "accepted"}}})
    assert "verdicts" in fields(stray)


def test_an_answer_once_accepted_does_not_come_back_over_what_was_told_later(stranger, client, link):
    handed_in(stranger, link, {"talk": "talk", "music": "none"})
    url = f"/api/intakes/{link['intake_id']}/verdicts"
    client.post(url, json={"verdicts": {"talk": {"verdict": "accepted"}}})
    page = client_of(client, "Corin")
    record = {**page["record"], "talk": "quiet"}
    client.put(f"/api/clients/{page['client_id']}", json={"revision": page["revision"], "record": record})
    client.post(url, json={"verdicts": {"talk": {"verdict": "accepted"}, "music": {"verdict": "accepted"}}})
    record = client_of(client, "Corin")["record"]
    assert (record["talk"], record["music"]) == ("quiet", "none")


def test_a_session_says_that_an_intake_waits_to_be_read(stranger, client, link):
    handed_in(stranger, link, {"talk": "quiet"})
    sessions = client.get("/api/day?day=2026-05-04").json()["sessions"]
    waiting = {one["client_name"]: one["unread_intake"] for one in sessions}
    assert waiting["Corin Foghollow"]
    assert waiting["Bram Lanternby"] is None


def test_the_review_goes_by_the_house_of_the_practice(client, stranger, link, owner_dsn):
    early = {"pregnant": "yes", "last_period": (datetime.now(UTC) - timedelta(weeks=8)).date().isoformat()}
    handed_in(stranger, link, early)

    def level():
        items = client.get(f"/api/intakes/{link['intake_id']}").json()["items"]
        return next(one["item"]["level"] for one in items if one["item"]["id"] == "pregnant")

    def choose(rules):
        with psycopg.connect(owner_dsn) as c:
            look_through(c, Sight(PRACTICE_ID))
            c.execute("UPDATE practice SET house = %s", [Jsonb({"rules": rules, "seconds": {}})])

    assert level() == "adapt"
    choose({**HOUSE.rules, "first_trimester": "decline"})
    assert level() == "refer"
    choose(HOUSE.rules)
