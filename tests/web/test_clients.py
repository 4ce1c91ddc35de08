"""Clients: found again, added, described."""

from datetime import date, timedelta
from uuid import uuid4

import psycopg
import pytest

from mellow_tide.demo.people import CLIENTS, PRACTICE_ID
from mellow_tide.store.database import Sight, look_through
from tests.web.test_sessions import fields, url


def found(client, typed, **more):
    answer = client.get("/api/clients", params={"typed": typed, **more})
    assert answer.status_code == 200
    return [one["name"] for one in answer.json()]


@pytest.fixture
def newcomer(client):
    answer = client.post("/api/clients", json={"name": "  Tamsin Ropewalk ", "phone": "+44 (0)1326 555-019"})
    assert answer.status_code == 201
    page = answer.json()
    yield page
    now = client.get(f"/api/clients/{page['client_id']}").json()
    away = {
        "revision": now["revision"],
        "record": {**now["record"], "name": "Gone", "phone": "", "archived": True},
    }
    client.put(f"/api/clients/{page['client_id']}", json=away)


def test_all_are_found_by_nothing_and_in_order(client):
    names = found(client, "")
    assert names == sorted(names)
    assert set(names) >= {one.name for one in CLIENTS.values()}


@pytest.mark.parametrize(
    ("typed", "first"),
    [
        ("ott", "Ottilie Saltgrove"),
        ("SALTGROVE", "Ottilie Saltgrove"),
        ("otilie", "Ottilie Saltgrove"),
        ("gulander", "Piet Gullander"),
        ("ysolde kelpworth", "Isolde Kelpworth"),
        ("xttilie", "Ottilie Saltgrove"),
        ("ankle sprain", "Piet Gullander"),
        ("isolde kelp", "Isolde Kelpworth"),
    ],
)
def test_a_client_is_found_by_a_part_a_typo_or_a_noted_word(client, typed, first):
    assert found(client, typed)[0] == first


@pytest.mark.parametrize("typed", ["xyzzy", "%", "_", "\\", "'; DROP TABLE client"])
def test_nobody_is_found_by_nonsense_and_no_letter_is_a_wild_card(client, typed):
    assert found(client, typed) == []


def test_a_client_is_added_in_one_line_and_found_by_digits(client, newcomer):
    assert newcomer["record"]["name"] == "Tamsin Ropewalk"
    assert found(client, "555 019") == ["Tamsin Ropewalk"]
    assert found(client, "01326555") == ["Tamsin Ropewalk"]
    assert found(client, "99") == []
    assert "name" in fields(client.post("/api/clients", json={"name": "  "}))


def test_a_client_is_described_put_away_and_not_overwritten(client, newcomer):
    url = f"/api/clients/{newcomer['client_id']}"
    contact = {**newcomer["record"], "note": "Sleeps after ten minutes.", "archived": True}
    made = client.put(url, json={"revision": newcomer["revision"], "record": contact}).json()
    assert made["record"] == contact
    assert client.put(url, json={"revision": newcomer["revision"], "record": contact}).status_code == 409
    assert "Tamsin Ropewalk" not in found(client, "tamsin")
    assert found(client, "tamsin", archived=True) == ["Tamsin Ropewalk"]
    bad = {**contact, "height_cm": 40}
    assert "height_cm" in fields(client.put(url, json={"revision": made["revision"], "record": bad}))


def test_the_page_says_what_to_know_before_touching(client):
    listed = client.get("/api/clients", params={"typed": "Piet"}).json()[0]
    page = client.get(f"/api/clients/{listed['client_id']}").json()
    assert page["record"]["know_first"] == "Old ankle sprain on the right."
    assert [reason["name"] for reason in page["restrictions"]["reasons"]] == ["high blood pressure, treated"]
    ottilie = client.get("/api/clients", params={"typed": "Ottilie"}).json()[0]
    page = client.get(f"/api/clients/{ottilie['client_id']}").json()
    assert page["facts"]["wishes"] == [{"region": "lower_leg_back", "depth": 2.0}]
    assert page["visits"][0]["log"]["next_time"].startswith("A little deeper")
    assert client.get("/api/clients/00000000-0000-0000-0000-000000000000").status_code == 404


def client_of(client, typed):
    found = client.get("/api/clients", params={"typed": typed, "archived": True}).json()[0]
    return client.get(f"/api/clients/{found['client_id']}").json()


def described(client, page, **fields):
    body = {"revision": page["revision"], "record": {**page["record"], **fields}}
    return client.put(f"/api/clients/{page['client_id']}", json=body)


def test_how_a_client_is_set_up_is_kept_and_shown_with_the_next_session(client):
    isolde = client_of(client, "Isolde Kelpworth")
    kept = {
        "table_set_up": "Wedge under the left hip; no pillow.",
        "chair_set_up": "Seat at 4, face rest level.",
    }
    answer = described(client, isolde, **kept)
    assert answer.status_code == 200
    session = client.get(url("isolde")).json()
    assert session["client"]["set_up"] == kept["table_set_up"]
    assert described(client, answer.json(), chair_set_up="x" * 201).status_code == 422
    described(client, answer.json(), table_set_up="", chair_set_up="")


def test_a_consent_is_dated_withdrawn_and_its_history_kept(client, newcomer):
    given = described(client, newcomer, consents=["foot"]).json()
    first = given["since"]["consents foot"]
    assert (first["change"]["after"], first["source"]) == ("yes", "by_hand")
    assert first["person_name"] == "Wenna Tidebrook"
    taken = described(client, given, consents=[], declined=["foot"]).json()
    assert taken["since"]["consents foot"]["change"]["after"] == "no"
    told = client.get(f"/api/clients/{newcomer['client_id']}/history").json()
    said = [(x["change"]["before"], x["change"]["after"]) for x in told if x["change"]["item"] == "foot"]
    assert said == [("yes", "no"), (None, "yes")]
    assert [one["at"] for one in told] == sorted((one["at"] for one in told), reverse=True)


def test_what_the_catalogue_does_not_know_is_refused_and_nothing_is_kept(client, newcomer):
    assert "conditions" in fields(described(client, newcomer, conditions=["dropsy"]))
    assert client.get(f"/api/clients/{newcomer['client_id']}").json() == newcomer


def test_the_weeks_are_those_of_the_day_and_what_they_change_is_said(client, newcomer):
    due = date.fromisoformat(newcomer["day"]) + timedelta(days=91)
    page = described(client, newcomer, due_date=due.isoformat()).json()
    assert page["pregnancy"] == "27 weeks"
    assert {position["id"] for position in page["restrictions"]["positions"]} == {"prone", "supine"}
    earlier = described(client, page, due_date=(due + timedelta(days=60)).isoformat()).json()
    assert {position["id"] for position in earlier["restrictions"]["positions"]} == {"prone"}
    long_past = described(client, earlier, due_date="2020-01-01").json()
    assert (long_past["pregnancy"], long_past["restrictions"]["positions"]) == ("", [])


def test_a_client_whose_wishes_changed_shows_both(client):
    told = client.get(f"/api/clients/{client_of(client, 'Linnet')['client_id']}/history").json()
    back = [(x["change"]["before"], x["change"]["after"]) for x in told if x["change"]["item"] == "back"]
    assert back == [(4.5, 3.0), (None, 4.5)]


def test_two_entries_become_one_and_no_visit_or_word_is_lost(client):
    twin = client.post("/api/clients", json={"name": "Rafe Cinderlok", "phone": "0777 123456"}).json()
    twin = described(client, twin, conditions=["eczema"], declined=["foot"], note="Came once before.").json()
    isolde, rafe = client_of(client, "Isolde"), client_of(client, "Rafe Cinderlock")
    url = f"/api/clients/{rafe['client_id']}"
    kept = client.post(f"{url}/merge", json={"other": twin["client_id"]}).json()
    assert kept["record"]["phone"] == "0777 123456"
    assert kept["record"]["conditions"] == ["eczema"]
    assert "foot" in kept["record"]["declined"]
    assert "foot" not in kept["record"]["consents"]
    assert client.get(f"/api/clients/{twin['client_id']}").status_code == 404
    visits = len(isolde["visits"])
    kept = client.post(f"{url}/merge", json={"other": isolde["client_id"]}).json()
    assert len(kept["visits"]) == visits > 0
    assert [wish["depth"] for wish in kept["record"]["wishes"] if wish["region"] == "foot"] == [4.0]
    told = client.get(f"{url}/history").json()
    whole = [x["change"]["before"]["name"] for x in told if x["change"]["field"] == "merged"]
    assert whole == ["Isolde Kelpworth", "Rafe Cinderlok"]
    assert "other" in fields(client.post(f"{url}/merge", json={"other": rafe["client_id"]}))


def test_erasing_asks_for_the_name_says_what_went_and_leaves_nothing(client, owner_dsn):
    page = client_of(client, "Linnet")
    url = f"/api/clients/{page['client_id']}"
    assert "name" in fields(client.post(f"{url}/erase", json={"name": "Somebody"}))
    assert client.get(url).status_code == 200
    gone = client.post(f"{url}/erase", json={"name": " linnet  marrowby"}).json()
    assert gone["name"] == "Linnet Marrowby"
    assert (gone["counts"]["sessions"], gone["counts"]["logs"]) == (1, 1)
    assert gone["counts"]["events"] > 50
    assert client.get(url).status_code == 404
    assert client.get(f"/api/sessions/{page['visits'][0]['session_id']}").status_code == 404
    assert left_of("marrowby", owner_dsn) == []
    # The id alone, for backups that are older.
    assert left_of(page["client_id"], owner_dsn) == ["erasure"]


TABLES = "SELECT relname FROM pg_class WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace"


def left_of(word, dsn):
    """The tables in which a word still stands, in any column."""
    found = []
    with psycopg.connect(dsn) as c:
        look_through(c, Sight(PRACTICE_ID))
        for (table,) in c.execute(TABLES).fetchall():
            name = psycopg.sql.Identifier(table)
            seek = psycopg.sql.SQL("SELECT count(*) FROM {} t WHERE t::text ILIKE %s").format(name)
            if c.execute(seek, (f"%{word}%",)).fetchone()[0]:
                found.append(table)
    return found


def test_sore_points_of_every_visit_stand_on_the_page(client):
    (before,) = client_of(client, "Ottilie")["sore"]
    assert [(point["zone"], point["numbers"]) for point in before["points"]] == [
        ("medial_scapula", [6, 4, 2])
    ]
    nobody = client_of(client, "Corin")
    url = f"/api/sessions/{nobody['visits'][0]['session_id']}"
    answer = {"revision": client.get(url).json()["revision"], "answer": {}}
    client.put(f"{url}/day-answer", json=answer)
    point = {"point": str(uuid4())}
    happened = [
        {"kind": "began", "sheet_id": client.get(url).json()["sheet_id"]},
        {"kind": "point_found", **point, "region": "back", "side": "left", "zone": "erectors", "named": True},
        {"kind": "point_rated", **point, "number": 7},
        {"kind": "point_held", **point, "seconds": 8},
        {"kind": "point_rated", **point, "number": 4},
        {"kind": "point_left", **point},
    ]
    at = "2026-05-04T16:30:00Z"
    events = [{"id": str(uuid4()), "at": at, **one} for one in happened]
    assert client.post(f"{url}/events", json={"events": events}).status_code == 200
    (visit,) = client_of(client, "Corin")["sore"]
    (found_point,) = visit["points"]
    assert (found_point["numbers"], found_point["holds"], found_point["left"]) == ([7, 4], 1, True)


def test_tension_at_a_place_that_nobody_has_is_refused(client, newcomer):
    """It restricts nothing, and yet the paper names it."""
    refused = described(client, newcomer, tension=[{"region": "tail"}])
    assert fields(refused)["tension"] == (
        "there is no region called “tail”",
        fields(refused)["tension"][1],
    )
    assert client.get(f"/api/clients/{newcomer['client_id']}/record.pdf").status_code == 200
