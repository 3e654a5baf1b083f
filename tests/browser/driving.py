"""Shared by the browser tests: starting Chromium, logging in, filling the core's own forms, checking accessibility."""

import threading
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from django.core.signals import request_finished, request_started
from django.dispatch import receiver
from playwright.sync_api import Browser, BrowserContext, Locator, Page, expect, sync_playwright

from amvel.case import Field
from tests.conftest import ROOT
from tests.patience import PATIENCE_MS, until
from tests.server.conftest import PASSWORD, logged_in

FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]
expect.set_options(timeout=PATIENCE_MS)
AXE = ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js"


VIEW = {
    "viewport": {"width": 1280, "height": 800},
    # Without motion: what is drawn by a processor alone costs as much as the whole application beside it.
    "reduced_motion": "reduce",
}
# All that an address can leave on a device, but for the files of the application.
LEFT_THERE = "cookies,file_systems,indexeddb,local_storage,service_workers,cache_storage"


@pytest.fixture(scope="session")
def device(tmp_path_factory: pytest.TempPathFactory, live_server) -> Iterator[BrowserContext]:
    """What lasts for a test process: a browser that keeps the application's files compiled, as at its second opening in life.

    A browser that never saw them takes more than half of its time for that.  Without a service worker, which would fetch
    every file of the application once more.
    """
    with sync_playwright() as p:
        place = tmp_path_factory.mktemp("device")
        context = p.chromium.launch_persistent_context(
            place, executable_path="/usr/bin/chromium", args=FLAGS, base_url=live_server.url, service_workers="block", **VIEW
        )
        yield context
        context.close()


@pytest.fixture(scope="session")
def chromium(device: BrowserContext) -> Browser:
    """For other devices than the first: see `open_page`."""
    assert device.browser is not None
    return device.browser


def open_page(chromium: Browser, url: str, touch: bool = False, installs: bool = False) -> Page:
    """A page on a device of its own; with `installs` it keeps the application there, so that it opens without a network."""
    return _watched(chromium.new_context(base_url=url, has_touch=touch, service_workers="allow" if installs else "block", **VIEW).new_page(), url)


def open_tab(device: BrowserContext, url: str) -> Page:
    """A page on the device that lasts; `close_tab` leaves nothing of it."""
    return _watched(device.new_page(), url)


def close_tab(tab: Page) -> None:
    device = tab.context
    tab.close()
    device.set_offline(False)
    device.clear_cookies()
    still = device.new_cdp_session(device.pages[0])
    still.send("Storage.clearDataForOrigin", {"origin": tab.base_url, "storageTypes": LEFT_THERE})
    still.detach()


def _watched(page: Page, url: str) -> Page:
    page.set_default_timeout(PATIENCE_MS)
    page.base_url = url
    page.faults = []
    page.on("pageerror", lambda e: page.faults.append(str(e)))
    page.under_way = set()
    page.on("request", lambda r: page.under_way.add(r))
    page.on("requestfinished", lambda r: page.under_way.discard(r))
    page.on("requestfailed", lambda r: page.under_way.discard(r))
    return page


_LOOK_MS = 50


def shown_until(page: Page, holds: Callable[[], object]) -> None:
    """Wait for what is asked of a page in Python, while the page goes on."""
    until(holds, _LOOK_MS / 1000, lambda s: page.wait_for_timeout(1000 * s))


def all_answered(page: Page, quiet_ms: int = 700) -> None:
    """Wait until nothing asked is unanswered for a while.

    Not ``networkidle``: that state belongs to the loading of the document and, once reached, is never waited for again.
    """
    quiet = 0

    def is_quiet() -> bool:
        nonlocal quiet
        quiet = 0 if page.under_way else quiet + _LOOK_MS
        return quiet >= quiet_ms

    shown_until(page, is_quiet)


@pytest.fixture
def page(device: BrowserContext, live_server) -> Iterator[Page]:
    tab = open_tab(device, live_server.url)
    yield tab
    close_tab(tab)
    every_request_ended()
    assert tab.faults == []


@pytest.fixture
def installed_page(chromium: Browser, live_server) -> Iterator[Page]:
    """One on a device of its own, that keeps the application there."""
    page = open_page(chromium, live_server.url, installs=True)
    yield page
    page.context.close()
    every_request_ended()
    assert page.faults == []


_ANSWERING: set[int] = set()  # threads that have begun to answer a request and not ended it


@receiver(request_started)
def _begins(**_more: object) -> None:
    _ANSWERING.add(threading.get_ident())


@receiver(request_finished)
def _ends(**_more: object) -> None:
    _ANSWERING.discard(threading.get_ident())


def every_request_ended() -> None:
    """The live server answers in threads of this process: a request that outlives its page would meet an emptied database."""
    quiet = 0

    def is_quiet() -> bool:
        nonlocal quiet
        quiet = 0 if any(t.ident in _ANSWERING and "process_request_thread" in t.name for t in threading.enumerate()) else quiet + 1
        return quiet >= 3

    until(is_quiet, every_s=0.02)


def log_in(page: Page, name: str = "ann") -> None:
    page.goto("/")
    page.fill("input[name=username]", name)
    page.fill("input[name=password]", PASSWORD)
    page.get_by_role("button", name="Come in").click()
    expect(page.get_by_role("heading", name="Today")).to_be_visible()


def let_in(page: Page, name: str = "ann") -> None:
    """As somebody who has logged in on this device: the form is filled in by tests that begin with `log_in`."""
    cookies = logged_in(name).browser.cookies.values()
    page.context.add_cookies([{"name": c.key, "value": c.value, "url": page.base_url} for c in cookies])


def log_out(page: Page) -> None:
    page.get_by_role("button", name="Log out").click()
    expect(page.locator("input[name=username]")).to_be_visible()


def no_fault(page: Page, where: str) -> None:
    """axe-core: nothing at all, of whatever impact."""
    # A colour is judged when it has arrived, not on its way.
    page.evaluate("Promise.all(document.getAnimations().filter(a => a.effect?.getTiming().iterations !== Infinity).map(a => a.finished.catch(() => 0)))")
    page.evaluate(AXE.read_text())
    found = page.evaluate("axe.run(document, {resultTypes: ['violations']})")
    bad = [(v["id"], v["impact"], [n["target"] for n in v["nodes"]][:3]) for v in found["violations"]]
    assert not bad, (where, bad)


def fill(scope: Locator, field: Field, value: Any) -> None:
    """One entry of a form, the way a person would."""
    entry = scope.locator(".entry", has=scope.page.get_by_text(field.title, exact=False)).filter(
        has_text=field.title
    )
    own = entry.first
    words = dict(field.choices)
    if field.kind == "choice" and len(field.choices) <= 6:
        own.get_by_text(words[str(value)], exact=True).click()
    elif field.kind == "choice":
        own.locator(".el-select").click()
        scope.page.get_by_role("listbox", name=field.title, exact=True).get_by_role(
            "option", name=words[str(value)], exact=True
        ).click()
    elif field.kind == "choices":
        for v in value:
            own.get_by_role("button", name=words[v], exact=True).click()
    elif field.kind == "yes_no":
        own.get_by_text("Yes" if value else "No", exact=True).click()
    elif field.kind == "date":
        own.locator("input[type=date]").fill(str(value))
        own.locator("input[type=date]").dispatch_event("change")
    else:
        own.locator("input").fill(f"{value:g}" if isinstance(value, float) else str(value))
        own.locator("input").press("Tab")
