"""Stroke."""

from datetime import date

from amvel.case.conditions.nervous_system import Stroke
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import BILLINGER
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place, Reader
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings

AHA = BILLINGER.as_read
SINCE = date(2014, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """No load through and no lift above 90° of a painful or uncontrolled shoulder; support on the weaker side; each side by its own quality."""
    page = Page("stroke", AHA)
    for i, c in enumerate(f.all(Stroke)):
        if c.shoulder != "free":
            page.limit(
                f"raise_{i}",
                f"{c.side}.shoulder_elevation_deg",
                n["raise_deg"],
                said("the {side} shoulder is {shoulder}: not above 90°", side=term(c.side), shoulder=term(c.shoulder)),
            )
            page.limit(
                f"load_{i}",
                f"{c.side}.arm_carries_percent_bw",
                n["arm_percent_bw"],
                said("the {side} shoulder is {shoulder}: no load through it; the arm may rest", side=term(c.side), shoulder=term(c.shoulder)),
            )
            if c.shoulder == "uncontrolled":
                page.limit(
                    f"acts_{i}",
                    f"{c.side}.arm_acts",
                    0,
                    said("the {side} arm does not move by itself: it is held, by the other hand or on a pillow", side=term(c.side)),
                    when=Place.EXERCISES,
                )
            page.limit(
                f"pull_{i}",
                f"{c.side}.hand_pull_n",
                n["pull_n"],
                said("the {side} shoulder is {shoulder}: nothing pulls on that hand", side=term(c.side), shoulder=term(c.shoulder)),
            )
            page.limit(
                f"lying_{i}",
                f"{c.side}.shoulder_support_percent_bw",
                n["arm_percent_bw"],
                said("not lying on the {shoulder} shoulder", shoulder=term(c.shoulder)),
            )
        page.care(
            f"side_{i}",
            "standing",
            0,
            said("the {side} side may give way", side=term(c.side)),
            said("stand at the person’s {side} side; support within reach of the {other} hand", side=said(c.side), other=said("right" if c.side == "left" else "left")), read_by=Reader.HELPER,
        )
        page.care(
            f"own_{i}",
            "performed",
            0,
            "each side has its own quality",
            said("dose the {side} side by its own clean repetitions; the other side goes on", side=said(c.side)), read_by=Reader.SPECIALIST,
        )
        page.limit(f"breath_{i}", "breath_held", 0, "pressure rises with a held breath")
    return page.done()


RULE = Rule(
    "stroke",
    "Stroke",
    "No load through and no lift above 90° of a painful or uncontrolled shoulder; support on the weaker side; each side by its own quality.",
    (AHA,),
    SINCE,
    answer,
    (
        Number("raise_deg", 90, "deg", "arm raise of a painful or uncontrolled shoulder", AHA, SINCE),
        Number("pull_n", 2, "N", "what may pull on that hand", AHA, SINCE),
        Number("arm_percent_bw", 5, "% of body weight", "what that arm may carry", AHA, SINCE),
    ),
    (
        Example(
            "painful left shoulder",
            {"conditions": [{"kind": "stroke", "side": "left", "shoulder": "painful"}]},
            {"stroke.raise_0": 90.0, "stroke.load_0": 5.0},
        ),
        Example(
            "free shoulder",
            {"conditions": [{"kind": "stroke", "side": "left", "shoulder": "free"}]},
            {"stroke.raise_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.NEUROLOGY,
)
