"""Pages whose files come later than the first one: slowly, or from a server that has got a new version since."""

import re

from playwright.sync_api import Page, Route, expect

from tests.browser.pages import Today

BROUGHT_IN = """
    () => performance.getEntriesByType("resource").some(({ name }) => /PracticePage/.test(name))
"""
"""Whether the pages that the first one did not need have been asked for."""


def gone(route: Route) -> None:
    route.fulfill(status=404)


def open_numbers(page: Page) -> None:
    page.get_by_role("link", name="Numbers of the last months").click()
    expect(page.get_by_role("region", name="Minutes by region and month")).to_be_visible()


def test_an_open_page_needs_none_of_the_files_that_are_gone(page: Page, today: Today):
    page.wait_for_function(BROUGHT_IN)
    page.wait_for_load_state("networkidle")
    page.route("**/assets/**", gone)
    open_numbers(page)


def test_a_page_whose_file_is_gone_comes_with_the_new_version(page: Page, today: Today):
    asked, loads = [], []

    def answer(route: Route) -> None:
        asked.append(route.request.url)
        gone(route) if not loads else route.continue_()

    page.route(re.compile("/assets/NumbersPage"), answer)
    page.reload()
    page.on("load", lambda: loads.append(page.url))
    open_numbers(page)
    assert len(asked) > 1
    assert len(loads) == 1


def test_a_page_whose_file_is_slow_is_told_to_be_on_its_way(page: Page, today: Today):
    held: list[Route] = []

    def hold(route: Route) -> None:
        held.append(route)

    page.route(re.compile("/assets/NumbersPage"), hold)
    page.reload()
    page.get_by_role("link", name="Numbers of the last months").click()
    expect(page.get_by_role("status").filter(has_text="Opening the page")).to_be_visible()
    # The way to every other page is still there.
    expect(page.get_by_role("navigation").first).to_be_visible()
    for route in held:
        route.continue_()
    expect(page.get_by_role("region", name="Minutes by region and month")).to_be_visible()
    expect(page.get_by_role("status").filter(has_text="Opening the page")).to_have_count(0)
