"""The starter itself: migrated, served on this machine and to the room, logged where only the server reads, stopped."""

import shutil
import ssl
from pathlib import Path
from uuid import uuid4

import httpx
import pytest

from launcher import server
from launcher.cluster import Cluster
from launcher.places import Places, settle
from launcher.say import Trouble

WORDS = {"email": "wenna@boatshed.example", "password": "slackwater"}


@pytest.fixture
def places():
    """A state of its own beside the real one's packages and pages."""
    ours = settle()
    state = Path("/var/tmp") / f"tide-start-{uuid4().hex[:8]}"
    state.mkdir(mode=0o755)
    (state / "venv").symlink_to(ours.state / "venv")
    (state / "web").symlink_to(ours.state / "web")
    yield Places(state, ours.code)
    shutil.rmtree(state)


@pytest.fixture
def fresh(places):
    cluster = Cluster(places.state / "postgres", durable=False)
    cluster.start()
    cluster.ensure_roles()
    yield cluster
    server.stop(places)
    cluster.stop()


def test_it_starts_serves_this_machine_and_the_room_and_stops(places, fresh, monkeypatch, capfd):
    monkeypatch.setenv("TIDE_PORT", "8520")
    server.prepare(places, fresh, "prepare")
    running = server.start(places, fresh, "127.0.0.1")
    assert "bringing the data up to date" in capfd.readouterr().out
    with httpx.Client(base_url=running.address, headers={"Origin": running.address}) as browser:
        assert browser.get("/").status_code == 200
        assert browser.post("/api/sign-in", json=WORDS).status_code == 204
        assert len(browser.get("/api/day").json()["sessions"]) == 4
    trusting = ssl.create_default_context(cafile=places.state / "lan" / "authority.crt")
    assert running.lan_address.startswith("https://127.0.0.1:")
    for _ in range(100):
        try:
            assert httpx.get(f"{running.lan_address}/api/ready", verify=trusting).status_code == 204
            break
        except httpx.ConnectError:
            continue
    door = [
        httpx.get(f"{at}/api/door", verify=trusting).json() for at in (running.address, running.lan_address)
    ]
    assert [one["offers"] for one in door] == [["demo", "invited", "practices"], ["invited"]]
    token = server.make_password_link(places, fresh, [WORDS["email"]])
    assert len(token) > 40
    with pytest.raises(Trouble, match="Nobody signs in with"):
        server.make_password_link(places, fresh, ["x@y.example"])
    # Started again it is the one that runs.
    assert server.start(places, fresh, "127.0.0.1") == running
    log = places.state / "log" / "server.log"
    assert oct(log.stat().st_mode)[-3:] == "600"
    assert oct(log.parent.stat().st_mode)[-3:] == "700"
    server.stop(places)
    with pytest.raises(httpx.ConnectError):
        httpx.get(running.address)


def test_with_the_demo_switched_off_it_says_so_to_whoever_tries(places, fresh, monkeypatch):
    monkeypatch.setenv("TIDE_PORT", "8530")
    server.prepare(places, fresh, "prepare")
    monkeypatch.setenv("TIDE_OPEN", "")
    running = server.start(places, fresh)
    refused = httpx.post(f"{running.address}/api/sign-in", json=WORDS, headers={"Origin": running.address})
    assert refused.status_code == 401
