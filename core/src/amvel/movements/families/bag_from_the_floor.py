"""Carry-over: a bag from a stool, then from the floor, by a hinge."""

from amvel.body.anthropometry import HIP_HALF_WIDTH
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, KNEE_FALLS_IN, TRUNK_ROUNDS
from amvel.movements.frames import Aim, Frame, Prop
from amvel.movements.ladder import Ladder
from amvel.movements.needs import BAG
from amvel.movements.positions import both, hip_wide, standing, trunk_lean
from amvel.movements.promise import LEAN
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong

_OVER_CM = 5.0


def _down(s: Setting, hands: tuple[str, ...]) -> Frame:
    """Hips back, knees soft, arms hanging; the knees take what the hips do not give."""
    lean = s.number("lean_deg")
    frame = standing(s.body).aim(*trunk_lean(s.body, lean), hip_wide(s.body))
    frame = frame.with_(
        "hinged to the bag",
        **both(hip_flexion=lean + 28.0, knee_flexion=52.0, elbow_flexion=3.0),
        **{f"{x}_shoulder_flexion": lean if x in hands else 20.0 for x in ("left", "right")},
    )
    return frame.free_(**both(hip_flexion=0.2, ankle_dorsiflexion=0.1)).facts_(hand_support_level=0)


def _loaded(frame: Frame, s: Setting, hands: tuple[str, ...]) -> Frame:
    share = s.number("load_kg") * 9.81 / len(hands)
    return frame.pull(*((f"{x}.palm", (0.0, 0.0, -share)) for x in hands)).hold(
        Prop("bag", (f"{hands[0]}.knuckles",), 16)
    )


def _lift(s: Setting, hands: tuple[str, ...]) -> list[Frame]:
    """Down with empty hands, up with the bag: the worst of both is judged."""
    up = standing(s.body).aim(hip_wide(s.body)).with_(**both(shoulder_flexion=8.0, elbow_flexion=4.0))
    middle = Aim(
        "centre_of_mass", "y", 100 * HIP_HALF_WIDTH * s.body.stature_m, origin="right.ankle", weight=0.5
    )
    sides = {f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("hip_abduction", "ankle_inversion")}
    low, high = _loaded(_down(s, hands), s, hands), _loaded(up, s, hands).with_("standing with the bag")
    # The bag pulls the common weight ahead: body and bag together stay over the feet.
    ahead = Aim("centre_of_mass", "x", _OVER_CM - 0.5 * s.number("load_kg"), origin="right.ankle")
    return [_down(s, hands), *(f.aim(ahead, middle).free_(**sides) for f in (low, high))]


def _from_a_stool(s: Setting) -> list[Frame]:
    return _lift(s, ("left", "right"))


def _one_hand(s: Setting) -> list[Frame]:
    return _lift(s, ("left",))


def _lean(default: float, high: float) -> Parameter:
    return Parameter(
        "lean_deg", "lean of the long spine", "deg", default, low=10, high=high, grid=5, easier="down", shows=LEAN)


_LOAD = Parameter("load_kg", "what the bag holds", "kg", 2, low=0.5, high=8, grid=0.5, easier="down")
FAMILY = (
    Ladder(
        "bag_from_the_floor",
        "Lift a bag",
        "standing",
        "The hinge taken home: hips back, spine long, the bag close.",
        part=SessionPart.CARRIES_OVER,
        replaces=("toe_touching",),
        setup=("Stand close to the bag, feet hip-wide, it between the feet.",),
        cues=("hips back, breastbone forward", "breathe out, then the bag leaves", "bag close to the shins"),
        faults=(
            TRUNK_ROUNDS,
            Fault(
                "jerks",
                "jerks",
                "the bag leaves with a snatch",
                "the breath came too late",
                "take the weight first, then rise",
            ),
            KNEE_FALLS_IN, BREATH_HELD,
        ),
        felt="buttocks and thighs, the belly before the lift",
        not_felt="the low back",
        breath=breath(inhale("to fold"), back=exhale("before the bag leaves")),
        props=(BAG,),
        arrow="breastbone",
        needs_unsupported_stand=True,
        shown=(1, -1),
    )
    .rung(
        "from_a_stool",
        "From a stool, both hands",
        _from_a_stool,
        Dose(6, 1, 7.0),
        {"hip_bend": 0.8, "leg_loading": 0.6, "hip_back": 0.5},
        4,
        after=("one_leg_hinge/both_legs",),
        parameters=(_lean(25, 40), _LOAD),
        also=("The bag stands on a stool.",),
        do=(
            "Feet on both sides of the stool with the bag.",
            "Breathe {in} and fold, hips back; take the weight; breathe {out} and stand up, the bag close.",
            "Fold again and put it back on the stool.",
        ),
    )
    .rung(
        "from_the_floor",
        "From the floor, both hands",
        _from_a_stool,
        Dose(6, 1, 8.0),
        {"hip_bend": 0.9, "leg_loading": 0.7, "hip_back": 0.6},
        5,
        parameters=(_lean(45, 55), _LOAD),
        do=(
            "Feet on both sides of the bag on the floor.",
            "Breathe {in} and fold low, hips far back, spine long; breathe {out}, and then the bag leaves.",
            "Put it down the way you took it.",
        ),
    )
    .rung(
        "one_hand",
        "From a stool, one hand",
        _one_hand,
        Dose(6, 1, 8.0),
        {"hip_bend": 0.8, "leg_loading": 0.7, "side_bend": 0.5, "turning": 0.4},
        5,
        sides=True,
        parameters=(_lean(30, 45), _LOAD),
        more_faults=(Fault("leans_to_the_bag", "leans to the bag", "the trunk bends to the side of the bag", "the other side of the waist is late", "nearer to the bag; a lighter one", Wrong({"lumbar.side_bend": 12, "lower_thoracic.side_bend": 8})),),
        do=(
            "Stand beside the stool with the bag.",
            "Breathe {in} and fold; take the bag in one hand; breathe {out} and stand up without leaning to it.",
            "Put it back, and change hands.",
        ),
    )
    .family()
)
