"""Stock through HTTP: counted by hand, counted down once by a signed log."""

from uuid import uuid4

import pytest

from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD
from tests.web.conftest import faults
from tests.web.test_logs import WORKED, save, work

OIL = "grapeseed_oil"


@pytest.fixture
def here(served):
    return served.browser(email=THERAPIST_EMAIL, password=THERAPIST_PASSWORD)


def ok(answer):
    assert answer.status_code == 200, answer.text[:400]
    return answer.json()


def there(view, lubricant=OIL):
    return next(one["millilitres"] for one in view["stock"] if one["lubricant"] == lubricant)


def count(client, millilitres, entry=None, lubricant=OIL):
    body = {"entry_id": entry or str(uuid4()), "millilitres": millilitres}
    return client.put(f"/api/stock/{lubricant}", json=body)


def test_a_count_stands_a_signed_log_takes_from_it_once_and_what_runs_low_is_listed(here):
    assert ok(here.get("/api/stock"))["stock"] == []
    entry = str(uuid4())
    for _ in range(2):
        assert there(ok(count(here, 500, entry))) == 500
    work(here, "corin", *WORKED, apart=300)
    assert save(here, "corin", note="all well").status_code == 200
    assert there(ok(here.get("/api/stock"))) == 500
    assert save(here, "corin", sign=True, note="all well").status_code == 200
    after = there(ok(here.get("/api/stock")))
    assert after <= 500
    low = ok(count(here, 1))
    assert low["stock"][0]["low"]
    assert low["shopping_list"].startswith("grapeseed oil: ")
    assert there(ok(count(here, 0))) == 0


def test_only_what_the_practice_knows_is_counted(here):
    assert faults(count(here, 5, lubricant="goose_fat")) == {"lubricant": "unknown_id"}
    assert "millilitres" in faults(count(here, -1))
