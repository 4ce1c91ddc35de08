"""The numbers of the last months: three pictures, each with its sentence, and the table behind it."""

import re

from playwright.sync_api import Page, expect

from tests.browser.pages import Today
from tests.browser.test_accessibility import broken_rules


def test_three_pictures_say_what_the_sessions_add_up_to(page: Page, today: Today):
    page.get_by_role("link", name="Numbers of the last months").click()
    regions = page.get_by_role("region", name="Minutes by region and month")
    expect(regions).to_contain_text(re.compile(r"\d+ min worked, .*\d+ min planned"))
    expect(regions.get_by_role("row", name=re.compile(r"^Back .*\d min.* planned \d+ min"))).to_be_visible()
    depth = page.get_by_role("region", name="How often the depth was right")
    expect(depth).to_contain_text(re.compile(r"You asked \d+ times"))
    expect(depth.get_by_role("listitem").first).to_contain_text(re.compile(r"just right \d+ of \d+ times"))
    hands = page.get_by_role("region", name="Your thumbs by week")
    expect(hands.get_by_role("listitem").first).to_contain_text(re.compile("Week of .* of thumb work"))
    assert broken_rules(page) == []
    with page.expect_download() as table:
        hands.get_by_role("link", name="Download as CSV").click()
    assert table.value.suggested_filename == "hands.csv"
