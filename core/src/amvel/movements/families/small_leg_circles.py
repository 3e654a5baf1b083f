"""Small leg circles: both legs circle round a quiet pelvis."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.knee_fold import leg_folded, legs_brought_up
from amvel.movements.faults import BACK_ARCHES, BREATH_HELD, PELVIS_ROCKS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.promise import joint


def circle(s: Setting, hip: float, knee: float) -> list[Frame]:
    """Both legs together round a middle of the given hip and knee bend; the size is the parameter circle_deg."""
    base, r = supine_crook(s.body), s.number("circle_deg")

    def legs(bend: float, sideways: float, name: str) -> Frame:
        out = leg_folded(leg_folded(base, "left", hip + bend, knee), "right", hip + bend, knee, name)
        return out.with_(left_hip_abduction=sideways, right_hip_abduction=-sideways)

    return [
        *legs_brought_up(base, legs(0, r, "to the left")),
        legs(-r, 0, "away"),
        legs(0, -r, "to the right"),
        legs(min(r, 90 - hip), 0, "near"),
    ]


def _bent(s: Setting) -> list[Frame]:
    return circle(s, 85.0, 95.0)


def _long(s: Setting) -> list[Frame]:
    return circle(s, 72.0, 12.0)


def _size(default: float) -> Parameter:
    return Parameter("circle_deg", "size of the circle", "deg", default, low=3, high=12, grid=1, easier="down", shows=joint("left.hip.abduction"))


FAMILY = (
    Ladder(
        "small_leg_circles",
        "Small leg circles",
        "on the back",
        "A circle as small as a saucer; both directions.",
        setup=("Lie on your back, both knees over the hips, knees together.", "Arms wide, palms up."),
        cues=("the knees draw a saucer on the ceiling", "both hip bones stay heavy"),
        faults=(PELVIS_ROCKS, BACK_ARCHES, BREATH_HELD),
        felt="the belly all round",
        not_felt="the low back, the front of the hips",
        breath=breath(inhale("for half of the circle"), back=exhale("for the other half")),
        arrow="left.knee",
        view="top",
        shown=(0, 2),
    )
    .rung(
        "knees_bent",
        "Knees bent",
        _bent,
        Dose(3, 2, 8.0),
        {"turning": 0.6, "resist_extension": 0.5, "deep_control": 0.4},
        4,
        parameters=(_size(6),),
        after=("knee_fold/marching",),
        do=(
            "Both knees over the hips, arms wide, palms up.",
            "Draw a circle the size of a saucer with both knees; in for one half, out for the other half.",
            "Stop in the middle, then circle the other way.",
        ),
    )
    .rung(
        "legs_long",
        "Legs long",
        _long,
        Dose(3, 2, 10.0),
        {"turning": 0.8, "resist_extension": 0.8},
        6,
        parameters=(_size(5),),
        more_faults=(Fault("knees_bend_on_the_far_side", "knees bend on the far side", "the knees give where the circle goes away from you", "the back of the thigh or the belly is at its end", "circle nearer; knees a little soft throughout"),),
        do=(
            "Both legs to the ceiling, arms wide, belly and buttocks set.",
            "Draw the same small circle with long legs; both hip bones stay heavy.",
            "Bend the knees between the rounds, then circle the other way.",
        ),
    )
    .family()
)
