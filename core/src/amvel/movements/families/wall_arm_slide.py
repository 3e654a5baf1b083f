"""Wall arm slide: facing a wall, the forearms slide up; the upper back works standing."""

from amvel.body import Anthropometry
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, RIBS_FLARE, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import WALL
from amvel.movements.positions import forearms_on_wall
from amvel.movements.room_measures import Measured

_SIDES = ("left", "right")


def _near_cm(body: Anthropometry) -> float:
    """Close enough that the wall carries hardly anything."""
    return 22.0 * body.stature_m


def _at(s: Setting, up_cm: float, name: str) -> Frame:
    frame = forearms_on_wall(s.body, s.number("wall_cm"))
    heights = (
        Aim(
            f"{x}.elbow",
            "z",
            up_cm - 3.5 * s.body.stature_m,
            origin=f"{x}.shoulder",
            must_hold=False,
            weight=0.6,
        )
        for x in _SIDES
    )
    return frame.aim(*heights).with_(name)


def _slide(s: Setting) -> list[Frame]:
    return [_at(s, 0.0, "forearms at shoulder height"), _at(s, s.number("up_cm"), "forearms slid up")]


_WALL = Parameter("wall_cm", "toes from the wall", "cm", _near_cm, low=20, high=60, grid=1, easier="down", measured=Measured.WALL)


def _up(default: float) -> Parameter:
    return Parameter(
        "up_cm", "how far the forearms slide up", "cm", default, low=3, high=20, grid=1, easier="down"
    )


FAMILY = (
    Ladder(
        "wall_arm_slide",
        "Wall arm slide",
        "at the wall",
        "The upper back lengthens while ribs stay on the pelvis.",
        setup=("Stand facing a wall, feet hip-wide, forearms on it at shoulder height.",),
        cues=("press lightly, slide up, ribs stay", "shoulder blades reach round the ribs"),
        faults=(BACK_HOLLOWS, RIBS_FLARE, SHOULDER_CLIMBS, BREATH_HELD),
        felt="round the shoulder blades",
        not_felt="the neck, the low back, pinching in the shoulder",
        breath=breath(exhale("to slide up"), back=inhale("to come down")),
        props=(WALL,),
        arrow="left.elbow",
    )
    .rung(
        "a_little",
        "A little",
        _slide,
        Dose(8, 1, 5.0),
        {"upper_back": 0.6, "resist_extension": 0.2},
        2,
        parameters=(_up(7), _WALL),
        do=(
            "Forearms on the wall at shoulder height.",
            "Breathe {out}, press lightly and slide both forearms up by a hand’s breadth, ribs staying.",
            "Breathe {in} and slide down.",
        ),
    )
    .rung(
        "higher",
        "Higher",
        _slide,
        Dose(8, 2, 6.0),
        {"upper_back": 0.7, "resist_extension": 0.4},
        3,
        parameters=(_up(14), _WALL),
        do=(
            "Forearms on the wall at shoulder height.",
            "Breathe {out} and slide up until the arms are nearly long; shoulder blades reach round the ribs.",
            "Breathe {in} and slide down before the low back arches.",
        ),
    )
    .family()
)
