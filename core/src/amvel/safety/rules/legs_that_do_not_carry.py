"""Legs that do not carry weight: weak bone at the knee end of thigh and shin."""

from datetime import date

from amvel.case.traits import Trait, having
from amvel.checked import Profession
from amvel.languages import said
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.screening.bone_status import WALKING
from amvel.screening.traits import has
from amvel.sources import practice


def answer(f: Findings, n: Numbers) -> Answer:
    """No forced, turned or jolted leg; standing only for who stands."""
    page = Page("legs_that_do_not_carry", WALKING)
    if not has(f.case, Trait.LEGS_LOSE_BONE):
        return page.done()
    page.limit(
        "turned_leg",
        "loaded_leg_rotation_deg",
        n["turn_deg"],
        "a turned leg under load may break near the knee",
    )
    page.limit("speed", "speed_deg_s", n["speed_deg_s"], "no quick or forced leg")
    page.forbid("jolt", "jolt", 0, "no jolt through a weak leg")
    if any(having(Trait.LEGS_LOSE_BONE, Trait.DOES_NOT_STAND) <= c.traits() for c in f.case.conditions):
        page.limit("standing", "standing", 0, "does not stand without full support")
        why = said("the legs do not take the weight: no seat is made light over them")
        page.both_sides(("left", "right"), "carries", "leg_carries_percent_bw", n["carries_percent_bw"], why)
    page.refer("bone", "bone of the legs: ask for a plan of loading and vitamin D")
    return page.done()


SINCE = date(2019, 1, 1)
CARRIES = practice("legs that do not stand carry little more than themselves", reading=True)
RULE = Rule(
    "legs_that_do_not_carry",
    "Legs that do not carry weight",
    "No forced, turned or jolted leg; a good hip density does not clear it.",
    (WALKING, CARRIES),
    SINCE,
    answer,
    (
        Number("turn_deg", 15.0, "deg", "turn of a leg under load", WALKING, SINCE),
        Number("carries_percent_bw", 10.0, "% of body weight", "what a leg that does not stand carries", CARRIES, SINCE),
        Number("speed_deg_s", 40.0, "deg/s", "fastest joint", WALKING, SINCE),
    ),
    (
        Example(
            "who does not walk",
            {"conditions": [{"kind": "does_not_walk"}]},
            {
                "legs_that_do_not_carry.turned_leg": 15.0,
                "legs_that_do_not_carry.standing": 0.0,
                "legs_that_do_not_carry.carries_left": 10.0,
            },
        ),
        Example(
            "a low lesion keeps standing",
            {"conditions": [{"kind": "spinal_cord_injury", "level": "L4"}]},
            {"legs_that_do_not_carry.standing": None},
        ),
    ),
    duties=(
        Duty("bone", "legs that do not carry: a plan of loading and vitamin D"),
    ),
    read_on=date(2026, 11, 25),
    check_by=Profession.NEUROLOGY,
)
