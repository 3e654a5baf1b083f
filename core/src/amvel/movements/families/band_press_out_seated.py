"""Band press-out, sitting."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import ANCHOR, BAND, FIRM_CHAIR
from amvel.movements.positions import sitting
from amvel.movements.press_out import BAND_PULL, press_out
from amvel.movements.room_measures import FitId
from amvel.movements.seats import SEAT
from amvel.movements.wrong import Wrong

TURNS = Fault(
    "turns_towards_the_band",
    "turns towards the band",
    "the breastbone follows the pull",
    "the belly gives way",
    "less band, hands nearer", Wrong({"lower_thoracic.rotation": 14, "upper_thoracic.rotation": 10}),
)


def _frames(s: Setting) -> list[Frame]:
    return press_out(sitting(s.body, s.number("seat_cm")), s.number("band_n"), s.number("seat_cm") + 40.0)


FAMILY = (
    Ladder(
        "band_press_out_seated",
        "Band press-out, sitting",
        "sitting",
        "The band wants to turn you, and you do not turn.",
        fits=(FitId.BAND_ANCHOR,),
        replaces=("seated_twist",),
        setup=("Sit tall, side on to the anchor, feet flat.", "Both hands hold the band at the breastbone."),
        cues=("breastbone, navel and nose look ahead", "press slowly, come back slower"),
        faults=(TURNS, SHOULDER_CLIMBS, BREATH_HELD),
        felt="the waist on both sides",
        not_felt="neck and shoulders",
        breath=breath(exhale("to press"), back=inhale("to come back")),
        sides=True,
        view="front",
        parameters=(BAND_PULL, SEAT),
        props=(FIRM_CHAIR, BAND, ANCHOR),
    )
    .rung("press", "Press out", _frames, Dose(8, 2, 5.0), {"turning": 0.8, "deep_control": 0.3}, 3,
        do=(
            "Sit side on to the anchor, hands with the band at the breastbone.",
            "Breathe {out} and press straight ahead; breastbone, navel and nose look ahead.",
            "Breathe {in} and come back slower; then turn the chair for the other side.",
        ),
    )
    .rung(
        "hold",
        "Press out and hold",
        _frames,
        Dose(4, 2, 12.0, hold_s=8),
        {"turning": 0.9, "deep_control": 0.3},
        4,
        cues=("hold, and breathe three times",),
        do=(
            "Sit side on to the anchor and press the band straight ahead from the breastbone.",
            "Stay with long arms for three breaths; the band pulls and you stay.",
            "Come back on a breath {in}.",
        ),
    )
    .family()
)
