"""Spinal cord injury."""

from datetime import date
from typing import get_args

from amvel.case.conditions.nervous_system import CordLevel, SpinalCordInjury
from amvel.safety.limits import Answer
from amvel.safety.page import CLINICIAN, Page
from amvel.safety.rulebook import Example, Numbers, Rule
from amvel.screening import Findings
from amvel.sources import Source

CORD = Source(
    "autonomic dysreflexia: systolic ≥ 20 mmHg above own usual value (child 15, adolescent 15–20); consortium guidance",
    reading=True,
)
SINCE = date(2020, 1, 1)
CORD_LEVELS = get_args(CordLevel)


def answer(f: Findings, n: Numbers) -> Answer:
    """At T6 or above: signs of dysreflexia are known and watched; paralysed muscles are positioned, not trained; strap, skin, pressure relief."""
    page = Page("spinal_cord_injury", CORD)
    for i, c in enumerate(f.all(SpinalCordInjury)):
        if CORD_LEVELS.index(c.level) <= CORD_LEVELS.index("T6"):
            own = "not known: measure it" if c.own_systolic_mmhg is None else f"{c.own_systolic_mmhg} mmHg"
            page.care(
                f"dysreflexia_{i}",
                "performed",
                0,
                f"level {c.level}: blood pressure can rise dangerously (own usual systolic {own})",
                "headache, flushing or a rise of 20 mmHg: sit up, loosen, check the bladder, never lie down, call for help",
            )
            page.limit(
                f"flat_{i}", "head_below_heart_cm", 0, "the head is never lower than the heart at this level"
            )
        if CORD_LEVELS.index(c.level) <= CORD_LEVELS.index("T12"):
            page.care(
                f"strap_{i}",
                "sitting",
                0,
                "the trunk is not held by its own muscles",
                "strap or high back; someone in front",
            )
        page.care(
            f"skin_{i}",
            "performed",
            0,
            "skin without feeling",
            "relieve pressure every 15–30 min; look at the skin after",
        )
        page.care(
            f"position_{i}",
            "performed",
            0,
            "paralysed muscles are positioned, not trained",
            "place the legs by hand; no lifting of paralysed limbs by momentum",
        )
        if c.complete and CORD_LEVELS.index(c.level) <= CORD_LEVELS.index("L2"):
            page.limit(
                f"standing_{i}",
                "standing",
                0,
                "standing only with full support and a clinician’s plan",
                waits_for=CLINICIAN,
            )
    return page.done()


RULE = Rule(
    "spinal_cord_injury",
    "Spinal cord injury",
    "At T6 or above: signs of dysreflexia are known and watched; paralysed muscles are positioned, not trained; strap, skin, pressure relief.",
    (CORD,),
    SINCE,
    answer,
    (),
    (
        Example(
            "T4",
            {"conditions": [{"kind": "spinal_cord_injury", "level": "T4"}]},
            {"spinal_cord_injury.flat_0": 0.0, "spinal_cord_injury.dysreflexia_0": 0.0},
        ),
        Example(
            "T7 is below",
            {"conditions": [{"kind": "spinal_cord_injury", "level": "T7"}]},
            {"spinal_cord_injury.flat_0": None},
        ),
    ),
)
