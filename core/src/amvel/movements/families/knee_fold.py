"""Knee fold: one leg, then both, lifted from the floor while pelvis and ribs stay."""

import math
from dataclasses import replace

from amvel.body import Anthropometry
from amvel.movements.breath import breath, exhale, inhale, steady
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step, once
from amvel.movements.faults import (
    BACK_ARCHES,
    BELLY_DOMES,
    BREATH_HELD,
    EARLY_MOVE,
    PELVIS_ROCKS,
    THIGH_TAKES_OVER,
)
from amvel.movements.frames import Frame
from amvel.movements.lying_positions import own_heel_distance_cm, supine_crook
from amvel.movements.promise import hip_bend
from amvel.movements.wrong import Wrong


def leg_folded(
    frame: Frame, side: str, hip_deg: float, knee_deg: float = 90.0, name: str | None = None
) -> Frame:
    """The leg off the floor, hip and knee at the given angles."""
    lifted = frame.lift(f"{side}.heel", f"{side}.ball").unaim(f"{side}.heel")
    return lifted.with_(
        name,
        **{
            f"{side}_hip_flexion": hip_deg,
            f"{side}_knee_flexion": knee_deg,
            f"{side}_ankle_dorsiflexion": -12.0,
        },
    )


@once
def _start(s: Setting) -> Frame:
    heels_cm = s.number("heel_distance_cm") if "heel_distance_cm" in s.values else own_heel_distance_cm(s.body)
    frame = supine_crook(s.body, heels_cm)
    if heels_cm > own_heel_distance_cm(s.body) + _SOLES_DOWN_CM:
        frame = frame.lift("left.ball", "right.ball")  # ankles do not point that far: heels only
    return frame


_BROUGHT_UP_DEG = 85.0  # about square; no further than needed (our choice)


def legs_brought_up(base: Frame, start: Frame) -> list[Frame]:
    """How a start with both legs in the air is reached from the soles: one leg folds, then the other."""
    first = leg_folded(base, "left", _BROUGHT_UP_DEG, name="first leg folded")
    second = leg_folded(first, "right", _BROUGHT_UP_DEG, name="both legs folded")
    return [*(f.facts_(way_in=True) for f in (base, first, second)), start]


def leg_brought_up(base: Frame, start: Frame) -> list[Frame]:
    """How a start with one leg in the air is reached from the soles."""
    return [base.facts_(way_in=True), start]


def _single(s: Setting) -> list[Frame]:
    start = _start(s)
    return [start, leg_folded(start, "left", s.number("hip_deg"), name="one leg folded")]


def _marching(s: Setting) -> list[Frame]:
    start = _start(s)
    half = s.number("hip_deg") * 0.78
    crossing = leg_folded(leg_folded(start, "left", half, 95), "right", half, 95, "legs crossing half-way")
    return [
        *leg_brought_up(start, leg_folded(start, "left", s.number("hip_deg"), name="left leg folded")),
        crossing,
        leg_folded(start, "right", s.number("hip_deg"), name="right leg folded"),
    ]


def _both(s: Setting, hip_deg: float) -> Frame:
    return leg_folded(leg_folded(_start(s), "left", hip_deg), "right", hip_deg, name="both legs at square")


def _up_by_one(s: Setting) -> list[Frame]:
    """The way in to both legs at square: one leg, then the other."""
    return [f.facts_(way_in=True) for f in _held(s)[:-1]]


def _held(s: Setting) -> list[Frame]:
    start = _start(s)
    return [
        start,
        leg_folded(start, "left", s.number("hip_deg"), name="first leg folded"),
        _both(s, s.number("hip_deg")),
    ]


def _tap(s: Setting) -> list[Frame]:
    up = _both(s, s.number("hip_deg"))
    down = leg_folded(_start(s), "right", s.number("hip_deg"), name="one toe tap")
    return [*_up_by_one(s), up, down]


def _lowered(s: Setting) -> list[Frame]:
    up = _both(s, s.number("hip_deg"))
    swing = math.degrees(s.number("lower_cm") / (100 * s.body.lengths_m["shank"]))
    low = s.number("hip_deg") - swing
    return [*_up_by_one(s), up, leg_folded(leg_folded(_start(s), "left", low), "right", low, name="both legs a little lower")]


_SOLES_DOWN_CM = 6.0


def _further_cm(body: Anthropometry) -> float:
    """A hand’s length (a tenth of the stature) beyond the easy heel distance (our reading of 'further')."""
    return own_heel_distance_cm(body) + 10.0 * body.stature_m


_HEELS = Parameter(
    "heel_distance_cm",
    "heels from the sit bones",
    "cm",
    own_heel_distance_cm,
    low=22,
    high=44,
    grid=2,
    easier="down",
)
_RANGE = Parameter("hip_deg", "hip bend at the top", "deg", 90, low=60, high=90, grid=5, easier="down", shows=hip_bend())
_LOWER = Parameter("lower_cm", "how far both legs lower", "cm", 5, low=2, high=5, grid=1, easier="down")
_FAULTS = (PELVIS_ROCKS, BACK_ARCHES, BELLY_DOMES, BREATH_HELD, EARLY_MOVE, THIGH_TAKES_OVER)
_SETUP = (
    "Lie on your back, knees bent, feet flat and hip-wide.",
    "Hands on the front hip bones.",
    "Natural curve of the low back: neither pressed nor arched.",
)
_BREATH = breath(exhale("to lift"), end=inhale("at the top"), back=exhale("to lower"))

FAMILY = Family(
    "knee_fold",
    "Knee fold",
    "on the back",
    "The leg moves in the hip; the pelvis does not notice.",
    (
        Step(
            "single_fold",
            "One leg",
            _single,
            (*_SETUP, "Slide one foot 2–3 cm towards you, then lift heel, ball and toe."),
            ("fold in the hip, the knee angle stays", "let the belly sink as the leg comes up"),
            _FAULTS,
            "quiet work low in the belly",
            "the front of the hip, the low back",
            _BREATH,
            Dose(8, 2, 7.0),
            {"deep_control": 0.8, "resist_extension": 0.5, "turning": 0.4},
            sides=True,
            effort=3,
            parameters=(_RANGE, _HEELS),
            arrow="left.knee",
            do=(
                "Two settling breaths, the deep set, a second’s wait.",
                "Breathe {out}, slide one foot a little towards you, then let heel, ball and toe leave the floor until the knee stands over the hip.",
                "Breathe {in} at the top; breathe {out} and lower, toe first. Set again.",
            ),
        ),
        Step(
            "marching",
            "Marching",
            _marching,
            (*_SETUP, "One leg comes up as the other goes down."),
            ("the legs change, the pelvis waits", "steady breath through the change"),
            _FAULTS,
            "even work on both sides of the belly",
            "rocking under the hands",
            steady("easy breath, out at each change"),
            Dose(8, 2, 5.0),
            {"deep_control": 0.8, "resist_extension": 0.6, "turning": 0.6},
            effort=4,
            parameters=(_RANGE, _HEELS),
            arrow="left.knee",
            do=(
                "Set once, then keep the breath easy.",
                "Bring one knee over the hip; as it starts down, the other comes up, like slow steps.",
                "Toe first each time; stop when the pelvis rocks, and set again.",
            ),
        ),
        Step(
            "heel_further",
            "One leg, heel further away",
            _single,
            (*_SETUP, "Both heels one hand’s length further from the sitting bones."),
            ("the further the heel, the longer the lever", "start from the breath out, slowly"),
            _FAULTS,
            "more work low in the belly than with the heel near",
            "the front of the hip, the low back",
            _BREATH,
            Dose(8, 2, 8.0),
            {"deep_control": 0.8, "resist_extension": 0.7, "turning": 0.5},
            sides=True,
            effort=4,
            parameters=(replace(_HEELS, default=_further_cm, high=56), _RANGE),
            arrow="left.knee",
            do=(
                "Put both heels a hand’s length further away, then set.",
                "Breathe {out} and fold one leg up from there, knee angle kept: the lever is longer now.",
                "Lower toe first to the far place, not nearer.",
            ),
        ),
        Step(
            "both_held",
            "Both legs held square",
            _held,
            (*_SETUP, "Fold one leg, then the other, and stay."),
            ("inner thighs lightly together", "tailbone stays down"),
            _FAULTS,
            "firm, flat belly",
            "doming, a lifted tailbone",
            steady("breathe on, longer out than in"),
            Dose(5, 2, 12.0),
            {"deep_control": 0.7, "resist_extension": 0.9},
            effort=5,
            parameters=(_RANGE, _HEELS),
            do=(
                "Set belly and buttocks, then fold one knee up and the other after it, inner thighs together.",
                "Stay with both knees over the hips, tailbone down, and breathe on, longer out than in.",
                "Put one foot down after the other, toes first.",
            ),
        ).watching(Fault("knees_drift_in", "knees drift in", "the knees come closer to the chest", "the hips look for rest", "thighs upright; put one foot down earlier", Wrong({"left.hip.flexion": 22, "right.hip.flexion": 22}))),
        Step(
            "alternate_toe_tap",
            "Alternate toe tap",
            _tap,
            ("Both legs square over the hips.", "One foot lowers to touch the floor and returns."),
            ("the lowering is the work", "the back stays as it was"),
            _FAULTS,
            "the belly holding on the way down",
            "the back leaving the floor",
            breath(inhale("to reach"), back=exhale("to return")),
            Dose(8, 2, 6.0),
            {"deep_control": 0.7, "resist_extension": 1.0, "turning": 0.5},
            sides=True,
            effort=5,
            parameters=(_RANGE, _HEELS),
            breath_custom=True,
            arrow="left.heel",
            do=(
                "Both knees over the hips, one after the other.",
                "Breathe {in} and let one foot go down to touch the floor with the toes; the other knee stays where it is.",
                "Breathe {out} and bring it back up, then the other.",
            ),
        ).watching(Fault("other_knee_comes_along", "other knee comes along", "the knee that stays moves towards you or away", "the legs work against each other and not against the belly", "tap nearer; a hand on the knee that stays", Wrong({"right.hip.flexion": -20}))),
        Step(
            "both_lowered",
            "Both legs a little lower",
            _lowered,
            ("Both legs square over the hips.", "Both lower a few centimetres and return."),
            ("small and slow", "stop before the back moves"),
            _FAULTS,
            "deep work across the whole belly",
            "any pull in the back",
            breath(exhale("to lower"), back=inhale("to return")),
            Dose(6, 2, 8.0),
            {"resist_extension": 1.0, "deep_control": 0.5},
            effort=6,
            parameters=(_LOWER, _RANGE),
            arrow="left.heel",
            do=(
                "Both knees over the hips, inner thighs together, belly and buttocks set.",
                "Breathe {out} and let both feet sink two to five centimetres, no more.",
                "Breathe {in} and bring them back before the back moves.",
            ),
        ).watching(Fault("sinks_past_the_mark", "sinks past the mark", "the feet go lower than was agreed", "the legs are heavier than the belly", "two centimetres and back")),
    ),
)
