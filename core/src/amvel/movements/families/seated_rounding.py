"""Seated forward rounding over straight legs, and turn-and-reach across to the foot."""


from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.positions import both, sitting, trunk_lean
from amvel.movements.promise import TRUNK_BEND

_LOW_SEAT_CM = 6.0
_UPRIGHT_WISH = 10.0  # the back rounds before the trunk goes back; only what it cannot give is leaned


def long_sitting(s: Setting, apart_deg: float = 8.0, raise_cm: float = _LOW_SEAT_CM) -> Frame:
    """On the floor or a firm raise, legs long and a little apart; a short hamstring may take the trunk back."""
    frame = sitting(s.body, raise_cm).lift("left.ball", "right.ball").unaim("left.ankle", "com.upper_thorax")
    frame = frame.with_(
        "legs long",
        **both(knee_flexion=6.0, hip_abduction=apart_deg, ankle_dorsiflexion=-5.0, hip_flexion=78.0),
    )
    frame = frame.free_(**both(hip_flexion=0.3)).unaim("left.ankle", "right.ankle")
    together = Aim("left.heel", "x", 0.0, origin="right.heel", must_hold=False)
    upright = (aim._replace(weight=_UPRIGHT_WISH) for aim in trunk_lean(s.body, 0.0, firm=False))
    return frame.aim(together, *upright).facts_(on_floor=True)


def _round(s: Setting) -> list[Frame]:
    start, by = long_sitting(s).unaim("com.upper_thorax"), s.number("round_deg")
    arms = both(shoulder_flexion=70.0, elbow_flexion=8.0)  # along the legs
    down = start.with_(
        "rounded over the legs",
        lumbar_flexion=0.6 * by,
        lower_thoracic_flexion=0.25 * by,
        upper_thoracic_flexion=0.15 * by,
        **arms,
    )
    return [start.with_(**arms), down]


def _across(s: Setting) -> list[Frame]:
    start, by = long_sitting(s, 18.0).unaim("com.upper_thorax"), s.number("round_deg")
    down = start.with_(
        "turned and reaching across",
        lumbar_flexion=0.6 * by,
        lower_thoracic_flexion=0.25 * by,
        upper_thoracic_flexion=0.15 * by,
        lower_thoracic_rotation=12.0,
        upper_thoracic_rotation=8.0,
        right_shoulder_flexion=100.0,
        right_elbow_flexion=6.0,
    )
    return [start, down]


_BY = Parameter("round_deg", "how far the back rounds", "deg", 42, low=5, high=50, grid=5, easier="down", shows=TRUNK_BEND)
FAMILY = (
    Ladder(
        "seated_rounding",
        "Seated rounding over straight legs",
        "sitting",
        "Often asked for: the bend that sitting already begins, under the weight of the trunk and on a stretched nerve.",
        asked_for=True,
        setup=("Sit on the floor, legs long.",),
        cues=("reach for the feet",),
        faults=(
            Fault("bounces", "bounces", "the trunk swings down", "momentum instead of length", "slowly, once"),
            SHOULDER_CLIMBS, BREATH_HELD,
        ),
        felt="the back of the thighs",
        not_felt="tingling, the low back",
        breath=breath(exhale("to reach"), back=inhale("to come up")),
        arrow="breastbone",
        parameters=(_BY,),
    )
    .rung("over_the_legs", "Over the legs", _round, Dose(5, 1, 6.0), {"hip_bend": 0.2}, 3,
        do=(
            "Sit with long legs.",
            "The back rounds over the legs.",
            "Up again.",
        ),
    )
    .rung(
        "turn_and_reach",
        "Turn and reach across to the foot",
        _across,
        Dose(5, 1, 6.0),
        {"hip_bend": 0.2, "turning": 0.2},
        4,
        sides=True,
        do=(
            "Sit with long legs apart.",
            "One hand reaches across to the other foot.",
            "Up again, then the other side.",
        ),
    )
    .family()
)
