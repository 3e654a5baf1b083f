"""Sit to stand: from both legs with the hands to a staggered stand."""

from dataclasses import replace

from amvel.body import Anthropometry, but
from amvel.movements.back_shape import rounded_deg
from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step
from amvel.movements.faults import BREATH_HELD, KNEE_FALLS_IN, PELVIS_DROPS, TRUNK_ROUNDS
from amvel.movements.frames import Aim, Frame, Surface, Touch
from amvel.movements.heel_wedge import HEEL_WEDGE, on_heel_wedge, wedge_cm, wedge_deg
from amvel.movements.needs import ARM_REST_OR_WORKTOP, CHAIR_WITH_ARMS, FIRM_CHAIR, WORKTOP
from amvel.movements.positions import (
    both,
    flat_sole,
    hip_wide,
    sitting,
    standing,
    trunk_lean,
    weight_between_feet,
)
from amvel.movements.promise import LEAN, joint
from amvel.movements.rising import Ready, ready_to_rise
from amvel.movements.room_measures import FitId, Measured
from amvel.movements.seats import SEAT, own_seat_cm

_DROPS = Fault(
    "drops_into_the_seat",
    "drops into the seat",
    "the last part of sitting down is a fall",
    "the thighs let go",
    "touch the seat like an egg",
)
_ON_THE_REST = {"shoulder_abduction": 10.0, "wrist_extension": 40.0}
_ELBOWS_BEHIND = {"shoulder_flexion": -15.0, "elbow_flexion": 85.0}  # where arms on rests beside a leaning trunk begin
_HANDS_LEAN_CM, _HANDS_RISE_CM = 8.0, 2.5  # the hands carry what the feet do not: the weight may stay so far back
_HEEL_AND_BALL_CM = -2.0  # further back one foot has only its heel
_FIRMLY = 16.0  # where the weight is wanted: it wins over the lean, but a hip that ends before it does not open the contact


ARM_REST_CM = 20.0  # above the seat (common practice, no source)


def _arm_rest_cm(body: Anthropometry) -> float:
    return own_seat_cm(body) + ARM_REST_CM


# The room's arm rest or worktop: it cannot be moved, so the solver leaves it where it is.
_HAND = Parameter(
    "hand_cm", "height of what the hand presses on", "cm", _arm_rest_cm, low=50, high=120, grid=1, easier="", measured=Measured.HAND_REST
)
ARMS_AHEAD = Parameter("arms_deg", "arms reach ahead", "deg", lambda body: 95.0 + rounded_deg(body), low=35, high=140, grid=5, easier="down", shows=joint("right.shoulder.flexion"))


_AHEAD_DEG, _ON_RESTS_DEG = 95.0, -15.0  # elevation of arms that reach ahead, and of arms whose hands lie on rests


def _ready(s: Setting, short_cm: float = 0.0, arms_deg: float = _AHEAD_DEG) -> Ready:
    """Feet drawn back as for a free rise; hands that push let the weight stay `short_cm` behind, with the arms where they are."""
    body, seat_cm, tipped_deg = s.body, s.number("seat_cm"), wedge_deg(s.body, wedge_cm(s))
    free = ready_to_rise(body, s.capacities, seat_cm, _arms_deg(s), heels_tipped_deg=tipped_deg)
    if not short_cm:
        return free
    return ready_to_rise(body, s.capacities, seat_cm, _arms_deg(s, arms_deg), short_cm, tipped_deg, free.heel_back_cm)


def _arms_deg(s: Setting, arms_deg: float = _AHEAD_DEG) -> float:
    return s.number("arms_deg") if "arms_deg" in s.values else arms_deg


def _start(s: Setting) -> Frame:
    return on_heel_wedge(sitting(s.body, s.number("seat_cm"), heel_back_cm=_ready(s).heel_back_cm), wedge_cm(s))


def weight_over(over_cm: float) -> Aim:
    """The weight so far ahead of the ankles, or as near to it as the hips let it come."""
    return Aim("centre_of_mass", "x", over_cm, origin="right.ankle", weight=_FIRMLY, must_hold=False)


def _leaning(s: Setting, short_cm: float = 0.0, arms_deg: float = _AHEAD_DEG) -> Frame:
    """Weight over the feet as far as a comfortable lean brings it, the seat still there; the arms where this step has them."""
    arms, ready = _arms_deg(s, arms_deg), _ready(s, short_cm, arms_deg)
    frame = sitting(s.body, s.number("seat_cm"), heel_back_cm=ready.heel_back_cm, lean_deg=30.0)
    frame = on_heel_wedge(frame.unaim("com.upper_thorax"), wedge_cm(s))
    over = weight_over(ready.over_cm)
    return (
        frame.aim(over, weight_between_feet(s.body))
        .with_("leaning over the feet", **both(shoulder_flexion=arms, elbow_flexion=10.0))
        .facts_(seated=False)
    )


_LET_GO_CM = 12.0  # above the seat, where hands leave the rests: our choice
_SIT_BONES_STANDING = 48.0  # height of the sit bones in standing, cm per metre of stature


def _let_go_cm(s: Setting) -> float:
    """No more than half of the way that is left from a high seat."""
    return min(_LET_GO_CM, 0.5 * max(0.0, _SIT_BONES_STANDING * s.body.stature_m - s.number("seat_cm")))


def _off(leaning: Frame, above_cm: float = 0.0, name: str = "leaving the seat") -> Frame:
    """The same pose, the seat no longer carrying, or some way above it."""
    lifted = leaning.lift(*(f"{x}.{p}" for x in ("left", "right") for p in ("sit_bone", "thigh_under")))
    return lifted.touch(*(Touch(f"{x}.sit_bone", "seat", bears=False, gap_cm=above_cm) for x in ("left", "right"))).with_(
        name
    )


def _risen(s: Setting) -> Frame:
    # The seat stays right behind the knees: it counts as a support that hands hover over.
    stood = on_heel_wedge(standing(s.body), wedge_cm(s))
    return stood.with_("standing tall").facts_(rises=1, seated=False, hand_support_level=1)


def _two_legs(s: Setting) -> list[Frame]:
    leaning = _leaning(s)
    return [_start(s), leaning, _off(leaning), _risen(s)]


def risen_frames(s: Setting) -> list[Frame]:
    """Sitting, leaning, leaving the seat, standing: for tasks that begin with a rise."""
    return _two_legs(s)


def leaning_frames(s: Setting) -> list[Frame]:
    """Sitting, then leaning until the feet carry most of the weight; the seat stays there."""
    return [_start(s), _leaning(s, _HANDS_LEAN_CM).facts_(seated=True)]


def leaning_on_rests(s: Setting, on_the_way_cm: float) -> list[Frame]:
    """The same with the hands on arm rests, where they lie until so far short of the lean, then push."""
    leans = (_leaning(s, cm, _ON_RESTS_DEG).facts_(seated=True) for cm in (_HANDS_LEAN_CM + on_the_way_cm, _HANDS_LEAN_CM))
    return hands_on_rests(s, [_start(s), *leans])


def _with_hands(s: Setting) -> list[Frame]:
    frames = hands_on_rests(s, _pushed_up(s, _HANDS_LEAN_CM, _HANDS_RISE_CM, _ON_RESTS_DEG))
    return [*frames, _risen(s).facts_(hand_support_level=3)]


def _pushed_up(s: Setting, lean_short_cm: float, rise_short_cm: float, arms_deg: float) -> list[Frame]:
    """Up to where the hands let go: by then the weight is over the feet."""
    up = _off(_leaning(s, 0.0, arms_deg), _let_go_cm(s), "pushed up, the hands let go")
    leaning, leaving = _leaning(s, lean_short_cm, arms_deg), _off(_leaning(s, rise_short_cm, arms_deg))
    return [_start(s), leaning, leaving, up]


def _one_hand(s: Setting) -> list[Frame]:
    """The left hand pushes and steadies, the right arm hangs ahead at rest."""
    # A hand high up and ahead steadies but cannot lift: then the feet have to carry it all.
    high = min(1.0, max(0.0, s.number("hand_cm") - s.number("seat_cm") - ARM_REST_CM) / 15.0)
    lean_cm, rise_cm = ((1 - high) * x for x in (_HANDS_LEAN_CM, _HANDS_RISE_CM))
    leans = _pushed_up(s, lean_cm, rise_cm, _RESTING_ARM_DEG)
    plain = [f.with_(right_shoulder_flexion=_RESTING_ARM_DEG, right_elbow_flexion=20.0) for f in leans]
    frames = hands_on_rests(s, plain, ("left",), s.number("hand_cm"))
    return [*frames, _risen(s).facts_(hand_support_level=3)]


def hands_on_rests(
    s: Setting,
    plain: list[Frame],
    hands: tuple[str, ...] = ("left", "right"),
    height_cm: float | None = None,
    resting: int = 2,
    ahead_of_hip_cm: float = 16.0,
) -> list[Frame]:
    """The same frames with the palms on arm rests, or on something beside the seat at another height.

    In the first `resting` frames, sitting and leaning, they lie there; then they push.
    """
    at_cm = s.number("seat_cm") + ARM_REST_CM if height_cm is None else height_cm
    origin, ahead_cm = ("hip", ahead_of_hip_cm) if height_cm is None else ("knee", _ahead_of_knee_cm(s, at_cm))
    armrest = Surface("armrest", "level", at_cm, title="arm rest", friction=0.5)
    frames = []
    for i, frame in enumerate(plain):
        held = frame.touch(*(Touch(f"{x}.palm", "armrest", "rests" if i < resting else None) for x in hands))
        lies = _ON_THE_REST if height_cm is not None else {**_ON_THE_REST, **_ELBOWS_BEHIND}
        rested = {f"{x}_{j}": v for x in hands for j, v in lies.items()}
        held = held.with_(**rested).free_(
            **{f"{x}_{j}": 0.2 for x in hands for j in ("shoulder_flexion", "elbow_flexion")}
        )
        aims = (
            Aim(f"{x}.wrist", "x", ahead_cm, origin=f"{x}.{origin}", must_hold=False, weight=1.5) for x in hands
        )
        held = held.aim(*aims)
        frames.append(
            but(held, surfaces={**held.surfaces, "armrest": armrest}).facts_(
                hand_support_level=3
            )
        )
    return frames


def _ahead_of_knee_cm(s: Setting, at_cm: float) -> float:
    """Where the hand stays during the lean: behind the knee on an arm rest, ahead of it on a high worktop."""
    return min(20.0, -24.0 + 1.6 * max(0.0, at_cm - s.number("seat_cm") - ARM_REST_CM))


def _staggered(s: Setting) -> list[Frame]:
    ahead = s.number("stagger_cm")
    frames = []
    for frame in _two_legs(s):
        aims = (Aim("left.ankle", "x", ahead, origin="right.ankle"),)
        moved = frame.unaim("left.ankle").aim(*aims)
        over = [a for a in moved.aims if a.landmark == "centre_of_mass"]
        if over:
            moved = moved.unaim("centre_of_mass").aim(
                weight_over(min(_ready(s).over_cm, 0.0) + 0.25 * ahead),
                weight_between_feet(s.body)._replace(weight=2.0),  # a stiff ankle behind must not let it slip sideways
            )
        frames.append(moved)
    return frames


def _one_leg(s: Setting) -> list[Frame]:
    """The left foot is off the floor from the lean on; everything goes over the right one."""
    frames = []
    for i, frame in enumerate(_two_legs(s)):
        if i:
            moved = frame.unaim("centre_of_mass", "left.ankle").lift("left.heel", "left.ball")
            at = 4.0 if i == 3 else min(max(_ready(s).over_cm, _HEEL_AND_BALL_CM), 0.0)
            moved = moved.aim(
                Aim("centre_of_mass", "x", at, origin="right.ankle", weight=0.5),
                Aim("centre_of_mass", "y", 0.0, origin="right.ankle", weight=0.5),
                flat_sole("right"),
            ).free_(right_hip_abduction=0.1, right_ankle_inversion=0.1, right_hip_rotation=0.2)
            high = (
                {"left_hip_flexion": 42.0, "left_knee_flexion": 40.0} if i == 3 else {"left_knee_flexion": 55.0}
            )
            frames.append(moved.with_(**high, left_ankle_dorsiflexion=0.0))
        else:
            frames.append(frame)
    return frames


def _heel_ahead(s: Setting) -> list[Frame]:
    """The left heel far ahead: it touches, the right leg carries."""
    frames = []
    ahead = 11.0 * s.body.stature_m
    for frame in _two_legs(s):
        moved = (
            frame.unaim("left.ankle")
            .lift("left.ball")
            .aim(Aim("left.ankle", "x", ahead, origin="right.ankle"), hip_wide(s.body))
        )
        if any(a.landmark == "centre_of_mass" for a in moved.aims):
            moved = moved.unaim("centre_of_mass").aim(
                weight_over(min(_ready(s).over_cm, 0.0)),
                Aim("centre_of_mass", "y", 2.0, origin="right.heel", weight=0.5),
            )
            sides = {f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("hip_abduction", "ankle_inversion")}
            moved = moved.free_(**sides)
        moved = moved.with_(left_ankle_dorsiflexion=4.0).aim(
            Aim("left.hip", "x", 0.0, origin="right.hip", weight=0.3)
        )
        # With a leg that far ahead nobody sits back at once: the seat behind is no support for the hands.
        moved = moved.facts_(hand_support_level=0)
        if not frame.facts.seated and frame.facts.rises:  # the standing knee gives so that the long leg reaches
            moved = moved.with_(right_knee_flexion=18.0, right_hip_flexion=14.0, left_knee_flexion=6.0)
            frames.append(moved.free_(right_knee_flexion=0.2, **both(hip_flexion=0.1)))
        else:
            frames.append(moved.free_(**both(knee_flexion=0.2, hip_flexion=0.1)))
    return frames


def _leg_ahead(s: Setting) -> list[Frame]:
    """The left leg long ahead, its hip kept open: the arms push a nearly upright trunk up over the other foot."""
    ahead_cm, lean_deg = _LONG_LEG * s.body.stature_m, s.number("lean_deg")
    seated = sitting(s.body, s.number("seat_cm"), heel_back_cm=_UNDER_SEAT_CM, lean_deg=lean_deg).lift("left.thigh_under")
    lifted = seated.facts_(seated=False)
    sat = [seated, _off(lifted), _off(lifted, _let_go_cm(s), "pushed up on the arms")]
    long = standing(s.body).unaim("com.upper_thorax").aim(*trunk_lean(s.body, lean_deg, firm=False))  # low rests are leant down to
    long = long.with_("up on long arms, the leg still ahead", **both(knee_flexion=6.0)).facts_(rises=1)
    long = but(long, surfaces=seated.surfaces)  # the chair is still there
    frames = [*(_one_leg_long(f, ahead_cm) for f in sat), _one_leg_long(long, 0.5 * ahead_cm)]
    return [*hands_on_rests(s, frames, resting=1, ahead_of_hip_cm=_BESIDE_HIP_CM), _risen(s).facts_(hand_support_level=3)]


def _one_leg_long(frame: Frame, ahead_cm: float) -> Frame:
    moved = frame.unaim("left.ankle").aim(Aim("left.ankle", "x", ahead_cm, origin="right.ankle"))
    return moved.free_(**{f"{x}_{j}": 0.1 for x in ("left", "right") for j in ("hip_abduction", "ankle_inversion")})


def _high_seat_cm(body: Anthropometry) -> float:
    """A hand's breadth above the own seat: where one leg begins (common practice, no source)."""
    return own_seat_cm(body) + 10.0


_LONG_LEG, _UNDER_SEAT_CM = 18.0, 12.0  # cm ahead per metre of stature; the other heel behind its knee
_RESTING_ARM_DEG = 35.0  # an arm that hangs ahead while the other pushes
_BESIDE_HIP_CM = 6.0  # a push straight down under the shoulders: further ahead it would round the upper back
_LEAN = Parameter("lean_deg", "lean of the trunk", "deg", 15, low=5, high=30, grid=5, easier="down", shows=LEAN)
_STAGGER = Parameter("stagger_cm", "one foot ahead", "cm", 14, low=4, high=20, grid=2, easier="down")
_FAULTS = (TRUNK_ROUNDS, KNEE_FALLS_IN, _DROPS, BREATH_HELD)
_SETUP = (
    "Sit near the front edge of a firm chair without castors, a wall behind it.",
    "Feet flat, heels a little behind the knees.",
)
_BREATH = breath((inhale("to lean"), exhale("to rise")), back=exhale("to sit down"))
_EVERY = "every other day"

FAMILY = Family(
    "sit_to_stand",
    "Sit to stand",
    "sitting",
    "The most useful strength of all, and the way every rise is done: lean from the hips, then push the floor away.",
    (
        Step(
            "with_hands",
            "Two legs, with the hands",
            _with_hands,
            (*_SETUP, "Hands on the arm rests."),
            ("breastbone forward over the toes", "push with legs and hands together"),
            _FAULTS,
            "thighs and buttocks",
            "pinching at the front of the hips, the low back",
            _BREATH,
            Dose(6, 2, 6.0, note=_EVERY),
            {"sit_to_stand": 0.7, "leg_loading": 0.6, "position_change": 0.5},
            effort=4,
            parameters=(SEAT, HEEL_WEDGE),
            props=(CHAIR_WITH_ARMS,),
            shown=(0, 1, -1),
            do=(
                "Near the edge of the seat, heels back, hands on the arm rests.",
                "Breathe {in} and lean; breathe {out} and push with legs and hands until you stand.",
                "Stand for a breath, feel for the arm rests, and sit down slowly.",
            ),
        ),
        Step(
            "leg_ahead",
            "One leg ahead, both hands push",
            _leg_ahead,
            (
                "Sit near the front edge of a firm, high chair with arms, a wall behind it.",
                "The leg whose hip must not bend stands long ahead, the other foot under the edge of the seat.",
                "Hands on the arm rests.",
            ),
            (
                "trunk upright: push with both arms and the foot under you",
                "bring the long leg in once you stand; sit down the same way",
            ),
            _FAULTS,
            "arms, thigh and buttock of the leg under the seat",
            "pinching at the front of the hips, the low back, pulling in the shoulders",
            _BREATH,
            Dose(6, 2, 6.0, note=_EVERY),
            {"sit_to_stand": 0.6, "leg_loading": 0.5, "position_change": 0.5},
            effort=4,
            sides=True,
            side_says="the {side} leg ahead",
            parameters=(replace(SEAT, default=_high_seat_cm), _LEAN),
            props=(CHAIR_WITH_ARMS,),
            shown=(0, 3, -1),
            do=(
                "One leg long ahead, the other foot under the seat, hands on the arm rests.",
                "Trunk upright, breathe {out} and push up with both arms and the foot under you; bring the long leg in once you stand.",
                "Put the leg ahead again before you sit down.",
            ),
        ),
        Step(
            "one_hand",
            "Two legs, one hand",
            _one_hand,
            (
                *_SETUP,
                "One hand on the arm rest, or on a worktop ahead of you; the other arm rests.",
            ),
            ("breastbone forward over the toes", "both feet push alike, the hand only helps"),
            _FAULTS,
            "thighs and buttocks",
            "pinching at the front of the hips, the low back, pulling in the shoulder",
            _BREATH,
            Dose(6, 2, 6.0, note=_EVERY),
            {"sit_to_stand": 0.8, "leg_loading": 0.7, "position_change": 0.5},
            effort=5,
            sides=True,
            side_says="with the {side} hand",
            parameters=(SEAT, _HAND, HEEL_WEDGE),
            props=(FIRM_CHAIR, ARM_REST_OR_WORKTOP),
            shown=(0, 1, -1),
            do=(
                "One hand on the arm rest or worktop, the other arm at rest.",
                "Breathe {in} and lean; breathe {out} and rise with both feet pushing alike, the hand only helping.",
                "Sit down slowly, the same hand first.",
            ),
        ),
        Step(
            "two_legs",
            "Two legs",
            _two_legs,
            (*_SETUP, "Arms reach forward."),
            ("lean until the feet feel the weight, then rise", "sit back down slowly"),
            _FAULTS,
            "thighs and buttocks",
            "the low back",
            _BREATH,
            Dose(8, 2, 6.0, note=_EVERY),
            {"sit_to_stand": 1.0, "leg_loading": 0.8, "balance": 0.2, "position_change": 0.5},
            effort=5,
            parameters=(ARMS_AHEAD, SEAT, HEEL_WEDGE),
            props=(FIRM_CHAIR,),
            shown=(0, 1, -1),
            do=(
                "Near the edge of the seat, heels back, arms ahead.",
                "Breathe {in} and lean until the feet feel the weight; breathe {out} and rise without the hands.",
                "Touch the seat like an egg on the way down.",
            ),
        ).watching(Fault("swings_the_arms", "swings the arms", "the arms are thrown to get off the seat", "the legs lack the last part", "a higher seat, or one hand")),
        Step(
            "staggered",
            "One foot ahead",
            _staggered,
            (*_SETUP, "One foot a little ahead; the one behind carries more."),
            ("the back foot does the pushing", "hips and shoulders stay square"),
            _FAULTS,
            "thigh and buttock of the leg behind",
            "the low back, the knee",
            _BREATH,
            Dose(6, 2, 7.0, note=_EVERY),
            {"sit_to_stand": 1.0, "leg_loading": 1.0, "balance": 0.4, "position_change": 0.4},
            effort=6,
            sides=True,
            parameters=(_STAGGER, ARMS_AHEAD, SEAT, HEEL_WEDGE),
            props=(FIRM_CHAIR,),
            shown=(0, 1, -1),
            do=(
                "One foot a little ahead of the other.",
                "Breathe {in} and lean; breathe {out} and rise, the foot behind doing most.",
                "Sit down slowly; later change the feet.",
            ),
        ).watching(Fault("weight_goes_to_the_front_foot", "weight goes to the front foot", "the knee ahead works as hard as the other", "the foot behind is not under you", "the foot behind further back; the one ahead lighter")),
        Step(
            "heel_ahead",
            "One heel ahead, the other leg works",
            _heel_ahead,
            (*_SETUP, "One leg long ahead on its heel: it steadies and does not push."),
            ("the back foot does nearly all of it", "hips and shoulders stay square"),
            _FAULTS,
            "thigh and buttock of the leg behind",
            "the low back, the knee",
            _BREATH,
            Dose(6, 2, 7.0, note=_EVERY),
            {"sit_to_stand": 1.0, "leg_loading": 1.0, "balance": 0.5, "hip_out": 0.3},
            sides=True,
            effort=7,
            parameters=(replace(SEAT, default=_high_seat_cm),),
            props=(FIRM_CHAIR,),
            shown=(0, 1, -1),
            do=(
                "One leg long ahead, only its heel down.",
                "Breathe {in} and lean; breathe {out} and rise on the other foot, the heel just steadies.",
                "Sit down over the same foot, slowly.",
            ),
        ),
        Step(
            "one_leg",
            "One leg",
            _one_leg,
            (*_SETUP, "One foot off the floor, a worktop within reach in front."),
            ("thigh level, knee square at the start", "slow down as if onto an egg"),
            _FAULTS,
            "thigh and buttock of the standing leg",
            "the low back, the knee",
            _BREATH,
            Dose(6, 2, 8.0, note=_EVERY),
            {"sit_to_stand": 1.0, "leg_loading": 1.0, "balance": 0.8, "hip_out": 0.5},
            sides=True,
            effort=8,
            needs_unsupported_stand=True,
            parameters=(replace(SEAT, default=_high_seat_cm),),
            props=(FIRM_CHAIR, WORKTOP),
            shown=(0, 1, -1),
            do=(
                "One foot off the floor, a worktop within reach.",
                "Breathe {in} and lean; breathe {out} and rise on one leg, hips and shoulders square.",
                "Lower as if onto an egg, the other foot still off.",
            ),
        ).watching(PELVIS_DROPS),
    ),
    daily_task=True,
    fits=(FitId.RISING_SEAT,),
)
