"""From a seat lower than a chair somebody rises who was seen to, or whom nothing speaks against."""

import pytest

from amvel.movements import Request, find
from amvel.safety import check
from tests.engines import engine_of
from tests.generated import TODAY, base

SEEN = {"test": "observed_function", "rises": "no_hands"}


def breaks(birth: str, seat_cm: float, *tests: dict) -> set[str]:
    e = engine_of(base(birth, "female", [], [{"on": TODAY.isoformat(), **t} for t in tests]))
    family, step = find("sit_to_stand/two_legs")
    profile = e.profiler.profile(Request(family, step, "both", {**e.values(family, step), "seat_cm": seat_cm}))
    return {b.limit.id for b in check(profile, e.envelope_in("home"), "home").breaches}


@pytest.mark.parametrize(("seat_cm", "closed"), [(40, True), (42, True), (43, False), (48, False)])
def test_at_seventy_nobody_rises_from_lower_than_the_chair_of_the_test(seat_cm: float, closed: bool) -> None:
    assert ("rising.seat" in breaks("1955-05-01", seat_cm, SEEN)) is closed


@pytest.mark.parametrize(("seat_cm", "closed"), [(40, True), (41, False), (42, False)])
def test_whoever_was_seen_to_rise_from_a_sofa_may_go_on(seat_cm: float, closed: bool) -> None:
    assert ("rising.seat" in breaks("1955-05-01", seat_cm, {**SEEN, "lowest_seat_cm": 41})) is closed


def test_a_sturdy_person_sits_as_low_as_there_is() -> None:
    assert "rising.seat" not in breaks("1985-05-01", 40)


def test_what_is_not_risen_from_is_no_low_seat() -> None:
    e = engine_of(base("1955-05-01", "female", [], []))
    for ref in ("tall_sitting/unsupported", "breathing_rest/knees_bent", "heel_raise/firm_hand"):
        family, step = find(ref)
        assert e.profiler.profile(Request(family, step, "both", e.values(family, step))).peak("low_seat_cm") == 0, ref


def test_a_low_chair_is_raised_and_the_rise_stays() -> None:
    data = base("1955-05-01", "female", [], [{"on": TODAY.isoformat(), **SEEN}], room={"seats": [{"name": "low", "height_cm": 41, "arms": True}], "floor_mat": True})
    [v] = engine_of(data).judge("sit_to_stand", "with_hands", contexts=("home",))
    assert v.allowed
    assert v.profile.request.values["seat_cm"] >= 43
