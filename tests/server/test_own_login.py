"""One's own log-in: a second factor, codes for the day the device is lost, and where one is logged in."""

import hashlib
import hmac
import struct
import time
from base64 import b32decode
from datetime import timedelta

import pytest
from django.test import Client as Browser
from django.utils import timezone

from accounts.models import OpenSession, User
from accounts.second_factor import RECOVERY_CODES
from clients.models import AuditEntry
from tests.server.conftest import PASSWORD, Api, logged_in, user_of

pytestmark = pytest.mark.django_db
TABLET = "Mozilla/5.0 (iPad; CPU OS 17_1 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/17.1 Mobile/15E148 Safari/604.1"


def code_at(key: bytes, seconds: float, digits: int = 6) -> str:
    """The code of RFC 6238 (TOTP with SHA-1, 30 s), worked out by hand from RFC 4226."""
    mac = hmac.new(key, struct.pack(">Q", int(seconds) // 30), hashlib.sha1).digest()
    at = mac[-1] & 0x0F
    number = struct.unpack(">I", mac[at : at + 4])[0] & 0x7FFFFFFF
    return str(number % 10**digits).zfill(digits)


@pytest.mark.parametrize(
    ("seconds", "code"), [(59, "94287082"), (1111111109, "07081804"), (1234567890, "89005924"), (20000000000, "65353130")]
)
def test_our_own_reckoning_is_that_of_the_standard(seconds: int, code: str) -> None:
    """RFC 6238, appendix B, SHA-1 column."""
    assert code_at(b"12345678901234567890", seconds, 8) == code


def code_now(secret: str, steps: int = 0) -> str:
    text = secret.replace(" ", "")
    return code_at(b32decode(text + "=" * (-len(text) % 8)), time.time() + 30 * steps)


def set_up(api: Api) -> tuple[str, list[str]]:
    """A second factor; its secret and the codes to write down."""
    begun = api.post("/second-factor", {"password": PASSWORD})
    assert begun.status_code == 200, begun.content
    secret = begun.json()["secret"]
    confirmed = api.post("/second-factor/confirm", {"code": code_now(secret)})
    assert confirmed.status_code == 200, confirmed.content
    return secret, confirmed.json()["codes"]


def come(code: str = "", password: str = PASSWORD):
    api = Api(Browser(enforce_csrf_checks=True))
    answer = api.post("/login", {"username": "ann", "password": password, "code": code})
    api.token = answer.json().get("csrf_token", api.token)
    return api, answer


def is_in(api: Api) -> bool:
    return api.get("/session").json()["user"] != ""


def test_with_a_second_factor_the_password_alone_lets_nobody_in(api: Api) -> None:
    secret, _ = set_up(api)
    other, answer = come()
    assert answer.status_code == 200
    assert answer.json()["needs_code"] is True
    assert answer.json()["user"] == ""
    assert not is_in(other)
    assert other.get("/day").status_code == 401
    other, answer = come(code_now(secret, 1))  # the one of the set-up is used
    assert answer.status_code == 200 and is_in(other)


def test_a_code_lets_in_once(api: Api) -> None:
    secret, _ = set_up(api)
    code = code_now(secret, 1)
    assert is_in(come(code)[0])
    other, answer = come(code)
    assert answer.status_code == 401 and "used" in answer.json()["detail"]
    assert not is_in(other)


def test_wrong_codes_are_slowed_down(api: Api, monkeypatch: pytest.MonkeyPatch) -> None:
    secret, _ = set_up(api)
    begun = timezone.now()
    monkeypatch.setattr(timezone, "now", lambda: begun)  # not by how fast this machine happens to be
    said = [come("000000")[1] for _ in range(3)]
    assert {a.status_code for a in said} == {401}
    assert any("wait" in a.json()["detail"] for a in said)
    assert not is_in(come(code_now(secret, 1))[0])  # the right one as well, for a moment
    monkeypatch.setattr(timezone, "now", lambda: begun + timedelta(minutes=1))
    assert is_in(come(code_now(secret, 1))[0])


def test_a_wrong_password_says_nothing_of_a_second_factor(api: Api) -> None:
    set_up(api)
    _, answer = come(password="not-the-password")
    assert answer.status_code == 401
    assert answer.json()["detail"] == "name or password is wrong"


def test_a_code_that_was_written_down_lets_in_once(api: Api) -> None:
    _, codes = set_up(api)
    assert len(set(codes)) == RECOVERY_CODES
    other, answer = come(codes[0])
    assert answer.status_code == 200 and is_in(other)
    assert other.get("/own").json()["codes_left"] == RECOVERY_CODES - 1
    assert come(codes[0])[1].status_code == 401


def test_it_does_not_count_before_its_first_code(api: Api) -> None:
    api.post("/second-factor", {"password": PASSWORD})
    assert api.get("/own").json()["second_factor"] is False
    assert is_in(come()[0])
    assert api.post("/second-factor/confirm", {"code": "000000"}).status_code == 422
    assert is_in(come()[0])


def test_the_password_is_asked_before_it_is_touched(api: Api) -> None:
    assert api.post("/second-factor", {"password": "another"}).status_code == 422
    set_up(api)
    assert api.post("/second-factor/remove", {"password": "another"}).status_code == 422
    assert api.get("/own").json()["second_factor"] is True
    assert api.post("/second-factor", {"password": PASSWORD}).status_code == 422  # there is one already
    assert api.post("/second-factor/remove", {"password": PASSWORD}).status_code == 200
    assert is_in(come()[0])
    said = set(AuditEntry.objects.values_list("action", flat=True))
    assert {"second factor set up", "second factor taken away"} <= said


def test_the_secret_is_shown_as_a_picture_that_runs_nothing(api: Api) -> None:
    picture = api.post("/second-factor", {"password": PASSWORD}).json()["picture"]
    assert picture.startswith("<svg")
    assert "script" not in picture and "onload" not in picture


def test_an_administrator_takes_away_the_factor_of_a_lost_device_in_the_own_house_only(api: Api, user: User) -> None:
    set_up(api)
    user_of("office", "administrator", user.organisation)
    user_of("stranger", "administrator")
    assert logged_in("stranger").patch(f"/people/{user.pk}", {"forget_device": True}).status_code == 404
    office = logged_in("office")
    assert next(p for p in office.get("/people").json()["people"] if p["username"] == "ann")["second_factor"] is True
    assert office.patch(f"/people/{user.pk}", {"forget_device": True}).status_code == 200
    assert not is_in(api)  # whoever has the device may be in
    assert is_in(come()[0])


def test_every_log_in_is_listed_and_can_be_ended_from_another(api: Api) -> None:
    browser = Browser(enforce_csrf_checks=True, headers={"User-Agent": TABLET})
    tablet = Api(browser)
    assert tablet.login("ann").status_code == 200
    listed = api.get("/own").json()["sessions"]
    assert [s["here"] for s in listed].count(True) == 1
    there = next(s for s in listed if not s["here"])
    assert there["device"] == "iPad, iOS 17.1, Mobile Safari 17.1"
    assert api.post(f"/sessions/{there['id']}/end", {}).status_code == 200
    assert tablet.get("/day").status_code == 401
    assert api.get("/day").status_code == 200
    assert len(api.get("/own").json()["sessions"]) == 1


def test_nobody_ends_the_session_of_somebody_else(api: Api, stranger: Api) -> None:
    mine = api.get("/own").json()["sessions"][0]["id"]
    assert stranger.post(f"/sessions/{mine}/end", {}).status_code == 404
    assert stranger.post("/sessions/nothing/end", {}).status_code == 404
    assert is_in(api)


def test_all_others_end_at_once_and_this_one_stays(api: Api) -> None:
    others = [come()[0] for _ in range(3)]
    assert api.post("/sessions/end-others", {}).status_code == 200
    assert is_in(api)
    assert not any(is_in(o) for o in others)
    assert OpenSession.objects.count() == 1


def test_who_logs_out_is_no_longer_listed(api: Api) -> None:
    other, _ = come()
    other.post("/logout", {})
    assert len(api.get("/own").json()["sessions"]) == 1


@pytest.mark.parametrize("password", ["iloveyou123", "trustno1trustno1", "annannannann", "amvelamvelamvel", "monday-monday-monday", "dragon1234567"])
def test_passwords_that_have_come_out_or_follow_a_pattern_are_refused(api: Api, password: str) -> None:
    answer = api.post("/password", {"old": PASSWORD, "new": password})
    assert answer.status_code == 422, password
    assert is_in(api)


@pytest.mark.parametrize("password", ["seven-larks-over-the-mill", "gravel umbrella tuesday", "Zq8v kelp 41 ladle"])
def test_a_few_words_that_do_not_belong_together_are_taken(api: Api, password: str) -> None:
    assert api.post("/password", {"old": PASSWORD, "new": password}).status_code == 200
