"""Pelvic tilt clock: tuck and tilt to find the middle."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, RIBS_FLARE
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.promise import TRUNK_BEND
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong


def _start(s: Setting) -> Frame:
    return supine_crook(s.body)


def rocked(start: Frame, by_deg: float, arched: str, middle: str, tucked: str) -> list[Frame]:
    """The pelvis rolls from a little arched through the middle to tucked, each by its name."""
    return [start.with_(arched, lumbar_flexion=-0.6 * by_deg), start.with_(middle), start.with_(tucked, lumbar_flexion=by_deg)]


def _tilt(s: Setting) -> list[Frame]:
    return rocked(_start(s), s.number("tilt_deg"), "arched a little", "in the middle", "tucked")


def _held(s: Setting) -> list[Frame]:
    start = _start(s)
    return [start, start.with_("tuck held", lumbar_flexion=s.number("tilt_deg"))]


_BY = Parameter("tilt_deg", "how far the pelvis rocks", "deg", 8, low=3, high=14, grid=1, easier="down", shows=TRUNK_BEND)
FAMILY = (
    Ladder(
        "pelvic_tilt_clock",
        "Pelvic tilt clock",
        "on the back",
        "The pelvis rocks between tuck and arch, and the middle is found.",
        part=SessionPart.SETTLES,
        setup=(
            "Lie on your back, knees bent, feet flat.",
            "Heels of the hands on the hip bones, fingertips on the pubic bone.",
        ),
        cues=("the belly does it, the heels do not push", "rest where hip bones and pubic bone lie level"),
        faults=(
            Fault(
                "heels_push",
                "heels push",
                "the thighs tighten and the heels drag",
                "legs do the work of the belly",
                "feet light as if on thin ice",
            ),
            Fault(
                "buttocks_clench",
                "buttocks clench",
                "the seat gets hard",
                "the tuck comes from behind",
                "let the buttocks be soft, belly only",
                Wrong({"lumbar.flexion": 14}),
            ),
            RIBS_FLARE, BREATH_HELD,
        ),
        felt="low in the belly",
        not_felt="the low back pinching, buttocks, thighs",
        breath=breath(exhale("to tuck"), back=inhale("to let go")),
        parameters=(_BY,),
        arrow="belly",
        view="side",
    )
    .rung("find_the_middle", "Find the middle", _tilt, Dose(5, 1, 8.0), {"deep_control": 0.5, "breath": 0.2}, 1,
        do=(
            "Heels of the hands on the hip bones, fingertips on the pubic bone.",
            "Breathe {out} and let the belly tip the pelvis a little towards you, then let it rock a little the other way; the heels do not push.",
            "Make the rocking smaller until hip bones and pubic bone lie level: stay there for a breath.",
        ),
    )
    .rung(
        "tuck_held",
        "Tuck held for two breaths",
        _held,
        Dose(5, 1, 10.0, hold_s=8),
        {"deep_control": 0.6, "resist_extension": 0.3},
        2,
        cues=("hold the tuck, let buttocks and shoulders go",),
        more_faults=(Fault("tuck_fades", "tuck fades", "the pubic bone sinks back before the breaths are over", "the belly tires or waits for the next breath out", "a smaller tuck, one breath less"),),
        do=(
            "From the middle breathe {out} and tip the pelvis a little towards you.",
            "Keep the small tuck for two or three breaths; buttocks and shoulders let go while the belly keeps it.",
            "Roll back to the middle on a breath {in}.",
        ),
    )
    .family()
)
