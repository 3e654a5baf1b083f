"""Making, changing and opening programmes through the core."""

from typing import Any

from django.http import Http404

from accounts.models import User
from amvel import answers
from amvel.engine import Engine
from amvel.movements import MODEL_VERSION, Request, find
from amvel.planning import SETUP_MINUTES, Item, blocked_by, plan, swaps, violations, words
from amvel.safety import RULEBOOK_VERSION, plain_fault
from amvel.safety.verdict import Breach
from clients.casework import engine_of
from clients.models import Client
from programmes.models import Programme


class NotAllowed(ValueError):
    """This movement is not allowed for this client; the message names the limits."""


def newest(client: Client) -> Programme:
    programme = client.programmes.order_by("-number").first()
    if programme is None:
        raise Http404
    return programme


def open_for(client: Client) -> Engine:
    """The client's engine, unless a stop sign stands (ProgrammeBlocked)."""
    engine = engine_of(client.latest())
    blocked_by(engine.stop_signs)
    return engine


def _store(
    client: Client, user: User | None, engine: Engine, context: str, answer: dict[str, Any], made_by: str
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
    solved = plan(
        engine.case, engine.envelope, engine.stop_signs, engine.verdicts, context, minutes, locked, barred
    )
    return _store(client, user, engine, context, answers.programme_data(solved), "solver")


def items_of(programme: Programme) -> list[Item]:
    """The stored movements as the core's items."""
    keep = ("ref", "position", "values", "repetitions", "sets", "hold_s", "minutes", "verdict", "why")
    return [Item(sides=tuple(m["sides"]), **{k: m[k] for k in keep}) for m in programme.answer["movements"]]


def _words(breaches: tuple[Breach, ...], fault: str) -> str:
    return "; ".join(f"{b.limit.says()}, here {b.value:g}" for b in breaches) or plain_fault(fault)


def violations_of(client: Client, programme: Programme) -> list[dict[str, Any]]:
    """What of a stored programme is no longer allowed today."""
    engine = engine_of(client.latest())
    found = violations(engine.case, engine.envelope, engine.profiler, items_of(programme), programme.context)
    return [{"ref": v.ref, "side": v.side, "why": _words(v.breaches, v.fault)} for v in found]


def swap_choices(client: Client, ref: str) -> list[dict[str, Any]]:
    """Ranked admissible replacements."""
    engine, programme = open_for(client), newest(client)
    in_use = tuple(m["ref"] for m in programme.answer["movements"])
    found = swaps(engine.case, engine.envelope, engine.verdicts, programme.context, ref, in_use)
    return [{"ref": r, "score": score, "why": why, "title": _title(r)} for r, score, why in found[:12]]


def _title(ref: str) -> str:
    family, step = find(ref)
    return f"{family.title}: {step.title}"


def swap(client: Client, user: User, out: str, into: str) -> Programme:
    """A hand edit, refused when the new movement is not allowed."""
    engine, programme = open_for(client), newest(client)
    family, step = find(into)
    group = [v for v in engine.verdicts if v.ref == into and v.context == programme.context]
    if not group or not all(v.allowed for v in group):
        first = next(v for v in group if not v.allowed)
        raise NotAllowed(f"{_title(into)}: {_words(first.reasons, first.fault)}")
    movements = [m for m in programme.answer["movements"]]
    place = next((i for i, m in enumerate(movements) if m["ref"] == out), None)
    if place is None:
        raise Http404
    minutes = step.dose.minutes(len(group)) + SETUP_MINUTES
    movements[place] = {
        "ref": into,
        "title": _title(into),
        "position": family.position,
        "sides": [v.side for v in group],
        "values": group[0].profile.request.values,
        "repetitions": step.dose.repetitions,
        "sets": step.dose.sets,
        "hold_s": step.dose.hold_s,
        "minutes": round(minutes, 1),
        "effort": step.effort,
        "verdict": next((v.verdict for v in group if v.verdict != "as_is"), "as_is"),
        "why": "chosen by hand, for " + words(max(step.purposes, key=lambda p: step.purposes[p])),
    }
    positions = list(dict.fromkeys(m["position"] for m in movements))
    answer = {
        **programme.answer,
        "movements": movements,
        "changes_of_position": len(positions) - 1,
        "optimal": False,
        "minutes": round(
            programme.answer["minutes"]
            + movements[place]["minutes"]
            - next(m["minutes"] for m in programme.answer["movements"] if m["ref"] == out),
            1,
        ),
    }
    edited = _store(client, user, engine, programme.context, answer, "hand edit")
    broken = violations_of(client, edited)
    if broken:
        raise NotAllowed("; ".join(f"{b['ref']}: {b['why']}" for b in broken))
    return edited


def profile_for(engine: Engine, movement: dict[str, Any], side: str):
    """The profile of a stored movement, for its picture."""
    family, step = find(movement["ref"])
    return engine.profiler.profile(Request(family, step, side, movement["values"]))
