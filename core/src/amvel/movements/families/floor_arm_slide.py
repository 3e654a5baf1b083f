"""Upper back lying: elbows press the floor, then the arms slide along it overhead."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BREATH_HELD, RIBS_FLARE, SHOULDER_CLIMBS
from amvel.movements.frames import Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.positions import both
from amvel.movements.promise import joint

_ELBOWS = ("left.elbow_tip", "right.elbow_tip")


def _press(s: Setting) -> list[Frame]:
    """Upper arms out, elbows bent, backs of the elbows on the floor: they carry part of the chest."""
    arms = both(shoulder_flexion=-6.0, shoulder_abduction=48.0, elbow_flexion=88.0, forearm_pronation=0.0)
    start = supine_crook(s.body).with_("elbows on the floor", **arms).free_(**both(shoulder_flexion=0.2))
    start = start.touch(*(Touch(elbow, "floor", strategy="rests") for elbow in _ELBOWS))
    return [start, start.bear(*_ELBOWS).with_("elbows pressing", **both(scapula_protraction=-14.0))]


def _slide(s: Setting) -> list[Frame]:
    """The backs of the hands slide along the floor as far as the ribs stay."""
    near = both(shoulder_flexion=-10.0, shoulder_abduction=30.0, elbow_flexion=12.0, forearm_pronation=-40.0)
    elbows = (Touch(elbow, "floor", strategy="rests") for elbow in _ELBOWS)
    start = supine_crook(s.body).with_("arms by the side", **near).free_(**both(shoulder_flexion=0.2)).touch(*elbows)
    return [
        start,
        start.lift(*_ELBOWS).with_(
            "arms slid up", **both(shoulder_abduction=s.number("arm_deg"), shoulder_flexion=-4.0)
        ),
    ]


_ARM = Parameter("arm_deg", "how far the arms slide", "deg", 95, low=50, high=120, grid=5, easier="down", shows=joint("left.shoulder.abduction"))
FAMILY = (
    Ladder(
        "floor_arm_slide",
        "Elbow press and arm slide",
        "on the back",
        "The upper back straightens against the floor; the low back has nothing to do.",
        setup=("Lie on your back, knees bent, head padded as high as the back needs.",),
        cues=("shoulder blades wide and down", "breastbone opens, ribs stay heavy"),
        faults=(RIBS_FLARE, SHOULDER_CLIMBS, BREATH_HELD),
        felt="between the shoulder blades, the front of the chest opening",
        not_felt="the low back, tingling in the arms",
        breath=breath(exhale("to press or slide"), back=inhale("to let go")),
        arrow="left.elbow",
    )
    .rung(
        "elbows_press", "Elbows press", _press, Dose(6, 2, 6.0, hold_s=3), {"upper_back": 0.6, "breath": 0.2}, 1,
        do=(
            "Elbows bent beside you, hands to the ceiling, head on its pad.",
            "Breathe {out} and press both elbows lightly into the floor until the breastbone opens; hold for three seconds without lifting the ribs.",
            "Let go on the breath {in}.",
        ),
    )
    .rung(
        "arms_slide",
        "Arms slide along the floor",
        _slide,
        Dose(6, 2, 7.0),
        {"upper_back": 0.6, "resist_extension": 0.2},
        2,
        parameters=(_ARM,),
        view="top",
        arrow="left.fingertips",
        more_faults=(Fault("elbow_leaves_the_floor", "elbow leaves the floor", "an elbow comes off the floor on the way up", "chest or shoulder has reached its end", "slide only as far as both elbows stay down"),),
        do=(
            "Arms beside you, elbows bent, backs of the arms on the floor.",
            "Breathe {out} and slide both arms up along the floor, only as far as ribs and elbows stay down.",
            "Slide them back as slowly.",
        ),
    )
    .family()
)
