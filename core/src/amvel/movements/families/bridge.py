"""Bridge: the pelvis lifts as one piece with trunk and thighs."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD, PELVIS_DROPS, RIBS_FLARE
from amvel.movements.frames import Band, Frame, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.lying_positions import (
    BACK_OF_PELVIS,
    own_crook_hip_deg,
    own_heel_distance_cm,
    supine_crook,
)
from amvel.movements.needs import BAND, CUSHION
from amvel.movements.positions import both
from amvel.movements.promise import hip_bend
from amvel.movements.wrong import Wrong

# How much of the hip bend with which somebody lies is left at the top (our choice): for most people 30° and 15°.
_SMALL, _THREE_QUARTERS = 0.64, 0.32
_LEAST_LIFT_DEG = 3.0  # a hip that opens by less lifts nothing: such a bridge is none


def _up(s: Setting, name: str = "lifted") -> Frame:
    hip = min(s.number("hip_deg"), own_crook_hip_deg(s.body) - _LEAST_LIFT_DEG)
    frame = supine_crook(s.body, own_heel_distance_cm(s.body)).lift(*BACK_OF_PELVIS, "left.wrist", "right.wrist")
    frame = frame.bear("left.heel", "left.ball", "right.heel", "right.ball")
    lifted = frame.with_(name, **both(hip_flexion=hip, knee_flexion=95.0, shoulder_abduction=14.0))
    arms = lifted.touch(*(Touch(f"{x}.palm", "floor", strategy="rests") for x in ("left", "right")))
    give = both(knee_flexion=0.2, ankle_dorsiflexion=0.1, shoulder_flexion=0.1)
    return arms.free_(**give, neck_flexion=0.1, head_nod=0.1)


def _simple(s: Setting) -> list[Frame]:
    return [supine_crook(s.body), _up(s)]


def _cushion(s: Setting) -> list[Frame]:
    give = both(hip_abduction=0.1)
    return [f.between("cushion", "left.knee_inside", "right.knee_inside", 12).free_(**give) for f in _simple(s)]


def _band(s: Setting) -> list[Frame]:
    return [f.band(Band("left.knee", s.number("band_n"), to="right.knee")) for f in _simple(s)]


def _march(s: Setting) -> list[Frame]:
    up = _up(s)
    off = up.lift("left.heel", "left.ball").unaim("left.heel")
    return [up, off.with_("one foot off", left_hip_flexion=s.number("hip_deg") + 40.0, left_knee_flexion=95.0)]


def _level(s: Setting) -> list[Frame]:
    up = _up(s)
    off = up.lift("left.heel", "left.ball").unaim("left.heel")
    return [up, off.with_("one leg long", left_hip_flexion=s.number("hip_deg"), left_knee_flexion=6.0)]


_BAND = Parameter("band_n", "pull of the band", "N", 20, low=5, high=60, grid=5, easier="down")


def _hip(share: float) -> Parameter:
    return Parameter("hip_deg", "hip bend at the top", "deg", lambda body: share * own_crook_hip_deg(body), low=5, high=35, grid=5, easier="up", shows=hip_bend())


FAMILY = (
    Ladder(
        "bridge",
        "Bridge",
        "on the back",
        "The buttocks lift, the back stays one piece.",
        setup=("Lie on your back, knees bent, feet flat and hip-wide.", "Arms by the sides."),
        cues=("fold and unfold in the hips only", "knees reach over the toes", "lower as one piece"),
        faults=(
            RIBS_FLARE,
            BACK_HOLLOWS,
            PELVIS_DROPS,
            Fault("knees_fall_out", "knees fall out", "the knees drift apart", "the side of the hip sleeps", "knees hip-wide", Wrong({"left.hip.abduction": 16, "right.hip.abduction": 16})),
            BREATH_HELD,
        ),
        felt="the buttocks",
        not_felt="the low back, cramp at the back of the thigh",
        breath=breath(exhale("to lift"), end=inhale("at the top"), back=exhale("to lower")),
        arrow="pubis",
    )
    .rung(
        "small_lift",
        "Small lift",
        _simple,
        Dose(10, 2, 5.0),
        {"hip_back": 0.6, "leg_loading": 0.3, "resist_extension": 0.2},
        2,
        parameters=(_hip(_SMALL),),
        do=(
            "Arms by the sides, ribs heavy.",
            "Breathe {out}, press both heels down and lift the buttocks a hand’s breadth; the back stays one piece.",
            "Take a breath {in} there, then lower as one piece on the breath {out}.",
        ),
    )
    .rung(
        "three_quarters",
        "Three-quarter lift",
        _simple,
        Dose(10, 3, 6.0),
        {"hip_back": 0.8, "leg_loading": 0.4, "resist_extension": 0.3},
        3,
        parameters=(_hip(_THREE_QUARTERS),),
        do=(
            "Press both heels and set the buttocks first.",
            "Breathe {out} and lift until the thighs rise three quarters of the way, ribs staying down.",
            "Breathe {in} at the top, lower slowly on the breath {out}, and set again.",
        ),
    )
    .rung(
        "with_cushion",
        "Cushion between the knees",
        _cushion,
        Dose(10, 3, 6.0),
        {"hip_back": 0.8, "leg_loading": 0.4, "deep_control": 0.4},
        3,
        parameters=(_hip(_THREE_QUARTERS),),
        props=(CUSHION,),
        more_faults=(Fault("cushion_slips", "cushion slips", "the cushion drops, or is crushed", "the inner thighs let go, or do everything", "hold it just so that it stays"),),
        do=(
            "A cushion between the knees: hold it just so that it does not fall.",
            "Breathe {out}, drive through the heels and lift as one piece, the knees keeping their width.",
            "Breathe {in} at the top, lower on the breath {out}, and let the cushion go for a moment.",
        ),
    )
    .rung(
        "march",
        "Hold and march",
        _march,
        Dose(8, 2, 6.0),
        {"hip_back": 0.9, "turning": 0.7, "leg_loading": 0.5},
        5,
        sides=True,
        parameters=(_hip(_THREE_QUARTERS),),
        arrow="left.knee",
        more_faults=(Fault("other_hip_sinks_at_the_change", "other hip sinks at the change", "the pelvis drops as the weight goes from foot to foot", "the change is faster than the buttock", "both feet down for a breath between the two", Wrong({"lumbar.side_bend": -9, "lumbar.rotation": 8})),),
        do=(
            "Press both feet, lift the hips as one piece and stay up with the pelvis level.",
            "Breathe {out} and take one foot off by a hand’s breadth; the other hip does not drop. Put it down, breathe {in}, and lift the other.",
            "Lower as one piece when the pelvis begins to rock.",
        ),
    )
    .rung(
        "one_leg_level",
        "One leg level with the thigh",
        _level,
        Dose(10, 3, 6.0),
        {"hip_back": 1.0, "turning": 0.8, "leg_loading": 0.6},
        6,
        sides=True,
        parameters=(_hip(_THREE_QUARTERS),),
        arrow="left.heel",
        more_faults=(Fault("thighs_part", "thighs part", "the long leg sinks below the other thigh or kicks above it", "the hip that stands has no more to give", "bend the knee, find level again; then straighten", Wrong({"left.hip.flexion": -16})),),
        do=(
            "Lift with both feet first.",
            "Breathe {out} and straighten one knee until that thigh lies level with the other one; drive through the standing heel.",
            "Bend the knee, put the foot down, then lower.",
        ),
    )
    .rung(
        "band_round_thighs",
        "Band round the thighs",
        _band,
        Dose(10, 3, 6.0),
        {"hip_back": 0.8, "hip_out": 0.5, "leg_loading": 0.4},
        4,
        parameters=(_hip(_THREE_QUARTERS), _BAND),
        props=(BAND,),
        do=(
            "A band round the thighs; open the knees to hip width against it.",
            "Breathe {out} and lift three quarters of the way without letting the knees fall in.",
            "Lower slowly; the knees give way last.",
        ),
    )
    .family()
)
