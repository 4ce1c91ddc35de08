"""The machines as programs: paired by a code, killed, slow, silent, lying; through the product's own interface."""

import socket
import threading
import time
from concurrent.futures import ThreadPoolExecutor
from contextlib import suppress
from datetime import timedelta
from uuid import uuid4
from zoneinfo import ZoneInfo

import httpx
import pytest

from mellow_tide.devices import asking
from mellow_tide.devices.asking import Away, MachineLine, MachineTrouble, Odd, Slow
from mellow_tide.devices.machine import SLOW_SECONDS
from mellow_tide.devices.protocol import PORTS
from tests.conftest import NOW
from tests.devices.programs import running
from tests.web.conftest import a_practice, faults, problem

TEAL = a_practice("Teal Quarrymoor")
AS_SHIPPED = asking.DEADLINE
WENT_ON = AS_SHIPPED + 10
"""Seconds: far beyond the deadline for a busy machine, far below what a silent one would take."""


@pytest.fixture(scope="module")
def table(tmp_path_factory):
    with running("lift-table", tmp_path_factory.mktemp("table") / "memory.json") as program:
        yield program


@pytest.fixture
def teal(served):
    """A browser in which somebody has just opened a practice."""
    client = served.browser()
    assert client.post("/api/door/practices", json=TEAL).status_code == 204
    return client


def ok(answer, status=200):
    assert answer.status_code == status, answer.text[:400]
    return answer.json() if answer.content else None


def pair(client, program):
    body = {"port": program.port, "code": program.face()["code"]}
    return ok(client.post("/api/machines", json=body), 201)


@pytest.fixture
def patient(monkeypatch):
    """A busy machine answers late: where that is not what is tried, it is waited for."""
    monkeypatch.setattr(asking, "DEADLINE", 20)
    monkeypatch.setattr(asking, "PATIENCE", 20)


def state(client, kind="lift_table", **params):
    return ok(client.get(f"/api/machines/{kind}", params=params))


def book_feet(client, at):
    flows = ok(client.get("/api/flows"))
    flow = next(one for one in flows if one["name"] == "Bare feet")
    local = at.astimezone(ZoneInfo(TEAL["time_zone"]))
    booking = {
        "session_id": str(uuid4()),
        "new_name": "Gannet Ferrow",
        "minutes": flow["brief"]["booked_minutes"],
        "kind": flow["brief"]["kind"],
        "flow_id": flow["flow_id"],
        "start": {"day": local.date().isoformat(), "at": local.strftime("%H:%M")},
        "accepted": ["day_off", "too_early", "too_late", "in_lunch", "overlap", "gap_short"],
    }
    ok(client.post("/api/bookings", json=booking))
    return booking["session_id"]


@pytest.mark.usefixtures("patient")
class TestPairing:
    def test_a_machine_is_found_and_paired_by_the_code_it_shows(self, teal, table):
        found = [one for one in ok(teal.post("/api/machines/search")) if one["port"] == table.port]
        assert found == [{"port": table.port, "kind": "lift_table", "name": "Lift table", "paired": False}]
        assert [one["kind"] for one in pair(teal, table)["machines"]] == ["lift_table"]
        again = ok(teal.post("/api/machines/search"))
        assert [one["paired"] for one in again if one["port"] == table.port] == [True]
        assert state(teal)["table"]["moving"] == 0

    def test_a_wrong_code_pairs_nothing_and_three_of_them_change_it(self, teal, table):
        shown = table.face()["code"]
        wrong = f"{(int(shown) + 1) % 1_000_000:06}"
        for _ in range(3):
            answer = teal.post("/api/machines", json={"port": table.port, "code": wrong})
            assert faults(answer) == {"code": "wrong_machine_code"}
        assert table.face()["code"] != shown
        assert problem(teal.get("/api/machines/lift_table"), 404) == "not-there"

    def test_where_nothing_listens_there_is_nothing_to_pair(self, teal):
        taken = {one["port"] for one in ok(teal.post("/api/machines/search"))}
        free = next(port for port in reversed(PORTS) if port not in taken)
        assert faults(teal.post("/api/machines", json={"port": free, "code": "000000"})) == {
            "port": "no_machine"
        }

    def test_who_is_not_paired_moves_nothing(self, table):
        hold = {"press": "press-01", "beat": 1, "towards_cm": 80}
        at = f"http://127.0.0.1:{table.port}"
        assert httpx.post(f"{at}/hold", json=hold).status_code == 401
        assert httpx.post(f"{at}/hold", json=hold, headers={"authorization": "Bearer x"}).status_code == 401
        assert httpx.get(f"{at}/face").status_code == 401, "the code is told to its own page alone"
        assert httpx.get(f"{at}/machine", headers={"host": "elsewhere.example"}).status_code == 400

    def test_nobody_moves_a_machine_from_the_demo(self, client, table):
        body = {"port": table.port, "code": table.face()["code"]}
        assert client.post("/api/machines", json=body).status_code == 403

    def test_who_was_forgotten_reads_that_and_pairs_again(self, teal, table):
        pair(teal, table)
        httpx.post(f"http://127.0.0.1:{table.port}/forget", headers={"x-from-page": "1"}).raise_for_status()
        assert state(teal)["trouble"] == "forgotten"
        pair(teal, table)
        assert state(teal)["trouble"] is None
        assert ok(teal.delete("/api/machines/lift_table"))["machines"] == []
        assert problem(teal.get("/api/machines/lift_table"), 404) == "not-there"


@pytest.mark.usefixtures("patient")
class TestHolding:
    def test_held_through_the_product_it_moves_and_let_go_it_stops(self, teal, table):
        pair(teal, table)
        now = state(teal)["table"]
        wanted = now["height_cm"] + (6 if now["height_cm"] < 80 else -6)
        moved = False
        # On a busy machine much arrives too late to count, and is sent again.
        for _ in range(2000):
            hold = {"press": "press-through", "beat": now["beat"], "towards_cm": wanted}
            now = ok(teal.post("/api/machines/lift_table/hold", json=hold))["table"]
            moved = moved or now["moving"] != 0
            if abs(now["height_cm"] - wanted) < 0.2:
                break
            time.sleep(0.05)
        assert moved
        assert now["height_cm"] == pytest.approx(wanted, abs=0.2)
        stopped = ok(teal.post("/api/machines/lift_table/let-go", json={"press": "press-through"}))
        assert stopped["table"]["moving"] == 0

    @pytest.mark.parametrize(("behaves", "trouble"), [("slow", "slow"), ("silent", "slow"), ("lying", "odd")])
    def test_what_is_slow_silent_or_lies_is_said_in_a_line_and_moves_nothing(
        self, teal, table, behaves, trouble
    ):
        pair(teal, table)
        now = state(teal)["table"]
        table.behave(behaves)
        try:
            with pytest.MonkeyPatch.context() as patch:
                if behaves != "lying":
                    patch.setattr(asking, "DEADLINE", AS_SHIPPED)
                begins = time.monotonic()
                told = state(teal)
                assert time.monotonic() - begins < WENT_ON, "no machine holds anything up"
                assert told["trouble"] == trouble
                assert "by hand" in told["says"]
                hold = {"press": "press-into", "beat": now["beat"], "towards_cm": 90}
                assert ok(teal.post("/api/machines/lift_table/hold", json=hold))["trouble"] == trouble
        finally:
            table.behave("well")
        # What was sent to it while it slept reaches it late, and is too old to count.
        time.sleep(SLOW_SECONDS + 0.2)
        after = state(teal)["table"]
        assert (after["moving"], after["height_cm"]) == (0, now["height_cm"])


@pytest.mark.usefixtures("patient")
def test_unplugged_in_the_middle_and_back_again_it_still_knows_us(teal, tmp_path):
    memory = tmp_path / "memory.json"
    with running("lift-table", memory) as program:
        pair(teal, program)
        assert state(teal)["trouble"] is None
        program.kill()
        assert state(teal)["trouble"] == "away"
        assert (
            ok(teal.post("/api/machines/lift_table/let-go", json={"press": "press-gone"}))["trouble"]
            == "away"
        )
    with running("lift-table", memory) as again:
        if again.port == program.port:
            assert state(teal)["trouble"] is None


@pytest.mark.usefixtures("patient")
def test_the_warmer_says_when_it_is_ready_and_whether_that_is_in_time(teal, served, tmp_path):
    with running("towel-warmer", tmp_path / "memory.json") as warmer:
        pair(teal, warmer)
        assert state(teal, "towel_warmer")["warmer"]["on"] is False
        told = ok(teal.put("/api/machines/towel_warmer", json={"on": True}))
        assert told["warmer"]["on"]
        assert told["warm_at"] is not None
        for booked, late in ((NOW + timedelta(days=1), False), (NOW - timedelta(hours=3), True)):
            session = book_feet(teal, booked)
            assert state(teal, "towel_warmer", session_id=session)["late"] is late
        warmer.behave("lying")
        assert state(teal, "towel_warmer")["trouble"] == "odd"


class TestAsking:
    """What only a misbuilt machine does."""

    @staticmethod
    def _ask(answer):
        listening = socket.create_server(("127.0.0.1", 0))

        def serve():
            connection, _ = listening.accept()
            # Whoever asked may have hung up in the middle of it.
            with connection, suppress(OSError):
                connection.recv(10_000)
                answer(connection)

        thread = threading.Thread(target=serve, daemon=True)
        thread.start()
        line = MachineLine(listening.getsockname()[1], "a-token-of-twenty-letters")
        # As the server asks: in a thread of its own, where no loop of somebody else's runs.
        with ThreadPoolExecutor(1) as asking_thread:
            return asking_thread.submit(line.read_table).result()

    def test_one_that_drips_is_slow(self):
        def drip(connection):
            connection.sendall(b"HTTP/1.1 200 OK\r\ncontent-length: 1000\r\n\r\n")
            for _ in range(300):
                connection.sendall(b" ")
                time.sleep(0.1)

        begins = time.monotonic()
        with pytest.raises(Slow):
            self._ask(drip)
        assert time.monotonic() - begins < WENT_ON

    def test_one_that_talks_without_end_is_odd(self):
        def flood(connection):
            connection.sendall(b"HTTP/1.1 200 OK\r\ncontent-length: 100000000\r\n\r\n" + b"[" * 100_000)

        with pytest.raises(Odd):
            self._ask(flood)

    @pytest.mark.parametrize(
        "status", ["403 Forbidden", "500 Oh", "302 Found\r\nlocation: http://127.0.0.1:1/"]
    )
    def test_one_that_refuses_what_it_never_should_is_odd(self, status):
        def refuse(connection):
            connection.sendall(f"HTTP/1.1 {status}\r\ncontent-length: 0\r\n\r\n".encode())

        with pytest.raises(MachineTrouble) as raised:
            self._ask(refuse)
        assert raised.value.trouble == "odd"

    def test_one_that_hangs_up_is_away(self):
        with pytest.raises(Away):
            self._ask(lambda connection: None)

    def test_one_that_speaks_something_else_is_not_believed(self):
        with pytest.raises((Away, Odd)):
            self._ask(lambda connection: connection.sendall(b"220 ready\r\n"))


def test_heights_are_ones_own_and_in_order(teal):
    house = ok(teal.get("/api/machines"))
    assert house == {"machines": [], "heights": None}, "tables of one height have none"
    ok(teal.put("/api/house", json={"item": "rules.table_height", "after": "lifts", "seen": None}))
    assert ok(teal.get("/api/machines"))["heights"] == {"low_cm": 62, "high_cm": 72}
    assert faults(teal.put("/api/machines/heights", json={"low_cm": 80, "high_cm": 60}))
    heights = {"low_cm": 58, "high_cm": 70}
    assert ok(teal.put("/api/machines/heights", json=heights))["heights"] == heights
