"""How steady a pose is: the push it can take, and the grip it needs, by linear programmes over its supports.

Unlike the reactions, which settle elastically, these ask what the supports *could* do: a pose stands as long as some
admissible set of contact forces balances it.  Handholds give no more than fingertips can.
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

    def _solve(self, share: float, push: Array | None) -> float | None:
        """The largest push along a direction (0 when none is asked), or None when nothing balances the pose."""
        if not self.contact:
            return None
        from scipy.optimize import linprog  # half a second to read, for processes that ask for no push

        normals, tangents, rows = self.edges
        rays = normals + share * tangents
        force, moment = self.outside
        equal = np.concatenate([rays.T, np.cross(self.at[rows], rays).T])
        cost = np.zeros(len(rays))
        if push is not None:
            column = np.concatenate([push, np.cross(self.chest, push)])[:, None]
            equal = np.concatenate([equal, column], axis=1)
            cost = np.append(cost, -1.0)
        limits: list[tuple[float, float | None]] = [(0.0, None)] * len(rays)
        if push is not None:
            limits.append((0.0, MOST_N))
        caps, most = self._caps(rows, equal.shape[1])
        found = linprog(
            cost,
            A_ub=caps if len(caps) else None,
            b_ub=most if len(caps) else None,
            A_eq=equal,
            b_eq=-np.concatenate([force, moment]),
            bounds=limits,
            method="highs",
        )
        if found.status != 0:
            return None
        return float(found.x[-1]) if push is not None else 0.0

    def _caps(self, rows: Rows, width: int) -> tuple[Array, Array]:
        """Fingertips together press no more than they can without a grip, each hand for itself."""
        tips = sorted({c.point for c in self.contact if c.point.endswith("fingertips")})
        caps = np.zeros((len(tips), width))
        for k, name in enumerate(tips):
            of_hand = np.array([c.point == name for c in self.contact])
            caps[k, : len(rows)] = of_hand[rows]
        return caps, np.full(len(tips), FINGERTIP_N)

    def stands(self, share: float) -> bool:
        return self._solve(share, None) is not None

    def largest_push(self, direction: Array) -> float:
        return self._solve(1.0, direction) or 0.0

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
