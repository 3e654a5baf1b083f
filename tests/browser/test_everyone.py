"""Twelve clients, one per group of conditions and three with several, screened in the browser from the first question to limits."""

from datetime import date
from typing import Any

import pytest
from playwright.sync_api import Page, Route, expect

from amvel.case import CONDITIONS, form_of, read_case
from amvel.case.forms import Field
from amvel.case.parts import Part
from amvel.engine import Engine
from amvel.safety.limits import Origin
from amvel.screening import test_library as library
from clients.models import Client
from tests.browser.driving import fill, log_in, no_fault
from tests.server.conftest import today_case, user_of

pytestmark = pytest.mark.django_db(transaction=True)
TWELVE = (
    "low-bone-mass",
    "two-falls-high-pressure",
    "sciatica",
    "scoliosis-growing",
    "fused-spine",
    "parkinson",
    "down-syndrome",
    "after-birth",
    "heart-operation",
    "new-hip",
    "knee-and-shoulder",
    "stroke",
)
MOST_TESTS = 2
HIDDEN = frozenset(("kind", "noted_on"))


def answer(route: Route, path: str, says: dict) -> None:
    """An answer about the client as it is: one about no client at all would be asked again and again, with a line about it that
    comes and goes above what somebody fills in."""
    client = route.fetch(url=route.request.url.removesuffix(path)).json()
    route.fulfill(json={"client": client["id"], **{k: client[k] for k in ("revision", "digest")}, **says})


def begin(page: Page, case: dict) -> None:
    page.get_by_role("link", name="New client").click()
    page.fill("input[name=name]", case["person"]["name"])
    page.fill("input[name=birth_date]", case["person"]["birth_date"])
    page.get_by_text("Female build" if case["person"]["sex"] == "female" else "Male build", exact=True).click()
    page.get_by_label("Stature now (cm)").fill(f"{case['person']['stature_cm']:g}")
    if case["person"].get("tallest_stature_cm"):
        page.get_by_label("Tallest remembered (cm)").fill(f"{case['person']['tallest_stature_cm']:g}")
    page.get_by_label("Body mass (kg)").fill(f"{case['person']['mass_kg']:g}")
    page.keyboard.press("Tab")
    page.get_by_role("button", name="Begin the story").click()
    given = "Understands and agrees" if case["consent"]["given_by"] == "client" else "A proxy agrees"
    page.get_by_role("button", name=given).click()
    page.get_by_role("button", name="I asked all of them: none today").click()
    expect(page.get_by_role("heading", name="What is known")).to_be_visible()


def usual(model: type[Part], field: Field) -> Any:
    """What a file means that leaves this out, for a question that a form does not let go unanswered."""
    return None if field.optional or model.model_fields[field.name].is_required() else model.model_fields[field.name].default


def tell(page: Page, conditions: list[dict]) -> None:
    """Every condition by its own questions."""
    for i, condition in enumerate(conditions):
        model = CONDITIONS[condition["kind"]]
        page.get_by_placeholder("Find a condition").fill(model.TITLE)
        page.locator(".chip").get_by_text(model.TITLE, exact=True).click()
        card = page.locator(".card").nth(i)
        for field in form_of(model, HIDDEN):
            value = condition.get(field.name, usual(model, field))
            if value not in (None, field.first, ()):
                fill(card, field, value)
    page.get_by_role("button", name="Keep and go on").click()


@pytest.mark.parametrize("name", TWELVE)
def test_from_the_first_question_to_limits(page: Page, name: str) -> None:
    user = user_of("ann")
    case = today_case(name)
    # The order of tests is not what this is about, and reckoning it would go on after the page is closed.
    page.route("**/next-tests", lambda route: answer(route, "/next-tests", {"tests": []}))
    # Nor is what each limit closes: it solves the whole library, which other tests do.
    page.route("**/limits/effects", lambda route: answer(route, "/limits/effects", {"effects": {}, "since": "", "moved": []}))
    log_in(page)
    begin(page, case)
    tell(page, case["conditions"])
    again = page.get_by_role("button", name="I asked all of them: none today")
    positions = page.get_by_role("heading", name="Positions")
    expect(again.or_(positions)).to_be_visible()
    if again.is_visible():
        again.click()
        expect(page.get_by_role("heading", name="What is known")).to_be_visible()
    page.get_by_role("link", name="Go on to Measure").click()
    for t in case["tests"][:MOST_TESTS]:
        measure(page, t)
    page.get_by_role("link", name="Read the limits").click()
    expect(page.get_by_role("heading", name="Range and what may be used")).to_be_visible()
    expect(page.locator(".drawing svg")).to_have_count(3)
    stored = Client.objects.get(organisation=user.organisation).latest().data
    engine = Engine(read_case({**stored, "as_of": date.today().isoformat()}))
    assert {c.kind for c in engine.case.conditions} == {c["kind"] for c in case["conditions"]}
    assert_same(engine, case)
    assert_all_said(page, engine)
    if name in ("scoliosis-growing", "stroke"):
        no_fault(page, f"limits of {name}")


def assert_all_said(page: Page, engine: Engine) -> None:
    """Every limit stands on the page, read at once: to look for each of them alone is most of what this would take."""
    expect(page.locator(".says").first).to_be_attached()
    said = {" ".join(x.split()) for x in page.locator(".says").all_text_contents()}
    waits = " ".join(page.get_by_test_id("waits").all_text_contents())
    limits = engine.envelope.limits
    assert {x.says() for x in limits if x.origin is not Origin.NOT_SHOWN and x.strength != "caution"} <= said
    assert [x.bound_in_words for x in limits if x.origin is Origin.NOT_SHOWN and x.bound_in_words not in waits] == []


def measure(page: Page, result: dict) -> None:
    test = library()[result["test"]]
    fold = page.locator("details", has=page.locator("summary", has_text="All tests"))
    if fold.get_attribute("open") is None:
        fold.locator("summary").click()
    fold.locator(".choice").get_by_text(test.title, exact=True).click()
    expect(page.get_by_role("heading", name=test.title, exact=True)).to_be_visible()
    form = page.locator("form.form")
    if test.per_side:
        form.get_by_text("Left" if result["side"] == "left" else "Right", exact=True).first.click()
    for field in test.fields:
        value = result.get(field.name, usual(test.model, field))
        if value not in (None, field.first):
            fill(form, field, value)
    form.locator("label input[type=date]").fill(result["on"])
    with page.expect_response(lambda r: r.url.endswith("/tests") and r.request.method == "POST") as answered:
        page.get_by_role("button", name="Keep the result").click()
    assert answered.value.ok, (result, answered.value.text())


def assert_same(engine: Engine, case: dict) -> None:
    """What was told by hand gives the limits of the same case in a file (without the tests that were not entered)."""
    told = {"conditions": case["conditions"], "tests": case["tests"][:MOST_TESTS]}
    mine = engine.case.model_dump(mode="json")
    file = read_case({**mine, **told})
    wanted = {i: x.bound for i, x in Engine(file).envelope.by_id.items()}
    found = {i: x.bound for i, x in engine.envelope.by_id.items()}
    assert found == wanted
