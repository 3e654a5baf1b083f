"""Making, changing and opening programmes through the core."""

from collections.abc import Callable
from datetime import date
from typing import Any

from django.db import transaction
from django.http import Http404
from django.utils import timezone

from accounts.models import User
from amvel import programme_answers
from amvel.engine import Engine
from amvel.movements import MODEL_VERSION, Request, find
from amvel.planning import Item, blocked_by, plan, swaps, violations
from amvel.planning.edit import judged
from amvel.planning.programme import distinct, ways_of
from amvel.safety import RULEBOOK_VERSION
from clients import apart
from clients.casework import audit, engine_of
from clients.models import Client
from programmes.models import Programme


class NotAllowed(ValueError):
    """This movement is not allowed for this client; the message names the limits."""


class StaleProgramme(Exception):
    """Somebody else has changed the programme in between; `current` is the newest version."""

    def __init__(self, current: Programme) -> None:
        super().__init__("somebody else has changed this programme in between")
        self.current = current


def newest(client: Client) -> Programme:
    programme = client.programmes.order_by("-number").first()
    if programme is None:
        raise Http404
    return programme


def open_for(client: Client) -> Engine:
    """The client's engine, unless a stop sign stands (ProgrammeBlocked)."""
    engine = engine_of(client.latest())
    blocked_by(engine.stop_signs)
    previous = previous_steps(client, timezone.localdate())
    return engine.after(previous) if previous else engine


def previous_steps(client: Client, today: date) -> tuple[str, ...]:
    """The steps of the newest programme of an earlier day: what this person has behind them."""
    earlier = client.programmes.filter(created_at__date__lt=today).order_by("-number").first()
    return tuple(m["ref"] for m in earlier.answer["movements"]) if earlier is not None else ()


def _store(
    client: Client,
    user: User | None,
    engine: Engine,
    context: str,
    answer: dict[str, Any],
    made_by: str,
    **links: int,
) -> Programme:
    last = client.programmes.order_by("-number").first()
    return Programme.objects.create(
        client=client,
        number=(last.number if last else 0) + 1,
        context=context,
        answer=answer,
        made_by=made_by,
        case_digest=engine.digest,
        rulebook_version=RULEBOOK_VERSION,
        model_version=MODEL_VERSION,
        author=user,
        **links,
    )


def build(
    client: Client,
    user: User | None,
    context: str,
    minutes: int | None,
    locked: tuple[str, ...] = (),
    barred: tuple[str, ...] = (),
) -> Programme:
    """Solve and store."""
    engine = open_for(client)
    solved = apart.ask(plan, engine, context, minutes, locked, barred)
    answer = {**programme_answers.programme_data(solved), "locked": list(locked), "warnings": []}
    last = client.programmes.order_by("-number").first()
    return _store(client, user, engine, context, answer, "solver", **({"before": last.content} if last else {}))


_KEPT = ("ref", "position", "values", "repetitions", "sets", "hold_s", "minutes", "verdict", "why")


def items_of(programme: Programme) -> list[Item]:
    """The stored movements as the core's items."""
    return [
        Item(
            sides=tuple(m["sides"]),
            extra_side=m.get("extra_side", ""),
            stand_ins=tuple(m.get("stand_ins", ())),
            **{k: m[k] for k in _KEPT},
        )
        for m in programme.answer["movements"]
    ]


def violations_of(client: Client, programme: Programme, engine: Engine | None = None) -> list[dict[str, Any]]:
    """What of a stored programme is no longer allowed today."""
    engine = engine or engine_of(client.latest())
    found = violations(engine.case, engine.envelope_in(programme.context), engine.profiler, items_of(programme), programme.context)
    return [{"ref": v.ref, "side": v.side, "why": v.why()} for v in found]


def swap_choices(client: Client, ref: str) -> list[dict[str, Any]]:
    """Ranked admissible replacements; of nothing ('' as ref) everything that could be added."""
    engine, programme = open_for(client), newest(client)
    in_use = tuple(m["ref"] for m in programme.answer["movements"])
    found = apart.ask(swaps, engine, programme.context, ref, in_use)
    return [{"ref": r, "score": score, "why": why, "title": title_of(r)} for r, score, why in found[:12]]


def title_of(ref: str) -> str:
    family, step = find(ref)
    return f"{family.title}: {step.title}"


Edit = Callable[[Engine, str, list[Item]], list[Item]]


def edit(
    client: Client, user: User, base: int, change: Edit, says: str, locked: list[str] | None = None
) -> Programme:
    """A hand edit on top of version `base`, judged as a whole before it is stored.

    Raises StaleProgramme when another version is newer, EditRefused when the change is not possible.
    """
    with transaction.atomic():
        Client.objects.select_for_update().get(pk=client.pk)
        engine, programme = open_for(client), newest(client)
        if programme.number != base:
            raise StaleProgramme(programme)
        items = change(engine, programme.context, items_of(programme))
        answer = _answer(engine, programme, items, locked)
        edited = _store(client, user, engine, programme.context, answer, "hand edit", before=programme.content)
        audit(user, client, "programme edited", says)
    return edited


def ways_data(engine: Engine, context: str, items: list[Item]) -> list[dict[str, Any]]:
    """How each position of these movements is reached and left."""
    needed = ways_of(engine, context, [(i.ref, i.sides[0], i.values) for i in items])
    return [programme_answers.way_data(w) for w in needed]


def _answer(
    engine: Engine, programme: Programme, items: list[Item], locked: list[str] | None
) -> dict[str, Any]:
    """The stored answer with other movements: everything that follows from them is reckoned anew."""
    found = judged(engine, programme.context, items)
    refs = {i.ref for i in items}
    old = {o["id"]: o for o in programme.answer["obligations"]}
    obligations = [
        {
            "id": o.id,
            "title": o.title,
            "covered_by": list(found.covered[o.id]),
            "why_not": "" if found.covered[o.id] else old.get(o.id, {}).get("why_not") or "left out by hand",
            "days_per_week": o.days_per_week,
        }
        for o in distinct(engine.envelope.obligations)
    ]
    kept = locked if locked is not None else programme.answer.get("locked", [])
    return {
        **programme.answer,
        "movements": [programme_answers.item_data(i) for i in items],
        "changes_of_position": found.changes_of_position,
        "ways": ways_data(engine, programme.context, items),
        "minutes": found.minutes,
        "optimal": False,
        "by_hand": True,
        "obligations": obligations,
        "needs": programme_answers.needs_data(engine, items),
        "locked": [r for r in kept if r in refs],
        "warnings": list(found.warnings),
        "why": {i.ref: i.why for i in items},
    }


def step_back(client: Client, user: User, base: int) -> Programme:
    """Undo: a new version with the content before the newest edit; raises Http404 when there is none."""
    return _take_up(client, user, base, lambda p: p.before, "undo")


def step_on(client: Client, user: User, base: int) -> Programme:
    """Redo: a new version with the content that was undone; raises Http404 when nothing was."""
    return _take_up(client, user, base, lambda p: p.undone, "redo")


def _take_up(
    client: Client, user: User, base: int, which: Callable[[Programme], int | None], made_by: str
) -> Programme:
    with transaction.atomic():
        Client.objects.select_for_update().get(pk=client.pk)
        engine, programme = open_for(client), newest(client)
        if programme.number != base:
            raise StaleProgramme(programme)
        number = which(programme)
        found = client.programmes.filter(number=number).first() if number is not None else None
        if found is None:
            raise Http404
        broken = violations_of(client, found, engine)
        if broken:
            raise NotAllowed("; ".join(f"{b['ref']}: {b['why']}" for b in broken))
        links: dict[str, Any] = {"shows": found.number, "before": found.before}
        links["undone"] = programme.content if made_by == "undo" else _undone_after(client, found)
        stored = _store(client, user, engine, found.context, found.answer, made_by, **links)
        audit(user, client, f"programme: {made_by}", f"to number {found.number}")
    return stored


def _undone_after(client: Client, shown: Programme) -> int | None:
    """What a further redo would show: the version that was edited from this one and undone before it."""
    later = client.programmes.filter(made_by="undo", shows=shown.number).order_by("-number").first()
    return later.undone if later is not None else None


def profile_for(engine: Engine, movement: dict[str, Any], side: str):
    """The profile of a stored movement, for its picture."""
    family, step = find(movement["ref"])
    return engine.profiler.profile(Request(family, step, side, movement["values"]))
