"""The short form of `./tide chaos`: every kind of fault once, and all of them in one run."""

from collections.abc import Iterator

import pytest
from playwright.sync_api import Playwright

from tests.chaos.script import FAULTS, play
from tests.chaos.world import World

pytestmark = pytest.mark.long


@pytest.fixture(scope="module")
def world(playwright: Playwright) -> Iterator[World]:
    with World(playwright) as world:
        yield world


def test_no_tap_is_lost_doubled_or_reordered_whatever_fails(world: World):
    assert play(world, 1, faults=FAULTS, taps=16) >= 16


def test_a_browser_killed_while_the_server_is_down_loses_nothing(world: World):
    play(world, 3, faults=("server", "browser", "postgres"), taps=10)
