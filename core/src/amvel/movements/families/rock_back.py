"""Rock back: the sit bones go back with the trunk as one straight unit."""

from amvel.movements.back_shape import rounded_deg
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.arm_or_leg_slide import _HAND, RAISED, _base
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, TRUNK_ROUNDS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.positions import both
from amvel.movements.promise import joint


def _rock(s: Setting) -> list[Frame]:
    start, hip = _base(s), s.number("hip_deg")
    back = start.unaim("left.knee", "right.knee", "left.wrist", "right.wrist", "left.elbow", "right.elbow")
    # The arms go as far up as the trunk goes back, from where a rounded back has them already.
    arms_deg = _ARMS_DEG + rounded_deg(s.body) + hip - _UNDER_THE_HIPS_DEG
    return [
        start,
        back.with_("sit bones back", **both(hip_flexion=hip, shoulder_flexion=arms_deg)).free_(
            **both(knee_flexion=0.1, shoulder_flexion=0.1)
        ),
    ]


_ARMS_DEG, _UNDER_THE_HIPS_DEG = 88.0, 85.0  # as they are on hands and knees


def _to(default: float) -> Parameter:
    return Parameter("hip_deg", "hip bend at the back", "deg", default, low=90, high=125, grid=5, easier="down", shows=joint("left.hip.flexion"))


FAMILY = (
    Ladder(
        "rock_back",
        "Rock back",
        "hands and knees",
        "How far before the spine moves is a measure.",
        setup=("Hands under the shoulders, knees under the hips, long neck.",),
        cues=("fold in the hips only", "the belly stays lifted", "stop before the low back rounds"),
        faults=(TRUNK_ROUNDS, BACK_HOLLOWS, BREATH_HELD),
        felt="the buttocks getting long",
        not_felt="the low back, the knees",
        breath=breath(exhale("to go back"), back=inhale("to come forward")),
        arrow="left.hip_side",
    )
    .rung(
        "a_little",
        "A little",
        _rock,
        Dose(5, 2, 6.0),
        {"hip_bend": 0.6, "deep_control": 0.3},
        2,
        parameters=(_to(100), _HAND, RAISED),
        do=(
            "Hands under the shoulders, knees under the hips, belly lifted.",
            "Breathe {out} and move the sit bones back by a hand’s breadth as one straight piece.",
            "Breathe {in} and come forward over the hands.",
        ),
    )
    .rung(
        "further",
        "Further",
        _rock,
        Dose(5, 2, 7.0),
        {"hip_bend": 0.8, "deep_control": 0.3},
        2,
        parameters=(_to(112), _HAND, RAISED),
        more_faults=(Fault("goes_past_the_measure", "goes past the measure", "the tailbone tucks under at the end", "the hips are at their end and the back goes on", "stop a hand’s breadth earlier; that place is the measure"),),
        do=(
            "Hands under the shoulders, knees under the hips, belly lifted.",
            "Breathe {out} and go back until the low back is about to round: that place is your measure.",
            "Breathe {in} and come forward; say how far it was.",
        ),
    )
    .family()
)
