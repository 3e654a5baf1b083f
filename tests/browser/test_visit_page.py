"""A visit in the real interface: tap by tap, without a network in the middle, sent once; a stop sign told elsewhere closes it."""

import os
import subprocess
import sys
from collections.abc import Callable, Iterator
from datetime import timedelta

import pytest
from django.utils import timezone
from playwright.sync_api import Browser, Page, expect

from accounts.models import User
from clients.casework import create_client
from clients.models import Client
from programmes.building import build
from tests.browser.driving import let_in, no_fault, open_page
from tests.conftest import ROOT
from tests.patience import PATIENCE_S
from tests.server.conftest import today_case, user_of
from visits.links import made_link
from visits.models import LoggedVisit

pytestmark = pytest.mark.django_db(transaction=True)


def a_client() -> Client:
    user = user_of("ann")
    data = today_case("low-bone-mass")
    data.pop("visits")
    client = create_client(user, data)
    build(client, user, "home", 15)
    return client


def opened(page: Page, client: Client) -> None:
    let_in(page)
    page.goto(f"/client/{client.pk}/visit")
    expect(page.get_by_role("button", name="Begin", exact=True)).to_be_visible()


def begun(page: Page) -> None:
    page.get_by_role("button", name="Pain now: 1", exact=True).click()
    page.get_by_role("button", name="low back", exact=True).click()
    page.get_by_role("button", name="Begin", exact=True).click()
    page.get_by_role("button", name="Ready").click()


def one_movement(page: Page) -> int:
    """Taps every repetition of the movement that is set up; how many were tapped."""
    tapped = 0
    for _ in range(200):
        if page.get_by_role("button", name="Clean", exact=True).is_visible():
            page.keyboard.press("c")
            tapped += 1
        elif page.get_by_role("heading", name="Rest").is_visible():
            page.get_by_role("button", name="Go on").click()
        elif page.get_by_role("heading", name="Both sides").is_visible():
            for _row in range(3):
                page.get_by_role("button", name="the same").nth(_row).click()
        else:
            return tapped
        page.wait_for_timeout(20)
    raise AssertionError("this movement does not end")


def leave_the_rest_out(page: Page) -> None:
    while page.get_by_role("button", name="Ready").is_visible():
        page.get_by_role("button", name="Leave it out").click()
        page.get_by_role("button", name="no time").click()
        page.wait_for_timeout(50)


def test_a_visit_is_finished_without_a_network_and_sent_when_there_is_one(page: Page) -> None:
    client = a_client()
    opened(page, client)
    no_fault(page, "before the visit")
    begun(page)
    expect(page.get_by_test_id("count")).to_have_text("0")
    no_fault(page, "a set")
    page.keyboard.press("c")
    expect(page.get_by_test_id("count")).to_have_text("1")
    page.context.set_offline(True)
    tapped = 1 + one_movement(page)
    leave_the_rest_out(page)
    page.get_by_role("button", name="Effort of the whole: 3", exact=True).click()
    page.get_by_role("button", name="Finish and send").click()
    expect(page.get_by_text("1 waiting to be sent").first).to_be_visible()
    assert LoggedVisit.objects.count() == 0
    page.context.set_offline(False)
    expect(page.get_by_text("waiting to be sent")).to_have_count(0)
    [kept] = LoggedVisit.objects.filter(client=client)
    assert sum(s["clean"] for m in kept.data["movements"] for s in m["sets"]) == tapped
    assert (kept.data["effort_0_to_10"], kept.data["pain_before_0_to_10"], kept.data["pain_where"]) == (3, 1, "low_back")
    assert {m["skipped"] for m in kept.data["movements"] if not m["sets"]} == {"time"}


NAME_OF_FOCUS = "document.activeElement.getAttribute('aria-label') || document.activeElement.textContent.trim()"


def press(page: Page, name: str, most: int = 150) -> None:
    """Reach a control with the tabulator alone and press it."""
    for _ in range(most):
        if page.evaluate(NAME_OF_FOCUS) == name:
            page.keyboard.press("Enter")
            return
        page.keyboard.press("Tab")
    raise AssertionError(f"'{name}' is not reached by keyboard")


def test_a_whole_visit_needs_no_mouse(page: Page) -> None:
    client = a_client()
    opened(page, client)
    press(page, "Pain now: 1")
    press(page, "low back")
    press(page, "Begin")
    movements = 0
    while not page.get_by_role("heading", name="How was it?").is_visible():
        press(page, "Ready")
        movements += 1
        for _ in range(200):
            if page.get_by_role("button", name="Clean", exact=True).is_visible():
                page.keyboard.press("c")
            elif page.get_by_role("heading", name="Rest").is_visible() or page.get_by_role("heading", name="Both sides").is_visible():
                press(page, "Go on")
            else:
                break
            page.wait_for_timeout(20)
    press(page, "Effort of the whole: 3")
    press(page, "Finish and send")
    expect(page.get_by_text("Sent", exact=True)).to_be_visible()
    [kept] = LoggedVisit.objects.filter(client=client)
    assert len(kept.data["movements"]) == movements
    assert all(s["clean"] >= s["target"] for m in kept.data["movements"] for s in m["sets"])


def test_a_visit_goes_on_after_its_page_was_killed(page: Page) -> None:
    client = a_client()
    opened(page, client)
    begun(page)
    page.keyboard.press("c")
    page.keyboard.press("c")
    expect(page.get_by_test_id("count")).to_have_text("2")
    page.wait_for_timeout(300)
    page.goto("about:blank")
    page.goto(f"/client/{client.pk}/visit")
    expect(page.get_by_test_id("count")).to_have_text("2")
    expect(page.get_by_text("Go on where it was left")).to_be_visible()


def test_a_session_that_was_fetched_opens_without_a_network(installed_page: Page) -> None:
    page, client = installed_page, a_client()
    opened(page, client)
    page.evaluate("navigator.serviceWorker.ready.then(() => true)")
    page.reload()
    expect(page.get_by_role("button", name="Begin", exact=True)).to_be_visible()
    page.context.set_offline(True)
    page.reload()
    expect(page.get_by_role("button", name="None of these today")).to_be_visible()
    page.get_by_role("button", name="None of these today").click()
    begun(page)
    page.keyboard.press("c")
    expect(page.get_by_test_id("count")).to_have_text("1")
    page.context.set_offline(False)


def test_a_fault_is_named_in_the_second_tap_and_can_be_taken_back(page: Page) -> None:
    client = a_client()
    opened(page, client)
    begun(page)
    page.get_by_role("button", name="Not clean").click()
    expect(page.get_by_role("heading", name="What was it?")).to_be_visible()
    no_fault(page, "naming a fault")
    page.locator(".fault").first.click()
    page.get_by_role("button", name="Unaware").click()
    expect(page.get_by_test_id("count")).to_have_text("0")
    page.keyboard.press("c")
    page.keyboard.press("z")
    expect(page.get_by_test_id("count")).to_have_text("0")


def test_a_stop_sign_told_on_another_device_ends_the_visit_and_keeps_what_was_done(chromium: Browser, page: Page, live_server) -> None:
    client = a_client()
    opened(page, client)
    begun(page)
    page.keyboard.press("c")
    expect(page.get_by_test_id("count")).to_have_text("1")
    other = open_page(chromium, live_server.url)
    let_in(other)
    other.goto(f"/client/{client.pk}/story")
    other.get_by_role("button", name="Stop signs").click()
    other.get_by_role("button", name="Ask again").click()
    other.get_by_role("button", name="Chest pain or pressure").click()
    other.get_by_role("button", name="Record stop signs: 1").click()
    expect(page.get_by_role("heading", name="The session has ended")).to_be_visible()
    expect(page.get_by_text("Sent", exact=True)).to_be_visible()
    [kept] = LoggedVisit.objects.filter(client=client)
    assert kept.data["movements"][0]["sets"][0]["clean"] == 1
    other.context.close()


def test_a_stop_sign_from_the_mat_closes_the_client_at_once(page: Page) -> None:
    client = a_client()
    opened(page, client)
    begun(page)
    page.get_by_role("button", name="Stop sign", exact=True).click()
    page.get_by_role("button", name="Chest pain or pressure").click()
    expect(page.get_by_role("heading", name="The session has ended")).to_be_visible()
    page.goto(f"/client/{client.pk}/programme")
    expect(page.get_by_text("A stop sign stands.").first).to_be_visible()
    assert client.latest().data["stop_signs"]["present"] == ["chest_pain"]
    assert client.latest().data["stop_signs"]["asked_on"] == timezone.localdate().isoformat()


def test_the_course_shows_the_weaker_side_and_what_comes_next(page: Page) -> None:
    user = user_of("ann")
    client = create_client(user, today_case("stroke"))
    build(client, user, "home", 20)
    let_in(page)
    page.goto(f"/client/{client.pk}/course")
    expect(page.get_by_text("side has fewer clean repetitions")).to_be_visible()
    expect(page.get_by_text("flare, after")).to_be_visible()
    expect(page.locator(".chart svg")).to_be_visible()
    expect(page.get_by_text("stay as they are")).to_be_visible()
    page.wait_for_timeout(500)
    no_fault(page, "course")
    page.get_by_role("button", name="As a table").click()
    expect(page.locator("table tbody tr").first).to_be_visible()


def test_home_by_a_private_link_on_a_phone(chromium: Browser, live_server) -> None:
    client = a_client()
    code = made_link(client, User.objects.get(username="ann"))[1]
    context = chromium.new_context(viewport={"width": 390, "height": 844}, base_url=live_server.url, service_workers="block")
    phone = context.new_page()
    phone.goto(f"/home/{code}")
    expect(phone.get_by_role("button", name="Begin", exact=True)).to_be_visible()
    assert phone.evaluate("document.documentElement.scrollWidth <= innerWidth")
    no_fault(phone, "home")
    phone.get_by_role("button", name="Begin", exact=True).click()
    movements = 0
    while phone.get_by_role("button", name="All of them done").is_visible():
        phone.get_by_role("button", name="All of them done").click()
        movements += 1
        phone.wait_for_timeout(50)
    assert movements > 2
    assert phone.evaluate("document.documentElement.scrollWidth <= innerWidth")
    phone.get_by_role("button", name="How hard was it: 3", exact=True).click()
    phone.get_by_role("button", name="Finish").click()
    expect(phone.get_by_text("Thank you")).to_be_visible()
    expect(phone.get_by_text("It has arrived.")).to_be_visible()
    [kept] = LoggedVisit.objects.filter(client=client)
    assert (kept.data["context"], kept.data["by"], kept.data["effort_0_to_10"]) == ("home", "client", 3)
    phone.goto("/home/aaaa-bbbb-cccc-dddd")
    expect(phone.get_by_text("This link opens nothing any more")).to_be_visible()
    context.close()


def test_the_code_on_the_slip_opens_home_when_it_is_typed(chromium: Browser, page: Page, live_server) -> None:
    client = a_client()
    let_in(page)
    page.goto(f"/client/{client.pk}/papers")
    page.get_by_role("button", name="Make a new link").click()
    slip = page.locator(".home-slip")
    # The same process draws the hand-out meanwhile.
    expect(slip.get_by_role("img", name="The address, for a camera")).to_be_visible()
    expect(page.get_by_role("button", name="Print this slip")).to_be_visible()
    no_fault(page, "papers with a slip")
    code = slip.locator(".code").inner_text()
    # On paper there is the slip and nothing else.
    page.emulate_media(media="print")
    expect(slip).to_be_visible()
    expect(page.get_by_role("button", name="Print this slip")).to_be_hidden()
    phone = open_page(chromium, live_server.url)
    phone.set_viewport_size({"width": 390, "height": 844})
    phone.goto("/home")
    go = phone.get_by_role("button", name="Open")
    expect(go).to_be_disabled()
    phone.get_by_label("Code").fill(f" {code.upper().replace('-', ' ')}")
    no_fault(phone, "door of home")
    assert phone.evaluate("document.documentElement.scrollWidth <= innerWidth")
    go.click()
    expect(phone.get_by_role("button", name="Begin", exact=True)).to_be_visible()
    phone.context.close()


@pytest.fixture
def stand_in() -> Iterator[Callable[[str], None]]:
    """Starts the sensors' stand-in with a script; it ends with the test."""
    running: list[subprocess.Popen[str]] = []

    def start(script: str) -> None:
        command = [sys.executable, "tools/sensor_stand_in.py", "--script", script, "--speed", "20"]
        environment = {**os.environ, "PYTHONPATH": str(ROOT / "core" / "src")}
        running.append(subprocess.Popen(command, cwd=ROOT, env=environment, stdout=subprocess.PIPE, text=True))
        assert running[-1].stdout is not None
        assert "plays" in running[-1].stdout.readline()

    yield start
    for process in running:
        process.terminate()
        process.wait(PATIENCE_S)


# The next finding comes within a second: the page itself has to look, at every picture it shows.
WHEN_QUIET = """() => {
  const clean = [...document.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Clean')
  const until = performance.now() + 300000
  const look = (found, missing) => {
    if (performance.now() > until) return missing(new Error('it never said that nothing was noticed'))
    if (!document.body.innerText.includes('Nothing noticed')) return requestAnimationFrame(() => look(found, missing))
    const { x, y, width, height } = clean.getBoundingClientRect()
    found({ x, y, width, height })
  }
  return { place: new Promise(look) }
}"""


def test_what_the_sensors_find_is_proposed_and_the_specialist_decides(page: Page, stand_in: Callable[[str], None]) -> None:
    stand_in("faulty")
    client = a_client()
    opened(page, client)
    begun(page)
    page.get_by_role("button", name="Sensors").click()
    expect(page.get_by_role("img", name="Cushion")).to_be_visible()
    expect(page.get_by_role("button", name="It was", exact=True)).to_be_visible()
    no_fault(page, "sensors")
    expect(page.get_by_test_id("count")).to_have_text("0")
    # Nothing moves under a finger, whatever is found meanwhile.
    clean = page.get_by_role("button", name="Clean", exact=True)
    before = clean.bounding_box()
    quiet = page.evaluate_handle(WHEN_QUIET)
    page.get_by_role("button", name="It was not").click()
    assert quiet.evaluate("q => q.place") == before
    page.keyboard.press("c")
    expect(page.get_by_role("button", name="It was", exact=True)).to_be_visible()
    page.get_by_role("button", name="It was", exact=True).click()
    expect(page.get_by_test_id("count")).to_have_text("1")


def test_a_clean_script_raises_nothing(page: Page, stand_in: Callable[[str], None]) -> None:
    stand_in("clean")
    client = a_client()
    opened(page, client)
    begun(page)
    page.get_by_role("button", name="Sensors").click()
    expect(page.get_by_role("img", name="Cushion")).to_be_visible()
    page.wait_for_timeout(15_000)  # five minutes at twenty times their pace
    expect(page.get_by_role("button", name="It was", exact=True)).to_have_count(0)


def test_a_device_without_room_says_so_and_the_visit_goes_on(page: Page) -> None:
    page.add_init_script("IDBObjectStore.prototype.put = function () { throw new DOMException('no room', 'QuotaExceededError') }")
    client = a_client()
    opened(page, client)
    begun(page)
    page.keyboard.press("c")
    expect(page.get_by_text("This device has no room left")).to_be_visible()
    expect(page.get_by_test_id("count")).to_have_text("1")


def test_a_device_whose_clock_is_ahead_is_told_and_nothing_is_lost(installed_page: Page) -> None:
    page, client = installed_page, a_client()  # the clock is the whole device's
    page.clock.install(time=timezone.now() + timedelta(days=3))
    opened(page, client)
    begun(page)
    page.keyboard.press("c")
    page.get_by_role("button", name="End the set").click()
    page.get_by_role("button", name="Stop sign", exact=True).click()
    page.get_by_role("button", name="Fever today").click()
    expect(page.get_by_text("Not taken by the server")).to_be_visible()
    assert LoggedVisit.objects.count() == 0
    page.get_by_role("button", name="Date it today and send again").click()
    expect(page.get_by_text("Not taken by the server")).to_have_count(0)
    expect(page.get_by_text("waiting to be sent")).to_have_count(0)
    assert LoggedVisit.objects.get(client=client).on == timezone.localdate()
