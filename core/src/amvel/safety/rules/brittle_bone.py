"""Osteogenesis imperfecta: the osteoporosis tier, and no forced limb."""

from datetime import date

from amvel.case.conditions.bone import OsteogenesisImperfecta
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

SOURCE = practice("osteogenesis imperfecta: as osteoporosis, no forced limb (guidance of specialised centres)", reading=True)


def answer(f: Findings, n: Numbers) -> Answer:
    """The tier comes from the bone status; limbs are never forced, arms do not carry the trunk alone."""
    page = Page("brittle_bone", SOURCE)
    if f.one(OsteogenesisImperfecta):
        page.limit("turned_leg", "loaded_leg_rotation_deg", n["turn_deg"], "no turned leg under load")
        page.limit("arm_load", "arm_support_percent_bw", n["arm_percent_bw"], "arms carry little")
        page.limit("speed", "speed_deg_s", n["speed_deg_s"], "no quick or forced limb")
    return page.done()


SINCE = date(2020, 1, 1)
RULE = Rule(
    "brittle_bone",
    "Brittle bone from birth",
    "As osteoporosis; no forced, quick or turned limb.",
    (SOURCE,),
    SINCE,
    answer,
    (
        Number("turn_deg", 15.0, "deg", "turn of a leg under load", SOURCE, SINCE),
        Number("arm_percent_bw", 25.0, "% of body weight", "what one arm carries", SOURCE, SINCE),
        Number("speed_deg_s", 40.0, "deg/s", "fastest joint", SOURCE, SINCE),
    ),
    (
        Example(
            "brittle bone",
            {"conditions": [{"kind": "osteogenesis_imperfecta"}]},
            {"brittle_bone.arm_load": 25.0, "low_bone_mass.loaded_flexion": 10.0},
        ),
        Example("nobody else", {"conditions": []}, {"brittle_bone.arm_load": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.BONE,
)
