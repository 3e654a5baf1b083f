"""A programme and its week as plain data: the fields that the command line prints and the server stores and passes on."""

from collections.abc import Mapping, Sequence
from typing import Any, NotRequired

from typing_extensions import TypedDict

from amvel.engine import Engine
from amvel.languages import said_together
from amvel.movements import Position, find
from amvel.planning import Covered, Item, Programme, SetUp, words
from amvel.planning.dose_words import side_words
from amvel.planning.item import sessions_of
from amvel.planning.needs import needs
from amvel.planning.programme import ways_of
from amvel.planning.week import DAYS, Week
from amvel.safety import VerdictKind
from amvel.safety.ways import WayThere


class SetUpData(TypedDict):
    """How one side of a movement is set up and dosed."""

    side: str
    values: dict[str, float | str]
    repetitions: int
    sets: int
    hold_s: float
    verdict: VerdictKind


class ItemData(TypedDict):
    """One movement of a programme, each side by itself; what is not required was not written by earlier versions."""

    ref: str
    title: str
    position: Position
    set_ups: list[SetUpData]
    side_words: NotRequired[str]
    minutes: float
    why: str
    stand_ins: NotRequired[list[str]]
    effort: float
    sessions: list[str]


class StageData(TypedDict):
    """One step of a way there and back."""

    ref: str
    title: str
    side: str
    values: dict[str, float | str]
    setup: list[str]


class WayData(TypedDict):
    """How a position is reached and left."""

    to: str
    says: str
    technique: str
    title: str
    open: bool
    stages: list[StageData]
    closed_by: list[str]


class SessionPlanData(TypedDict):
    """One of the sessions that alternate."""

    id: str
    movements: list[str]
    minutes: float
    changes_of_position: int
    ways: list[WayData]


class CoveredData(TypedDict):
    """An obligation with what covers it."""

    id: str
    title: str
    covered_by: list[str]
    why_not: str
    days_per_week: NotRequired[float]


class NeedData(TypedDict):
    """How far one need is covered."""

    purpose: str
    title: str
    weight: int
    percent: int
    because: list[str]


class RestsData(TypedDict):
    """Planned rests."""

    every: int
    seconds: int
    says: str


class ProgrammeData(TypedDict):
    """A programme with its reasons; what is not required is added by whoever stores it, or was not written by earlier versions."""

    context: NotRequired[str]
    movements: list[ItemData]
    changes_of_position: int
    minutes: float
    optimal: bool
    gap: float
    worth: NotRequired[int]
    load_minutes: NotRequired[float]
    load_budget_minutes: NotRequired[float]
    obligations: list[CoveredData]
    needs: NotRequired[list[NeedData]]
    conflict: NotRequired[str]
    ways: NotRequired[list[WayData]]
    sessions: list[SessionPlanData]
    positions: NotRequired[dict[Position, str]]
    unmapped: NotRequired[list[str]]
    rests: NotRequired[RestsData]
    why: dict[str, str]
    why_not: dict[str, str]
    uncovered: dict[str, str]
    locked: NotRequired[list[str]]
    warnings: NotRequired[list[str]]
    by_hand: NotRequired[bool]


class SessionData(TypedDict):
    """One session of a week, with the letter of the programme's session that it is."""

    day: int
    title: str
    at: str
    rows: list[int]
    minutes: float
    light: bool
    letter: str


class WeekData(TypedDict):
    """A week of sessions."""

    sessions: list[SessionData]
    short: dict[str, str]
    rest_days: list[int]
    optimal: bool


def item_data(i: Item) -> ItemData:
    """One movement of a programme."""
    family, step = find(i.ref)
    return {
        "ref": i.ref,
        "title": said_together((family.title, step.title), ": "),
        "position": i.position,
        "set_ups": [
            {
                "side": s.side,
                "values": s.values,
                "repetitions": s.repetitions,
                "sets": s.sets,
                "hold_s": s.hold_s,
                "verdict": s.verdict,
            }
            for s in i.set_ups
        ],
        "side_words": side_words(step, i.sides),
        "minutes": i.minutes,
        "why": i.why,
        "stand_ins": list(i.stand_ins),
        "effort": step.effort,
        "sessions": list(i.sessions),
    }


def item_from(m: Mapping[str, Any]) -> Item:
    """The item of what was written as data."""
    kept = {k: m[k] for k in ("ref", "position", "minutes", "why")}
    return Item(set_ups=tuple(SetUp(**s) for s in m["set_ups"]), stand_ins=tuple(m.get("stand_ins", ())), sessions=tuple(m["sessions"]), **kept)


def sessions_data(engine: Engine, context: str, items: Sequence[Item]) -> list[SessionPlanData]:
    """The sessions that these movements make, each with its ways there and back."""
    return [
        {
            "id": s.id,
            "movements": list(s.refs),
            "minutes": s.minutes,
            "changes_of_position": s.changes_of_position,
            "ways": [way_data(w) for w in ways_of(engine, context, [i for i in items if s.id in i.sessions])],
        }
        for s in sessions_of(items)
    ]


def way_data(w: WayThere) -> WayData:
    """How a position is reached and left, stage by stage."""
    stages: list[StageData] = []
    for stage in w.stages:
        family, step = find(stage.ref)
        stages.append(
            {
                "ref": stage.ref,
                "title": said_together((family.title, step.title), ": "),
                "side": stage.side,
                "values": stage.values,
                "setup": list(step.setup),
            }
        )
    return {
        "to": w.to.name.lower(),
        "says": w.to.says,
        "technique": w.technique.id,
        "title": w.technique.title,
        "open": w.open,
        "stages": stages,
        "closed_by": list(w.closed_by),
    }


def covered_data(c: Covered) -> CoveredData:
    """An obligation with what covers it."""
    return {
        "id": c.id,
        "title": c.title,
        "covered_by": list(c.by),
        "why_not": c.why_not,
        "days_per_week": c.days_per_week,
    }


def programme_data(p: Programme, engine: Engine) -> ProgrammeData:
    return {
        "context": p.context,
        "movements": [item_data(i) for i in p.movements],
        "changes_of_position": p.changes_of_position,
        "minutes": p.minutes,
        "optimal": p.optimal,
        "gap": p.gap,
        "worth": p.worth,
        "load_minutes": p.load_minutes,
        "load_budget_minutes": p.load_budget_minutes,
        "obligations": [covered_data(c) for c in p.obligations],
        "needs": [
            {
                "purpose": n.purpose,
                "title": n.title,
                "weight": n.weight,
                "percent": n.percent,
                "because": list(n.because),
            }
            for n in p.needs
        ],
        "conflict": p.conflict.says() if p.conflict else "",
        "ways": [way_data(w) for w in p.ways],
        "sessions": sessions_data(engine, p.context, p.movements),
        "positions": p.positions,
        "unmapped": list(p.unmapped),
        "rests": {"every": p.rests.every, "seconds": p.rests.seconds, "says": p.rests.says()},
        "why": {i.ref: i.why for i in p.movements},
        "why_not": p.why_not,
        "uncovered": p.uncovered,
    }


def needs_data(engine: Engine, items: list[Item]) -> list[NeedData]:
    """How far each need is covered by these movements."""
    found: list[NeedData] = []
    for need in needs(engine.case, engine.findings, engine.envelope).values():
        percent = sum(int(100 * find(i.ref)[1].purposes.get(need.purpose, 0.0)) for i in items)
        found.append(
            {
                "purpose": need.purpose,
                "title": words(need.purpose),
                "weight": need.weight,
                "percent": min(100, percent),
                "because": list(need.because),
            }
        )
    return sorted(found, key=lambda n: (-n["weight"], n["purpose"]))


def week_data(week: Week) -> WeekData:
    """A week as data."""
    return {
        "sessions": [
            {
                "day": s.day,
                "title": DAYS[s.day],
                "at": s.at.isoformat("minutes"),
                "rows": list(s.rows),
                "minutes": s.minutes,
                "light": s.light,
                "letter": s.letter,
            }
            for s in week.sessions
        ],
        "short": week.short,
        "rest_days": list(week.rest_days),
        "optimal": week.optimal,
    }
