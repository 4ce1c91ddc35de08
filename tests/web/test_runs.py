"""A run is worked by the sheet it began with: nothing that changes later moves what was tapped."""

from datetime import timedelta
from uuid import uuid4

import psycopg
import pytest
from psycopg.types.json import Jsonb

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.demo.people import HOUSE, PRACTICE_ID, THERAPIST_ID
from mellow_tide.store.database import Sight, Transaction
from mellow_tide.store.learning import accept_pace
from tests.conftest import NOW
from tests.web.test_clients import client_of, described
from tests.web.test_sessions import answer_day, began, fields, moved, url


def events(*kinds, after=0):
    """What happened, half a minute apart."""
    return [
        {"id": str(uuid4()), "at": (NOW + timedelta(seconds=after + 30 * n)).isoformat(), **kind}
        for n, kind in enumerate(kinds)
    ]


def send(client, name, *kinds, after=0, **also):
    return client.post(url(name, "/events"), json={"events": events(*kinds, after=after), **also})


def change_everything(owner_dsn):
    """An own pace, a house rule, the seconds of transitions, and the height of every client."""
    with psycopg.connect(owner_dsn) as connection:
        t = Transaction(connection, Sight(PRACTICE_ID, THERAPIST_ID))
        accept_pace(t, THERAPIST_ID, {"effleurage": 1.15, "kneading": 0.8, "resting_hold": 1.4})
        house = House(rules={**HOUSE.rules, "point_hold": "count_of_ten"}, seconds={"turn": 200, "walk": 12})
        connection.execute("UPDATE practice SET house = %s", [Jsonb(house.model_dump())])
        connection.execute("UPDATE client SET height_cm = 199")


@pytest.fixture
def as_shipped(owner_dsn):
    """Whatever a test changes of the practice is put back."""
    yield
    with psycopg.connect(owner_dsn) as connection:
        t = Transaction(connection, Sight(PRACTICE_ID, THERAPIST_ID))
        accept_pace(t, THERAPIST_ID, {})
        connection.execute("UPDATE practice SET house = %s", [Jsonb(HOUSE.model_dump())])


@pytest.mark.usefixtures("as_shipped")
def test_every_tap_still_names_the_stroke_it_was_made_on(client, owner_dsn):
    answer_day(client, "bram")
    before = client.get(url("bram")).json()
    sheet = before["evaluation"]["sheet"]
    strokes = [i for i, entry in enumerate(sheet["entries"]) if entry["kind"] == "stroke"]
    there, later = strokes[8], strokes[20]
    skipped = {
        "kind": "skipped",
        "part_id": sheet["entries"][there]["part_id"],
        "entries": [sheet["entries"][there]["address"]],
        "reason": "tender",
    }
    send(client, "bram", began(client, "bram"), moved(client, "bram", there), skipped)
    change_everything(owner_dsn)
    after = client.get(url("bram")).json()
    assert (after["evaluation"]["sheet"], after["sheet_id"]) == (sheet, before["sheet_id"])
    assert after["run"]["entry"] == there
    run = send(client, "bram", moved(client, "bram", later), {"kind": "ended"}, after=600).json()
    assert run["entry"] == later
    assert run["skipped"][0]["entries"] == [sheet["entries"][there]["address"]]
    page = client.get(url("bram", "/log")).json()
    planned = {row["region"]: row["planned"] for row in page["done"]}
    worked = [entry for entry in sheet["entries"] if entry["role"] == "work" and entry["region"] == "back"]
    assert planned["back"] == sum(entry["seconds"] for entry in worked)


@pytest.mark.usefixtures("as_shipped")
def test_a_run_begun_by_an_older_sheet_is_worked_by_it(client, owner_dsn):
    answer_day(client, "corin")
    held = client.get(url("corin")).json()
    first = began(client, "corin")
    change_everything(owner_dsn)
    now = client.get(url("corin")).json()
    assert now["sheet_id"] != held["sheet_id"]
    unknown = send(client, "corin", first)
    assert (unknown.status_code, unknown.json()["type"]) == (409, "urn:mellow-tide:problem:sheet-unknown")
    wrong = send(client, "corin", first, sheet=now["evaluation"]["sheet"])
    assert list(fields(wrong)) == ["sheet"]
    assert client.get(url("corin")).json()["stage"] == "plan"
    sent = send(client, "corin", first, sheet=held["evaluation"]["sheet"])
    assert (sent.status_code, sent.json()["sheet_id"]) == (200, held["sheet_id"])
    shown = client.get(url("corin")).json()
    assert (shown["evaluation"]["sheet"], shown["sheet_id"]) == (
        held["evaluation"]["sheet"],
        held["sheet_id"],
    )


@pytest.mark.usefixtures("as_shipped")
def test_a_run_that_has_begun_goes_on_when_a_place_is_missing(client):
    """Who was stored before places were asked for may be on the table."""
    page = client_of(client, "Isolde")
    answer_day(client, "isolde")
    assert send(client, "isolde", began(client, "isolde")).status_code == 200
    noted = described(client, page, conditions=[*page["record"]["conditions"], "eczema"])
    assert noted.status_code == 200
    assert send(client, "isolde", {"kind": "paused"}, after=60).status_code == 200
    assert answer_day(client, "isolde", note="itches").status_code == 200


def test_a_tap_with_an_odd_time_counts_when_it_arrives_is_told_and_may_be_sent_again(client):
    """A device whose clock was never set, and one that is a year ahead."""
    send_ids = [str(uuid4()) for _ in range(3)]
    answer_day(client, "corin")
    times = ["1970-01-01T00:00:05+00:00", "2031-05-04T08:00:00+00:00", "0001-01-01T00:00:00+23:59"]
    kinds = [began(client, "corin"), moved(client, "corin", 3), {"kind": "ended"}]
    body = {
        "events": [{"id": id, "at": at, **kind} for id, at, kind in zip(send_ids, times, kinds, strict=True)]
    }
    first = client.post(url("corin", "/events"), json=body)
    assert first.status_code == 200
    assert first.json()["ended_at"]
    # Sent again, as a device does that never saw the answer.
    assert client.post(url("corin", "/events"), json=body).json() == first.json()
    page = client.get(url("corin", "/log")).json()
    assert page["odd_times"] == 3
    body["events"][1]["to"] = "elsewhere"
    assert client.post(url("corin", "/events"), json=body).status_code == 409
