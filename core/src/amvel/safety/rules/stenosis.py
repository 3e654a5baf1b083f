"""A narrow spinal canal: arching provokes; a hip bend eases."""

from datetime import date

from amvel.case.conditions.spine import Stenosis
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.arching import limit_arching
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

SOURCE = practice("spinal stenosis: extension to neutral or 5°", reading=True)


def answer(f: Findings, n: Numbers) -> Answer:
    """A standing limit at what is tolerated, at most 5°."""
    page = Page("stenosis", SOURCE)
    tolerated = [x.tolerated_extension_deg for x in f.all(Stenosis)]
    if tolerated:
        known = [t for t in tolerated if t is not None]
        bound = min([n["extension_deg"], *known]) if len(known) == len(tolerated) else 0.0
        limit_arching(
            page,
            bound,
            "arching narrows the canal; ease it with a hip bend, calves raised or a hinge on a worktop",
            review_on=min((d for d in (page.review(x, n["review_weeks"]) for x in f.all(Stenosis)) if d), default=None),
        )
    return page.done()


SINCE = date(2020, 1, 1)
RULE = Rule(
    "stenosis",
    "Narrow spinal canal",
    "Arching at most 5°; relief by bending the hips.",
    (SOURCE,),
    SINCE,
    answer,
    (Number("review_weeks", 26, "weeks", "how often it is looked at", SOURCE, SINCE), Number("extension_deg", 5.0, "deg", "arching at most", SOURCE, SINCE),),
    (
        Example(
            "tolerates 8°: still 5°",
            {"conditions": [{"kind": "stenosis", "tolerated_extension_deg": 8}]},
            {"stenosis.arching": 5.0},
        ),
        Example(
            "tolerates 3°",
            {"conditions": [{"kind": "stenosis", "tolerated_extension_deg": 3}]},
            {"stenosis.arching": 3.0},
        ),
        Example("not tested", {"conditions": [{"kind": "stenosis"}]}, {"stenosis.arching": 0.0}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.ORTHOPAEDICS,
)
