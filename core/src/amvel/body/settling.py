"""How a body settles on elastic patches that cannot pull and slip beyond their friction cone: a damped Newton method."""

from typing import NamedTuple

import numpy as np

from amvel.body.cholesky import solve_in_place
from amvel.body.compiled import kernel
from amvel.body.tree import Array

LENGTH_M = 0.4  # scales rotation against translation
_MAX_ITERATIONS = 400
_BALANCED = 2e-6  # of body weight


class Problem(NamedTuple):
    """One pose's supports at P points: how a unit settling moves each (P×3×6, in its surface basis), and how stiff it is."""

    where: Array
    basis: Array
    wrench: Array
    root: Array
    cone: Array
    external: Array


@kernel
def _forces(p: Problem, twist: Array, force: Array, slope: Array) -> float:
    """Scaled forces P×3 and their derivative by the scaled trial force P×3×3; returns their energy."""
    energy = 0.0
    trial = np.empty(3)
    for n in range(len(p.root)):
        for i in range(3):
            move = 0.0
            for k in range(6):
                move += p.wrench[n, i, k] * twist[k]
            trial[i] = -p.root[n, i] * move
        for i in range(3):
            for k in range(3):
                slope[n, i, k] = 0.0
        a, cone = trial[0], p.cone[n]
        size = max(np.sqrt(trial[1] ** 2 + trial[2] ** 2), 1e-12)
        if size <= cone * a:
            for i in range(3):
                force[n, i] = trial[i]
                slope[n, i, i] = 1.0
        elif cone * size <= -a:
            force[n, 0] = force[n, 1] = force[n, 2] = 0.0
        else:
            share = 1 / (1 + cone * cone)
            reach = (a + cone * size) * share
            u, v = trial[1] / size, trial[2] / size
            force[n, 0], force[n, 1], force[n, 2] = reach, cone * reach * u, cone * reach * v
            slope[n, 0, 0] = share
            slope[n, 0, 1] = slope[n, 1, 0] = cone * share * u
            slope[n, 0, 2] = slope[n, 2, 0] = cone * share * v
            side, in_line = cone * reach / size, cone * cone * share
            slope[n, 1, 1] = in_line * u * u + side * (1 - u * u)
            slope[n, 2, 2] = in_line * v * v + side * (1 - v * v)
            slope[n, 1, 2] = slope[n, 2, 1] = (in_line - side) * u * v
        energy += 0.5 * (force[n, 0] ** 2 + force[n, 1] ** 2 + force[n, 2] ** 2)
    return energy


@kernel
def _left_over(p: Problem, force: Array, out: Array) -> float:
    """What outside loads and forces leave unbalanced (6); returns the largest of them."""
    out[:] = p.external
    for n in range(len(force)):
        for i in range(3):
            f = force[n, i] * p.root[n, i]
            if f != 0.0:
                for k in range(6):
                    out[k] += p.wrench[n, i, k] * f
    return np.abs(out).max()


@kernel
def _newton(p: Problem, slope: Array, gradient: Array, damping: float) -> Array:
    hessian = np.zeros((6, 6))
    for n in range(len(slope)):
        if slope[n, 0, 0] == 0.0:
            continue
        for i in range(3):
            for j in range(3):
                s = slope[n, i, j] * p.root[n, i] * p.root[n, j]
                if s == 0.0:
                    continue
                for k in range(6):
                    own = s * p.wrench[n, i, k]
                    for m in range(k + 1):
                        hessian[k, m] += own * p.wrench[n, j, m]
    most = 0.0
    for k in range(6):
        most = max(most, hessian[k, k])
    for k in range(6):
        hessian[k, k] += max(damping * most, 1e-3)
    step = gradient.copy()
    solve_in_place(hessian, step, 6)
    return step


@kernel
def settle(p: Problem, weight_n: float, force: Array) -> float:
    """How the pose settles: fills the scaled forces, returns what is left unbalanced as a share of body weight."""
    count = len(p.root)
    twist, gradient = np.zeros(6), np.zeros(6)
    twist[2] = -0.01
    slope = np.zeros((count, 3, 3))
    new_force, new_slope = np.zeros((count, 3)), np.zeros((count, 3, 3))
    damping = 1e-2
    value = (twist * p.external).sum() - _forces(p, twist, force, slope)
    open_ = _left_over(p, force, gradient)
    for _ in range(_MAX_ITERATIONS):
        if open_ < _BALANCED * weight_n:
            break
        trial = twist + _newton(p, slope, gradient, damping)
        new_value = (trial * p.external).sum() - _forces(p, trial, new_force, new_slope)
        if new_value >= value - 1e-12 * abs(value):
            twist, value = trial, new_value
            force[:], slope[:] = new_force, new_slope
            open_ = _left_over(p, force, gradient)
            damping = max(1e-10, damping * 0.2)
        else:
            damping = min(1e10, damping * 10)
    return open_ / weight_n


__all__ = ["LENGTH_M", "Problem", "settle"]
