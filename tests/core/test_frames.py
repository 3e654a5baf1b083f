"""The words a family speaks: mirroring, coupling of hip and low back, and surfaces."""

import numpy as np
import pytest

from amvel.body import cautious, healthy, other_side
from amvel.movements import DeclarationError, Dose, Family, Fault, Parameter, Request, Step, find
from amvel.movements.breath import steady
from amvel.movements.frames import Aim, Touch, mirrored
from amvel.movements.lying_positions import supine_crook
from amvel.movements.pose_of_frame import compile_frame
from amvel.movements.positions import sitting
from tests.bodies import body, profiler


def test_left_becomes_right_and_back() -> None:
    for name in ("left.foot", "right.foot", "head_side_left", "pelvis"):
        assert other_side(other_side(name)) == name


def test_a_frame_mirrored_twice_is_itself() -> None:
    frame = (
        supine_crook(body())
        .with_("leaning", left_hip_flexion=30.0, lumbar_rotation=5.0)
        .aim(Aim("left.heel", "y", 3.0))
    )
    twice = mirrored(mirrored(frame))
    assert twice.angles == frame.angles
    assert twice.aims == frame.aims
    assert np.allclose(twice.root, frame.root)
    assert mirrored(frame).angles["lumbar.rotation"] == -5.0
    assert mirrored(frame).angles["right.hip.flexion"] == 30.0


def test_declared_joints_are_no_longer_free() -> None:
    frame = supine_crook(body())
    assert "left.hip.flexion" in frame.free
    assert "left.hip.flexion" not in frame.with_(None, left_hip_flexion=90.0).free


@pytest.mark.parametrize(("reach", "tuck"), [(100.0, 0.0), (90.0, 0.0), (80.0, 10.0), (70.0, 20.0)])
def test_a_hip_asked_beyond_its_range_rounds_the_low_back(reach: float, tuck: float) -> None:
    frame = supine_crook(body()).with_(
        "both legs up",
        left_hip_flexion=90.0,
        right_hip_flexion=90.0,
        left_knee_flexion=90.0,
        right_knee_flexion=90.0,
    )
    ranges = cautious({"left.hip_flexion": reach, "right.hip_flexion": 120.0})
    spec = compile_frame(frame, "test", body(), ranges)
    assert np.degrees(spec.angles_rad.get("lumbar.flexion", 0.0)) == pytest.approx(tuck)
    assert np.degrees(spec.angles_rad["left.hip.flexion"]) == pytest.approx(min(90.0, reach))


def test_tall_sitting_is_neutral_although_it_flattens_the_curve() -> None:
    """Andersson et al. 1979: sitting flattens the lumbar curve; each posture states what neutral means in it."""
    spec = compile_frame(sitting(body(), 43.0), "test", body(), healthy())
    assert spec.angles_rad["lumbar.flexion"] == spec.neutral_rad["lumbar.flexion"] > 0
    p = profiler()
    family, step = find("tall_hinge/hands_on_thighs")
    profile = p.profile(Request(family, step, "both", step.defaults(p.body)))
    assert profile.columns["trunk_flexion_deg"][0] == pytest.approx(0, abs=0.2)


def test_a_touch_places_a_landmark_at_the_height_of_its_surface() -> None:
    frame = supine_crook(body()).touch(Touch("left.knee", "floor", bears=False, gap_cm=3.0))
    spec = compile_frame(frame, "test", body(), healthy())
    row = next(r for r in spec.rows if r.point == "left.knee")
    assert row.offset_m == pytest.approx(0.03)
    assert "left.knee" not in {c.point for c in spec.contacts}


def whole(**changes: object) -> dict:
    fault = Fault("name", "name", "seen", "means", "cue")
    base = dict(
        id="a",
        title="A",
        frames=lambda s: [],
        setup=("x",),
        cues=("x",),
        faults=(fault,),
        felt="f",
        not_felt="n",
        breath=steady("b"),
        do=("Do.",),
        dose=Dose(3),
        purposes={"breath": 1.0},
    )
    return {**base, **changes}


@pytest.mark.parametrize(
    ("field", "value"), [("cues", ()), ("faults", ()), ("felt", ""), ("setup", ()), ("purposes", {})]
)
def test_a_step_without_its_words_fails_at_import(field: str, value: object) -> None:
    with pytest.raises(DeclarationError, match=field):
        Step(**whole(**{field: value}))


def test_unknown_purposes_positions_and_double_steps_fail_at_import() -> None:
    with pytest.raises(DeclarationError, match="purposes"):
        Step(**whole(purposes={"magic": 1.0}))
    with pytest.raises(DeclarationError, match="position"):
        Family("f", "F", "in the air", "about", (Step(**whole()),))
    with pytest.raises(DeclarationError, match="share an id"):
        Family("f", "F", "sitting", "about", (Step(**whole()), Step(**whole())))


@pytest.mark.parametrize(
    ("easier", "start", "expected"),
    [("up", 40, [42.0, 44.0]), ("down", 40, [38.0, 36.0]), ("up", 44, []), ("down", 36, [])],
)
def test_candidates_run_towards_easier_on_the_grid(easier: str, start: float, expected: list[float]) -> None:
    p = Parameter("x", "X", "cm", 40, low=36, high=44, grid=2, easier=easier)
    assert p.candidates(start) == expected
