"""Supported heel slide: a heel slides in and out on a box or on the floor and never lifts."""

from dataclasses import replace

from amvel.body import Anthropometry
from amvel.movements.breath import breath, exhale, in_and_out
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BACK_ARCHES, BREATH_HELD, RIBS_FLARE
from amvel.movements.frames import Aim, Frame, Prop, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.needs import BOX_OR_LOW_TABLE, CLOTH


def _on_box(s: Setting) -> list[Frame]:
    height = s.number("box_cm")
    base = supine_crook(s.body).lift("left.heel", "left.ball", "right.heel", "right.ball")
    box = Surface("box", "level", height, friction=0.3, title="low table or box with a cloth")
    base = replace(base, surfaces={**base.surfaces, "box": box})
    base = base.touch(*(Touch(f"{x}.heel", "box", strategy="rests") for x in ("left", "right")))
    size = s.body.stature_m
    base = base.with_("heels on the box", left_ankle_dorsiflexion=0.0, right_ankle_dorsiflexion=0.0)
    near = base.aim(*(Aim(f"{x}.heel", "x", 34 * size, origin=f"{x}.sit_bone") for x in ("left", "right")))
    return [
        near,
        near.aim(Aim("left.heel", "x", s.number("reach_cm"), origin="left.sit_bone")).with_("one heel away"),
    ]


def _on_floor(s: Setting) -> list[Frame]:
    start = (
        supine_crook(s.body)
        .hold(Prop("cloth", ("left.heel",), 16))
    )
    away = start.lift("left.ball").aim(Aim("left.heel", "x", s.number("reach_cm"), origin="left.sit_bone"))
    return [start, away.with_("heel away on the cloth", left_ankle_dorsiflexion=0.0)]


_BOX = Parameter("box_cm", "height of the box", "cm", 30, low=20, high=42, grid=2, easier="up")


_LEFT_IN_THE_KNEE_CM = 5.0  # of the leg's length, when the heel is furthest away (our choice)
_SIT_BONE_BELOW_HIP = 5.5  # cm per metre of stature, the more the wider the body: as the model has it


def _furthest_cm(body: Anthropometry, share: float) -> float:
    """Heel from sit bone: a share of the stature, and no further than a leg goes whose hip lies high on a wide pelvis."""
    leg_cm = 100 * sum(body.lengths_m[part] for part in ("thigh", "shank", "ankle_height"))
    reached_cm = leg_cm - _SIT_BONE_BELOW_HIP * body.stature_m * body.girth - _LEFT_IN_THE_KNEE_CM
    return min(share * body.stature_m, reached_cm)


def _reach(default: float) -> Parameter:
    return Parameter(
        "reach_cm",
        "how far the heel slides",
        "cm",
        lambda b: _furthest_cm(b, default),
        low=44,
        high=84,
        grid=4,
        easier="down",
    )


FAMILY = (
    Ladder(
        "supported_heel_slide",
        "Supported heel slide",
        "on the back",
        "The leg is carried, only its length changes.",
        setup=("Lie on your back, the back of the pelvis rests fully.",),
        cues=("the heel never lifts", "ribs stay where they are"),
        faults=(BACK_ARCHES, RIBS_FLARE, BREATH_HELD),
        felt="low in the belly",
        not_felt="the front of the hip",
        breath=breath(exhale("to slide in"), end=in_and_out("to settle"), back=exhale("to slide away")),
        sides=True,
        arrow="left.heel",
    )
    .rung(
        "on_a_box",
        "Heels on a box",
        _on_box,
        Dose(5, 2, 8.0),
        {"deep_control": 0.6, "resist_extension": 0.4},
        1,
        parameters=(_BOX, _reach(42)),
        props=(BOX_OR_LOW_TABLE, CLOTH),
        also=("Heels on the box, knees over the hips.",),
        do=(
            "Both heels on the box, knees over the hips, the back of the pelvis heavy.",
            "Breathe {out} and slide one heel in towards you; breathe in and out to settle; the heel never leaves the box.",
            "Breathe {out} and slide it away again, then the other.",
        ),
    )
    .rung(
        "on_the_floor",
        "On the floor with a cloth",
        _on_floor,
        Dose(5, 2, 8.0),
        {"deep_control": 0.6, "resist_extension": 0.5},
        2,
        parameters=(_reach(44),),
        props=(CLOTH,),
        also=("Heel on a sliding cloth, knees bent.",),
        more_faults=(Fault("heel_lifts", "heel lifts", "the heel leaves the cloth on the way home", "the front of the hip pulls the leg up", "keep the heel heavy; take a smoother cloth"),),
        do=(
            "Knees bent, one heel on a cloth that slides.",
            "Breathe {out} and push the heel away along the floor as far as the low back stays as it is.",
            "Take a breath, then breathe {out} and draw the heel home.",
        ),
    )
    .family()
)
