"""Band press-out, standing."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Setting
from amvel.movements.families.band_press_out_seated import TURNS
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import ANCHOR, BAND, WORKTOP
from amvel.movements.positions import standing
from amvel.movements.press_out import BAND_PULL, press_out
from amvel.movements.room_measures import FitId


def _stand(s: Setting) -> Frame:
    """Feet wide enough to meet the pull."""
    wide = standing(s.body).free_(
        **{f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("hip_abduction", "ankle_inversion")}
    )
    return wide.aim(
        Aim("left.ankle", "y", 22.0 * s.body.stature_m, origin="right.ankle"),
        Aim("centre_of_mass", "y", 10.0 * s.body.stature_m, origin="right.ankle", weight=0.5),
    )


def _frames(s: Setting) -> list[Frame]:
    return press_out(_stand(s).facts_(hand_support_level=1), s.number("band_n"), 70 * s.body.stature_m)


FAMILY = (
    Ladder(
        "band_press_out_standing",
        "Band press-out, standing",
        "standing",
        "Resisting the turn on both feet.",
        fits=(FitId.BAND_ANCHOR,),
        replaces=("seated_twist",),
        setup=(
            "Stand side on to the anchor, feet wider than the hips, knees soft, a worktop within reach.",
            "Both hands hold the band at the breastbone.",
        ),
        cues=("both feet equally heavy", "breastbone, navel and nose look ahead"),
        faults=(TURNS, SHOULDER_CLIMBS, BREATH_HELD),
        felt="the waist, the side of both hips",
        not_felt="the low back, the neck",
        breath=breath(exhale("to press"), back=inhale("to come back")),
        sides=True,
        view="front",
        parameters=(BAND_PULL,),
        props=(BAND, ANCHOR, WORKTOP),
    )
    .rung("press", "Press out", _frames, Dose(8, 2, 5.0), {"turning": 0.9, "balance": 0.3, "hip_out": 0.2}, 4,
        do=(
            "Stand side on to the anchor, feet wide, knees soft.",
            "Breathe {out} and press straight ahead; both feet stay equally heavy.",
            "Breathe {in} and come back slower; then turn round for the other side.",
        ),
    )
    .rung(
        "hold",
        "Press out and hold",
        _frames,
        Dose(4, 2, 12.0, hold_s=8),
        {"turning": 1.0, "balance": 0.3, "hip_out": 0.2},
        5,
        cues=("hold, and breathe three times",),
        do=(
            "Stand side on to the anchor, feet wide, and press the band straight ahead from the breastbone.",
            "Stay with long arms for three breaths, knees soft.",
            "Come back on a breath {in}.",
        ),
    )
    .family()
)
