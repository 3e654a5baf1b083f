"""Every page: in the dark theme judged by axe-core as the light one is elsewhere, and on no screen wider than it."""

import pytest
from playwright.sync_api import Page

from clients.casework import create_client
from programmes.building import build
from tests.browser.driving import all_answered, log_in, no_fault
from tests.server.conftest import today_case, user_of

pytestmark = [pytest.mark.django_db(transaction=True), pytest.mark.long]
STATIONS = ("story", "measure", "limits", "movements", "room", "programme", "visit", "course", "papers")
# A phone, a tablet, and the screen at the mat (1280×800) at 200 %: half as many CSS pixels each way (WCAG 2.2, 1.4.10 Reflow asks for 320).
SIZES = ((390, 844), (1024, 768), (640, 400), (320, 800))
AT_THE_MAT = (1280, 800)


def wider_than(page: Page, sizes: tuple[tuple[int, int], ...]) -> list[tuple[int, int]]:
    """Of these screens the widths that the page does not keep to, and how far it reaches."""
    out = []
    for width, height in sizes:
        page.set_viewport_size({"width": width, "height": height})
        page.wait_for_timeout(150)
        reach = page.evaluate("document.documentElement.scrollWidth")
        if reach > width:
            out.append((width, reach))
    page.set_viewport_size({"width": AT_THE_MAT[0], "height": AT_THE_MAT[1]})
    return out


def test_every_page_can_be_read_in_the_dark_and_scrolls_sideways_on_no_screen(page: Page) -> None:
    user = user_of("ann")
    client = create_client(user, today_case("low-bone-mass"))
    build(client, user, "home", 15)
    page.emulate_media(color_scheme="dark")
    log_in(page)
    ground = page.evaluate("getComputedStyle(document.body).backgroundColor")
    assert max(int(x) for x in ground[ground.index("(") + 1 : -1].split(",")[:3]) < 64, ground
    wide = {}
    for path in ("/day", "/rules", "/new", "/own", "/practice", *(f"/client/{client.pk}/{s}" for s in STATIONS)):
        page.goto(path)
        all_answered(page)
        no_fault(page, f"{path} in the dark")
        if found := wider_than(page, SIZES):
            wide[path] = found
    assert not wide
