"""The rule-book line by line: a clinician says who they are, agrees with one line and objects to another."""

import pytest
from playwright.sync_api import Page, expect

from rulebook_signing.models import LineSignature
from tests.browser.driving import log_in, no_fault
from tests.server.conftest import user_of

pytestmark = pytest.mark.django_db(transaction=True)


def test_lines_are_signed_and_objected_to(page: Page) -> None:
    user_of("ann", "clinician")
    log_in(page)
    page.goto("/rules")
    page.get_by_role("button", name="Go through it").click()
    line = page.locator('[data-line="stenosis.extension_deg"]')
    expect(line).to_be_visible(timeout=30_000)
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
