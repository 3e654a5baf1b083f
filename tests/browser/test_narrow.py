"""On a phone, on a tablet and at twice the size of letters no page scrolls sideways."""

import pytest
from playwright.sync_api import Page

from clients.casework import create_client
from tests.browser.driving import all_answered, log_in
from tests.server.conftest import today_case, user_of

pytestmark = pytest.mark.django_db(transaction=True)
STATIONS = ("story", "measure", "limits", "movements", "room", "programme", "visit", "course", "papers")
# A phone, a tablet, and the screen at the mat (1280×800) at 200 %: half as many CSS pixels each way (WCAG 2.2, 1.4.10 Reflow asks for 320).
SIZES = ((390, 844), (1024, 768), (640, 400), (320, 800))


def test_no_page_is_wider_than_the_screen(page: Page) -> None:
    client = create_client(user_of("ann"), today_case("low-bone-mass"))
    log_in(page)
    wide = []
    for path in ("/day", "/rules", "/practice", "/new", "/own", *(f"/client/{client.pk}/{s}" for s in STATIONS)):
        page.goto(path)
        all_answered(page)
        for width, height in SIZES:
            page.set_viewport_size({"width": width, "height": height})
            page.wait_for_timeout(150)
            reach = page.evaluate("document.documentElement.scrollWidth")
            if reach > width:
                wide.append((path, width, reach))
    assert not wide
