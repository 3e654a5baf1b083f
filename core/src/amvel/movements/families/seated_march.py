"""Seated march: heel, then foot, then knee leaves the floor while the trunk stays tall."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Frames, Parameter, Setting, Step
from amvel.movements.faults import BREATH_HELD, PELVIS_TIPS, TRUNK_ROUNDS
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.needs import FIRM_CHAIR
from amvel.movements.positions import sitting
from amvel.movements.seats import SEAT
from amvel.movements.wrong import Wrong

_LEANS = Fault(
    "leans_back",
    "leans back",
    "the trunk goes back as the leg comes up",
    "the hip flexor pulls the trunk",
    "lift less; grow tall before the foot leaves", Wrong({"left.hip.flexion": -14, "right.hip.flexion": -14}),
)


def _start(s: Setting) -> Frame:
    return sitting(s.body, s.number("seat_cm"))


def _heel(s: Setting) -> list[Frame]:
    start = _start(s)
    up = start.lift("left.heel").unaim("left.ankle").aim(Aim("left.ball", "x", _ball_x(s), origin="left.knee"))
    return [
        start,
        up.touch(Touch("left.heel", "floor", bears=False, gap_cm=5.0))
        .with_("heel up")
        .free_(left_toes_extension=0.2),
    ]


def _ball_x(s: Setting) -> float:
    return 45.0 * s.body.lengths_m["foot"]


def _foot(s: Setting) -> list[Frame]:
    start = _start(s)
    up = start.lift("left.heel", "left.ball", "left.thigh_under").touch(
        *(Touch(f"left.{p}", "floor", bears=False, gap_cm=s.number("lift_cm")) for p in ("heel", "ball"))
    )
    return [start, up.with_("foot lifted")]


_LIFT = Parameter("lift_cm", "how high the foot lifts", "cm", 1, low=1, high=2, grid=1, easier="down")
_HIGH = Parameter("lift_cm", "how high the foot lifts", "cm", 12, low=3, high=14, grid=1, easier="down")
_FAULTS = (_LEANS, PELVIS_TIPS, TRUNK_ROUNDS, BREATH_HELD)
_SETUP = ("Sit tall on a firm seat, feet flat, knees over the ankles.", "Both sit bones equally heavy.")
_BREATH = breath(exhale("to lift"), back=inhale("to lower"))


def _step(
    id: str,
    title: str,
    frames: Frames,
    extra: str,
    purposes: dict[str, float],
    effort: float,
    parameters: tuple[Parameter, ...],
    arrow: str,
    do: tuple[str, ...],
) -> Step:
    return Step(
        id,
        title,
        frames,
        (*_SETUP, extra),
        ("tall before the leg moves", "sit bones stay equal"),
        _FAULTS,
        "the belly and the front of the hip working together",
        "the low back",
        _BREATH,
        Dose(8, 2, 4.0),
        purposes,
        sides=True,
        effort=effort,
        parameters=parameters,
        props=(FIRM_CHAIR,),
        arrow=arrow,
        do=do,
    )


FAMILY = Family(
    "seated_march",
    "Seated march",
    "sitting",
    "Leg work for those who do not lie down, with the trunk kept tall.",
    (
        _step(
            "heel_lifts",
            "Heel lifts",
            _heel,
            "One heel lifts, the ball of the foot stays.",
            {"deep_control": 0.3, "breath": 0.1},
            1,
            (SEAT,),
            "left.heel",
            (
                "Sit tall, both sit bones equally heavy.",
                "Breathe {out} and lift one heel; the ball of the foot stays.",
                "Breathe {in} and lower it; then the other.",
            ),
        ),
        _step(
            "foot_lifts",
            "Foot lifts 1 cm",
            _foot,
            "One foot floats one centimetre.",
            {"deep_control": 0.6, "resist_extension": 0.3, "turning": 0.2},
            3,
            (_LIFT, SEAT),
            "left.ball",
            (
                "Sit tall, set, wait a second.",
                "Breathe {out} and float one whole foot a centimetre; nothing leans.",
                "Breathe {in} and put it down without a sound.",
            ),
        ),
        _step(
            "knee_high",
            "Knee lifts high",
            _foot,
            "One knee rises as far as the trunk stays tall.",
            {"deep_control": 0.6, "resist_extension": 0.4, "turning": 0.3},
            4,
            (_HIGH, SEAT),
            "left.knee",
            (
                "Sit tall, set, wait a second.",
                "Breathe {out} and bring one knee up as far as the trunk stays tall.",
                "Breathe {in} and lower it slowly.",
            ),
        ).watching(Fault("pelvis_tucks", "pelvis tucks", "the pelvis rolls behind the sit bones as the knee comes up", "the hip is at its end", "lower; up to where you stay tall", Wrong({"lumbar.flexion": 16, "lower_thoracic.flexion": 6}))),
    ),
)
