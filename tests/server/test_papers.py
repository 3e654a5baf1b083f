"""Papers: text, pictures, pages and fonts of the PDFs, the calendar, the organisation's own texts, reminders by mail."""

import io
import re
from datetime import datetime, timedelta

import pytest
import vobject
from django.core import mail
from django.core.mail import EmailMessage
from django.core.management import call_command
from django.utils import timezone
from pypdf import PdfReader

from amvel.movements import find
from clients.casework import create_client
from papers.kinds import Kind
from tests.server.conftest import Api, today_case

pytestmark = pytest.mark.django_db


@pytest.fixture
def built(api: Api, client_id: str) -> dict:
    answer = api.post(f"/clients/{client_id}/programmes", {"context": "home", "minutes": 25})
    assert answer.status_code == 201, answer.content
    return answer.json()


def pdf(api: Api, client_id: str, kind: str) -> PdfReader:
    answer = api.get(f"/clients/{client_id}/papers/{kind}.pdf")
    assert answer.status_code == 200, answer.content
    return PdfReader(io.BytesIO(answer.content))


def text_of(reader: PdfReader) -> str:
    return " ".join(" ".join(page.extract_text() for page in reader.pages).split())


def words_of(text: str) -> str:
    """Without the blanks and hyphens that a line break puts in."""
    return text.replace(" ", "").replace("-", "")


def fonts_embedded(reader: PdfReader) -> bool:
    fonts = [f.get_object() for page in reader.pages for f in page["/Resources"]["/Font"].values()]
    inner = [f["/DescendantFonts"][0].get_object() if "/DescendantFonts" in f else f for f in fonts]
    return bool(inner) and all(
        any(k in f["/FontDescriptor"].get_object() for k in ("/FontFile", "/FontFile2", "/FontFile3"))
        for f in inner
    )


def drawn_shapes(reader: PdfReader) -> int:
    """Filled paths in the page streams: figures are drawn, not pasted."""
    return sum(
        page.get_contents().get_data().count(b"\nB") + page.get_contents().get_data().count(b" B\n")
        for page in reader.pages
    )


def test_the_hand_out_holds_name_doses_measures_and_pictures(api: Api, client_id: str, built: dict) -> None:
    reader = pdf(api, client_id, "hand-out")
    text = text_of(reader)
    for word in ("Orla Brandt", "Stop, and ring us", "does not replace your doctor", "Get ready"):
        assert word in text, word
    for m in built["answer"]["movements"]:
        assert words_of(m["title"].split(":")[0]) in words_of(text)
    assert fonts_embedded(reader)
    assert drawn_shapes(reader) > 20 * len(built["answer"]["movements"])
    assert 2 <= len(reader.pages) <= 12


def test_the_page_draws_every_movement(api: Api, client_id: str, built: dict) -> None:
    page = api.get(f"/clients/{client_id}/papers/hand-out").content.decode()
    movements = page[page.index('<section class="movement') :]
    ways = page[page.index('<section class="ways') : page.index('<section class="movement')]
    alike = [all(s["values"] == m["set_ups"][0]["values"] for s in m["set_ups"]) for m in built["answer"]["movements"]]
    assert movements.count("<svg") == sum(1 if same else 2 for same in alike)
    assert ways.count("<svg") == sum(len(w["stages"]) for w in built["answer"]["ways"]) > 0
    assert "Getting there and back" in ways
    assert "file://" not in page


def test_what_is_not_there_is_not_said(api: Api, client_id: str, built: dict) -> None:
    """A head end that is not raised, a wedge or a block that is not used are no measures of a set-up."""
    page = api.get(f"/clients/{client_id}/papers/hand-out").content.decode().lower()
    absent = {
        f"{p.title}: {float(p.nothing_at):g}"
        for m in built["answer"]["movements"]
        for s in m["set_ups"]
        for p in find(m["ref"])[1].parameters
        if isinstance(p.nothing_at, int | float) and s["values"].get(p.id) == p.nothing_at
    }
    assert absent, "nothing is left out of this programme: this looked at nothing"
    assert [words for words in absent if words.lower() in page] == []


def test_the_fridge_sheet_is_a_page_for_each_session_with_pictures_and_the_week(api: Api, client_id: str, built: dict) -> None:
    reader = pdf(api, client_id, "fridge")
    assert len(reader.pages) == len(built["answer"]["sessions"]) == 2
    assert all(f"Session {letter}" in reader.pages[i].extract_text() for i, letter in enumerate("AB"))
    text = text_of(reader)
    assert "Stop when" in text
    for day in ("Mo", "Tu", "We", "Th", "Fr", "Sa", "Su"):
        assert day in text
    for m in built["answer"]["movements"]:
        assert words_of(m["title"].split(":")[0]) in words_of(text)
    assert fonts_embedded(reader)


def test_the_letter_holds_limits_tests_programme_and_questions(api: Api, client_id: str, built: dict) -> None:
    reader = pdf(api, client_id, "letter")
    text = text_of(reader)
    view = api.get(f"/clients/{client_id}").json()
    for word in (
        "Limits that we keep",
        "What was measured",
        "Present programme",
        "rounding under load at most 10",
    ):
        assert word in text, word
    if view["screen"]["referrals"]:
        assert "What we ask" in text
    assert fonts_embedded(reader)


def test_the_letter_is_in_the_language_of_who_writes_it(api: Api, client_id: str, built: dict) -> None:
    """To a colleague; what the client reads stays in the client's own language."""
    english = api.get(f"/clients/{client_id}/papers/letter").content.decode()
    german = api.get(f"/clients/{client_id}/papers/letter?language=de").content.decode()
    assert 'lang="en"' in english and "Limits that we keep" in english
    assert 'lang="de"' in german and "Grenzen, die wir einhalten" in german and "Limits that we keep" not in german
    texts = re.findall(r"<(?:li|p|td|th|h2)[^>]*>([^<]{12,})", german)
    same = [t for t in texts if t in english and "@" not in t and not re.search(r"Brandt|House of|\d{4}", t)]
    assert not same, same
    assert 'lang="en"' in api.get(f"/clients/{client_id}/papers/hand-out?language=de").content.decode()
    assert api.get(f"/clients/{client_id}/papers/letter?language=xx").status_code == 422
    assert api.get(f"/clients/{client_id}/papers/poem").status_code == 422


def test_the_letter_says_what_changed_since_the_first_test(api: Api, client_id: str, built: dict) -> None:
    view = api.get(f"/clients/{client_id}").json()
    old = (timezone.localdate() - timedelta(days=60)).isoformat()
    result = {"test": "timed_up_and_go", "on": old, "seconds": 14.0}
    assert api.post(f"/clients/{client_id}/tests", {"base_revision": view["revision"], "result": result}).status_code == 200
    page = api.get(f"/clients/{client_id}/papers/letter").content.decode()
    assert "14 → " in page
    assert "real change" in page


def test_a_stop_sign_closes_every_paper(api: Api, client_id: str, built: dict) -> None:
    view = api.get(f"/clients/{client_id}").json()
    stop = {"asked_on": view["case"]["as_of"], "present": ["chest_pain"]}
    api.patch(f"/clients/{client_id}", {"base_revision": view["revision"], "sections": {"stop_signs": stop}})
    for path in (*(f"papers/{kind}{ending}" for kind in Kind for ending in ("", ".pdf")), "programmes/latest/calendar.ics", "programmes/latest/week"):
        assert api.get(f"/clients/{client_id}/{path}").status_code == 409, path


def test_another_house_gets_no_paper(stranger: Api, api: Api, client_id: str, built: dict) -> None:
    for path in (*(f"papers/{kind}{ending}" for kind in Kind for ending in ("", ".pdf")), "programmes/latest/calendar.ics", "programmes/latest/week"):
        assert stranger.get(f"/clients/{client_id}/{path}").status_code == 404, path
    assert stranger.get(f"/clients/{client_id}/reminder").status_code == 404


def test_the_calendar_names_no_condition_and_has_every_session(api: Api, client_id: str, built: dict) -> None:
    answer = api.get(f"/clients/{client_id}/programmes/latest/calendar.ics?zone=Europe/Berlin&weeks=2")
    assert answer.status_code == 200
    book = vobject.readOne(answer.content.decode())
    week = api.get(f"/clients/{client_id}/programmes/latest/week").json()
    found = sum(len(list(e.getrruleset(addRDate=True))) for e in book.vevent_list)
    assert found == 2 * len(week["sessions"])
    text = answer.content.decode().lower()
    assert "orla" not in text
    assert "bone" not in text
    assert api.get(f"/clients/{client_id}/programmes/latest/calendar.ics?zone=No/Where").status_code == 422


def test_an_organisation_writes_its_own_texts(api: Api, client_id: str, built: dict) -> None:
    answer = api.send(
        "put", "/texts/greeting", {"text": "Hello {{ name }}, {{ minutes }} minutes <b>today</b>."}
    )
    assert answer.status_code == 200, answer.content
    page = api.get(f"/clients/{client_id}/papers/hand-out").content.decode()
    assert "Hello Orla Brandt" in page
    assert "&lt;b&gt;today&lt;/b&gt;" in page


@pytest.mark.parametrize(
    "text",
    [
        "{% for x in y %}",
        "{{ name.__class__ }}",
        "{{ case.person }}",
        "{{ name",
        "{{ name|upper }}",
        "{# hidden #}",
        "{{ self }}",
        "{{ ''.join(name) }}",
    ],
)
def test_a_text_is_words_and_known_names_and_nothing_else(api: Api, text: str) -> None:
    answer = api.send("put", "/texts/greeting", {"text": text})
    assert answer.status_code == 422
    assert answer.json()["detail"].startswith("text:")


def test_one_house_does_not_see_the_texts_of_another(api: Api, stranger: Api) -> None:
    api.send("put", "/texts/contact", {"text": "Only ours"})
    assert "Only ours" not in str(stranger.get("/texts").json())


def next_session(api: Api, client_id: str) -> datetime:
    session = next(
        s for s in api.get(f"/clients/{client_id}/programmes/latest/week").json()["sessions"] if not s["light"]
    )
    today = timezone.now()
    day = today + timedelta(days=(session["day"] - today.weekday()) % 7)
    hour, minute = map(int, session["at"].split(":"))
    return day.replace(hour=hour, minute=minute, second=0, microsecond=0)


def test_a_reminder_goes_once_and_only_to_who_asked(api: Api, client_id: str, built: dict) -> None:
    at = next_session(api, client_id)
    early = (at - timedelta(minutes=30)).isoformat()
    call_command("send_reminders", now=early)
    assert mail.outbox == []
    assert (
        api.send(
            "put", f"/clients/{client_id}/reminder", {"address": "orla@example.org", "zone": "UTC"}
        ).status_code
        == 200
    )
    call_command("send_reminders", now=early)
    call_command("send_reminders", now=early)
    assert [m.to for m in mail.outbox] == [["orla@example.org"]]
    assert "bone" not in mail.outbox[0].body.lower()
    call_command("send_reminders", now=(at + timedelta(hours=3)).isoformat())
    assert len(mail.outbox) == 1


def test_no_reminder_on_a_day_away_and_none_lost_on_the_next(api: Api, client_id: str, built: dict) -> None:
    at = next_session(api, client_id)
    api.send("put", f"/clients/{client_id}/reminder", {"address": "orla@example.org", "zone": "UTC"})
    view = api.get(f"/clients/{client_id}").json()
    day = at.date().isoformat()
    wishes = {**view["case"]["wishes"], "away": [{"first": day, "last": day}]}
    kept = api.patch(f"/clients/{client_id}", {"base_revision": view["revision"], "sections": {"wishes": wishes}})
    assert kept.status_code == 200
    call_command("send_reminders", now=(at - timedelta(minutes=30)).isoformat())
    assert mail.outbox == []
    call_command("send_reminders", now=(at + timedelta(days=7) - timedelta(minutes=30)).isoformat())
    assert len(mail.outbox) == 1


@pytest.mark.parametrize(
    ("away", "why"),
    [
        ({"first": "2027-02-10", "last": "2027-02-09"}, "at or after the first day"),
        ({"first": "2027-02-10", "last": "2029-02-10"}, "within a year"),
    ],
)
def test_days_away_that_cannot_be_are_refused_with_field_and_reason(api: Api, client_id: str, away: dict, why: str) -> None:
    view = api.get(f"/clients/{client_id}").json()
    wishes = {**view["case"]["wishes"], "away": [away]}
    refused = api.patch(f"/clients/{client_id}", {"base_revision": view["revision"], "sections": {"wishes": wishes}})
    assert refused.status_code == 422
    assert "wishes.away" in refused.content.decode()
    assert why in refused.content.decode()
    assert api.get(f"/clients/{client_id}").json()["revision"] == view["revision"]


def test_no_reminder_while_a_stop_sign_stands(api: Api, client_id: str, built: dict) -> None:
    at = next_session(api, client_id)
    api.send("put", f"/clients/{client_id}/reminder", {"address": "orla@example.org", "zone": "UTC"})
    view = api.get(f"/clients/{client_id}").json()
    stop = {"asked_on": view["case"]["as_of"], "present": ["chest_pain"]}
    api.patch(f"/clients/{client_id}", {"base_revision": view["revision"], "sections": {"stop_signs": stop}})
    call_command("send_reminders", now=(at - timedelta(minutes=30)).isoformat())
    assert mail.outbox == []


def test_a_mail_that_does_not_go_stops_no_other_and_goes_the_next_time(api: Api, user, client_id: str, built: dict, monkeypatch) -> None:
    second = str(create_client(user, today_case("low-bone-mass")).pk)
    assert api.post(f"/clients/{second}/programmes", {"context": "home", "minutes": 20}).status_code == 201
    for client, address in ((client_id, "orla@example.org"), (second, "ines@example.org")):
        assert api.send("put", f"/clients/{client}/reminder", {"address": address, "zone": "UTC"}).status_code == 200
    early = (next_session(api, client_id) - timedelta(minutes=30)).isoformat()
    real, refused = EmailMessage.send, min((client_id, "orla@example.org"), (second, "ines@example.org"))[1]

    def down(self, *args, **more):
        if self.to == [refused]:
            raise OSError("the mail server has gone")
        return real(self, *args, **more)

    with monkeypatch.context() as held:
        held.setattr(EmailMessage, "send", down)
        call_command("send_reminders", now=early)
    assert len(mail.outbox) == 1 and mail.outbox[0].to != [refused]
    call_command("send_reminders", now=early)
    assert sorted(m.to[0] for m in mail.outbox) == ["ines@example.org", "orla@example.org"]


@pytest.mark.parametrize("wrong", [{"address": "nowhere"}, {"address": "a@example.org", "zone": "Mars/Base"}])
def test_a_wrong_address_or_zone_is_named(api: Api, client_id: str, wrong: dict) -> None:
    answer = api.send("put", f"/clients/{client_id}/reminder", wrong)
    assert answer.status_code == 422
    assert answer.json()["detail"].split(":")[0] in wrong


def test_mail_lands_in_the_shipped_mailbox(api: Api, client_id: str, built: dict, settings, tmp_path) -> None:
    settings.EMAIL_BACKEND, settings.EMAIL_FILE_PATH = (
        "django.core.mail.backends.filebased.EmailBackend",
        tmp_path,
    )
    api.send("put", f"/clients/{client_id}/reminder", {"address": "orla@example.org", "zone": "UTC"})
    call_command("send_reminders", now=(next_session(api, client_id) - timedelta(minutes=30)).isoformat())
    letters = [p.read_text() for p in tmp_path.iterdir()]
    assert len(letters) == 1
    assert "To: orla@example.org" in letters[0]


def test_what_a_school_says_again_is_said_once_and_named() -> None:
    from papers.hand_out import _every_time

    movements = [{"lines": ["all", "lift", "soft"]}, {"lines": ["all", "lift", "finger"]}, {"lines": ["all", "firm"]}, {"lines": ["all", "firm", "finger"]}]
    assert _every_time(movements) == ["all"]
    assert [[str(x) for x in m["lines"]] for m in movements] == [
        ["lift", "soft"],
        ["Belly and breath as in number 1.", "finger"],
        ["firm"],
        ["Belly and breath as in number 3."],
    ]
