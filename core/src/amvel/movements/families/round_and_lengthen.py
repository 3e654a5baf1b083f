"""Round and lengthen on hands and knees."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.arm_or_leg_slide import _HAND, RAISED, _base
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.promise import TRUNK_BEND
from amvel.movements.wrong import Wrong


def _round(s: Setting) -> list[Frame]:
    start, by = _base(s), s.number("round_deg")
    return [
        start,
        start.with_(
            "rounded a little",
            lumbar_flexion=0.45 * by,
            lower_thoracic_flexion=0.35 * by,
            upper_thoracic_flexion=0.2 * by,
        ),
    ]


def _by(default: float) -> Parameter:
    return Parameter(
        "round_deg", "how far the back rounds", "deg", default, low=5, high=45, grid=5, easier="down", shows=TRUNK_BEND)


FAMILY = (
    Ladder(
        "round_and_lengthen",
        "Round and lengthen",
        "hands and knees",
        "A small rounding on the breath out, length on the breath in; judged as a bend.",
        setup=("Hands under the shoulders, knees under the hips, tops of the feet pressing.",),
        cues=(
            "in: the upper back opens, the belly held",
            "out: pelvic floor, deep layer, then a small rounding",
        ),
        faults=(
            Fault(
                "sags_on_the_in_breath",
                "sags on the in-breath",
                "the belly drops and the back hollows",
                "the belly lets go",
                "length, not hollow", Wrong({"lumbar.flexion": -20}),
            ),
            SHOULDER_CLIMBS, BREATH_HELD,
        ),
        felt="between the shoulder blades, low belly",
        not_felt="pinching in the low back",
        breath=breath(inhale("to lengthen"), back=exhale("to round")),
        arrow="mid_back",
    )
    .rung(
        "small",
        "Small",
        _round,
        Dose(5, 1, 7.0),
        {"breath": 0.3, "deep_control": 0.4},
        2,
        parameters=(_by(15), _HAND, RAISED),
        do=(
            "Hands and knees, tops of the feet pressing.",
            "Breathe {in} and lengthen; breathe {out}: pelvic floor, deep layer, then the back rounds a little.",
            "Let it be long again on the next breath {in}, without a sag.",
        ),
    )
    .rung(
        "larger",
        "Larger",
        _round,
        Dose(5, 1, 8.0),
        {"breath": 0.3, "deep_control": 0.4},
        2,
        parameters=(_by(35), _HAND, RAISED),
        do=(
            "Hands and knees, tops of the feet or tucked toes pressing.",
            "Breathe {in} and open the upper back; breathe {out} and round as far as it feels free, tailbone first.",
            "Come back to a long back, bone by bone.",
        ),
    )
    .family()
)
