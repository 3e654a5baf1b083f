"""Two devices, one client: a stop sign on one closes the other; a review opens one grade and the history shows it."""

import pytest
from playwright.sync_api import Browser, Page, expect

from clients.casework import create_client
from programmes.building import build
from tests.browser.driving import let_in, log_in, log_out, no_fault, open_page
from tests.server.conftest import PASSWORD, today_case, user_of

pytestmark = pytest.mark.django_db(transaction=True)


def test_a_stop_sign_on_one_device_closes_the_programme_on_the_other(
    chromium: Browser, page: Page, live_server
) -> None:
    user = user_of("ann")
    client = create_client(user, today_case("low-bone-mass"))
    build(client, user, "home", 15)
    let_in(page)
    page.goto(f"/client/{client.pk}/programme")
    expect(page.locator(".move").first).to_be_visible()
    other = open_page(chromium, live_server.url)
    let_in(other)
    other.goto(f"/client/{client.pk}/story")
    other.get_by_role("button", name="Stop signs").click()
    other.get_by_role("button", name="Ask again").click()
    other.get_by_role("button", name="Chest pain or pressure").click()
    other.get_by_role("button", name="Record stop signs: 1").click()
    expect(other.get_by_role("alert").first).to_contain_text("emergency number")
    expect(page.get_by_text("A stop sign stands.").first).to_be_visible()
    expect(page.locator(".move")).to_have_count(0)
    other.context.close()


def test_what_cannot_be_fetched_is_said(page: Page) -> None:
    """Silence must never read as "nothing closed", "no history" or "no stop sign"."""
    user = user_of("ann")
    client = create_client(user, today_case("sciatica"))
    let_in(page)
    for route in ("pulse", "history", "limits/effects"):
        page.route(f"**/{route}", lambda r: r.abort())
    page.goto(f"/client/{client.pk}/limits")
    expect(page.get_by_text("could not be reckoned")).to_be_visible()
    page.get_by_role("button", name="History").click()
    expect(page.get_by_text("The server cannot be reached").last).to_be_visible()
    # Seen wherever the page was scrolled to.
    expect(page.get_by_text("No connection at the moment")).to_be_in_viewport()
    page.unroute("**/history")
    page.get_by_role("button", name="Try again").last.click()
    expect(page.locator(".history li").first).to_be_visible()
    page.unroute("**/pulse")
    expect(page.get_by_text("No connection at the moment")).to_have_count(0)


def test_a_review_opens_the_next_grade_and_the_history_shows_it(page: Page) -> None:
    user = user_of("ann")
    client = create_client(user, today_case("sciatica"))
    let_in(page)
    page.goto(f"/client/{client.pk}/limits")
    page.locator(".says").get_by_text("rounding without load at most 10°", exact=True).click()
    form = page.locator("form.review")
    expect(form.get_by_text("Grade 1 of 5")).to_be_visible()
    form.get_by_role("radiogroup", name="Done strongly").get_by_text("Yes").click()
    form.get_by_role("radiogroup", name="A flare the next day").get_by_text("No").click()
    form.get_by_role("button", name="Keep the review").click()
    expect(page.locator(".says").get_by_text("rounding without load at most 20°", exact=True)).to_be_visible()
    expect(page.locator(".says").get_by_text("rounding under load at most 10°", exact=True)).to_be_visible()
    page.get_by_role("button", name="History").click()
    entry = page.locator(".history li").first
    expect(entry).to_contain_text("review: flexion sciatica")
    expect(entry).to_contain_text("rounding without load at most 10° → rounding without load at most 20°")
    no_fault(page, "limits with history")


def test_a_clinicians_word_clears_what_waits_for_it(page: Page) -> None:
    user = user_of("ann")
    client = create_client(user, today_case("heart-operation"))
    let_in(page)
    page.goto(f"/client/{client.pk}/limits")
    row = page.locator(".refer .row", has_text="Breastbone opened")
    row.get_by_role("button", name="Record").click()
    page.fill("input[name=word-name]", "Dr. Wend")
    page.fill("input[name=word-role]", "surgeon")
    keep = page.get_by_role("button", name="Keep this word")
    expect(keep).to_be_disabled()  # without a profession nobody loosens
    page.locator("label", has_text="Document").locator("input").fill("letter of Monday")
    for profession, fine in (("Nurse", False), ("Surgeon", True)):
        page.locator("label", has_text="Profession").locator(".el-select").click()
        options = page.get_by_role("listbox", name="Profession")
        options.get_by_role("option", name=profession, exact=True).click()
        expect(options).to_be_hidden()  # one that is still closing would close again under the next click
        expect(keep).to_be_enabled(enabled=fine)
    page.locator("label", has_text="Document").locator("input").fill("")
    expect(keep).to_be_disabled()  # a specialist only reports it: the document is named
    page.locator("label", has_text="Document").locator("input").fill("letter of Monday")
    keep.click()
    said = page.locator(".said")
    expect(said).to_contain_text("A second person looks at the document")
    expect(said.get_by_role("button", name="I have seen the document")).to_have_count(0)
    expect(row).to_have_count(1)
    no_fault(page, "limits with a reported word")
    user_of("wend", "clinician", user.organisation)
    log_out(page)
    let_in(page, "wend")
    page.goto(f"/client/{client.pk}/limits")
    page.locator(".said").get_by_role("button", name="I have seen the document").click()
    expect(row).to_have_count(0)


def test_the_rule_book_tries_a_number_on_every_client(page: Page) -> None:
    user = user_of("ann")
    create_client(user, today_case("low-bone-mass"))
    create_client(user, today_case("sciatica"))
    log_in(page)
    page.get_by_role("link", name="Rule-book").click()
    page.get_by_placeholder("Find a rule").fill("fragility")
    page.get_by_role("button", name="Low bone mass and fragility fracture").click()
    no_fault(page, "rule-book")
    page.get_by_role("button", name="Try another").first.click()
    page.locator(".trial input").fill("35")
    page.locator(".trial input").press("Tab")
    page.get_by_role("button", name="Try it on every client").click()
    expect(page.get_by_text("1 of 2 clients would be touched")).to_be_visible()
    expect(page.locator(".touched")).to_contain_text("Orla Brandt")


def test_a_session_that_ended_asks_for_the_password_and_the_work_stays(page: Page) -> None:
    user = user_of("ann")
    client = create_client(user, today_case("low-bone-mass"))
    let_in(page)
    page.goto(f"/client/{client.pk}/limits")
    page.get_by_role("button", name="Add a clinician").click()
    page.fill("input[name=word-name]", "Dr. Wend")
    user.session_round += 1
    user.save()
    asks = page.get_by_role("dialog", name="Still you?")
    expect(asks).to_be_visible()
    no_fault(page, "come back")
    page.fill("input[name=lapsed-password]", "wrong password")
    asks.get_by_role("button", name="Go on").click()
    expect(asks.get_by_role("alert")).to_be_visible()
    page.fill("input[name=lapsed-password]", PASSWORD)
    asks.get_by_role("button", name="Go on").click()
    expect(asks).to_be_hidden()
    expect(page.locator("input[name=word-name]")).to_have_value("Dr. Wend")
