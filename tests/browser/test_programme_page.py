"""Room, programme, week and papers as a specialist uses them, by mouse and by keys."""

import re

import pytest
from playwright.sync_api import Page, expect

from clients.casework import create_client
from clients.models import Client
from programmes.building import build
from tests.browser.driving import let_in, no_fault
from tests.server.conftest import today_case, user_of

pytestmark = pytest.mark.django_db(transaction=True)


@pytest.fixture
def client_id(page: Page) -> str:
    user = user_of("ann")
    client = create_client(user, today_case("low-bone-mass"))
    build(client, user, "home", 25)
    let_in(page)
    return str(client.pk)


def titles(page: Page) -> list[str]:
    return [t.split(" ", 1)[1] for t in page.locator(".strip h2").all_inner_texts()]


def test_a_programme_is_edited_undone_compared_and_printed(page: Page, client_id: str) -> None:
    page.goto(f"/client/{client_id}/programme")
    expect(page.locator(".strip .card").first).to_be_visible()
    first = titles(page)

    # by keys
    page.locator(".strip .card").first.focus()
    page.keyboard.press("Alt+ArrowRight")
    expect(page.locator(".strip h2").nth(1)).to_contain_text(first[0])
    expect(page.get_by_role("status").filter(has_text=f"{first[0]} is now number 2")).to_be_attached()

    # by dragging
    page.locator(".strip .move").nth(1).drag_to(page.locator(".strip .move").nth(0))
    expect(page.locator(".strip h2").first).to_contain_text(first[0])

    # another dose, judged and reckoned anew
    card = page.locator(".strip .card").first
    before = float(re.search(r"[\d.]+", page.locator(".facts b").first.inner_text())[0])
    card.get_by_role("button", name="Dose").click()
    card.get_by_label("Repetitions").get_by_role("spinbutton").or_(card.locator("form input").first).first.fill(
        "15"
    )
    card.get_by_role("button", name="Take this dose").click()
    expect(card.locator(".dose")).to_contain_text("15")
    assert float(re.search(r"[\d.]+", page.locator(".facts b").first.inner_text())[0]) > before

    # locked, then undone and done again
    card.get_by_role("button", name="Keep it in").click()
    expect(card.get_by_role("button", name="stays in")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(card.get_by_role("button", name="Keep it in")).to_be_visible()
    page.keyboard.press("Control+Shift+Z")
    expect(card.get_by_role("button", name="stays in")).to_be_visible()

    # swapped for something that is allowed
    second = page.locator(".strip .card").nth(1)
    second.get_by_role("button", name="Swap").click()
    drawer = page.get_by_role("dialog")
    drawer.get_by_role("button", name="Take this one").or_(drawer.locator("li button")).first.click()
    expect(page.locator(".strip h2").nth(1)).not_to_contain_text(first[1])

    # versions
    page.get_by_role("button", name="Versions").click()
    expect(page.get_by_text("Number 1", exact=True)).to_be_visible()
    expect(page.get_by_text(first[1]).last).to_be_visible()
    page.keyboard.press("Escape")
    no_fault(page, "programme")
    assert Client.objects.get(pk=client_id).programmes.count() >= 7


def test_the_week_follows_the_days_that_are_given(page: Page, client_id: str) -> None:
    page.goto(f"/client/{client_id}/programme")
    week = page.get_by_test_id("week")
    expect(week).to_be_visible()
    expect(week.locator(".day:not(.rest)")).to_have_count(4)
    page.get_by_label("Days a week").fill("2")
    page.get_by_label("Days a week").press("Enter")
    expect(week.locator(".day:not(.rest)")).to_have_count(2)
    expect(page.get_by_text("2 of 3 days").first).to_be_visible()


def test_papers_are_shown_and_an_own_text_stands_in_them(page: Page, client_id: str) -> None:
    page.goto(f"/client/{client_id}/papers")
    frame = page.frame_locator("iframe")
    expect(frame.get_by_role("heading", name="Your exercises")).to_be_visible()
    page.get_by_role("button", name="Fridge sheet").click()
    expect(frame.get_by_role("heading", name="Orla Brandt: session A")).to_be_visible()
    page.get_by_role("button", name="Letter to the referrer").click()
    expect(frame.get_by_role("heading", name="Limits that we keep")).to_be_visible()
    no_fault(page, "papers")

    page.get_by_role("button", name="Our own texts").click()
    text = page.get_by_label(re.compile("Opening of the letter"))
    text.fill("{{ nonsense }}")
    block = page.locator(".text", has=text)
    block.get_by_role("button", name="Keep").click()
    expect(block.get_by_role("alert")).to_contain_text("nonsense")
    text.fill("With thanks for {{ name }}.")
    block.get_by_role("button", name="Keep").click()
    expect(frame.get_by_text("With thanks for Orla Brandt.")).to_be_visible()


def test_a_reminder_address_is_kept_or_refused(page: Page, client_id: str) -> None:
    page.goto(f"/client/{client_id}/papers")
    address = page.get_by_label("Mail address")
    expect(address).to_be_visible()
    form = page.locator("form", has=address)
    address.fill("orla@example.org")
    form.get_by_role("button", name="Keep").click()
    expect(form.get_by_role("status")).to_have_text("Kept")


def test_a_room_is_entered_and_what_does_not_fit_is_said(page: Page, client_id: str) -> None:
    page.goto(f"/client/{client_id}/room")
    expect(page.get_by_test_id("fits").locator(".fit").first).to_be_visible()
    assert page.get_by_test_id("fits").locator("svg").count() >= 5
    page.get_by_text("has castors").first.click()
    expect(page.get_by_text("it can roll away").first).to_be_visible()
    page.get_by_role("button", name="+ another room").click()
    expect(page.get_by_role("button", name="centre", exact=True)).to_be_visible()
    page.get_by_role("button", name="Keep the rooms").click()
    expect(page.get_by_role("button", name="Keep the rooms")).to_be_disabled()
    no_fault(page, "room")
    page.reload()
    expect(page.get_by_role("button", name="centre", exact=True)).to_be_visible()
