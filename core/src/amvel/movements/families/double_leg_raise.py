"""Straight-leg raise of both legs, and flutter kicks."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.families.knee_fold import leg_folded, legs_brought_up
from amvel.movements.faults import BACK_ARCHES, BELLY_DOMES, BREATH_HELD, THIGH_TAKES_OVER
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.promise import hip_bend


def _legs(s: Setting, left: float, right: float, name: str) -> Frame:
    base = supine_crook(s.body)
    return leg_folded(leg_folded(base, "left", left, 5.0), "right", right, 5.0, name)


def _raise(s: Setting) -> list[Frame]:
    low = s.number("low_deg")
    up = _legs(s, 72.0, 72.0, "both legs up")
    return [*legs_brought_up(supine_crook(s.body), up), _legs(s, low, low, "both legs low")]


def _flutter(s: Setting) -> list[Frame]:
    low = s.number("low_deg")
    left = _legs(s, low, low + 18.0, "left low")
    return [*legs_brought_up(supine_crook(s.body), left), _legs(s, low + 18.0, low, "right low")]


_LOW = Parameter("low_deg", "hip bend at the lowest", "deg", 15, low=10, high=65, grid=5, easier="up", shows=hip_bend())
FAMILY = (
    Ladder(
        "double_leg_raise",
        "Both straight legs",
        "on the back",
        "Often asked for: the longest lever there is; the back arches or the belly domes.",
        asked_for=True,
        setup=("Lie on your back, both legs long.",),
        cues=("only as low as the back still rests",),
        faults=(BACK_ARCHES, BELLY_DOMES, THIGH_TAKES_OVER, BREATH_HELD),
        felt="the whole belly",
        not_felt="the low back, the front of the hips",
        breath=breath(exhale("to lower"), back=inhale("to lift")),
        arrow="left.heel",
        parameters=(_LOW,),
    )
    .rung("lower_both", "Lower both legs", _raise, Dose(5, 1, 6.0), {"resist_extension": 0.9}, 8,
        do=(
            "Both legs long and up.",
            "Both legs are lowered towards the floor.",
            "They come up again together.",
        ),
    )
    .rung("flutter", "Flutter kicks", _flutter, Dose(10, 1, 2.0), {"resist_extension": 0.9}, 8,
        do=(
            "Both legs a hand above the floor.",
            "The legs kick up and down in turn.",
            "They stay up until the set is over.",
        ),
    )
    .family()
)
