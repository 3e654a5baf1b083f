"""Loaded trunk work that waits for a clearing, after a birth or an operation on the belly."""

from datetime import timedelta

from amvel.case.conditions.back_and_pelvis import AbdominalSurgery, AfterBirth
from amvel.languages import said
from amvel.movements.levels import BELLY_WORK
from amvel.numbers import Numbers
from amvel.safety.limits import Place
from amvel.safety.page import Page
from amvel.screening import Findings


def wait_for_clearing(
    page: Page, f: Findings, n: Numbers, i: int, c: AfterBirth | AbdominalSurgery, why: str
) -> None:
    """Lever, effort and curling stay low and the breath is not held; with complications the clinician is asked first."""
    for name, quantity, bound in (
        ("lever", "pelvic_moment_nm_per_kg_m", n["lever_nm_per_kg_m"]),
        ("effort", "effort_0_to_10", n["effort"]),
        ("curl", "loaded_trunk_flexion_deg", n["flexion_deg"]),
    ):
        # Rolling and rising are judged by technique: they bend the trunk no more either, and are not exercises.
        place = Place.ANYWHERE if name == "curl" else Place.EXERCISES
        page.for_weeks(f"{name}_{i}", quantity, bound, why, c.on, n["weeks"], f.case.as_of, when=place)
    for way in BELLY_WORK:
        page.for_weeks(
            f"level_{i}_{way.value}", way.quantity, n["level"], why, c.on, n["weeks"], f.case.as_of, when=Place.EXERCISES
        )
    if f.case.as_of <= c.on + timedelta(weeks=2 * n["weeks"]):
        page.limit(f"breath_{i}", "breath_held", 0, "the breath is not held")
    if c.complicated:
        text = said("with complications: nothing but breath and rest until the clinician has said so")
        page.refer("complicated", text, which=i)
