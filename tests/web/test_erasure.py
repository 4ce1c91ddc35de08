"""After an erasure nothing that anybody wrote of a client is left: in no table of any practice, and in no log."""

import logging
from io import StringIO

import psycopg
import pytest

from tests.web.test_clients import client_of, described
from tests.web.test_intakes import handed_in
from tests.web.test_logs import POINT, save, work
from tests.web.test_sessions import answer_day, url

MARK = "quillwort"
"""A word that stands nowhere else, put into everything that can be written."""


@pytest.fixture
def everything_logged():
    """All that the process logs at any level, the driver's and the libraries' included."""
    heard = StringIO()
    handler = logging.StreamHandler(heard)
    root = logging.getLogger()
    level = root.level
    root.addHandler(handler)
    root.setLevel(logging.DEBUG)
    yield heard
    root.removeHandler(handler)
    root.setLevel(level)


def tables_with(word: str, superuser_dsn: str) -> list[str]:
    """Every table with the word in any column of any row, whoever's it is."""
    with psycopg.connect(superuser_dsn) as db:
        names = db.execute(
            "SELECT tablename FROM pg_tables WHERE schemaname = 'public' ORDER BY 1"
        ).fetchall()
        found = []
        for (table,) in names:
            seek = psycopg.sql.SQL("SELECT count(*) FROM {} t WHERE t::text ILIKE %s").format(
                psycopg.sql.Identifier(table)
            )
            row = db.execute(seek, [f"%{word}%"]).fetchone()
            if row and row[0]:
                found.append(table)
        return found


def ok(answer):
    assert answer.status_code < 300, answer.text
    return answer.json() if answer.content else None


def write_everything(client, stranger):
    """The word in every text that may be written of a client; the client's id."""
    page = client_of(client, "Corin")
    name = page["record"]["name"]
    page = ok(
        described(
            client,
            page,
            name=f"{name} {MARK}",
            address_as=MARK,
            email=f"{MARK}@letters.example",
            note=MARK,
            know_first=MARK,
            medicines=MARK,
            operations=MARK,
            emergency_contact=f"{MARK}, +44 1326 555019",
        )
    )
    client_id = page["client_id"]
    handed_in(
        stranger, ok(client.post(f"/api/clients/{client_id}/intakes")), {"aims": MARK, "injuries": MARK}
    )
    ok(answer_day(client, "corin", note=MARK))
    plan = ok(client.get(url("corin")))
    part = next(part for part in plan["plan"]["flow"]["parts"] if part["role"] == "work")
    noted = {"kind": "change_step", "part_id": part["id"], "step": 0, "note": f"mind what {MARK} said"}
    ok(client.post(url("corin", "/edits"), json={"revision": plan["revision"], "edits": [noted]}))
    ok(client.post(url("corin", "/versions"), json={"name": f"For {MARK}"}))
    kept = {
        "session_id": url("corin").rsplit("/", 1)[1],
        "name": f"{name.split()[0]}’s slow hour",
        "note": MARK,
    }
    flow = ok(client.post("/api/flows", json=kept))
    ok(client.post(f"/api/flows/{flow['flow_id']}/copy", json={"name": f"Like that of {name} {MARK}"}))
    work(
        client,
        "corin",
        {"kind": "point_found", "point": POINT, "region": "back", "side": "left", "zone": "erectors"},
        {"kind": "point_travels", "point": POINT, "to": MARK},
        {"kind": "skipped", "part_id": part["id"], "entries": [f"{part['id']}/0"], "reason": MARK},
        {"kind": "halted", "reason": MARK},
    )
    words = ("note", "client_words", "next_time", "next_booking", "door_wish", "for_clinician")
    ok(save(client, "corin", sign=True, aftercare=[MARK], **dict.fromkeys(words, MARK)))
    ok(client.post(url("corin", "/log/additions"), json={"words": MARK}))
    return client_id, f"{name} {MARK}"


def test_nothing_of_an_erased_client_is_left_anywhere(client, stranger, superuser_dsn, everything_logged):
    client_id, name = write_everything(client, stranger)
    assert set(tables_with(MARK, superuser_dsn)) >= {
        "client",
        "client_change",
        "intake",
        "session",
        "plan_version",
        "flow",
        "run_event",
        "session_log",
        "session_log_addition",
        "follow_up",
    }
    flows = len(ok(client.get("/api/flows")))
    ok(client.post(f"/api/clients/{client_id}/erase", json={"name": name}))
    assert tables_with(MARK, superuser_dsn) == []
    assert tables_with(name.split()[0], superuser_dsn) == []
    # The id alone stays, so that no backup brings them back.
    assert tables_with(client_id, superuser_dsn) == ["erasure"]
    told = everything_logged.getvalue().lower()
    assert MARK not in told
    # The flows are the therapist's work and stay, without the client in them.
    left = ok(client.get("/api/flows"))
    assert len(left) == flows
    assert {"a client’s slow hour", "Like that of a client"} <= {one["name"] for one in left}


def test_a_merged_client_is_erased_with_all_that_was_theirs(client, superuser_dsn):
    one, other = (
        ok(client.post("/api/clients", json={"name": name}))["client_id"]
        for name in ("Orrin Ebbtide", "Orin Ebbtide")
    )
    session = url("bram").rsplit("/", 1)[1]
    flow = ok(client.post("/api/flows", json={"session_id": session, "name": "Ebbtide, slow"}))["flow_id"]
    with psycopg.connect(superuser_dsn) as db:
        db.execute("UPDATE flow SET made_for = %s WHERE flow_id = %s", [other, flow])
    ok(client.post(f"/api/clients/{one}/merge", json={"other": other}))
    ok(client.post(f"/api/clients/{one}/erase", json={"name": "Orrin Ebbtide"}))
    assert tables_with("ebbtide", superuser_dsn) == []
    assert "a client, slow" in {one["name"] for one in ok(client.get("/api/flows"))}


def test_a_flow_of_somebody_else_keeps_its_words(client, superuser_dsn):
    """Only what was made for the client is touched: a rose may be an oil elsewhere."""
    page = ok(client.post("/api/clients", json={"name": "Rose Slackwell"}))
    session = url("bram").rsplit("/", 1)[1]
    mine = ok(
        client.post("/api/flows", json={"session_id": session, "name": "Rose oil hour", "note": "rose"})
    )
    ok(client.post(f"/api/clients/{page['client_id']}/erase", json={"name": "Rose Slackwell"}))
    again = next(one for one in ok(client.get("/api/flows")) if one["flow_id"] == mine["flow_id"])
    assert (again["name"], again["note"]) == ("Rose oil hour", "rose")
