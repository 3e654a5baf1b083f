"""Book opening: lying on the side, the upper arm opens until the pelvis would follow."""

from amvel.body.capacities import TRUNK_SHARE
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, ROLLS_BACK, SHOULDER_CLIMBS
from amvel.movements.frames import Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import side_lying
from amvel.movements.promise import TRUNK_TURN
from amvel.movements.wrong import Wrong


def _open(s: Setting, elbow: float) -> list[Frame]:
    turn = s.number("turn_deg")
    start = side_lying(s.body, hip_deg=60.0).with_(
        "arms in front", left_shoulder_flexion=85.0, left_shoulder_abduction=0.0, left_elbow_flexion=elbow
    )
    start = start.touch(Touch("right.foot_outer", "floor")).free_(right_hip_rotation=0.2)
    shares = {r: TRUNK_SHARE["rotation"][r] for r in ("lower_thoracic", "upper_thoracic")}
    opened = {f"{r}_rotation": turn * share / sum(shares.values()) for r, share in shares.items()}
    return [
        start,
        start.with_(
            "upper arm opening",
            left_shoulder_flexion=80.0,
            left_shoulder_abduction=55.0,
            left_elbow_flexion=elbow,
            **opened,
        ),
    ]


def _bent(s: Setting) -> list[Frame]:
    return _open(s, 100.0)


def _long(s: Setting) -> list[Frame]:
    return _open(s, 8.0)


def _turn(default: float) -> Parameter:
    return Parameter("turn_deg", "turn of the rib cage", "deg", default, low=5, high=30, grid=5, easier="down", shows=TRUNK_TURN)


FAMILY = (
    Ladder(
        "book_opening",
        "Book opening",
        "on the side",
        "The rib cage turns, the pelvis stays stacked.",
        setup=("Lie on your side, hips and knees bent, head on a cushion.",),
        cues=("small; stop where the pelvis wants to follow", "eyes go with the hand"),
        faults=(ROLLS_BACK, SHOULDER_CLIMBS, BREATH_HELD),
        felt="between the shoulder blades, along the chest",
        not_felt="the low back",
        breath=breath(inhale("to open"), back=exhale("to close")),
        sides=True,
        arrow="left.elbow",
    )
    .rung(
        "bent_elbow",
        "Bent elbow",
        _bent,
        Dose(4, 1, 7.0),
        {"turning": 0.4, "upper_back": 0.4},
        2,
        parameters=(_turn(10),),
        do=(
            "Lie on your side, knees stacked, the upper hand at the ear, elbow ahead.",
            "Breathe {in} and open the elbow like the cover of a book, eyes with it; stop where the pelvis wants to follow.",
            "Breathe {out} and close it.",
        ),
    )
    .rung(
        "long_arm",
        "Long arm",
        _long,
        Dose(4, 1, 8.0),
        {"turning": 0.5, "upper_back": 0.5},
        2,
        parameters=(_turn(15),),
        more_faults=(Fault("arm_falls_behind", "arm falls behind", "the arm sinks behind the chest while the ribs stay", "the shoulder is opening and the chest is not", "eyes and breastbone with the hand; stop when they stop", Wrong({"left.shoulder.abduction": 20})),),
        do=(
            "Lie on your side, knees stacked, both arms long ahead, palm on palm.",
            "Breathe {in} and let the upper arm open in a wide arc, eyes with the hand; the knees stay stacked.",
            "Breathe {out} and bring it back the same way; compare left and right.",
        ),
    )
    .family()
)
