"""Balanced lean back: the replacement for every roll on the back."""

import math

from amvel.movements.breath import breath, breathe, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS, TRUNK_ROUNDS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import FIRM_CHAIR
from amvel.movements.positions import both, sitting
from amvel.movements.promise import LEAN, joint
from amvel.movements.seats import SEAT
from amvel.movements.wrong import Wrong

_FORWARD = both(shoulder_flexion=80.0, elbow_flexion=10.0, shoulder_abduction=0.0)


def _leaned(s: Setting, name: str = "leaning back tall") -> Frame:
    lean = s.number("lean_deg")
    return (
        sitting(s.body, s.number("seat_cm"), lean_deg=-lean)
        .with_(name, **both(hip_flexion=85.0 - lean))
        .free_(**both(hip_flexion=0.3))
    )


def _back(s: Setting) -> list[Frame]:
    return [sitting(s.body, s.number("seat_cm")), _leaned(s)]


def _arms(s: Setting) -> list[Frame]:
    return [sitting(s.body, s.number("seat_cm")).with_(**_FORWARD), _leaned(s).with_(**_FORWARD)]


def _one_light(s: Setting) -> list[Frame]:
    back = _leaned(s).with_(**_FORWARD)
    light = back.lift("left.heel", "left.ball").unaim("left.ankle")
    return [
        back,
        light.with_("one foot light", left_hip_flexion=88.0 - s.number("lean_deg"), left_knee_flexion=88.0),
    ]


def _one_long(s: Setting) -> list[Frame]:
    back = _leaned(s).with_(**_FORWARD)
    off = back.lift("left.heel", "left.ball").unaim("left.ankle")
    return [
        back,
        off.with_("one leg long", left_hip_flexion=80.0 - s.number("lean_deg"), left_knee_flexion=25.0),
    ]


def _float(s: Setting, name: str, hip_deg: float, knee_deg: float) -> Frame:
    """Both feet off the floor: only the seat carries, thighs and sit bones."""
    off = _leaned(s).with_(**_FORWARD).lift("left.heel", "left.ball", "right.heel", "right.ball")
    off = off.unaim("left.ankle", "right.ankle")
    return off.with_(name, **both(hip_flexion=hip_deg - s.number("lean_deg"), knee_flexion=knee_deg))


_HEELS_BELOW_SEAT = 0.22  # of the stature: so far the heels hang under the seat with the shanks plumb (the model's own)
_CLEAR_CM = 2.0


def _light_knee_deg(s: Setting) -> float:
    """The bend of the knees with which both feet are light: where the seat is too low for shanks that hang, they go ahead."""
    lengths, lacking_cm = s.body.lengths_m, 100 * _HEELS_BELOW_SEAT * s.body.stature_m + _CLEAR_CM - s.number("seat_cm")
    below = 1.0 - max(0.0, lacking_cm / 100) / (lengths["shank"] + lengths["ankle_height"])
    return 88.0 - math.degrees(math.acos(below))


def _both_long(s: Setting) -> list[Frame]:
    return [_float(s, "feet light", 80.0, _light_knee_deg(s)), _float(s, "both legs long", 80.0, 25.0)]


def _open_close(s: Setting) -> list[Frame]:
    long = _float(s, "both legs long", 80.0, 25.0)
    return [long, long.with_("legs open", **both(hip_abduction=s.number("open_deg")))]


_OPEN = Parameter("open_deg", "each leg out", "deg", 12, low=4, high=20, grid=2, easier="down", shows=joint("left.hip.abduction"))


def _lean(default: float) -> Parameter:
    return Parameter("lean_deg", "how far you lean back", "deg", default, low=3, high=14, grid=1, easier="down", shows=LEAN.turned())


FAMILY = (
    Ladder(
        "balanced_lean_back",
        "Balanced lean back",
        "sitting",
        "Tall, from the hips, as one piece; the belly holds.",
        replaces=("rolling_back", "sit_up", "curl_family"),
        setup=(
            "Sit tall in the middle of a firm seat, feet flat.",
            "A wall or a back rest within reach behind you.",
        ),
        cues=("lean from the hips, breastbone up", "only as far as the back stays long"),
        faults=(
            TRUNK_ROUNDS,
            Fault("neck_juts", "neck juts", "the chin comes forward", "the neck helps", "long neck, eyes ahead", Wrong({"neck.flexion": 16, "head.nod": -22})),
            BREATH_HELD,
        ),
        felt="the belly from ribs to pubic bone",
        not_felt="the front of the hips, the low back",
        breath=breath(exhale("to lean"), end=breathe("breathe on while you hold"), back=inhale("to come up")),
        arrow="breastbone",
        props=(FIRM_CHAIR,),
    )
    .rung(
        "lean",
        "Lean and hold",
        _back,
        Dose(5, 2, 12.0, hold_s=10),
        {"resist_extension": 0.7, "deep_control": 0.4, "flexion_strength": 0.3},
        3,
        parameters=(_lean(8), SEAT),
        do=(
            "Sit tall in the middle of the seat, feet flat.",
            "Breathe {out} and lean back from the hips by a hand’s breadth, breastbone up; stay and breathe.",
            "Breathe {in} and come up as one piece.",
        ),
    )
    .rung(
        "arms_forward",
        "Arms forward",
        _arms,
        Dose(5, 2, 12.0, hold_s=10),
        {"resist_extension": 0.7, "deep_control": 0.4, "flexion_strength": 0.3},
        3,
        parameters=(_lean(8), SEAT),
        more_faults=(SHOULDER_CLIMBS,),
        do=(
            "Sit tall, arms long ahead.",
            "Breathe {out} and lean back as one piece; the arms stay level while you breathe.",
            "Come up, then lower the arms.",
        ),
    )
    .rung(
        "one_foot_light",
        "One foot light",
        _one_light,
        Dose(4, 2, 10.0, hold_s=6),
        {"resist_extension": 0.8, "turning": 0.5, "flexion_strength": 0.4},
        4,
        sides=True,
        parameters=(_lean(8), SEAT),
        arrow="left.heel",
        do=(
            "Lean back a little and stay.",
            "Breathe {out} and float one foot a finger’s breadth.",
            "Foot down, come up, rest; then the other.",
        ),
    )
    .rung(
        "one_leg_long",
        "One leg long",
        _one_long,
        Dose(4, 2, 10.0, hold_s=6),
        {"resist_extension": 0.9, "turning": 0.6, "flexion_strength": 0.5},
        5,
        sides=True,
        parameters=(_lean(6), SEAT),
        arrow="left.heel",
        more_faults=(Fault("shifts_to_one_sit_bone", "shifts to one sit bone", "the weight goes to the side that stays", "the trunk leans to make the leg lighter", "both sit bones heavy; the knee half as straight", Wrong({"lumbar.side_bend": -10})),),
        do=(
            "Lean back a little and stay.",
            "Breathe {out} and straighten one knee until the leg is long.",
            "Bend it, foot down, come up; then the other.",
        ),
    )
    .rung(
        "both_legs_long",
        "Both legs long",
        _both_long,
        Dose(3, 2, 9.0, hold_s=5),
        {"resist_extension": 1.0, "flexion_strength": 0.7},
        7,
        parameters=(_lean(6), SEAT),
        arrow="left.heel",
        do=(
            "Lean back a little, hands lightly beside you.",
            "Breathe {out} and straighten one knee after the other until both legs are long and off the floor.",
            "Bend both, feet down, come up.",
        ),
    )
    .rung(
        "open_and_close",
        "Both legs long, open and close",
        _open_close,
        Dose(4, 2, 8.0, hold_s=5),
        {"resist_extension": 1.0, "flexion_strength": 0.7, "hip_out": 0.4},
        7,
        parameters=(_lean(6), _OPEN, SEAT),
        arrow="left.heel",
        view="top",
        do=(
            "Lean back as one piece and lift both legs, long.",
            "Breathe {in} and open the legs, breathe {out} and close them, the trunk still.",
            "Bend both, feet down, come up.",
        ),
    )
    .family()
)
