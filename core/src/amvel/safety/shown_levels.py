"""Which level of trunk work somebody has shown, in each way of working: by tests, by daily rises, and by the log."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache
from typing import Any

from amvel.case import Case
from amvel.case.affected import HOLDS_THE_TRUNK
from amvel.case.visits import went_clean
from amvel.languages import said
from amvel.movements.levels import HIGHEST, Way, named_levels
from amvel.screening import Findings

Numbers = Mapping[str, float]
_BELLY = (Way.ARCHING, Way.SIDE, Way.TURNING)
_EVERY = (*_BELLY, Way.BENDING)


@dataclass(frozen=True)
class Shows:
    """A result that shows a level in some ways of working: the tests it is read from, and when it holds."""

    level: int
    ways: tuple[Way, ...]
    tests: tuple[str, ...]
    holds: Callable[[Findings, Numbers], bool]
    says: str


@dataclass(frozen=True)
class Shown:
    """The level that has been shown in one way, by what, and the tests that could show the next one."""

    level: int
    by: str
    next_by: tuple[str, ...]


def _clean(f: Findings, test: str, good: Callable[[Any], bool] = lambda r: True) -> bool:
    """Both sides done, nothing gave, and good enough."""
    results = f.results(test)
    return {r.side for r in results} == {"left", "right"} and all(
        good(r) and getattr(r, "gives", "nothing") == "nothing" for r in results
    )


def _float_and_fall_out(f: Findings, n: Numbers) -> bool:
    lifts = _clean(f, "toe_float_clean", lambda r: r.cm <= n["float_cm"])
    return lifts and _clean(f, "fall_out_clean", lambda r: r.deg >= n["fall_out_deg"])


def _leg_reach(f: Findings, n: Numbers) -> bool:
    return _clean(f, "leg_reach_clean", lambda r: r.hip_deg <= n["leg_reach_deg"])


def _limb_lift(f: Findings, n: Numbers) -> bool:
    return _clean(f, "limb_lift_clean", lambda r: r.repetitions >= n["limb_lifts"])


def _leg_raise(f: Findings, n: Numbers) -> bool:
    both = _clean(f, "active_leg_raise")
    return both and sum(r.score for r in f.results("active_leg_raise")) <= n["leg_raise_sum"]


def _rises(f: Findings, n: Numbers) -> bool:
    stands = f.results("chair_stand_30s")
    return bool(stands) and all(r.count >= n["stands"] and not r.arms_used for r in stands)


def _wall_plank(f: Findings, n: Numbers) -> bool:
    breath = f.results("breath_directions")
    kept = bool(breath) and all(r.changed_by_leg == "none" for r in breath)
    return kept and _clean(f, "wall_plank_drop", lambda r: r.drop_cm <= n["drop_cm"])


def _held(test: str, number: str) -> Callable[[Findings, Numbers], bool]:
    def holds(f: Findings, n: Numbers) -> bool:
        results = f.results(test)
        sided = {getattr(r, "side", "both") for r in results}
        return (sided == {"both"} or sided == {"left", "right"}) and all(r.seconds >= n[number] for r in results)

    return holds


def _strong(test: str) -> Callable[[Findings, Numbers], bool]:
    def holds(f: Findings, n: Numbers) -> bool:
        whole = not any(c.affects() & HOLDS_THE_TRUNK for c in f.case.conditions)
        whole_length = all(getattr(r, "down", "feet") == "feet" for r in f.results(test))
        return whole and whole_length and _held(test, "long_hold_s")(f, n) and _balanced(f, n)

    return holds


def _balanced(f: Findings, n: Numbers) -> bool:
    """Side against side and against the back, as far as both were held; the sides and the back must have been."""
    seconds = {t: [r.seconds for r in f.results(t)] for t in ("side_bridge_hold", "back_extensor_hold", "flexor_hold")}
    sides, back = seconds["side_bridge_hold"], seconds["back_extensor_hold"]
    if len(sides) < 2 or not back or min(back) <= 0:
        return False
    even = min(sides) / max(sides) >= 1 - n["side_to_side"]
    return even and max(sides) / min(back) < n["side_to_back"] and all(s / min(back) < 1 for s in seconds["flexor_hold"])


SHOWS: tuple[Shows, ...] = (
    Shows(2, _EVERY, ("toe_float_clean", "fall_out_clean"), _float_and_fall_out, said("toe float and fall-out clean on both sides")),
    Shows(3, _BELLY, ("leg_reach_clean",), _leg_reach, said("the leg reach clean on both sides")),
    Shows(3, _BELLY, ("active_leg_raise",), _leg_raise, said("either leg raised straight with hardly any effort")),
    Shows(3, (Way.BENDING, Way.TURNING, Way.SIDE), ("limb_lift_clean",), _limb_lift, said("the limb lift clean on both sides")),
    Shows(3, (Way.BENDING,), ("chair_stand_30s",), _rises, said("rises from a chair without the arms")),
    Shows(4, _BELLY, ("wall_plank_drop", "breath_directions"), _wall_plank, said("the wall plank without a drop, breath kept with each leg lifted")),
    Shows(4, (Way.BENDING,), ("back_extensor_hold",), _held("back_extensor_hold", "short_hold_s"), said("the back held level")),
    Shows(5, _BELLY, ("plank_hold",), _held("plank_hold", "hold_s"), said("a plank held clean")),
    Shows(5, (Way.SIDE, Way.TURNING), ("side_bridge_hold",), _held("side_bridge_hold", "hold_s"), said("a side bridge held clean on each side")),
    Shows(5, (Way.BENDING,), ("back_extensor_hold",), _held("back_extensor_hold", "hold_s"), said("the back held level for longer")),
    Shows(6, _BELLY, ("plank_hold", "side_bridge_hold", "back_extensor_hold"), _strong("plank_hold"), said("a long plank, balanced against side and back")),
    Shows(6, (Way.SIDE, Way.TURNING), ("side_bridge_hold", "back_extensor_hold"), _strong("side_bridge_hold"), said("long, even side bridges")),
    Shows(6, (Way.BENDING,), ("back_extensor_hold", "side_bridge_hold"), _strong("back_extensor_hold"), said("the back held long, balanced against the sides")),
)


def shown_levels(f: Findings, n: Numbers) -> dict[Way, Shown]:
    """Per way the highest level that anything shows; what was shown of one way says nothing of another.

    What presses the spine together comes with every way of working: its level is the highest of theirs.
    """
    out: dict[Way, Shown] = {}
    shown = [s for s in SHOWS if s.holds(f, n)]
    for way in _EVERY:
        level, by = 0, ""
        for s in shown:
            if way in s.ways and s.level > level:
                level, by = s.level, s.says
        logged = _logged(f.case, way, n)
        if logged > level:
            level, by = logged, said("clean in two sessions in a row")
        out[way] = Shown(level, by, ())
    best = max(out.values(), key=lambda s: s.level)
    return {**out, Way.PRESS: best}


@lru_cache(maxsize=64)
def tests_beyond(way: Way, level: int) -> tuple[str, ...]:
    """The tests that could show more than this level in this way, those of the next level only."""
    beyond = [s for s in SHOWS if s.level > level and (way in s.ways or way is Way.PRESS)]
    nearest = min((s.level for s in beyond), default=HIGHEST + 1)
    return tuple(dict.fromkeys(t for s in beyond if s.level == nearest for t in s.tests))


def _logged(case: Case, way: Way, n: Numbers) -> int:
    """The highest level of which the last sessions in a row were clean, of those that somebody saw (our reading: at home nobody looks)."""
    days: dict[int, dict[date, bool]] = {}
    for visit, done in ((v, m) for v in case.visits if v.seen for m in v.movements if m.sets):
        level = named_levels().get(done.step, {}).get(way, 0)
        if level and case.as_of - visit.on <= timedelta(days=n["log_days"]):
            on = days.setdefault(level, {})
            on[visit.on] = on.get(visit.on, True) and went_clean(visit, done)
    needed = int(n["clean_in_a_row"])
    last = {level: [on[d] for d in sorted(on)[-needed:]] for level, on in days.items()}
    return max((level for level, clean in last.items() if len(clean) == needed and all(clean)), default=0)


__all__ = ["SHOWS", "Shown", "Shows", "shown_levels", "tests_beyond"]
