"""Adults from 1.40 to 1.98 m, also with a rounded back, and children from 1.10 m, drawn anew for every seed: everybody takes every step."""

import math
import random

import pytest

from amvel.body import GRAVITY_M_S2, Measures, healthy, measure, react
from amvel.movements import Profiler, Request
from amvel.safety import sides_of
from tests.bodies import posed, steps_under_test

SEATS_CM = (36, 40, 44, 50)
CORNERS = [(stature, mass) for stature in (1.40, 1.98) for mass in (38, 140)]


def adult(rng: random.Random) -> tuple[Measures, float]:
    """As light as 38 kg and as heavy as 140 kg at any stature."""
    return Measures(round(rng.uniform(1.40, 1.98), 2), round(rng.uniform(38, 140)), rng.choice(["female", "male"])), rng.choice(SEATS_CM)


def child(rng: random.Random) -> tuple[Measures, float]:
    age = rng.randint(6, 16)
    stature = 1.10 + 0.06 * (age - 6) + rng.uniform(0.0, 0.05)
    mass = (15 + 0.6 * (age - 6) + rng.uniform(-1, 3)) * stature**2
    return Measures(round(stature, 2), round(mass), rng.choice(["female", "male"]), growing_age_years=age), rng.choice([26, 30] if stature < 1.3 else [32, 36])


def drawn() -> list[tuple[Measures, float]]:
    rng = random.Random(20261126)
    corners = [(Measures(stature, mass, rng.choice(["female", "male"])), rng.choice(SEATS_CM)) for stature, mass in CORNERS]
    rounded = [(Measures(h, m, "female", kyphosis_extra_rad=math.radians(deg)), 44) for h, m, deg in ((1.70, 90, 15), (1.50, 45, 30), (1.64, 62, 40))]
    small = [(Measures(1.10, 17, "female", growing_age_years=6), 26)]  # stood on toes that its feet do not have
    return corners + rounded + small + [adult(rng) for _ in range(3)] + [child(rng) for _ in range(2)]


@pytest.mark.parametrize(("measures", "seat_cm"), drawn(), ids=str)
def test_nobody_without_contracture_is_left_out(measures: Measures, seat_cm: float) -> None:
    """No step is not judged; contacts hold within 5 mm; forces balance within 0.1 N."""
    body = measure(measures)
    p = Profiler(body, healthy())
    requests = []
    for family, step in steps_under_test():
        values = step.defaults(body)
        for parameter in step.parameters:
            if parameter.id == "seat_cm":
                values["seat_cm"] = min(parameter.high, max(parameter.low, float(seat_cm)))
        requests.append(Request(family, step, sides_of(step)[0], values))
    profiles = posed(p, requests)
    assert {q.request.label: q.fault for q in profiles if q.fault} == {}
    weight = p.skeleton.mass_kg.sum() * GRAVITY_M_S2
    for profile in profiles:
        assert profile.posed is not None
        assert profile.posed.worst_gap_m.max() < 0.005, profile.request.label
        unbalanced = react(p.skeleton, list(profile.specs), profile.posed).unbalanced
        assert weight * unbalanced.max() < 0.1, profile.request.label
