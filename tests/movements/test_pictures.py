"""Pictures that can be copied: one place and scale, bent joints that look bent, small movements enlarged, faults beside the right."""

import os
import re
import subprocess
import sys
from dataclasses import replace
from functools import lru_cache
from xml.etree import ElementTree

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from amvel.body.figure import paint, silhouette
from amvel.body.view import camera
from amvel.movements import Family, Profile, Request, all_steps, find
from amvel.movements.animation import animation
from amvel.movements.cameras import view_of
from amvel.movements.declaration import POSITIONS
from amvel.movements.fault_figure import fault_figure, wrong_pose
from amvel.movements.figure import figure, panels_of, together
from amvel.movements.panel import Panel
from amvel.movements.picture import in_halves_cm
from amvel.movements.scenery import scenery
from amvel.movements.sign import Sign
from amvel.movements.wrong import Wrong
from tests.bodies import families_under_test, profiler
from tests.conftest import ROOT

FAMILIES = families_under_test()
STEPS = [(f, s) for f in FAMILIES for s in f.steps]
_NAMES = [f"{f.id}/{s.id}" for f, s in STEPS]


@lru_cache(maxsize=512)
def posed(ref: str, side: str | None = None, size: str = "middle") -> Profile:
    """The step on this body with its usual values, its poses found."""
    family, step = find(ref)
    p = profiler(size)
    found = p.posed(p.sketches([Request(family, step, side or ("left" if step.sides else "both"), step.defaults(p.body))])[0])
    assert not found.fault, found.fault
    return found


@lru_cache(maxsize=512)
def drawing(ref: str, side: str | None = None) -> str:
    """Its picture."""
    return figure(profiler(), posed(ref, side))


@lru_cache(maxsize=512)
def panels(ref: str, side: str | None = None) -> list[Panel]:
    """The panels of its picture."""
    profile = posed(ref, side)
    found = panels_of(profiler(), profile, view_of(profile.request.family, profile))
    together(found)
    return found


def only_drawing(svg: str) -> str:
    return re.sub(r'<title>.*?</title>|aria-label="[^"]*"|lens-\d+', "", svg)


@pytest.mark.parametrize("family", FAMILIES, ids=lambda f: f.id)
def test_no_two_steps_of_a_family_have_the_same_picture(family: Family) -> None:
    seen: dict[str, str] = {}
    for step in family.steps:
        lines = only_drawing(drawing(f"{family.id}/{step.id}"))
        assert lines not in seen, f"{step.id} looks like {seen[lines]}"
        seen[lines] = step.id


@pytest.mark.parametrize("ref", _NAMES)
def test_a_picture_of_either_side_is_a_document_with_a_name_and_without_a_hole(ref: str) -> None:
    step = find(ref)[1]
    for side in (None, "right") if step.sides else (None,):
        root = ElementTree.fromstring(drawing(ref, side))
        assert root.get("role") == "img"
        assert step.title in (root.get("aria-label") or "")
        assert not [v for e in root.iter() for name, v in e.attrib.items() if name != "aria-label" and "nan" in v.lower()]


@pytest.mark.parametrize("ref", _NAMES)
def test_a_picture_has_one_place_and_scale(ref: str) -> None:
    found = panels(ref)
    assert len({p.box for p in found}) == 1
    assert all(p.solids == found[0].solids for p in found), "furniture stands still"


# Where the knee points at the viewer in every view that shows the rest, the end of the movement is in the foot or hand.
_LEAST_BENT_DEG, _LOOKS_BENT_DEG = 60.0, 15.0


@pytest.mark.parametrize("ref", _NAMES)
def test_a_bent_knee_looks_bent(ref: str) -> None:
    """The nearer bent knee of every picture shows at least a quarter of a right angle less than straight."""
    profile = posed(ref)
    view = view_of(profile.request.family, profile)
    for panel in panels(ref):
        seen = []
        for side in ("left", "right"):
            hip, knee, ankle = (panel.world(f"{side}.{n}") for n in ("hip", "knee", "ankle"))
            if _bend_deg(hip, knee, ankle) < _LEAST_BENT_DEG:
                continue
            seen.append(_bend_deg(*(np.array([*view.flat(p), 0.0]) for p in (hip, knee, ankle))))
        assert not seen or max(seen) >= _LOOKS_BENT_DEG, f"{profile.frame_names[panel.row]}: the knees look straight ({seen})"


def _bend_deg(a: np.ndarray, b: np.ndarray, c: np.ndarray) -> float:
    one, other = b - a, c - b
    cos = one @ other / max(float(np.linalg.norm(one) * np.linalg.norm(other)), 1e-9)
    return float(np.degrees(np.arccos(np.clip(cos, -1, 1))))


def test_a_movement_under_four_centimetres_is_enlarged_with_its_measure_and_a_large_one_is_not() -> None:
    small, large = (drawing(r) for r in ("toe_float/half_as_high", "knee_fold/single_fold"))
    assert "clipPath" in small
    assert "1.5 cm" in small
    assert "clipPath" not in large


def test_what_is_held_pressed_or_breathed_has_a_sign() -> None:
    assert "10 s" in drawing("belly_lift/held_while_breathing")
    plain = drawing("squeeze_and_push/squeeze")
    assert plain.count("#2F6F73") > 1, "arrows into the ball"
    still = posed("breathing_rest/knees_bent").request.step
    assert not still.signs
    assert "#2F6F73" in drawing("breathing_rest/knees_bent"), "a breath that is the movement is shown by itself"


@pytest.mark.parametrize("position", POSITIONS)
def test_every_position_is_drawn_over_what_carries_it(position: str) -> None:
    ref = next(f"{f.id}/{s.id}" for f, s in all_steps() if f.position == position)
    assert scenery(profiler().skeleton, posed(ref))


def test_the_frames_of_a_film_lie_exactly_over_each_other() -> None:
    films = animation(profiler(), posed("sit_to_stand/two_legs"))
    boxes = {ElementTree.fromstring(f).get("viewBox") for f in films}
    assert len(boxes) == 1


def test_the_two_sides_are_mirror_images_as_far_as_the_near_side_goes() -> None:
    """Left and right of a person with like sides make pictures of the same size."""
    left, right = (panels("clam/larger_opening", side) for side in ("left", "right"))
    wide = [p.box[2] - p.box[0] for p in (left[0], right[0])]
    assert wide[0] == pytest.approx(wide[1], abs=2.0)


@settings(max_examples=40, deadline=None)
@given(azimuth=st.floats(-180, 180), elevation=st.floats(0, 80))
def test_a_body_is_one_sound_shape_from_everywhere(azimuth: float, elevation: float) -> None:
    """Without perspective no view makes anybody taller than they are, and the whole body hangs together."""
    profile = posed("standing_breath/free_standing")
    assert profile.posed is not None
    parts = paint(profiler().skeleton, profile.posed.placement, profile.posed.points, 0, camera(azimuth, elevation))
    whole = silhouette(parts)
    assert whole.is_valid
    assert whole.geom_type == "Polygon"
    x0, y0, x1, y1 = whole.bounds
    stature_cm = 100 * profiler().body.stature_m
    assert max(x1 - x0, y1 - y0) < stature_cm * 1.06
    assert [p.depth for p in parts] == sorted(p.depth for p in parts)


@pytest.mark.parametrize("family", [f for f in FAMILIES if not f.asked_for], ids=lambda f: f.id)
def test_at_least_two_faults_of_every_family_can_be_shown(family: Family) -> None:
    shown: set[str] = set()
    for step, fault in ((s, f) for s in family.steps for f in s.faults):
        if fault.looks and fault.name not in shown and fault_figure(profiler(), posed(f"{family.id}/{step.id}"), fault.looks):
            shown.add(fault.name)
        if len(shown) == 2:
            return
    pytest.fail(f"only {shown}")


def test_a_fault_goes_wrong_where_it_says_and_keeps_the_feet_where_they_are() -> None:
    profile = posed("bridge/three_quarters")
    wrong = wrong_pose(profiler(), profile, Wrong({"lumbar.flexion": -18}), profile.rows[-1])
    assert wrong is not None
    _, gone = wrong
    joints = profiler().skeleton
    assert profile.posed is not None
    before = profile.posed.points[profile.rows[-1]]
    heel = joints.landmarks.index["left.heel"]
    assert np.linalg.norm(gone.points[0, heel] - before[heel]) < 0.06
    arched = np.degrees(gone.angles[0, 0] - profile.posed.angles[profile.rows[-1], 0])
    assert arched == pytest.approx(-18, abs=4)


def test_the_right_version_bears_a_tick_and_the_wrong_one_a_cross() -> None:
    """Shape and tone, never the colour alone."""
    step = posed("bridge/three_quarters").request.step
    looks = next(f.looks for f in step.faults if f.looks)
    svg = fault_figure(profiler(), posed("bridge/three_quarters"), looks)
    assert svg.count("rotate(45)") == 1
    assert "#A6402E" in svg


def test_a_joint_that_does_not_exist_is_refused_by_name() -> None:
    with pytest.raises(ValueError, match="elbow_of_the_knee"):
        Wrong({"elbow_of_the_knee": 4})


def test_every_sign_is_used_by_some_step() -> None:
    declared = {sign for _, s in all_steps() for sign in s.signs}
    assert declared | {Sign.HOLD, Sign.PRESS} >= set(Sign), "hold and press follow from dose and props"


def test_a_surface_that_nobody_knows_how_to_draw_is_named_and_not_left_out() -> None:
    profile = posed("tall_sitting/unsupported")
    seat = profile.frames[0].surfaces["seat"]
    odd = tuple(replace(f, surfaces={**f.surfaces, "trampoline": seat}) for f in profile.frames)
    with pytest.raises(ValueError, match="trampoline"):
        scenery(profiler().skeleton, replace(profile, frames=odd))


_DRAW = """
from tests.movements.test_pictures import figure, posed, profiler
print(figure(profiler(), posed("toe_float/half_as_high")))
"""


def test_a_picture_is_the_same_in_every_process() -> None:
    """Whatever seed the process hashes its words by."""
    drawn = {
        subprocess.run(
            [sys.executable, "-c", _DRAW], capture_output=True, text=True, check=True, cwd=ROOT, env={**os.environ, "PYTHONHASHSEED": seed}
        ).stdout
        for seed in ("1", "2")
    }
    assert len(drawn) == 1
    assert "lens-" in drawn.pop()


@pytest.mark.parametrize(("cm", "says"), [(0.0, "0 cm"), (0.5, "½ cm"), (1.74, "1½ cm"), (1.76, "2 cm"), (47.5, "47½ cm"), (80, "80 cm")])
def test_a_measure_in_a_picture_needs_no_language(cm: float, says: str) -> None:
    assert in_halves_cm(cm) == says
