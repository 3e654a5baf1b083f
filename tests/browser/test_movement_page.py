"""The movement page: it moves, it follows the slider, it is taught as chosen; and the limits light up what they close."""

import re

import pytest
from playwright.sync_api import Page, expect

from clients.casework import create_client
from clients.models import Client
from tests.browser.driving import all_answered, let_in, no_fault, shown_until
from tests.server.conftest import today_case, user_of
from tests.server.workers import Worker, worker

__all__ = ["worker"]
pytestmark = pytest.mark.django_db(transaction=True)


def open_step(page: Page, client: Client, query: str, title: str) -> None:
    """Log in, and open the page of one step."""
    let_in(page)
    page.goto(f"/client/{client.pk}/movements")
    page.get_by_placeholder("Name or prop").fill(query)
    page.locator(".step", has_text=title).click()


def test_a_step_plays_follows_its_slider_and_is_taught_as_chosen(page: Page) -> None:
    client = create_client(user_of("ann"), today_case("fit-seventy"))
    page.emulate_media(reduced_motion="no-preference")  # for who wants no motion it stands still until it is started
    open_step(page, client, "knee fold", "One leg, heel further away")
    page.get_by_role("button", name="Watch it move").click()
    stage = page.get_by_test_id("player")
    expect(stage.locator("svg")).to_be_visible()
    first = stage.inner_html()
    page.get_by_role("button", name="Pause").click()
    page.get_by_role("button", name="One frame on").click()
    page.get_by_role("button", name="One frame on").click()
    page.get_by_role("button", name="One frame on").click()
    assert stage.inner_html() != first
    no_fault(page, "player")
    page.get_by_role("button", name="Start and end").click()
    demand = page.locator("table.demand")
    expect(demand).to_be_visible()
    before = demand.inner_text()
    slider = page.get_by_role("slider", name="hip bend at the top")
    slider.focus()
    for _ in range(4):
        slider.press("ArrowLeft")
    expect(demand).not_to_have_text(before)
    assert page.url.endswith("/movements/knee_fold/heel_further")
    page.get_by_role("article", name="Knee fold: One leg, heel further away").get_by_role(
        "button", name="How you teach"
    ).click()
    page.get_by_role("radio", name="in on the lift").check()
    # The choice has the library judged anew: the page stays open under it all the while.
    all_answered(page)
    expect(page.get_by_role("radio", name="in on the lift")).to_be_checked()
    no_fault(page, "schools")
    client.refresh_from_db()
    assert client.latest().data["family_schools"] == {"knee_fold": {"breath": "in_on_the_lift"}}


def test_a_slider_shows_what_was_asked_ahead_and_judges_it_at_once(page: Page) -> None:
    """Once every stop of a slider is known, moving it asks the server nothing until it rests."""
    client = create_client(user_of("ann"), today_case("fit-seventy"))
    open_step(page, client, "clam", "Small opening")
    slider = page.get_by_role("slider", name="how far the knee opens")
    expect(slider).to_be_visible()
    # Only the judged page has this button; the picture before it is another element, which would never change.
    expect(page.get_by_role("button", name="Watch it move")).to_be_visible()
    all_answered(page)
    asked: list[str] = []
    page.on("request", lambda r: asked.append(f"{r.url} {r.post_data or ''}"))
    figure = page.locator(".page .figure.big").first
    before = figure.inner_html()
    slider.focus()
    slider.press("ArrowLeft")
    shown_until(page, lambda: figure.inner_html() != before)
    # The mark stood there before as well: only now, with the new pose, it says that this stop came judged.
    assert page.get_by_role("article").get_by_text("as is", exact=True).is_visible()
    assert not [line for line in asked if "/along/" in line or '"quick":true' in line]


def test_a_step_opens_follows_and_is_judged_by_a_worker(page: Page, settings, worker: Worker) -> None:
    """As ./start runs it: whoever waits for verdicts comes again until a worker has them."""
    settings.WORKERS = True
    worker.start()
    client = create_client(user_of("ann"), today_case("low-bone-mass"))
    open_step(page, client, "tall turn", "Hands on the ribs")
    dialog = page.get_by_role("article")
    expect(dialog.get_by_text("changed", exact=True)).to_be_visible()
    why = dialog.get_by_test_id("why")
    expect(why.locator("svg")).to_be_visible()  # the turn that is too far, and the one that holds, side by side
    expect(why.locator("svg text:not([aria-hidden])")).to_have_count(2)
    slider = page.get_by_role("slider", name="turn").first
    slider.focus()
    slider.press("Home")
    expect(dialog.get_by_text("as is", exact=True)).to_be_visible()
    expect(why).to_have_count(0)
    slider.press("End")
    expect(dialog.locator(".reasons")).to_be_visible()


def test_a_step_has_an_address_says_what_to_do_and_leads_back_to_all(page: Page) -> None:
    client = create_client(user_of("ann"), today_case("fit-seventy"))
    let_in(page)
    page.goto(f"/client/{client.pk}/movements/clam/small_opening")
    article = page.get_by_role("article", name="Clam: Small opening")
    expect(article.get_by_role("heading", name="What to do")).to_be_visible()
    expect(article.locator("ol.do li")).to_have_count(3)
    expect(article.get_by_text("open the upper knee a hand’s breadth")).to_be_visible()
    no_fault(page, "step page")
    article.get_by_role("button", name="Larger opening").click()
    expect(page).to_have_url(re.compile("/movements/clam/larger_opening$"))
    page.go_back()
    expect(page).to_have_url(re.compile("/movements/clam/small_opening$"))
    page.get_by_role("button", name="All movements").click()
    expect(page).to_have_url(re.compile("/movements$"))
    expect(page.get_by_placeholder("Name or prop")).to_be_visible()


def test_a_refused_answer_is_struck_and_says_why(page: Page) -> None:
    data = today_case("after-birth")
    client = create_client(user_of("ann"), data)
    let_in(page)
    page.goto(f"/client/{client.pk}/movements")
    page.get_by_role("button", name="How you teach").first.click()
    expect(page.get_by_role("radio", name="press the low back flat")).to_be_enabled()
    page.get_by_role("radio", name="press the low back flat").check()
    expect(page.get_by_text("flattening the low back drives pressure down")).to_be_visible()
    expect(page.get_by_role("radio", name="keep the natural curve")).to_be_checked()


def test_what_a_limit_closes_lights_up_under_pointer_and_keyboard(page: Page) -> None:
    client = create_client(user_of("ann"), today_case("low-bone-mass"))
    let_in(page)
    page.goto(f"/client/{client.pk}/limits")
    row = page.locator(".limit", has_text="closes").first
    expect(row).to_be_visible()
    struck = page.get_by_test_id("library-map").locator("i.closed")
    expect(struck).to_have_count(0)
    row.hover()
    expect(struck.first).to_be_visible()
    said = page.get_by_test_id("library-map").get_by_role("status").inner_text()
    assert f"closes {struck.count()} steps" in said
    page.mouse.move(5, 5)
    expect(struck).to_have_count(0)
    row.focus()
    expect(struck.first).to_be_visible()
