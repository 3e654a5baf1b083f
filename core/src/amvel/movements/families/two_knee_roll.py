"""Two-knee roll: both knees together roll to one side while the shoulders stay down."""

import numpy as np

from amvel.body import but
from amvel.body.capacities import TRUNK_SHARE
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.positions import FACE_UP, both
from amvel.movements.promise import THIGH_ROLL
from amvel.movements.wrong import Wrong

# The part of the knees' lean that the pelvis and the low ribs follow; the hips do the rest (our reading of 'gentle').
_PELVIS_SHARE = 0.6


def _rolled(start: Frame, lean_deg: float) -> Frame:
    """Pelvis turned with the knees to the left, thorax flat: the trunk turns to the right."""
    pelvis = _PELVIS_SHARE * lean_deg
    a = np.radians(pelvis)
    about_long_axis = np.array([[np.cos(a), -np.sin(a), 0], [np.sin(a), np.cos(a), 0], [0, 0, 1.0]])
    turned = {f"{r}_rotation": -pelvis * share for r, share in TRUNK_SHARE["rotation"].items()}
    hips = lean_deg - pelvis
    frame = start.lift("sacrum", "left.heel", "left.ball", "right.heel", "right.ball").unaim(
        "left.hip", "left.heel", "right.heel"
    )
    frame = but(frame, root=FACE_UP @ about_long_axis)
    frame = frame.with_(
        "knees rolled to one side",
        left_hip_abduction=hips,
        right_hip_abduction=-hips,
        **both(hip_flexion=58.0, knee_flexion=88.0, ankle_dorsiflexion=-10.0),
        **turned,
    )
    frame = frame.touch(
        Touch("left.buttock", "floor"),
        Touch("sacrum", "floor", places=False),
        Touch("left.foot_outer", "floor"),
        Touch("mid_back", "floor", places=False),
    )
    give = {
        "left_hip_abduction": 0.1,
        "right_hip_abduction": 0.1,
        "left_hip_rotation": 0.1,
        "right_hip_rotation": 0.1,
        "left_hip_flexion": 0.3,
        "left_ankle_inversion": 0.3,
    }
    lean = np.radians(lean_deg)
    rolled = (0.0, float(np.cos(lean)), float(-np.sin(lean)))
    stacked = (
        *(Aim(f"{x}.knee", "roll", 0.0, origin=f"{x}.hip", direction=rolled, weight=0.3) for x in ("left", "right")),
        Aim("right.knee", "x", 0.0, origin="left.knee", weight=0.3, must_hold=False),
        Aim("right.ankle", "x", 0.0, origin="left.ankle", weight=0.3, must_hold=False),
        Aim("upper_back", "y", 0.0, origin="occiput", weight=0.3, must_hold=False),
        Aim("left.shoulder", "z", 0.0, origin="right.shoulder", weight=0.3),
    )
    return frame.free_(**give, right_hip_flexion=0.3).aim(*stacked)


def _roll(s: Setting, arms: dict[str, float]) -> list[Frame]:
    crook = supine_crook(s.body).with_(**arms)
    feet_together = crook.with_("knees and feet together", **both(hip_abduction=-3.0)).free_(
        **both(hip_rotation=0.2)
    )
    # What will carry once the knees lean carries already, where it meets the floor.
    soft = (Touch(p, "floor", places=False) for p in ("left.foot_outer", "left.buttock", "mid_back"))
    return [feet_together.touch(*soft), _rolled(feet_together, s.number("roll_deg"))]


def _wide(s: Setting) -> list[Frame]:
    return _roll(s, both(shoulder_flexion=-9.0, shoulder_abduction=70.0, forearm_pronation=-20.0))


def _crossed(s: Setting) -> list[Frame]:
    arms = both(shoulder_flexion=30.0, shoulder_abduction=4.0, elbow_flexion=105.0, shoulder_rotation=62.0)
    return _roll(s, {**arms, "left_shoulder_flexion": 44.0})  # the left forearm lies on the right one


_ROLL = Parameter("roll_deg", "how far the knees roll", "deg", 25, low=5, high=45, grid=5, easier="down", shows=THIGH_ROLL)
FAMILY = (
    Ladder(
        "two_knee_roll",
        "Two-knee roll",
        "on the back",
        "Knees together to one side: a gentle turn of the lowest ribs, the far side of the pelvis lifts on purpose.",
        setup=("Lie on your back, knees bent, knees and feet together.",),
        cues=(
            "as far as the opposite shoulder stays down",
            "legs stay stacked and roll to one outer foot edge",
            "the ribs bring the knees back, compare the two sides",
        ),
        faults=(
            Fault(
                "knee_slides",
                "knee slides",
                "the upper knee slides along the lower one",
                "the hip turns, not the ribs",
                "knees glued", Wrong({"left.hip.flexion": 16}),
            ),
            Fault(
                "shoulder_lifts",
                "shoulder lifts",
                "the opposite shoulder leaves the floor",
                "farther than the trunk has",
                "roll less", Wrong({"upper_thoracic.rotation": 16, "lower_thoracic.rotation": 10}, ("upper_back",)),
            ),
            SHOULDER_CLIMBS,
            BREATH_HELD,
        ),
        felt="the waist, on the way back",
        not_felt="the low back, the groin",
        breath=breath(inhale("to roll"), back=exhale("to come back")),
        breath_custom=True,
        sides=True,
        parameters=(_ROLL,),
        view="top",
        arrow="left.knee",
    )
    .rung(
        "arms_wide",
        "Arms wide",
        _wide,
        Dose(4, 1, 8.0),
        {"turning": 0.7, "side_bend": 0.3, "deep_control": 0.4},
        2,
        do=(
            "Arms wide on the floor, palms up; knees and feet together.",
            "Breathe {in} and let both knees roll to one side, stacked, onto the outer edge of the foot, as far as the opposite shoulder stays down.",
            "Breathe {out} and let the lowest ribs bring the knees back; compare the two ways home.",
        ),
    )
    .rung(
        "arms_crossed",
        "Arms crossed on the chest",
        _crossed,
        Dose(4, 2, 8.0),
        {"turning": 0.8, "side_bend": 0.4, "deep_control": 0.5},
        3,
        more_faults=(Fault("knees_come_home_first", "knees come home first", "the knees are back before the ribs have moved", "the thighs do the work of the trunk", "begin with the lowest ribs; roll less far"),),
        do=(
            "Arms crossed on the chest, so that nothing but the trunk holds you.",
            "Breathe {in} and roll both knees to one side, smaller than with the arms wide.",
            "Breathe {out} and bring them back from the ribs, not from the knees.",
        ),
    )
    .family()
)
