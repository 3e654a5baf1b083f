"""A wedge under the heels gives what a stiff ankle does not; the half-step gives a wider base than heel to toe."""

import math

import pytest

from amvel.body import cautious, healthy
from amvel.case import Room
from amvel.fitting.needs import check_room
from amvel.movements import Profile, Profiler, Request, find
from amvel.movements.heel_wedge import HEEL_WEDGE, wedge_deg
from tests.bodies import body, profiler
from tests.engines import engine_of
from tests.generated import base

RISES = ("sit_to_stand/with_hands", "sit_to_stand/one_hand", "sit_to_stand/two_legs", "sit_to_stand/staggered")


def profile(p: Profiler, ref: str, **values: float | str) -> Profile:
    family, step = find(ref)
    side = "left" if step.sides else "both"
    return p.profile(Request(family, step, side, {**step.defaults(p.body), **values}))


@pytest.fixture(scope="module")
def stiff() -> Profiler:
    """Ankles that stop five degrees short of a right angle."""
    ends = {f"{s}.ankle_dorsiflexion": -5.0 for s in ("left", "right")}
    return Profiler(body(), cautious({**healthy().range_deg, **ends}))


def test_the_wedge_tips_the_sole_as_a_right_triangle_says() -> None:
    """Height over the distance from heel to ball, 0.76 of a foot of 0.152 of the stature (Drillis & Contini 1966, from memory)."""
    for height in (1.0, 4.0):
        wanted = math.degrees(math.asin(height / (0.76 * 0.152 * 100 * body().stature_m)))
        assert wedge_deg(body(), height) == pytest.approx(wanted, abs=0.1)


@pytest.mark.parametrize("ref", RISES)
def test_an_ankle_bends_by_so_much_less_on_a_wedge(ref: str) -> None:
    p = profiler()
    flat, up = (profile(p, ref, heel_wedge_cm=h) for h in (0, 4))
    assert not flat.fault and not up.fault
    less = flat.peak("left.ankle_dorsiflexion_deg") - up.peak("left.ankle_dorsiflexion_deg")
    assert less == pytest.approx(wedge_deg(p.body, 4.0), abs=3.0)


@pytest.mark.parametrize("ref", RISES)
def test_who_cannot_rise_with_stiff_ankles_rises_on_a_wedge(ref: str, stiff: Profiler) -> None:
    assert profile(stiff, ref, heel_wedge_cm=0).fault
    assert not profile(stiff, ref, heel_wedge_cm=4).fault


def test_heels_stand_on_the_wedge_and_balls_on_the_floor() -> None:
    q = profile(profiler(), "sit_to_stand/two_legs", heel_wedge_cm=3)
    index = profiler().skeleton.landmarks.index
    for side in ("left", "right"):
        assert q.posed.points[:, index[f"{side}.heel"], 2] == pytest.approx(0.03, abs=0.005)
        assert q.posed.points[:, index[f"{side}.ball"], 2] == pytest.approx(0.0, abs=0.005)


def test_the_wedge_is_asked_of_the_room_with_a_household_stand_in() -> None:
    family, step = find("sit_to_stand/two_legs")
    room = Room(seats=())
    plain, up = (check_room(body(), room, family, step, [{HEEL_WEDGE.id: h}]) for h in (0.0, 2.0))
    assert len(up.uses) == len(plain.uses) + 1


def test_a_half_step_is_a_wider_base_than_heel_to_toe() -> None:
    """The base grows sideways by a foot's breadth: half of that lies on either side of the weight."""
    p = profiler()
    whole, half = (profile(p, "tandem_stand/hands_hover", base=b) for b in ("heel to toe", "half a step"))
    assert not whole.fault and not half.fault
    assert half.lowest("support_margin_cm") > whole.lowest("support_margin_cm") + 1.0


@pytest.mark.parametrize("side", ["left", "right"])
def test_in_a_half_step_the_heel_stands_beside_the_big_toe(side: str) -> None:
    """As the half-step of balance tests is described (four-stage balance test; our reading in figures)."""
    p = profiler()
    family, step = find("tandem_stand/fingertips")
    q = p.posed(p.profile(Request(family, step, side, {**step.defaults(p.body), "base": "half a step"})))
    at = {n: q.posed.points[0, i] for n, i in p.skeleton.landmarks.index.items()}
    other = "right" if side == "left" else "left"
    assert at[f"{other}.ball"][0] - 0.03 < at[f"{side}.heel"][0] < at[f"{other}.toe_tip"][0]
    assert abs(at[f"{side}.ankle"][1] - at[f"{other}.ankle"][1]) == pytest.approx(0.055 * p.body.stature_m, abs=0.01)


def test_each_side_finds_a_seat_of_its_own() -> None:
    """A right knee that may bend to 85° under load: the leg behind bends more, so that left ahead asks for the higher seat."""
    painful = {"kind": "knee_trouble", "side": "right", "tolerated_loaded_flexion_deg": 85.0}
    on = {"on": "2026-11-24"}
    tests = [
        {"test": "chair_stand_30s", "count": 14, **on},
        {"test": "timed_up_and_go", "seconds": 8, **on},
        {"test": "four_stage_balance", "side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 10, "one_leg_s": 10, **on},
    ]
    tolerates = {"floor": "yes", "kneeling": "yes", "lying_flat": "yes"}
    engine = engine_of(base("1955-05-01", "female", [painful], tests, tolerates=tolerates))
    seats = {
        step: {v.side: float(v.profile.request.values["seat_cm"]) for v in engine.judge("sit_to_stand", step, contexts=("visit",))}
        for step in ("staggered", "heel_ahead")
    }
    for step, found in seats.items():
        assert found["left"] > found["right"], step
