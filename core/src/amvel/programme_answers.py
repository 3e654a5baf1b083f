"""A programme and its week as plain data: the fields that the command line prints and the server stores and passes on."""

from collections.abc import Sequence
from typing import Any

from amvel.engine import Engine
from amvel.movements import Step, find
from amvel.planning import Item, Programme, words
from amvel.planning.needs import needs
from amvel.planning.week import DAYS, Week
from amvel.safety.ways import WayThere

Data = dict[str, Any]


def side_words(step: Step, sides: Sequence[str]) -> str:
    """Which side, for a movement that has two and is done on one; '' where nothing needs to be said."""
    if len(sides) != 1 or not step.sides:
        return ""
    (side,) = sides
    other = {"left": "right", "right": "left"}[side]
    return (step.side_says or "{side} side only").format(side=side, other=other)


def item_data(i: Item) -> Data:
    """One movement of a programme."""
    family, step = find(i.ref)
    return {
        "ref": i.ref,
        "title": f"{family.title}: {step.title}",
        "position": i.position,
        "sides": list(i.sides),
        "side_words": side_words(step, i.sides),
        "values": i.values,
        "repetitions": i.repetitions,
        "sets": i.sets,
        "hold_s": i.hold_s,
        "minutes": i.minutes,
        "verdict": i.verdict,
        "why": i.why,
        "extra_side": i.extra_side,
        "stand_ins": list(i.stand_ins),
        "effort": step.effort,
    }


def way_data(w: WayThere) -> Data:
    """How a position is reached and left, stage by stage."""
    stages = []
    for stage in w.stages:
        family, step = find(stage.ref)
        stages.append(
            {
                "ref": stage.ref,
                "title": f"{family.title}: {step.title}",
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


def programme_data(p: Programme) -> Data:
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
        "obligations": [
            {
                "id": c.id,
                "title": c.title,
                "covered_by": list(c.by),
                "why_not": c.why_not,
                "days_per_week": c.days_per_week,
            }
            for c in p.obligations
        ],
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
        "rests": {"every": p.rests.every, "seconds": p.rests.seconds, "says": p.rests.says()},
        "why": {i.ref: i.why for i in p.movements},
        "why_not": p.why_not,
        "uncovered": p.uncovered,
    }


def needs_data(engine: Engine, items: list[Item]) -> list[Data]:
    """How far each need is covered by these movements."""
    found = []
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


def week_data(week: Week) -> Data:
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
            }
            for s in week.sessions
        ],
        "short": week.short,
        "rest_days": list(week.rest_days),
        "optimal": week.optimal,
    }
