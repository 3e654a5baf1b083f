"""What every paper of a client holds, and the hand-out: large print, this client's pictures and furniture."""

import base64
from collections.abc import Sequence
from datetime import date
from functools import lru_cache
from typing import Any

from django.conf import settings
from django.template.loader import render_to_string
from django.utils.safestring import mark_safe

from amvel.answers.programmes import StageData
from amvel.case import SIDE_SAID, Room
from amvel.engine import Engine
from amvel.fitting import fit_figure, fits, fits_used, to_prepare
from amvel.languages import day_in, in_language, said
from amvel.movements import Request, find
from amvel.movements.bed import LYING
from amvel.movements.picture import proportion
from amvel.movements.schools import do_lines, school_lines
from amvel.planning import Item
from amvel.planning.dose_words import dose_words
from amvel.planning.measures import measures_of
from amvel.planning.one_seat import seats_to_prepare
from amvel.planning.to_take import taken_instead
from amvel.safety import Limit
from amvel.safety.limits import Reader
from clients.models import Client
from papers.texts import filled, texts_of
from papers.two_a_page import (
    HIGHEST_ALONE_MM,
    PAGE_MM,
    WIDE_MM,
    Block,
    box_mm,
    heading_mm,
    lead_mm,
    list_mm,
    paged,
    ready_mm,
    small_mm,
    title_mm,
    words_mm,
)
from papers.writer import Writer
from programmes.building import (
    NotAllowed,
    items_of,
    listed,
    opened_programme,
    violations_of,
    ways_data,
)
from programmes.models import Programme

_STOP_WHEN = (
    said("pain is new, or grows by two points of ten"),
    said("something pinches, tingles or runs down a leg"),
    said("you feel dizzy, or short of breath out of proportion"),
)
_EMERGENCY = said("Chest pain, sudden weakness, numbness between the legs, or trouble holding water: call the emergency number.")
_WAYS_TITLE_MM = 18.0  # "Getting there and back", with the word about lying
_STAGES_A_PAGE = 4
_FIRST_TITLE_MM, _SPARE_MM = 15.0, 8.0  # the title of the first page, and what is left free so that a box surely fits


def _movement(engine: Engine, item: Item, room: Room, pictures: bool, language: str) -> dict[str, Any]:
    """One movement as it is printed, in this language."""
    words = in_language(_words(engine, item, room), language)
    set_ups = in_language(_set_ups(engine, item, pictures), language)
    return {**words, "set_ups": set_ups}


def _height_mm(m: dict[str, Any], rests: bool) -> float:
    """How high the words of a printed movement are, with the line below it that says to rest."""
    taken = f"{said('Take:')} {'; '.join(m['stand_ins'])}." if m["stand_ins"] else ""
    measures = " ".join(f"{u['side']} {'; '.join(u['measures'])}." for u in m["set_ups"] if u["measures"])
    captions = [u["side"] for u in m["set_ups"] if u["side"]][:1]
    small = (f"{' '.join(m['setup'])} {taken} {measures}", " ".join(m["lines"]), f"{' '.join(m['feel'])} {m['note']}", said("Then rest a minute.") if rests else "", *captions)
    return words_mm(title_mm(f"{m['number']}. {m['title']}", m["step"], m["dose"]), small, m["do"])


def _words(engine: Engine, item: Item, room: Room) -> dict[str, Any]:
    family, step = find(item.ref)
    schools = engine.schools.of(family.id)
    lines = school_lines(family, step, schools)
    breath, fault = lines.pop("breath"), step.faults[0]
    return {
        "title": family.title,
        "step": step.title,
        "setup": step.setup,
        "do": do_lines(step, schools["breath"]),
        "breath": breath,
        "lines": list(lines.values()),
        "dose": dose_words(item),
        "note": step.dose.note,
        "stand_ins": taken_instead(item, engine.profiler.body, room, schools),
        "feel": [
            said("You should feel: {felt}.", felt=step.felt),
            said("Not: {not_felt}.", not_felt=step.not_felt),
            said("Watch for: {seen} – {cue}.", seen=fault.seen, cue=fault.cue),
        ],
        "position": family.position,
    }


def _set_ups(engine: Engine, item: Item, pictures: bool) -> list[dict[str, Any]]:
    """One picture with its measures where both sides are set up alike; else one of each side, which is named."""
    shown = item.set_ups[:1] if item.one_set_up else item.set_ups
    return [
        {
            "side": "" if item.one_set_up else SIDE_SAID[own.side],
            "svg": mark_safe(engine.pictures.figure(Request(*find(item.ref), own.side, own.values))) if pictures else "",
            "measures": list(measures_of(item.ref, own.values)),
        }
        for own in shown
    ]


def _ways(engine: Engine, programme: Programme, pictures: bool) -> list[dict[str, Any]]:
    """How the positions of this programme are reached and left: each stage with its picture."""
    out = []
    for way in ways_data(engine, programme.context, items_of(programme)):
        stages = [_stage(engine, s, pictures) for s in way["stages"]]
        out.append({"says": way["says"], "title": way["title"], "stages": stages})
    return out


def _stage(engine: Engine, stage: StageData, pictures: bool) -> dict[str, Any]:
    family, step = find(stage["ref"])
    request = Request(family, step, stage["side"], stage["values"])
    return {
        "title": family.title,
        "step": step.title,
        "do": do_lines(step, engine.schools.of(family.id)["breath"]),
        "svg": mark_safe(engine.pictures.figure(request)) if pictures else "",
    }


def _every_time(movements: list[dict[str, Any]]) -> list[str]:
    """What the schools say of every movement, once; it is taken out of the movements, which keep what is only theirs."""
    common = [x for x in movements[0]["lines"] if all(x in m["lines"] for m in movements)] if movements else []
    for m in movements:
        m["lines"] = [x for x in m["lines"] if x not in common]
    _as_before(movements)
    return common


def _as_before(movements: list[dict[str, Any]]) -> None:
    """What a school says once more word for word is said once: later movements name the number that said it."""
    first: dict[str, int] = {}
    for number, m in enumerate(movements, 1):
        before = [first[x] for x in m["lines"] if x in first]
        new = [x for x in m["lines"] if x not in first]
        first |= dict.fromkeys(new, number)
        m["lines"] = [said("Belly and breath as in number {n}.", n=max(before)), *new] if before else new


def _measures(cautions: Sequence[Limit], read_by: Reader) -> list[str]:
    """What goes with the cautions, each once; what is for the specialist stands at the mat and on no paper of the client."""
    return list(dict.fromkeys(c.measure for c in cautions if c.read_by is read_by))


def _sessions(movements: list[dict[str, Any]], sessions: list[dict[str, Any]]) -> list[dict[str, Any]]:
    """Which numbers make which session; none where there is only one."""
    if len(sessions) < 2:
        return []
    number = {m["ref"]: i for i, m in enumerate(movements, 1)}
    rows = ((s, [number[r] for r in s["movements"]]) for s in sessions)
    return [{"id": s["id"], "numbers": own, "said": ", ".join(map(str, own)), "minutes": round(s["minutes"])} for s, own in rows]


def opened(client: Client) -> tuple[Engine, Programme]:
    """Engine and newest programme; raises ProgrammeBlocked while a stop sign stands, NotAllowed when it no longer fits."""
    read, programme = opened_programme(client)
    engine = read.engine
    broken = violations_of(client, programme, engine)
    if broken:
        raise NotAllowed(
            said("the programme no longer fits today's limits; build it again: {broken}", broken=listed(broken))
        )
    return engine, programme


@lru_cache(maxsize=1)
def _fonts() -> dict[str, str]:
    """The print font by weight as data addresses: the same page prints and shows without fetching anything."""
    folder = settings.ROOT / "web" / "node_modules" / "@fontsource" / "atkinson-hyperlegible" / "files"
    return {
        f"w{w}": "data:font/woff2;base64,"
        + base64.b64encode((folder / f"atkinson-hyperlegible-latin-{w}-normal.woff2").read_bytes()).decode()
        for w in (400, 700)
    }


def page_context(client: Client, writer: Writer, pictures: bool = True, language: str = "") -> dict[str, Any]:
    """Everything that a paper may show, in this language; in the client's where none is said."""
    engine, programme = opened(client)
    case = engine.case
    language, room = language or case.understanding.language, case.room_for(programme.context)
    movements = programme.answer["movements"]
    used = frozenset().union(*(fits_used(*find(m["ref"])) for m in movements)) if movements else frozenset()
    names = {
        "name": case.person.name,
        "minutes": f"{programme.answer['minutes']:.0f}",
        "days": str(case.wishes.days_per_week),
        "specialist": writer.name,
        "organisation": client.organisation.name,
        "date": day_in(language, case.as_of),
    }
    shown = [_movement(engine, item, room, pictures, language) for item in items_of(programme)]
    cautions = [x for x in engine.envelope.limits if x.strength == "caution"]
    page = {
        "name": case.person.name,
        "programme": programme,
        "day": case.as_of,
        "movements": shown,
        "every_time": _every_time(shown),
        "ways": _ways(engine, programme, pictures),
        "lies": any(item.position in LYING for item in items_of(programme)),
        "minutes": programme.answer["minutes"],
        "rest_every": programme.answer.get("rests", {}).get("every", 0),
        "fits": [
            {"says": f.says, "svg": mark_safe(fit_figure(engine.profiler, f)) if pictures else ""}
            for f in seats_to_prepare(items_of(programme), engine.profiler, room, to_prepare(fits(engine.profiler, room, engine.envelope, used)))
        ],
        "cautions": _measures(cautions, Reader.PERSON),
        "for_helpers": _measures(cautions, Reader.HELPER),
        "watch": [*_STOP_WHEN, *dict.fromkeys(said(c.WATCH) for c in case.conditions if c.WATCH)],
        "emergency": _EMERGENCY,
        "days": case.wishes.days_per_week,
        "goals": [g.words for g in case.wishes.goals],
        "towards": said("Towards: {goals}", goals="; ".join(g.words for g in case.wishes.goals)) if case.wishes.goals else "",
        "sessions": _sessions(movements, programme.answer["sessions"]),
        "texts": {k: mark_safe(v) for k, v in filled(texts_of(client.organisation, language), names).items()},
        "next_visit": _next_visit(client, case.as_of, language),
        "organisation": client.organisation.name,
        "specialist": writer.name,
        "fonts": _fonts(),
        "language": language,
    }
    page = in_language(page, language)
    _place(page)
    return {**page, "engine": engine}


def _next_visit(client: Client, today: date, language: str) -> str:
    """When the client is expected; '' where nothing is planned or the day is over."""
    if client.visit_on is None or client.visit_at is None or client.visit_on < today:
        return ""
    return said("Next visit: {day}, {at}", day=day_in(language, client.visit_on, "full"), at=f"{client.visit_at:%H:%M}")


def _place(page: dict[str, Any]) -> None:
    """Adds to each movement, and to each stage of a way, how high its picture is and whether it begins a page, and says where what
    to get ready stands.

    The ways begin a page, with what to get ready above them, or on the first page where that has room and a sheet is spared.
    """
    stages = [stage for way in page["ways"] for stage in way["stages"]]
    words = zip(stages, _stage_words_mm(page["ways"]), strict=True)
    blocks = [Block(words_mm, _widest_mm([stage["svg"]]), _STAGES_A_PAGE) for stage, words_mm in words]
    blocks += _movement_blocks(page["movements"], page["rest_every"])
    ready = ready_mm([f["says"] for f in page["fits"]])
    room_first = not ready or _first_page_mm(page) + ready + _SPARE_MM <= PAGE_MM
    title = _WAYS_TITLE_MM if stages else 0.0
    above, first = paged(blocks, ready + title), paged(blocks, title)
    page["ready_first"] = not stages or (room_first and first.cost < above.cost)
    for shown, at in zip([*stages, *page["movements"]], (first if page["ready_first"] else above).blocks, strict=True):
        shown |= {"picture_mm": int(at.picture_mm), "begins_page": at.begins_page}


def _movement_blocks(movements: list[dict[str, Any]], rest_every: int) -> list[Block]:
    """Numbers the movements, and says how much room each takes."""
    blocks = []
    for number, m in enumerate(movements, 1):
        m["number"] = number
        rests = bool(rest_every) and number % rest_every == 0 and number < len(movements)
        blocks.append(Block(_height_mm(m, rests), _widest_mm([u["svg"] for u in m["set_ups"]])))
    return blocks


def _widest_mm(drawings: Sequence[str]) -> float:
    """How high pictures beside each other are when they are as wide as the page together; the highest there is where nothing is drawn."""
    wide = WIDE_MM / max(1, len(drawings))
    return min((wide / proportion(svg) for svg in drawings if svg), default=HIGHEST_ALONE_MM)


def _stage_words_mm(ways: list[dict[str, Any]]) -> list[float]:
    """How high the words of each stage are, with the heading of the way above its first one."""
    return [
        (0.0 if i else heading_mm(way["says"], way["title"])) + heading_mm(stage["title"], "") + list_mm(stage["do"])
        for way in ways
        for i, stage in enumerate(way["stages"])
    ]


def _first_page_mm(page: dict[str, Any]) -> float:
    """How high the first page is without what to get ready."""
    texts = page["texts"]
    leads = [texts["greeting"], page["next_visit"], page["towards"]]
    care = [*page["cautions"], *page["for_helpers"]]
    headings = bool(page["cautions"]) + bool(page["for_helpers"])
    return (
        _FIRST_TITLE_MM
        + sum(map(lead_mm, leads))
        + box_mm(page["watch"], small=[page["emergency"], texts["contact"]])
        + box_mm(care, headings)
        + box_mm(page["every_time"])
        + box_mm([str(s["said"]) for s in page["sessions"]])
        + small_mm(texts["closing"])
    )


def hand_out_html(client: Client, writer: Writer) -> str:
    """The page; raises ProgrammeBlocked or NotAllowed."""
    return render_to_string("hand_out.html", page_context(client, writer))


def pdf_of(html: str) -> bytes:
    """A page as PDF, with its fonts in it."""
    from weasyprint import HTML

    return HTML(string=html, base_url=str(settings.ROOT)).write_pdf()
