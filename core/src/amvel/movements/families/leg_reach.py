"""Leg reach: from the fold, one leg reaches long and back; the belly says how far."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.knee_fold import leg_brought_up, leg_folded, legs_brought_up
from amvel.movements.faults import BACK_ARCHES, BELLY_DOMES, BREATH_HELD, PELVIS_ROCKS, THIGH_TAKES_OVER
from amvel.movements.feedback import FINGERTIPS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import supine_crook
from amvel.movements.needs import HOUSEHOLD_WEIGHT
from amvel.movements.positions import both
from amvel.movements.promise import hip_bend


def _one(s: Setting) -> list[Frame]:
    base = supine_crook(s.body)
    start = leg_folded(base, "left", 90.0, name="one leg folded")
    return [*leg_brought_up(base, start), leg_folded(start, "left", s.number("leg_hip_deg"), 8.0, "leg long")]


def _vertical(s: Setting) -> list[Frame]:
    arms = both(shoulder_flexion=90.0, shoulder_abduction=0.0, elbow_flexion=4.0, forearm_pronation=0.0)
    base = supine_crook(s.body).with_(**arms).between("weight", "left.palm", "right.palm", 10)
    base = base.free_(**both(shoulder_abduction=0.1))
    weight = s.number("weight_kg") * 9.81 / 2
    base = base.pull(*((f"{x}.palm", (0.0, 0.0, -weight)) for x in ("left", "right")))
    up = leg_folded(leg_folded(base, "left", 80.0, 15.0), "right", 80.0, 15.0, "both legs up")
    low = s.number("leg_hip_deg")
    return [*legs_brought_up(base, up), leg_folded(leg_folded(base, "left", low, 12.0), "right", low, 12.0, "both legs a little lower")]


def _to(default: float) -> Parameter:
    return Parameter(
        "leg_hip_deg", "hip bend when the leg is long", "deg", default, low=25, high=75, grid=5, easier="up", shows=hip_bend())


_WEIGHT = Parameter("weight_kg", "weight over the chest", "kg", 2, low=0.5, high=4, grid=0.5, easier="down")
FAMILY = (
    Ladder(
        "leg_reach",
        "Leg reach",
        "on the back",
        "The leg gets long; where the belly pushes up under the fingers is the limit to record.",
        setup=(
            "Lie on your back, one knee over the hip, the other foot flat.",
            "Fingertips on the belly wall.",
        ),
        cues=("reach through the heel, low only as long as the belly stays flat", "the tailbone stays down"),
        faults=(BELLY_DOMES, BACK_ARCHES, PELVIS_ROCKS, THIGH_TAKES_OVER, BREATH_HELD),
        felt="the whole belly, low",
        not_felt="the low back, the front of the hip",
        feedback=(FINGERTIPS,),
        breath=breath(exhale("to reach"), back=inhale("to come back")),
        arrow="left.heel",
    )
    .rung(
        "long_and_back",
        "Long and back",
        _one,
        Dose(5, 1, 7.0),
        {"resist_extension": 0.8, "deep_control": 0.6, "turning": 0.4},
        4,
        sides=True,
        after=("deep_abdominal_set/draw_on_breath_out", "knee_fold/single_fold"),
        parameters=(_to(55),),
        do=(
            "One knee over the hip, fingertips on the belly wall, deep set.",
            "Breathe {out} and reach the heel long and away, no lower than the belly stays flat under the fingers.",
            "Breathe {in} and fold the knee back; mark where the belly pushed up.",
        ),
    )
    .rung(
        "lower",
        "Lower",
        _one,
        Dose(5, 1, 8.0),
        {"resist_extension": 0.9, "deep_control": 0.6, "turning": 0.5},
        5,
        sides=True,
        parameters=(_to(35),),
        do=(
            "One knee over the hip, fingertips on the belly wall, deep set.",
            "Breathe {out} and reach the leg long and low; the tailbone stays down.",
            "Breathe {in} and come back; a lower way is the harder one.",
        ),
    )
    .rung(
        "both_from_vertical",
        "Both legs lower from above",
        _vertical,
        Dose(3, 2, 8.0),
        {"resist_extension": 1.0, "deep_control": 0.5},
        7,
        parameters=(_to(65), _WEIGHT),
        props=(HOUSEHOLD_WEIGHT,),
        setup=("Lie on your back, both legs up, knees a little bent.", "Hold the weight over the breastbone."),
        more_faults=(Fault("lowers_too_far", "lowers too far", "the belly wall lifts under the fingers before the legs turn round", "the way down has no end mark", "turn round a hand higher than it lifted"),),
        do=(
            "Both legs up, the weight over the breastbone, belly and buttocks set.",
            "Breathe {out} and lower both legs slowly from above, only as far as the belly stays flat.",
            "Breathe {in}, bend the knees a little and bring them back up.",
        ),
    )
    .family()
)
