"""The week: which session on which day, and what of it, by constraint solving.

Light practice may be daily and twice a day; strength rests a day in between; what must be done on so many days is done
on so many days, as far as the days that the person gives allow; sessions keep to the hours at which medicine works.
Deterministic: one worker, fixed seed, deterministic work limit.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import time
from itertools import combinations

from amvel.case import Case
from amvel.languages import said, term
from amvel.literature import WHO_ACTIVITY
from amvel.movements import find
from amvel.planning.item import CHANGE_S, LETTERS, Item
from amvel.planning.programme import Covered
from amvel.planning.purposes import COVERS
from amvel.sources import COMMON_PRACTICE

DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")
SPACING = COMMON_PRACTICE  # low load daily or twice daily, strength every other day
WHO = WHO_ACTIVITY.says("strength on 2 days, balance on 3 days a week or more")
STRENGTH_EFFORT, LIGHT_EFFORT = 5.0, 2.0
_LIGHT = ("breath", "deep_control", "foot")
AFTER_MEDICINE_MIN = 60  # movement goes best about an hour after (common practice, no source)
_WORK_LIMIT, _SEED = 10.0, 7
_DEFAULT_DAYS = {"strength": 2, "balance": 3, "other": 3}


@dataclass(frozen=True)
class Session:
    """One session of one day: its letter, hour, the rows of the movements, and its minutes; `light` is the short practice."""

    day: int
    at: time
    rows: tuple[int, ...]
    minutes: float
    light: bool = False
    letter: str = ""


@dataclass(frozen=True)
class Week:
    """Sessions in order, what fell short, and the days that stay free of strength."""

    sessions: tuple[Session, ...]
    short: dict[str, str]
    rest_days: tuple[int, ...]
    optimal: bool


def kind_of(item: Item) -> str:
    """'light' may be daily, 'strength' needs a day between, everything else as often as it suits."""
    step = find(item.ref)[1]
    if step.effort <= LIGHT_EFFORT and any(step.purposes.get(p, 0) >= COVERS for p in _LIGHT):
        return "light"
    if step.effort >= STRENGTH_EFFORT and (
        step.purposes.get("balance", 0) < COVERS or step.effort > STRENGTH_EFFORT
    ):
        return "strength"
    return "balance" if step.purposes.get("balance", 0) >= COVERS else "other"


def plan_week(
    case: Case, items: Sequence[Item], obligations: Sequence[Covered], days: int | None = None
) -> Week:
    """The best week for these movements; `days` overrides how many days the person gives."""
    given = days if days is not None else case.wishes.days_per_week
    solved, letters, optimal = _solve(case, items, obligations, given)
    hour, evening = hours(case)
    sessions = []
    for day in range(7):
        rows = tuple(i for i in range(len(items)) if (i, day) in solved)
        if rows:
            sessions.append(Session(day, hour, rows, _minutes(items, rows), letter=letters[day]))
        light = _fitting(items, case.wishes.minutes)
        if light and evening is not None and len(light) < max(1, len(items)):
            sessions.append(Session(day, evening, light, _minutes(items, light), light=True))
    strength = {i for i, item in enumerate(items) if kind_of(item) == "strength"}
    rest = tuple(d for d in range(7) if not any((i, d) in solved for i in strength))
    return Week(tuple(sessions), _short(items, obligations, _days_done(solved, sessions), given), rest, optimal)


def _fitting(items: Sequence[Item], minutes: int) -> tuple[int, ...]:
    """The light movements, in their order, as many as the wished minutes hold."""
    out: tuple[int, ...] = ()
    for i, item in enumerate(items):
        if kind_of(item) == "light" and _minutes(items, (*out, i)) <= minutes:
            out = (*out, i)
    return out


def hours(case: Case) -> tuple[time, time | None]:
    """When the session is, and when the short light practice, if there is one: an hour after medicine where that helps."""
    taken = sorted(case.wishes.medicine_hours)
    if not taken:
        return case.wishes.at, _evening(case.wishes.at)
    good = [_later(t, AFTER_MEDICINE_MIN) for t in taken]
    first = min(good, key=lambda t: abs(_minute(t) - _minute(case.wishes.at)))
    later = [t for t in good if _minute(t) > _minute(first) + 120]
    return first, later[-1] if later else None


def _evening(at: time) -> time | None:
    return time(18, 0) if _minute(at) <= 15 * 60 else time(9, 0)


def _minute(t: time) -> int:
    return 60 * t.hour + t.minute


def _later(t: time, minutes: int) -> time:
    total = (_minute(t) + minutes) % (24 * 60)
    return time(total // 60, total % 60)


def _minutes(items: Sequence[Item], rows: Sequence[int]) -> float:
    used = [items[i].position for i in rows]
    changes = sum(a != b for a, b in zip(used, used[1:], strict=False))
    return round(sum(items[i].minutes for i in rows) + CHANGE_S / 60 * changes, 1)


def _wanted(items: Sequence[Item], obligations: Sequence[Covered], given: int) -> list[int]:
    """On how many days each movement is wanted."""
    out = []
    for item in items:
        kind = kind_of(item)
        days = [o.days_per_week for o in obligations if item.ref in o.by and o.days_per_week]
        usual = given if kind == "light" else _DEFAULT_DAYS[kind]
        out.append(min(given, max([usual, *days])))
    return out


def _solve(
    case: Case, items: Sequence[Item], obligations: Sequence[Covered], given: int
) -> tuple[set[tuple[int, int]], dict[int, str], bool]:
    """Movement and day of all that is done, and which session each day has."""
    from ortools.sat.python import cp_model  # half a second to read, for processes that plan nothing

    m = cp_model.CpModel()
    letters = [k for k in LETTERS if any(k in i.sessions for i in items)]
    held = {(k, d): m.new_bool_var(f"{k} on {d}") for k in letters for d in range(7)}
    rows = range(len(items))
    x = {(i, d): m.new_bool_var(f"{items[i].ref} {d}") for i in rows for d in range(7)}
    used = [m.new_bool_var(f"day {d}") for d in range(7)]
    for d in range(7):
        m.add_max_equality(used[d], [x[i, d] for i in rows]) if items else m.add(used[d] == 0)
        m.add(sum(held[k, d] for k in letters) == used[d])
        for i in rows:
            m.add(x[i, d] <= sum(held[k, d] for k in items[i].sessions))
        m.add(sum(int(60 * items[i].minutes) * x[i, d] for i in rows) <= 60 * case.wishes.minutes)
    m.add(sum(used) <= given)
    strength = [i for i in rows if kind_of(items[i]) == "strength"]
    for i in strength:
        for d in range(7):
            m.add(x[i, d] + x[i, (d + 1) % 7] <= 1)
    wanted = _wanted(items, obligations, given)
    got = []
    for i in rows:
        count = m.new_int_var(0, 7, said("days of {ref}", ref=term(items[i].ref)))
        m.add(count == sum(x[i, d] for d in range(7)))
        enough = m.new_int_var(0, 7, said("enough of {ref}", ref=term(items[i].ref)))
        m.add_min_equality(enough, [count, m.new_constant(wanted[i])])
        got.append((100 * enough - 10 * count, i))
    # Days lie apart as evenly as they can, and the earlier day of the week comes first between equals.
    near = []
    for d in range(7):
        both = m.new_bool_var(said("{d} and the next", d=term(d)))
        m.add(both >= used[d] + used[(d + 1) % 7] - 1)
        near.append(both)
    # The sessions take turns: none twice running nor more than once oftener than another, and the first comes first.
    often = [sum(held[k, d] for d in range(7)) for k in letters]
    for earlier, later in zip(often, often[1:], strict=False):
        m.add(earlier >= later)
        m.add(earlier <= later + 1)
    for k in letters if len(letters) > 1 else ():
        for d, e in combinations(range(7), 2):
            between = sum(held[o, f] for o in letters if o != k for f in range(d + 1, e))
            m.add(held[k, d] + held[k, e] <= 1 + between)
    first = sum(k * (7 - d) * held[letter, d] for k, letter in enumerate(letters) for d in range(7))
    m.maximize(
        20 * (sum(g for g, _ in got) - 4 * sum(near) - sum((d + 1) * used[d] for d in range(7)) - 15 * sum(used)) - first
    )
    solver = cp_model.CpSolver()
    p = solver.parameters
    p.num_workers, p.random_seed, p.max_deterministic_time = 1, _SEED, _WORK_LIMIT
    status = solver.solve(m)
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return set(), {}, False
    of_day = {d: k for (k, d), var in held.items() if solver.value(var)}
    return {key for key, var in x.items() if solver.value(var)}, of_day, status == cp_model.OPTIMAL


def _days_done(solved: set[tuple[int, int]], sessions: Sequence[Session]) -> set[tuple[int, int]]:
    """Movement and day of everything that is done, the short practice too."""
    return solved | {(i, s.day) for s in sessions if s.light for i in s.rows}


def _short(
    items: Sequence[Item], obligations: Sequence[Covered], done: set[tuple[int, int]], given: int
) -> dict[str, str]:
    """Obligations that come to fewer days than they ask, and what would help."""
    out: dict[str, str] = {}
    for o in obligations:
        rows = [i for i, item in enumerate(items) if item.ref in o.by]
        days = len({d for i, d in done if i in rows})
        if days < o.days_per_week:
            why = (
                said("nothing in the programme covers it")
                if not o.by
                else said("{given} days a week are given", given=term(given))
                if given < o.days_per_week
                else said("the minutes of a day, or the day of rest that strength needs, leave no more")
            )
            out[o.id] = said("{title}: {days} of {days_per_week} days; {why}", title=term(o.title), days=term(days), days_per_week=term(o.days_per_week), why=why)
    return out


__all__ = ["DAYS", "Session", "Week", "hours", "kind_of", "plan_week"]
