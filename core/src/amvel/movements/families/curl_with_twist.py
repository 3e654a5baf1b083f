"""Curl with a twist: bending and turning together."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BELLY_DOMES, BREATH_HELD
from amvel.movements.frames import Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.positions import both
from amvel.movements.promise import TRUNK_BEND, TRUNK_TURN
from amvel.movements.wrong import Wrong


def _twist(s: Setting) -> list[Frame]:
    start, up, turn = (
        supine_crook(s.body).touch(Touch("mid_back", "floor", places=False)),
        s.number("curl_deg"),
        s.number("turn_deg"),
    )
    risen = start.lift("occiput", "upper_back", "mid_back").touch(Touch("mid_back", "floor"))
    risen = risen.with_(
        "curled and turned",
        lumbar_flexion=0.4 * up,
        lower_thoracic_flexion=0.3 * up,
        upper_thoracic_flexion=0.3 * up,
        lower_thoracic_rotation=0.55 * turn,
        upper_thoracic_rotation=0.45 * turn,
        neck_flexion=22.0,
        **both(shoulder_flexion=95.0, shoulder_abduction=40.0, elbow_flexion=130.0),
    )
    return [start, risen]


_UP = Parameter("curl_deg", "how far the trunk curls", "deg", 30, low=10, high=40, grid=5, easier="down", shows=TRUNK_BEND)
_TURN = Parameter("turn_deg", "how far it turns", "deg", 18, low=5, high=25, grid=1, easier="down", shows=TRUNK_TURN)
FAMILY = (
    Ladder(
        "curl_with_twist",
        "Curl with a twist",
        "on the back",
        "Often asked for: bending and turning at once, which weak bone and discs bear least.",
        asked_for=True,
        setup=("Lie on your back, knees bent, hands behind the head.",),
        cues=("one shoulder towards the other knee",),
        faults=(
            BELLY_DOMES,
            Fault("pulls_the_head", "pulls the head", "the hands drag the neck", "the belly is tired", "lower the head", Wrong({"neck.flexion": 24, "head.nod": 10})),
            BREATH_HELD,
        ),
        felt="the side of the belly",
        not_felt="the neck",
        breath=breath(exhale("to come up"), back=inhale("to go down")),
        sides=True,
        arrow="right.elbow",
        parameters=(_UP, _TURN),
    )
    .rung(
        "elbow_to_knee",
        "Shoulder towards the other knee",
        _twist,
        Dose(5, 1, 5.0),
        {"flexion_strength": 0.8, "turning": 0.5},
        5,
        do=(
            "Hands behind the head, knees bent.",
            "One shoulder comes up towards the other knee.",
            "Back down, then the other side.",
        ),
    )
    .family()
)
