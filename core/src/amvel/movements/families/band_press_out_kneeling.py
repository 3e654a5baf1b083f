"""Band press-out, kneeling: the feet cannot help."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.families.band_press_out_seated import TURNS
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import ANCHOR, BAND, THICK_PAD
from amvel.movements.positions import half_kneeling, kneeling
from amvel.movements.press_out import BAND_PULL, press_out
from amvel.movements.room_measures import FitId


def _wide(s: Setting, share: float) -> Frame:
    """Knees apart: the wider, the steadier."""
    frame = kneeling(s.body).free_(left_hip_abduction=0.1, right_hip_abduction=0.1)
    apart = share * 100 * s.body.stature_m
    return frame.aim(
        Aim("left.knee", "y", apart, origin="right.knee"),
        Aim("centre_of_mass", "y", apart / 2, origin="right.knee", weight=0.5),
    )


def _steady(s: Setting) -> list[Frame]:
    return press_out(_wide(s, 0.20), s.number("band_n"), 45 * s.body.stature_m)


def _narrow(s: Setting) -> list[Frame]:
    return press_out(_wide(s, 0.12), s.number("band_n"), 45 * s.body.stature_m)


def _half(s: Setting) -> list[Frame]:
    return press_out(half_kneeling(s.body), s.number("band_n"), 45 * s.body.stature_m)


FAMILY = (
    Ladder(
        "band_press_out_kneeling",
        "Band press-out, kneeling",
        "kneeling",
        "On the knees the hips must do what feet did.",
        fits=(FitId.BAND_ANCHOR,),
        replaces=("seated_twist", "curl_with_twist"),
        setup=(
            "Kneel on a thick pad, side on to the anchor, hips straight.",
            "Both hands hold the band at the breastbone.",
        ),
        cues=("buttocks set, ribs over the pelvis", "press slowly, come back slower"),
        faults=(TURNS, BACK_HOLLOWS, BREATH_HELD),
        felt="waist and buttocks",
        not_felt="knees, low back",
        breath=breath(exhale("to press"), back=inhale("to come back")),
        sides=True,
        view="front",
        parameters=(BAND_PULL,),
        props=(BAND, ANCHOR, THICK_PAD),
    )
    .rung(
        "knees_wide",
        "Knees wide",
        _steady,
        Dose(8, 2, 5.0),
        {"turning": 0.9, "hip_back": 0.3, "deep_control": 0.3},
        4,
        do=(
            "Kneel tall on wide knees, hands with the band at the breastbone.",
            "Breathe {out} and press the hands straight ahead; the band wants to turn you, and you do not turn.",
            "Breathe {in} and come back slower.",
        ),
    )
    .rung(
        "knees_narrow",
        "Knees narrower",
        _narrow,
        Dose(8, 2, 6.0),
        {"turning": 1.0, "hip_back": 0.3, "balance": 0.2},
        5,
        do=(
            "Kneel tall, knees close together: a smaller base.",
            "Breathe {out} and press straight ahead, buttocks set.",
            "Breathe {in} and come back without a sway.",
        ),
    )
    .rung(
        "half_kneeling",
        "Half kneeling",
        _half,
        Dose(8, 2, 6.0),
        {"turning": 1.0, "hip_back": 0.4, "balance": 0.5, "hip_out": 0.3},
        5,
        setup=(
            "One knee on a thick pad, the other foot flat ahead, side on to the anchor, hips square.",
            "Both hands hold the band at the breastbone.",
        ),
        more_faults=(Fault("front_foot_rolls", "front foot rolls", "the front foot tips to its edge as the hands go out", "the base carries what the trunk should", "foot a little wider; press half-way"),),
        do=(
            "One knee on the pad, the other foot ahead; hips square.",
            "Breathe {out} and press straight ahead; the front foot stays quiet.",
            "Breathe {in}, come back, and later change the leg.",
        ),
    )
    .family()
)
