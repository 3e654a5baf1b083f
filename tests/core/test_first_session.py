"""Building a first session in practice: the rule-book's own is all right; errors are counted by kind, each once."""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.answers.first_session import WholeSessionData, built, first_session_data
from amvel.planning import plan
from amvel.practice import ErrorKind
from amvel.practice.first_session import FirstSession, OfferedStep, OfferStanding, first_session, scored
from amvel.practice.invented import invented

ON = date(2026, 11, 27)
CASES = [(7, 2, "sacroiliac_pain"), (5, 1, "")]


@pytest.fixture(scope="module", params=CASES, ids=["two conditions", "one condition"])
def one(request: pytest.FixtureRequest) -> FirstSession:
    seed, level, about = request.param
    return first_session(invented(seed, level, ON, about), seed)


@pytest.fixture(scope="module")
def whole(one: FirstSession) -> WholeSessionData:
    return first_session_data(one)


def test_the_rule_book_s_own_session_has_everything_right(one: FirstSession, whole: WholeSessionData) -> None:
    found = built(whole, one.planned)
    assert (found.result.right, found.result.errors) == (found.result.asked, {})
    assert found.in_order and all(found.met.values())
    assert found.minutes == pytest.approx(plan(one.engine, "home").sessions[0].minutes, abs=0.3)


def test_what_is_on_offer_is_judged_by_the_engine(one: FirstSession) -> None:
    opened = {v.ref for v in one.engine.verdicts if v.context == "home" and v.allowed}
    assert len({o.verdict.ref for o in one.offers}) == len(one.offers)
    for o in one.offers:
        assert (o.verdict.ref in opened) == (o.standing is not OfferStanding.CLOSED), o.verdict.ref
        assert o.why
    standings = [o.standing for o in one.offers]
    assert standings.count(OfferStanding.CLOSED) == 3 and OfferStanding.OPEN in standings
    assert sorted(one.planned) == sorted(o.verdict.ref for o in one.offers if o.standing is OfferStanding.PLANNED)


def test_what_is_shown_does_not_say_how_it_stands(whole: WholeSessionData) -> None:
    assert not {"standing", "why", "serves", "place"} & set(whole["shown"]["offers"][0])
    assert all(o["minutes"] > 0 and o["picture"] for o in whole["shown"]["offers"])


def test_a_closed_step_is_too_lax_and_serves_nothing(one: FirstSession, whole: WholeSessionData) -> None:
    closed = [o.verdict.ref for o in one.offers if o.standing is OfferStanding.CLOSED]
    found = built(whole, closed)
    assert found.result.errors[ErrorKind.TOO_LAX] == len(closed)
    assert found.result.errors[ErrorKind.NEED_MISSED] == len(one.owed) > 0
    assert found.minutes == 0


def test_back_to_front_is_out_of_order(one: FirstSession, whole: WholeSessionData) -> None:
    found = built(whole, one.planned[::-1])
    assert found.result.errors == {ErrorKind.OUT_OF_ORDER: 1} or ErrorKind.TOO_LONG in found.result.errors
    assert not found.in_order


def test_the_same_seed_offers_the_same() -> None:
    seed, level, about = CASES[1]
    one, again = (first_session(invented(seed, level, ON, about), seed) for _ in range(2))
    assert [o.verdict.ref for o in again.offers] == [o.verdict.ref for o in one.offers]


OFFERED = {
    "settles": OfferedStep(False, 2.0, (0, 0), {"deep": 1.5}),
    "works": OfferedStep(False, 4.0, (5, 1), {"rise": 3.0}),
    "balances": OfferedStep(False, 6.0, (7, 1), {"rise": 1.0, "balance": 5.0}),
    "closed": OfferedStep(True, 0.0, (7, 1), {}),
}
OWED = {"deep": 0.0, "rise": 0.0, "balance": 6.0}


@pytest.mark.parametrize(
    ("chosen", "errors"),
    [
        (("settles", "works", "balances"), {ErrorKind.NEED_MISSED: 1}),  # five minutes of balance are not six
        (("settles",), {ErrorKind.NEED_MISSED: 2}),
        (("works", "settles", "balances"), {ErrorKind.NEED_MISSED: 1, ErrorKind.OUT_OF_ORDER: 1}),
        (("settles", "works", "closed", "nobody offered this"), {ErrorKind.NEED_MISSED: 1, ErrorKind.TOO_LAX: 1}),
        (("settles", "settles", "works"), {ErrorKind.NEED_MISSED: 1}),
        ((), {ErrorKind.NEED_MISSED: 3}),
    ],
)
def test_each_kind_of_error_by_hand(chosen: tuple[str, ...], errors: dict[ErrorKind, int]) -> None:
    found = scored(OFFERED, OWED, 20, chosen)
    assert found.result.errors == errors
    assert found.result.asked == 1 + 3 + 2


@pytest.mark.parametrize(("minutes", "long"), [(15, False), (14, False), (13, True), (5, True)])
def test_a_tenth_more_than_the_minutes_is_too_long(minutes: int, long: bool) -> None:
    """Twelve minutes of work and two changes of position of a minute and a half each."""
    found = scored(OFFERED, OWED, minutes, ("settles", "works", "balances"))
    assert (ErrorKind.TOO_LONG in found.result.errors) == long


@given(st.lists(st.sampled_from([*OFFERED, "nobody offered this"]), max_size=8))
def test_nothing_is_right_and_wrong_at_once(chosen: list[str]) -> None:
    found = scored(OFFERED, OWED, 20, chosen)
    assert 0 <= found.result.right <= found.result.asked
    assert found.result.right == found.result.asked - sum(found.result.errors.values())
    assert (found.result.errors.get(ErrorKind.NEED_MISSED, 0) == 0) == all(found.met.values())
