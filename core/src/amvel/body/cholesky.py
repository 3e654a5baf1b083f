"""Solving a small symmetric system in place, for the kernels that step towards a least."""

import numpy as np

from amvel.body.compiled import kernel
from amvel.body.tree import Array


@kernel
def solve_in_place(system: Array, right: Array, n: int) -> None:
    """Cholesky of the first n rows and columns of a symmetric, positive definite `system`, of which only the lower half
    is read; the first n of `right` become the answer."""
    for j in range(n):
        d = system[j, j]
        for k in range(j):
            d -= system[j, k] * system[j, k]
        d = np.sqrt(max(d, 1e-300))
        system[j, j] = d
        for i in range(j + 1, n):
            s = system[i, j]
            for k in range(j):
                s -= system[i, k] * system[j, k]
            system[i, j] = s / d
    for i in range(n):
        s = right[i]
        for k in range(i):
            s -= system[i, k] * right[k]
        right[i] = s / system[i, i]
    for i in range(n - 1, -1, -1):
        s = right[i]
        for k in range(i + 1, n):
            s -= system[k, i] * right[k]
        right[i] = s / system[i, i]


__all__ = ["solve_in_place"]
