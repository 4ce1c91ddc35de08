"""What every request passes: our hosts, our pages, sizes, legible text; and what every response carries."""

import asyncio
import json
import logging
import logging.config
import time
from concurrent.futures import ThreadPoolExecutor

import pytest
from fastapi.testclient import TestClient

from mellow_tide.app import make_app
from mellow_tide.web.gate import Surroundings
from mellow_tide.web.server_log import make_log_config
from tests.web.conftest import problem
from tests.web.test_clients import client_of, described, found
from tests.web.test_sessions import fields
from tests.web.test_sign_in import RIGHT


@pytest.mark.parametrize("host", ["evil.example", "localhost.evil.example", "127.0.0.1.evil.example", ""])
def test_a_foreign_host_is_sent_away_even_with_an_origin_that_fits(stranger, host):
    answer = stranger.post("/api/sign-in", json=RIGHT, headers={"Host": host, "Origin": f"http://{host}"})
    assert problem(answer, 421) == "unknown-host"


@pytest.mark.parametrize("host", ["localhost", "127.0.0.1:8420", "LOCALHOST:8421", "[::1]:8420"])
def test_our_own_names_are_let_in(stranger, host):
    assert stranger.get("/api/ready", headers={"Host": host}).status_code == 204


@pytest.fixture
def public(app_dsn):
    """A browser that comes by a proxy with TLS in front of us, which only hands on what it got."""
    app = make_app(app_dsn, around=Surroundings("https://tide.example"))
    with TestClient(app, base_url="https://tide.example", raise_server_exceptions=False) as browser:
        yield browser


def test_a_public_address_is_one_of_ours_exactly(public):
    for origin in ("http://tide.example", "https://tide.example:444", "https://tide.example.evil.example"):
        answer = public.post("/api/sign-in", json=RIGHT, headers={"Origin": origin})
        assert problem(answer, 403) == "foreign-origin"
    signed_in = public.post("/api/sign-in", json=RIGHT, headers={"Origin": "https://tide.example"})
    assert signed_in.status_code == 204
    for cookie in signed_in.headers.get_list("set-cookie"):
        assert cookie.startswith("__Host-tide_")
        assert "secure" in cookie.lower()
        assert "domain" not in cookie.lower()
    assert public.get("/api/me").status_code == 200
    assert "max-age" in public.get("/api/me").headers["Strict-Transport-Security"]
    made = public.post(
        f"/api/clients/{client_of(public, 'Corin')['client_id']}/intakes",
        headers={"Origin": "https://tide.example"},
    )
    assert made.json()["link"].startswith("https://tide.example/intake#")


def test_a_forwarded_address_is_believed_of_nobody_who_is_not_named(client):
    told = {"X-Forwarded-Proto": "https", "X-Forwarded-Host": "evil.example", "X-Forwarded-For": "8.8.8.8"}
    answer = client.post("/api/sign-in", json=RIGHT, headers=told)
    assert answer.status_code == 204
    assert "__Host-" not in answer.headers["set-cookie"]


def test_every_answer_says_what_a_browser_may_do_with_it(client, stranger):
    for answer in (client.get("/api/me"), stranger.get("/api/me"), stranger.get("/nowhere")):
        policy = answer.headers["Content-Security-Policy"]
        assert "'unsafe-inline'" not in policy
        assert "frame-ancestors 'none'" in policy
        assert answer.headers["X-Content-Type-Options"] == "nosniff"
        assert answer.headers["Referrer-Policy"] == "no-referrer"


def test_what_is_told_of_people_stays_in_no_cache(client, stranger):
    corin = client_of(client, "Corin")["client_id"]
    for url in (f"/api/clients/{corin}", "/api/clients", "/api/day", f"/api/clients/{corin}/record.json"):
        assert client.get(url).headers["Cache-Control"] == "no-store", url
    assert stranger.post("/api/intake/form", json={"key": "k" * 40}).headers["Cache-Control"] == "no-store"


def test_what_is_too_large_is_refused_before_it_is_read(client):
    large = json.dumps({"name": "x" * 1_000_001}).encode()
    as_json = {"Content-Type": "application/json"}
    assert problem(client.post("/api/clients", content=large, headers=as_json), 413) == "too-large"
    contacts = {"text": "Name;Phone\n" + "A B;1\n" * 400_000}
    assert client.post("/api/clients-in/columns", json=contacts).status_code == 422
    contacts = {"text": "x" * 10_000_001}
    assert problem(client.post("/api/clients-in/columns", json=contacts), 413) == "too-large"


def test_a_body_that_does_not_say_how_long_it_is_and_never_ends_is_read_no_further(stranger):
    received, sent = 0, []

    async def receive():
        nonlocal received
        received += 65_536
        assert received < 2_000_000
        return {"type": "http.request", "body": b" " * 65_536, "more_body": True}

    async def send(message):
        sent.append(message)

    scope = {
        "type": "http",
        "method": "POST",
        "scheme": "http",
        "path": "/api/sign-in",
        "raw_path": b"/api/sign-in",
        "query_string": b"",
        "headers": [(b"host", b"localhost"), (b"origin", b"http://localhost")],
    }
    # In a thread of its own: the browser tests of this process keep a loop running.
    with ThreadPoolExecutor(1) as aside:
        aside.submit(lambda: asyncio.run(stranger.app(scope, receive, send))).result()
    assert sent[0]["status"] == 413


@pytest.mark.parametrize("text", ["a\x00b", "\x1b[31m", "\x7f", "half \ud83d", "back\bspace", "\x0c"])
def test_a_character_that_nobody_can_read_is_refused_wherever_it_stands(client, text):
    for body in ({"name": text}, {"name": "A", text: 1}, {"name": "A", "note": {"deep": [[text]]}}):
        sent = json.dumps(body).encode()
        answer = client.post("/api/clients", content=sent, headers={"Content-Type": "application/json"})
        assert problem(answer, 422) == "illegible"


def test_letters_of_all_kinds_line_ends_and_backslashes_are_kept(client):
    told = "Zeile 1\nZeile 2\tÅse 李 🌊 C:\\new \\u0000 \\b"
    page = client.post("/api/clients", json={"name": "Åse 李 🌊"}).json()
    assert described(client, page, note=told).json()["record"]["note"] == told


@pytest.mark.parametrize(
    "address",
    ["/%00", "/api/clients?typed=%00", "/api/clients?typed=%ED%A0%80", "/api/clients/%00", "/%ff", "/%7f"],
)
def test_an_address_that_nobody_can_read_is_no_page(client, address):
    assert problem(client.get(address), 404) == "no-such-page"


@pytest.mark.parametrize("address", ["/api/clients/nobody", "/api/sessions/1/log", "/api/nothing"])
def test_an_address_that_names_nothing_is_no_page(client, address):
    assert problem(client.get(address), 404) == "no-such-page"


def test_a_long_address_is_told_to_be_long(client):
    assert problem(client.get("/" + "a" * 5000), 414) == "address-too-long"


@pytest.mark.parametrize(
    ("kind", "code"),
    [
        ("application/json; charset=klingon", "unknown-charset"),
        ("application/json; charset=utf-16", "unknown-charset"),
        ("text/plain", "not-json"),
        ("multipart/form-data; boundary=x", "not-json"),
        ("", "not-json"),
    ],
)
def test_only_json_in_utf_8_is_read(client, kind, code):
    answer = client.post("/api/clients", content=b'{"name": "A"}', headers={"Content-Type": kind})
    assert problem(answer, 415) == code


@pytest.mark.parametrize(
    "body",
    [b"\xff\xfe", b'{"name": "\xff"}', b"[" * 100_000, b'{"name": 1e999}', b"{", b'{"name": NaN}', b""],
)
def test_what_is_no_json_is_told_plainly(client, body):
    answer = client.post("/api/clients", content=body, headers={"Content-Type": "application/json"})
    assert 400 <= answer.status_code < 500
    assert answer.headers["content-type"] == "application/problem+json"


@pytest.mark.parametrize(
    "address", ["/api/day?day=9999-12-31", "/api/day?day=0001-01-01", "/api/day?day=1900-01-01"]
)
def test_any_day_of_three_centuries_can_be_looked_at(client, address):
    answer = client.get(address)
    assert answer.status_code == (200 if "1900" in address else 422)


def test_a_revision_that_is_too_high_is_refused(client):
    corin = client_of(client, "Corin")
    body = {"revision": 10**30, "record": corin["record"]}
    assert "revision" in fields(client.put(f"/api/clients/{corin['client_id']}", json=body))


def test_wide_tables_and_cards_within_cards_are_refused_at_once(client):
    began = time.monotonic()
    wide = ",".join(["Name"] * 900_000) + "\n" + "x"
    assert "text" in fields(client.post("/api/clients-in/columns", json={"text": wide}))
    nested = "BEGIN:VCARD\n" * 5000 + "END:VCARD\n" * 5000
    assert "text" in fields(client.post("/api/clients-in/preview", json={"kind": "vcard", "text": nested}))
    heading = "BEGIN:VCARD\nFN:A\n" + "X;" * 400_000 + "\nEND:VCARD\n"
    assert client.post("/api/clients-in/preview", json={"kind": "vcard", "text": heading}).status_code == 200
    many = "BEGIN:VCARD\nFN:A\nEND:VCARD\n" * 5001
    assert "text" in fields(client.post("/api/clients-in/preview", json={"kind": "vcard", "text": many}))
    # Each took eleven seconds and more; no bound on a busy machine, but it is nothing like that.
    assert time.monotonic() - began < 60


def test_a_line_that_cannot_be_read_is_told_with_its_number_and_logged_nowhere(client, capfd, caplog):
    text = "BEGIN:VCARD\nVERSION:3.0\nFN:Perran Lowtide\nquillwort without a colon\nTEL:1\nEND:VCARD\n"
    with caplog.at_level(logging.DEBUG):
        (line,) = client.post("/api/clients-in/preview", json={"kind": "vcard", "text": text}).json()
    assert (line["name"], line["phone"], line["unread"]) == ("Perran Lowtide", "1", [4])
    assert "quillwort" not in caplog.text
    assert "quillwort" not in "".join(capfd.readouterr())


def test_the_next_unknown_fault_is_a_problem_document_without_content_and_closes_nothing(
    client, stranger, tmp_path, monkeypatch
):
    """Its message quotes a name, as the messages of drivers do; the log tells where it was, and no more."""
    file = tmp_path / "server.log"
    logging.config.dictConfig(make_log_config(str(file)))

    def fail(*_, **__):
        raise RuntimeError("Failing row contains (Perran Lowtide, quillwort)")

    with monkeypatch.context() as broken:
        broken.setattr("mellow_tide.web.routes.clients.clients.find_clients", fail, raising=False)
        broken.setattr("mellow_tide.services.meeting.clients.search_clients", fail, raising=False)
        answer = client.get("/api/clients", params={"typed": "lowtide"})
    assert problem(answer, 500) == "unexpected"
    assert "Lowtide" not in answer.text
    told = file.read_text()
    assert "RuntimeError" in told
    assert "in fail" in told
    assert "owtide" not in told
    assert "quillwort" not in told
    assert found(client, "Ottilie")[0] == "Ottilie Saltgrove"
