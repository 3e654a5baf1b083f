"""Everything that is proposed after the visits of one client: movement by movement, and for the whole."""

from collections import Counter
from collections.abc import Iterable
from dataclasses import replace
from datetime import date, timedelta

from amvel.case import Case
from amvel.case.traits import Trait
from amvel.case.visits import Visit, What, in_order, sessions_of_step
from amvel.engine import Engine
from amvel.languages import Message, said
from amvel.movements import UnknownMovement, find
from amvel.numbers import Numbers
from amvel.progress.ladders import Ladders, OpenLadders
from amvel.progress.one_movement import Asked, decide
from amvel.progress.proposal import ORDER, Evidence, Proposal, ProposalKind
from amvel.progress.sessions import sessions
from amvel.safety import Limit
from amvel.screening import test_library
from amvel.screening.progress_standard import DOWN, PACE, PROGRESS, STOP
from amvel.sources import COMMON_PRACTICE


def proposals(engine: Engine, context: str = "home") -> list[Proposal]:
    """What comes next, the most urgent first; what was declined stays away until there is new evidence."""
    n = PROGRESS.in_force(engine.case)
    ladders = OpenLadders(engine, context, in_use(engine.case, n))
    found = [*from_sessions(engine.case, ladders, n), *_reviews(engine), *_retests(engine)]
    decided = {d.proposal for d in engine.case.decisions}
    return sorted((p for p in found if p.id not in decided), key=lambda p: (ORDER.index(p.kind), p.step, p.about, p.side))


def from_sessions(case: Case, ladders: Ladders, n: Numbers) -> list[Proposal]:
    """What the logged sessions alone say, on these ladders."""
    each_side = any(Trait.PARESIS in c.traits() for c in case.conditions)
    blamed = _blamed(case, n)
    own: list[Proposal] = []
    for step in in_use(case, n):
        sides = each_side and find(step)[1].sides
        own += decide(Asked(step, sessions(case, step, n), ladders.around(step), sides, step in blamed, n))
    return [*_refers(case, n), *_one_new_a_week(case, own, n)]


def in_use(case: Case, n: Numbers) -> list[str]:
    """Steps of the newest sessions; one that another of its family has followed lies behind this person."""
    newest: dict[str, str] = {}
    for visit in in_order(case.visits):
        for done in visit.movements:
            if done.sets and (case.as_of - visit.on).days <= n["looks_back_days"] and _known(done.step):
                newest[find(done.step)[0].id] = done.step
    return list(newest.values())


def _known(step: str) -> bool:
    try:
        find(step)
    except UnknownMovement:
        return False
    return True


def _blamed(case: Case, n: Numbers) -> frozenset[str]:
    """What a flare most likely came from: what was new in the week before it, else the hardest of that visit."""
    return frozenset(s for visit in case.visits if visit.flared for s in blamed_for(case, visit, n))


def blamed_for(case: Case, visit: Visit, n: Numbers) -> list[str]:
    """The same of one visit."""
    steps = [m.step for m in visit.movements if m.sets and _known(m.step)]
    new = [s for s in steps if (visit.on - _first(case, s)).days < n["new_days"]]
    hardest = max((find(s)[1].effort for s in steps), default=0.0)
    return new or [s for s in steps if find(s)[1].effort == hardest]


def _first(case: Case, step: str) -> date:
    return next(visit.on for visit, _ in sessions_of_step(case.visits, step))


def _one_new_a_week(case: Case, found: list[Proposal], n: Numbers) -> list[Proposal]:
    """One step up at a time, and none in the week of something new: the others wait, and say so."""
    ready = [p for p in found if p.kind is ProposalKind.STEP_UP]
    if not ready:
        return found
    began = sorted(_first(case, step) for step in {m.step for v in case.visits for m in v.movements if m.sets} if _known(step))
    newest = began[-1] if began[-1] > began[0] else None  # what the first visit began with is no new movement
    free = newest is None or case.as_of >= newest + timedelta(days=n["new_days"])
    goes = min(ready, key=lambda p: (_first(case, p.step), p.step)).step if free else None  # longest on its step
    return [p if p.kind is not ProposalKind.STEP_UP or p.step == goes else _waiting(p) for p in found]


def _waiting(p: Proposal) -> Proposal:
    says = said("Ready, and waiting: one new movement a week is enough.")
    return replace(p, waits=True, says=says, would_change=said("the week of the last new movement is over"), source=PACE)


def _refers(case: Case, n: Numbers) -> list[Proposal]:
    """What has come back although something was done about it: a clinician is asked."""
    since = case.as_of - timedelta(days=n["refers_within_days"])
    recent = [v for v in in_order(case.visits) if v.on >= since]
    out = []
    flares = [v for v in recent if v.flared]
    if len(flares) >= n["flares_that_refer"]:
        seen = tuple(Evidence(v.on, said("a flare the day after"), v.id) for v in flares)
        says = said("{count} flares in two weeks: ask the clinician before the next session.", count=len(flares))
        out.append(Proposal(ProposalKind.REFER, says, seen, said("two quiet weeks"), DOWN, about="flare"))
    stops: Counter[What] = Counter()
    seen_of: dict[What, list[Evidence]] = {}
    for v in recent:
        for what in {s.what for m in v.movements for s in m.symptoms if s.stops}:
            stops[what] += 1
            seen_of.setdefault(what, []).append(Evidence(v.on, said("ended by {what}", what=SYMPTOMS[what]), v.id))
    for what, count in stops.items():
        if count >= n["stops_that_refer"]:
            says = said("{what} has ended a movement in {count} sessions: ask the clinician.", what=SYMPTOMS[what].opening(), count=count)
            out.append(Proposal(ProposalKind.REFER, says, tuple(seen_of[what]), said("sessions without it, after the clinician was asked"), STOP, about=what))
    return out


# How each symptom reads in a sentence.
SYMPTOMS: dict[What, Message] = {
    "pain": said("pain"),
    "pinching": said("pinching"),
    "tingling": said("tingling"),
    "pain_down_the_leg": said("pain down the leg"),
    "pelvic_pressure": said("pressure downwards in the pelvic floor"),
    "dizziness": said("dizziness"),
    "breathlessness": said("breathlessness out of proportion"),
}


def _reviews(engine: Engine) -> list[Proposal]:
    """Temporary limits whose day has come: the review is due, and it opens nothing by itself."""
    due: dict[str, list[tuple[date, Limit]]] = {}
    for limit in engine.envelope.limits:
        if limit.review_on is not None and limit.review_on <= engine.case.as_of:
            due.setdefault(limit.rule, []).append((limit.review_on, limit))
    out = []
    for rule, limits in due.items():
        on, first = min(limits, key=lambda x: (x[0], x[1].id))
        kind = ProposalKind.GRADED_RETURN if first.grades else ProposalKind.RETEST
        says = said("Review is due: {limit}. It stays until the movement is done strongly, with confidence and without a flare.", limit=said(first.says()))
        until = said(first.next_grade) if first.next_grade else said("what the review finds")
        out.append(Proposal(kind, says, (Evidence(on, said("its day of review")),), until, first.source, about=rule))
    return out


def _retests(engine: Engine) -> list[Proposal]:
    """Tests whose newest result has passed its validity."""
    out = []
    for test in test_library().values():
        last = max((t.on for t in engine.case.tests if t.test == test.id), default=None)
        if last is not None and (engine.case.as_of - last).days > test.validity_days and not test.avoid(engine.case):
            says = said("{title}: test again.", title=said(test.title))
            out.append(Proposal(ProposalKind.RETEST, says, (Evidence(last, said("last done")),), said("a result of today"), COMMON_PRACTICE, about=test.id))
    return out


def of_step(found: Iterable[Proposal], step: str) -> list[Proposal]:
    """The proposals about one movement."""
    return [p for p in found if p.step == step]


__all__ = ["SYMPTOMS", "blamed_for", "from_sessions", "in_use", "of_step", "proposals"]
