"""A rounded upper back: it shapes the body model; the head needs a pad."""

from datetime import date

from amvel.case.conditions.spine import RoundedBack
from amvel.checked import Profession
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE


def answer(f: Findings, n: Numbers) -> Answer:
    """Pad under the head on the back, low arms overhead; upper-back work is owed."""
    page, c = Page("rounded_back", COMMON_PRACTICE), f.one(RoundedBack)
    if c is not None:
        page.care(
            "head",
            "on_the_back",
            0,
            "the head hangs back from a rounded upper back",
            "a folded towel or cushion under the head so that the face looks straight up",
        )
        if c.extra_deg >= n["arms_from_deg"]:
            page.care(
                "arms",
                "shoulder_elevation_deg",
                n["arms_deg"],
                "the ribs flare when arms go overhead on a rounded back",
                "arms only as high as the ribs stay",
            )
        page.owe("upper_back", "Upper back, most days", ("upper_back",), 5, "a rounded upper back")
    return page.done()


SINCE = date(2026, 1, 1)
RULE = Rule(
    "rounded_back",
    "Rounded upper back",
    "Pad under the head; arms as high as the ribs stay; upper-back work.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number(
            "arms_from_deg",
            10.0,
            "deg",
            "rounding from which arms overhead are watched",
            COMMON_PRACTICE,
            SINCE,
        ),
        Number("arms_deg", 140.0, "deg", "arm raise without care", COMMON_PRACTICE, SINCE),
    ),
    (
        Example(
            "15° more",
            {"conditions": [{"kind": "rounded_back", "extra_deg": 15}]},
            {"rounded_back.head": 0.0, "rounded_back.arms": 140.0},
            ("rounded_back.upper_back",),
        ),
        Example(
            "5° more", {"conditions": [{"kind": "rounded_back", "extra_deg": 5}]}, {"rounded_back.arms": None}
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.PHYSIOTHERAPY,
)
