"""Belly lift on hands and knees."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.families.arm_or_leg_slide import _HAND, RAISED, _base
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.feedback import BLOCK_ON_THE_PELVIS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.session_part import SessionPart
from amvel.movements.sign import Sign
from amvel.movements.wrong import Wrong


def _lift(s: Setting) -> list[Frame]:
    """One pose: the belly moves with the breath, no joint does."""
    return [_base(s).with_("belly lifts with the breath")]


FAMILY = (
    Ladder(
        "belly_lift",
        "Belly lift",
        "hands and knees",
        "The belly hangs and lifts; the spine does not know.",
        part=SessionPart.SETTLES,
        setup=("Hands under the shoulders, knees under the hips, long neck.",),
        cues=(
            "breathe in and let the belly hang",
            "breathe out and lift it, spine still",
            "look under to check the line",
        ),
        faults=(
            Fault(
                "back_rounds", "back rounds", "the spine moves with the belly", "too much effort", "less; the back is a table", Wrong({"lumbar.flexion": 14, "lower_thoracic.flexion": 12})
            ),
            SHOULDER_CLIMBS,
            BREATH_HELD,
        ),
        felt="low in the belly",
        not_felt="the wrists, the neck",
        feedback=(BLOCK_ON_THE_PELVIS,),
        breath=breath(inhale("to let go"), back=exhale("to lift")),
        parameters=(_HAND, RAISED),
        arrow="belly",
        signs=(Sign.NARROW,),
    )
    .rung("with_the_breath", "With the breath", _lift, Dose(8, 2, 6.0), {"deep_control": 0.7, "breath": 0.4}, 2,
        do=(
            "Hands under the shoulders, knees under the hips.",
            "Breathe {in} and let the belly hang; breathe {out} and lift it, while the spine stays a table.",
            "Let it hang again on the breath {in}.",
        ),
    )
    .rung(
        "held_while_breathing",
        "Held while breathing",
        _lift,
        Dose(5, 2, 12.0, hold_s=10),
        {"deep_control": 0.8, "breath": 0.3},
        3,
        cues=("lift the belly and breathe on above it",),
        more_faults=(Fault("belly_breathes_with", "belly breathes with it", "the belly hangs down again with each breath in", "ribs and belly cannot yet part", "shorter; one breath above it, then let go"),),
        do=(
            "Let the belly hang, then breathe {out} and lift it, while the spine stays a table.",
            "Keep it lifted and breathe on above it, ribs moving.",
            "Let it go for one whole breath before the next.",
        ),
    )
    .family()
)
