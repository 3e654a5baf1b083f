"""A second factor, as somebody sets it up and comes in with it; and ending a session on another device."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.driving import let_in, log_in, log_out, no_fault
from tests.server.conftest import PASSWORD, logged_in, user_of
from tests.server.test_own_login import code_now

pytestmark = pytest.mark.django_db(transaction=True)


def test_a_second_factor_is_set_up_and_asked_for(page: Page) -> None:
    user_of("ann")
    log_in(page)
    page.get_by_role("link", name="ann").click()
    page.fill("input[name=own-password]", PASSWORD)
    page.get_by_role("button", name="Set it up").click()
    expect(page.get_by_role("img", name="Picture with the secret")).to_be_visible()
    secret = page.locator(".secret").inner_text()
    no_fault(page, "second factor")
    page.fill("input[name=first-code]", code_now(secret))
    page.get_by_role("button", name="That is the code").click()
    expect(page.locator(".codes li")).to_have_count(8)
    codes = page.locator(".codes li").all_inner_texts()
    page.get_by_role("button", name="They are written down").click()
    log_out(page)
    page.fill("input[name=username]", "ann")
    page.fill("input[name=password]", PASSWORD)
    page.get_by_role("button", name="Come in").click()
    expect(page.get_by_text("Your log-in asks for a second thing")).to_be_visible()
    no_fault(page, "log-in with a code")
    page.fill("input[name=code]", codes[0])
    page.get_by_role("button", name="Come in").click()
    expect(page).to_have_url(re.compile(r"/day$"))


def test_another_device_is_logged_out_from_here(page: Page) -> None:
    user_of("ann")
    other = logged_in("ann")
    let_in(page)
    page.goto("/own")
    expect(page.locator(".place")).to_have_count(2)
    page.get_by_role("button", name="Log out there").click()
    expect(page.locator(".place")).to_have_count(1)
    assert other.get("/day").status_code == 401
