"""A painful knee."""

from datetime import date
from typing import Any

from amvel.safety.limits import Answer, Limit
from amvel.safety.rulebook import Rule
from amvel.screening import Findings
from amvel.sources import Source

TOLERATED = Source("tolerated value as found; common practice", from_memory=False)
CAUTIOUS = Source("cautious value for an untested painful knee: our estimate", from_memory=False, reading=True)
LOADED_FLEXION_DEG, NO_KNEELING_PERCENT_BW = 75.0, 2.0


def answer(f: Findings) -> Answer:
    """Bend under load, and kneeling: not asked counts as not tolerated."""
    limits = []
    for i, c in enumerate(f.conditions("knee_trouble")):
        assert c.kind == "knee_trouble"
        bend = c.tolerated_loaded_flexion_deg
        limits.append(
            Limit(
                f"knee_trouble.bend_{c.side}_{i}",
                f"{c.side}.loaded_knee_flexion_deg",
                LOADED_FLEXION_DEG if bend is None else bend,
                f"the {c.side} knee hurts when it is bent under load",
                CAUTIOUS if bend is None else TOLERATED,
            )
        )
        kneel: dict[str, Any] = dict(quantity=f"{c.side}.knee_support_percent_bw", bound=NO_KNEELING_PERCENT_BW)
        if c.kneeling == "padded":
            limits.append(
                Limit(
                    f"knee_trouble.kneeling_{c.side}_{i}",
                    reason=f"the {c.side} knee tolerates kneeling on a pad",
                    source=TOLERATED,
                    strength="caution",
                    measure="thick pad under the knees",
                    **kneel,
                )
            )
        elif c.kneeling != "tolerated":
            limits.append(
                Limit(
                    f"knee_trouble.kneeling_{c.side}_{i}",
                    reason=f"the {c.side} knee does not tolerate kneeling"
                    + (" (not tested)" if c.kneeling == "unknown" else ""),
                    source=CAUTIOUS if c.kneeling == "unknown" else TOLERATED,
                    **kneel,
                )
            )
    return Answer(tuple(limits))


RULE = Rule(
    "knee_trouble",
    "Painful knee",
    "Bend under load and kneeling, by what the knee tolerates.",
    (TOLERATED, CAUTIOUS),
    date(2026, 1, 1),
    date(2026, 11, 24),
    date(2027, 11, 24),
    answer,
)
