"""Fast toe touching, and a loaded side bend: the standing bends that are often asked for."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, TRUNK_ROUNDS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.positions import both, standing
from amvel.movements.promise import TRUNK_BEND


def _down(s: Setting) -> list[Frame]:
    by, start = s.number("round_deg"), standing(s.body)
    down = start.unaim("com.upper_thorax").with_(
        "bent down",
        lumbar_flexion=0.6 * by,
        lower_thoracic_flexion=0.25 * by,
        upper_thoracic_flexion=0.15 * by,
        **both(shoulder_flexion=100.0, elbow_flexion=6.0, hip_flexion=60.0, knee_flexion=6.0),
    )
    return [start, down.free_(**both(hip_flexion=0.3, ankle_dorsiflexion=0.1)).facts_(jolt=True)]


_BY = Parameter("round_deg", "how far the back rounds", "deg", 45, low=10, high=60, grid=5, easier="down", shows=TRUNK_BEND)
FAMILY = (
    Ladder(
        "toe_touching",
        "Fast toe touching",
        "standing",
        "Often asked for: a quick, full bend under the whole weight of the trunk.",
        asked_for=True,
        setup=("Stand, feet hip-wide.",),
        cues=("reach for the toes",),
        faults=(Fault("bounces", "bounces", "the trunk swings", "momentum", "stop"), TRUNK_ROUNDS, BREATH_HELD),
        felt="the back of the thighs",
        not_felt="the low back, dizziness",
        breath=breath(exhale("down"), back=inhale("up")),
        arrow="left.fingertips",
        parameters=(_BY,),
    )
    .rung("fast", "Fast", _down, Dose(10, 1, 2.0), {"hip_bend": 0.2}, 4,
        do=(
            "Stand with long knees.",
            "The trunk swings down to the toes.",
            "Up again at once.",
        ),
    )
    .family()
)
