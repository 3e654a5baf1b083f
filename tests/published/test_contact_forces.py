"""Contact forces of a frame of each family against an independent quadratic programme (scipy).

Least elastic energy under balance of forces and moments, no pull, friction cones; four points per patch (Gauss).
"""

import numpy as np
import pytest
from scipy.optimize import minimize

from amvel.body import GRAVITY_M_S2, flatten, react_flat
from tests.bodies import families_under_test, library_profiles, profiler

GAUSS = 1 / np.sqrt(3)


def representative(family_id: str):
    return next(p for p in reversed(library_profiles("middle")) if p.request.family.id == family_id and not p.fault)


def _sideways(normal: np.ndarray) -> np.ndarray:
    first = np.cross(normal, [1.0, 0, 0] if abs(normal[0]) < 0.9 else [0, 1.0, 0])
    first /= np.linalg.norm(first)
    return np.array([first, np.cross(normal, first)])


def _patch(contact, at: np.ndarray) -> list[np.ndarray]:
    """The four points of a patch: half lengths along the body's x (or the vertical, on a wall) and across."""
    normal = np.array(contact.normal, dtype=float)
    along = np.array([1.0, 0, 0]) if abs(normal[0]) < 0.9 else np.array([0, 0, 1.0])
    across = np.cross(normal, along)
    a, b = contact.half_size_m
    return [at + GAUSS * (u * a * along + v * b * across) for u in (-1, 1) for v in (-1, 1)]


@pytest.mark.parametrize("family_id", [f.id for f in families_under_test()])
def test_forces_are_those_of_a_quadratic_programme(family_id: str) -> None:
    skeleton, profile = profiler("middle").skeleton, representative(family_id)
    row = profile.rows[-1]
    spec = profile.specs[row]
    assert profile.posed is not None
    one = profile.posed.part(slice(row, row + 1))
    ours = react_flat(skeleton, flatten(skeleton, [spec], [{}]), one, sampling=2)
    index, points = skeleton.landmarks.index, one.points[0]
    weight = skeleton.mass_kg.sum() * GRAVITY_M_S2
    centre = skeleton.centre_of_mass(one.points)[0]
    bearing, given = [], np.zeros(6)
    given[2] = -weight
    pushes = [(points[index[load.point]], load.force_at(points, index)) for load in spec.loads]
    for c, contact in enumerate(spec.contacts):
        force = ours.force[c]
        settled = contact.strategy == "bears" or np.abs(ours.moment[c]).max() > 0
        if contact.on is not None or not np.linalg.norm(force) > 0:
            continue
        if contact.strategy == "pushes":  # along the arm: a direction of its own, taken as it is
            pushes.append((points[index[contact.point]], force))
            given[3:] += ours.moment[c]
        elif settled:
            bearing.append(c)
        else:
            pushes.append((points[index[contact.point]], force))
    for at, force in pushes:
        given += np.concatenate([force, np.cross(at - centre, force)])
    assert bearing
    forces = _programme([spec.contacts[c] for c in bearing], [points[index[spec.contacts[c].point]] for c in bearing], centre, given, weight)
    for c, force in zip(bearing, forces, strict=True):
        assert ours.force[c] == pytest.approx(force, abs=0.01 * weight), spec.contacts[c].point


def _programme(contacts, at, centre, given, weight) -> list[np.ndarray]:
    columns, soft, cones, axes_of = [], [], [], []
    for contact, where in zip(contacts, at, strict=True):
        normal = np.array(contact.normal, dtype=float)
        axes = np.array([normal, *_sideways(normal)])
        for point in _patch(contact, where):
            cones.append((len(columns), contact.friction))
            columns += [np.concatenate([a, np.cross(point - centre, a)]) for a in axes]
            k = contact.stiffness_n_per_m / 4
            soft += [1 / k, 1 / (k * contact.shear), 1 / (k * contact.shear)]
        axes_of.append(axes)
    matrix, softness = np.array(columns).T, np.array(soft) / np.mean(soft)
    scale = weight / len(cones)
    rows = np.array([i for i, _ in cones])
    rub = np.array([f for _, f in cones])

    def cone(x: np.ndarray) -> np.ndarray:
        return rub * x[rows] - np.sqrt(x[rows + 1] ** 2 + x[rows + 2] ** 2 + 1e-12)

    def cone_slope(x: np.ndarray) -> np.ndarray:
        size = np.sqrt(x[rows + 1] ** 2 + x[rows + 2] ** 2 + 1e-12)
        out = np.zeros((len(rows), len(x)))
        k = np.arange(len(rows))
        out[k, rows], out[k, rows + 1], out[k, rows + 2] = rub, -x[rows + 1] / size, -x[rows + 2] / size
        return out

    upward = np.zeros((len(rows), len(softness)))
    upward[np.arange(len(rows)), rows] = 1.0

    def energy(x: np.ndarray) -> float:
        return 0.5 * float((softness * x * x).sum())

    def broken(x: np.ndarray) -> float:
        return max(np.abs(matrix @ x + given / scale).max(), -cone(x).min(), -x[rows].min())

    # What has no friction has no cone: its forces along the surface are fixed at nothing.
    bounds = [(0, 0) if i % 3 and rub[i // 3] == 0 else (None, None) for i in range(len(softness))]
    rubbing = rub > 0
    found = minimize(
        energy,
        np.linalg.lstsq(matrix, -given / scale, rcond=None)[0],
        jac=lambda x: softness * x,
        bounds=bounds,
        constraints=[
            {"type": "eq", "fun": lambda x: matrix @ x + given / scale, "jac": lambda x: matrix},
            {"type": "ineq", "fun": lambda x: cone(x)[rubbing], "jac": lambda x: cone_slope(x)[rubbing]},
            {"type": "ineq", "fun": lambda x: x[rows], "jac": lambda x: upward},
        ],
        method="SLSQP",
        options={"maxiter": 300, "ftol": 1e-10},
    )
    assert broken(found.x) < 1e-3, found.message
    x = found.x.reshape(-1, 4, 3).sum(axis=1) * scale
    return [axes.T @ own for axes, own in zip(axes_of, x, strict=True)]
