"""Double-leg circles in full range: kept so that the mechanism and the substitute can be named."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.families.small_leg_circles import circle
from amvel.movements.faults import BACK_ARCHES, BREATH_HELD, PELVIS_ROCKS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.promise import joint


def _full(s: Setting) -> list[Frame]:
    return circle(s, 62.0, 6.0)


_SIZE = Parameter("circle_deg", "size of the circle", "deg", 24, low=3, high=35, grid=1, easier="down", shows=joint("left.hip.abduction"))
FAMILY = (
    Ladder(
        "double_leg_circles",
        "Double-leg circles",
        "on the back",
        "Often asked for: two long legs far from the middle; the back arches and turns to hold them.",
        asked_for=True,
        setup=("Lie on your back, both legs long and up.",),
        cues=("large circles",),
        faults=(PELVIS_ROCKS, BACK_ARCHES, BREATH_HELD),
        felt="the belly all round",
        not_felt="the low back, the front of the hips",
        breath=breath(inhale("for half of the circle"), back=exhale("for the other half")),
        view="top",
        shown=(0, 2),
        arrow="left.knee",
        parameters=(_SIZE,),
    )
    .rung("full_range", "Full range", _full, Dose(3, 1, 8.0), {"turning": 0.7, "resist_extension": 0.8}, 7,
        do=(
            "Both legs long and up.",
            "Both legs draw large circles.",
            "They stop at the top and turn the other way.",
        ),
    )
    .family()
)
