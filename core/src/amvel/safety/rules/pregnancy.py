"""Pregnancy."""

from datetime import date

from amvel.case.conditions.back_and_pelvis import Pregnancy
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import ACOG_804
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.screening.pregnancy_weeks import weeks_now
from amvel.sources import COMMON_PRACTICE

ACOG = ACOG_804.says("exercise in pregnancy; with Mottola et al. 2018", reading=True)
SINCE = date(2020, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Not flat on the back for long after about 20 weeks, not prone, no breath hold."""
    page = Page("pregnancy", ACOG)
    for i, c in enumerate(f.all(Pregnancy)):
        weeks = weeks_now(c, f.case.as_of)
        more = {"review_on": page.review(c, n["review_weeks"])}
        page.forbid(f"breath_{i}", "breath_held", 0, "the breath is not held in pregnancy")
        page.limit(f"prone_{i}", "face_down", 0, "not face down in pregnancy", **more)
        page.forbid(f"jolt_{i}", "jolt", 0, "no bounce and no risk of a fall")
        page.limit(f"unstable_{i}", "unstable_surface", 0, "no risk of a fall")
        if weeks >= n["flat_from_weeks"]:
            page.limit(
                f"flat_{i}",
                "time_flat_min",
                n["flat_min"],
                said("{weeks} weeks: not flat on the back for long; on the side or raised", weeks=term(weeks)),
                **more,
            )
            page.limit(
                f"curl_{i}",
                "loaded_trunk_flexion_deg",
                n["flexion_deg"],
                said("{weeks} weeks: curling domes the belly", weeks=term(weeks)),
                **more,
            )
    return page.done()


RULE = Rule(
    "pregnancy",
    "Pregnancy",
    "Not flat on the back for long after about 20 weeks, not prone, no breath hold.",
    (
        ACOG,
        COMMON_PRACTICE,
    ),
    SINCE,
    answer,
    (
        Number("review_weeks", 4, "weeks", "how often the limits of a pregnancy are looked at", ACOG, SINCE),
        Number("flat_from_weeks", 20, "weeks", "from when lying flat is short", ACOG, SINCE),
        Number("flat_min", 3, "min", "flat on the back at a time (our reading of not for long)", ACOG, SINCE),
        Number("flexion_deg", 10, "deg", "rounding under load", COMMON_PRACTICE, SINCE),
    ),
    (
        Example(
            "20 weeks",
            {"conditions": [{"kind": "pregnancy", "weeks": 20, "noted_on": "2026-11-24"}]},
            {"pregnancy.flat_0": 3.0, "pregnancy.prone_0": 0.0},
        ),
        Example(
            "19 weeks",
            {"conditions": [{"kind": "pregnancy", "weeks": 19, "noted_on": "2026-11-24"}]},
            {"pregnancy.flat_0": None},
        ),
        Example(
            "19 weeks noted a week ago are 20",
            {"conditions": [{"kind": "pregnancy", "weeks": 19, "noted_on": "2026-11-17"}]},
            {"pregnancy.flat_0": 3.0},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PREGNANCY,
)
