"""The numbers through HTTP: what was worked and said is in them, and nothing of another practice."""

from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD
from tests.web.conftest import a_practice
from tests.web.test_logs import WORKED, work


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
