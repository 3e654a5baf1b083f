"""Breath and deep set in standing: the wall gives the feedback that the floor gave."""

from dataclasses import replace

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.faults import BREATH_HELD, RIBS_FLARE
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.needs import WALL, WORKTOP
from amvel.movements.positions import both, standing
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong


def _at_the_wall(s: Setting) -> Frame:
    """Back of the pelvis and upper back on the wall, feet a hand's length ahead, knees soft."""
    frame = standing(s.body).unaim("centre_of_mass", "com.upper_thorax", "right.ankle")
    wall = Surface("wall behind", "back", 0.0, friction=0.4, stiffness_n_per_m=1.0e4, title="wall")
    frame = replace(frame, surfaces={**frame.surfaces, "wall behind": wall})
    frame = frame.with_(
        "leaning on the wall",
        **both(knee_flexion=10.0, hip_flexion=12.0, shoulder_flexion=14.0, elbow_flexion=95.0),
    )
    frame = frame.with_(**both(shoulder_rotation=40.0)).free_(**both(hip_flexion=0.2, ankle_dorsiflexion=0.1))
    frame = frame.touch(Touch("sacrum", "wall behind"), Touch("upper_back", "wall behind", places=False))
    return frame.aim(Aim("right.heel", "x", 8.0 * s.body.stature_m)).facts_(hand_support_level=1)


def _breath(s: Setting) -> list[Frame]:
    return [_at_the_wall(s)]


def _arms(s: Setting) -> list[Frame]:
    """Arms float up to shoulder height on the breath out; ribs stay on the wall."""
    start = _at_the_wall(s)
    return [
        start,
        start.with_(
            "arms to shoulder height", **both(shoulder_flexion=85.0, elbow_flexion=10.0, shoulder_rotation=0.0)
        ),
    ]


def _free(s: Setting) -> list[Frame]:
    hands = both(shoulder_flexion=14.0, elbow_flexion=95.0, shoulder_rotation=40.0)
    return [standing(s.body).with_("standing tall, hands on the ribs", **hands).facts_(hand_support_level=1)]


FAMILY = (
    Ladder(
        "standing_breath",
        "Standing breath and deep set",
        "at the wall",
        "Breath to all sides and the gentle draw, upright: the wall says what the floor said.",
        part=SessionPart.SETTLES,
        setup=(
            "Back of the pelvis and upper back on a wall, heels a hand’s length ahead, knees soft.",
            "Hands on the lowest ribs.",
        ),
        cues=(
            "breathe into the hands and into the wall",
            "narrow the waist on the breath out, let go on the breath in",
        ),
        faults=(
            RIBS_FLARE,
            Fault(
                "breath_climbs",
                "breath climbs",
                "only the upper chest moves",
                "the belly is held in",
                "softer knees, longer breath out", Wrong({"left.scapula.elevation": 16, "right.scapula.elevation": 16}), breath=True),
            BREATH_HELD,
        ),
        felt="the waist widening against the wall, low in the belly on the breath out",
        not_felt="the neck, dizziness",
        breath_custom=True,
        breath=breath(inhale("to all sides"), back=exhale("slowly through pursed lips")),
        props=(WALL,),
    )
    .rung(
        "back_to_the_wall",
        "Back to the wall",
        _breath,
        Dose(10, 1, 6.0),
        {"breath": 0.8, "deep_control": 0.5},
        1,
        do=(
            "Back of pelvis and upper back on the wall, hands on the lowest ribs.",
            "Breathe {in} into hands and wall; breathe {out} through pursed lips and narrow the waist.",
            "Let the waist go on the breath {in}.",
        ),
    )
    .rung(
        "arms_float",
        "Arms float to shoulder height",
        _arms,
        Dose(6, 1, 7.0),
        {"breath": 0.5, "deep_control": 0.6, "upper_back": 0.4, "resist_extension": 0.3},
        2,
        arrow="left.fingertips",
        do=(
            "On the wall, arms hanging.",
            "Breathe {out}, narrow the waist and let both arms float ahead to shoulder height; the ribs stay on the wall as they are.",
            "Breathe {in} and lower them.",
        ),
    )
    .rung(
        "free_standing",
        "Away from the wall",
        _free,
        Dose(10, 1, 6.0),
        {"breath": 0.8, "deep_control": 0.6, "balance": 0.2},
        1,
        setup=("Stand tall, a worktop within reach.", "Hands on the lowest ribs."),
        props=(WORKTOP,),
        more_faults=(Fault("leans_back", "leans back", "the weight goes to the heels with the breath out", "the back narrows the waist and the belly does not", "weight over the middle of the feet; one hand on the worktop", Wrong({"lumbar.flexion": -14})),),
        do=(
            "Away from the wall, a worktop within reach, weight on both feet.",
            "Breathe in all round; breathe {out} and narrow the waist without leaning.",
            "Let go, and feel both feet again.",
        ),
    )
    .family()
)
