"""Spinal cord injury."""

from datetime import date

from amvel.case.conditions.nervous_system import SpinalCordInjury
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import DYSREFLEXIA
from amvel.movements.levels import EVERY_WAY
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import CLINICIAN, Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings

CORD = DYSREFLEXIA.says("systolic ≥ 20 mmHg above own usual value (child 15, adolescent 15–20)", reading=True)
SINCE = date(2020, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """At T6 or above: signs of dysreflexia are known and watched; paralysed muscles are positioned, not trained; strap, skin, pressure relief."""
    page = Page("spinal_cord_injury", CORD)
    for i, c in enumerate(f.all(SpinalCordInjury)):
        if c.at_or_above("T6"):
            own = said("not known: measure it") if c.own_systolic_mmhg is None else f"{c.own_systolic_mmhg} mmHg"
            page.care(
                f"dysreflexia_{i}",
                "performed",
                0,
                said("level {level}: blood pressure can rise dangerously (own usual systolic {own})", level=term(c.level), own=term(own)),
                "headache, flushing or a rise of 20 mmHg: sit up, loosen, check the bladder, never lie down, call for help",
            )
            page.limit(
                f"flat_{i}", "head_below_heart_cm", 0, "the head is never lower than the heart at this level"
            )
        if c.at_or_above("T12"):
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
        if c.complete:
            _needs_muscles(page, n, i, c)
        page.care(
            f"position_{i}",
            "performed",
            0,
            "paralysed muscles are positioned, not trained",
            "place the legs by hand; no lifting of paralysed limbs by momentum",
        )
        if c.complete and c.at_or_above("L2"):
            page.limit(
                f"standing_{i}",
                "standing",
                0,
                "standing only with full support and a clinician’s plan",
                waits_for=CLINICIAN,
            )
    return page.done()


def _needs_muscles(page: Page, n: Numbers, i: int, c: SpinalCordInjury) -> None:
    """What no longer has a muscle is positioned, never asked to move, hold or carry."""
    level = said("level {level}, complete", level=term(c.level))
    if c.at_or_above("L2"):
        page.limit(f"legs_{i}", "leg_acts", 0, said("{level}: the legs have no muscles that act; they are positioned", level=term(level)))
    if c.at_or_above("T12"):
        trunk = n["trunk_high"] if c.at_or_above("T6") else n["trunk_low"]
        if c.at_or_above("T6"):
            page.limit(
                f"trunk_acts_{i}", "trunk_acts", 0, said("{level}: the trunk has no muscles that bend or turn it", level=term(level)), when=Place.EXERCISES
            )
        page.cap(f"trunk_{i}", trunk, EVERY_WAY, said("{level}: the trunk is held by few muscles or none", level=term(level)))
    if c.at_or_above("C6"):
        page.limit(f"arms_{i}", "arm_carries_percent_bw", 0, said("{level}: the elbow is not held straight by its own muscles", level=term(level)))
    if c.at_or_above("C8"):
        page.limit(f"grip_{i}", "hand_pull_n", n["grip_n"], said("{level}: the hand does not grip", level=term(level)))
    if c.at_or_above("C4"):
        page.limit(f"arms_act_{i}", "arm_acts", 0, said("{level}: the arms have no muscles that act; they are positioned", level=term(level)))


RULE = Rule(
    "spinal_cord_injury",
    "Spinal cord injury",
    "At T6 or above: signs of dysreflexia are known and watched; paralysed muscles are positioned, not trained; strap, skin, pressure relief.",
    (CORD,),
    SINCE,
    answer,
    (
        Number("trunk_high", 1, "level", "trunk work, complete at T6 or above", CORD, SINCE),
        Number("trunk_low", 2, "level", "trunk work, complete from T7 to T12", CORD, SINCE),
        Number("grip_n", 2, "N", "pull on a hand that does not grip", CORD, SINCE),
    ),
    (
        Example(
            "T4",
            {"conditions": [{"kind": "spinal_cord_injury", "level": "T4"}]},
            {
                "spinal_cord_injury.flat_0": 0.0,
                "spinal_cord_injury.dysreflexia_0": 0.0,
                "spinal_cord_injury.legs_0": 0.0,
                "spinal_cord_injury.trunk_0_arching": 1.0,
                "spinal_cord_injury.arms_0": None,
            },
        ),
        Example(
            "T7 is below",
            {"conditions": [{"kind": "spinal_cord_injury", "level": "T7"}]},
            {"spinal_cord_injury.flat_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.NEUROLOGY,
)
