"""A painful wrist.  A healed fracture is bone evidence, not a joint limit."""

from datetime import date

from amvel.safety.limits import Answer, Limit
from amvel.safety.rulebook import Rule
from amvel.screening import Findings
from amvel.sources import Source

TOLERATED = Source("tolerated value as found; common practice", from_memory=False)
CAUTIOUS = Source("cautious value for an untested painful wrist: our estimate", from_memory=False, reading=True)
EXTENSION_DEG, LOAD_PERCENT_BW = 20.0, 15.0


def answer(f: Findings) -> Answer:
    """Angle and load are two limits: fists change the first, forearms or a raise the second."""
    limits = []
    for i, c in enumerate(f.conditions("wrist_trouble")):
        assert c.kind == "wrist_trouble"
        angle, load = c.tolerated_extension_deg, c.tolerated_load_percent_bw
        limits += [
            Limit(
                f"wrist_trouble.angle_{c.side}_{i}",
                f"{c.side}.wrist_extension_loaded_deg",
                EXTENSION_DEG if angle is None else angle,
                f"the {c.side} wrist hurts when bent back under load",
                CAUTIOUS if angle is None else TOLERATED,
            ),
            Limit(
                f"wrist_trouble.load_{c.side}_{i}",
                f"{c.side}.hand_support_percent_bw",
                LOAD_PERCENT_BW if load is None else load,
                f"the {c.side} wrist hurts when it carries",
                CAUTIOUS if load is None else TOLERATED,
            ),
        ]
    return Answer(tuple(limits))


RULE = Rule(
    "wrist_trouble",
    "Painful wrist",
    "What the wrist tolerates, as angle and as load.",
    (TOLERATED, CAUTIOUS),
    date(2026, 1, 1),
    date(2026, 11, 24),
    date(2027, 11, 24),
    answer,
)
