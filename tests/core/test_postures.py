"""Postures that are left open agree with what is judged: nothing that is allowed passes through one that is closed."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from amvel.answers.postures import postures_data
from amvel.engine import Engine
from amvel.movements import Request, find
from amvel.safety.postures import Left, On, Posture, postures
from tests.bodies import profiler
from tests.conftest import demo
from tests.engines import engine_of
from tests.generated import TODAY, base

CONTEXTS = ("visit", "home")


def engine(*conditions: dict, birth: str = "1975-05-01", **more) -> Engine:
    noted = [{"noted_on": TODAY.isoformat(), **c} for c in conditions]
    return engine_of(base(birth, "female", noted, [], **more))


def closed(e: Engine, context: str = "visit") -> set[tuple[Posture, On]]:
    return {(x.posture, x.on) for x in postures(e.envelope_in(context), context) if not x.open}


def in_it(left: Left, columns) -> np.ndarray:
    """The frames in which somebody is in this posture on this."""
    facts = {"exercise": 1.0, **left.posture.facts, **({left.on.column: 1.0} if left.on.column else {})}
    return np.all([columns[n] >= value for n, value in facts.items()], axis=0)


@pytest.mark.parametrize("name", ["low-bone-mass", "heart-operation", "stroke", "two-falls-high-pressure"])
@pytest.mark.parametrize("context", CONTEXTS)
def test_no_movement_that_is_allowed_passes_through_a_closed_posture(name: str, context: str) -> None:
    e = engine_of(demo(name))
    shut = [x for x in postures(e.envelope_in(context), context) if not x.open]
    assert shut
    for v in e.judge(contexts=(context,)):
        if v.allowed and v.verdict != "by_override":
            for x in shut:
                assert not in_it(x, v.profile.columns).any(), (v.profile.request.label, x.posture, x.on)


@pytest.mark.parametrize("posture", Posture, ids=lambda p: p.name)
def test_the_step_that_shows_a_posture_is_in_it_at_its_start(posture: Posture) -> None:
    p = profiler()
    family, step = find(posture.ref)
    values = {**step.defaults(p.body), **({"head_end_deg": posture.head_end_deg} if posture.head_end_deg else {})}
    profile = p.profile(Request(family, step, posture.side, values))
    assert not profile.fault
    assert all((profile.columns[name] >= value).any() for name, value in posture.facts.items())
    if posture is Posture.PROPPED:
        assert not profile.columns["lying_flat"].any()


def test_somebody_healthy_and_forty_may_be_as_they_like_on_what_is_firm() -> None:
    e = engine(birth="1986-05-01")
    assert not {(p, on) for p, on in closed(e) if on is not On.GIVES_WAY}


def test_lying_flat_that_is_not_borne_closes_flat_and_leaves_propped() -> None:
    found = closed(engine(tolerates={"floor": "yes", "lying_flat": "no"}))
    assert (Posture.FLAT_ON_THE_BACK, On.BED) in found
    assert (Posture.PROPPED, On.BED) not in found


def test_the_floor_that_is_not_reached_closes_the_floor_and_leaves_the_bed() -> None:
    found = closed(engine(tolerates={"floor": "no", "lying_flat": "yes"}))
    assert {p for p, on in found if on is On.FLOOR} == {p for p in Posture if On.FLOOR in p.on}
    assert not {p for p, on in found if on is On.BED}


@settings(max_examples=60, deadline=None)
@given(birth=st.sampled_from(["2011-05-01", "1990-05-01", "1942-05-01"]), flat=st.sampled_from(["yes", "no"]), floor=st.sampled_from(["yes", "no"]))
def test_home_is_never_wider_than_the_visit(birth: str, flat: str, floor: str) -> None:
    e = engine(birth=birth, tolerates={"floor": floor, "lying_flat": flat})
    assert closed(e, "visit") <= closed(e, "home")


def test_as_data_each_has_a_picture_a_state_and_what_closes_it() -> None:
    data = {p["id"]: p for p in postures_data(engine_of(demo("heart-operation")))}
    assert data["standing"]["svg"].startswith("<svg")
    face = {o["on"]: o for o in data["face_down"]["on"]}
    assert face["bed"]["state"] == "closed"
    assert all(o["closed_by"] for p in data.values() for o in p["on"] if o["state"] == "closed")
    assert any("stance" in h for h in data["standing"]["holds"])


def test_who_may_stand_on_both_feet_only_is_not_shown_standing_on_one() -> None:
    """Which stance is left decides too, and what holds in standing holds on one leg."""
    e = engine_of(demo("two-falls-high-pressure"))
    found = {x.posture: x for x in postures(e.envelope_in("home"), "home") if x.on is On.ANYTHING}
    stances = [x for x in e.envelope_in("home").limits if x.quantity == "stance_level" and x.bound < 1]
    assert stances
    assert set(stances) <= set(found[Posture.ON_ONE_LEG].closed_by)
    assert found[Posture.STANDING].open
    hands = [x for x in found[Posture.STANDING].holds if x.quantity == "hand_support_level"]
    assert hands and set(hands) <= set(found[Posture.ON_ONE_LEG].holds)
