"""Foot gather: cloth, ball of the foot, even pressure."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.faults import BREATH_HELD, KNEE_FALLS_IN
from amvel.movements.frames import Aim, Frame, Prop, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.needs import CLOTH, FIRM_CHAIR
from amvel.movements.positions import sitting
from amvel.movements.seats import SEAT
from amvel.movements.wrong import Wrong


def _sit(s: Setting) -> Frame:
    return sitting(s.body, s.number("seat_cm"))


def _gather(s: Setting) -> list[Frame]:
    start = _sit(s).hold(Prop("cloth", ("left.toe_tip",), 20))
    return [start, start.with_("cloth drawn in", left_toes_extension=-18.0)]


def _ball(s: Setting) -> list[Frame]:
    start = _sit(s)
    up = start.lift("left.ball").touch(Touch("left.ball", "floor", bears=False, gap_cm=3.0))
    return [start, up.with_("ball of the foot lifted")]


def _heel(s: Setting) -> list[Frame]:
    start = _sit(s)
    up = start.lift("left.heel").unaim("left.ankle").touch(Touch("left.heel", "floor", bears=False, gap_cm=4.0))
    return [
        start,
        up.aim(Aim("left.ball", "x", 12.0, origin="right.ankle", must_hold=False)).with_(
            "heel lifted, toes spread", left_toes_extension=25.0
        ),
    ]


def _spread(s: Setting) -> list[Frame]:
    start = _sit(s)
    return [start.with_("toes lifted and spread", left_toes_extension=30.0), start.with_("pressed evenly")]


FAMILY = (
    Ladder(
        "foot_gather",
        "Foot gather",
        "sitting",
        "The foot wakes up: gathers, lifts, spreads and presses evenly.",
        setup=("Sit tall on a firm seat, feet bare and flat.",),
        cues=("both sides of the forefoot rise level", "spread before you press"),
        faults=(
            Fault(
                "foot_rolls_out",
                "foot rolls out",
                "the little toe side lifts less",
                "the outside of the leg pulls",
                "big toe and little toe together", Wrong({"left.ankle.inversion": 22}),
            ),
            KNEE_FALLS_IN, BREATH_HELD,
        ),
        felt="the sole and the shin; cramp eases",
        not_felt="the knee",
        breath=breath(inhale("to spread"), back=exhale("to press")),
        sides=True,
        parameters=(SEAT,),
        props=(FIRM_CHAIR,),
    )
    .rung(
        "draw_in_a_cloth",
        "Draw in a cloth",
        _gather,
        Dose(5, 2, 5.0),
        {"foot": 0.9, "balance": 0.1},
        1,
        arrow="left.toe_tip",
        props=(FIRM_CHAIR, CLOTH),
        do=(
            "Bare foot on a cloth, heel down.",
            "Draw the cloth in with all toes, a little at a time.",
            "Spread the toes and smooth it out again.",
        ),
    )
    .rung(
        "lift_the_ball",
        "Lift the ball of the foot",
        _ball,
        Dose(5, 2, 5.0),
        {"foot": 0.8, "balance": 0.2},
        1,
        arrow="left.ball",
        do=(
            "Heel heavy, foot flat.",
            "Lift the ball of the foot, big-toe side and little-toe side level.",
            "Lay it down from the little toe to the big toe.",
        ),
    )
    .rung(
        "lift_the_heel",
        "Lift the heel and spread",
        _heel,
        Dose(5, 2, 5.0),
        {"foot": 0.8, "balance": 0.2},
        1,
        arrow="left.heel",
        more_faults=(Fault("heel_swings_in", "heel swings in", "the heel rises inwards and not straight up", "the outer foot takes the weight", "big toe and little toe equally heavy; lift less"),),
        do=(
            "Foot flat, toes long.",
            "Lift the heel straight up over the ball and spread the toes there.",
            "Lower it slowly behind the toes.",
        ),
    )
    .rung(
        "spread_and_press",
        "Spread, then press evenly",
        _spread,
        Dose(5, 2, 6.0),
        {"foot": 0.9, "balance": 0.2},
        1,
        arrow="left.toe_tip",
        also=("Big toe, little toe and heel press as one.",),
        do=(
            "Foot flat, toes long.",
            "Spread the toes, then press big toe, little toe and heel down as one.",
            "Let go without gripping.",
        ),
    )
    .family()
)
