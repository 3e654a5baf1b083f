"""How a body settles on elastic patches that cannot pull and slip beyond their friction cone: a damped Newton method."""

from typing import NamedTuple

import numpy as np

from amvel.body.cholesky import solve_in_place
from amvel.body.compiled import inner_kernel
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


class SettlingRoom(NamedTuple):
    """What settling works in, made once for many poses: a problem of P points, and the forces found for it."""

    problem: Problem
    force: Array
    slope: Array
    new_force: Array
    new_slope: Array
    trial: Array
    twist: Array
    new_twist: Array
    gradient: Array
    hessian: Array
    step: Array


def settling_room(points: int) -> SettlingRoom:
    """Room for the supports of any pose with up to so many points."""
    where, basis, wrench = np.zeros((points, 3)), np.zeros((points, 3, 3)), np.zeros((points, 3, 6))
    return SettlingRoom(
        Problem(where, basis, wrench, np.zeros((points, 3)), np.zeros(points), np.zeros(6)),
        np.zeros((points, 3)),
        np.zeros((points, 3, 3)),
        np.zeros((points, 3)),
        np.zeros((points, 3, 3)),
        np.zeros(3),
        np.zeros(6),
        np.zeros(6),
        np.zeros(6),
        np.zeros((6, 6)),
        np.zeros(6),
    )


@inner_kernel
def problem_in(room: SettlingRoom, points: int) -> Problem:
    """The first so many points of the room, to be filled."""
    p = room.problem
    return Problem(p.where[:points], p.basis[:points], p.wrench[:points], p.root[:points], p.cone[:points], p.external)


@inner_kernel
def _forces(p: Problem, twist: Array, trial: Array, force: Array, slope: Array) -> float:
    """Scaled forces P×3 and their derivative by the scaled trial force P×3×3; returns their energy."""
    energy = 0.0
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


@inner_kernel
def _left_over(p: Problem, force: Array, out: Array) -> float:
    """What outside loads and forces leave unbalanced (6); returns the largest of them."""
    for k in range(6):
        out[k] = p.external[k]
    for n in range(len(p.root)):
        for i in range(3):
            f = force[n, i] * p.root[n, i]
            if f != 0.0:
                for k in range(6):
                    out[k] += p.wrench[n, i, k] * f
    largest = 0.0
    for k in range(6):
        largest = max(largest, abs(out[k]))
    return largest


@inner_kernel
def _newton(p: Problem, damping: float, room: SettlingRoom) -> None:
    """The damped step from here, into the room."""
    hessian, slope, step = room.hessian, room.slope, room.step
    hessian[:] = 0.0
    for n in range(len(p.root)):
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
        step[k] = room.gradient[k]
    solve_in_place(hessian, step, 6)


@inner_kernel
def _taken(points: int, room: SettlingRoom) -> None:
    """What was tried is where the body is now."""
    for k in range(6):
        room.twist[k] = room.new_twist[k]
    for n in range(points):
        for i in range(3):
            room.force[n, i] = room.new_force[n, i]
            for k in range(3):
                room.slope[n, i, k] = room.new_slope[n, i, k]


@inner_kernel
def _work(p: Problem, twist: Array) -> float:
    work = 0.0
    for k in range(6):
        work += twist[k] * p.external[k]
    return work


@inner_kernel
def settle(p: Problem, weight_n: float, room: SettlingRoom) -> float:
    """How the pose settles: the scaled forces are in the room then; returns what is left unbalanced as a share of weight."""
    room.twist[:] = 0.0
    room.twist[2] = -0.01
    damping = 1e-2
    value = _work(p, room.twist) - _forces(p, room.twist, room.trial, room.force, room.slope)
    open_ = _left_over(p, room.force, room.gradient)
    for _ in range(_MAX_ITERATIONS):
        if open_ < _BALANCED * weight_n:
            break
        _newton(p, damping, room)
        for k in range(6):
            room.new_twist[k] = room.twist[k] + room.step[k]
        new_value = _work(p, room.new_twist) - _forces(p, room.new_twist, room.trial, room.new_force, room.new_slope)
        if new_value >= value - 1e-12 * abs(value):
            value = new_value
            _taken(len(p.root), room)
            open_ = _left_over(p, room.force, room.gradient)
            damping = max(1e-10, damping * 0.2)
        else:
            damping = min(1e10, damping * 10)
    return open_ / weight_n


__all__ = ["LENGTH_M", "Problem", "SettlingRoom", "problem_in", "settle", "settling_room"]
