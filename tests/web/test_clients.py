"""Clients: found again, added, described."""

import pytest

from mellow_tide.demo.people import CLIENTS
from tests.web.test_sessions import fields


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
        "contact": {**now["contact"], "name": "Gone", "phone": "", "archived": True},
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
    assert newcomer["contact"]["name"] == "Tamsin Ropewalk"
    assert found(client, "555 019") == ["Tamsin Ropewalk"]
    assert found(client, "01326555") == ["Tamsin Ropewalk"]
    assert found(client, "99") == []
    assert "name" in fields(client.post("/api/clients", json={"name": "  "}))


def test_a_client_is_described_put_away_and_not_overwritten(client, newcomer):
    url = f"/api/clients/{newcomer['client_id']}"
    contact = {**newcomer["contact"], "note": "Sleeps after ten minutes.", "archived": True}
    made = client.put(url, json={"revision": newcomer["revision"], "contact": contact}).json()
    assert made["contact"] == contact
    assert client.put(url, json={"revision": newcomer["revision"], "contact": contact}).status_code == 409
    assert "Tamsin Ropewalk" not in found(client, "tamsin")
    assert found(client, "tamsin", archived=True) == ["Tamsin Ropewalk"]
    bad = {**contact, "height_cm": 40}
    assert "contact.height_cm" in fields(client.put(url, json={"revision": made["revision"], "contact": bad}))


def test_the_page_says_what_to_know_before_touching(client):
    listed = client.get("/api/clients", params={"typed": "Piet"}).json()[0]
    page = client.get(f"/api/clients/{listed['client_id']}").json()
    assert page["contact"]["know_first"] == "Old ankle sprain on the right."
    assert [reason["name"] for reason in page["restrictions"]["reasons"]] == ["high blood pressure, treated"]
    ottilie = client.get("/api/clients", params={"typed": "Ottilie"}).json()[0]
    page = client.get(f"/api/clients/{ottilie['client_id']}").json()
    assert page["facts"]["wishes"] == [{"region": "lower_leg_back", "depth": 2.0}]
    assert page["visits"][0]["log"]["next_time"].startswith("A little deeper")
    assert client.get("/api/clients/00000000-0000-0000-0000-000000000000").status_code == 404
