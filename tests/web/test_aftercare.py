"""Aftercare through HTTP: from a signed log alone, with the practice's own text, and without the private notes."""

from io import BytesIO

import pytest
from pypdf import PdfReader

from tests.web.conftest import faults, problem
from tests.web.test_logs import WORKED, save, work
from tests.web.test_sessions import url


def ok(answer):
    assert answer.status_code == 200, answer.text[:400]
    return answer.json()


@pytest.fixture(scope="module")
def signed(client):
    """Bram's session, worked and signed, with what is nobody else's business."""
    work(client, "bram", *WORKED, apart=300)
    log = {
        "note": "guarded, talks of the divorce",
        "next_time": "try the elbow",
        "client_words": "that was heaven",
        "for_clinician": "numb finger",
        "aftercare": ["Rise slowly"],
    }
    assert save(client, "bram", sign=True, **log).status_code == 200
    return log


def test_nothing_is_told_before_the_log_is_signed(client):
    assert problem(client.get(url("isolde", "/aftercare")), 422) == "log-not-signed"


def test_the_words_come_from_the_log_and_none_of_the_notes_is_among_them(client, signed):
    made = ok(client.get(url("bram", "/aftercare")))
    assert "Rise slowly" in made["text"]
    assert "We worked on your hands." in made["text"]
    for private in ("note", "next_time", "client_words", "for_clinician"):
        assert signed[private] not in made["text"]
    pdf = client.get(url("bram", "/aftercare.pdf"))
    paper = " ".join(
        " ".join(sheet.extract_text() for sheet in PdfReader(BytesIO(pdf.content)).pages).split()
    )
    assert all(sentence in paper for sentence in " ".join(made["text"].split()).split(". ")[:3])


def test_the_stretch_is_chosen_among_those_that_may_be_told(client, signed):
    made = ok(client.get(url("bram", "/aftercare")))
    assert made["stretch"] == made["stretches"][0]
    assert "once a day" in made["text"]
    assert "once a day" not in ok(client.get(url("bram", "/aftercare"), params={"stretch": ""}))["text"]
    assert faults(client.get(url("bram", "/aftercare"), params={"stretch": "scalp"})) == {
        "stretch": "no_such_stretch"
    }


def test_the_practice_has_a_text_of_its_own_until_it_takes_the_usual_one_again(client, signed):
    assert faults(client.put("/api/aftercare", json={"text": "Dear {name}"})) == {
        "text": "unknown_placeholder"
    }
    assert client.put("/api/aftercare", json={"text": "Tea for {client}.\n\n{next_visit}"}).status_code == 204
    made = ok(client.get(url("bram", "/aftercare")))
    assert made["text"].startswith("Tea for ")
    assert made["template"] != made["usual"]
    assert client.put("/api/aftercare", json={"text": ""}).status_code == 204
    made = ok(client.get(url("bram", "/aftercare")))
    assert made["template"] == made["usual"]
