"""Positions that the person cannot get to, or does not tolerate."""

from datetime import date

from amvel.safety.limits import Answer, Limit
from amvel.safety.rulebook import Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE


def answer(f: Findings) -> Answer:
    """No floor without getting there and up again; no lying flat or face down that is not tolerated."""
    t, limits = f.case.tolerates, []
    if t.floor == "no" or f.floor_rise == "unable":
        limits.append(
            Limit(
                "reachable_positions.floor",
                "floor_transfer",
                0,
                "cannot get down to the floor and up again; use the bed or the chair version",
                COMMON_PRACTICE,
            )
        )
    elif f.floor_rise == "with_help":
        limits.append(
            Limit(
                "reachable_positions.floor_home",
                "floor_transfer",
                0,
                "gets up from the floor only with help",
                COMMON_PRACTICE,
                when="home",
            )
        )
    if t.lying_flat == "no":
        limits.append(
            Limit("reachable_positions.flat", "lying_flat", 0, "does not tolerate lying flat", COMMON_PRACTICE)
        )
    if t.face_down == "no":
        limits.append(
            Limit(
                "reachable_positions.face_down",
                "lying_flat",
                0,
                "does not tolerate lying face down",
                COMMON_PRACTICE,
                when="face down",
            )
        )
    return Answer(tuple(limits))


RULE = Rule(
    "reachable_positions",
    "Positions that can be reached",
    "Who cannot get to a position safely is never given it.",
    (COMMON_PRACTICE,),
    date(2026, 1, 1),
    date(2026, 11, 24),
    date(2027, 11, 24),
    answer,
)
