"""A quantity is declared once and computed once: what is not fails where the program starts, with its name."""

import subprocess
import sys

import numpy as np
import pytest

from amvel.body import computed
from amvel.movements import Request
from amvel.quantities import REGISTRY, base_id
from tests.bodies import profiler, steps_under_test
from tests.patience import PATIENCE_S

REGISTERED = 'from amvel.quantities.quantity import add; add("wonder_deg", "wonder", "deg", "Nothing computes it.")'
# Whatever a quantity is computed from, there has to be room for its column.
COMPUTED = """
import amvel.body.demand_rows as demand_rows
plain = demand_rows.demand_names
demand_rows.demand_names = lambda: (*plain(), "wonder_deg")
"""


def started_with(change: str) -> subprocess.CompletedProcess[str]:
    return subprocess.run([sys.executable, "-c", f"{change}\nimport amvel.movements"], capture_output=True, text=True, timeout=PATIENCE_S)


@pytest.mark.parametrize(("change", "why"), [(REGISTERED, "no profile computes it"), (COMPUTED, "it is computed and not registered")])
def test_a_quantity_without_its_other_half_stops_the_import_with_its_name(change: str, why: str) -> None:
    done = started_with(change)
    assert done.returncode == 1
    assert f"quantities.wonder_deg: {why}" in done.stderr


def test_the_profile_of_nothing_has_the_columns_of_a_real_one() -> None:
    p = profiler()
    family, step = steps_under_test()[0]
    profile = p.profile(Request(family, step, "left" if step.sides else "both", step.defaults(p.body)))
    real = {base_id(name) for name in profile.columns}
    assert real == set(REGISTRY)
    assert computed() < real
    assert all(np.isfinite(profile.columns[name]).all() for name in profile.columns), "there is room for a column that nothing fills"
