"""After birth."""

from datetime import date, timedelta

from amvel.case.conditions.back_and_pelvis import AfterBirth
from amvel.checked import Profession
from amvel.languages import said
from amvel.literature import ACOG_804
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.loaded_trunk_work import wait_for_clearing
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

BIRTH = ACOG_804.says("return to exercise after birth: loaded work after clearing, commonly ≥ 6 weeks", reading=True)
SINCE = date(2020, 1, 1)
WHY = said("loaded trunk work waits for a clearing after the birth")


def answer(f: Findings, n: Numbers) -> Answer:
    """Breath, pelvic floor and deep set from the first days if uncomplicated; loaded work after clearing, commonly from 6 weeks."""
    page = Page("after_birth", BIRTH)
    for i, c in enumerate(f.all(AfterBirth)):
        wait_for_clearing(page, f, n, i, c, WHY)
        if f.case.as_of <= c.on + timedelta(weeks=26):
            page.owe(
                f"floor_{i}",
                "Breath, pelvic floor and deep set, every day",
                ("deep_control", "breath"),
                7,
                "after birth",
            )
    return page.done()


RULE = Rule(
    "after_birth",
    "After birth",
    "Breath, pelvic floor and deep set from the first days if uncomplicated; loaded work after clearing, commonly from 6 weeks.",
    (
        BIRTH,
        COMMON_PRACTICE,
    ),
    SINCE,
    answer,
    (
        Number(
            "lever_nm_per_kg_m",
            0.1,
            "N·m/(kg·m)",
            "pelvic control moment before clearing",
            COMMON_PRACTICE,
            SINCE,
        ),
        Number("level", 2, "level", "work of the belly before clearing", COMMON_PRACTICE, SINCE),
        Number("effort", 3, "0–10", "effort before clearing", COMMON_PRACTICE, SINCE),
        Number("flexion_deg", 10, "deg", "rounding under load before clearing", COMMON_PRACTICE, SINCE),
        Number("weeks", 12, "weeks", "how long it holds without a clearing", BIRTH, SINCE),
    ),
    (
        Example(
            "four weeks ago",
            {"conditions": [{"kind": "after_birth", "on": "2026-10-27", "by": "vaginal"}]},
            {"after_birth.lever_0": 0.1},
            ("after_birth.floor_0",),
        ),
        Example(
            "cleared",
            {
                "conditions": [{"kind": "after_birth", "on": "2026-10-01", "by": "vaginal"}],
                "clinician_words": [
                    {
                        "kind": "clears",
                        "clears": "after_birth",
                        "name": "M. Oda",
                        "role": "midwife", "profession": "midwife",
                        "on": "2026-11-20",
                    }
                ],
            },
            {"after_birth.lever_0": None},
        ),
        Example(
            "a clearing before the birth clears nothing",
            {
                "conditions": [{"kind": "after_birth", "on": "2026-10-01", "by": "vaginal"}],
                "clinician_words": [
                    {
                        "kind": "clears",
                        "clears": "after_birth",
                        "name": "M. Oda",
                        "role": "midwife", "profession": "midwife",
                        "on": "2026-09-20",
                    }
                ],
            },
            {"after_birth.lever_0": 0.1},
            (),
            ("clinician.too_old_0",),
        ),
    ),
    duties=(
        Duty("complicated", "complications"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.PELVIC_HEALTH,
)
