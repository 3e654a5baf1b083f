"""Back pain that arching provokes: temporary."""

from datetime import date

from amvel.case.conditions.spine import ExtensionPain
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.arching import temporary_arching
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

SOURCE = practice("extension-provoked pain: extension to neutral or 5°", reading=True)


def answer(f: Findings, n: Numbers) -> Answer:
    """Starts at what is tolerated, at most 5°; opens grade by grade."""
    page, found = Page("extension_pain", SOURCE), f.all(ExtensionPain)
    if found:
        tolerated = [c.tolerated_extension_deg or 0.0 for c in found]
        since = max(c.noted_on or c.since for c in found)
        temporary_arching(
            page,
            f,
            "extension_pain",
            min(n["extension_deg"], *tolerated),
            since,
            "arching provokes the back pain",
        )
    return page.done()


SINCE = date(2020, 1, 1)
_NOW = {"kind": "extension_pain", "since": "2026-10-01", "noted_on": "2026-11-01"}
RULE = Rule(
    "extension_pain",
    "Back pain when arching",
    "Arching at most 5° at first; opens with passed reviews.",
    (SOURCE,),
    SINCE,
    answer,
    (Number("extension_deg", 5.0, "deg", "arching at most, at first", SOURCE, SINCE),),
    (
        Example("not tested", {"conditions": [_NOW]}, {"extension_pain.arching": 0.0}),
        Example(
            "tolerates 20°: still 5°",
            {"conditions": [{**_NOW, "tolerated_extension_deg": 20}]},
            {"extension_pain.arching": 5.0},
        ),
        Example(
            "one passed review",
            {
                "conditions": [_NOW],
                "reviews": [
                    {
                        "rule": "extension_pain",
                        "on": "2026-11-20",
                        "done_strongly": True,
                        "confidence_0_to_10": 7,
                        "next_day_flare": False,
                    }
                ],
            },
            {"extension_pain.arching": 5.0},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.PHYSIOTHERAPY,
)
