"""Rolling on the back like a ball, and legs over the head onto the shoulders."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.families.knee_fold import leg_folded
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import BACK_OF_PELVIS, supine_crook
from amvel.movements.positions import both


def _balled(s: Setting) -> Frame:
    frame = supine_crook(s.body).lift("occiput", "upper_back", *BACK_OF_PELVIS)
    frame = leg_folded(leg_folded(frame, "left", 118.0, 125.0), "right", 118.0, 125.0)
    round_ = frame.with_(
        "rolled up",
        lumbar_flexion=34.0,
        lower_thoracic_flexion=18.0,
        upper_thoracic_flexion=10.0,
        neck_flexion=28.0,
        **both(shoulder_flexion=58.0, elbow_flexion=62.0, shoulder_abduction=6.0, forearm_pronation=20.0),
    )
    return round_.facts_(rolls=True, jolt=True)


def _ball(s: Setting) -> list[Frame]:
    low = _balled(s).touch(
        Touch("sacrum", "floor"),
        Touch("waist_back", "floor"),
        Touch("mid_back", "floor", places=False),
    )
    return [low]


def _open(s: Setting) -> list[Frame]:
    """Legs long and wide, hands at the ankles."""
    return [
        f.with_(
            "rolled up, legs open",
            **both(hip_abduction=25.0, knee_flexion=15.0, hip_flexion=100.0, elbow_flexion=10.0),
        )
        for f in _ball(s)
    ]


FAMILY = (
    Ladder(
        "rolling_back",
        "Rolling on the back",
        "on the back",
        "Often asked for: the spine rolls over its own knobs under the whole weight.",
        asked_for=True,
        setup=("Sit, take the shins, round the back.",),
        cues=("roll to the shoulder blades and back",),
        faults=(
            Fault("rolls_onto_the_neck", "rolls onto the neck", "the head touches the floor", "too much swing", "stop"),
            SHOULDER_CLIMBS, BREATH_HELD,
        ),
        felt="the belly",
        not_felt="the neck, the knobs of the spine",
        breath=breath(inhale("to roll back"), back=exhale("to come up")),
    )
    .rung("like_a_ball", "Like a ball", _ball, Dose(5, 1, 4.0), {"flexion_strength": 0.4}, 5,
        do=(
            "Sit with the shins in the hands.",
            "Roll back to the shoulder blades.",
            "Roll up to sitting again.",
        ),
    )
    .rung("open_legs", "With open legs", _open, Dose(3, 1, 5.0), {"flexion_strength": 0.4}, 6,
        do=(
            "Sit balanced, both legs long and open in the hands.",
            "Roll back onto the shoulder blades, legs open.",
            "Roll up again without putting the feet down.",
        ),
    )
    .family()
)
