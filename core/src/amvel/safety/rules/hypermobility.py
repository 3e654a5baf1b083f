"""Very mobile joints."""

from datetime import date

from amvel.case.conditions.development import Hypermobility
from amvel.checked import Profession
from amvel.literature import MALFAIT
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings

BEIGHTON = MALFAIT.says("Beighton ≥ 6 children, ≥ 5 to age 50, ≥ 4 above", reading=True)
SINCE = date(2017, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """No end range, slow, hands and feet on the ground first; vascular type: no strained holds."""
    page = Page("hypermobility", BEIGHTON)
    for i, c in enumerate(f.all(Hypermobility)):
        cut = n["children"] if f.growing else n["to_50"] if f.age <= 50 else n["above_50"]
        if c.vascular_type:
            page.forbid(f"hold_{i}", "strained_hold_s", 0, "vascular type: no strained holds")
            page.limit(f"breath_{i}", "breath_held", 0, "vascular type: the breath is never held")
        if c.beighton is None or c.beighton >= cut:
            for name, quantity, share in (
                ("flexion", "trunk_flexion", 1.0),
                ("extension", "trunk_extension", 1.0),
            ):
                page.limit(
                    f"{name}_{i}",
                    f"{quantity}_deg",
                    n["share"] * share * f.capacities.of(quantity),
                    "no end range of very mobile joints",
                )
            page.limit(f"elbow_hip_{i}", "hip_extension_deg", n["hip_deg"], "no end range of the hip")
            page.limit(
                f"speed_{i}",
                "speed_deg_s",
                n["speed_deg_s"],
                "slow: fast movements run into the end of the joint",
            )
            page.care(
                f"closed_{i}",
                "performed",
                0,
                "joints are guided best from the ground",
                "hands or feet on the ground first; elbows and knees not locked",
            )
    return page.done()


RULE = Rule(
    "hypermobility",
    "Very mobile joints",
    "No end range, slow, hands and feet on the ground first; vascular type: no strained holds.",
    (BEIGHTON,),
    SINCE,
    answer,
    (
        Number("children", 6, "0–9", "Beighton score, under 18", BEIGHTON, SINCE),
        Number("to_50", 5, "0–9", "Beighton score, to 50", BEIGHTON, SINCE),
        Number("above_50", 4, "0–9", "Beighton score, above 50", BEIGHTON, SINCE),
        Number("share", 0.8, "", "share of the range", BEIGHTON, SINCE),
        Number("hip_deg", 15, "deg", "hip reach back", BEIGHTON, SINCE),
        Number("speed_deg_s", 60, "deg/s", "fastest joint", BEIGHTON, SINCE),
    ),
    (
        Example(
            "Beighton 5 at 45",
            {"person": {"birth_date": "1981-01-01"}, "conditions": [{"kind": "hypermobility", "beighton": 5}]},
            {"hypermobility.speed_0": 60.0},
        ),
        Example(
            "Beighton 4 at 45",
            {"person": {"birth_date": "1981-01-01"}, "conditions": [{"kind": "hypermobility", "beighton": 4}]},
            {"hypermobility.speed_0": None},
        ),
        Example(
            "Beighton 4 at 60",
            {"person": {"birth_date": "1966-01-01"}, "conditions": [{"kind": "hypermobility", "beighton": 4}]},
            {"hypermobility.speed_0": 60.0},
        ),
        Example(
            "vascular type",
            {"conditions": [{"kind": "hypermobility", "beighton": 2, "vascular_type": True}]},
            {"hypermobility.hold_0": 0.0, "hypermobility.speed_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.PHYSIOTHERAPY,
)
