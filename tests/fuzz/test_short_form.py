"""A minute of what `./tide fuzz` does for ten."""

import httpx
import pytest

from tests.fuzz.fuzzing import Fuzzer
from tests.fuzz.world import serve_demo


@pytest.mark.long
def test_a_minute_of_requests_is_answered_as_described(cluster, tmp_path):
    with serve_demo(cluster, tmp_path) as (server, token, put_back):
        found = Fuzzer(server.url, token, chance=7).run(60, put_back)
        assert httpx.get(f"{server.url}/api/ready").status_code == 204
    assert found.failures == {}
    # How many there are in a minute is the machine's affair.
    assert found.answers[200] > 10
    assert not any(status >= 500 for status in found.answers)
