"""Side reach, lying: one hand slides towards its heel; the floor carries the trunk."""

from amvel.body.capacities import TRUNK_SHARE
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, PELVIS_ROCKS, RIBS_FLARE
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.promise import TRUNK_SIDE
from amvel.movements.wrong import Wrong


def _reach(s: Setting, start: Frame) -> list[Frame]:
    bend = s.number("bend_deg")
    bent = {f"{r}_side_bend": bend * share for r, share in TRUNK_SHARE["side_bend"].items()}
    return [start, start.with_("hand towards the heel", **bent, left_shoulder_abduction=4.0)]


def _hand(s: Setting) -> list[Frame]:
    return _reach(s, supine_crook(s.body))


def _other_arm_up(s: Setting) -> list[Frame]:
    """The other arm lies overhead: the long side gets longer."""
    start = supine_crook(s.body).with_(right_shoulder_flexion=120.0, right_elbow_flexion=30.0)
    return _reach(s, start)


_BEND = Parameter("bend_deg", "side bend", "deg", 8, low=2, high=16, grid=1, easier="down", shows=TRUNK_SIDE)
FAMILY = (
    Ladder(
        "lying_side_reach",
        "Side reach, lying",
        "on the back",
        "The side of the waist shortens and lengthens without weight on it.",
        replaces=("loaded_side_bend",),
        setup=("Lie on your back, knees bent, arms by the sides.",),
        cues=("the ribs slide on the floor, they do not lift", "both hip bones stay level"),
        faults=(
            PELVIS_ROCKS,
            Fault("curls_up", "curls up", "head and shoulders lift", "the front helps", "heavy head", Wrong({"neck.flexion": 26, "upper_thoracic.flexion": 14}, ("occiput", "upper_back"))),
            BREATH_HELD,
        ),
        felt="the side of the waist that shortens",
        not_felt="the low back, the neck",
        breath=breath(exhale("to reach"), back=inhale("to come back")),
        sides=True,
        view="top",
        arrow="left.fingertips",
        parameters=(_BEND,),
    )
    .rung("hand_to_heel", "Hand towards the heel", _hand, Dose(6, 1, 6.0), {"side_bend": 0.6}, 1,
        do=(
            "Arms beside you, hip bones level.",
            "Breathe {out} and slide one hand towards the heel of the same side; the ribs glide on the floor and do not lift.",
            "Breathe {in} and glide back to the middle.",
        ),
    )
    .rung(
        "other_arm_overhead",
        "Other arm overhead",
        _other_arm_up,
        Dose(6, 1, 7.0),
        {"side_bend": 0.7, "breath": 0.2},
        2,
        parameters=(Parameter("bend_deg", "side bend", "deg", 10, low=2, high=16, grid=1, easier="down", shows=TRUNK_SIDE),),
        more_faults=(RIBS_FLARE,),
        do=(
            "One arm lies on the floor beside the ear, as high as the ribs let it.",
            "Breathe {out} and slide the other hand towards its heel, so that the long side gets longer.",
            "Breathe {in} and glide back; the upper arm stays heavy.",
        ),
    )
    .family()
)
