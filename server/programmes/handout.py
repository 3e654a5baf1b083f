"""The hand-out: large print, this client's pictures, this client's furniture; the same as page and as PDF."""

from typing import Any

from django.conf import settings
from django.template.loader import render_to_string
from django.utils.safestring import mark_safe

from amvel.engine import Engine
from amvel.fitting import fits, seat_for
from amvel.movements import find
from amvel.movements.figure import figure
from clients.models import Client
from programmes.building import NotAllowed, newest, open_for, profile_for, violations_of


def _unit(unit: str) -> str:
    return {"deg": "°", "": ""}.get(unit, f" {unit}")


def _movement(engine: Engine, movement: dict[str, Any]) -> dict[str, Any]:
    family, step = find(movement["ref"])
    side = movement["sides"][0]
    profile = profile_for(engine, movement, side)
    titles = {p.id: p for p in step.parameters}
    measures = [
        f"{titles[k].title}: {v if isinstance(v, str) else format(v, 'g')}{_unit(titles[k].unit)}"
        for k, v in movement["values"].items()
        if k in titles
    ]
    each = " each side" if len(movement["sides"]) == 2 else ""
    hold = f", hold {movement['hold_s']:g} s" if movement["hold_s"] else ""
    dose = f"{movement['repetitions']} times{each}{hold}" + (
        f", {movement['sets']} rounds with a rest between" if movement["sets"] > 1 else ""
    )
    return {
        "title": family.title,
        "step": step.title,
        "svg": mark_safe(figure(engine.profiler, profile)),
        "setup": step.setup,
        "cues": step.cues,
        "breath": step.breath,
        "dose": dose,
        "note": step.dose.note,
        "measures": measures,
        "fault": step.faults[0],
        "felt": step.felt,
        "not_felt": step.not_felt,
        "position": family.position,
    }


def _context(client: Client) -> dict[str, Any]:
    engine, programme = open_for(client), newest(client)
    broken = violations_of(client, programme)
    if broken:
        raise NotAllowed(
            "the programme no longer fits today's limits; build it again: "
            + "; ".join(f"{b['ref']}: {b['why']}" for b in broken)
        )
    seat = seat_for(engine.profiler.body, engine.case.room)
    cautions = [x for x in engine.envelope.limits if x.strength == "caution"]
    return {
        "name": engine.case.person.name,
        "programme": programme,
        "day": engine.case.as_of,
        "movements": [_movement(engine, m) for m in programme.answer["movements"]],
        "minutes": programme.answer["minutes"],
        "fits": [f.says for f in fits(engine.profiler.body, engine.case.room)] if seat else [],
        "cautions": list(dict.fromkeys(c.measure for c in cautions)),
        "days": engine.case.wishes.days_per_week,
        "goals": engine.case.wishes.goals,
        "fonts": settings.ROOT / "web" / "node_modules" / "@fontsource",
    }


def hand_out_html(client: Client) -> str:
    """The page; raises ProgrammeBlocked or NotAllowed."""
    return render_to_string("hand_out.html", _context(client))


def hand_out_pdf(client: Client) -> bytes:
    """The PDF; raises ProgrammeBlocked or NotAllowed."""
    from weasyprint import HTML

    return HTML(string=hand_out_html(client), base_url=str(settings.ROOT)).write_pdf()
