"""How one movement went, session by session and side by side: what decisions are made of."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from amvel.case import Case
from amvel.case.visits import MovementDone, SetDone, Visit, sessions_of_step
from amvel.languages import Message, said, said_together, term
from amvel.movements.faults import faults_to_watch
from amvel.movements.library import find
from amvel.numbers import Numbers
from amvel.progress.proposal import Evidence


@dataclass(frozen=True)
class OneSide:
    """One side of one session: what was meant, what came clean, how it ended."""

    side: str
    target: int
    clean: int
    reached: bool
    early: bool
    faults: tuple[str, ...]
    cued: bool  # faults came, were cued, and the target was still met
    breath_easy: bool


@dataclass(frozen=True)
class Session:
    """One step in one visit."""

    visit: Visit
    done: MovementDone
    sides: tuple[OneSide, ...]

    @property
    def on(self) -> date:
        return self.visit.on

    @property
    def flared(self) -> bool:
        return self.visit.flared

    @property
    def told(self) -> bool:
        """Whether anybody asked how the day after was."""
        return self.visit.next_day is not None

    def of(self, side: str) -> OneSide | None:
        return next((s for s in self.sides if s.side in (side, "both")), None)

    def reached(self, side: str = "") -> bool:
        own = [s for s in self.sides if not side or s.side in (side, "both")]
        return bool(own) and all(s.reached for s in own) and not self.done.stopped_by_symptom

    def clean(self, side: str = "") -> bool:
        return self.done.clean_throughout(side or None) and not self.flared

    def early(self) -> bool:
        return any(s.early for s in self.sides)

    def evidence(self) -> Evidence:
        """The counts of this session, in words."""
        counts = [
            said("{side}: {clean} of {target} clean", side=term(s.side), clean=s.clean, target=s.target)
            if s.side != "both"
            else said("{clean} of {target} clean", clean=s.clean, target=s.target)
            for s in self.sides
        ]
        more: list[Message] = []
        if self.done.effort_0_to_10 is not None:
            more.append(said("effort {effort}", effort=self.done.effort_0_to_10))
        names = {f.id: f.name for f in faults_to_watch(find(self.done.step)[1])}
        more += [said(names[f]) for f in dict.fromkeys(f for s in self.sides for f in s.faults) if f in names]
        if self.flared:
            more.append(said("a flare the day after"))
        if self.done.stopped_by_symptom:
            more.append(said("ended by a symptom"))
        return Evidence(self.on, said_together([*counts, *more], ", "), self.visit.id, self.done.step)


def sessions(case: Case, step: str, n: Numbers) -> list[Session]:
    """Every session of a step that still counts, in order; the day of the case is the last."""
    return [
        Session(visit, done, _sides(done, n))
        for visit, done in sessions_of_step(case.visits, step)
        if 0 <= (case.as_of - visit.on).days <= n["looks_back_days"]
    ]


def _sides(done: MovementDone, n: Numbers) -> tuple[OneSide, ...]:
    names = dict.fromkeys(s.side for s in done.sets)
    breathing = frozenset(f.id for f in faults_to_watch(find(done.step)[1]) if f.breath)
    return tuple(_one_side(str(name), [s for s in done.sets if s.side == name], breathing, n) for name in names)


def _one_side(side: str, sets: Sequence[SetDone], breathing: frozenset[str], n: Numbers) -> OneSide:
    target, clean = sum(s.target for s in sets), sum(s.clean for s in sets)
    reached = all(s.reached for s in sets)
    faults = tuple(f.fault for s in sets for f in s.faults)
    failed = any(s.ended_by == "form" for s in sets)
    return OneSide(
        side,
        target,
        clean,
        reached,
        early=failed and clean < n["early_share"] * target,
        faults=faults,
        cued=reached and bool(faults),
        breath_easy=not breathing.intersection(faults),
    )


__all__ = ["OneSide", "Session", "sessions"]
