"""The real interface in Chromium, from log-in to the printed page."""

import io
from datetime import date, timedelta

import pytest
from playwright.sync_api import Page, expect
from pypdf import PdfReader

from amvel.case import CONDITIONS, RESULTS, form_of
from clients.casework import create_client
from tests.browser.driving import fill, log_in, no_fault
from tests.server.conftest import today_case, user_of

pytestmark = [pytest.mark.django_db(transaction=True), pytest.mark.long]


def number(page: Page, label: str, value: str) -> None:
    page.get_by_label(label, exact=True).fill(value)
    page.keyboard.press("Tab")


def keep_test(page: Page, title: str) -> None:
    with page.expect_response(lambda r: r.url.endswith("/tests") and r.request.method == "POST") as answered:
        page.get_by_role("button", name="Keep the result").click()
    assert answered.value.ok, title
    expect(page.locator(".results li").first).to_contain_text(title)
    expect(page.locator(".choice .tag").first).to_be_visible()


def test_from_log_in_to_the_printed_page(page: Page) -> None:
    user_of("ann")
    log_in(page)
    no_fault(page, "day")
    page.get_by_role("link", name="New client").click()
    page.fill("input[name=name]", "Nell Arden")
    page.fill("input[name=birth_date]", f"{date.today().year - 72}-03-02")
    page.get_by_text("Female build").click()
    page.get_by_label("Stature now (cm)").fill("163")
    page.get_by_label("Body mass (kg)").fill("60")
    page.keyboard.press("Tab")
    page.get_by_role("button", name="Begin the story").click()

    page.get_by_role("button", name="Understands and agrees").click()
    page.get_by_role("button", name="I asked all of them: none today").click()
    page.get_by_role("button", name="Broken bone").click()
    # Which bone, and when, is told by nobody but who asks: until then nothing is kept.
    expect(page.get_by_role("button", name="Keep and go on")).to_be_disabled()
    told = {"site": "wrist", "on": (date.today() - timedelta(days=400)).isoformat(), "healed": True, "painful": False}
    for field in form_of(CONDITIONS["fracture"]):
        if field.name in told:
            fill(page.locator(".card"), field, told[field.name])
    no_fault(page, "story")
    page.get_by_role("button", name="Keep and go on").click()
    expect(page.get_by_role("heading", name="Positions")).to_be_visible()
    for answer in page.get_by_role("radiogroup").all()[:3]:
        answer.get_by_text("Yes", exact=True).click()
    page.get_by_role("button", name="Keep and go on").click()
    page.get_by_text("A worktop or sturdy chair back").click()
    page.get_by_role("button", name="Keep and go on").click()

    page.wait_for_url("**/measure")
    expect(page.locator(".choice .tag").first).to_be_visible()
    no_fault(page, "measure")
    page.locator("aside > .choice", has_text="Timed up and go").first.click()
    number(page, "Time", "11")
    keep_test(page, "Timed up and go")
    page.locator("aside > .choice", has_text="Bone density").first.click()
    page.get_by_text("Total hip", exact=True).click()
    number(page, "T-score", "-2.8")
    expect(page.get_by_role("button", name="Keep the result")).to_be_disabled()  # whether the spine was altered is asked, not assumed
    [altered] = [f for f in form_of(RESULTS["bone_density"]) if f.name == "spine_altered"]
    fill(page.locator("form.form"), altered, False)
    keep_test(page, "Bone density")
    expect(page.get_by_text("osteoporosis range")).to_be_visible()
    page.get_by_role("link", name="Read the limits").click()

    expect(page.get_by_text("rounding under load at most 10°")).to_be_visible()
    page.get_by_text("rounding under load at most 10°").click()
    expect(page.get_by_text("Strong, Steady and Straight").first).to_be_visible()
    no_fault(page, "limits")
    page.get_by_role("link", name="See the movements").click()

    expect(page.locator(".step.excluded").first).to_be_visible()
    no_fault(page, "movements")
    page.locator(".step", has_text="Curl, legs straight").click()
    expect(page.locator(".reasons").get_by_text("rounding under load")).to_be_visible()
    page.keyboard.press("Escape")
    page.get_by_role("link", name="Build the programme").click()

    page.get_by_role("button", name="Build the programme").click()
    expect(page.locator(".move").first).to_be_visible()
    no_fault(page, "programme")
    before = page.locator(".move h2").all_inner_texts()
    page.get_by_role("button", name="Swap").first.click()
    page.get_by_role("button", name="Take this", exact=True).first.click()
    expect(page.get_by_text("edited by hand")).to_be_visible()
    after = page.locator(".move h2").all_inner_texts()
    assert before != after
    page.get_by_role("link", name="Print").click()

    link = page.get_by_role("link", name="Open the PDF")
    expect(link).to_be_visible()
    no_fault(page, "papers")
    answer = page.request.get(link.get_attribute("href"))
    text = " ".join(" ".join(p.extract_text() for p in PdfReader(io.BytesIO(answer.body())).pages).split())
    assert "Nell Arden" in text
    for title in after:
        assert title.split(" ", 1)[1].split(":")[0] in text


def test_a_stop_sign_closes_the_programme(page: Page) -> None:
    user = user_of("ann")
    create_client(user, today_case("low-bone-mass"))
    log_in(page)
    page.get_by_text("Orla Brandt").click()
    page.get_by_role("link", name="Story").click()
    page.get_by_role("button", name="Stop signs").click()
    page.get_by_role("button", name="Ask again").click()
    page.get_by_role("button", name="Chest pain or pressure").click()
    page.get_by_role("button", name="Record stop signs: 1").click()
    expect(page.get_by_role("alert").first).to_contain_text("emergency number")
    page.get_by_role("link", name="Programme").click()
    expect(page.get_by_text("A stop sign stands.").first).to_be_visible()
    assert page.get_by_role("button", name="Build the programme").count() == 0


def test_a_wrong_password_says_so(page: Page) -> None:
    user_of("ann")
    page.goto("/")
    page.fill("input[name=username]", "ann")
    page.fill("input[name=password]", "not-the-password")
    page.get_by_role("button", name="Come in").click()
    expect(page.get_by_role("alert")).to_contain_text("name or password is wrong")
    no_fault(page, "log-in")


def test_keys_lead_through_the_stations(page: Page) -> None:
    user = user_of("ann")
    create_client(user, today_case("low-bone-mass"))
    log_in(page)
    page.get_by_text("Orla Brandt").click()
    expect(page.get_by_role("heading", name="Orla Brandt")).to_be_visible()
    for key, part in (("l", "limits"), ("s", "story"), ("a", "papers"), ("d", "day")):
        page.keyboard.press(key)
        page.wait_for_url(f"**/{part}")
