"""How steady a pose is: the push it can take, and the grip it needs, over everything that its supports could give.

Unlike the reactions, which settle elastically, these ask what the supports *could* do: a pose stands as long as some
admissible set of contact forces balances it.  Whether there is one is a least-squares fit of forces that only press; the
largest push is a linear programme.  Handholds give no more than fingertips can.
"""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from amvel.body.pose import Contact, PoseSpec
from amvel.body.pushes import GRAVITY_M_S2
from amvel.body.skeleton import Array, Skeleton

FINGERTIP_N = 15.0  # what fingertips on a worktop hold without a grip: our estimate
MOST_N = 400.0
Rows = NDArray[np.int64]
_CONE_SIDES = 8
_ROUNDING = 1e-9
_PARTS = 2**7  # friction to 0.01: it is read with two decimals, and the end that holds is the answer
_BALANCED = 1e-8  # of body weight: so little is missing where something balances the pose
_TRIES = 30  # for each edge; three are enough as a rule
_TIPS = frozenset(f"{side}.fingertips" for side in ("left", "right"))
_PUSHES = {"forward": (1, 0, 0), "back": (-1, 0, 0), "left": (0, 1, 0), "right": (0, -1, 0)}


@dataclass(frozen=True)
class Steadiness:
    """Largest push at the chest in newtons and where it comes from, and the smallest friction that still holds."""

    push_n: float
    push_from: str
    friction_needed: float


def steadiness(skeleton: Skeleton, spec: PoseSpec, points: Array) -> Steadiness:
    """Of one placed pose: `points` are its landmarks (N×3, m).

    A pose that stands only because hands hold more than fingertips can, or a limb is carried by its own muscles, has
    no push to spare: 0 N, at the full friction of its surfaces.
    """
    supports = _Supports(skeleton, spec, points)
    if not supports.stands(1.0):
        return Steadiness(0.0, "any side", _full_friction(spec))
    pushes = {name: supports.largest_push(np.array(d, dtype=float)) for name, d in _PUSHES.items()}
    weakest = min(pushes, key=lambda name: pushes[name])
    return Steadiness(pushes[weakest], weakest, supports.friction_needed())


def friction_needed(skeleton: Skeleton, poses: Iterable[tuple[PoseSpec, Array]]) -> float:
    """The smallest friction with which all of these placed poses hold; see `steadiness`."""
    most = 0.0
    for spec, points in poses:
        supports = _Supports(skeleton, spec, points)
        if supports.holds_with(most):
            continue
        most = max(most, supports.friction_needed() if supports.stands(1.0) else _full_friction(spec))
    return most


def _full_friction(spec: PoseSpec) -> float:
    return max((c.friction for c in spec.contacts), default=0.0)


class _Supports:
    def __init__(self, skeleton: Skeleton, spec: PoseSpec, points: Array) -> None:
        self.index = skeleton.landmarks.index
        self.spec, self.points = spec, points
        mass = skeleton.mass_kg
        self.centre = (mass[:, None] * points[skeleton.com_rows]).sum(0) / mass.sum()
        self.weight = np.array([0.0, 0.0, -mass.sum() * GRAVITY_M_S2])
        self.chest = points[self.index["heart"]]
        corners = [self._corners(c) for c in spec.contacts if self._near(c)]
        self.at = np.array([p for group, _ in corners for p in group])
        self.contact = [c for group, c in corners for _ in group]
        self.friction = max((c.friction for c in self.contact), default=0.0)  # of the surface that gives most
        self.outside = self._external()
        if self.contact:
            self.edges = self._edges()

    def _near(self, contact: Contact) -> bool:
        return contact.plane_m is None or (
            float(np.array(contact.normal) @ self.points[self.index[contact.point]]) - contact.plane_m < 0.06
        )

    def _corners(self, contact: Contact) -> tuple[list[Array], Contact]:
        normal = np.array(contact.normal)
        along = np.array([1.0, 0, 0]) if abs(normal[0]) < 0.9 else np.array([0, 0, 1.0])
        across = np.cross(normal, along)
        at = self.points[self.index[contact.point]]
        a, b = contact.half_size_m
        return [at + x * a * along + y * b * across for x in (-1, 1) for y in (-1, 1)], contact

    def _external(self) -> tuple[Array, Array]:
        """Weight and outside loads: force and moment about the world's origin."""
        force, moment = self.weight.copy(), np.cross(self.centre, self.weight)
        for load in self.spec.loads:
            at = self.points[self.index[load.point]]
            pull = load.force_at(self.points, self.index)
            force, moment = force + pull, moment + np.cross(at, pull)
        return force, moment

    def _edges(self) -> tuple[Array, Array, Rows]:
        """Of every edge of the friction cones: the normal, the tangent at full friction (K×3), the row of `at` it belongs to."""
        normals, tangents = [], []
        turns = 2 * np.pi * np.arange(_CONE_SIDES) / _CONE_SIDES
        for c in self.contact:
            normal = np.array(c.normal)
            helper = np.array([1.0, 0, 0]) if abs(normal[0]) < 0.9 else np.array([0, 1.0, 0])
            t1 = np.cross(normal, helper)
            t1 /= np.linalg.norm(t1)
            round_ = np.cos(turns)[:, None] * t1 + np.sin(turns)[:, None] * np.cross(normal, t1)
            normals.append(np.tile(normal, (_CONE_SIDES, 1)))
            tangents.append(c.friction * round_)
        rows = np.repeat(np.arange(len(self.contact)), _CONE_SIDES)
        return np.concatenate(normals), np.concatenate(tangents), rows

    def _balance(self, share: float) -> tuple[Array, Array]:
        """What edges at this share of their friction, and what fingertips leave unused, have to add up to (A, b): six sums of
        forces (N) and moments (N·m), and one for each hand that holds with its fingertips."""
        normals, tangents, rows = self.edges
        rays = normals + share * tangents
        sums = np.concatenate([rays.T, np.cross(self.at[rows], rays).T])
        tips = sorted({c.point for c in self.contact} & _TIPS)
        caps = np.zeros((len(tips), len(rays)))
        for k, name in enumerate(tips):
            of_hand = np.array([c.point == name for c in self.contact])
            caps[k] = of_hand[rows]
        force, moment = self.outside
        unused = np.concatenate([np.zeros((6, len(tips))), np.eye(len(tips))])
        return np.concatenate([np.concatenate([sums, caps]), unused], axis=1), np.concatenate([-force, -moment, np.full(len(tips), FINGERTIP_N)])

    def stands(self, share: float) -> bool:
        """Whether something balances the pose at this share of every surface's friction."""
        if not self.contact:
            return False
        from scipy.optimize import nnls  # half a second to read, for processes that ask for no push

        parts, wanted = self._balance(share)
        try:
            _, missing = nnls(parts, wanted, maxiter=_TRIES * parts.shape[1])
        except RuntimeError:  # it came to no end: nothing shows that the pose stands
            return False
        return bool(missing < _BALANCED * np.linalg.norm(self.weight))

    def largest_push(self, direction: Array) -> float:
        """The largest push at the chest along this direction that something still balances (N)."""
        from scipy.optimize import linprog

        parts, wanted = self._balance(1.0)
        column = np.zeros((len(parts), 1))
        column[:6, 0] = *direction, *np.cross(self.chest, direction)
        cost = np.append(np.zeros(parts.shape[1]), -1.0)
        limits: list[tuple[float, float | None]] = [(0.0, None)] * parts.shape[1]
        found = linprog(cost, A_eq=np.concatenate([parts, column], axis=1), b_eq=wanted, bounds=[*limits, (0.0, MOST_N)], method="highs")
        return float(found.x[-1]) if found.status == 0 else 0.0

    def holds_with(self, friction: float) -> bool:
        """Whether it needs no more than this; looked at where `friction_needed` looks."""
        parts = min(_PARTS, int(friction / self.friction * _PARTS + _ROUNDING)) if self.friction else 0
        return parts > 0 and self.stands(parts / _PARTS)

    def friction_needed(self) -> float:
        """Bisection on a common share of every surface's friction."""
        low, high = 0, _PARTS
        if self.stands(1e-6):
            return 0.0
        while high - low > 1:
            middle = (low + high) // 2
            low, high = (low, middle) if self.stands(middle / _PARTS) else (middle, high)
        return high / _PARTS * self.friction
