"""Tall sitting and breath."""

from dataclasses import replace

from amvel.movements.breath import breath, in_and_out
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.faults import BREATH_HELD, TRUNK_SINKS
from amvel.movements.frames import Frame, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.needs import FIRM_CHAIR
from amvel.movements.positions import sitting
from amvel.movements.seats import SEAT
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong

_RECLINED_DEG = 10.0  # of a back that leans on the rest of a chair (our estimate)


def supported(frame: Frame, stature_m: float) -> Frame:
    """The back against a back rest."""
    rest = Surface(
        "back rest", "back", -13.0 * stature_m, friction=0.4, stiffness_n_per_m=8.0e3, title="back rest"
    )
    return replace(frame, surfaces={**frame.surfaces, "back rest": rest}).touch(
        Touch("upper_back", "back rest", "leans")
    )


def leaning_back(s: Setting) -> Frame:
    """Sitting with the back on the rest of the chair."""
    return supported(sitting(s.body, s.number("seat_cm"), lean_deg=-_RECLINED_DEG), s.body.stature_m)


def _supported(s: Setting) -> list[Frame]:
    return [leaning_back(s)]


def _free(s: Setting) -> list[Frame]:
    return [sitting(s.body, s.number("seat_cm"))]


FAMILY = (
    Ladder(
        "tall_sitting",
        "Tall sitting and breath",
        "sitting",
        "The pelvis upright on its sit bones, the breath all round.",
        part=SessionPart.SETTLES,
        setup=(
            "Firm seat, raised with a block or folded towel if the hips are tight; never a pillow.",
            "Feet flat.",
        ),
        cues=("grow from the sit bones to the crown", "breathe into front, sides and back"),
        faults=(
            TRUNK_SINKS,
            Fault(
                "hollow_back",
                "hollow back",
                "the breastbone juts forward",
                "tall is made with the back",
                "ribs over the pelvis", Wrong({"lumbar.flexion": -18, "lower_thoracic.flexion": -6}),
            ),
            BREATH_HELD,
        ),
        felt="effortless height",
        not_felt="the low back holding",
        breath_custom=True,
        breath=breath(in_and_out("all round")),
        parameters=(SEAT,),
        props=(FIRM_CHAIR,),
    )
    .rung(
        "back_supported", "Back supported", _supported, Dose(5, 2, 7.0), {"breath": 0.7, "deep_control": 0.2}, 1,
        do=(
            "Sit with your back on the rest, feet flat; thumbs behind, fingers in front round the waist.",
            "Breathe in to front, sides and back of your hands; breathe {out} and stay tall.",
            "The rest only reminds you: no leaning.",
        ),
    )
    .rung(
        "unsupported",
        "Unsupported",
        _free,
        Dose(5, 2, 7.0),
        {"breath": 0.7, "deep_control": 0.3, "upper_back": 0.2},
        2,
        do=(
            "Sit away from the rest, weight even on both sit bones; thumbs behind, fingers in front round the waist.",
            "Grow to the crown, breathe in all round, breathe {out} without sinking.",
            "Soften for a moment, then grow again.",
        ),
    )
    .family()
)
