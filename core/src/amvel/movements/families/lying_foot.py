"""Foot and ankle, lying: for who does not stand, and before the first step of the day."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Setting, once
from amvel.movements.faults import BREATH_HELD, LEG_ROLLS
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.wrong import Wrong


@once
def _long(s: Setting) -> Frame:
    """One leg long, the heel resting."""
    start = supine_crook(s.body)
    frame = start.lift("left.ball").unaim("left.heel").with_("one leg long")
    # The flesh under the pelvis holds the hip up, so that the heel reaches less far along the floor.
    reach_cm = (44.0 - 8.0 * max(0.0, s.body.girth - 1.0)) * s.body.stature_m
    reach = Aim("left.heel", "x", reach_cm, origin="left.sit_bone")
    return frame.aim(reach).with_(left_ankle_dorsiflexion=-30.0)


def _pump(s: Setting) -> list[Frame]:
    return [_long(s), _long(s).with_("foot drawn up", left_ankle_dorsiflexion=8.0)]


def _spread(s: Setting) -> list[Frame]:
    start = _long(s).with_(left_ankle_dorsiflexion=0.0, left_toes_extension=-12.0)
    return [start, start.with_("toes spread and drawn up", left_toes_extension=28.0)]


FAMILY = (
    Ladder(
        "lying_foot",
        "Foot and ankle, lying",
        "on the back",
        "The calf pumps and the toes wake up before they carry.",
        setup=("Lie on your back, one leg long, heel resting, the other knee bent.",),
        cues=("long slow strokes", "big toe and little toe reach apart"),
        faults=(
            Fault("foot_rolls", "foot rolls", "the foot turns in or out", "one side pulls", "draw both sides up", Wrong({"left.ankle.inversion": 22})),
            LEG_ROLLS, BREATH_HELD,
        ),
        felt="shin, calf and sole",
        not_felt="tingling down the leg",
        breath=breath(inhale("to draw up"), back=exhale("to point")),
        sides=True,
        arrow="left.toe_tip",
    )
    .rung("ankle_pump", "Ankle pump", _pump, Dose(10, 1, 3.0), {"foot": 0.6}, 1,
        do=(
            "One leg long, the heel stays where it is.",
            "Draw the foot up until the calf gets long, then point it slowly away from you.",
            "Come back to the middle before the next stroke, and change legs after the set.",
        ),
    )
    .rung("toes_spread", "Toes spread", _spread, Dose(6, 1, 5.0), {"foot": 0.7}, 1,
        do=(
            "One leg long, the foot at rest.",
            "Spread the toes until each stands by itself, big toe and little toe far apart, and keep them so for one breath.",
            "Let them close without a grip.",
        ),
    )
    .family()
)
