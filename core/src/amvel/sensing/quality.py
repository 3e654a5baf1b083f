"""How well failures are found: of those that were there how many, how often for nothing, and how late."""

from collections.abc import Iterable
from dataclasses import dataclass

from amvel.sensing.detectors import Detected, Detectors
from amvel.sensing.simulated import Trace, seen_from_s

LATEST_S = 2.0  # what is said later is no help at the mat


@dataclass(frozen=True)
class Quality:
    """Over some traces: recall (0–1), false alarms a minute, and the longest delay in seconds of those that were found in time."""

    recall: float
    false_a_minute: float
    longest_s: float
    events: int


def found_in(trace: Trace) -> list[Detected]:
    detectors = Detectors()
    return [d for r in trace.readings for d in detectors.take(r)]


def quality(traces: Iterable[Trace]) -> Quality:
    there = found = alarms = 0
    minutes, longest = 0.0, 0.0
    for trace in traces:
        said = found_in(trace)
        minutes += trace.seconds / 60
        there += len(trace.events)
        explained: set[int] = set()
        for e in trace.events:
            own = [i for i, d in enumerate(said) if d.failure is e.failure and e.from_s <= d.t_s <= e.until_s + LATEST_S]
            explained.update(own)
            delays = [said[i].t_s - seen_from_s(e) for i in own]
            if delays and min(delays) <= LATEST_S:
                found += 1
                longest = max(longest, min(delays))
        alarms += len(said) - len(explained)
    return Quality(found / there if there else 1.0, alarms / max(1e-9, minutes), longest, there)


__all__ = ["Quality", "found_in", "quality"]
