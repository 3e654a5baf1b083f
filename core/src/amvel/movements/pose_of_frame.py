"""A frame on one body, as the pose solver takes it: surfaces get their heights, and a hip asked beyond its range tucks the
pelvis instead.
"""

import math
from functools import lru_cache
from typing import NamedTuple

from amvel.body import JOINTS, Anthropometry, BandPull, Capacities, Contact, ExternalLoad, PoseSpec, Row
from amvel.body.capacities import TRUNK_SHARE
from amvel.body.pose import Strategy
from amvel.movements.frames import AXES, Aim, Frame, Surface, Touch

COUPLED_LUMBAR_STIFFNESS = 30.0
WISH_WEIGHT = 0.03  # an aim that need not hold must not pull a contact off its surface
_SIDES = ("left", "right")
_HIP_BENDS = frozenset(f"{s}.hip.flexion" for s in _SIDES)  # what they do not give, the pelvis does
# Joints of the limbs that end where they end, whatever is declared of them.
_HELD_OR_CUT = frozenset(name for name, _, _ in JOINTS if name.partition(".")[0] in _SIDES) - _HIP_BENDS
_SPINE_KINDS = ("flexion", "side_bend", "rotation")
_HALVINGS = 20

# Half lengths of the contact patch in cm (along, across), and the part whose load is reported.
_PATCH = {
    "occiput": (3, 3, "head"),
    "head_side_left": (3, 3, "head"),
    "head_side_right": (3, 3, "head"),
    "forehead": (2, 3, "head"),
    "upper_back": (7, 10, ""),
    "mid_back": (5, 9, ""),
    "sacrum": (5, 8, ""),
    "breastbone": (5, 8, ""),
    "hip_bone": (3, 3, ""),
    "pubis": (3, 3, ""),
    "belly": (5, 9, ""),
    "heel": (2, 2, "foot"),
    "ball": (2, 4, "foot"),
    "foot_outer": (4, 2, "foot"),
    "foot_inner": (4, 2, "foot"),
    "toe_under": (1, 4, "foot"),
    "instep": (4, 3, ""),
    "palm": (3, 4, "hand"),
    "knuckles": (2, 4, "hand"),
    "fingertips": (1, 2, "hand"),
    "forearm_side": (6, 2, "forearm"),
    "forearm_under": (6, 2, "forearm"),
    "elbow_tip": (2, 2, "forearm"),
    "knee_front": (3, 3, "knee"),
    "knee_side": (4, 3, ""),
    "knee_inside": (3, 3, ""),
    "sit_bone": (5, 4, "sit_bone"),
    "thigh_under": (8, 5, "sit_bone"),
    "calf_under": (8, 4, ""),
    "hip_side": (6, 6, ""),
    "shoulder_side": (4, 4, "shoulder"),
    "buttock": (4, 4, ""),
    "heel_back": (2, 2, ""),
    "toe_tip": (1, 3, ""),
    "elbow": (3, 3, "forearm"),
    "wrist": (3, 3, ""),
    "waist_back": (4, 8, ""),
    "shin": (4, 3, ""),
}



def compile_frame(frame: Frame, label: str, body: Anthropometry, capacities: Capacities) -> PoseSpec:
    """The frame for one body, in SI units, with the hip–lumbar coupling applied."""
    own = _Inside.of(frame)
    angles = _couple(_within(own, capacities), frame, capacities)
    free, neutral = dict(own.free), dict(own.neutral)
    for name in neutral if capacities.mobile else ():
        neutral[name] *= capacities.mobile.get(name.partition(".")[0], 1.0)
    for name, value in neutral.items():
        angles[name] = angles.get(name, 0.0) + value
    if body.measures.kyphosis_extra_rad:
        angles["upper_thoracic.flexion"] = (
            angles.get("upper_thoracic.flexion", 0.0) + body.measures.kyphosis_extra_rad
        )
        neutral["upper_thoracic.flexion"] = (
            neutral.get("upper_thoracic.flexion", 0.0) + body.measures.kyphosis_extra_rad
        )
    floor, ceiling = _fused_stops(capacities, angles, neutral, free)
    if own.coupled:
        floor["lumbar.flexion"] = angles.get("lumbar.flexion", 0.0)
    outside = _Outside.of(frame)
    x, y, z = frame.root_at_cm
    return PoseSpec(
        f"{label}, {frame.name}",
        frame.root,
        (x / 100, y / 100, z / 100),
        angles,
        free,
        outside.rows,
        outside.contacts,
        outside.loads,
        neutral,
        floor,
        ceiling,
        capacities.hamstring_rad(),
    )


class _Inside(NamedTuple):
    """What a frame declares of the joints (rad): the same for every body and whatever its ranges, and read off it once.

    `limbs` are those of a limb that are declared and held, `raised` the sides whose arm is held away from the body.
    """

    angles: dict[str, float]
    neutral: dict[str, float]
    free: dict[str, float]
    coupled: bool
    limbs: tuple[str, ...]
    raised: tuple[str, ...]

    @classmethod
    def of(cls, frame: Frame) -> "_Inside":
        return frame.read_once(cls, cls._read)

    @classmethod
    def _read(cls, frame: Frame) -> "_Inside":
        angles, free = frame.angles, dict(frame.free)
        # A hip at its stop tucks the pelvis; an arch that nobody declared would only be the solver's slack.
        coupled = "lumbar.flexion" not in free and not free.keys().isdisjoint(_HIP_BENDS)
        if coupled:
            free["lumbar.flexion"] = COUPLED_LUMBAR_STIFFNESS
        held = angles.keys() - frame.free.keys()
        return cls(
            {k: math.radians(v) for k, v in angles.items()},
            {k: math.radians(v) for k, v in frame.neutral.items()},
            free,
            coupled,
            tuple(held & _HELD_OR_CUT),
            tuple(side for side in _SIDES if f"{side}.shoulder.abduction" in held),
        )


class _Outside(NamedTuple):
    """What a frame has to do with the world: the same for every body and whatever its ranges, and read off it once."""

    rows: tuple[Row, ...]
    contacts: tuple[Contact, ...]
    loads: tuple[ExternalLoad | BandPull, ...]

    @classmethod
    def of(cls, frame: Frame) -> "_Outside":
        return frame.read_once(cls, cls._read)

    @classmethod
    def _read(cls, frame: Frame) -> "_Outside":
        surfaces = frame.surfaces
        met = [_met(t, surfaces[t.surface]) for t in frame.touches]
        return cls(
            (*[row for row, _ in met if row is not None], *map(_aim_row, frame.aims)),
            tuple([contact for _, contact in met if contact is not None]),
            (*(ExternalLoad(p, f) for p, f in frame.loads), *(pull for b in frame.bands for pull in b.pulls())),
        )


def _within(own: _Inside, capacities: Capacities) -> dict[str, float]:
    """Declared joints as far as they go.  A hip that ends early tucks the pelvis (`_couple`); whatever else ends early
    ends there, and what it was to reach is not reached."""
    stops, out = capacities.stops_rad(), dict(own.angles)
    for name in own.limbs:
        if name in stops:
            least, most = stops[name]
            out[name] = min(max(out[name], least), most)
    for side in own.raised:
        _lower_arm(out, side, stops[f"{side}.shoulder.flexion"][1])
    return out


def _lower_arm(angles: dict[str, float], side: str, most: float) -> None:
    """Bring an arm that is declared higher than it goes down the way that it came; its height is not one joint's alone."""
    names = (f"{side}.shoulder.flexion", f"{side}.shoulder.abduction")
    up = [angles.get(n, 0.0) for n in names]
    share = _share_that_goes(*up, most)
    if share < 1.0:
        for name, value in zip(names, up, strict=True):
            angles[name] = share * value


@lru_cache(maxsize=4096)
def _share_that_goes(flexion: float, abduction: float, most: float) -> float:
    """How far up its way an arm goes that may be raised no higher than this (rad); many frames hold it alike."""

    def raised(share: float) -> float:
        return math.acos(math.cos(share * flexion) * math.cos(share * abduction))

    if raised(1.0) <= most:
        return 1.0
    low, high = 0.0, 1.0
    for _ in range(_HALVINGS):
        middle = (low + high) / 2
        low, high = (middle, high) if raised(middle) <= most else (low, middle)
    return low


def _fused_stops(
    capacities: Capacities, angles: dict[str, float], neutral: dict[str, float], free: dict[str, float]
) -> tuple[dict[str, float], dict[str, float]]:
    """Parts of the spine with fused levels end where the rest of their levels ends: declared angles are cut to it, free ones
    get it as their floor and ceiling (rad); a part that is fused whole is held."""
    floor: dict[str, float] = {}
    ceiling: dict[str, float] = {}
    for kind in _SPINE_KINDS if capacities.mobile else ():
        _share_anew(capacities, angles, neutral, kind)
    for region, share in capacities.mobile.items():
        for name, (least, most) in capacities.region_rad(region).items():
            if name in free and share <= 0.0:
                del free[name]
            elif name in free:
                base = neutral.get(name, 0.0)
                floor[name], ceiling[name] = base + least, base + most
    return floor, ceiling


# The joints that share a bend or a turn of the trunk, by region.
_SHARING = {kind: tuple((r, f"{r}.{kind}") for r in TRUNK_SHARE["flexion"]) for kind in _SPINE_KINDS}


def _share_anew(capacities: Capacities, angles: dict[str, float], neutral: dict[str, float], kind: str) -> None:
    """What fused levels do not give of a declared bend or turn the others give, as far as they go."""
    lost = total = 0.0
    each = []
    for region, n in _SHARING[kind]:
        least, most = capacities.region_rad(region)[n]
        base = neutral.get(n, 0.0)
        wanted = angles.get(n, 0.0) - base
        given = min(max(wanted, least), most)
        lost += wanted - given
        each.append((n, base, given, least, most))
    for _, _, given, least, most in each:
        total += (most if lost > 0 else least) - given
    share = min(1.0, lost / total) if abs(total) > 1e-9 else 0.0
    for n, base, given, least, most in each:
        if n in angles or given or share:
            angles[n] = base + given + share * ((most if lost > 0 else least) - given)


def _couple(angles: dict[str, float], frame: Frame, capacities: Capacities) -> dict[str, float]:
    tuck = 0.0
    for side in ("left", "right"):
        hip = f"{side}.hip.flexion"
        if hip in frame.free or hip not in angles:
            continue
        stop = capacities.hip_stop_rad(side, angles.get(f"{side}.knee.flexion", 0.0))
        if angles[hip] > stop:
            tuck = max(tuck, angles[hip] - stop)
            angles[hip] = stop
    if tuck:
        angles["lumbar.flexion"] = angles.get("lumbar.flexion", 0.0) + tuck
    return angles


@lru_cache(maxsize=8192)
def _aim_row(aim: Aim) -> Row:
    weight = aim.weight * (1.0 if aim.must_hold else WISH_WEIGHT)
    return Row(aim.name, aim.landmark, aim.direction or AXES[aim.axis], aim.value_cm / 100, aim.origin, weight, aim.must_hold)


@lru_cache(maxsize=2048)
def _on(landmark: str, surface: str) -> str:
    return f"{landmark} on the {surface}"


@lru_cache(maxsize=8192)
def _met(touch: Touch, surface: Surface) -> tuple[Row | None, Contact | None]:
    """What places a touch, and what it carries."""
    return _touch_row(touch, surface) if touch.places else None, _contact(touch, surface) if touch.bears else None


def _touch_row(touch: Touch, surface: Surface) -> Row:
    if touch.on:
        return Row(f"{touch.landmark} on {touch.on}", touch.landmark, (0.0, 0.0, 1.0), touch.gap_cm / 100, touch.on)
    if surface.kind in ("level", "slope"):
        return Row(
            _on(touch.landmark, surface.name),
            touch.landmark,
            surface.normal,
            (surface.at_cm + touch.gap_cm) / 100,
        )
    away = touch.gap_cm if surface.kind == "back" else -touch.gap_cm
    return Row(
        _on(touch.landmark, surface.name),
        touch.landmark,
        (1.0, 0.0, 0.0),
        (surface.at_cm + away) / 100,
    )


# What a part does unless the step says otherwise: a head that lies on something carries itself and no more.
_BY_ITSELF: dict[str, Strategy] = {"head": "rests"}
_TRUNK = frozenset(("upper_back", "mid_back", "sacrum", "buttock", "waist_back", "breastbone", "belly", "occiput"))


class _Area(NamedTuple):
    """Of a landmark that touches: half lengths of its patch (m), the part whose load is reported, what it does by itself."""

    along_m: float
    across_m: float
    part: str
    by_itself: Strategy
    of_the_trunk: bool


@lru_cache(maxsize=256)
def _area(landmark: str) -> _Area:
    side, dot, base = landmark.partition(".")
    mark = base if dot else side
    half_a, half_b, part = _PATCH[mark]
    name = f"{side}.{part}" if dot and part else part
    return _Area(half_a / 100, half_b / 100, name, _BY_ITSELF.get(part, "bears"), mark in _TRUNK)


def _contact(touch: Touch, surface: Surface) -> Contact:
    area = _area(touch.landmark)
    across_m = area.across_m if touch.half_width_cm is None else min(area.across_m, touch.half_width_cm / 100)
    # A back at a wall leans; the wall does not hang it up by friction: what is above a level passes through it.
    friction = 0.0 if area.of_the_trunk and surface.kind in ("wall", "back") else surface.friction
    return Contact(
        touch.landmark,
        surface.name,
        surface.normal,
        (area.along_m, across_m),
        surface.stiffness_n_per_m,
        friction,
        touch.strategy or area.by_itself,
        area.part,
        None if touch.places else (-surface.at_cm if surface.kind == "wall" else surface.at_cm) / 100,
        touch.on,
        surface.shear,
    )
