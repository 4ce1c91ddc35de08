"""No tap is refused for its time: an odd one is kept beside the time at which the tap arrived."""

from datetime import UTC, datetime, timedelta
from uuid import uuid4

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter

from mellow_tide.core.run.events import AHEAD, EARLIEST, RunEvent, receive
from tests.conftest import NOW

EVENTS: TypeAdapter[list[RunEvent]] = TypeAdapter(list[RunEvent])


def received(at: object) -> RunEvent:
    (event,) = receive(EVENTS.validate_python([{"id": str(uuid4()), "kind": "paused", "at": at}]), NOW)
    return event


@pytest.mark.parametrize(
    "odd",
    [
        "1970-01-01T00:00:03+00:00",
        "0001-01-01T00:00:00+23:59",
        "9999-12-31T23:59:59-23:59",
        "2026-05-04T08:00:00",
        (NOW + AHEAD + timedelta(seconds=1)).isoformat(),
        "yesterday",
        "2026-02-30T08:00:00Z",
        "",
        None,
        -(10**30),
        "\x00" * 300,
    ],
)
def test_an_odd_time_gives_way_to_when_it_was_received(odd):
    event = received(odd)
    assert event.at == NOW
    assert event.odd_at
    assert event.odd_at.isprintable()


@pytest.mark.parametrize("at", [EARLIEST, NOW - timedelta(days=40), NOW, NOW + AHEAD])
def test_what_can_be_right_stays(at):
    event = received(at.isoformat())
    assert (event.at, event.odd_at) == (at, "")


@given(st.datetimes().map(str) | st.text() | st.integers() | st.floats() | st.none() | st.lists(st.text()))
def test_whatever_is_given_for_a_time_is_received_and_can_be_stored_and_read_again(at):
    event = received(at)
    assert EARLIEST <= event.at <= NOW + AHEAD
    assert EVENTS.validate_json(EVENTS.dump_json([event])) == [event]


@pytest.mark.parametrize("begun", [datetime(1970, 1, 1, tzinfo=UTC), NOW + timedelta(days=400)])
def test_an_hour_worked_by_a_clock_that_is_wrong_is_an_hour(begun):
    """The device was offline and sends it all at once: the last tap is now, the others as long before as it says."""
    minutes = (0, 20, 35, 60)
    sent = [
        {"id": str(uuid4()), "kind": "paused", "at": (begun + timedelta(minutes=after)).isoformat()}
        for after in minutes
    ]
    got = receive(EVENTS.validate_python(sent), NOW)
    assert [event.at for event in got] == [NOW - timedelta(minutes=60 - after) for after in minutes]
    assert [event.odd_at for event in got] == [one["at"] for one in sent]


def test_a_tap_without_a_time_is_received():
    (event,) = receive(EVENTS.validate_python([{"id": str(uuid4()), "kind": "ended"}]), datetime.now(UTC))
    assert event.odd_at == "None"
