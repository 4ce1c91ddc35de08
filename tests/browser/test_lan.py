"""A device in the same room: TLS by an authority of our own, which vouches for private addresses and nothing else."""

import ssl
from collections.abc import Iterator
from datetime import UTC, datetime

import httpx
import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect

from launcher.cluster import APP
from launcher.lan import Certificate, ensure_certificate
from launcher.say import Trouble
from tests.browser.pages import SignIn
from tests.browser.serving import LiveServer
from tests.conftest import NOW


@pytest.fixture(scope="module")
def certificate(tmp_path_factory) -> Certificate:
    return ensure_certificate(tmp_path_factory.mktemp("lan"), "127.0.0.1")


@pytest.fixture
def room(cluster, database_name, certificate, tmp_path) -> Iterator[LiveServer]:
    """The server as devices in the same room reach it."""
    live = LiveServer(cluster.dsn(APP, database_name), tmp_path / "log", NOW - datetime.now(UTC), certificate)
    live.start()
    yield live
    live.close()


@pytest.fixture
def phone(browser: Browser) -> Iterator[BrowserContext]:
    """A phone whose owner has accepted the warning."""
    context = browser.new_context(
        viewport={"width": 390, "height": 844}, ignore_https_errors=True, locale="en-GB"
    )
    yield context
    context.close()


def test_a_device_that_installed_the_authority_trusts_the_server_and_no_other_does(room, certificate):
    trusting = ssl.create_default_context(cafile=certificate.authority)
    assert httpx.get(f"{room.url}/api/ready", verify=trusting).status_code == 204
    with pytest.raises(httpx.ConnectError, match="certificate verify failed"):
        httpx.get(f"{room.url}/api/ready")
    with pytest.raises(httpx.ConnectError, match="certificate is not valid for"):
        httpx.get(room.url.replace("127.0.0.1", "localhost"), verify=trusting)
    assert httpx.get(f"{room.url}/authority.crt", verify=trusting).text == certificate.authority.read_text()
    foreign = httpx.get(f"{room.url}/api/ready", headers={"Host": "evil.example"}, verify=trusting)
    assert foreign.status_code == 421


def test_a_phone_in_the_room_is_told_what_to_do_and_opens_an_intake(room, phone: BrowserContext):
    page: Page = phone.new_page()
    page.goto(f"{room.url}/trust")
    expect(page.get_by_role("heading", name="Trust this server on this device")).to_be_visible()
    expect(page.get_by_role("note")).to_contain_text("does not work offline")
    expect(page.get_by_role("link", name="Download the certificate")).to_have_attribute(
        "href", "/authority.crt"
    )
    page.get_by_role("link", name="Sign in").click()
    today = SignIn(page).enter()
    expect(today.next_action).to_be_visible()
    names = {cookie["name"] for cookie in phone.cookies()}
    assert names == {"__Host-tide_sign_in", "__Host-tide_known"}
    made = page.evaluate(
        """async () => {
            const found = await (await fetch("/api/clients?typed=corin")).json();
            const made = await fetch(`/api/clients/${found[0].client_id}/intakes`, { method: "POST" });
            return (await made.json()).link;
        }"""
    )
    assert made.startswith(f"{room.url}/intake#")
    page.goto(made)
    expect(page.get_by_role("heading", name="You")).to_be_visible()


def test_the_authority_is_made_once_and_vouches_for_private_addresses_alone(certificate):
    folder = certificate.authority.parent
    before = certificate.authority.read_bytes(), certificate.certificate.read_bytes()
    again = ensure_certificate(folder, "127.0.0.1")
    assert (again.authority.read_bytes(), again.certificate.read_bytes()) == before
    other = ensure_certificate(folder, "192.168.1.20")
    assert other.authority.read_bytes() == before[0]
    assert oct((folder / "authority.key").stat().st_mode)[-3:] == "600"
    assert oct(certificate.key.stat().st_mode)[-3:] == "600"
    for wrong, says in (("8.8.8.8", "not a private address"), ("tide", "is no address")):
        with pytest.raises(Trouble, match=says):
            ensure_certificate(folder, wrong)
