"""Making, changing and opening programmes through the core."""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import date
from typing import Any

from django.conf import settings
from django.db import transaction
from django.http import Http404
from django.utils import timezone

from accounts.models import User
from amvel import answers
from amvel.answers.programmes import WayData, item_from
from amvel.engine import Engine
from amvel.languages import Message, said, said_together
from amvel.movements import MODEL_VERSION, find
from amvel.planning import Item, ProgrammeBlocked, blocked_by, violations
from amvel.planning.edit import EditRefused, judged
from amvel.planning.item import sessions_of
from amvel.planning.programme import ways_of
from amvel.safety import RULEBOOK_VERSION
from clients.casework import audit
from clients.engines import engine_of, today
from clients.models import CaseRevision, Client
from clients.summary import summary_of
from jobs.asking import AHEAD, NotYet, Question, WorkFailed, digest_of, worked_out
from jobs.models import Work
from programmes.models import Programme


class NotAllowed(ValueError):
    """This movement is not allowed for this client; the message names the limits."""


class StaleProgramme(Exception):
    """Somebody else has changed the programme in between; `current` is the newest version."""

    def __init__(self, current: Programme) -> None:
        super().__init__(said("somebody else has changed this programme in between"))
        self.current = current


def _opened(client: Client, revision: CaseRevision) -> Engine:
    engine = engine_of(revision)
    blocked_by(engine.stop_signs)
    previous = previous_steps(client, timezone.localdate())
    return engine.after(previous) if previous else engine


def previous_steps(client: Client, today: date) -> tuple[str, ...]:
    """The steps of the newest programme of an earlier day: what this person has behind them."""
    earlier = client.programmes.filter(created_at__date__lt=today).order_by("-number").first()
    return tuple(m["ref"] for m in earlier.answer["movements"]) if earlier is not None else ()


def listed(broken: list[dict[str, Any]]) -> Message:
    """What no longer fits, each movement with its reason."""
    return said_together((said_together((title_of(b["ref"]), b["why"]), ": ") for b in broken), "; ")


class MovedMeanwhile(Exception):
    """The client was changed while a programme was worked out: what was made is not kept.  Carries both as they are now."""

    def __init__(self, revision: CaseRevision, number: int) -> None:
        super().__init__(said("the client was changed while this was worked out, so that it is not kept"))
        self.revision, self.number = revision, number

    def says(self) -> Message:
        """Why nothing was kept, with the stop sign that came in between."""
        signs = said_together((s.title for s in engine_of(self.revision).stop_signs), ", ")
        return said("{why}; a stop sign stands: {signs}", why=self.args[0], signs=signs) if signs else self.args[0]


@dataclass(frozen=True)
class Read:
    """What a programme is worked out from, read before and compared again when it is stored."""

    client: Client
    revision: int
    newest: Programme | None
    engine: Engine
    case: str  # the primary key of that revision

    @property
    def number(self) -> int:
        return self.newest.number if self.newest is not None else 0


def reading(client: Client) -> Read:
    """The newest revision and programme, and the engine of that revision, unless a stop sign stands (ProgrammeBlocked)."""
    revision = client.latest()
    newest_programme = client.programmes.order_by("-number").first()
    return Read(client, revision.number, newest_programme, _opened(client, revision), str(revision.pk))


def _store(read: Read, user: User | None, context: str, answer: dict[str, Any], made_by: str, says: tuple[str, str], **links: int) -> Programme:
    """Keep what was worked out, if client and programme are still the ones that were read; nothing is computed in here."""
    client = read.client
    summary = summary_of(read.engine, has_programme=True)
    with transaction.atomic():
        Client.objects.select_for_update().get(pk=client.pk)
        revision = client.latest()
        last = client.programmes.order_by("-number").first()
        number = last.number if last is not None else 0
        if revision.number != read.revision:
            raise MovedMeanwhile(revision, number)
        if last is not None and number != read.number:
            raise StaleProgramme(last)
        stored = Programme.objects.create(
            client=client,
            number=number + 1,
            context=context,
            answer=answer,
            made_by=made_by,
            case_digest=read.engine.digest,
            rulebook_version=RULEBOOK_VERSION,
            model_version=MODEL_VERSION,
            author=user,
            **links,
        )
        Client.objects.filter(pk=client.pk).update(**summary)
        audit(user, client, *says)
    return stored


def asked(read: Read, user: User | None, work: Work, urgency: int | None = None, **args: Any) -> Any:
    """The core's answer on what was read; raises NotYet while a worker is at it."""
    previous = read.engine.case.previous_steps
    digest = digest_of(read.engine.digest, args)
    return worked_out(Question(work, read.client.organisation, digest, today(), read.case, previous, args), user, urgency)


@dataclass(frozen=True)
class On:
    """What whoever asks has on screen: revision and number of the newest programme, 0 for none; None where it is all the same."""

    revision: int | None = None
    number: int | None = None


def build(
    client: Client,
    user: User | None,
    context: str,
    minutes: int | None,
    locked: tuple[str, ...] = (),
    barred: tuple[str, ...] = (),
    on: On = On(),
) -> Programme:
    """Solve, and store if the client is still the one that was read (else MovedMeanwhile, StaleProgramme)."""
    read = reading(client)
    if on.revision not in (None, read.revision):
        raise MovedMeanwhile(client.latest(), read.number)
    if on.number not in (None, read.number) and read.newest is not None:
        raise StaleProgramme(read.newest)
    args: dict[str, Any] = {"context": context, "minutes": minutes, "locked": list(locked), "barred": list(barred)}
    answer = {**asked(read, user, Work.PLAN, **args), "locked": list(locked), "warnings": []}
    links = {"before": read.newest.content} if read.newest is not None else {}
    return _store(read, user, context, answer, "solver", ("programme built", f"number {read.number + 1}"), **links)


def items_of(programme: Programme) -> list[Item]:
    """The stored movements as the core's items."""
    return [item_from(m) for m in programme.answer["movements"]]


def violations_of(client: Client, programme: Programme, engine: Engine | None = None) -> list[dict[str, Any]]:
    """What of a stored programme is no longer allowed today."""
    engine = engine or engine_of(client.latest())
    found = violations(engine.case, engine.envelope_in(programme.context), engine.profiler, items_of(programme), programme.context)
    return [{"ref": v.ref, "side": v.side, "why": v.why()} for v in found]


def opened_programme(client: Client) -> tuple[Read, Programme]:
    """What was read, and the newest programme; raises ProgrammeBlocked, Http404 when there is none."""
    read = reading(client)
    if read.newest is None:
        raise Http404
    return read, read.newest


def sheet_of(client: Client, user: User | None, session: str = "", context: str = "") -> dict[str, Any]:
    """One session of the newest programme ready to be run; raises NotAllowed when today's limits close a movement of it.

    Without a letter it is the one whose turn it is: sessions alternate by how many were logged.
    """
    read, programme = opened_programme(client)
    items = items_of(programme)
    letters = [s.id for s in sessions_of(items)]
    letter = session or letters[len({v.id for v in read.engine.case.visits}) % len(letters)]
    if letter not in letters:
        raise Http404
    broken = violations_of(client, programme, read.engine)
    if broken:
        raise NotAllowed(listed(broken))
    covered_by = [sorted(o["covered_by"]) for o in programme.answer["obligations"]]
    args = {"context": context or programme.context, "session": letter, "movements": programme.answer["movements"], "covered_by": covered_by}
    return {"programme": programme.number, "sessions": letters, "sheet": asked(read, user, Work.RUN_SHEET, **args)}


def what_if(read: Read, programme: Programme, user: User | None, only: str = "", urgency: int | None = None) -> list[dict[str, Any]]:
    """What would come and go with one change of what is wished or there; raises NotYet while a worker is at it."""
    args: dict[str, Any] = {"context": programme.context, "in_use": in_use(programme), "only": only}
    return asked(read, user, Work.WHAT_IF, urgency, **args)


def what_if_ahead(client: Client, programme: Programme) -> None:
    """Have that worked out before anybody asks, behind whatever somebody waits for, so that it stands there at once."""
    if not settings.WORKERS:
        return  # whoever asks works it out
    try:
        what_if(reading(client), programme, None, urgency=AHEAD)
    except (NotYet, WorkFailed, ProgrammeBlocked):
        return  # who asks for it is told so


def in_use(programme: Programme) -> list[str]:
    return [m["ref"] for m in programme.answer["movements"]]


def swap_choices(client: Client, user: User | None, ref: str) -> list[dict[str, Any]]:
    """Ranked admissible replacements."""
    find(ref)
    read, programme = opened_programme(client)
    found = asked(read, user, Work.SWAPS, context=programme.context, ref=ref, in_use=in_use(programme))
    return [{**swap, "title": title_of(swap["ref"])} for swap in found[:12]]


def title_of(ref: str) -> str:
    family, step = find(ref)
    return f"{family.title}: {step.title}"


Chosen = Callable[[str], Item]
Edit = Callable[[list[Item], Chosen], list[Item]]


def edit(
    client: Client, user: User, base: int, change: Edit, says: str, locked: list[str] | None = None
) -> Programme:
    """A hand edit on top of version `base`, judged as a whole before it is stored.

    Raises StaleProgramme when another version is newer, MovedMeanwhile when the client was changed while it was judged,
    EditRefused when the change is not possible.
    """
    read, programme = _on(client, base)

    def chosen(ref: str) -> Item:
        find(ref)
        found = asked(read, user, Work.CHOSEN, context=programme.context, ref=ref)
        if "refused" in found:
            raise EditRefused(said_together((title_of(ref), found["refused"]), ": "))
        return item_from(found["item"])

    items = change(items_of(programme), chosen)
    answer = _answer(read.engine, programme, items, locked)
    return _store(read, user, programme.context, answer, "hand edit", ("programme edited", says), before=programme.content)


def _on(client: Client, base: int) -> tuple[Read, Programme]:
    """Version `base` and what it was made from; raises StaleProgramme when another is newer, Http404 when there is none."""
    read, programme = opened_programme(client)
    if read.number != base:
        raise StaleProgramme(programme)
    return read, programme


def ways_data(engine: Engine, context: str, items: list[Item]) -> list[WayData]:
    """How each position of these movements is reached and left."""
    return [answers.way_data(w) for w in ways_of(engine, context, items)]


def _answer(
    engine: Engine, programme: Programme, items: list[Item], locked: list[str] | None
) -> dict[str, Any]:
    """The stored answer with other movements: everything that follows from them is reckoned anew."""
    found = judged(engine, programme.context, items)
    refs, used = {i.ref for i in items}, {i.position for i in items}
    kept = locked if locked is not None else programme.answer.get("locked", [])
    return {
        **programme.answer,
        "movements": [answers.item_data(i) for i in items],
        "changes_of_position": found.changes_of_position,
        "ways": ways_data(engine, programme.context, items),
        "sessions": answers.sessions_data(engine, programme.context, items),
        "minutes": found.minutes,
        "optimal": False,
        "by_hand": True,
        "obligations": [answers.covered_data(c) for c in found.covered],
        "positions": {p: why for p, why in programme.answer.get("positions", {}).items() if p not in used},
        "needs": answers.needs_data(engine, items),
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
    read, newest = _on(client, base)
    number = which(newest)
    found = client.programmes.filter(number=number).first() if number is not None else None
    if found is None:
        raise Http404
    broken = violations_of(client, found, read.engine)
    if broken:
        raise NotAllowed(listed(broken))
    links: dict[str, Any] = {"shows": found.number, "before": found.before}
    links["undone"] = newest.content if made_by == "undo" else _undone_after(client, found)
    said = (f"programme: {made_by}", f"to number {found.number}")
    return _store(read, user, found.context, found.answer, made_by, said, **links)


def _undone_after(client: Client, shown: Programme) -> int | None:
    """What a further redo would show: the version that was edited from this one and undone before it."""
    later = client.programmes.filter(made_by="undo", shows=shown.number).order_by("-number").first()
    return later.undone if later is not None else None
