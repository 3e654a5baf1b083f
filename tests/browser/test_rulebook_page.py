"""The rule-book line by line: a clinician says who they are, agrees with one line and objects to another."""

import pytest
from playwright.sync_api import Page, expect

from clients.casework import create_client
from rulebook_signing.models import ChangeStep, LineSignature
from tests.browser.driving import let_in, no_fault
from tests.server.conftest import today_case, user_of

pytestmark = pytest.mark.django_db(transaction=True)


def test_lines_are_signed_and_objected_to(page: Page) -> None:
    user_of("ann", "clinician")
    let_in(page)
    page.goto("/rules")
    page.get_by_role("button", name="Go through it").click()
    line = page.locator('[data-line="stenosis.extension_deg"]')
    expect(line).to_be_visible()
    expect(line.get_by_role("button", name="Agree")).to_be_disabled()
    page.get_by_label("Your name").fill("Mira Holt")
    page.get_by_label("Your profession").fill("surgeon")
    no_fault(page, "lines of the rule-book")
    line.get_by_role("button", name="Agree").click()
    expect(line).to_be_hidden()  # only what is open is listed
    expect(page.get_by_test_id("signed")).to_contain_text("1 of")
    other = page.locator('[data-line="stenosis.review_weeks"]')
    other.get_by_role("button", name="Object").click()
    other.get_by_label("What is wrong, and what it should be").fill("twice a year is too rare")
    other.get_by_role("button", name="Keep the objection").click()
    expect(page.get_by_test_id("signed")).to_contain_text("2 of")
    page.get_by_text("only what is open").click()
    expect(other).to_contain_text("objected: Mira Holt, surgeon")
    assert LineSignature.objects.filter(agrees=False, remark="twice a year is too rare").count() == 1


def test_a_figure_is_tried_on_everybody_asked_for_signed_by_somebody_else_and_rolled_back(page: Page) -> None:
    user = user_of("ann")
    user_of("sam", "clinician", user.organisation)
    client = create_client(user, today_case("low-bone-mass"))
    let_in(page)
    page.goto("/rules")
    row = page.locator("tr", has_text="rounding under load")
    expect(row.first).to_be_visible()
    row.first.get_by_role("button", name="Try another").click()
    page.locator(".trial input").fill("5")
    page.locator(".trial input").press("Tab")
    page.get_by_role("button", name="Try it on every client").click()
    touched = page.locator(f'[data-client="{client.pk}"]')
    expect(touched).to_contain_text("movements close")
    no_fault(page, "a figure on trial")
    page.get_by_label("Why another figure").fill("the hospital nearby counts so")
    page.get_by_role("button", name="Ask for it to be signed").click()
    change = page.locator("[data-change]")
    expect(change).to_contain_text("waits to be signed")
    expect(change).to_contain_text("Whoever asks does not sign")
    expect(change.get_by_role("button", name="Agree")).to_have_count(0)

    page.context.clear_cookies()
    let_in(page, "sam")
    page.goto("/rules")
    page.get_by_role("button", name="Figures of this house").click()
    change.get_by_role("button", name="See what it does to every client").click()
    expect(change.locator(f'[data-client="{client.pk}"]')).to_be_visible()
    expect(change.get_by_role("button", name="Agree")).to_be_disabled()
    change.get_by_label("Your name").fill("Mira Holt")
    change.get_by_label("Your profession").fill("surgeon")
    change.get_by_role("button", name="Agree").click()
    expect(change.locator("h3 .tag")).to_have_text("in force")
    no_fault(page, "figures of this house")
    page.get_by_role("button", name="Rules and tests").click()
    expect(page.locator("tr", has_text="rounding under load").first).to_contain_text("the book says 10°")

    page.get_by_role("button", name="Figures of this house").click()
    change.get_by_role("button", name="See what rolling it back would do").click()
    change.get_by_label("Why it is rolled back").fill("they count as we do again")
    change.get_by_role("button", name="Roll it back").click()
    expect(change.locator("h3 .tag")).to_have_text("rolled back")
    assert [s.kind for s in ChangeStep.objects.order_by("at")] == ["in_force", "rolled_back"]
