"""Multiple sclerosis."""

from datetime import date

from amvel.case.conditions.nervous_system import MultipleSclerosis
from amvel.checked import Profession
from amvel.literature import KALB
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.safety.walking import steadied
from amvel.screening import Findings

EXERCISE = KALB.says("exercise; effort cap and cool room are our caution", reading=True)
SINCE = date(2020, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Effort at most 5 of 10 and a cool room (our caution), planned rests, floor only with a tested rise."""
    page = Page("multiple_sclerosis", EXERCISE)
    found = f.all(MultipleSclerosis)
    if not found:
        return page.done()
    page.limit("effort", "effort_0_to_10", n["effort"], "more effort brings tiredness that lasts")
    page.care(
        "rests",
        "performed",
        0,
        "tiredness grows within the session",
        "a rest of at least a minute after each exercise",
    )
    if any(c.heat_sensitive for c in found):
        page.care(
            "heat",
            "performed",
            0,
            "heat makes it worse for a while",
            "cool room, light clothes, cold drink; stop when sight or walking changes",
        )
    for c in found:
        steadied(page, c.walks)
    if f.floor_rise not in ("alone", "with_furniture"):
        page.limit("floor", "floor_transfer", 0, "floor only with a tested rise")
    return page.done()


RULE = Rule(
    "multiple_sclerosis",
    "Multiple sclerosis",
    "Effort at most 5 of 10 and a cool room (our caution), planned rests, floor only with a tested rise.",
    (EXERCISE,),
    SINCE,
    answer,
    (Number("effort", 5, "0–10", "effort at most", EXERCISE, SINCE),),
    (
        Example(
            "rise not tested",
            {"conditions": [{"kind": "multiple_sclerosis"}]},
            {"multiple_sclerosis.effort": 5.0, "multiple_sclerosis.floor": 0.0},
        ),
        Example(
            "walks with an aid",
            {"conditions": [{"kind": "multiple_sclerosis", "walks": "with_an_aid"}]},
            {"multiple_sclerosis.hand_home": 3.0, "multiple_sclerosis.hand": None},
        ),
        Example(
            "rise tested",
            {
                "conditions": [{"kind": "multiple_sclerosis"}],
                "tests": [{"test": "floor_rise", "result": "alone"}],
            },
            {"multiple_sclerosis.floor": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.NEUROLOGY,
)
