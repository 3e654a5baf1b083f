"""Both knees pulled to the chest: asked for as a stretch, and a bend that the arms force."""

import math

from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.knee_hug import HUGGED_KNEE_DEG, held_frames
from amvel.movements.faults import BREATH_HELD, HEAD_LIFTS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.promise import TRUNK_BEND
from amvel.movements.wrong import Wrong


def _both(s: Setting) -> list[Frame]:
    """The arms pull the knees to where the hips end, and on: from there the low back gives."""
    ends = min(math.degrees(s.capacities.hip_stop_rad(side, math.radians(HUGGED_KNEE_DEG))) for side in ("left", "right"))
    return held_frames(s, ("left", "right"), ends + s.number("pull_deg"))


_PULL = Parameter("pull_deg", "how far the low back gives", "deg", 15, low=12, high=24, grid=3, easier="down", shows=TRUNK_BEND)
FAMILY = (
    Ladder(
        "knees_to_the_chest",
        "Both knees to the chest",
        "on the back",
        "Often asked for: the arms pull where the hips have ended, so the low back gives. One knee at a time rests it better.",
        asked_for=True,
        setup=("Lie on your back, knees bent.",),
        cues=("one knee after the other into the hands", "hold, do not pull"),
        faults=(Fault("pulls_hard", "pulls hard", "the tailbone lifts far", "force instead of rest", "hold only, do not pull", Wrong({"lumbar.flexion": 16})), HEAD_LIFTS, BREATH_HELD),
        felt="the low back letting go",
        not_felt="a pinch in the groin, leg pain",
        breath=steady("quiet breaths"),
        parameters=(_PULL,),
        arrow="left.knee",
    )
    .rung("pulled_in", "Pulled in with both arms", _both, Dose(2, 1, 10.0, hold_s=6), {"breath": 0.2}, 2,
        do=(
            "One knee after the other comes into the hands.",
            "Both knees are pulled towards the chest.",
            "One foot after the other goes back to the floor.",
        ),
    )
    .family()
)
