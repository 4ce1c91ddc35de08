"""The numbers through HTTP: what was worked and said is in them, and nothing of another practice."""

from datetime import timedelta
from uuid import uuid4

from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD
from mellow_tide.services.learning import numbers
from tests.conftest import NOW
from tests.web.conftest import a_practice
from tests.web.test_logs import WORKED, said, work
from tests.web.test_sessions import url


def ok(answer):
    assert answer.status_code == 200, answer.text[:400]
    return answer.json()


def test_what_is_worked_and_said_is_counted(served):
    client = served.browser(email=THERAPIST_EMAIL, password=THERAPIST_PASSWORD)
    before = ok(client.get("/api/numbers"))
    work(client, "bram", *WORKED, apart=300)
    after = ok(client.get("/api/numbers"))
    assert after["sessions"] == before["sessions"] + 1
    now, then = after["depth"][-1], before["depth"][-1]
    assert (now["heard"], now["lighter"]) == (then["heard"] + 2, then["lighter"] + 2)
    assert len(after["months"]) == 6
    table = client.get("/api/numbers/depth.csv")
    assert table.headers["content-type"].startswith("text/csv")
    assert table.text.splitlines()[0] == "month,heard,just_right,lighter,deeper"
    assert len(table.text.splitlines()) == 7


def test_another_practice_counts_its_own(served):
    other = served.browser()
    assert other.post("/api/door/practices", json=a_practice("Sable Quarrymoor")).status_code == 204
    assert ok(other.get("/api/numbers"))["sessions"] == 0


def test_a_run_is_counted_once_and_anew_after_later_events(served, monkeypatch):
    client = served.browser(email=THERAPIST_EMAIL, password=THERAPIST_PASSWORD)
    work(client, "corin", *WORKED, apart=300)
    counted = []
    count = numbers.count_run
    monkeypatch.setattr(numbers, "count_run", lambda *asked: counted.append(asked) or count(*asked))
    first = ok(client.get("/api/numbers"))
    assert counted
    counted.clear()
    assert ok(client.get("/api/numbers")) == first
    assert counted == []
    later = {"id": str(uuid4()), "at": (NOW + timedelta(seconds=700)).isoformat(), **said("just_right")}
    ok(client.post(url("corin", "/events"), json={"events": [later]}))
    now = ok(client.get("/api/numbers"))
    assert len(counted) == 1
    assert now["depth"][-1]["heard"] == first["depth"][-1]["heard"] + 1
    monkeypatch.setattr(numbers, "RULES", numbers.RULES + 1)
    counted.clear()
    assert ok(client.get("/api/numbers")) == now
    assert len(counted) == now["sessions"]
