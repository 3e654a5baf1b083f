"""The office invites somebody, who chooses a password by the link of the mail and comes in."""

import re

import pytest
from django.core import mail
from django.core.cache import cache
from playwright.sync_api import Page, expect

from tests.browser.driving import PASSWORD, all_answered, log_out, no_fault
from tests.server.conftest import user_of

pytestmark = pytest.mark.django_db(transaction=True)


@pytest.fixture(autouse=True)
def unhurried() -> None:
    """Nobody has asked for links from here before: what was counted is kept by the process."""
    cache.clear()


def come_in(page: Page, name: str, password: str) -> None:
    page.fill("input[name=username]", name)
    page.fill("input[name=password]", password)
    page.get_by_role("button", name="Come in").click()


def test_from_the_invitation_to_the_first_log_in(page: Page) -> None:
    user_of("office", "administrator")
    page.goto("/")
    come_in(page, "office", PASSWORD)
    expect(page.get_by_role("heading", name="People", exact=True)).to_be_visible()
    page.fill("input[name=invite-username]", "nora")
    page.fill("input[name=invite-email]", "nora@house.example")
    page.get_by_text("Assistant", exact=True).first.click()
    no_fault(page, "people")
    page.get_by_role("button", name="Send the invitation").click()
    expect(page.get_by_text("on its way to nora@house.example")).to_be_visible()
    expect(page.get_by_text("nora · nora@house.example · invited")).to_be_visible()
    log_out(page)
    all_answered(page)
    link = re.search(r"https?://[^/\s]+(/welcome\S+)", mail.outbox[-1].body)
    assert link
    page.goto(link[1])
    page.fill("input[name=new-password]", "seven-larks-over-the-mill")
    no_fault(page, "welcome")
    page.get_by_role("button", name="Keep this password").click()
    page.get_by_role("link", name="Come in").click()
    come_in(page, "nora", "seven-larks-over-the-mill")
    expect(page.get_by_role("heading", name="Today")).to_be_visible()
    expect(page.get_by_role("link", name="People")).to_have_count(0)
