"""A painful wrist.  A healed fracture is bone evidence, not a joint limit."""

from datetime import date

from amvel.case.conditions.joints import WristTrouble
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import ours, practice

TOLERATED = practice("tolerated value as found")
CAUTIOUS = ours("cautious value for an untested painful wrist")
SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Angle and load are two limits: fists change the first, forearms or a raise the second."""
    page = Page("wrist_trouble", TOLERATED)
    for i, c in enumerate(f.all(WristTrouble)):
        angle, load = c.tolerated_extension_deg, c.tolerated_load_percent_bw
        page.limit(
            f"angle_{c.side}_{i}",
            f"{c.side}.loaded_wrist_extension_deg",
            n["extension_deg"] if angle is None else angle,
            said("the {side} wrist hurts when bent back under load", side=term(c.side)),
            source=CAUTIOUS if angle is None else TOLERATED,
        )
        page.limit(
            f"load_{c.side}_{i}",
            f"{c.side}.hand_support_percent_bw",
            n["load_percent_bw"] if load is None else load,
            said("the {side} wrist hurts when it carries", side=term(c.side)),
            source=CAUTIOUS if load is None else TOLERATED,
        )
    return page.done()


_WRIST = {"kind": "wrist_trouble", "side": "right"}
RULE = Rule(
    "wrist_trouble",
    "Painful wrist",
    "What the wrist tolerates, as angle and as load.",
    (TOLERATED, CAUTIOUS),
    SINCE,
    answer,
    (
        Number("extension_deg", 20.0, "deg", "bent back under load, untested", CAUTIOUS, SINCE),
        Number("load_percent_bw", 15.0, "% of body weight", "load, untested", CAUTIOUS, SINCE),
    ),
    (
        Example(
            "not tested",
            {"conditions": [_WRIST]},
            {"wrist_trouble.angle_right_0": 20.0, "wrist_trouble.load_right_0": 15.0},
        ),
        Example(
            "tolerates 30° and 22 %",
            {"conditions": [{**_WRIST, "tolerated_extension_deg": 30, "tolerated_load_percent_bw": 22}]},
            {"wrist_trouble.angle_right_0": 30.0, "wrist_trouble.load_right_0": 22.0},
        ),
        Example(
            "a healed fracture is no joint limit",
            {"conditions": [{"kind": "fracture", "site": "wrist", "on": "2025-10-02"}]},
            {"wrist_trouble.angle_right_0": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PHYSIOTHERAPY,
)
