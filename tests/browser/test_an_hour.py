"""A specialist's hour from the day to the next visit planned: every tap is counted, and nothing has to be typed."""

from playwright.sync_api import Browser, Page, expect

from clients.models import Client
from tests.browser.driving import let_in, open_page
from tests.browser.test_visit_page import a_client
from visits.models import LoggedVisit

# Trusted taps and keys only, kept over every page of the hour.
COUNT = """
for (const [what, key] of [['pointerdown', 'taps'], ['keydown', 'keys']])
  addEventListener(what, (e) => e.isTrusted && sessionStorage.setItem(key, String(1 + Number(sessionStorage.getItem(key)))), true)
"""


def counted(page: Page, what: str) -> int:
    return int(page.evaluate(f"Number(sessionStorage.getItem('{what}'))"))


def the_hour(page: Page, client: Client) -> dict[str, int]:
    """Everything done clean; how many repetitions, movements, sets' ends and comparisons there were."""
    seen = {"repetitions": 0, "movements": 0, "rests": 0, "comparisons": 0}
    page.locator(".line", has_text=client.name).tap()
    page.get_by_role("link", name="Visit").first.tap()
    page.get_by_role("button", name="Pain now: 0", exact=True).tap()
    page.get_by_role("button", name="Begin", exact=True).tap()
    for _ in range(1500):
        if page.get_by_role("heading", name="How was it?").is_visible():
            break
        if page.get_by_role("button", name="Ready").is_visible():
            seen["movements"] += 1
            page.get_by_role("button", name="Ready").tap()
        elif page.get_by_role("button", name="Clean", exact=True).is_visible():
            seen["repetitions"] += 1
            page.get_by_role("button", name="Clean", exact=True).tap()
        elif page.get_by_role("heading", name="Rest").is_visible():
            seen["rests"] += 1
            page.get_by_role("button", name="Go on").tap()
        elif page.get_by_role("heading", name="Both sides").is_visible():
            seen["comparisons"] += 1
            page.get_by_role("button", name="Go on").tap()
        page.wait_for_timeout(30)
    page.get_by_role("button", name="Effort of the whole: 3", exact=True).tap()
    page.get_by_role("button", name="Finish and send").tap()
    expect(page.get_by_text("Sent", exact=True)).to_be_visible()
    page.locator(".next-visit .day").first.tap()
    expect(page.locator(".next-visit").get_by_role("status")).to_contain_text("Next visit")
    return seen


def test_an_hour_from_the_day_to_the_next_visit_is_tapped_and_nothing_is_typed(chromium: Browser, live_server) -> None:
    client = a_client()
    page = open_page(chromium, live_server.url, touch=True)
    let_in(page)
    page.add_init_script(COUNT)
    page.goto("/day")
    seen = the_hour(page, client)
    client.refresh_from_db()
    assert client.visit_on is not None
    assert LoggedVisit.objects.filter(client=client).count() == 1
    assert counted(page, "keys") == 0
    # Beside the repetitions one tap a movement, a rest and a comparison, and these of the hour itself: the client, the
    # visit, pain, begin, effort, finish, the next visit.
    assert counted(page, "taps") == sum(seen.values()) + 7
    page.context.close()
