"""Pulse and oxygen saturation at rest."""

from datetime import date

from amvel.case import Case
from amvel.case.conditions.heart_and_lungs import OxygenTherapy
from amvel.case.results.vital import PulseAndSaturation
from amvel.checked import Profession
from amvel.languages import said, said_together, term
from amvel.numbers import Number, Numbers
from amvel.screening.declaration import Outcome, Reading, ScreenTest
from amvel.sources import COMMON_PRACTICE, practice

SOURCE = practice("resting pulse > 120, saturation < 88 % or below own target: no session (exercise guidelines, none at hand)", reading=True)
SINCE = date(2026, 1, 1)
NUMBERS = (
    Number("pulse_per_min", 120, "/min", "resting pulse above which no session is held", SOURCE, SINCE),
    Number("saturation_percent", 88, "%", "saturation below which no session is held", SOURCE, SINCE),
    Number("watch_percent", 92, "%", "saturation below which it is watched", COMMON_PRACTICE, SINCE),
)


def lowest_saturation(case: Case, n: Numbers) -> float:
    """88 %, or the person's own target with oxygen when that is higher (a lower own target does not lower it)."""
    targets = [c.target_percent for c in case.conditions if isinstance(c, OxygenTherapy)]
    return max([n["saturation_percent"], *targets])


def read(result: PulseAndSaturation, case: Case, n: Numbers) -> Reading:
    """Beyond these no session is held; below 92 % is watched."""
    parts, level = [], "ok"
    if result.pulse_per_min is not None:
        parts.append(said("pulse {pulse_per_min}", pulse_per_min=result.pulse_per_min))
        level = "stop" if result.pulse_per_min > n["pulse_per_min"] else level
    if result.saturation_percent is not None:
        parts.append(said("saturation {saturation_percent} %", saturation_percent=term(result.saturation_percent)))
        lowest = lowest_saturation(case, n)
        level = "stop" if result.saturation_percent < lowest else level
        if level == "ok" and result.saturation_percent < n["watch_percent"]:
            level = "watch"
    return Reading(said_together(parts, ", ") + (said(": no session today") if level == "stop" else ""), level, SOURCE)


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
    numbers=NUMBERS,
    check_by=Profession.HEART,
)
