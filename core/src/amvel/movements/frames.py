"""How a family says what it means: degrees, centimetres, left and right, and what touches what.

A Frame is declared once, for the left side, and mirrored.
"""

import math
from collections.abc import Callable, Iterable
from dataclasses import dataclass, field
from functools import cached_property, lru_cache
from typing import Any, NamedTuple, TypeVar

import numpy as np
from numpy.typing import NDArray

from amvel.body import MIRROR_SIGN, BandPull, FrameFacts, but, other_side
from amvel.body.pose import SHEAR_TO_NORMAL, Strategy

_ARM = frozenset(("shoulder.flexion", "shoulder.abduction", "shoulder.rotation", "elbow.flexion"))
Read = TypeVar("Read")
AXES = {"x": (1.0, 0.0, 0.0), "y": (0.0, 1.0, 0.0), "z": (0.0, 0.0, 1.0)}



_OUT_OF = {"level": (0.0, 0.0, 1.0), "wall": (-1.0, 0.0, 0.0), "back": (1.0, 0.0, 0.0)}


class Surface(NamedTuple):
    """Something to rest on: 'level' at a height, a 'wall' at a distance in front, a 'back' rest behind, or a 'slope' (cm).

    A slope rises by `tilt_deg` away from x, through the origin or `at_cm` above that.
    """

    name: str
    kind: str
    at_cm: float
    friction: float = 0.5
    stiffness_n_per_m: float = 2.0e4
    title: str = ""
    shear: float = SHEAR_TO_NORMAL  # stiffness along the surface against into it
    tilt_deg: float = 0.0

    @property
    def normal(self) -> tuple[float, float, float]:
        """The way out of it; raises KeyError for a kind that there is not."""
        if self.kind == "slope":
            tilt = math.radians(self.tilt_deg)
            return (math.sin(tilt), 0.0, math.cos(tilt))
        return _OUT_OF[self.kind]


class Touch(NamedTuple):
    """A landmark on a surface.

    `bears=False` only places it there (a hover, a guide); `places=False` only lets it carry, for soft
    parts that meet the surface wherever the others put them. `on` is another landmark of the body that it lies on (the
    surface is then a nominal one). `half_width_cm` is the half width of the patch where the
    surface is narrower than the body part (a roller).
    """

    landmark: str
    surface: str
    strategy: Strategy | None = None  # None: as its part does by itself
    bears: bool = True
    places: bool = True
    gap_cm: float = 0.0
    half_width_cm: float | None = None
    on: str | None = None


class Aim(NamedTuple):
    """A distance to be kept: of a landmark along an axis, from another landmark or from the world's origin."""

    landmark: str
    axis: str
    value_cm: float
    origin: str | None = None
    weight: float = 1.0
    must_hold: bool = True
    direction: tuple[float, float, float] | None = None

    @property
    def name(self) -> str:
        return _aim_name(self.landmark, self.axis, self.origin)


@lru_cache(maxsize=2048)
def _aim_name(landmark: str, axis: str, origin: str | None) -> str:
    return f"{landmark} {axis} from {origin or 'the ground'}"


class Band(NamedTuple):
    """A stretch band from a landmark to an anchor (cm) or to another landmark; `pull_n` is its pull at the start."""

    at: str
    pull_n: float
    to: str | None = None
    anchor_cm: tuple[float, float, float] | None = None

    def pulls(self) -> tuple[BandPull, ...]:
        """What the body feels: at one end, or at both when both are on the body."""
        if self.to is None:
            assert self.anchor_cm is not None
            x, y, z = self.anchor_cm
            return (BandPull(self.at, self.pull_n, (x / 100, y / 100, z / 100)),)
        return (BandPull(self.at, self.pull_n, to=self.to), BandPull(self.to, self.pull_n, to=self.at))


class Prop(NamedTuple):
    """Something held, worn or put between, as it is drawn: a ball between landmarks, a band along them, a bag under one."""

    kind: str
    at: tuple[str, ...]
    size_cm: float = 12.0
    anchor_cm: tuple[float, float, float] | None = None
    below: bool = False  # the body lies on it: its top is at the landmark
    pressed: bool = False  # held between two parts: they are as far apart as it is thick


PROPS = ("ball", "cushion", "band", "belt", "bag", "weight", "roller", "cloth")


@dataclass(frozen=True)
class Frame:
    """One moment of a movement, in anatomical words."""

    name: str
    root: NDArray[np.float64] = field(compare=False)
    root_at_cm: tuple[float, float, float] = (0.0, 0.0, 90.0)
    angles: dict[str, float] = field(default_factory=dict)
    free: dict[str, float] = field(default_factory=dict)
    touches: tuple[Touch, ...] = ()
    aims: tuple[Aim, ...] = ()
    loads: tuple[tuple[str, tuple[float, float, float]], ...] = ()
    bands: tuple[Band, ...] = ()
    surfaces: dict[str, Surface] = field(default_factory=dict)
    neutral: dict[str, float] = field(default_factory=dict)
    facts: FrameFacts = FrameFacts()
    props: tuple[Prop, ...] = ()

    @cached_property
    def looked_up(self) -> dict[type, Any]:
        """What is read off it once, by what it is."""
        return {}

    def read_once(self, kind: type[Read], read: "Callable[[Frame], Read]") -> Read:
        """What is read off it, by what it is: the first time by reading it."""
        found: Read | None = self.looked_up.get(kind)
        if found is None:
            found = self.looked_up[kind] = read(self)
        return found

    def hold(self, *props: Prop) -> "Frame":
        """Draw these props with the body."""
        return but(self, props=(*self.props, *props))

    def between(self, kind: str, left: str, right: str, size_cm: float, axis: str = "y") -> "Frame":
        """Press something of this thickness between two parts, the left one further along the axis than the right one."""
        held = self.hold(Prop(kind, (left, right), size_cm, pressed=True))
        return held.aim(Aim(left, axis, size_cm, origin=right))

    def pull(self, *loads: tuple[str, tuple[float, float, float]]) -> "Frame":
        """Forces from outside in newtons, at landmarks: a bag, a band, a strap."""
        return but(self, loads=(*self.loads, *loads))

    def band(self, *bands: Band) -> "Frame":
        """Stretch bands that pull more the longer they get; they are drawn where they run."""
        drawn = (Prop("band", (b.at,) if b.to is None else (b.at, b.to), 2, b.anchor_cm) for b in bands)
        return but(self, bands=(*self.bands, *bands), props=(*self.props, *drawn))

    def with_(self, name: str | None = None, /, **angles: float) -> "Frame":
        """Declare joint angles in degrees; 'left_hip_flexion' means 'left.hip.flexion'. Declared joints are no longer free."""
        named = {_dof(k): v for k, v in angles.items()}
        free = {k: v for k, v in self.free.items() if k not in named}
        own = {"name": name or self.name, "angles": {**self.angles, **named}, "free": free}
        gone = self._off_the_body(named)
        if not gone:
            return but(self, **own)
        touches = tuple(t for t in self.touches if not (t.on and t.landmark in gone))
        return but(self, **own, touches=touches, aims=tuple(a for a in self.aims if a.landmark not in gone))

    def _off_the_body(self, joints: Iterable[str]) -> set[str]:
        """The hands that leave the part of the body that they lay on, since these joints of their arms are declared."""
        lies_on = {t.landmark for t in self.touches if t.on}
        return lies_on and lies_on.intersection(map(_hand_of, joints))

    def free_(self, **stiffness: float) -> "Frame":
        """Let joints give, from easily (0.1) to hardly (30)."""
        return but(self, free={**self.free, **{_dof(k): v for k, v in stiffness.items()}})

    def touch(self, *touches: Touch) -> "Frame":
        return but(self, touches=(*self.touches, *touches))

    def lift(self, *landmarks: str) -> "Frame":
        """Take landmarks off whatever they touch."""
        return but(self, touches=tuple([t for t in self.touches if t.landmark not in landmarks]))

    def rest(self, *landmarks: str) -> "Frame":
        """These contacts carry their own limb and do not press."""
        return self._role("rests", landmarks)

    def bear(self, *landmarks: str) -> "Frame":
        """These contacts press with whatever the pose puts on them."""
        return self._role("bears", landmarks)

    def lean(self, *landmarks: str) -> "Frame":
        """These contacts carry the trunk that leans on them."""
        return self._role("leans", landmarks)

    def _role(self, strategy: Strategy, landmarks: tuple[str, ...]) -> "Frame":
        touches = tuple(t._replace(strategy=strategy) if t.landmark in landmarks else t for t in self.touches)
        return but(self, touches=touches)

    def aim(self, *aims: Aim) -> "Frame":
        wanted = {(a.landmark, a.axis, a.origin) for a in aims}
        return but(self, aims=(*[a for a in self.aims if (a.landmark, a.axis, a.origin) not in wanted], *aims))

    def unaim(self, *landmarks: str) -> "Frame":
        return but(self, aims=tuple([a for a in self.aims if a.landmark not in landmarks]))

    def facts_(self, **facts: Any) -> "Frame":
        return but(self, facts=but(self.facts, **facts))


@lru_cache(maxsize=256)
def _dof(name: str) -> str:
    parts = name.split("_")
    if parts[0] in ("left", "right"):
        return f"{parts[0]}.{parts[1]}.{'_'.join(parts[2:])}"
    joint = {"lower": "lower_thoracic", "upper": "upper_thoracic"}.get(parts[0], parts[0])
    rest = parts[2:] if parts[0] in ("lower", "upper") else parts[1:]
    return f"{joint}.{'_'.join(rest)}"


@lru_cache(maxsize=256)
def _hand_of(joint: str) -> str | None:
    """The hand that a joint of an arm moves."""
    side, _, name = joint.partition(".")
    return f"{side}.palm" if name in _ARM else None


def faced(frame: Frame, turn_deg: float) -> Frame:
    """The same frame facing elsewhere: turned to the left about the vertical.  Walls stay where they are."""
    a = math.radians(turn_deg)
    turn = np.array([[math.cos(a), -math.sin(a), 0.0], [math.sin(a), math.cos(a), 0.0], [0.0, 0.0, 1.0]])

    def turned(v: tuple[float, float, float]) -> tuple[float, float, float]:
        x, y, z = turn @ np.array(v)
        return float(x), float(y), float(z)

    return but(
        frame,
        root=turn @ frame.root,
        root_at_cm=turned(frame.root_at_cm),
        aims=tuple(a._replace(direction=turned(a.direction or AXES[a.axis])) for a in frame.aims),
        loads=tuple((p, turned(f)) for p, f in frame.loads),
        bands=tuple(b._replace(anchor_cm=turned(b.anchor_cm) if b.anchor_cm else None) for b in frame.bands),
    )




_MIRROR = np.outer([1.0, -1.0, 1.0], [1.0, -1.0, 1.0])
_OTHER_SIDE_DOWN = {"left": "right", "right": "left"}


def flip(v: tuple[float, float, float]) -> tuple[float, float, float]:
    """The same way, left and right exchanged."""
    return (v[0], -v[1], v[2])


@lru_cache(maxsize=8192)
def _mirrored_touch(t: Touch) -> Touch:
    on = other_side(t.on) if t.on else None
    return Touch(other_side(t.landmark), t.surface, t.strategy, t.bears, t.places, t.gap_cm, t.half_width_cm, on)


@lru_cache(maxsize=8192)
def _mirrored_aim(a: Aim) -> Aim:
    value_cm = -a.value_cm if a.axis == "y" and a.direction is None else a.value_cm
    return Aim(
        other_side(a.landmark),
        a.axis,
        value_cm,
        other_side(a.origin) if a.origin else None,
        a.weight,
        a.must_hold,
        flip(a.direction) if a.direction else None,
    )


def alike(a: Frame, b: Frame) -> bool:
    """Whether two frames ask for the same pose on the same things."""
    return a == b and np.array_equal(a.root, b.root)


def mirrored(frame: Frame) -> Frame:
    """The same frame for the other side."""
    facts = frame.facts
    return but(
        frame,
        root=_MIRROR * frame.root + 0.0,  # no zero keeps a sign
        root_at_cm=flip(frame.root_at_cm),
        angles={other_side(k): MIRROR_SIGN[k] * v for k, v in frame.angles.items()},
        free={other_side(k): v for k, v in frame.free.items()},
        neutral={k: MIRROR_SIGN[k] * v for k, v in frame.neutral.items()},
        touches=tuple(map(_mirrored_touch, frame.touches)),
        aims=tuple(map(_mirrored_aim, frame.aims)),
        loads=tuple((other_side(p), flip(f)) for p, f in frame.loads),
        bands=tuple(
            Band(
                other_side(b.at),
                b.pull_n,
                other_side(b.to) if b.to else None,
                flip(b.anchor_cm) if b.anchor_cm else None,
            )
            for b in frame.bands
        ),
        props=tuple(
            p._replace(at=tuple(other_side(a) for a in p.at), anchor_cm=flip(p.anchor_cm) if p.anchor_cm else None)
            for p in frame.props
        ),
        facts=but(facts, side_down=_OTHER_SIDE_DOWN[facts.side_down]) if facts.side_down in _OTHER_SIDE_DOWN else facts,
    )
