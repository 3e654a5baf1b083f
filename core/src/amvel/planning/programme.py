"""The programme: which steps, in which order, how often, with the reason for each one and for each that is not there."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace

from amvel.case import Case
from amvel.case.traits import Trait
from amvel.engine import Engine
from amvel.languages import said, said_together, term
from amvel.movements import Position, Request, find
from amvel.movements.dosing import without_dose
from amvel.planning.choices import Choice, Setting, choices
from amvel.planning.conflicts import Conflict, conflict
from amvel.planning.dose import Dosed
from amvel.planning.holds import estimated_holds
from amvel.planning.item import LETTERS, Item, SessionPlan, SetUp, sessions_of
from amvel.planning.needs import needs
from amvel.planning.one_seat import on_one_seat
from amvel.planning.order import ordered
from amvel.planning.problem import (
    Problem,
    Sessions,
    covered,
    different,
    meets,
    serves,
    worth,
)
from amvel.planning.purposes import COVERS, words
from amvel.planning.reasons import positions_left, why_in, why_left_out
from amvel.planning.rests import Rests, rests_for
from amvel.planning.tasks import ends_of, unmapped
from amvel.planning.to_take import to_take
from amvel.safety import Obligation, Verdict
from amvel.safety.ways import Destination, WayThere
from amvel.screening import StopSign
from amvel.sources import ours

NEW_A_WEEK = 1  # a comfortable rate (common practice, no source)
EFFORT_SHARE = 0.75  # the mean of a session lies below its hardest minute (our choice)
BUDGET = ours("lumbar load of a session: 25 standing minutes, seven tenths of it with a back or bone limit")
LOAD_MINUTES, CAREFUL_SHARE = 25.0, 0.7
OLD_YEARS, FEW_CHANGES, MORE_CHANGES = 75, 2, 3  # in each session
MANY_DAYS = 5  # from so many days a week on there are three sessions (our choice)


class ProgrammeBlocked(RuntimeError):
    """A stop sign stands: no programme can be built, opened or printed; the message names it."""


@dataclass(frozen=True)
class Covered:
    """An obligation and what covers it, or why nothing does, or not often enough."""

    id: str
    title: str
    by: tuple[str, ...]
    why_not: str = ""
    days_per_week: int = 0


@dataclass(frozen=True)
class Served:
    """A need: how far it is covered in hundredths, and what it rests on."""

    purpose: str
    title: str
    weight: int
    percent: int
    because: tuple[str, ...]


@dataclass(frozen=True)
class Programme:
    """The solver's answer; minutes, changes and load are those of the longest session.

    `positions` says of each that is open and not used why it is not; `unmapped` are goals for which nothing can be planned.
    """

    context: str
    movements: tuple[Item, ...]
    obligations: tuple[Covered, ...]
    changes_of_position: int
    minutes: float
    optimal: bool
    gap: float
    why_not: dict[str, str] = field(hash=False, default_factory=dict)
    uncovered: dict[str, str] = field(hash=False, default_factory=dict)
    needs: tuple[Served, ...] = ()
    load_minutes: float = 0.0
    load_budget_minutes: float = 0.0
    worth: int = 0
    conflict: Conflict | None = None
    ways: tuple[WayThere, ...] = ()
    rests: Rests = Rests()
    sessions: tuple[SessionPlan, ...] = ()
    positions: dict[Position, str] = field(hash=False, default_factory=dict)
    unmapped: tuple[str, ...] = ()


def blocked_by(signs: list[StopSign]) -> None:
    """Raise ProgrammeBlocked when anything stands in the way of a session."""
    if signs:
        raise ProgrammeBlocked(said_together((said_together((s.title, s.next_step), ": ") for s in signs), "; "))


def stopped_by(signs: list[StopSign]) -> None:
    """Raise ProgrammeBlocked when a sign stands: nothing is judged then; what was only not asked yet stops no judging."""
    blocked_by([s for s in signs if not s.missing])


def setting_of(engine: Engine, context: str) -> Setting:
    """Where and how the choice is made for one client in one context."""
    holds: dict[str, dict[str, float]] = {}
    for capacity in estimated_holds(engine):
        for h in capacity.holds:
            if h.suggested_s > 0:
                own = holds.setdefault(h.ref, {})
                own[h.side] = min(h.suggested_s, own.get(h.side, h.suggested_s))
    return Setting(
        engine.case,
        engine.profiler.body,
        engine.case.room_for(context),
        context,
        engine.findings,
        holds,
        engine.schools,
        engine.envelope_in(context),
        rests_for(engine.case, engine.findings),
    )


def distinct(obligations: Sequence[Obligation]) -> tuple[Obligation, ...]:
    """Obligations that ask the same once, whoever asks: of those alike the one with the most days."""
    found: dict[tuple[str, tuple[str, ...]], Obligation] = {}
    for o in obligations:
        key = (o.title, o.purposes)
        if key not in found or o.days_per_week > found[key].days_per_week:
            found[key] = o
    return tuple(found.values())


def problem_for(engine: Engine, pool: Sequence[Choice], minutes: int, locked: tuple[str, ...] = ()) -> Problem:
    """The question for one client: needs, obligations and everything that limits a session."""
    case, findings, envelope = engine.case, engine.findings, engine.envelope
    # What fell out of the last programme may be replaced; beyond that one new movement a week.
    gone = len(set(case.previous_steps) - {c.ref for c in pool})
    careful = findings.bone.tier == "osteoporosis" or any(Trait.CAREFUL_BACK in c.traits() for c in case.conditions)
    most = FEW_CHANGES if findings.age > OLD_YEARS else MORE_CHANGES
    return Problem(
        tuple(pool),
        needs(case, findings, envelope),
        distinct(envelope.obligations),
        60 * minutes,
        round(EFFORT_SHARE * case.wishes.effort_0_to_10, 1),
        int(60 * LOAD_MINUTES * (CAREFUL_SHARE if careful else 1.0)),
        FEW_CHANGES if findings.pressure_drops else most,
        NEW_A_WEEK + gone if case.previous_steps else None,
        frozenset(case.previous_steps),
        frozenset(case.wishes.dislikes),
        frozenset(case.wishes.likes),
        locked,
        tasks=ends_of(case.wishes.goals),
        sessions=sessions_for(case.wishes.days_per_week),
        days=case.wishes.days_per_week,
        rests=bool(rests_for(case, findings).every),
        backwards=findings.pressure_drops,
        person=person_key(case),
    )


def sessions_for(days: int) -> int:
    """How many sessions alternate over so many days: one, two or three (common practice: two or three)."""
    return 1 if days < 2 else 3 if days >= MANY_DAYS else 2


def person_key(case: Case) -> str:
    """What tells this person from others alike, without a name."""
    p = case.person
    return f"{p.birth_date} {p.sex} {p.stature_cm:g} {p.mass_kg:g}"


def plan(
    engine: Engine,
    context: str = "home",
    minutes: int | None = None,
    locked: tuple[str, ...] = (),
    barred: tuple[str, ...] = (),
    verdicts: list[Verdict] | None = None,
    near: tuple[str, ...] = (),
) -> Programme:
    """Build the best programme.  `locked` steps stay in, `barred` stay out, those in `near` stay where they do as well.

    Raises ProgrammeBlocked while a stop sign stands.
    """
    # The solver takes half a second to read, for processes that plan nothing.
    from amvel.planning.solve import solve_problem

    blocked_by(engine.stop_signs)
    judged = verdicts if verdicts is not None else engine.verdicts
    pool, why_not = choices(setting_of(engine, context), judged)
    pool = [c for c in pool if c.ref not in barred]
    why_not |= {ref: said("It was taken out by hand.") for ref in barred}
    problem = problem_for(engine, pool, minutes if minutes is not None else engine.case.wishes.minutes, locked)
    solved = solve_problem(replace(problem, near=frozenset(near)))
    sessions = [[pool[i] for i in rows] for rows in solved.sessions]
    chosen = ordered(different(sessions), engine.findings.pressure_drops, engine.schools.choices)
    for c in pool:
        if c not in chosen:
            why_not[c.ref] = why_left_out(problem, c, chosen)
    planned = tuple(item_of(problem, c, _letters(sessions, c)) for c in chosen)
    items = _seated(engine, context, planned)
    plans = sessions_of(items)
    return Programme(
        context,
        items,
        tuple(_covered(problem, i, sessions, judged, context, why_not) for i in range(len(problem.obligations))),
        max((s.changes_of_position for s in plans), default=0),
        max((s.minutes for s in plans), default=0.0),
        solved.optimal and solved.feasible,
        solved.gap,
        why_not,
        {p: _closed((p,), judged, context, why_not) for p in problem.needs if not covered(chosen, p)},
        _served(problem, chosen),
        round(max((sum(c.load_seconds for c in s) for s in sessions), default=0) / 60, 1),
        round(problem.load_seconds / 60, 1),
        worth(problem, sessions),
        None if solved.feasible else conflict(problem),
        ways_of(engine, context, items),
        rests_for(engine.case, engine.findings),
        plans,
        positions_left(problem, sessions),
        unmapped(engine.case.wishes.goals),
    )


def _seated(engine: Engine, context: str, planned: tuple[Item, ...]) -> tuple[Item, ...]:
    """On one seat where one will do, each with what has to be put on it."""
    body, room = engine.profiler.body, engine.case.room_for(context)
    items = on_one_seat(planned, engine.case, engine.envelope_in(context), engine.profiler, context)
    return tuple(replace(i, stand_ins=to_take(i, body, room, engine.schools.of(find(i.ref)[0].id))) for i in items)


def _letters(sessions: Sessions, c: Choice) -> tuple[str, ...]:
    return tuple(LETTERS[k] for k, chosen in enumerate(sessions) if c in chosen)


def ways_of(engine: Engine, context: str, chosen: Sequence[Item]) -> tuple[WayThere, ...]:
    """The ways there and back that these movements need, each once, in their order."""
    needed: dict[Destination, None] = {}
    for ref, own in ((i.ref, s) for i in chosen for s in i.set_ups):
        family, step = find(ref)
        peak = engine.profiler.profile(Request(family, step, own.side, own.values)).peak
        on_floor, lies = peak("floor_transfer") > 0, peak("lying") > 0
        if peak("bed_transfer") > 0:
            needed[Destination.IN_BED] = None
            if peak("on_the_back") + peak("face_down") > 0:
                needed[Destination.TURNED_IN_BED] = None
        if on_floor:
            needed[Destination.ON_THE_KNEES] = None
        if on_floor and lies:
            needed[Destination.LYING_DOWN] = None
        if peak("standing") > 0:
            needed[Destination.STANDING] = None
    there = {w.to: w for w in engine.ways[context]}
    return tuple(there[d] for d in needed if not there[d].plain)


def item_of(problem: Problem, c: Choice, sessions: tuple[str, ...] = ("A",)) -> Item:
    """One chosen step as it is written into a programme."""
    return Item(
        c.ref,
        c.family.position,
        tuple(_set_up(v, d) for v, d in zip(c.verdicts, c.doses, strict=True)),
        round(c.minutes, 1),
        why_in(problem, c),
        sessions=sessions,
    )


def _set_up(verdict: Verdict, dosed: Dosed) -> SetUp:
    values = without_dose(verdict.profile.request.values)  # the dose stands beside them
    return SetUp(verdict.side, values, dosed.repetitions, dosed.sets, dosed.hold_s, verdict.verdict)


def _served(problem: Problem, chosen: Sequence[Choice]) -> tuple[Served, ...]:
    found = [
        Served(p, words(p), n.weight, min(100, covered(chosen, p)), n.because) for p, n in problem.needs.items()
    ]
    return tuple(sorted(found, key=lambda s: (-s.weight, s.purpose)))


def _covered(
    problem: Problem, i: int, sessions: Sessions, verdicts: list[Verdict], context: str, why_not: dict[str, str]
) -> Covered:
    o, chosen = problem.obligations[i], different(sessions)
    by = tuple(c.ref for c in chosen if serves(c, o))
    often, met = problem.sessions_for(o), sum(meets(s, o) for s in sessions)
    return covered_by(o, by, met, often, _uncovered(problem, i, o, verdicts, context, why_not) if met < often else "")


def covered_by(o: Obligation, by: tuple[str, ...], met: int, often: int, because: str) -> Covered:
    """An obligation with what counts for it; `because` is why it is not met in as many sessions as it asks."""
    if met >= often:
        return Covered(o.id, o.title, by, "", o.days_per_week)
    asked = said(" with {minutes} minutes", minutes=float(o.minutes)) if o.minutes else ""
    short = said("in {met} of {often} session{what2}{asked}: {because}", met=term(met), often=term(often), what2=term('s' if often > 1 else ''), asked=term(asked), because=term(because))
    return Covered(o.id, o.title, by, short if by else because, o.days_per_week)


def _uncovered(
    problem: Problem, i: int, o: Obligation, verdicts: list[Verdict], context: str, why_not: dict[str, str]
) -> str:
    """Which wishes, or else which limits, keep an obligation from being covered."""
    if any(serves(c, o) for c in problem.pool):
        found = conflict(problem, (i,))
        return found.says() if found is not None and found.wishes else said("other needs weigh more in this time")
    return _closed(o.purposes, verdicts, context, why_not)


def _closed(purposes: tuple[str, ...], verdicts: list[Verdict], context: str, why_not: dict[str, str]) -> str:
    """Which limits stand in the way of a purpose, in words; of what is open, why it is not in."""
    about = [
        v
        for v in verdicts
        if v.context == context and any(find(v.ref)[1].purposes.get(p, 0.0) >= COVERS for p in purposes)
    ]
    open_ = [v.ref for v in about if v.allowed and v.ref in why_not]
    if open_:
        family, step = find(open_[0])
        return said("{title}, {title_2} would serve it. {what2}", title=term(family.title), title_2=term(step.title), what2=term(why_not[open_[0]]))
    names = sorted({b.limit.says() for v in about for b in v.reasons})
    return (
        said("No movement for it is open; in the way: {what}.", what=said_together(names, "; "))
        if names
        else said("There is no movement for it in this room.")
    )


__all__ = [
    "BUDGET",
    "Covered",
    "Programme",
    "ProgrammeBlocked",
    "Served",
    "blocked_by",
    "covered_by",
    "distinct",
    "item_of",
    "person_key",
    "plan",
    "problem_for",
    "sessions_for",
    "setting_of",
    "stopped_by",
    "ways_of",
]
