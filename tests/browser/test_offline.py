"""A started run needs no server, and two devices on one run come to the same end."""

import re
from datetime import UTC, datetime, timedelta

import httpx
import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect

from tests.browser.pages import KEPT, RUNS, Plan, SignIn, Today, Work, run_of, wait_for
from tests.browser.serving import LiveServer


@pytest.fixture(scope="module")
def browser_context_args(browser_context_args):
    return {**browser_context_args, "service_workers": "allow"}


def begun(page: Page, today: Today) -> Work:
    today.open("Isolde Kelpworth")
    work = Plan(page).to_work()
    with page.expect_response(re.compile("/table-side$")):
        work.begin()
    ready_for_the_cellar(page)
    return work


def ready_for_the_cellar(page: Page) -> None:
    """The worker has its pages, and the device has the run."""
    page.evaluate("navigator.serviceWorker.ready.then(() => true)")
    wait_for(page, RUNS, 1)


def test_a_begun_session_is_worked_reloaded_and_ended_without_a_network(
    page: Page, context: BrowserContext, server: LiveServer, today: Today
):
    work = begun(page, today)
    page.keyboard.press("PageDown")
    context.set_offline(True)
    for _ in range(12):
        page.keyboard.press("PageDown")
    work.go_on_until(work.pad("Deeper").is_enabled)
    work.pad("Deeper").click()
    here = work.stroke.inner_text()
    page.reload()
    expect(work.stroke).to_have_text(here)
    expect(page.get_by_role("button", name=re.compile("^Deeper"))).to_have_attribute("aria-pressed", "true")
    # What may give way is known without the server as well.
    page.get_by_role("button", name="Leave early").click()
    page.get_by_role("button", name="15 min").click()
    page.get_by_role("button", name="Do this").click()
    work.go_to_the_end()
    page.keyboard.press("PageDown")
    expect(page.get_by_text("kept on this device")).to_be_visible()
    context.set_offline(False)
    page.get_by_role("link", name="Log the session").click()
    told = page.evaluate(
        "url => fetch(url).then((answer) => answer.json())",
        page.url.replace("/session/", "/api/sessions/").replace("/log", "/run"),
    )
    assert told["ended_at"]
    assert told["total"]
    assert [one["word"] for one in told["said"]] == ["deeper"]
    # Once all has arrived, nothing of the client stays on the device.
    wait_for(page, RUNS, 0)


@pytest.mark.long
def test_a_server_that_says_nothing_is_not_waited_for(page: Page, server: LiveServer, today: Today):
    work = begun(page, today)
    for _ in range(5):
        page.keyboard.press("PageDown")
    here = work.stroke.inner_text()
    server.stop()
    try:
        page.reload()
        expect(work.stroke).to_have_text(here)
        page.keyboard.press("PageDown")
        expect(work.stroke).not_to_have_text(here)
    finally:
        server.start()
    assert run_of(page)["entry"] == 6


def test_whoever_signs_out_leaves_no_session_on_the_device(page: Page, server: LiveServer, today: Today):
    begun(page, today)
    wait_for(page, RUNS, 1)
    page.goto(server.url)
    page.get_by_role("button", name=re.compile("^Sign out")).click()
    expect(page.get_by_label("Password")).to_be_visible()
    wait_for(page, RUNS, 0)


def test_signing_out_needs_no_network_and_clears_the_device_first(
    page: Page, context: BrowserContext, server: LiveServer, today: Today
):
    """What has not been sent is asked about, stays hidden from whoever comes next, and arrives with its owner."""
    begun(page, today)
    session = page.url
    page.goto(server.url)
    page.goto(session)
    expect(Work(page).stroke).to_be_visible()
    page.evaluate("localStorage.setItem('tide-intake left', '{}')")
    context.set_offline(True)
    page.keyboard.press("PageDown")
    page.keyboard.press("PageDown")
    wait_for(page, KEPT, 2)
    page.goto(server.url)
    page.get_by_role("button", name=re.compile("^Sign out")).click()
    asked = page.get_by_role("dialog", name="Sign out now?")
    expect(asked).to_contain_text("2 taps have not reached the practice yet")
    asked.get_by_role("button", name="Stay signed in").click()
    expect(asked).to_be_hidden()
    page.get_by_role("button", name=re.compile("^Sign out")).click()
    asked.get_by_role("button", name="Sign out").click()
    expect(page.get_by_label("Password")).to_be_visible()
    wait_for(page, RUNS, 0)
    wait_for(page, KEPT, 2)
    assert page.evaluate("localStorage.getItem('tide-intake left')") is None
    # With the network back nobody is signed in, here and on the server.
    page.goto(session)
    expect(page.get_by_label("Password")).to_be_visible()
    context.set_offline(False)
    page.goto(server.url)
    expect(page.get_by_label("Password")).to_be_visible()
    assert page.evaluate("fetch('/api/me').then((answer) => answer.status)") == 401
    wait_for(page, KEPT, 2)
    SignIn(page).enter()
    expect(Today(page).next_action).to_be_visible()
    # Nobody has to open the session for its taps to arrive.
    wait_for(page, KEPT, 0)


def test_an_expired_sign_in_hides_what_the_device_keeps_until_its_owner_is_back(
    page: Page, context: BrowserContext, server: LiveServer, today: Today
):
    work = begun(page, today)
    session, here = page.url, work.stroke.inner_text()
    context.clear_cookies()
    page.goto(server.url)
    expect(page.get_by_label("Password")).to_be_visible()
    context.set_offline(True)
    page.goto(session)
    expect(page.get_by_text(here)).to_be_hidden()
    expect(page.get_by_text("Isolde")).to_be_hidden()
    context.set_offline(False)
    wait_for(page, RUNS, 1)
    page.goto(server.url)
    SignIn(page).enter()
    expect(Today(page).next_action).to_be_visible()
    context.set_offline(True)
    page.goto(session)
    expect(work.stroke).to_have_text(here)
    context.set_offline(False)


def test_what_ended_elsewhere_leaves_the_device(
    page: Page, context: BrowserContext, server: LiveServer, today: Today
):
    begun(page, today)
    session = page.url.split("/session/")[1].split("/")[0]
    page.goto(server.url)
    expect(Today(page).next_action).to_be_visible()
    wait_for(page, RUNS, 1)
    # Another device ends it, and this one never opens it again.
    page.evaluate(
        """async (url) => {
            const at = (await (await fetch(`${url}/run`)).json()).last_at;
            const events = [{ id: crypto.randomUUID(), kind: "ended", at }];
            const headers = { "Content-Type": "application/json" };
            await fetch(`${url}/events`, { method: "POST", headers, body: JSON.stringify({ events }) });
        }""",
        f"/api/sessions/{session}",
    )
    page.goto(server.url)
    wait_for(page, RUNS, 0)


def test_of_an_erased_client_nothing_stays_on_the_device_not_even_what_was_never_sent(
    page: Page, context: BrowserContext, server: LiveServer, today: Today
):
    begun(page, today)
    context.set_offline(True)
    page.keyboard.press("PageDown")
    page.keyboard.press("PageDown")
    wait_for(page, KEPT, 2)
    # A colleague erases the client meanwhile.
    cookies = {cookie["name"]: cookie["value"] for cookie in context.cookies()}
    headers = {"Origin": server.url}
    with httpx.Client(base_url=server.url, cookies=cookies, headers=headers) as colleague:
        (isolde,) = colleague.get("/api/clients", params={"typed": "isolde"}).json()
        gone = colleague.post(f"/api/clients/{isolde['client_id']}/erase", json={"name": isolde["name"]})
        assert gone.status_code == 200
    page.goto(server.url)
    context.set_offline(False)
    page.reload()
    wait_for(page, RUNS, 0)
    wait_for(page, KEPT, 0)
    kept = page.evaluate("JSON.stringify({ ...localStorage, ...sessionStorage })")
    assert "Isolde" not in kept


def test_nothing_stays_on_a_device_for_more_than_thirty_days(
    page: Page, context: BrowserContext, server: LiveServer, today: Today
):
    """Taps that could never be sent, of whoever it was: yesterday's stay."""
    page.evaluate(
        """() => new Promise((done) => {
            const opening = indexedDB.open("mellow-tide");
            opening.onsuccess = () => {
                const adding = opening.result.transaction("events", "readwrite");
                for (const days of [31, 1])
                    adding.objectStore("events").add({
                        sessionId: "of somebody else", owner: "somebody else", event: { id: `${days}` },
                        keptAt: Date.now() - days * 24 * 3600 * 1000,
                    });
                adding.oncomplete = () => { opening.result.close(); done(); };
            };
        })"""
    )
    page.reload()
    wait_for(page, KEPT, 1)
    expect(Today(page).next_action).to_be_visible()
    page.get_by_role("button", name=re.compile("^Sign out")).click()
    # They are somebody else's: nobody is asked about them.
    expect(page.get_by_label("Password")).to_be_visible()


def test_a_tablet_and_a_phone_on_one_run_come_to_the_same(
    page: Page, context: BrowserContext, browser: Browser, server: LiveServer, today: Today
):
    tablet = begun(page, today)
    pocket = browser.new_context(viewport={"width": 390, "height": 844}, locale="en-GB")
    # The phone's clock is three minutes behind, as clocks are.
    phone_page = pocket.new_page()
    phone_page.clock.set_system_time(datetime.now(UTC) + server.ahead - timedelta(minutes=3))
    phone_page.goto(server.url)
    SignIn(phone_page).enter()
    expect(Today(phone_page).next_action).to_be_visible()
    phone_page.goto(page.url)
    phone = Work(phone_page)
    page.keyboard.press("PageDown")
    expect(phone.stroke).to_have_text(tablet.stroke.inner_text())
    phone_page.get_by_role("button", name="Go on").click()
    expect(tablet.stroke).to_have_text(phone.stroke.inner_text())
    # The tablet loses the network and is worked on; the phone says a word meanwhile. Then they meet again.
    context.set_offline(True)
    for _ in range(7):
        page.keyboard.press("PageDown")
    phone_page.keyboard.press("PageDown")
    context.set_offline(False)
    page.keyboard.press("PageDown")
    expect(phone.stroke).to_have_text(tablet.stroke.inner_text())
    wait_for(phone_page, RUN, run_of(page))
    pocket.close()


RUN = """() => fetch(location.pathname.replace("/session/", "/api/sessions/").replace("/work", "/run"))
    .then((answer) => answer.json())"""
