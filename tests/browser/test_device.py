"""The device that browser tests share: what one of them leaves there, the next one does not find."""

import pytest
from playwright.sync_api import BrowserContext, Page

from tests.browser.driving import close_tab, let_in, open_tab
from tests.server.conftest import user_of

pytestmark = pytest.mark.django_db(transaction=True)
LEAVE = """() => new Promise(done => {
    localStorage.setItem('left', 'here'); sessionStorage.setItem('left', 'here'); document.cookie = 'left=here'
    const opened = indexedDB.open('left'); opened.onsuccess = () => done(opened.result.name)
})"""
LOOK = """async () => [localStorage.length, sessionStorage.length, document.cookie.includes('left'), (await indexedDB.databases()).map(d => d.name).includes('left')]"""


def seen_after(device: BrowserContext, left: Page) -> list:
    url = left.base_url
    close_tab(left)
    tab = open_tab(device, url)
    tab.goto("/readyz")
    found = tab.evaluate(LOOK)
    assert "sessionid" not in {c["name"] for c in device.cookies()}
    close_tab(tab)
    return found


def test_nothing_is_found_of_the_test_before(device: BrowserContext, live_server) -> None:
    user_of("ann")
    tab = open_tab(device, live_server.url)
    let_in(tab)
    tab.goto("/readyz")
    tab.evaluate(LEAVE)
    assert tab.evaluate(LOOK) == [1, 1, True, True]
    device.set_offline(True)
    assert seen_after(device, tab) == [0, 0, False, False]
