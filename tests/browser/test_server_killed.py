"""The server dies in the middle of a visit and comes back: the visit goes on, is finished, and arrives once."""

from playwright.sync_api import Browser, expect

from tests.browser.driving import open_page
from tests.browser.serving import Served, served
from tests.browser.test_visit_page import a_client, begun, leave_the_rest_out, one_movement, opened
from visits.models import LoggedVisit

__all__ = ["served"]


def test_a_visit_outlives_its_server(chromium: Browser, served: Served) -> None:
    client = a_client()
    page = open_page(chromium, served.url)
    opened(page, client)
    begun(page)
    page.keyboard.press("c")
    expect(page.get_by_test_id("count")).to_have_text("1")
    served.kill()
    tapped = 1 + one_movement(page)
    leave_the_rest_out(page)
    page.get_by_role("button", name="Effort of the whole: 3", exact=True).click()
    page.get_by_role("button", name="Finish and send").click()
    expect(page.get_by_text("1 waiting to be sent").first).to_be_visible()
    assert not LoggedVisit.objects.exists()
    served.start()
    expect(page.get_by_text("waiting to be sent")).to_have_count(0)
    [kept] = LoggedVisit.objects.filter(client=client)
    assert sum(s["clean"] for m in kept.data["movements"] for s in m["sets"]) == tapped
    # What was acknowledged before a second death is there after it.
    served.kill()
    served.start()
    page.goto(f"/client/{client.pk}/course")
    expect(page.get_by_role("heading", name="Repetitions").or_(page.locator(".chart")).first).to_be_visible()
    assert LoggedVisit.objects.count() == 1
    page.context.close()
