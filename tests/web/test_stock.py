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


def there(view, item=OIL):
    return next(one["amount"] for one in view["stock"] if one["item"] == item)


def count(client, amount, entry=None, item=OIL):
    body = {"entry_id": entry or str(uuid4()), "amount": amount}
    return client.put(f"/api/stock/{item}", json=body)


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
    assert faults(count(here, 5, item="goose_fat")) == {"item": "unknown_id"}
    assert "amount" in faults(count(here, -1))


def test_a_signed_log_takes_the_linen_that_was_laid_out_and_the_list_says_what_to_wash(here):
    sheets = "linen:sheet"
    assert there(ok(count(here, 20, item=sheets)), sheets) == 20
    ok(count(here, 500))
    work(here, "isolde", *WORKED, apart=300)
    assert save(here, "isolde", sign=True, note="all well").status_code == 200
    view = ok(here.get("/api/stock"))
    assert there(view, sheets) == 18
    assert there(view) < 500
    low = ok(count(here, 1, item=sheets))
    (line,) = [one for one in low["stock"] if one["item"] == sheets]
    assert (line["kind"], line["name"], line["low"]) == ("linen", "sheet", line["wanted"] > 1)
    assert faults(count(here, 4, item="linen:blanket")) == {"item": "unknown_id"}, (
        "no blanket is washed each time"
    )
