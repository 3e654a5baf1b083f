"""Both knees pulled to the chest: asked for as a stretch, and a bend that the arms force."""

from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.families.knee_hug import held_frames
from amvel.movements.faults import BREATH_HELD
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder, fault
from amvel.movements.promise import hip_bend


def _both(s: Setting) -> list[Frame]:
    return held_frames(s, ("left", "right"))


_HUG = Parameter("hug_deg", "how near the knees come", "deg", 121, low=112, high=127, grid=3, easier="down", shows=hip_bend())
FAMILY = (
    Ladder(
        "knees_to_the_chest",
        "Both knees to the chest",
        "on the back",
        "Often asked for: the arms pull where the hips have ended, so the low back gives. One knee at a time rests it better.",
        asked_for=True,
        setup=("Lie on your back, knees bent.",),
        cues=("one knee after the other into the hands", "hold, do not pull"),
        faults=(fault("pulls hard", "the tailbone lifts far", "force instead of rest", "hold only, do not pull"), BREATH_HELD),
        felt="the low back letting go",
        not_felt="a pinch in the groin, leg pain",
        breath=steady("quiet breaths"),
        parameters=(_HUG,),
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
