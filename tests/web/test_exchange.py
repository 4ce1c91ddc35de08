"""Clients in and out over HTTP: cards, tables, whole records."""

import io
import json
from pathlib import Path

import jsonschema
import vobject
from pypdf import PdfReader

from tests.web.test_clients import client_of, found
from tests.web.test_sessions import fields

TABLE = "\n".join(
    [
        "Client name;Mobile;E-mail;Height;Remarks",
        "Tegen Dunecroft;01632 555 071;tegen@dunecroft.example;174;Rows.",
        "Ottilie Saltgrove;;;;",
        "Somebody Else;+44 1632 555 014;;;",
        "Jago Spindrift;;;two metres;",
        "Tegen D.;;tegen@dunecroft.example;;",
    ]
)
MATCHING = {"0": "name", "1": "phone", "2": "email", "3": "height_cm", "4": "note"}
SENT = {"kind": "table", "text": TABLE, "matching": MATCHING}
SCHEMA = Path(__file__).parents[2] / "docs" / "client-record.schema.json"


def test_columns_are_matched_and_every_line_says_what_would_become_of_it(client):
    columns = client.post("/api/clients-in/columns", json={"text": TABLE}).json()["columns"]
    assert [column["field"] for column in columns] == list(MATCHING.values())
    lines = client.post("/api/clients-in/preview", json=SENT).json()
    assert [(one["line"], one["outcome"], one["known_as"], one["twice_of"]) for one in lines] == [
        (2, "new", "", None),
        (3, "known", "Ottilie Saltgrove", None),
        (4, "known", "Ottilie Saltgrove", None),
        (5, "faulty", "", None),
        (6, "twice", "", 2),
    ]
    assert "two metres" in lines[3]["problems"][0]
    assert found(client, "Dunecroft") == []


def test_nothing_is_half_brought_in(client):
    refused = client.post("/api/clients-in", json=SENT)
    assert "height_cm" in fields(refused)
    assert found(client, "Tegen") == []
    taken = client.post("/api/clients-in", json={**SENT, "leave_out": [3, 4, 5, 6]})
    assert (taken.status_code, taken.json()) == (201, {"added": 1})
    page = client_of(client, "Tegen")
    assert (page["record"]["height_cm"], page["record"]["note"]) == (174, "Rows.")
    assert page["since"]["phone"]["source"] == "import"
    again = client.post("/api/clients-in/preview", json=SENT).json()
    assert [one["outcome"] for one in again] == ["known", "known", "known", "faulty", "known"]
    assert fields(client.post("/api/clients-in", json={**SENT, "leave_out": [2, 3, 4, 5, 6]}))


def test_cards_go_out_without_a_word_of_health_and_come_in(client):
    ottilie = client_of(client, "Ottilie")
    answer = client.get("/api/clients-out/cards", params={"client_id": ottilie["client_id"]})
    assert answer.headers["content-type"].startswith("text/vcard")
    assert "Ottilie" not in answer.headers["content-disposition"]
    card = vobject.readOne(answer.text)
    assert (card.fn.value, card.tel.value) == ("Ottilie Saltgrove", "01632 555 014")
    assert "nut" not in answer.text
    assert len(list(vobject.readComponents(client.get("/api/clients-out/cards").text))) >= 13
    lines = client.post("/api/clients-in/preview", json={"kind": "vcard", "text": answer.text}).json()
    assert [one["outcome"] for one in lines] == ["known"]
    assert "text" in fields(client.post("/api/clients-in/preview", json={"kind": "vcard", "text": "x"}))


def test_a_whole_record_keeps_to_its_published_schema_and_holds_all(client):
    page = client_of(client, "Linnet")
    answer = client.get(f"/api/clients/{page['client_id']}/record.json")
    assert "Linnet" not in answer.headers["content-disposition"]
    whole = answer.json()
    jsonschema.Draft202012Validator.check_schema(json.loads(SCHEMA.read_text()))
    jsonschema.Draft202012Validator(json.loads(SCHEMA.read_text())).validate(whole)
    assert whole["client"]["name"] == "Linnet Marrowby"
    (visit,) = whole["visits"]
    assert len(visit["events"]) > 50
    assert visit["logs"][0]["next_time"].startswith("The back lighter")
    assert {change["item"] for change in whole["history"]} >= {"back", "shoulders"}


def test_the_published_schema_is_the_one_that_is_served(client):
    assert client.get("/api/client-record-schema").json() == json.loads(SCHEMA.read_text())


def test_the_paper_can_be_read_and_says_everything(client):
    page = client_of(client, "Averil")
    answer = client.get(f"/api/clients/{page['client_id']}/record.pdf")
    assert answer.headers["content-type"] == "application/pdf"
    words = " ".join(sheet.extract_text() for sheet in PdfReader(io.BytesIO(answer.content)).pages)
    for told in (
        "Averil Thornquay",
        "The Loft above the Boat Shed",
        "fear of touch in a place",
        "neck (afraid of it)",
        "No to",
        "the face",
        "It does not diagnose",
    ):
        assert told in " ".join(words.split())


def test_a_paper_of_many_pages_and_odd_letters_is_made(client):
    page = client.post("/api/clients", json={"name": "Łucja Ønskeøre-Çelik 李 Ωmega"}).json()
    record = {**page["record"], "note": "A long line of words. " * 180, "medicines": "x\ny\n" * 200}
    body = {"revision": page["revision"], "record": record}
    assert client.put(f"/api/clients/{page['client_id']}", json=body).status_code == 200
    answer = client.get(f"/api/clients/{page['client_id']}/record.pdf")
    assert len(PdfReader(io.BytesIO(answer.content)).pages) > 3
