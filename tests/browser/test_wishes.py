"""What somebody wants: goals as tasks, likes, days away; and which session a movement belongs to."""

import re

import pytest
from playwright.sync_api import Page, expect

from clients.casework import create_client
from clients.models import Client
from programmes.building import build
from tests.browser.driving import let_in, no_fault
from tests.server.conftest import today_case, user_of

pytestmark = pytest.mark.django_db(transaction=True)


def choose(page: Page, label: str, option: str) -> None:
    """One option of a list that is searched by typing."""
    page.get_by_role("combobox", name=label, exact=True).first.focus()
    page.keyboard.type(option)
    page.get_by_role("option", name=option, exact=True).last.click()
    page.keyboard.press("Escape")


def wishes(client: Client) -> dict:
    return client.latest().data["wishes"]


def test_a_goal_is_a_task_likes_count_and_days_away_are_kept(page: Page) -> None:
    data = today_case("low-bone-mass")
    data["wishes"]["goals"] = []
    client = create_client(user_of("ann"), data)
    let_in(page)
    page.goto(f"/client/{client.pk}/story")
    page.get_by_role("button", name="Room").first.click()
    page.get_by_role("button", name="Add a goal").click()
    expect(page.get_by_text("No task is chosen: nothing is planned for it yet.")).to_be_visible()
    page.get_by_label("In the person’s own words").fill("walk to the bakery and back")
    choose(page, "Which task is meant", "walking outdoors")
    expect(page.get_by_text(re.compile("asks for balance"))).to_be_visible()
    choose(page, "Likes to do", "Walking practice")
    page.get_by_role("button", name="Days away").click()
    no_fault(page, "wishes")
    with page.expect_response(lambda r: r.request.method == "PATCH") as kept:
        page.get_by_role("button", name="Keep and go on").last.click()
    assert kept.value.ok
    expect(page).to_have_url(re.compile("/measure$"))
    found = wishes(client)
    assert found["goals"] == [{"words": "walk to the bakery and back", "task": "walking", "asks": []}]
    assert found["likes"] == ["walking_practice"]
    assert len(found["away"]) == 1


def test_a_movement_is_put_into_another_session_by_hand(page: Page) -> None:
    user = user_of("ann")
    client = create_client(user, today_case("low-bone-mass"))
    build(client, user, "home", 25)
    let_in(page)
    page.goto(f"/client/{client.pk}/programme")
    card = page.locator(".strip .card").first
    expect(card).to_be_visible()
    boxes = card.get_by_role("checkbox")
    expect(boxes).not_to_have_count(0)
    before = [boxes.nth(i).is_checked() for i in range(boxes.count())]
    free = next((i for i, held in enumerate(before) if not held), None)
    if free is None:  # in every session: take it out of the last
        free = len(before) - 1
    with page.expect_response(lambda r: "/edit" in r.url) as kept:
        card.locator("label.el-checkbox").nth(free).click()
    assert kept.value.ok
    expect(page.locator(".strip .card").first).to_be_visible()
    newest = client.programmes.order_by("-number").first()
    assert newest is not None
    assert newest.number == 2


def test_a_fault_is_shown_beside_the_right_version(page: Page) -> None:
    client = create_client(user_of("ann"), today_case("fit-seventy"))
    let_in(page)
    page.goto(f"/client/{client.pk}/movements/bridge/three_quarters")
    article = page.get_by_role("article")
    buttons = article.get_by_role("button", name="Show the fault")
    expect(buttons.first).to_be_visible()
    buttons.first.click()
    picture = article.get_by_test_id("fault")
    expect(picture.locator("svg")).to_be_visible()
    expect(article.get_by_role("button", name="Put it away")).to_have_attribute("aria-expanded", "true")
    no_fault(page, "fault")
    article.get_by_role("button", name="Put it away").click()
    expect(picture).to_have_count(0)
