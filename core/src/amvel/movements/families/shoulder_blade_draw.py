"""Shoulder-blade draw: seated, without and with a band."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, RIBS_FLARE, SHOULDER_CLIMBS
from amvel.movements.frames import Band, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import ANCHOR, BAND, FIRM_CHAIR
from amvel.movements.positions import both, sitting
from amvel.movements.seats import SEAT


def _draw(s: Setting) -> list[Frame]:
    start = sitting(s.body, s.number("seat_cm")).with_(**both(scapula_protraction=8.0))
    return [start, start.with_("shoulder blades together", **both(scapula_protraction=-14.0))]


def _row(s: Setting) -> list[Frame]:
    n = s.number("band_n")
    start = sitting(s.body, s.number("seat_cm"))
    anchor = (100 * _ANCHOR_SHARE * s.body.stature_m, 0.0, s.number("seat_cm") + 30.0)
    start = start.band(*(Band(f"{x}.palm", n, anchor_cm=anchor) for x in ("left", "right")))
    arms = both(shoulder_flexion=62.0, elbow_flexion=12.0, shoulder_abduction=0.0, forearm_pronation=10.0)
    near = both(
        shoulder_flexion=-4.0,
        elbow_flexion=92.0,
        shoulder_abduction=6.0,
        forearm_pronation=10.0,
        scapula_protraction=-12.0,
    )
    return [start.with_("arms long", **arms), start.with_("elbows back", **near)]


_ANCHOR_SHARE = 0.95  # of the stature ahead: far enough that the pull does not double on the way (our estimate)
_BAND = Parameter(
    "band_n", "pull of the band in each hand at the start", "N", 20, low=5, high=60, grid=5, easier="down"
)
FAMILY = (
    Ladder(
        "shoulder_blade_draw",
        "Shoulder-blade draw",
        "sitting",
        "The upper back works, ribs stay.",
        setup=("Sit tall on a firm seat, feet flat.",),
        cues=("shoulder blades slide together and down", "collar bones wide"),
        faults=(RIBS_FLARE, SHOULDER_CLIMBS, BREATH_HELD),
        felt="between the shoulder blades",
        not_felt="the neck, the low back",
        breath=breath(exhale("to draw"), back=inhale("to let go")),
        arrow="left.elbow",
    )
    .rung(
        "hands_on_thighs",
        "Hands on the thighs",
        _draw,
        Dose(10, 2, 5.0),
        {"upper_back": 0.6},
        1,
        parameters=(SEAT,),
        props=(FIRM_CHAIR,),
        do=(
            "Sit tall, hands on the thighs.",
            "Breathe {out} and let the shoulder blades slide together and down; the ribs stay.",
            "Breathe {in} and let them go wide.",
        ),
    )
    .rung(
        "band_row",
        "Band row",
        _row,
        Dose(10, 2, 5.0),
        {"upper_back": 0.9, "resist_extension": 0.2},
        3,
        parameters=(_BAND, SEAT),
        props=(FIRM_CHAIR, BAND, ANCHOR),
        do=(
            "Sit facing the anchor, an end of the band in each hand.",
            "Breathe {out} and draw the elbows back past the waist.",
            "Breathe {in} and let the band take the hands forward slowly.",
        ),
    )
    .family()
)
