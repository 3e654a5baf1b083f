"""Whoever is new is led through a visit, station by station; whoever knows it is not asked again."""

import pytest
from playwright.sync_api import Page, expect

from clients.casework import create_client
from tests.browser.driving import log_in, no_fault
from tests.server.conftest import today_case, user_of

pytestmark = pytest.mark.django_db(transaction=True)
STATIONS = ["story", "measure", "limits", "movements", "room", "programme", "visit", "course", "papers"]


def test_a_walk_leads_through_every_station_and_stays_away_when_it_is_known(page: Page) -> None:
    client = create_client(user_of("ann"), today_case("low-bone-mass"))
    log_in(page)
    no_fault(page, "day with the offer")
    page.get_by_role("link", name="Begin the walk").click()
    words = page.get_by_role("complementary", name="What is done here")
    said = set()
    for n, station in enumerate(STATIONS, 1):
        expect(page).to_have_url(f"/client/{client.pk}/{station}")
        expect(words).to_contain_text(f"{n} of {len(STATIONS)}")
        said.add(words.inner_text())
        if n == 1:
            no_fault(page, "story with the guide")
        if n < len(STATIONS):
            words.get_by_role("link", name="On to").click()
    assert len(said) == len(STATIONS)
    expect(words).to_contain_text("That was the whole way")
    words.get_by_role("button", name="I know this").click()
    expect(words).to_have_count(0)
    page.goto("/day")
    expect(page.get_by_role("link", name="New client")).to_be_visible()
    expect(page.get_by_role("link", name="Begin the walk")).to_have_count(0)
    page.goto(f"/client/{client.pk}/limits")
    page.get_by_role("button", name="What is done here").click()
    expect(words).to_contain_text("3 of 9")


def test_the_offer_can_be_put_away(page: Page) -> None:
    create_client(user_of("ann"), today_case("low-bone-mass"))
    log_in(page)
    page.get_by_role("button", name="Not now").click()
    expect(page.get_by_role("link", name="Begin the walk")).to_have_count(0)
    page.reload()
    expect(page.get_by_role("link", name="New client")).to_be_visible()
    expect(page.get_by_role("link", name="Begin the walk")).to_have_count(0)
