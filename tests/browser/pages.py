"""What a person finds on each screen, by role and name."""

import re
import time
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from typing import Any

from playwright.sync_api import Locator, Page, expect

from mellow_tide.demo.people import THERAPIST_EMAIL, THERAPIST_PASSWORD

PATIENCE = 60_000
"""Milliseconds. What is waited for comes, on a busy machine too; this is for what never does."""


AT = """(document.querySelector("[data-at]")?.dataset.at ?? "")
    + (document.querySelector("[role=dialog], dialog[open]") ? " asked" : "")"""
"""Where the table is: an entry's address or the end, and whether something is asked over it."""


class Acting:
    """Somebody who presses, fills in and uses keys, and counts it: each is an act."""

    def __init__(self) -> None:
        self.acts = 0

    def press(self, what: Locator) -> None:
        self.acts += 1
        what.click()

    def fill(self, what: Locator, words: str) -> None:
        self.acts += 1
        what.fill(words)

    def key(self, page: Page, key: str) -> None:
        self.acts += 1
        page.keyboard.press(key)

    def type(self, page: Page, words: str) -> None:
        self.acts += 1
        page.keyboard.type(words)


class SignIn:
    def __init__(self, page: Page) -> None:
        self.page = page

    def enter(self, email: str = THERAPIST_EMAIL, password: str = THERAPIST_PASSWORD) -> "Today":
        self.page.get_by_label("E-mail").fill(email)
        self.page.get_by_label("Password").fill(password)
        self.page.get_by_role("button", name="Sign in").click()
        return Today(self.page)


class Today:
    def __init__(self, page: Page) -> None:
        self.page = page
        self.next_action = page.get_by_role("region", name="Next action")

    def open(self, client: str) -> None:
        self.page.get_by_role("listitem").filter(has_text=client).get_by_role("link").click()
        self.page.wait_for_url(re.compile(r"/session/.*/(meet|plan|work|log)$"))
        if self.page.url.endswith("/meet"):
            to_plan(self.page)


class Plan:
    def __init__(self, page: Page) -> None:
        self.page = page
        self.tide = page.get_by_role("group", name="Tide line")
        self.fit = page.get_by_text(re.compile(r"^(Fits|\d+ .* (over|under) the)"))

    def word(self, about: str) -> Locator:
        return self.page.get_by_role("button", name=re.compile(f"^{about}: "))

    def panel(self, about: str) -> Locator:
        self.word(about).click()
        return self.page.get_by_role("dialog", name=about)

    def type_minutes(self, minutes: str) -> Locator:
        panel = self.panel("Booked minutes")
        panel.get_by_label("Booked minutes").fill(minutes)
        panel.get_by_role("button", name="Plan", exact=True).click()
        return panel

    def of_kind(self, choice: str, word: str) -> None:
        self.panel("Kind of session").get_by_role("radio", name=choice, exact=True).click()
        expect(self.word("Kind of session")).to_have_text(word)
        self.planned()

    def beside(self, name: str, region: str = "") -> Locator:
        """What is seen beside the plan, opened by its name."""
        self.page.get_by_role("button", name=name, exact=True).click()
        return self.page.get_by_role("region", name=region or name, exact=True)

    def planned(self) -> None:
        expect(self.page.get_by_text("The plan is up to date")).to_be_attached()

    def swell(self, name: str) -> Locator:
        return self.tide.get_by_role("button", name=re.compile(f"^{name}, "))

    def part(self, name: str) -> Locator:
        """The row of a part in the list; the passages are opened where it is in none that is open."""
        rows = self.page.get_by_role("region", name="Sequence")
        row = rows.get_by_role("button", name=re.compile(f"{name}(?! with)"))
        expect(rows.get_by_role("button", name=re.compile("First contact"))).to_be_visible()
        closed = rows.get_by_role("button", name=re.compile("(behind|in front|with .*): "), expanded=False)
        while row.count() == 0 and closed.count():
            closed.first.click()
        return row

    def drag(self, name: str, *by: tuple[int, int]) -> None:
        """Take a part of the tide line up and carry it along, without letting go."""
        self.page.evaluate("scrollTo(0, 0)")
        box = self.swell(name).bounding_box()
        assert box
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        self.page.mouse.move(x, y)
        self.page.mouse.down()
        self.page.mouse.move(x + 8, y)
        for dx, dy in by:
            self.page.mouse.move(x + dx, y + dy, steps=6)

    def names(self) -> list[str]:
        """What the parts of the tide line are called, from left to right."""
        labels = [swell.get_attribute("aria-label") or "" for swell in self.tide.get_by_role("button").all()]
        return [label.split(",")[0] for label in labels]

    def to_work(self) -> "Work":
        self.page.get_by_role("link", name="To the table").click()
        return Work(self.page)


class Work:
    def __init__(self, page: Page) -> None:
        self.page = page
        self.stroke = page.get_by_role("heading", level=1)
        self.water = page.get_by_test_id("water")

    def begin(self, news: str = "") -> None:
        if news:
            self.page.get_by_label("Ask: is anything new?").fill(news)
            self.page.get_by_role("button", name="Noted: put it into the plan").click()
            self.page.get_by_role("button", name="Begin", exact=True).click()
        else:
            self.page.get_by_role("button", name="Nothing new: begin").click()
        expect(self.page.get_by_role("button", name="Go on")).to_be_visible()

    def happened(self, what: str) -> None:
        """One of what may happen at the table beside the plan."""
        self.page.get_by_role("button", name="What happened").click()
        self.page.get_by_role("dialog", name="What happened").get_by_role("button", name=what).click()

    def more(self, what: str) -> None:
        self.page.get_by_role("button", name="More", exact=True).click()
        self.page.get_by_role("button", name=what).click()

    def go_on(self) -> str:
        """Press the key that goes on, and see that it did: another stroke, a question or the end. Says where it is."""
        before = self.page.evaluate(AT)
        self.page.keyboard.press("PageDown")
        until = time.monotonic() + PATIENCE / 1000
        while (now := self.page.evaluate(AT)) == before:
            assert time.monotonic() < until, f"it does not go on from {before}"
        return str(now)

    def go_on_until(self, there: Callable[[], object]) -> None:
        """Go on, stroke by stroke, until `there` holds; fails at the end of the session."""
        passed = [""]
        while not there():
            assert not passed[-1].startswith("end"), f"the session is over: {passed}"
            passed.append(self.go_on())

    def go_to_the_end(self) -> None:
        self.go_on_until(lambda: self.page.evaluate(AT).startswith("end"))
        expect(self.page.get_by_role("heading", name="End the session?")).to_be_visible()

    def is_at(self, strokes: str) -> bool:
        """Whether the present stroke begins with one of these words, divided by |."""
        return bool(re.match(strokes, self.stroke.inner_text()))

    def pad(self, word: str) -> Locator:
        return self.page.get_by_role("group", name="What the client says").get_by_role("button", name=word)

    def end(self) -> "Log":
        self.go_to_the_end()
        self.page.keyboard.press("PageDown")
        self.page.get_by_role("link", name="Log the session").click()
        return Log(self.page)


class Log:
    def __init__(self, page: Page) -> None:
        self.page = page

    def row(self, region: str) -> Locator:
        return self.page.get_by_role("row").filter(
            has=self.page.get_by_role("rowheader", name=region, exact=True)
        )

    def suited(self, region: str) -> Locator:
        return self.page.get_by_label(f"Depth that suited, {region}", exact=True)


def to_plan(page: Page) -> None:
    """From another stage of the session."""
    page.get_by_role("navigation", name="Stages of the session").get_by_role("link", name="Plan").click()
    page.wait_for_url(re.compile(r"/plan$"))


def take_away(page: Page, part_id: str) -> None:
    """Take a part out of the session on the Plan screen, as another tool might."""
    edit(page, [{"kind": "remove_part", "part_id": part_id}])


def remove_stroke(page: Page, part_id: str, stroke: str) -> None:
    """Take the step with a stroke away from a part."""
    session = page.request.get(_session_address(page)).json()
    part = next(part for part in session["plan"]["flow"]["parts"] if part["id"] == part_id)
    at = next(i for i, step in enumerate(part["steps"]) if step["stroke"] == stroke)
    edit(page, [{"kind": "remove_step", "part_id": part_id, "step": at}])


def lengthen(page: Page, part_id: str, passes: int) -> None:
    """Give the second stroke of a part so many passes."""
    edit(page, [{"kind": "change_step", "part_id": part_id, "step": 2, "passes": passes}])


def edit(page: Page, edits: list[dict[str, object]]) -> None:
    """Edit the flow of the session on the Plan screen, behind its back."""
    page.evaluate(
        """async ([url, edits]) => {
            const { revision } = await (await fetch(url)).json();
            const body = JSON.stringify({ revision, edits });
            const headers = { "Content-Type": "application/json" };
            const answer = await fetch(`${url}/edits`, { method: "POST", headers, body });
            if (!answer.ok) throw new Error(await answer.text());
        }""",
        [_session_address(page), edits],
    )


def _session_address(page: Page) -> str:
    """Where the server keeps the session on the Plan screen."""
    return page.url.replace("/session/", "/api/sessions/").removesuffix("/plan")


def hold_clock(page: Page) -> None:
    """Take the page's clock into our hands, at what it shows now."""
    page.clock.install(time=datetime.fromtimestamp(page.evaluate("Date.now()") / 1000, UTC))


def as_booked(page: Page, after: timedelta = timedelta(minutes=5)) -> None:
    """Take the clock into our hands, `after` the hour for which the session of this page is booked."""
    url = page.url.replace("/session/", "/api/sessions/").rsplit("/", 1)[0]
    told = page.evaluate("url => fetch(url).then((answer) => answer.json())", url)
    page.clock.install(time=datetime.fromisoformat(told["starts_at"]) + after)


def press_until(page: Page, key: str, there: Callable[[], bool]) -> None:
    """Press a key again and again, as often as it takes; each press is given a moment to show."""
    until = time.monotonic() + PATIENCE / 1000
    while not there():
        assert time.monotonic() < until, f"{key} was pressed in vain"
        page.keyboard.press(key)
        shows_by = time.monotonic() + 1
        while not there() and time.monotonic() < shows_by:
            page.wait_for_timeout(20)


def run_of(page: Page) -> dict[str, Any]:
    """The run of the session at this table as the server knows it, once everything has been sent."""
    wait_for(page, KEPT, 0, between=lambda: page.clock.run_for(1000))
    url = page.url.replace("/session/", "/api/sessions/").replace("/work", "/run")
    return page.evaluate("url => fetch(url).then((answer) => answer.json())", url)


def wait_for(page: Page, script: str, value: object, between: Callable[[], object] | None = None) -> None:
    """Wait until a script of the page answers `value`; `between` is done before it is asked again."""
    until = time.monotonic() + PATIENCE / 1000
    while (answer := page.evaluate(script)) != value:
        assert time.monotonic() < until, f"{script}: still {answer}, not {value}"
        page.wait_for_timeout(20)
        if between:
            between()


def come_to_rest(page: Page) -> None:
    """Wait until nothing on the page moves any more, but what moves for ever."""
    page.evaluate(
        """() => Promise.allSettled(
            document.getAnimations()
                .filter((one) => one.effect?.getComputedTiming().endTime !== Infinity)
                .map((one) => one.finished)
        ).then(() => undefined)"""
    )


def counting(store: str) -> str:
    """A script that counts what the device keeps in one of its stores."""
    return f"""() => new Promise((found) => {{
        const opening = indexedDB.open("mellow-tide");
        opening.onsuccess = () => {{
            const counting = opening.result.transaction("{store}").objectStore("{store}").count();
            counting.onsuccess = () => {{ opening.result.close(); found(counting.result); }};
        }};
    }})"""


KEPT = counting("events")
"""How many taps are still only on the device."""

RUNS = counting("runs")
"""How many runs it keeps whole."""
