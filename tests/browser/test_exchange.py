"""A client taken out on the page and brought in again from the file that came of it."""

from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from clients.casework import create_client
from clients.models import Client
from tests.browser.driving import let_in, log_in, no_fault
from tests.server.conftest import today_case, user_of

pytestmark = pytest.mark.django_db(transaction=True)


def downloaded(page: Page, button: str, to: Path) -> Path:
    with page.expect_download() as saved:
        page.get_by_role("link", name=button).click()
    saved.value.save_as(to)
    return to


def test_a_client_goes_out_as_files_and_comes_in_from_them(page: Page, tmp_path: Path) -> None:
    client = create_client(user_of("ann"), today_case("stroke"))
    client.refresh_from_db()
    let_in(page)
    page.goto(f"/client/{client.pk}/papers")
    page.get_by_text("Records out, tests and visits in").click()
    no_fault(page, "records out")
    whole = downloaded(page, "Everything that is kept", tmp_path / "client.json")
    fhir = downloaded(page, "For clinical programs", tmp_path / "client.fhir.json")
    tests = downloaded(page, "Tests as a table", tmp_path / "tests.csv")
    page.get_by_label("Tests from a table").set_input_files(tests)
    expect(page.get_by_text("0 taken.")).to_be_visible()  # they are all there
    for file, gone in ((whole, False), (fhir, True)):
        page.goto("/new")
        page.locator("input[type=file]").set_input_files(file)
        expect(page.get_by_text("The client is here.")).to_be_visible()
        expect(page.get_by_role("heading", name="Not taken")).to_have_count(int(gone))
        no_fault(page, "from a file")
    page.get_by_role("link", name="Open the story").click()
    expect(page.get_by_role("heading", name=client.name)).to_be_visible()
    assert Client.objects.filter(name=client.name).count() == 3


def test_visits_that_were_logged_elsewhere_come_in_once(page: Page, tmp_path: Path) -> None:
    user = user_of("ann")
    client, empty = create_client(user, today_case("stroke")), create_client(user, {**today_case("stroke"), "visits": []})
    let_in(page)
    page.goto(f"/client/{client.pk}/papers")
    page.get_by_text("Records out, tests and visits in").click()
    visits = downloaded(page, "Visits as a table", tmp_path / "visits.csv")
    count = client.visits.count()
    assert count > 3
    page.goto(f"/client/{empty.pk}/papers")
    page.get_by_text("Records out, tests and visits in").click()
    for taken in (count, 0):
        expect(page.get_by_label("Visits from a table")).to_be_enabled()
        page.get_by_label("Visits from a table").set_input_files(visits)
        expect(page.get_by_text(f"{taken} taken.", exact=True)).to_be_visible()
    assert empty.visits.count() == count


def test_what_is_no_file_of_a_client_is_said(page: Page, tmp_path: Path) -> None:
    user_of("ann")
    log_in(page)
    for content, says in (("no JSON", "it has to be JSON"), ('{"revisions": []}', "exported_at"), ("[1]", "it has to be JSON")):
        file = tmp_path / "x.json"
        file.write_text(content)
        page.goto("/new")
        page.locator("input[type=file]").set_input_files(file)
        expect(page.get_by_role("alert").filter(has_text=says)).to_be_visible()


def test_two_days_are_compared_in_words(page: Page) -> None:
    client = create_client(user_of("ann"), today_case("low-bone-mass"))
    let_in(page)
    page.goto(f"/client/{client.pk}/limits")
    page.get_by_role("button", name="History").click()
    expect(page.get_by_role("heading", name="Between two days")).to_be_visible()
    page.get_by_role("button", name="Compare").click()
    expect(page.get_by_role("alert").filter(has_text="no such thing")).to_be_visible()  # eight weeks ago nobody knew this client
    second = page.get_by_role("textbox", name="to", exact=True).input_value()
    page.get_by_role("textbox", name="From", exact=True).fill(second)
    page.get_by_role("button", name="Compare").click()
    expect(page.get_by_text("Nothing has changed between these days.")).to_be_visible()
    no_fault(page, "two days")
