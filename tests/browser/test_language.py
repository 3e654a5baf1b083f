"""The other language: the interface in it, what the server says in it, and papers in the language of the client."""

import re

import pytest
from playwright.sync_api import Page, expect

from clients.casework import create_client
from programmes.building import build
from tests.browser.driving import let_in, log_in, no_fault
from tests.server.conftest import today_case, user_of

pytestmark = pytest.mark.django_db(transaction=True)


def test_the_page_speaks_german_and_remembers_it(page: Page) -> None:
    client = create_client(user_of("ann"), today_case("low-bone-mass"))
    log_in(page)
    page.get_by_role("button", name="Deutsch").click()
    expect(page.get_by_role("heading", name="Heute")).to_be_visible()
    assert page.locator("html").get_attribute("lang") == "de"
    no_fault(page, "day in German")
    page.goto(f"/client/{client.pk}/movements/knee_fold/single_fold")
    expect(page.get_by_role("heading", name=re.compile("Knie falten"))).to_be_visible()
    expect(page.get_by_text("Zwei Atemzüge zum Ankommen", exact=False).first).to_be_visible()
    page.get_by_role("button", name="English").click()
    expect(page.get_by_role("heading", name=re.compile("Knee fold"))).to_be_visible()
    page.get_by_role("button", name="Deutsch").click()
    expect(page.get_by_role("heading", name=re.compile("Knie falten"))).to_be_visible()
    page.reload()
    expect(page.get_by_role("link", name="Regelwerk")).to_be_visible()
    page.get_by_role("button", name="English").click()
    expect(page.get_by_role("link", name="Rule-book")).to_be_visible()


def test_papers_are_in_the_language_that_the_story_says(page: Page) -> None:
    user = user_of("ann")
    client = create_client(user, today_case("low-bone-mass"))
    let_in(page)
    page.goto(f"/client/{client.pk}/story")
    page.get_by_role("button", name="Positions").first.click()
    page.get_by_role("group", name="Language of the papers").or_(page.get_by_label("Language of the papers")).get_by_text("Deutsch").click()
    with page.expect_response(lambda r: r.request.method == "PATCH") as kept:
        page.get_by_role("button", name="Keep and go on").last.click()
    assert kept.value.ok
    assert client.latest().data["understanding"]["language"] == "de"
    build(client, user, "home", 20)
    page.goto(f"/api/v1/clients/{client.pk}/papers/hand-out")
    expect(page.get_by_role("heading", name="Ihre Übungen")).to_be_visible()
    assert page.locator("html").get_attribute("lang") == "de"
    expect(page.get_by_text("Sie sollen spüren:").first).to_be_visible()
