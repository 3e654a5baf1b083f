"""One-side carry: a bag in one hand, and no lean."""

from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, PELVIS_DROPS
from amvel.movements.frames import Frame, Prop
from amvel.movements.ladder import Ladder
from amvel.movements.needs import BAG, WORKTOP
from amvel.movements.positions import SIDEWAYS, left_foot_up, standing, stands_on_both, weight_on_one_foot
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong


def _stand(s: Setting) -> Frame:
    force = s.number("load_kg") * 9.81
    frame = standing(s.body).with_(
        left_shoulder_flexion=2.0, left_shoulder_abduction=6.0, left_elbow_flexion=2.0
    )
    frame = frame.free_(**SIDEWAYS).aim(*stands_on_both(s.body))
    return (
        frame.pull(("left.palm", (0.0, 0.0, -force)))
        .hold(Prop("bag", ("left.knuckles",), 16))
        .facts_(hand_support_level=1)
    )


def _hold(s: Setting) -> list[Frame]:
    return [_stand(s)]


def _walk(s: Setting) -> list[Frame]:
    start = _stand(s)
    shifted = weight_on_one_foot(start, s.body)
    step = left_foot_up(shifted)
    return [
        start,
        shifted,
        step.with_(
            "a slow step",
            left_hip_flexion=28.0,
            left_knee_flexion=38.0,
            left_ankle_dorsiflexion=4.0,
            left_hip_abduction=0.0,
        ),
    ]


def _load(default: float) -> Parameter:
    return Parameter("load_kg", "what the bag holds", "kg", default, low=0.5, high=8, grid=0.5, easier="down")


FAMILY = (
    Ladder(
        "one_side_carry",
        "One-side carry",
        "standing",
        "The bag hangs on one side, you stand as without it.",
        part=SessionPart.CARRIES_OVER,
        replaces=("loaded_side_bend",),
        setup=("A bag or jug in one hand, a worktop within reach of the other.",),
        cues=("grow away from the bag, no lean and no hitch", "ribs over the pelvis"),
        faults=(
            Fault("leans", "leans", "the shoulders go over to the free side", "the load is too much", "lighter", Wrong({"lumbar.side_bend": -14})),
            PELVIS_DROPS,
            BREATH_HELD,
        ),
        felt="the side of the waist on the free side",
        not_felt="the shoulder, the low back",
        breath=steady("breathe on"),
        sides=True,
        view="front",
        props=(BAG, WORKTOP),
    )
    .rung(
        "stand_tall",
        "Stand tall",
        _hold,
        Dose(3, 1, 22.0, hold_s=10),
        {"side_bend": 0.7, "leg_loading": 0.3},
        3,
        parameters=(_load(3),),
        do=(
            "A bag in one hand, the worktop within reach of the other.",
            "Stand as if it were not there, for the count; no lean, no hitch.",
            "Put it down by a fold in the hips; change hands.",
        ),
    )
    .rung(
        "slow_steps",
        "Slow steps",
        _walk,
        Dose(6, 1, 6.0),
        {"side_bend": 0.8, "balance": 0.6, "hip_out": 0.4, "leg_loading": 0.4},
        5,
        parameters=(_load(3),),
        arrow="left.knee",
        more_faults=(Fault("bag_swings", "bag swings", "the bag swings against the leg", "the steps are faster than the trunk", "slower; stand over each foot"),),
        do=(
            "A bag in one hand, the worktop beside you.",
            "Take slow steps along the worktop, tall on each foot.",
            "Turn round, change hands, and walk back.",
        ),
    )
    .family()
)
