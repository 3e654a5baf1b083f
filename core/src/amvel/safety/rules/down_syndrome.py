"""Down syndrome."""

from datetime import date

from amvel.case.conditions.development import DownSyndrome
from amvel.checked import Profession
from amvel.literature import BULL
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings

AAP = BULL.as_read
SINCE = date(2022, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """No loaded bend of the neck, no rolling on neck or shoulders; upper-neck signs stop; lax joints in mid-range."""
    page = Page("down_syndrome", AAP)
    if f.one(DownSyndrome):
        page.forbid(
            "neck",
            "loaded_neck_bend_deg",
            n["neck_deg"],
            "the upper neck may be loose: no bend of the unsupported neck",
        )
        page.forbid("roll", "rolls_on_spine", 0, "no rolling on neck or shoulders")
        page.forbid(
            "head_load", "head_support_percent_bw", n["head_percent_bw"], "no weight of the body on the head"
        )
        page.care("lax", "performed", 0, "joints are lax", "mid-range only, stop short of the end")
    return page.done()


RULE = Rule(
    "down_syndrome",
    "Down syndrome",
    "No loaded bend of the neck, no rolling on neck or shoulders; upper-neck signs stop; lax joints in mid-range.",
    (AAP,),
    SINCE,
    answer,
    (
        Number("neck_deg", 10, "deg", "bend of the unsupported neck (neutral, with our margin)", AAP, SINCE),
        Number("head_percent_bw", 12, "% of body weight", "more than the head’s own weight", AAP, SINCE),
    ),
    (
        Example(
            "Down syndrome",
            {"conditions": [{"kind": "down_syndrome"}]},
            {"down_syndrome.neck": 10.0, "down_syndrome.roll": 0.0},
        ),
        Example("nobody else", {"conditions": []}, {"down_syndrome.neck": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.DEVELOPMENT,
)
