"""Band leg press: the substitute for curls under bone limits."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting, once
from amvel.movements.families.knee_fold import leg_folded, legs_brought_up
from amvel.movements.faults import BACK_ARCHES, BREATH_HELD
from amvel.movements.frames import Band, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.needs import BAND_ROUND_THE_FOOT
from amvel.movements.positions import both
from amvel.movements.promise import hip_bend
from amvel.movements.wrong import Wrong


def _held(s: Setting, frame: Frame) -> Frame:
    """The band runs from both hands round the heel: it pulls the leg towards the hands and the hands towards the leg."""
    half = s.number("band_n") / 2
    return frame.band(*(Band("left.heel", half, to=f"{x}.palm") for x in ("left", "right")))


@once
def _base(s: Setting) -> Frame:
    arms = both(shoulder_flexion=25.0, elbow_flexion=75.0, shoulder_abduction=8.0, forearm_pronation=0.0)
    return supine_crook(s.body).with_(**arms)


def _up(s: Setting, start: Frame) -> list[Frame]:
    """The legs come up one by one; then the band is laid round the heel."""
    return legs_brought_up(_base(s), _held(s, start))


def _press(s: Setting) -> list[Frame]:
    hip_deg = s.number("hip_deg")
    start = leg_folded(leg_folded(_base(s), "right", hip_deg), "left", hip_deg, name="both legs at square")
    away = leg_folded(start, "left", s.number("leg_hip_deg"), 12.0, "one leg pressed away")
    return [*_up(s, start), _held(s, away)]


def _scissor(s: Setting) -> list[Frame]:
    start = leg_folded(leg_folded(_base(s), "right", 70.0, 12.0), "left", 70.0, 12.0, "both legs long and up")
    away = leg_folded(start, "left", s.number("leg_hip_deg"), 10.0, "one leg lower")
    return [*_up(s, start), _held(s, away)]


def _to(default: float) -> Parameter:
    return Parameter(
        "leg_hip_deg", "hip bend when the leg is away", "deg", default, low=25, high=70, grid=5, easier="up", shows=hip_bend())


_HIP = Parameter("hip_deg", "hip bend at the start", "deg", 90, low=60, high=90, grid=5, easier="down", shows=hip_bend())
_BAND = Parameter("band_n", "pull of the band at the start", "N", 20, low=10, high=60, grid=5, easier="down")
FAMILY = (
    Ladder(
        "band_leg_press",
        "Band leg press",
        "on the back",
        "The leg presses against a band; the trunk keeps still without bending.",
        replaces=("curl_family", "sit_up"),
        setup=(
            "Lie on your back, a band or strap round one heel, an end in each hand.",
            "Elbows rest, upper arms down.",
        ),
        cues=("both hips equally settled", "press through the heel, come back slowly"),
        faults=(
            Fault(
                "hip_hitches",
                "hip hitches",
                "one hip bone slides up to the ribs",
                "the waist shortens instead of the leg lengthening",
                "long waist; a hand on the free sole gives contact", Wrong({"lumbar.side_bend": 14}),
            ),
            BACK_ARCHES,
            BREATH_HELD,
        ),
        felt="waist and belly, the pressing thigh",
        not_felt="the low back, the neck",
        breath=breath(inhale("to press"), back=exhale("to come back")),
        breath_custom=True,
        sides=True,
        arrow="left.heel",
        props=(BAND_ROUND_THE_FOOT,),
    )
    .rung(
        "press",
        "Press out",
        _press,
        Dose(8, 2, 6.0),
        {"resist_extension": 0.8, "turning": 0.6, "leg_loading": 0.5, "flexion_strength": 0.4},
        4,
        parameters=(_to(45), _HIP, _BAND),
        after=("knee_fold/single_fold",),
        do=(
            "Band round one heel, elbows on the floor, both hips equally settled.",
            "Breathe {in} and press through the heel until the leg is long; the hip on that side does not hitch.",
            "Breathe {out} and let the band bring the knee back, slowly.",
        ),
    )
    .rung(
        "scissor",
        "Both legs long",
        _scissor,
        Dose(8, 2, 6.0),
        {"resist_extension": 0.9, "turning": 0.7, "leg_loading": 0.5},
        6,
        parameters=(_to(45), _BAND),
        more_faults=(Fault("free_leg_sinks", "free leg sinks", "the leg without the band comes down as the other goes long", "one leg borrows from the other", "the free leg stays to the ceiling; press less far", Wrong({"right.hip.flexion": -24})),),
        do=(
            "Band round one heel, the other leg up as well.",
            "Breathe {in} and press the banded leg long while the other leg straightens upwards: two long legs, like open scissors.",
            "Breathe {out} and fold both knees back.",
        ),
    )
    .family()
)
