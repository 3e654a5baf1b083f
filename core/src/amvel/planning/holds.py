"""From positions that were held to suggested holds of other steps: the posed demand, the estimated capacity, and its spread.

A hold at a known moment gives the largest moment by the curve of Frey Law & Avin 2010; another step's moment, on the
same body and of the same wall of the trunk, gives its time.  The spread between people is wide and shown.  What is held
in the sessions that somebody has seen moves the estimate: a clean hold that is longer proves more, one failure proves
nothing less, three in a row do.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date
from typing import Literal
from weakref import WeakKeyDictionary

import numpy as np

from amvel.body import JOINTS
from amvel.body.endurance import LEAST_THAT_TIRES, Estimate, estimated_capacity, estimated_hold
from amvel.body.pushes import GRAVITY_M_S2
from amvel.case.results.endurance import TimedResult
from amvel.case.visits import in_order
from amvel.engine import Engine
from amvel.movements import Family, Profile, Request, Step, all_steps, find
from amvel.movements.levels import HELD_WAYS, Way
from amvel.safety import sides_of
from amvel.screening import test_library
from amvel.screening.declaration import TimedHold

TestedSide = Literal["left", "right", "both"]
CLEAN_SHARE = 0.5  # of the estimated time: a clean repetition ends well before failure (our choice)
SHORTEST_S = 3.0
OWN_SHARE = 0.8  # of the whole moment at L4/5: below it something else than this wall of the trunk holds as much (our reading)
IN_A_ROW = 3  # failures below the estimate that lower it (common practice, no source)
_BELOW = ("pelvis", "thigh", "shank", "foot", "toes")
_WHOLE = "moment_l4_l5_nm"
_MOMENTS = {
    Way.ARCHING: ("arching_moment_l4_l5_nm",),
    Way.BENDING: ("bending_moment_l4_l5_nm",),
    Way.SIDE: ("left.side_moment_l4_l5_nm", "right.side_moment_l4_l5_nm"),
}
@dataclass(frozen=True)
class Held:
    """One hold that somebody saw: in a timed test, or as the longest clean one of a set; `failed` where it went no longer."""

    way: Way
    side: TestedSide
    on: date
    seconds: float
    demand_nm: float
    test: str = ""
    step: str = ""
    failed: bool = True

    @property
    def capacity_nm(self) -> float:
        return estimated_capacity(self.demand_nm, self.seconds)


@dataclass(frozen=True)
class Hold:
    """One step's estimated time to failure and the clean hold suggested from it."""

    ref: str
    side: str
    demand_nm: float
    estimate: Estimate
    suggested_s: float


@dataclass(frozen=True)
class Capacity:
    """What the holds of one wall of the trunk say: its largest moment, what showed it, and holds of other steps.

    `whole` is how long the pose of the timed test on the feet would be held, so that one number can be followed; None where
    this body cannot take it.
    """

    shown_by: Held
    logged: int
    capacity_nm: float
    whole: Estimate | None
    holds: tuple[Hold, ...]


def estimated_holds(engine: Engine, ref: str = "") -> list[Capacity]:
    """Every wall and side of the trunk of which a hold is known, with the holds that follow from it.

    `ref` asks about one step alone: then nothing is solved for the others.
    """
    return _known(engine, [find(ref)] if ref else [(f, s) for f, s in all_steps() if s.dose.hold_s > 0])


def endurance(engine: Engine) -> list[Capacity]:
    """The same without the holds of any step."""
    return _known(engine, [])


def _known(engine: Engine, steps: list[tuple[Family, Step]]) -> list[Capacity]:
    by_wall: dict[tuple[Way, TestedSide], list[Held]] = {}
    for held in _evidence(engine):
        by_wall.setdefault((held.way, held.side), []).append(held)
    return [c for known in by_wall.values() if (c := _capacity(engine, known, steps)) is not None]


def shown_by(known: list[Held]) -> Held | None:
    """The hold that the estimate rests on, of one wall and side from the oldest to the newest; None while nothing failed.

    A set that ends at its target says only that so much can be held.
    """
    best: Held | None = None
    failures: list[Held] = []
    for held in known:
        failures = [*failures, held][-IN_A_ROW:] if held.failed and not held.test else []
        if held.test or (best is None and held.failed) or (best is not None and held.capacity_nm > best.capacity_nm):
            best = held
        elif len(failures) == IN_A_ROW:
            best = max(failures, key=lambda h: h.capacity_nm)
    return best


def _capacity(engine: Engine, known: list[Held], steps: list[tuple[Family, Step]]) -> Capacity | None:
    best = shown_by(known)
    if best is None:
        return None
    capacity = best.capacity_nm
    holds = []
    for family, step in steps:
        demand = _of_the_wall(_usual(engine, family, step), best.way)
        if demand < LEAST_THAT_TIRES * capacity:
            continue
        estimate = estimated_hold(capacity, demand)
        clean = 0.0 if estimate.seconds < SHORTEST_S else max(SHORTEST_S, round(CLEAN_SHARE * estimate.low_s))
        holds.append(Hold(family.ref(step), best.side if step.sides else "both", demand, estimate, clean))
    tested_nm = _whole_nm(engine, best.way)
    whole = estimated_hold(capacity, tested_nm) if tested_nm > 0 else None
    return Capacity(best, sum(not h.test for h in known), capacity, whole, tuple(holds))


_READ: WeakKeyDictionary[Engine, tuple[Held, ...]] = WeakKeyDictionary()  # a slider asks at every stop


def _evidence(engine: Engine) -> tuple[Held, ...]:
    """Every hold that is known, the oldest first; a test before what was logged on its day."""
    if engine not in _READ:
        _READ[engine] = tuple(sorted((*_timed(engine), *_logged(engine)), key=lambda h: (h.on, h.test == "")))
    return _READ[engine]


def _timed(engine: Engine) -> Iterator[Held]:
    """The newest result of each test and side."""
    newest: dict[tuple[str, TestedSide], TimedResult] = {}
    for r in sorted(engine.case.tests, key=lambda r: r.on):
        if isinstance(r, TimedResult) and r.seconds > 0 and _pose_of(r.test) is not None:
            newest[r.test, getattr(r, "side", "both")] = r
    for (test, side), r in newest.items():
        pose = _pose_of(test)
        assert pose is not None
        # Who does not say what was down may have been on the knees, which asks less.
        demand = _timed_nm(engine, pose, on_the_feet=getattr(r, "down", "feet") == "feet")
        if demand > 0:
            yield Held(pose.way, side, r.on, r.seconds, demand, test=test)


def _pose_of(test: str) -> TimedHold | None:
    return test_library()[test].timed


def _logged(engine: Engine) -> Iterator[Held]:
    """The longest clean hold of every set that somebody of the trade has seen and no symptom ended."""
    known: dict[str, dict[Way, float]] = {}
    for visit in in_order(tuple(v for v in engine.case.visits if v.seen)):
        for done in visit.movements:
            if done.stopped_by_symptom:
                continue
            for s in done.sets:
                if s.held_s is None or s.held_s < SHORTEST_S:
                    continue
                if done.step not in known:
                    known[done.step] = _least_asked(engine, done.step)
                for way, demand in known[done.step].items():
                    for side in _sides(way, s.side):
                        yield Held(way, side, visit.on, s.held_s, demand, step=done.step, failed=s.ended_by == "form")


def _sides(way: Way, done: TestedSide) -> tuple[TestedSide, ...]:
    if way is not Way.SIDE:
        return ("both",)
    return ("left", "right") if done == "both" else (done,)


def _least_asked(engine: Engine, ref: str) -> dict[Way, float]:
    """What a logged step asks of each wall at least: the log does not say in which version it was done."""
    family, step = find(ref)
    verdicts = engine.verdicts if engine.is_judged else engine.judge(family.id, step.id)
    own = [v.profile for v in verdicts if v.ref == ref and v.allowed]
    profiles = [_usual(engine, family, step), *own]
    asked = {way: min(_of_the_wall(p, way) for p in profiles) for way in HELD_WAYS}
    return {way: nm for way, nm in asked.items() if nm > 0}


def _usual(engine: Engine, family: Family, step: Step) -> Profile:
    return engine.profiler.profile(Request(family, step, sides_of(step)[0], engine.values(family, step)))


def _of_the_wall(profile: Profile, way: Way) -> float:
    """The moment at L4/5 of the pose that is held, the last one declared; 0 where this wall is not what holds it."""
    if profile.fault:
        return 0.0
    held = profile.rows[-1]
    own = max(float(profile.columns[name][held]) for name in _MOMENTS[way])
    return own if own >= OWN_SHARE * float(profile.columns[_WHOLE][held]) else 0.0


def _whole_nm(engine: Engine, way: Way) -> float:
    """What the timed test of this wall asks of it on the feet; 0 when this body cannot take the pose."""
    return _timed_nm(engine, next(t.timed for t in test_library().values() if t.timed is not None and t.timed.way is way))


def _timed_nm(engine: Engine, pose: TimedHold, on_the_feet: bool = True) -> float:
    ref = pose.feet if on_the_feet else pose.knees or pose.feet
    return _of_the_wall(_usual(engine, *find(ref)), pose.way) if ref else _trunk_level_nm(engine)


def _trunk_level_nm(engine: Engine) -> float:
    """The test's own pose: trunk, head and arms level and unsupported, the hips carried; moment about L4/5."""
    skeleton = engine.profiler.skeleton
    level = _heights(engine)
    pivot = level["lumbar"]
    return sum(
        mass * GRAVITY_M_S2 * max(0.0, level[name] - pivot)
        for name, mass in zip(skeleton.names, skeleton.mass_kg, strict=True)
        if not any(part in name for part in _BELOW)
    )


def _heights(engine: Engine) -> dict[str, float]:
    """Heights of the segments' centres in standing, in metres: their distances along a straight trunk."""
    skeleton = engine.profiler.skeleton
    zero = np.zeros((1, 3))
    placed = skeleton.place(zero, np.eye(3)[None], np.zeros((1, len(JOINTS))))
    points = skeleton.points(placed)[0]
    heights = {n: float(points[r, 2]) for n, r in zip(skeleton.names, skeleton.com_rows, strict=True)}
    lumbar = skeleton.segment_index["lumbar"]
    heights["lumbar"] = float(placed.origin[0, lumbar, 2])
    arms = {n for n in heights if any(p in n for p in ("upper_arm", "forearm", "hand"))}
    chest = heights["upper_thorax"]
    return {n: chest if n in arms else h for n, h in heights.items()}  # arms crossed on the chest
