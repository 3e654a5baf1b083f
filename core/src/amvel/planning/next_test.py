"""Which test to do next: the safe, reachable one that would change most verdicts.

Every test states possible outcomes with priors.  Each outcome is entered as if it had been found, and the steps
whose admissibility changes are counted; the expected count ranks the tests.  Gates come first whatever they decide.
Ranges change poses as well as limits: the steps whose joints stop there are solved again, so that the promise holds.
"""

from dataclasses import dataclass, field

import numpy as np
from typing_extensions import TypedDict

from amvel.body import DECLARED, Capacities
from amvel.case import CaseError, amended
from amvel.engine import Engine, profiler_for
from amvel.languages import said, said_together, term
from amvel.movements import Profiler, Request
from amvel.movements.look import Look
from amvel.movements.profiler import solve_together
from amvel.quantities import base_id
from amvel.safety import CONTEXTS, Envelope, Limit, Table
from amvel.safety.limits import Place
from amvel.safety.table import Flags
from amvel.screening import ScreenTest, test_library
from amvel.screening.declaration import Outcome, current

# What a test's position asks of the person, as a quantity that a limit may close.
_NEEDS = {
    "standing": "standing",
    "lying": "lying_flat",
    "on the floor": "floor_transfer",
    "hands and knees": "on_hands_and_knees",
    "face down": "face_down",
}


@dataclass(frozen=True)
class Promise:
    """One outcome and the steps whose admissibility it would change."""

    says: str
    probability: float
    steps: tuple[str, ...]


@dataclass(frozen=True)
class Due:
    """A test that could be done now, with what it decides; `unsafe` says why not, `instead` what to do then."""

    test: ScreenTest
    promises: tuple[Promise, ...]
    unsafe: str = ""

    @property
    def expected(self) -> float:
        return sum(p.probability * len(p.steps) for p in self.promises)


class OutcomeData(TypedDict):
    """What one result of a test would change."""

    says: str
    probability: float
    changes: int
    steps: list[str]


class DueTestData(TypedDict):
    """A test that is due, with what it decides."""

    test: str
    title: str
    group: str
    gate: bool
    decides: int
    expected: float
    unsafe: str
    instead: str
    outcomes: list[OutcomeData]
    why: str


def next_tests(engine: Engine) -> list[DueTestData]:
    """Due tests as data: gates first, then the safe ones by what they decide, then those to leave out with the reason."""
    return [_data(d) for d in due_tests(engine)]


def due_tests(engine: Engine) -> list[Due]:
    """Every test without a result that still holds, best first."""
    trial = _Trials(engine)
    tests = [t for t in test_library().values() if not fresh(engine, t)]
    trial.prepare(tests)
    found = [Due(t, trial.promises(t), unsafe(engine, trial, t)) for t in tests]
    return sorted(found, key=lambda d: (bool(d.unsafe), not d.test.gate, -d.expected, d.test.id))


def fresh(engine: Engine, test: ScreenTest) -> bool:
    """Done and still valid (both sides where it has sides), or without meaning at this age."""
    low, high = test.ages
    if not low <= engine.findings.age <= high:
        return True
    results = current(engine.case, test.id, test.validity_days)
    return {r.side for r in results} >= {"left", "right"} if test.per_side else bool(results)


def unsafe(engine: Engine, trial: "_Trials", test: ScreenTest) -> str:
    """Why this test is left out today; '' when nothing stands against it."""
    reason = test.avoid(engine.case)
    if reason:
        return reason
    closing = _closing(engine.envelope.limits, _NEEDS.get(test.position, ""))
    if closing:
        return closing
    for ref in test.poses:
        if not trial.allowed_in_visit(ref):
            return said("it is itself a movement that is closed here ({what})", what=term(ref.replace('/', ': ').replace('_', ' ')))
    return ""


def _closing(limits: tuple[Limit, ...], quantity: str) -> str:
    for x in limits:
        if (
            quantity
            and x.quantity == quantity
            and x.when is Place.ANYWHERE
            and not x.at_home
            and x.strength != "caution"
            and x.bound == 0
            and not x.at_least
            and not x.only_step
        ):
            return x.reason
    return ""


@dataclass
class _Moved:
    """Ranges that some outcome would leave: the rows of the table that they would place otherwise, and those of them that are
    open as sketches under the limits of one such outcome."""

    profiler: Profiler
    rows: list[int] = field(default_factory=list)
    envelopes: list[Envelope] = field(default_factory=list)
    rows_open: list[int] = field(default_factory=list)

    def still_open(self, sketches: Table) -> list[int]:
        open_somewhere: Flags = np.zeros(len(self.rows), dtype=bool)
        for envelope in self.envelopes:
            for c in CONTEXTS:
                open_somewhere |= sketches.allowed(envelope, c, by_frames_alone=True)
        return [row for row, is_open in zip(self.rows, open_somewhere, strict=True) if is_open]


class _Trials:
    """The case with outcomes entered one at a time."""

    def __init__(self, engine: Engine) -> None:
        self.engine, self.table = engine, engine.table
        self.moved: dict[str, _Moved] = {}  # by the ranges that an outcome would leave
        self.base = {c: self.table.allowed(engine.envelope, c) for c in CONTEXTS}

    def allowed_in_visit(self, ref: str) -> bool:
        """Whether some version of a step is open with someone near: as it is, or with its measures changed."""
        rows = [i for i, label in enumerate(self.table.labels) if label == ref]
        if not rows or self.base["visit"][rows].any():
            return True
        family, _, step = ref.partition("/")
        return any(v.allowed for v in self.engine.judge(family, step, ("visit",)))

    def promises(self, test: ScreenTest) -> tuple[Promise, ...]:
        return tuple(
            Promise(o.says, o.probability, self._changes(self.entered[test.id, i]))
            for i, o in enumerate(test.outcomes)
        )

    def prepare(self, tests: list[ScreenTest]) -> None:
        """Enter every outcome, and solve what other ranges would place otherwise in one batch: first as sketches, since what
        fails in its declared frames fails."""
        self.entered = {(t.id, i): self._entered(t, o) for t in tests for i, o in enumerate(t.outcomes)}
        old, own = self.engine.findings.capacities, self.engine.profiler
        for trial in self.entered.values():
            if trial is None or trial.findings.capacities.digest() == old.digest():
                continue
            new = trial.findings.capacities
            moved = self.moved.setdefault(new.digest(), _Moved(profiler_for(own.body, new, own)))
            moved.rows = sorted({*moved.rows, *self._open_rows(old, new, trial.envelope)})
            moved.envelopes.append(trial.envelope)
        solve_together([(m.profiler, self._requests(m.rows)) for m in self.moved.values()], Look.SKETCH)
        for m in self.moved.values():
            m.rows_open = m.still_open(Table(m.profiler.sketches(self._requests(m.rows))))
        solve_together([(m.profiler, self._requests(m.rows_open)) for m in self.moved.values()], Look.WHOLE)

    def _requests(self, rows: list[int]) -> list[Request]:
        return [self.table.profiles[i].request for i in rows]

    def _open_rows(self, old: Capacities, new: Capacities, envelope: Envelope) -> list[int]:
        """Poses that would be placed otherwise and whose answer may turn: under these limits a freer joint closes nothing that
        is open, a shorter one opens nothing that is closed."""
        freer = all(v >= old.of(k) for k, v in new.range_deg.items())
        shorter = all(v <= old.of(k) for k, v in new.range_deg.items())
        as_placed = [self.table.allowed(envelope, c) for c in CONTEXTS]
        everywhere, somewhere = np.logical_and.reduce(as_placed), np.logical_or.reduce(as_placed)
        declared = self._closed_as_declared(envelope)
        return [
            i
            for i, p in enumerate(self.table.profiles)
            if not (freer and everywhere[i])
            and not (shorter and not somewhere[i])
            and not declared[i]
            and p.placed_otherwise(old, new)
        ]

    def _closed_as_declared(self, envelope: Envelope) -> Flags:
        """Poses that are closed in every context by what their step declares, however this body would lie in them."""
        closed: Flags = np.ones(len(self.table.labels), dtype=bool)
        for c in CONTEXTS:
            here: Flags = np.zeros(len(self.table.labels), dtype=bool)
            for limit in envelope.limits:
                if limit.strength != "caution" and base_id(limit.quantity) in DECLARED:
                    here |= self.table.breaks(limit, c)
            closed &= here
        return closed

    def _changes(self, trial: Engine | None) -> tuple[str, ...]:
        if trial is None:
            return ()
        now = self._under(trial)
        changed: Flags = np.zeros(len(self.table.labels), dtype=bool)
        for c in CONTEXTS:
            changed |= now[c] ^ self.base[c]
        return tuple(sorted({label for label, flag in zip(self.table.labels, changed, strict=True) if flag}))

    def _entered(self, test: ScreenTest, outcome: Outcome) -> Engine | None:
        sides: tuple[str | None, ...] = ("left", "right") if test.per_side else (None,)
        today = self.engine.case.as_of.isoformat()
        added = [{"test": test.id, "on": today, **({"side": s} if s else {}), **outcome.result} for s in sides]
        try:
            return Engine(amended(self.engine.case, {"tests": [*self.engine.case.tests, *added]}))
        except CaseError:
            return None

    def _under(self, trial: Engine) -> dict[str, Flags]:
        flags = {c: self.table.allowed(trial.envelope, c) for c in CONTEXTS}
        moved = self.moved.get(trial.findings.capacities.digest())
        if moved is not None:
            solved = Table(moved.profiler.profiles(self._requests(moved.rows_open)))
            for c in CONTEXTS:
                flags[c][moved.rows] = False
                flags[c][moved.rows_open] = solved.allowed(trial.envelope, c)
        return flags


def _promised(p: Promise) -> str:
    if len(p.steps) == 1:
        return said("{says}: 1 movement changes", says=said(p.says))
    return said("{says}: {count} movements change", says=said(p.says), count=len(p.steps))


def _data(d: Due) -> DueTestData:
    count = round(d.expected, 1)
    most = max((len(p.steps) for p in d.promises), default=0)
    if d.unsafe:
        why = said("left out: {unsafe}", unsafe=term(d.unsafe))
    elif d.test.gate:
        why = said("first, always: a gate")
    elif most == 0:
        why = said("changes nothing now")
    else:
        why = said_together((_promised(p) for p in d.promises), "; ")
    return {
        "test": d.test.id,
        "title": d.test.title,
        "group": d.test.group,
        "gate": d.test.gate,
        "decides": most,
        "expected": count,
        "unsafe": d.unsafe,
        "instead": d.test.instead if d.unsafe else "",
        "outcomes": [
            {"says": said(p.says), "probability": p.probability, "changes": len(p.steps), "steps": list(p.steps)}
            for p in d.promises
        ],
        "why": why,
    }


__all__ = ["Due", "Promise", "due_tests", "fresh", "next_tests"]
