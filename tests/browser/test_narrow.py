"""On a phone and on a tablet no page scrolls sideways."""

import pytest
from playwright.sync_api import Page

from clients.casework import create_client
from tests.browser.driving import all_answered, chromium, log_in, page
from tests.server.conftest import today_case, user_of

__all__ = ["chromium", "page"]
pytestmark = pytest.mark.django_db(transaction=True)
STATIONS = ("story", "measure", "limits", "movements", "room", "programme", "papers")


@pytest.mark.parametrize(("width", "height"), [(390, 844), (1024, 768)])
def test_no_page_is_wider_than_the_screen(page: Page, width: int, height: int) -> None:
    client = create_client(user_of("ann"), today_case("low-bone-mass"))
    page.set_viewport_size({"width": width, "height": height})
    log_in(page)
    wide = []
    for path in ("/day", "/rules", "/new", "/own", *(f"/client/{client.pk}/{s}" for s in STATIONS)):
        page.goto(path)
        all_answered(page)
        reach = page.evaluate("document.documentElement.scrollWidth")
        if reach > width:
            wide.append((path, reach))
    assert not wide
