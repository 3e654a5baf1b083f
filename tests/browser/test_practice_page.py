"""Practice as a trainee goes through it: judge an invented case, compare, build its first session, compare."""

import re

import pytest
from playwright.sync_api import Page, expect

from practice.models import Attempt
from tests.browser.driving import let_in, no_fault
from tests.server.conftest import user_of

pytestmark = pytest.mark.django_db(transaction=True)


def test_a_trainee_judges_a_case_and_builds_its_first_session(page: Page) -> None:
    user = user_of("ann")
    let_in(page)
    page.goto("/practice")
    page.get_by_role("button", name="A new case").click()
    judged = page.get_by_role("heading", name="At home, alone: may this be done?")
    expect(judged).to_be_visible()
    no_fault(page, "practice case")
    for n in range(6):
        page.locator("article.step").nth(n).get_by_role("button", name="out", exact=True).click()
    if page.get_by_role("heading", name="Which test is next?").count():
        page.locator("section", has=page.get_by_role("heading", name="Which test is next?")).get_by_role("button").first.click()
    page.get_by_role("button", name="Compare with the rule-book").click()
    expect(page.locator(".score")).to_be_visible()
    page.get_by_role("button", name="Build the first session").click()
    expect(page.get_by_role("heading", name="The first session at home")).to_be_visible()
    cards = page.locator("article.card")
    for n in range(cards.count()):
        cards.nth(n).get_by_role("button", name="Put in").click()
    listed = page.get_by_role("list", name="Your session, in order").get_by_role("listitem")
    expect(listed).to_have_count(cards.count())
    second = listed.nth(1).locator("span").inner_text()
    page.get_by_role("button", name=f"Earlier: {second}").click()
    expect(listed.nth(0)).to_contain_text(second)
    no_fault(page, "practice session")
    page.get_by_role("button", name="Compare with the rule-book").click()
    expect(page.get_by_role("heading", name="The rule-book's own session")).to_be_visible()
    expect(page.get_by_text("not at home").first).to_be_visible()
    expect(page.locator(".score")).to_have_text(re.compile(r"^\d+/\d+$"))
    assert Attempt.objects.filter(user=user).count() == 2
    page.get_by_role("button", name="Another one").click()
    expect(page.get_by_role("button", name="A new case")).to_be_visible()
