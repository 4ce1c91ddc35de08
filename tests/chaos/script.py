"""One run at the table while things break: random taps, random faults, and what must be on record at the end."""

import re
import time
from dataclasses import dataclass, field
from datetime import UTC, datetime, timedelta
from random import Random
from typing import Literal, get_args
from uuid import UUID

from playwright.sync_api import Error, Page, expect

from mellow_tide.core.run.events import order_events
from mellow_tide.demo.people import PRACTICE_ID
from mellow_tide.store.database import Sight
from mellow_tide.store.sessions import find_session, list_events
from tests.browser.pages import KEPT, Today
from tests.chaos.world import World, wait_until

Fault = Literal["network", "browser", "server", "postgres", "clock", "house"]
FAULTS: tuple[Fault, ...] = get_args(Fault)
WORDS = {"1": "lighter", "2": "just_right", "3": "deeper"}
CLIENT = "Isolde Kelpworth"


@dataclass
class Tap:
    """What was tapped: `moved`, or the word that was said. `sure`: it was on the disk before anything else happened."""

    what: str
    sure: bool = True


@dataclass
class Table:
    """The table of one run: the page, and every tap that was made."""

    world: World
    random: Random
    page: Page
    address: str = ""
    taps: list[Tap] = field(default_factory=list)

    @property
    def session_id(self) -> UUID:
        """Whose run it is, from the page's address."""
        return UUID(self.address.split("/session/")[1].split("/")[0])

    def begin(self) -> None:
        """From Today to the first touch."""
        self.page.goto(self.world.server.url)
        Today(self.page).open(CLIENT)
        self.page.get_by_role("link", name="To the table").click()
        self.page.get_by_role("button", name="Nothing new: begin").click()
        expect(self.page.get_by_role("button", name="Go on")).to_be_visible()
        self.address = self.page.url

    def arrive(self) -> None:
        """The page again, after the browser was killed; with no server, from what the device keeps."""
        for _ in range(6):
            try:
                self.page.goto(self.address, timeout=15_000)
                expect(self.page.get_by_role("button", name="Go on")).to_be_visible(timeout=10_000)
                return
            except (Error, AssertionError):
                # A device whose worker had not settled yet needs the server for its page; no tap hangs on it.
                self.world.mend()
                self.world.kill_browser()
                self.page = self.world.open_browser()
        raise AssertionError("the session did not come back after the browser was killed")

    def tap(self, sure: bool = True) -> None:
        """One tap; `sure` waits until it is on the disk, which takes some milliseconds."""
        pad = self.page.get_by_role("group", name="What the client says").get_by_role("button").first
        key = self.random.choice("  123") if pad.is_enabled() else " "
        self.page.keyboard.press("PageDown" if key == " " else key)
        self.taps.append(Tap(WORDS.get(key, "moved"), sure))
        if sure:
            # Transactions on one store take turns: once this one has read, the tap has been written.
            self.page.evaluate(KEPT)

    def pause(self) -> None:
        """A moment, or none."""
        time.sleep(self.random.choice((0, 0, 0.01, 0.05, 0.2)))


def play(world: World, seed: int, faults: tuple[Fault, ...] | None = None, taps: int = 24) -> int:
    """One scripted run; how many taps it made. Raises `AssertionError` if any was lost, doubled or out of order."""
    random = Random(seed)
    world.as_shipped()
    table = Table(world, random, world.open_browser())
    table.begin()
    planned = faults or tuple(random.choice(FAULTS) for _ in range(3))
    when = sorted(random.sample(range(1, taps), len(planned)))
    strike = dict(zip(when, planned, strict=True))
    for n in range(taps):
        fault = strike.get(n)
        # A browser may die at any moment, the tap of that very moment included.
        table.tap(sure=fault != "browser" or random.random() < 0.5)
        if fault:
            _strike(table, fault)
        table.pause()
    _settle(table)
    _judge(table)
    return len(table.taps)


def _strike(table: Table, fault: Fault) -> None:
    world, random = table.world, table.random
    some = range(random.randrange(5))
    if fault == "clock":
        change = timedelta(minutes=random.choice((-180, -20, -1, 1, 20, 180)))
        table.page.clock.set_system_time(datetime.now(UTC) + change)
        return
    if fault == "house":
        world.change_house(random, table.session_id)
        return
    if fault == "browser":
        world.kill_browser()
        table.page = world.open_browser()
        table.arrive()
        return
    assert world.context
    if fault == "network":
        world.context.set_offline(True)
    elif fault == "server":
        world.kill_server()
    else:
        world.kill_postgres()
    for _ in some:
        table.tap()
        table.pause()
    if fault == "network":
        world.context.set_offline(False)
    else:
        world.mend()


def _settle(table: Table) -> None:
    """Everything runs and is connected; what waits on the device goes out."""
    world = table.world
    world.mend()
    assert world.context
    world.context.set_offline(False)
    # A browser that was killed may have lost its sign-in, as it may in life.
    if table.page.get_by_role("alert").filter(has_text="sign in").is_visible():
        world.kill_browser()
        table.page = world.open_browser()
        table.arrive()
    try:
        wait_until(lambda: table.page.evaluate(KEPT) == 0, 40, "taps are still only on the device")
    except TimeoutError as late:
        raise AssertionError(f"{late}: {table.page.inner_text('main')[:300]}") from late


def _judge(table: Table) -> None:
    """Hold what is on record against what was tapped."""
    with table.world.store() as db, db.transaction(Sight(PRACTICE_ID)) as t:
        events = order_events(list_events(t, table.session_id))
        run = find_session(t, table.session_id).run
    assert run
    moves = [event.to for event in events if event.kind == "moved"]
    wanted_moves = [entry.address for entry in run.sheet.entries[1 : len(moves) + 1]]
    assert moves == wanted_moves, f"moves on record: {moves}"
    found = " ".join({"said": getattr(event, "word", "")}.get(event.kind, event.kind) for event in events)
    wanted = "".join(f" {tap.what}" if tap.sure else f"( {tap.what})?" for tap in table.taps)
    assert re.fullmatch(f"began{wanted}", found), f"on record: {found}\ntapped: began{wanted}"
