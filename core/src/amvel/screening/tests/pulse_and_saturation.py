"""Pulse and oxygen saturation at rest."""

from amvel.case import Case
from amvel.case.conditions.heart_and_lungs import OxygenTherapy
from amvel.case.results.vital import PulseAndSaturation
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import Source

SOURCE = Source(
    "resting pulse > 120, saturation < 88 % or below own target: no session (exercise guidelines)", reading=True
)
PULSE_LIMIT, SATURATION_LIMIT, WATCH_PERCENT = 120, 88, 92


def lowest_saturation(case: Case) -> int:
    """88 %, or the person's own target with oxygen when that is higher (a lower own target does not lower it)."""
    targets = [c.target_percent for c in case.conditions if isinstance(c, OxygenTherapy)]
    return max([SATURATION_LIMIT, *targets])


def read(result: PulseAndSaturation, case: Case) -> Reading:
    """Beyond these no session is held; below 92 % is watched."""
    parts, level = [], "ok"
    if result.pulse_per_min is not None:
        parts.append(f"pulse {result.pulse_per_min}")
        level = "stop" if result.pulse_per_min > PULSE_LIMIT else level
    if result.saturation_percent is not None:
        parts.append(f"saturation {result.saturation_percent} %")
        lowest = lowest_saturation(case)
        level = "stop" if result.saturation_percent < lowest else level
        if level == "ok" and result.saturation_percent < WATCH_PERCENT:
            level = "watch"
    return Reading(", ".join(parts) + (": no session today" if level == "stop" else ""), level, SOURCE)


TEST = ScreenTest(
    "pulse_and_saturation",
    "pulse and oxygen at rest",
    (
        "Sit for 5 min.",
        "Finger clip on a warm finger, 30 s.",
        "Count the pulse for 30 s if the clip is unsteady.",
    ),
    "Nothing is asked of the body.",
    0,
    read,
    SOURCE,
    "sitting",
    (
        Outcome("as usual", 0.95, {"pulse_per_min": 72, "saturation_percent": 97}),
        Outcome("beyond", 0.05, {"pulse_per_min": 126, "saturation_percent": 97}),
    ),
    unlocks="the session itself",
)
