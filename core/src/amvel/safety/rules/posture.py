"""How the person stands: which faults to watch, and a level seat."""

from datetime import date

from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Numbers
from amvel.safety.limits import Answer, Reader
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.screening.tests.posture import findings
from amvel.sources import COMMON_PRACTICE


def answer(f: Findings, n: Numbers) -> Answer:
    """Posture forbids nothing by itself; it names what to watch and levels the seat."""
    page = Page("posture", COMMON_PRACTICE)
    for r in f.results("posture"):
        for words, side in findings(r):
            name = "_".join(words.replace(",", "").split())
            page.care(
                f"{name}_{side}",
                "performed",
                0,
                said("{words} {side} in standing", words=term(words), side=term(side)),
                said("watch for: {words} {side}; begin with the other side, compare both", words=said(words), side=said(side)), read_by=Reader.SPECIALIST,
            )
    for r in f.results("pelvic_level"):
        if r.lower_side != "none" and r.difference_cm > 0:
            page.care(
                "level",
                "sitting",
                0,
                said("the pelvis sits {difference_cm} cm lower on the {lower_side}", difference_cm=float(r.difference_cm), lower_side=term(r.lower_side)),
                said("{cm} cm of folded paper or board under the {side} sit bone", cm=r.difference_cm, side=said(r.lower_side)),
            )
    return page.done()


RULE = Rule(
    "posture",
    "How the person stands",
    "Names what to watch by side and levels the seat; forbids nothing.",
    (COMMON_PRACTICE,),
    date(2026, 1, 1),
    answer,
    (),
    (
        Example(
            "hitches left", {"tests": [{"test": "posture", "hitch": "left"}]}, {"posture.hip_hitched_left": 0.0}
        ),
        Example("stands even", {"tests": [{"test": "posture"}]}, {"posture.hip_hitched_left": None}),
        Example(
            "sits 1 cm lower left",
            {"tests": [{"test": "pelvic_level", "difference_cm": 1, "lower_side": "left"}]},
            {"posture.level": 0.0},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.PHYSIOTHERAPY,
)
