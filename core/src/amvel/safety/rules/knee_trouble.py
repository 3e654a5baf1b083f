"""A painful knee."""

from datetime import date

from amvel.case.conditions.joints import KneeTrouble
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import ours, practice

TOLERATED = practice("tolerated value as found")
CAUTIOUS = ours("cautious value for an untested painful knee")
SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Bend under load, and kneeling: not asked counts as not tolerated."""
    page = Page("knee_trouble", TOLERATED)
    for i, c in enumerate(f.all(KneeTrouble)):
        bend = c.tolerated_loaded_flexion_deg
        page.limit(
            f"bend_{c.side}_{i}",
            f"{c.side}.loaded_knee_flexion_deg",
            n["loaded_flexion_deg"] if bend is None else bend,
            said("the {side} knee hurts when it is bent under load", side=term(c.side)),
            source=CAUTIOUS if bend is None else TOLERATED,
        )
        name, quantity, bound = (
            f"kneeling_{c.side}_{i}",
            f"{c.side}.knee_support_percent_bw",
            n["no_kneeling_percent_bw"],
        )
        if c.kneeling == "padded":
            page.care(
                name,
                quantity,
                bound,
                said("the {side} knee tolerates kneeling on a pad", side=term(c.side)),
                "thick pad under the knees",
            )
        elif c.kneeling != "tolerated":
            tested = said(" (not tested)") if c.kneeling == "unknown" else ""
            page.limit(
                name,
                quantity,
                bound,
                said("the {side} knee does not tolerate kneeling{tested}", side=term(c.side), tested=term(tested)),
                source=CAUTIOUS if tested else TOLERATED,
            )
    return page.done()


_KNEE = {"kind": "knee_trouble", "side": "left"}
RULE = Rule(
    "knee_trouble",
    "Painful knee",
    "Bend under load and kneeling, by what the knee tolerates.",
    (TOLERATED, CAUTIOUS),
    SINCE,
    answer,
    (
        Number("loaded_flexion_deg", 75.0, "deg", "bent under load, untested", CAUTIOUS, SINCE),
        Number(
            "no_kneeling_percent_bw", 2.0, "% of body weight", "what counts as not kneeling", CAUTIOUS, SINCE
        ),
    ),
    (
        Example(
            "not tested",
            {"conditions": [_KNEE]},
            {"knee_trouble.bend_left_0": 75.0, "knee_trouble.kneeling_left_0": 2.0},
        ),
        Example(
            "kneeling tolerated",
            {"conditions": [{**_KNEE, "kneeling": "tolerated"}]},
            {"knee_trouble.kneeling_left_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.PHYSIOTHERAPY,
)
