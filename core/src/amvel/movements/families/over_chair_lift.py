"""Over-chair upper-back lift: kneeling, belly over a cushioned seat, the upper back lengthens to level."""

from dataclasses import replace

from amvel.body import Anthropometry
from amvel.movements.back_shape import rounded_deg
from amvel.movements.breath import breath, breathe, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting, once
from amvel.movements.faults import BREATH_HELD, SHOULDER_CLIMBS
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.ladder import Ladder
from amvel.movements.needs import CUSHION, FIRM_CHAIR, THICK_PAD
from amvel.movements.positions import FACE_DOWN
from amvel.movements.promise import Shown, hip_bend, joint
from amvel.movements.room_measures import FitId, Measured
from amvel.movements.shown_angles import JointAngle
from amvel.movements.wrong import Wrong

_SIDES = ("left", "right")
_UPPER_SHARE = 0.62  # of the rounding of the back that hangs, above the middle of the chest (our estimate)
_FRAME_SHARE = 0.20  # the rail of the chair that the hands press, as a share of the seat height (our estimate)


@once
def _over(s: Setting) -> Frame:
    """Front of the pelvis and belly on the seat, knees on the floor, hands on the chair's rail."""
    seat = s.number("seat_cm")
    angles = {
        f"{x}.{k}": v
        for x in _SIDES
        for k, v in (
            ("hip.flexion", 78.0),
            ("knee.flexion", 84.0),
            ("ankle.dorsiflexion", -25.0),
            ("toes.extension", 30.0),
            ("shoulder.flexion", 84.0),
            ("elbow.flexion", 40.0),
            ("forearm.pronation", 40.0),
        )
    }
    give = {
        f"{x}.{k}": v
        for x in _SIDES
        for k, v in (
            ("hip.flexion", 0.1),
            ("knee.flexion", 0.1),
            ("ankle.dorsiflexion", 0.3),
            ("shoulder.flexion", 0.1),
            ("elbow.flexion", 0.1),
            ("wrist.extension", 0.2),
        )
    }
    surfaces = {
        "floor": Surface("floor", "level", 0.0, friction=0.6, title="floor or mat"),
        "knee pad": Surface("knee pad", "level", knee_pad_cm(s.body, seat), friction=0.6, title="pad under knees and feet"),
        "seat under the trunk": Surface(
            "seat under the trunk", "level", seat, friction=0.5, title="cushioned seat"
        ),
        "rail": Surface(
            "rail",
            "level",
            _FRAME_SHARE * seat,
            friction=0.5,
            stiffness_n_per_m=3.0e3,
            title="rail of the chair",
        ),
    }
    frame = Frame(
        "over the seat, upper back hanging", FACE_DOWN, (0, 0, seat + 9), angles, give, surfaces=surfaces
    )
    hang = s.number("hang_deg")
    frame = frame.with_(
        upper_thoracic_flexion=_UPPER_SHARE * hang, lower_thoracic_flexion=(1 - _UPPER_SHARE) * hang, neck_flexion=14.0
    )
    frame = frame.touch(
        *(Touch(f"{x}.hip_bone", "seat under the trunk") for x in _SIDES),
        Touch("belly", "seat under the trunk", gap_cm=-_pressed_in_cm(s.body)),
        *(Touch(f"{x}.{p}", "knee pad") for x in _SIDES for p in ("knee_front", "toe_tip")),
        *(Touch(f"{x}.knuckles", "rail") for x in _SIDES),
    )
    frame = frame.free_(lumbar_flexion=8.0)
    under = (Aim(f"{x}.wrist", "x", 5.0, origin=f"{x}.shoulder", must_hold=False, weight=0.5) for x in _SIDES)
    return frame.aim(Aim("left.hip", "x", 0.0, origin="right.hip", must_hold=False), *under).facts_(
        on_floor=True, hand_support_level=3
    )


_HIGHEST_SEAT_SHARE = 0.23  # of the stature, above the knees: higher, the pelvis hangs from the seat and rounds the low back (the model's own)


def knee_pad_cm(body: Anthropometry, seat_cm: float) -> float:
    """What has to go under knees and feet where the seat is high for this person; nothing on most chairs."""
    return max(0.0, seat_cm - 100 * _HIGHEST_SEAT_SHARE * body.stature_m)


def _pressed_in_cm(body: Anthropometry) -> float:
    """What a large belly gives when it is lain on, and the cushion fills under a hollow one: the hip bones still meet the seat."""
    return 7.2 * body.stature_m * (body.girth - 1.0)


def _level(frame: Frame, name: str) -> Frame:
    return frame.with_(name, upper_thoracic_flexion=-1.0, lower_thoracic_flexion=0.0, neck_flexion=-4.0)


def _lift(s: Setting) -> list[Frame]:
    return [_over(s), _level(_over(s), "upper back level")]


def _less_hand(s: Setting) -> list[Frame]:
    """Only the fingertips stay on the rail."""

    def light(frame: Frame) -> Frame:
        soft = Surface("rail", "level", frame.surfaces["rail"].at_cm, 0.4, 1.5e2, title="rail of the chair")
        frame = replace(frame, surfaces={**frame.surfaces, "rail": soft})
        return frame.lift("left.knuckles", "right.knuckles").touch(
            *(Touch(f"{x}.fingertips", "rail") for x in _SIDES)
        )

    return [light(_over(s)), light(_level(_over(s), "upper back level, fingertips"))]


def _elbow_deg(arm_deg: float) -> float:
    """An arm that points at the floor bends its elbow: a seat is lower than an arm is long.  One that reaches low ahead is
    soft in the elbow, so that the hand of a long arm is not on the floor (our choice)."""
    if _DOWN_DEG[0] < arm_deg < _DOWN_DEG[1]:
        return 100.0
    return 22.0 if _DOWN_DEG[1] <= arm_deg < _LOW_AHEAD_DEG else 6.0


_DOWN_DEG, _LOW_AHEAD_DEG = (35.0, 118.0), 145.0


def _reach(s: Setting) -> list[Frame]:
    """To level first; then one arm leaves the rail, low beside the body, and reaches."""
    start = _level(_over(s), "upper back level")
    off = (
        start.lift("left.knuckles")
        .unaim("left.wrist")
        .with_(
            "one arm reached low",
            left_shoulder_flexion=s.number("arm_deg"),
            left_elbow_flexion=_elbow_deg(s.number("arm_deg")),
            left_wrist_extension=0.0,
        )
    )
    return [_over(s), start, off]


def _leg_long(frame: Frame, side: str, name: str, hip_deg: float) -> Frame:
    off = frame.lift(f"{side}.knee_front", f"{side}.toe_tip")
    return off.with_(
        name,
        **{
            f"{side}_hip_flexion": hip_deg,
            f"{side}_knee_flexion": 6.0,
            f"{side}_ankle_dorsiflexion": -20.0,
            f"{side}_hip_abduction": 6.0,
        },
    )


def _one_leg(s: Setting) -> list[Frame]:
    start = _level(_over(s), "upper back level")
    return [_over(s), start, _leg_long(start, "left", "one leg long and low", s.number("leg_hip_deg"))]


def _both_legs(s: Setting) -> list[Frame]:
    """A little further onto the seat, so that it carries under the pubic bone as well."""
    further = _over(s).touch(Touch("pubis", "seat under the trunk", places=False))
    start = _level(further, "upper back level")
    one = _leg_long(start, "left", "one leg long and low", s.number("leg_hip_deg"))
    return [further, start, one, _leg_long(one, "right", "both legs long and low", s.number("leg_hip_deg"))]


_SEAT = Parameter("seat_cm", "height of seat and cushion", "cm", 42, low=36, high=52, grid=1, easier="down", measured=Measured.SEAT_AS_SUPPORT)
_HANG = Parameter("hang_deg", "how far the back hangs before it lengthens", "deg", 16, low=0, high=20, grid=2, easier="down", shows=Shown(((JointAngle("upper_thoracic.flexion"), JointAngle("lower_thoracic.flexion")),)))
_ARM = Parameter("arm_deg", "how far the arm reaches", "deg", lambda body: 130.0 + rounded_deg(body), low=10, high=160, grid=10, easier="down", shows=joint("left.shoulder.flexion"))
_LEG = Parameter("leg_hip_deg", "hip bend of the long leg", "deg", 4, low=0, high=40, grid=4, easier="up", shows=hip_bend())
FAMILY = (
    Ladder(
        "over_chair_lift",
        "Over-chair upper-back lift",
        "face down",
        "The seat carries pelvis and low back; its edge shows when the low back does the lifting.",
        fits=(FitId.OVER_CHAIR,),
        setup=(
            "Kneel on a pad before a firm chair against the wall, a cushion on the seat.",
            "Front of the pelvis at the seat’s edge, belly on the cushion, hands on the rail.",
        ),
        cues=("crown of the head away, not up", "upper back to level and no further", "legs a little apart"),
        faults=(
            Fault(
                "low_back_lifts",
                "low back lifts",
                "the belly leaves the seat’s edge",
                "the low back has taken over",
                "lift half as high", Wrong({"lumbar.flexion": -18}),
            ),
            Fault("neck_shortens", "neck shortens", "the eyes look ahead", "the neck does the lifting", "eyes on the floor", Wrong({"neck.flexion": -26, "head.nod": -10}, ("forehead",))),
            SHOULDER_CLIMBS,
            BREATH_HELD,
        ),
        felt="between the shoulder blades; buttocks with the legs",
        not_felt="the low back, the neck",
        breath=breath(exhale("to lengthen"), end=breathe("breathe on in the last hold")),
        props=(FIRM_CHAIR, CUSHION, THICK_PAD),
        arrow="breastbone",
        parameters=(_SEAT, _HANG),
    )
    .rung("hands_press", "Hands press", _lift, Dose(5, 2, 8.0), {"upper_back": 0.7}, 3,
        do=(
            "Pelvis at the seat’s edge, belly on the cushion, hands on the rail.",
            "Breathe {out}, press the hands and lengthen the upper back until it is level, the crown reaching away.",
            "Lower over a slow breath; hold the last one for a few breaths.",
        ),
    )
    .rung("less_hand", "Less hand", _less_hand, Dose(5, 2, 8.0), {"upper_back": 0.9}, 4,
        do=(
            "Press the hands and lengthen the upper back until it is level.",
            "Let the hands become light while the upper back keeps its place; the seat edge says when the low back takes over.",
            "Press the hands again, then lower.",
        ),
    )
    .rung(
        "arm_reached",
        "One arm reached",
        _reach,
        Dose(5, 2, 8.0),
        {"upper_back": 1.0, "turning": 0.4},
        5,
        sides=True,
        parameters=(_ARM, _SEAT, _HANG),
        breath=breath((inhale("to lengthen"), exhale("to reach")), back=inhale("to come back")),
        arrow="left.fingertips",
        more_faults=(Fault("turns_to_the_arm", "turns to the arm", "the chest opens towards the arm that reaches", "the other side of the back is late", "hand low beside you; both shoulders look at the floor", Wrong({"lower_thoracic.rotation": 12, "upper_thoracic.rotation": 8})),),
        do=(
            "Lengthen to level, both hands light.",
            "Breathe {out} and reach one arm low and ahead; with a sore shoulder keep it low by the side.",
            "Bring the hand back to the rail, then the other.",
        ),
    )
    .rung(
        "one_leg",
        "Alternate leg lift",
        _one_leg,
        Dose(5, 2, 8.0),
        {"upper_back": 0.7, "hip_back": 0.9, "turning": 0.4},
        5,
        sides=True,
        parameters=(_LEG, _SEAT, _HANG),
        breath=breath((inhale("to lengthen"), exhale("to lift")), back=inhale("to come back")),
        arrow="left.heel",
        do=(
            "Lengthen to level, hands on the rail.",
            "Breathe {out} and lift one leg low and long, from the buttock.",
            "Put the toes down, breathe {in}, and lift the other.",
        ),
    )
    .rung(
        "both_legs",
        "Both legs",
        _both_legs,
        Dose(4, 2, 9.0),
        {"upper_back": 0.7, "hip_back": 1.0},
        7,
        parameters=(_LEG, _SEAT, _HANG),
        breath=breath((inhale("to lengthen"), exhale("to lift")), back=inhale("to come back")),
        arrow="left.heel",
        more_faults=(Fault("legs_pass_level", "legs pass level", "the heels rise above the seat", "the low back lifts the legs", "level and no higher; buttocks first", Wrong({"left.hip.flexion": -16, "right.hip.flexion": -16, "lumbar.flexion": -12})),),
        do=(
            "Hands firm on the rail, legs a little apart, buttocks set; lengthen to level.",
            "Breathe {out} and lift both legs long until they are level, no higher.",
            "Lower both toes slowly.",
        ),
    )
    .family()
)
