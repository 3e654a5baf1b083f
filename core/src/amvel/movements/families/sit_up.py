"""Sit-up and roll-up: kept so that the mechanism and the substitute can be named."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BELLY_DOMES, BREATH_HELD, TRUNK_ROUNDS
from amvel.movements.frames import Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.positions import both
from amvel.movements.promise import TRUNK_BEND

# What still lies on the floor while the trunk curls off it.
_LOW_BACK = (Touch("mid_back", "floor", places=False), Touch("waist_back", "floor", places=False))


def _half(s: Setting) -> list[Frame]:
    start, up = supine_crook(s.body).touch(*_LOW_BACK), s.number("curl_deg")
    start = start.bear("left.heel", "left.ball", "right.heel", "right.ball")
    risen = start.lift("occiput", "upper_back", "left.wrist", "right.wrist")
    risen = risen.with_(
        "half-way up",
        lumbar_flexion=0.45 * up,
        lower_thoracic_flexion=0.33 * up,
        upper_thoracic_flexion=0.22 * up,
        neck_flexion=25.0,
        **both(shoulder_flexion=50.0, elbow_flexion=8.0),
    )
    return [start, risen]


def _roll_up(s: Setting) -> list[Frame]:
    """The same curl with legs long: the hip flexors pull at the low back as well."""
    long = both(hip_flexion=6.0, knee_flexion=3.0, ankle_dorsiflexion=-15.0)
    frames = []
    for frame in _half(s):
        legs = frame.lift("left.ball", "right.ball").unaim("left.heel", "right.heel").with_(**long)
        frames.append(legs.free_(**both(hip_flexion=0.2, knee_flexion=1.0)))
    return frames


_UP = Parameter("curl_deg", "how far the trunk curls", "deg", 48, low=15, high=60, grid=3, easier="down", shows=TRUNK_BEND)
FAMILY = (
    Ladder(
        "sit_up",
        "Sit-up and roll-up",
        "on the back",
        "Often asked for: the trunk curls up under its own weight. Loaded bending presses on the front of the vertebrae.",
        asked_for=True,
        setup=("Lie on your back, knees bent.",),
        cues=("chin in, roll up bone by bone",),
        faults=(
            BELLY_DOMES,
            Fault("throws_the_arms", "throws the arms", "momentum lifts the trunk", "the belly is not enough", "less high"),
            TRUNK_ROUNDS, BREATH_HELD,
        ),
        felt="the front of the belly",
        not_felt="the neck, the front of the hips",
        breath=breath(exhale("to come up"), back=inhale("to go down")),
        arrow="breastbone",
        parameters=(_UP,),
    )
    .rung("half_way", "Half-way up", _half, Dose(5, 1, 6.0), {"flexion_strength": 0.8}, 5,
        do=(
            "Knees bent, arms ahead.",
            "Curl up half-way.",
            "Lower again.",
        ),
    )
    .rung("roll_up", "Roll-up, legs long", _roll_up, Dose(5, 1, 8.0), {"flexion_strength": 0.9}, 7,
        do=(
            "Legs long, arms overhead.",
            "Roll up bone by bone to sitting.",
            "Roll down again.",
        ),
    )
    .family()
)
