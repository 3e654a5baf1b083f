"""People who do not exist, with a true capacity, noise, learning and flares: to measure the rules of progress on.

What is drawn is stated in docs/progress.md with its sources; none of it is told to the rules, which see only what a log
shows.  The same seed gives the same person.
"""

import random
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field
from datetime import date, time, timedelta
from math import exp
from typing import Literal

from amvel.case import Case, read_case
from amvel.case.visits import Comparison, CueTried, FaultSeen, MovementDone, NextDay, SetDone, Visit
from amvel.movements import Family, find, library
from amvel.movements.faults import faults_to_watch
from amvel.progress.ladders import Ladders, WholeLadders
from amvel.progress.proposal import Proposal, ProposalKind
from amvel.progress.proposals import from_sessions
from amvel.screening.progress_standard import PROGRESS

SURE, STEEP = 2.2, 1.5  # at the edge of what one can do nine of ten repetitions are clean; a step beyond it two of three
DAY_NOISE = 0.15  # steps, from one day to the next
LEARNS = 0.04  # steps a session at first, halved every twelve weeks
QUIET, JUMP = -6.0, 0.8  # log odds of a flare: at rest, and for each step that is new this week
OVERLOAD = 1.6  # log odds for each step beyond capacity: five times the odds, ten times at a step and a half
DAYS = (0, 2, 4)  # Monday, Wednesday, Friday


@dataclass
class Strand:
    """One ladder of one person: where they stand, and what each side could truly do, in steps."""

    family: str
    rung: int
    capacity: dict[str, float]
    ceiling: float
    extra_set_on: str = ""

    @property
    def ladder(self) -> Family:
        return library()[self.family]

    @property
    def step(self) -> str:
        return self.ladder.ref(self.ladder.steps[self.rung])


@dataclass
class Person:
    """One invented client: strands, how regularly they practise, and what was logged."""

    seed: int
    strands: list[Strand]
    begins: date
    keeps_to_it: float = 0.85
    overload: float = OVERLOAD
    case: Case = field(init=False)
    new_since: dict[str, date] = field(default_factory=dict)
    flares: list[date] = field(default_factory=list)
    rungs: list[tuple[date, str, int, float]] = field(default_factory=list)  # day, family, rung, capacity of the weaker side

    def __post_init__(self) -> None:
        self.rng = random.Random(self.seed)
        person = {"birth_date": "1970-01-01", "sex": "female", "stature_cm": 165, "mass_kg": 63}
        self.case = read_case({"as_of": self.begins.isoformat(), "person": person})


def drawn(seed: int, families: Sequence[str], begins: date) -> Person:
    """Somebody who begins at the first rung of these ladders and could do between none and two more."""
    rng = random.Random(seed)
    strands = []
    for name in families:
        ladder = library()[name]
        first = rng.uniform(0.0, 1.5)
        sides = ("left", "right") if ladder.steps[0].sides else ("both",)
        capacity = {s: first - (rng.uniform(0, 0.6) if i else 0.0) for i, s in enumerate(rng.sample(sides, len(sides)))}
        strands.append(Strand(name, 0, capacity, min(first + rng.uniform(0.5, 3.5), len(ladder.steps) - 1.0)))
    return Person(seed, strands, begins, rng.uniform(0.6, 1.0))


Policy = Callable[[Person, date, int], None]  # changes rungs before the session of a day; the week is counted from 0


def by_the_rules(ladders: Ladders | None = None) -> Policy:
    """Everything that is proposed is accepted."""
    known = ladders or WholeLadders()

    def change(person: Person, on: date, week: int) -> None:
        case = person.case.model_copy(update={"as_of": on})
        for p in from_sessions(case, known, PROGRESS.in_force(case)):
            accept(person, p, on)

    return change


def accept(person: Person, p: Proposal, on: date) -> None:
    """Do what is proposed."""
    strand = next((s for s in person.strands if s.step == p.step), None)
    if strand is None or p.waits:
        return
    strand.extra_set_on = p.more_sets_on
    if p.kind in (ProposalKind.STEP_UP, ProposalKind.STEP_DOWN) and p.to:
        family, step = find(p.to)
        strand.rung = family.steps.index(step)
        if p.kind is ProposalKind.STEP_UP:
            person.new_since[p.to] = on


def every_week(person: Person, on: date, week: int) -> None:
    """One rung more on every ladder at the end of every week, whatever the log says."""
    for s in person.strands:
        top = len(s.ladder.steps) - 1
        if s.rung < min(week, top):
            s.rung = min(week, top)
            person.new_since[s.step] = on


def never(person: Person, on: date, week: int) -> None:
    """What was begun with is done for ever."""


def practise(person: Person, weeks: int, policy: Policy) -> Person:
    """Weeks of sessions, each logged as a device would log it."""
    for week in range(weeks):
        for day in DAYS:
            on = person.begins + timedelta(weeks=week, days=day)
            policy(person, on, week)
            if person.rng.random() <= person.keeps_to_it:
                _session(person, on, week)
    return person


def _session(person: Person, on: date, week: int) -> None:
    rng = person.rng
    today = rng.gauss(0.0, DAY_NOISE)
    movements = tuple(_movement(rng, s, today) for s in person.strands)
    beyond = max(max(0.0, s.rung - min(s.capacity.values()) - today) for s in person.strands)  # the weakest link
    new = sum((on - person.new_since[s.step]).days < 7 for s in person.strands if s.step in person.new_since)
    flare = rng.random() < 1.0 / (1.0 + exp(-(QUIET + person.overload * beyond + JUMP * new)))
    if flare:
        person.flares.append(on)
    sore = min(10, max(0, round(1 + 2 * beyond + new + rng.gauss(0, 0.7))))
    told = NextDay(told_on=on + timedelta(days=1), soreness_0_to_10=sore, flare=flare)
    efforts = [m.effort_0_to_10 or 0 for m in movements]
    visit = Visit(
        id=f"sim-{person.seed}-{on.isoformat()}",
        on=on,
        began=time(10, 0),
        context="home",
        by="client",
        minutes=round(4.0 * len(movements)),
        pain_before_0_to_10=rng.choice((0, 0, 1, 1, 2)),
        effort_0_to_10=max(efforts, default=0),
        movements=movements,
        next_day=told,
    )
    person.case = person.case.model_copy(update={"visits": (*person.case.visits, visit)})
    for s in person.strands:
        person.rungs.append((on, s.family, s.rung, min(s.capacity.values())))
        _learn(s, week)


def _movement(rng: random.Random, strand: Strand, today: float) -> MovementDone:
    step = find(strand.step)[1]
    own = list(strand.capacity) if step.sides or len(strand.capacity) == 1 else ["both"]
    sets = []
    for side in own:
        able = strand.capacity.get(side, min(strand.capacity.values())) + today
        sets += [_set(rng, strand.step, side, able - strand.rung) for _ in range(1 + (side == strand.extra_set_on))]
    spare = min(strand.capacity.values()) + today - strand.rung
    effort = min(10, max(0, round(4.5 - 3.0 * spare + rng.gauss(0, 0.6))))
    sure = min(10, max(0, round(8 + 2.0 * spare + rng.gauss(0, 0.8))))
    return MovementDone(
        step=strand.step,
        sets=tuple(sets),
        cues=_cues(rng, strand.step, sets),
        compared=_compared(rng, strand) if step.sides else None,
        effort_0_to_10=effort,
        confidence_0_to_10=sure,
    )


def _cues(rng: random.Random, ref: str, sets: Sequence[SetDone]) -> tuple[CueTried, ...]:
    """Where a fault was cued and did not come back, one of the first cues had worked."""
    cued = any(f.meaning == "unaware" for s in sets for f in s.faults)
    if not cued:
        return ()
    works = rng.randrange(len(find(ref)[1].cues))
    return tuple(CueTried(cue=i, worked=i == works) for i in range(works + 1))


def _compared(rng: random.Random, strand: Strand) -> Comparison | None:
    """What eyes see of a difference between the sides: a third of a step, give or take."""
    if set(strand.capacity) != {"left", "right"}:
        return None
    differs = strand.capacity["left"] - strand.capacity["right"]

    def seen() -> Literal["same", "left_less", "right_less"]:
        looks = differs + rng.gauss(0, 0.15)
        return "same" if abs(looks) < 1 / 3 else "left_less" if looks < 0 else "right_less"

    return Comparison(range=seen(), ease=seen(), coming_back=seen())


def _set(rng: random.Random, ref: str, side: str, spare: float) -> SetDone:
    """Repetition by repetition, until the target is clean or the form fails: a second fault in a row is one of tiredness."""
    step = find(ref)[1]
    target, clean, with_faults, row = step.dose.repetitions, 0, 0, 0
    faults: list[FaultSeen] = []
    can_be_seen = faults_to_watch(step)
    while clean < target:
        if rng.random() < 1.0 / (1.0 + exp(-(SURE + STEEP * spare))):
            clean, row = clean + 1, 0
            continue
        with_faults, row = with_faults + 1, row + 1
        meaning: Literal["unaware", "tired"] = "tired" if row > 1 else "unaware"
        faults.append(FaultSeen(fault=rng.choice(can_be_seen[:2]).id, repetition=clean + with_faults, meaning=meaning))
        if row > 1:
            break
    return SetDone.model_validate(
        {
            "side": side,
            "target": target,
            "clean": clean,
            "with_faults": with_faults,
            "ended_by": "target" if clean >= target else "form",
            "faults": [f.model_dump() for f in faults],
        }
    )


def _learn(strand: Strand, week: int) -> None:
    """Practice near the edge of what one can do teaches; what is far below it teaches less."""
    for side, able in strand.capacity.items():
        near = 1.0 if strand.rung >= able - 1.0 else 0.4
        more = LEARNS * near * 0.5 ** (week / 12) * (1.25 if side == strand.extra_set_on else 1.0)
        strand.capacity[side] = min(strand.ceiling, able + more)


__all__ = ["DAYS", "Person", "Policy", "Strand", "accept", "by_the_rules", "drawn", "every_week", "never", "practise"]
