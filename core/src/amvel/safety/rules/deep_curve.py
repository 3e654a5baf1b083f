"""A deep low-back curve."""

from datetime import date

from amvel.case.conditions.spine import DeepCurve
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE


def answer(f: Findings, n: Numbers) -> Answer:
    """The low back arches no further; legs apart face down."""
    page = Page("deep_curve", COMMON_PRACTICE)
    if f.one(DeepCurve):
        page.limit("arching", "lumbar_extension_deg", n["extension_deg"], "the low back already stands hollow")
        page.care(
            "prone",
            "face_down",
            0,
            "a hollow back arches more face down",
            "legs a little apart, cushion under the hips",
        )
    return page.done()


SINCE = date(2026, 1, 1)
RULE = Rule(
    "deep_curve",
    "Deep low-back curve",
    "The low back arches no further than 5°; legs apart when face down.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (Number("extension_deg", 5.0, "deg", "arching of the low back", COMMON_PRACTICE, SINCE),),
    (
        Example("a deep curve", {"conditions": [{"kind": "deep_curve"}]}, {"deep_curve.arching": 5.0}),
        Example("none", {"conditions": []}, {"deep_curve.arching": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.ORTHOPAEDICS,
)
