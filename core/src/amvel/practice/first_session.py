"""Building the first session for an invented case: what is on offer, and what is made of a choice."""

import random
from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from enum import StrEnum

from amvel.engine import Engine
from amvel.movements import find
from amvel.planning.choices import choices
from amvel.planning.item import CHANGE_S, Item
from amvel.planning.obligations import minutes_for, working_minutes
from amvel.planning.order import place_in_session
from amvel.planning.problem import Problem
from amvel.planning.programme import Programme, item_of, plan, problem_for, setting_of
from amvel.planning.purposes import COVERS
from amvel.practice.scoring import ErrorKind, Result
from amvel.safety import EXCLUDED, Obligation, Verdict

CLOSED_ON_OFFER, OPEN_ON_OFFER, DUTIES = 3, 2, 4
OVER = 1.1  # of the minutes: a session a little longer than wished is no error (our choice)


class OfferStanding(StrEnum):
    """How a step on offer stands in the rule-book's own session."""

    PLANNED = "planned"
    OPEN = "open"
    CLOSED = "closed"


@dataclass(frozen=True)
class Duty:
    """What a session owes this person: an obligation, or one of the needs that weigh most; `minutes` of work where they are asked."""

    id: str
    title: str
    purposes: tuple[str, ...]
    minutes: float = 0.0
    obligation: Obligation | None = None


@dataclass(frozen=True)
class Offer:
    """One step on offer.  `place` is where in a session it stands; `serves` are working minutes for each duty, by its id."""

    verdict: Verdict
    standing: OfferStanding
    why: str
    minutes: float = 0.0
    place: tuple[int, int] = (0, 0)
    serves: Mapping[str, float] = field(default_factory=dict, hash=False)


@dataclass(frozen=True)
class FirstSession:
    """An invented case with what is on offer, and the rule-book's own session."""

    engine: Engine
    minutes: int
    offers: tuple[Offer, ...]  # in an order that says nothing
    owed: tuple[Duty, ...]  # that the rule-book's own session meets
    planned: tuple[str, ...]  # its steps in order

    @property
    def conditions(self) -> tuple[str, ...]:
        return tuple(c.kind for c in self.engine.case.conditions)


def first_session(engine: Engine, seed: int) -> FirstSession:
    """The same offer for the same invented case and seed."""
    rng = random.Random(f"{seed} session")
    programme = plan(engine, "home")
    pool, _ = choices(setting_of(engine, "home"), engine.verdicts)
    planned = programme.sessions[0].refs if programme.sessions else ()
    problem = problem_for(engine, pool, engine.case.wishes.minutes)
    duties = _duties(problem, programme)
    opened = list(_open(rng, engine, problem, programme, planned, duties))
    offers = [*opened, *_closed(rng, engine, planned, duties)]
    own = [o.serves for o in opened if o.standing is OfferStanding.PLANNED]
    owed = tuple(d for d in duties if _met([s.get(d.id, 0.0) for s in own], d.minutes))
    return FirstSession(engine, engine.case.wishes.minutes, tuple(rng.sample(offers, len(offers))), owed, planned)


def _duties(problem: Problem, programme: Programme) -> tuple[Duty, ...]:
    obligations = [Duty(o.id, o.title, o.purposes, o.minutes, o) for o in problem.obligations]
    named = {p for d in obligations for p in d.purposes}
    needs = [Duty(n.purpose, n.title, (n.purpose,)) for n in programme.needs if n.purpose not in named]
    return (*obligations, *needs[: max(0, DUTIES - len(obligations))])


def _open(
    rng: random.Random, engine: Engine, problem: Problem, programme: Programme, planned: Sequence[str], duties: Sequence[Duty]
) -> Iterator[Offer]:
    """What the rule-book's session holds, and some of what it leaves out with the reason."""
    pool = problem.pool
    by_ref = {c.ref: c for c in pool}
    families = {by_ref[r].family.id for r in planned}
    others = [c for c in pool if c.ref in programme.why_not and c.family.id not in families and not c.family.daily_task]
    left_out = rng.sample(others, min(OPEN_ON_OFFER, len(others)))
    for c in (*(by_ref[r] for r in planned), *left_out):
        item = next((i for i in programme.movements if i.ref == c.ref), None) or item_of(problem, c)
        standing, why = (OfferStanding.PLANNED, item.why) if c.ref in planned else (OfferStanding.OPEN, programme.why_not[c.ref])
        yield Offer(c.verdicts[0], standing, why, item.minutes, place_in_session(c.family, engine.findings.pressure_drops), _serves(item, duties))


def _serves(item: Item, duties: Sequence[Duty]) -> dict[str, float]:
    return {d.id: m for d in duties if (m := _minutes(item, d)) > 0}


def _minutes(item: Item, duty: Duty) -> float:
    if duty.obligation is not None:
        return minutes_for([item], duty.obligation)
    served = find(item.ref)[1].purposes
    return working_minutes(item) if any(served.get(p, 0.0) >= COVERS for p in duty.purposes) else 0.0


def _closed(rng: random.Random, engine: Engine, planned: Sequence[str], duties: Sequence[Duty]) -> Iterator[Offer]:
    """Steps that may not be done at home and train what is owed: those that tempt."""
    wanted = {p for d in duties for p in d.purposes}
    home = [v for v in engine.verdicts if v.context == "home"]
    open_somehow = {v.ref for v in home if v.allowed}  # on one side, say
    out: dict[str, Verdict] = {}
    for v in home:
        if v.ref not in open_somehow and v.verdict == EXCLUDED and v.reasons and not v.original.fault and v.ref not in planned:
            out.setdefault(v.ref, v)
    tempting = [v for v in out.values() if any(v.original.request.step.purposes.get(p, 0.0) >= COVERS for p in wanted)]
    rest = [v for v in out.values() if v not in tempting]
    among = [*rng.sample(tempting, len(tempting)), *rng.sample(rest, len(rest))]
    chosen: list[Verdict] = []
    for other_reason in (True, False):  # as many different reasons as there are
        for v in among:
            limits, families = {x.reasons[0].limit.id for x in chosen}, {x.family for x in chosen}
            if len(chosen) < CLOSED_ON_OFFER and v.family not in families and not (other_reason and v.reasons[0].limit.id in limits):
                chosen.append(v)
    yield from (Offer(v, OfferStanding.CLOSED, v.reasons[0].limit.reason) for v in chosen)


@dataclass(frozen=True)
class OfferedStep:
    """What scoring needs of a step on offer."""

    closed: bool
    minutes: float
    place: tuple[int, int]
    serves: Mapping[str, float]


@dataclass(frozen=True)
class Chosen:
    """Whether each duty is met, in how many minutes, in order or not; the errors by kind."""

    result: Result
    met: Mapping[str, bool]
    minutes: float
    in_order: bool


def scored(offered: Mapping[str, OfferedStep], owed: Mapping[str, float], minutes: int, chosen: Sequence[str]) -> Chosen:
    """A chosen session against what is owed.

    Asked are: each closed step on offer, each duty (`owed` gives its working minutes), the minutes and the order.  An empty
    session meets nothing; what is not on offer is not looked at.
    """
    own = [offered[r] for r in dict.fromkeys(chosen) if r in offered]
    good = [s for s in own if not s.closed]
    met = {d: _met([s.serves.get(d, 0.0) for s in good], least) for d, least in owed.items()}
    took = sum(s.minutes for s in good) + CHANGE_S / 60 * sum(a.place[0] != b.place[0] for a, b in zip(good, good[1:], strict=False))
    places = [s.place for s in good]
    in_order = places == sorted(places)
    errors = Counter({
        ErrorKind.TOO_LAX: sum(s.closed for s in own),
        ErrorKind.NEED_MISSED: sum(not x for x in met.values()),
        ErrorKind.TOO_LONG: int(took > OVER * minutes),
        ErrorKind.OUT_OF_ORDER: int(not in_order),
    })
    asked = sum(s.closed for s in offered.values()) + len(owed) + 2
    return Chosen(Result(asked - errors.total(), asked, {k: n for k, n in errors.items() if n}), met, round(took, 1), in_order)


_ANY = 0.01  # min: a duty without minutes of its own is met by anything that serves it


def _met(found: Sequence[float], least: float) -> bool:
    return sum(found) >= max(least, _ANY)


__all__ = ["Chosen", "Duty", "FirstSession", "Offer", "OfferStanding", "OfferedStep", "first_session", "scored"]
