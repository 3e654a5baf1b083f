"""From lying on the side to sitting on the edge of the bed: legs go down as the arms push up."""

from dataclasses import replace

import numpy as np

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting, once
from amvel.movements.faults import BREATH_HELD
from amvel.movements.frames import Aim, Frame, Surface, Touch, faced
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import side_lying
from amvel.movements.needs import FIRM_BED
from amvel.movements.positions import LEFT_SIDE_UP, sitting
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong

_SIDES = ("left", "right")


@once
def _bed(s: Setting) -> Surface:
    return Surface("bed", "level", s.number("bed_cm"), friction=0.5, title="firm bed")


@once
def _lying(s: Setting) -> Frame:
    """On the right side near the edge, knees bent: side lying, lifted to the height of the bed."""
    height = s.number("bed_cm")
    frame = side_lying(s.body, 70.0, 88.0)
    surfaces = {
        name: surface._replace(name=name, at_cm=surface.at_cm + height)
        for name, surface in frame.surfaces.items()
    }
    surfaces = {**surfaces, "floor": Surface("floor", "level", 0.0, friction=0.6), "bed": _bed(s)}
    touches = tuple(t._replace(surface="bed") if t.surface == "floor" else t for t in frame.touches)
    frame = replace(frame, surfaces=surfaces, touches=touches, root_at_cm=(0, 0, height + 17))
    soft = ("forearm_side", "sit_bone", "thigh_under")
    frame = frame.touch(*(Touch(f"right.{p}", "bed", places=False) for p in soft))
    frame = frame.with_(right_shoulder_flexion=60.0, right_elbow_flexion=70.0)
    return frame.with_("on the side at the edge").facts_(on_floor=False, lying_flat=True)


def _rolled_up(deg: float) -> np.ndarray:
    """Lying on the right side, raised towards sitting by `deg`: the head comes up over the right hip."""
    a = np.radians(-deg)
    return LEFT_SIDE_UP @ np.array([[1.0, 0, 0], [0, np.cos(a), -np.sin(a)], [0, np.sin(a), np.cos(a)]])


@once
def _propped(s: Setting) -> Frame:
    """On the forearm, feet already over the edge: they go down as the trunk comes up."""
    height = s.number("bed_cm")
    angles = {f"{x}.{k}": v for x in _SIDES for k, v in (("hip.flexion", 84.0), ("knee.flexion", 70.0))}
    frame = Frame(
        "on the forearm, legs over the edge",
        _rolled_up(45.0),
        (0, 0, height + 11),
        angles,
        surfaces={"floor": Surface("floor", "level", 0.0, friction=0.6), "bed": _bed(s)},
        facts=replace(_lying(s).facts, side_down="right", lying_flat=False, hand_support_level=3),
    )
    frame = frame.with_(
        right_shoulder_flexion=10.0,
        right_shoulder_abduction=40.0,
        right_elbow_flexion=85.0,
        left_shoulder_flexion=40.0,
        left_shoulder_abduction=-14.0,
        left_elbow_flexion=30.0,
    )
    frame = frame.touch(
        Touch("right.hip_side", "bed"),
        Touch("right.sit_bone", "bed", places=False),
        Touch("right.thigh_under", "bed", places=False),
        Touch("left.sit_bone", "bed", places=False),
        Touch("right.elbow_tip", "bed"),
        Touch("right.forearm_side", "bed"),
    )
    give = {
        "right_shoulder_abduction": 0.1,
        "right_shoulder_flexion": 0.1,
        "right_shoulder_rotation": 0.2,
        "right_elbow_flexion": 0.2,
        "lumbar_side_bend": 3.0,
        "lower_thoracic_side_bend": 3.0,
    }
    return frame.free_(**give).aim(
        Aim("left.hip", "y", 0.0, origin="right.hip", weight=0.3),
        Aim("right.hip", "y", 0.0, origin="right.shoulder", weight=0.3, must_hold=False),
    )


def _pushing(s: Setting) -> Frame:
    """Nearly up: both sit bones near the bed, the right hand pushes beside the pelvis."""
    frame = _propped(s).lift("right.elbow_tip", "right.forearm_side", "right.hip_side")
    frame = replace(frame, root=_rolled_up(72.0)).touch(
        Touch("right.sit_bone", "bed"), Touch("right.palm", "bed")
    )
    frame = frame.with_(
        "pushing up with the hand",
        right_shoulder_abduction=24.0,
        right_elbow_flexion=12.0,
        right_wrist_extension=60.0,
        right_forearm_pronation=60.0,
    )
    soft = (
        Touch(f"{x}.{p}", "bed", places=False) for x in _SIDES for p in ("sit_bone", "thigh_under", "hip_side")
    )
    frame = replace(frame, touches=tuple(t for t in frame.touches if t.places)).touch(
        *(t for t in soft if t.landmark != "right.sit_bone")
    )
    return frame.free_(right_shoulder_abduction=0.1, right_elbow_flexion=0.1, right_wrist_extension=0.3)


def _upright(s: Setting) -> Frame:
    """Sitting on the edge, facing where the chest faced all the time."""
    frame = faced(sitting(s.body, s.number("bed_cm")), -90.0)
    surfaces = {**frame.surfaces, "bed": _bed(s)._replace(friction=0.5)}
    touches = tuple(t._replace(surface="bed") if t.surface == "seat" else t for t in frame.touches)
    soft = (Touch(f"{x}.hip_side", "bed", places=False) for x in _SIDES)
    return (
        replace(frame, surfaces=surfaces, touches=(*touches, *soft))
        .with_("sitting on the edge")
        .facts_(rises=0)
    )


def _to_the_forearm(s: Setting) -> list[Frame]:
    return [_lying(s), _propped(s)]


def _all_the_way(s: Setting) -> list[Frame]:
    return [_lying(s), _propped(s), _pushing(s), _upright(s)]


_BED = Parameter("bed_cm", "height of the bed", "cm", 48, low=40, high=62, grid=2, easier="up")
FAMILY = (
    Ladder(
        "side_to_sitting",
        "Side to sitting on the bed’s edge",
        "on the side",
        "The legs go down as the arms push up; the trunk stays one long piece.",
        part=SessionPart.CARRIES_OVER,
        replaces=("sit_up",),
        setup=(
            "Lie on your side near the edge of a firm bed, knees bent.",
            "The upper hand flat on the bed in front of you.",
        ),
        cues=(
            "feet over the edge first",
            "push with elbow and hand",
            "stay sitting for three breaths before you stand",
        ),
        faults=(
            Fault(
                "twists_up",
                "twists up",
                "the chest turns to the ceiling on the way",
                "the arms push too late",
                "nose over the edge", Wrong({"lower_thoracic.rotation": 16, "upper_thoracic.rotation": 12}),
            ),
            Fault(
                "drops_the_head",
                "drops the head",
                "the neck bends to the side",
                "the head is heavy",
                "head in line with the back", Wrong({"neck.side_bend": -26}),
            ),
            BREATH_HELD,
        ),
        felt="arms and the side of the waist",
        not_felt="the low back, dizziness that stays",
        breath=breath(exhale("to push up"), ready=inhale("to get ready")),
        sides=True,
        side_says="over the {other} side",
        props=(FIRM_BED,),
        parameters=(_BED,),
        arrow="vertex",
        view="top",
    )
    .rung(
        "to_the_forearm",
        "Up to the forearm",
        _to_the_forearm,
        Dose(3, 1, 8.0),
        {"position_change": 0.8, "side_bend": 0.4},
        3,
        do=(
            "On your side at the edge, knees bent, the upper hand flat in front of you.",
            "Let the feet go over the edge, breathe {out} and push with elbow and hand until you lean on the forearm; the trunk stays one piece.",
            "Lower the same way, slowly.",
        ),
    )
    .rung(
        "all_the_way",
        "All the way to sitting",
        _all_the_way,
        Dose(3, 1, 10.0),
        {"position_change": 1.0, "side_bend": 0.4},
        4,
        shown=(0, 1, -1),
        do=(
            "On your side at the edge, knees bent, the upper hand flat in front of you.",
            "Feet over the edge, breathe {out} and push through forearm and hand until you sit.",
            "Stay sitting for three breaths; lie down again over the same side.",
        ),
    )
    .family(daily_task=True)
)
