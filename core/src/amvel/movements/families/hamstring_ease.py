"""Hamstring and figure-four ease."""

from amvel.movements.breath import steady
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.knee_fold import leg_folded
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Frame, Prop
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.needs import STRAP
from amvel.movements.positions import both
from amvel.movements.promise import hip_bend, joint
from amvel.movements.wrong import Wrong


def _base(s: Setting) -> Frame:
    arms = both(shoulder_flexion=35.0, elbow_flexion=45.0, shoulder_abduction=5.0, forearm_pronation=10.0)
    return (
        supine_crook(s.body)
        .with_(**arms)
        .hold(Prop("band", ("left.palm", "left.thigh_under", "right.palm"), 2))
    )


def _straighten(s: Setting) -> list[Frame]:
    start = leg_folded(_base(s), "left", 85.0, 95.0, "strap behind the thigh")
    return [start, leg_folded(start, "left", 85.0, s.number("knee_deg"), "knee a little straighter")]


def _pump(s: Setting) -> list[Frame]:
    long = leg_folded(_base(s), "left", 85.0, s.number("knee_deg"), "foot pointed").with_(
        left_ankle_dorsiflexion=-20.0
    )
    return [long, long.with_("foot drawn up", left_ankle_dorsiflexion=8.0)]


def _four(s: Setting) -> list[Frame]:
    start = supine_crook(s.body)
    over = leg_folded(start, "left", s.number("hip_deg"), 95.0, "ankle over the other knee")
    return [start, over.with_(left_hip_abduction=22.0, left_hip_rotation=-30.0)]


_KNEE = Parameter("knee_deg", "bend left in the knee", "deg", 45, low=15, high=85, grid=5, easier="up", shows=joint("left.knee.flexion"))
_HIP = Parameter("hip_deg", "hip bend of the upper leg", "deg", 70, low=55, high=85, grid=5, easier="down", shows=hip_bend())
FAMILY = (
    Ladder(
        "hamstring_ease",
        "Hamstring and figure-four ease",
        "on the back",
        "Length for the back of the thigh and the buttock while the sacrum stays down.",
        setup=("Lie on your back, knees bent.",),
        cues=("the sacrum stays heavy", "stop before the pull, then breathe"),
        faults=(
            Fault(
                "pelvis_tucks",
                "pelvis tucks",
                "the tailbone lifts",
                "the leg has gone further than the hip lets it",
                "a little less", Wrong({"lumbar.flexion": 16}),
            ),
            SHOULDER_CLIMBS, BREATH_HELD,
        ),
        felt="the back of the thigh or the buttock",
        not_felt="tingling, pain behind the knee",
        breath=steady("quiet breath, longer out"),
        sides=True,
    )
    .rung(
        "strap",
        "Strap behind the thigh",
        _straighten,
        Dose(5, 1, 8.0),
        {"hip_bend": 0.4},
        2,
        parameters=(_KNEE,),
        props=(STRAP,),
        arrow="left.heel",
        do=(
            "Fold one knee over the hip and lay a strap or towel behind the thigh, an end in each hand.",
            "Straighten the knee slowly until the back of the thigh begins to pull, stop just before it, and take one long breath {out} there.",
            "Bend the knee again; the sacrum has stayed heavy.",
        ),
    )
    .rung(
        "ankle_pump",
        "Draw up and point the foot",
        _pump,
        Dose(5, 1, 6.0),
        {"hip_bend": 0.3, "foot": 0.3},
        2,
        parameters=(_KNEE,),
        props=(STRAP,),
        arrow="left.toe_tip",
        more_faults=(Fault("knee_gives", "knee gives", "the knee bends as the foot draws up", "the calf takes its slack from the back of the thigh", "a little less straight with the knee, and keep that"),),
        do=(
            "The thigh in the strap, the knee as straight as it went without a pull.",
            "Draw the foot up towards you, then point it; the knee keeps its angle.",
            "Let the knee bend and rest before the next round.",
        ),
    )
    .rung(
        "figure_four",
        "Figure four",
        _four,
        Dose(3, 1, 12.0, hold_s=10),
        {"hip_out": 0.2},
        2,
        parameters=(_HIP,),
        arrow="left.knee",
        view="side",
        more_faults=(Fault("sacrum_rolls", "sacrum rolls", "one side of the sacrum leaves the floor", "the leg pulls the pelvis after it", "let the knee hang less far; a cushion under it", Wrong({"lumbar.rotation": 12})),),
        do=(
            "One foot flat; lay the other ankle across that knee and let its own knee lean out.",
            "Breathe {out} long and let the weight of the leg open the hip; the sacrum stays down, no hand pushes.",
            "Lift the ankle off with your hand and put the foot down before you change sides.",
        ),
    )
    .family()
)
