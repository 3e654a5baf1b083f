"""In the evening: every page in the dark theme, judged by axe-core as in the light one, and at twice the size."""

import pytest
from playwright.sync_api import Page

from clients.casework import create_client
from programmes.building import build
from tests.browser.driving import all_answered, log_in, no_fault
from tests.server.conftest import today_case, user_of

pytestmark = pytest.mark.django_db(transaction=True)
STATIONS = ("story", "measure", "limits", "movements", "room", "programme", "visit", "course", "papers")


def test_every_page_can_be_read_in_the_dark(page: Page) -> None:
    user = user_of("ann")
    client = create_client(user, today_case("stroke"))
    build(client, user, "home", 15)
    page.emulate_media(color_scheme="dark")
    log_in(page)
    ground = page.evaluate("getComputedStyle(document.body).backgroundColor")
    assert max(int(x) for x in ground[ground.index("(") + 1 : -1].split(",")[:3]) < 64, ground
    for path in ("/day", "/rules", "/new", "/own", "/practice", *(f"/client/{client.pk}/{s}" for s in STATIONS)):
        page.goto(path)
        all_answered(page)
        no_fault(page, f"{path} in the dark")
