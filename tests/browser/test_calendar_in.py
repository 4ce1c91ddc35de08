"""A calendar file comes in: chosen, looked at, imported; what it blocks lies in the day and can be freed."""

from datetime import timedelta

import pytest
from icalendar import Calendar, Event
from playwright.sync_api import Page, expect

from tests.browser.pages import Today
from tests.browser.test_accessibility import broken_rules
from tests.conftest import NOW

TOMORROW = NOW.replace(hour=13, minute=0, second=0, microsecond=0) + timedelta(days=1)


def _event(uid: str, title: str, hour: int) -> Event:
    event = Event()
    event.add("uid", uid)
    event.add("summary", title)
    event.add("dtstart", TOMORROW.replace(hour=hour))
    event.add("dtend", TOMORROW.replace(hour=hour + 1))
    return event


@pytest.fixture
def file(tmp_path):
    """A file with a session of somebody known and an event of one's own."""
    calendar = Calendar()
    calendar.add_component(_event("1", "Corin Foghollow, back", 7))
    calendar.add_component(_event("2", "Dentist", 9))
    path = tmp_path / "week.ics"
    path.write_bytes(calendar.to_ical())
    return path


def test_a_file_is_looked_at_imported_and_what_it_blocks_is_freed_again(page: Page, today: Today, file):
    page.get_by_role("link", name="Import a calendar").click()
    page.get_by_label("File").set_input_files(file)
    expect(page.get_by_label("What “Corin Foghollow, back” becomes")).to_have_value("session")
    expect(page.get_by_label("Client of “Corin Foghollow, back”")).to_have_value("Corin Foghollow")
    expect(page.get_by_label("What “Dentist” becomes")).to_have_value("block")
    assert broken_rules(page) == []
    page.get_by_role("button", name="Import 1 event as sessions and 1 event as blocked time").click()
    anyway = page.get_by_role("button", name="Import anyway")
    told = page.get_by_role("status").filter(has_text="1 session booked, 1 time blocked.")
    expect(told.or_(anyway)).to_be_visible()
    if anyway.is_visible():
        anyway.click()
    expect(told).to_be_visible()

    page.goto(f"{page.url.split('/calendar-in')[0]}/?day={TOMORROW.date().isoformat()}")
    expect(page.get_by_role("list").filter(has_text="Corin Foghollow").first).to_be_visible()
    blocked = page.get_by_role("region", name="Blocked time of this day")
    expect(blocked).to_contain_text("Dentist")
    assert broken_rules(page) == []
    blocked.get_by_role("button", name="Delete the blocked time “Dentist”").click()
    expect(blocked).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(blocked).to_contain_text("Dentist")


def test_a_session_whose_event_was_cancelled_is_told(page: Page, today: Today, tmp_path):

    def choose(name, **changes):
        calendar = Calendar()
        event = _event("walk", "Corin Foghollow, feet", 16)
        for field, value in changes.items():
            event.add(field, value)
        calendar.add_component(event)
        path = tmp_path / f"{name}.ics"
        path.write_bytes(calendar.to_ical())
        page.get_by_label("File").set_input_files(path)

    page.get_by_role("link", name="Import a calendar").click()
    choose("first")
    page.get_by_role("button", name="Import 1 event as sessions").click()
    told = page.get_by_role("status").filter(has_text="1 session booked.")
    anyway = page.get_by_role("button", name="Import anyway")
    expect(told.or_(anyway)).to_be_visible()
    if anyway.is_visible():
        anyway.click()
    undo = page.get_by_role("button", name="Undo")
    expect(undo).to_be_visible()
    choose("called off", status="CANCELLED")
    expect(page.get_by_text("1 session is booked here, but cancelled in that calendar")).to_be_visible()
    expect(page.get_by_role("link", name="Corin Foghollow, ")).to_have_attribute(
        "href", f"/?day={TOMORROW.date().isoformat()}"
    )
    choose("again")
    expect(page.get_by_text("already here")).to_be_visible()


def test_an_import_is_undone(page: Page, today: Today, file):
    page.get_by_role("link", name="Import a calendar").click()
    page.get_by_label("File").set_input_files(file)
    page.get_by_label("What “Corin Foghollow, back” becomes").select_option("leave_out")
    page.get_by_role("button", name="Import 1 event as blocked time").click()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("status")).to_have_text("The import is undone.")
    page.goto(f"{page.url.split('/calendar-in')[0]}/?day={TOMORROW.date().isoformat()}")
    expect(page.get_by_role("heading", name="Today").or_(page.get_by_role("main"))).to_be_visible()
    expect(page.get_by_role("region", name="Blocked time of this day")).to_have_count(0)


def test_a_file_that_is_no_calendar_says_so(page: Page, today: Today, tmp_path):
    page.get_by_role("link", name="Import a calendar").click()
    path = tmp_path / "notes.ics"
    path.write_text("milk, oil, towels")
    page.get_by_label("File").set_input_files(path)
    expect(page.get_by_role("alert")).to_contain_text("export the calendar as an iCalendar file")
