"""One movement: up, stay, down or pause, from its own sessions.  Shared trunk of the decision; what is open is asked of verdicts."""

from collections.abc import Callable
from dataclasses import dataclass

from amvel.languages import Message, said, term
from amvel.movements import Family, Step, find
from amvel.numbers import Numbers
from amvel.progress.proposal import Proposal, ProposalKind
from amvel.progress.sessions import Session
from amvel.screening.progress_standard import DOWN, STOP, UP


@dataclass(frozen=True)
class Ladder:
    """What stands above and below on this client's ladder: the nearest open step, and why the next one is not, where it is not."""

    up: str
    down: str
    up_closed: Message | None = None


@dataclass(frozen=True)
class Asked:
    """One movement with its sessions, oldest first, and what else decides."""

    step: str
    sessions: list[Session]
    ladder: Ladder
    each_side: bool  # with a paresis each side goes its own way
    raised_by_flare: bool  # a flare whose cause this movement most likely is
    n: Numbers

    @property
    def last(self) -> Session:
        return self.sessions[-1]


def decide(asked: Asked) -> list[Proposal]:
    """The first of these that applies: stopped by a symptom, a flare, early failures, ready, or stay."""
    for rule in (_pause, _down_for_a_flare, _down_for_early_failures):
        found = rule(asked)
        if found is not None:
            return [found]
    if asked.each_side:
        return [_up_or_stay(asked, s.side) for s in asked.last.sides]
    return [_up_or_stay(asked, "")]


def _pause(asked: Asked) -> Proposal | None:
    if not asked.last.done.stopped_by_symptom:
        return None
    return Proposal(
        ProposalKind.PAUSE,
        said("Leave it out until the cause is known; another movement with the same purpose takes its place."),
        (asked.last.evidence(),),
        said("a session of the easier step without the symptom"),
        STOP,
        asked.step,
        to=asked.ladder.down,
    )


def _down_for_a_flare(asked: Asked) -> Proposal | None:
    if not (asked.last.flared and asked.raised_by_flare):
        return None
    return _down(asked, (asked.last,), said("a flare the day after: the easier step until two sessions stay quiet"))


def _down_for_early_failures(asked: Asked) -> Proposal | None:
    needed = int(asked.n["early_in_a_row"])
    last = asked.sessions[-needed:]
    if len(last) < needed or not all(s.early() for s in last):
        return None
    return _down(asked, tuple(last), said("the form failed early {count} times in a row", count=needed))


def _down(asked: Asked, seen: tuple[Session, ...], why: Message) -> Proposal:
    if asked.ladder.down:
        family, below = find(asked.ladder.down)
        says = said("One step down, to “{title}”: {why}.", title=_title(family, below), why=why)
    else:
        says = said("It is the first step: half of the repetitions, {why}.", why=why)
    return Proposal(ProposalKind.STEP_DOWN, says, tuple(s.evidence() for s in seen), said("two sessions in a row that reach the target clean"), DOWN, asked.step, to=asked.ladder.down)


def _up_or_stay(asked: Asked, side: str) -> Proposal:
    """Ready to go up on this side ('' for both), or why not yet."""
    for check in _BEFORE_A_STEP_UP:
        why_not = check(asked, side)
        if why_not is not None:
            return _stay(asked, side, *why_not)
    weaker = _side_not_ready(asked) if not side else ""
    if weaker:
        return _extra_set(asked, weaker)
    if not asked.ladder.up:
        closed = asked.ladder.up_closed
        says = said("The next step is closed: {why}. Slower, and longer held, is harder too.", why=closed) if closed else said("The top of this ladder: into daily life with it.")
        return Proposal(ProposalKind.STAY, says, _seen(asked, 2), said("a limit that opens"), UP, asked.step, side or "both")
    family, above = find(asked.ladder.up)
    needed = int(asked.n["clean_in_a_row"])
    return Proposal(
        ProposalKind.STEP_UP,
        said("{count} clean sessions in a row: on to “{title}”.", count=needed, title=_title(family, above)),
        _seen(asked, needed),
        said("a flare, or a session below the target, before it is begun"),
        UP,
        asked.step,
        side or "both",
        asked.ladder.up,
    )


WhyNot = tuple[Message, Message]  # why it stays, and what would change that
Check = Callable[[Asked, str], WhyNot | None]


def _too_few(asked: Asked, side: str) -> WhyNot | None:
    needed = int(asked.n["clean_in_a_row"])
    row = _clean_in_a_row(asked, side)
    if row >= needed or (not side and any(_clean_in_a_row(asked, s.side) >= needed for s in asked.last.sides)):
        return None
    last = asked.last
    if any(s.cued for s in last.sides if not side or s.side in (side, "both")):
        return said("The target was met, with faults that a cue put right."), said("the same without the fault")
    if last.reached(side):
        return said("The target was met; once more."), said("one more clean session in a row") if needed - row == 1 else said("{count} more clean sessions in a row", count=needed - row)
    return said("The target was not met yet."), said("every repetition up to the target clean, {count} sessions in a row", count=needed)


def _flared(asked: Asked, side: str) -> WhyNot | None:
    if any(s.flared for s in asked.sessions[-int(asked.n["clean_in_a_row"]) :]):
        return said("There was a flare the day after."), said("two sessions without one")
    return None


def _not_told(asked: Asked, side: str) -> WhyNot | None:
    if all(s.told for s in asked.sessions[-int(asked.n["clean_in_a_row"]) :]):
        return None
    return said("Nobody has asked yet how the day after was."), said("the answer to that question")


def _breath(asked: Asked, side: str) -> WhyNot | None:
    own = [s for s in asked.last.sides if not side or s.side in (side, "both")]
    if all(s.breath_easy for s in own):
        return None
    return said("The breath was not easy yet."), said("the same with an even breath")


def _effort(asked: Asked, side: str) -> WhyNot | None:
    told = [s.done.effort_0_to_10 if s.done.effort_0_to_10 is not None else s.visit.effort_0_to_10 for s in asked.sessions[-int(asked.n["clean_in_a_row"]) :]]
    known = [e for e in told if e is not None]
    if not known:
        return said("How hard it was has not been told."), said("an effort of at most {most} of 10", most=int(asked.n["low_effort"]))
    if max(known) > asked.n["low_effort"]:
        return said("It was still hard: effort {effort} of 10.", effort=max(known)), said("an effort of at most {most} of 10", most=int(asked.n["low_effort"]))
    return None


def _unsure(asked: Asked, side: str) -> WhyNot | None:
    told = asked.last.done.confidence_0_to_10
    if told is None or told >= asked.n["confident"]:
        return None
    return said("The client does not trust it yet: {told} of 10.", told=told), said("confidence of {least} of 10", least=int(asked.n["confident"]))


_BEFORE_A_STEP_UP: tuple[Check, ...] = (_flared, _too_few, _breath, _effort, _unsure, _not_told)


def _clean_in_a_row(asked: Asked, side: str) -> int:
    """How many of the last sessions reached the target without a fault or a flare, counted back from the newest."""
    row = 0
    for session in reversed(asked.sessions):
        if not session.clean(side):
            break
        row += 1
    return row


def _side_not_ready(asked: Asked) -> str:
    needed = int(asked.n["clean_in_a_row"])
    behind = [s.side for s in asked.last.sides if _clean_in_a_row(asked, s.side) < needed]
    return behind[0] if behind else ""


def _extra_set(asked: Asked, weaker: str) -> Proposal:
    other = "right" if weaker == "left" else "left"
    return Proposal(
        ProposalKind.STAY,
        said("The {other} side is ready, the {weaker} is not: both stay, the {weaker} gets a set more.", other=term(other), weaker=term(weaker)),
        _seen(asked, int(asked.n["clean_in_a_row"])),
        said("two clean sessions in a row on the {weaker}", weaker=term(weaker)),
        UP,
        asked.step,
        more_sets_on=weaker,
    )


def _stay(asked: Asked, side: str, why: Message, until: Message) -> Proposal:
    return Proposal(ProposalKind.STAY, why, _seen(asked, 2), until, UP, asked.step, side or "both")


def _seen(asked: Asked, count: int) -> tuple:
    return tuple(s.evidence() for s in asked.sessions[-count:])


def _title(family: Family, step: Step) -> Message:
    return said("{family}: {step}", family=said(family.title), step=said(step.title))


__all__ = ["Asked", "Ladder", "decide"]
