"""The machines of the room on the screens: paired in the settings, held at the table, unplugged in the middle."""

import re
from uuid import uuid4

import pytest
from playwright.sync_api import Page, expect

from tests.browser.serving import LiveServer
from tests.browser.test_accessibility import broken_rules
from tests.conftest import NOW
from tests.devices.programs import running
from tests.web.conftest import a_practice


@pytest.fixture
def own(page: Page, server: LiveServer):
    """A page in a practice of its own, whose tables lift."""
    page.goto(server.url)
    opened = page.request.post(
        f"{server.url}/api/door/practices", data=a_practice("Teal Quarrymoor"), headers={"origin": server.url}
    )
    assert opened.status == 204, opened.text()
    return page


def send(page: Page, url: str, method: str, path: str, data: object) -> None:
    answer = page.request.fetch(f"{url}{path}", method=method, data=data, headers={"origin": url})
    assert answer.ok, answer.text()


def test_the_table_is_paired_moves_while_it_is_held_and_work_goes_on_when_it_is_unplugged(
    own, server, tmp_path
):
    page, url = own, server.url
    send(page, url, "PUT", "/api/house", {"item": "rules.table_height", "after": "lifts", "seen": None})
    with running("lift-table", tmp_path / "memory.json") as table:
        page.goto(f"{url}/practice#machines")
        machines = page.get_by_role("region", name="Machines of the room")
        # Others may run beside the test, and on a busy machine one search may end too soon.
        found = machines.get_by_role("listitem").filter(has_text=f"port {table.port}")
        search = machines.get_by_role("button", name="Search for machines")
        for _ in range(10):
            search.click()
            expect(search).to_be_enabled()
            if found.count():
                break
        found.get_by_label("Code that the lift table shows").fill(table.face()["code"])
        found.get_by_role("button", name="Pair").click()
        expect(machines.get_by_role("status").filter(has_text="stands at 66 cm")).to_be_visible()
        assert broken_rules(page) == []

        session = str(uuid4())
        booking = {
            "session_id": session,
            "new_name": "Gannet Ferrow",
            "minutes": 60,
            "start": {"day": NOW.date().isoformat(), "at": "11:00"},
            "accepted": ["day_off", "too_early", "too_late", "in_lunch", "overlap", "gap_short"],
        }
        send(page, url, "POST", "/api/bookings", booking)
        page.goto(f"{url}/session/{session}/work")
        page.get_by_role("button", name="Nothing new: begin").click()
        expect(page.get_by_text(re.compile("Table at 66 cm; 62 cm suits this"))).to_be_visible()
        button = page.get_by_role("button", name="Hold to lower")
        # A machine that answers late ends the press, and is named instead: it is pressed again.
        for _ in range(20):
            expect(button).to_be_visible()
            if box := button.bounding_box():
                assert box["height"] >= 44
                page.mouse.move(box["x"] + 20, box["y"] + 20)
                page.mouse.down()
                page.wait_for_timeout(1500)
                page.mouse.up()
            if table.face()["state"]["height_cm"] < 65.6:
                break
        assert table.face()["state"]["height_cm"] < 65.6
        page.wait_for_timeout(600)
        stopped = table.face()["state"]
        assert stopped["moving"] == 0
        page.wait_for_timeout(600)
        assert table.face()["state"]["height_cm"] == stopped["height_cm"], "let go, it stands still"

        expect(button).to_be_visible()
        page.mouse.down()
        table.kill()
        expect(page.get_by_text("The lift table does not answer: set it by hand.")).to_be_visible()
        page.mouse.up()
        before = page.get_by_role("heading", level=1).first.inner_text()
        page.keyboard.press("ArrowRight")
        expect(page.get_by_role("heading", level=1).first).not_to_have_text(before)
