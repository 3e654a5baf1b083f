"""A painful shoulder."""

from datetime import date

from amvel.safety.limits import Answer, Limit
from amvel.safety.rulebook import Rule
from amvel.screening import Findings
from amvel.sources import Source

TOLERATED = Source("tolerated value as found; common practice", from_memory=False)
CAUTIOUS = Source(
    "cautious value for an untested painful shoulder: our estimate", from_memory=False, reading=True
)
ELEVATION_DEG, LOAD_PERCENT_BW = 90.0, 15.0


def answer(f: Findings) -> Answer:
    """Height of the arm, and what hand, forearm and shoulder carry."""
    limits = []
    for i, c in enumerate(f.conditions("shoulder_trouble")):
        assert c.kind == "shoulder_trouble"
        high, load = c.tolerated_elevation_deg, c.tolerated_load_percent_bw
        limits.append(
            Limit(
                f"shoulder_trouble.elevation_{c.side}_{i}",
                f"{c.side}.shoulder_elevation_deg",
                ELEVATION_DEG if high is None else high,
                f"the {c.side} shoulder hurts when the arm goes higher",
                CAUTIOUS if high is None else TOLERATED,
            )
        )
        for part in ("hand", "forearm", "shoulder"):
            limits.append(
                Limit(
                    f"shoulder_trouble.{part}_load_{c.side}_{i}",
                    f"{c.side}.{part}_support_percent_bw",
                    LOAD_PERCENT_BW if load is None else load,
                    f"the {c.side} shoulder hurts when it carries",
                    CAUTIOUS if load is None else TOLERATED,
                )
            )
    return Answer(tuple(limits))


RULE = Rule(
    "shoulder_trouble",
    "Painful shoulder",
    "Height of the arm and load through it, by what the shoulder tolerates.",
    (TOLERATED, CAUTIOUS),
    date(2026, 1, 1),
    date(2026, 11, 24),
    date(2027, 11, 24),
    answer,
)
