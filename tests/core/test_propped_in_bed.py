"""Work from a raised head end: nobody lies flat, the bed's own head end serves on the bed, and leaning back weighs on the belly."""

import numpy as np
import pytest

from amvel.body import Capacities, Measures, healthy, measure
from amvel.case import Room
from amvel.fitting.needs import check_room
from amvel.movements import Profiler, Request, find
from amvel.movements.bed import BED, LYING_ON
from amvel.movements.library import library

REFS = [f"propped_in_bed/{s.id}" for s in library()["propped_in_bed"].steps]
MEASURES = Measures(1.66, 63.0, "female")


@pytest.fixture(scope="module")
def profiler() -> Profiler:
    return Profiler(measure(MEASURES), healthy())


def _profile(profiler: Profiler, ref: str, **values: float):
    family, step = find(ref)
    side = "left" if step.sides else "both"
    return profiler.profile(Request(family, step, side, {**step.defaults(profiler.body), **values}))


@pytest.mark.parametrize("ref", REFS)
def test_nobody_lies_flat_in_any_pose(profiler: Profiler, ref: str) -> None:
    for raised in (30.0, 45.0):
        profile = _profile(profiler, ref, head_end_deg=raised)
        assert profile.posed is not None, profile.fault
        assert not np.any(profile.columns["lying_flat"])


@pytest.mark.parametrize("lean_deg", [10.0, 15.0, 20.0])
def test_the_further_the_trunk_leans_back_the_more_the_belly_holds(profiler: Profiler, lean_deg: float) -> None:
    """Hand statics: a stiff trunk hinged at its lower end asks for its weight times the sine of its lean."""
    less = _profile(profiler, "propped_in_bed/comes_away", back_deg=lean_deg).columns["arching_moment_l4_l5_nm"][-1]
    more = _profile(profiler, "propped_in_bed/comes_away", back_deg=lean_deg + 5).columns["arching_moment_l4_l5_nm"][-1]
    assert more > less


def test_an_arm_that_is_raised_behind_asks_more_than_two_ahead(profiler: Profiler) -> None:
    plain = _profile(profiler, "propped_in_bed/comes_away").columns["arching_moment_l4_l5_nm"][-1]
    raised = _profile(profiler, "propped_in_bed/arm_higher_while_away").columns["arching_moment_l4_l5_nm"][-1]
    assert raised > plain


@pytest.mark.parametrize(
    ("room", "on_bed", "serves"),
    [
        (Room(bed_height_cm=50, bed_firmness="firm", bed_head_end=True), True, {"bed", "head end of the bed"}),
        (Room(bed_height_cm=50, bed_firmness="firm", props=("back_wedge",)), True, {"bed", "wedge for the back"}),
        (Room(bed_height_cm=50, bed_firmness="firm", bed_head_end=True, props=("back_wedge",)), False, {"wedge for the back"}),
    ],
)
def test_what_raises_the_back(profiler: Profiler, room: Room, on_bed: bool, serves: set[str]) -> None:
    family, step = find("propped_in_bed/hands_press")
    values = step.defaults(profiler.body) | ({LYING_ON.id: BED} if on_bed else {})
    found = check_room(profiler.body, room, family, step, [values])
    assert {u.what for u in found.uses} == serves and not found.lacking


def test_a_soft_bed_raises_nobody(profiler: Profiler) -> None:
    family, step = find("propped_in_bed/hands_press")
    room = Room(bed_height_cm=50, bed_firmness="soft", bed_head_end=True)
    found = check_room(profiler.body, room, family, step, [step.defaults(profiler.body) | {LYING_ON.id: BED}])
    assert "a firm bed" in found.lacking


def test_a_stiff_hip_is_a_stop_here_as_well() -> None:
    """Hips that bend to 70° do not bring a trunk upright over bent legs: it says so instead of rounding the back."""
    ranges = healthy()
    stiff = Capacities({**ranges.range_deg, "left.hip_flexion": 60.0, "right.hip_flexion": 60.0}, ranges.assumed)
    assert _profile(Profiler(measure(MEASURES), stiff), "propped_in_bed/comes_away", back_deg=10.0).fault
