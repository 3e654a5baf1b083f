"""Why a body cannot take a pose is typed: who asks compares classes, who reads gets words."""


import pytest

from amvel.body import (
    COM,
    Falls,
    OutOfReach,
    PelvisTips,
    PoseFault,
    ShortOfAsked,
    UnderTheFloor,
    WeightNotOverFeet,
    cautious,
    flatten,
    healthy,
    plain_fault,
    solve_flat,
)
from amvel.movements import Profiler, Request, find
from tests.bodies import body, profiler

EVERY = [
    (OutOfReach("p", "floor under left.ball", 0.012, ("left.hip.flexion",)), "12 mm", "the joints do not reach: floor under left ball"),
    (WeightNotOverFeet("p", "centre_of_mass", 0.02), "20 mm", "the weight cannot be brought over the feet from here"),
    (UnderTheFloor("p", "left.toe_tip", 0.04), "40 mm", "the left toe tip would end under it"),
    (PelvisTips("p", 21.4), "21°", "it would tip 21° to the side"),
    (ShortOfAsked("p", "lean", 30.0, 7.0), "7°", "'lean' is 7° from the 30° that were asked"),
    (Falls("p"), "cannot balance", "it would end in a fall"),
]


@pytest.mark.parametrize(("fault", "exact", "plain"), EVERY, ids=lambda x: type(x).__name__)
def test_every_fault_names_its_pose_its_number_and_plain_words(fault: PoseFault, exact: str, plain: str) -> None:
    assert str(fault).startswith("p: ") and exact in str(fault)
    assert plain in fault.plain()
    assert "_" not in fault.plain()


def test_no_kind_of_fault_is_without_an_example() -> None:
    def kinds(of: type) -> set[type]:
        return set().union(*(kinds(k) for k in of.__subclasses__())) if of.__subclasses__() else {of}

    assert kinds(PoseFault) == {type(f) for f, _, _ in EVERY}
    assert plain_fault(None) == ""


def test_which_joint_has_reached_its_end_is_named() -> None:
    """A knee that does not bend past 40° cannot put its foot on the floor beside a bent-knee lying body."""
    p = Profiler(body(), cautious({**healthy().range_deg, "left.knee_flexion": 40.0, "right.knee_flexion": 40.0}))
    family, step = find("breathing_rest/knees_bent")
    fault = p.profile(Request(family, step, "both", step.defaults(p.body))).fault
    assert isinstance(fault, OutOfReach) and any("knee" in j for j in fault.ended), fault
    assert "knee" in str(fault)


def test_a_weight_that_has_to_be_where_no_foot_is_says_so() -> None:
    p = profiler()
    family, step = find("standing_breath/free_standing")
    spec = p.profile(Request(family, step, "both", step.defaults(p.body))).specs[0]
    over = [r for r in spec.rows if r.point == COM]
    assert over, "standing holds its weight over the feet"
    far = tuple(r._replace(offset_m=r.offset_m + 0.8) if r in over else r for r in spec.rows)
    posed = solve_flat(p.skeleton, flatten(p.skeleton, [spec.changed(rows=far)], [p.stops_rad]), ["far"])
    assert isinstance(posed.faults[0], WeightNotOverFeet)
