"""Blood pressure."""

from datetime import date

from amvel.safety.limits import Answer, Limit
from amvel.safety.rulebook import Rule
from amvel.screening import Findings
from amvel.screening.tests.blood_pressure import DROP, HIGH

HOLD_S = 10.0


def answer(f: Findings) -> Answer:
    """Raised or unknown: no breath hold, short holds. A drop on standing: few rises, pauses."""
    limits: list[Limit] = []
    unknown = f.assumed("blood_pressure")
    if f.pressure_raised or unknown:
        why = "pressure is raised" if f.pressure_raised else "pressure was not taken today"
        limits += [
            Limit("blood_pressure.breath", "breath_held", 0, f"{why}: the breath is never held", HIGH),
            Limit("blood_pressure.hold", "hold_s", HOLD_S, f"{why}: holds stay short", HIGH),
        ]
    if f.pressure_drops:
        limits.append(
            Limit(
                "blood_pressure.drop",
                "rises",
                0,
                "pressure falls on standing",
                DROP,
                "caution",
                measure="sit for a minute before and after each rise; stop at dizziness",
            )
        )
    return Answer(tuple(limits))


RULE = Rule(
    "blood_pressure",
    "Blood pressure",
    "Raised pressure: no breath hold, holds of at most 10 s. A drop on standing: few rises, with pauses.",
    (HIGH, DROP),
    date(2011, 4, 1),
    date(2026, 11, 24),
    date(2027, 11, 24),
    answer,
)
