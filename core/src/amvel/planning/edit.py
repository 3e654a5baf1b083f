"""Hand edits of a programme: every one gives a new list of movements, or says why it is refused.

What an edit makes is judged by the same code as what the solver makes; an edit can make a session longer than was
wished, and that is said, but it can never put in what is not allowed.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from amvel.engine import Engine
from amvel.languages import said, said_together, term
from amvel.movements import find
from amvel.planning.choices import SETUP_MINUTES
from amvel.planning.dose import Dosed, minutes_of
from amvel.planning.item import Item, SetUp, sessions_of
from amvel.planning.obligations import counts_for, met_by
from amvel.planning.problem import sessions_to_meet
from amvel.planning.programme import Covered, covered_by, distinct
from amvel.planning.recheck import violations
from amvel.planning.swaps import chosen_by_hand
from amvel.planning.week import STRENGTH_EFFORT
from amvel.safety import Obligation


class EditRefused(ValueError):
    """This edit is not possible for this client; the message says why."""


@dataclass(frozen=True)
class Summary:
    """A programme as it stands after an edit: time and changes of its longest session, obligations and what it goes over."""

    minutes: float
    changes_of_position: int
    covered: tuple[Covered, ...]
    warnings: tuple[str, ...]


def reordered(items: Sequence[Item], refs: Sequence[str]) -> list[Item]:
    """The same movements in another order; raises EditRefused when they are not the same."""
    by_ref = {i.ref: i for i in items}
    if sorted(by_ref) != sorted(refs):
        raise EditRefused(said("the order has to name every movement of the programme, each once"))
    return [by_ref[r] for r in refs]


def removed(items: Sequence[Item], ref: str) -> list[Item]:
    """Without one movement."""
    _place(items, ref)
    return [i for i in items if i.ref != ref]


def dosed(items: Sequence[Item], ref: str, repetitions: int, sets: int, hold_s: float) -> list[Item]:
    """With another dose for one movement: 1–30 repetitions, 1–6 rounds, a hold no longer than the step's own.

    In all no more than MOST_OF_FIRST times the first dose, of work that strains STRENUOUS times: more than that is another
    rung, not more of this one.  A side that has a round more keeps it.
    """
    place = _place(items, ref)
    item, first = items[place], find(ref)[1].dose
    if not 1 <= repetitions <= 30 or not 1 <= sets <= 6:
        raise EditRefused(said("repetitions lie between 1 and 30, rounds between 1 and 6"))
    share = STRENUOUS if find(ref)[1].effort >= STRENGTH_EFFORT else MOST_OF_FIRST
    most = share * first.repetitions * first.sets
    if repetitions * sets > most:
        raise EditRefused(said("at most {most} repetitions in all of this one; what is too easy wants the next step up, not more of the same", most=most))
    if hold_s < 0 or hold_s > first.hold_s:
        raise EditRefused(
            said("the hold lies between 0 and {most_s} s here; a longer one is the next step up", most_s=first.hold_s)
            if first.hold_s
            else said("this movement is not held")
        )
    fewest = min(s.sets for s in item.set_ups)
    own = tuple(
        replace(s, repetitions=repetitions, sets=sets + s.sets - fewest, hold_s=hold_s) for s in item.set_ups
    )
    return _with(items, place, _redosed(item, own))


def one_set_more(items: Sequence[Item], ref: str, side: str) -> list[Item]:
    """One side with a round more than the other; it keeps no more than one."""
    place = _place(items, ref)
    item = items[place]
    fewest = min(s.sets for s in item.set_ups)
    own = tuple(replace(s, sets=fewest + (1 if s.side == side else 0)) for s in item.set_ups)
    return _with(items, place, _redosed(item, own))


def halved(items: Sequence[Item], ref: str) -> list[Item]:
    """Half of the repetitions on every side, at least one: an easier first step."""
    place = _place(items, ref)
    item = items[place]
    own = tuple(replace(s, repetitions=max(1, s.repetitions // 2)) for s in item.set_ups)
    return _with(items, place, _redosed(item, own))


def _redosed(item: Item, own: tuple[SetUp, ...]) -> Item:
    doses = [Dosed(s.side, s.repetitions, s.sets, s.hold_s) for s in own]
    minutes = round(minutes_of(find(item.ref)[1], doses) + SETUP_MINUTES * (1 if item.one_set_up else len(own)), 1)
    return replace(item, set_ups=own, minutes=minutes)


MOST_OF_FIRST, STRENUOUS = 5, 3  # times the first dose (our choice)


def placed(items: Sequence[Item], ref: str, letters: Sequence[str]) -> list[Item]:
    """With one movement in these of the sessions that there are; raises EditRefused when it would be in none."""
    place, there = _place(items, ref), {s.id for s in sessions_of(items)}
    if not letters or not set(letters) <= there:
        raise EditRefused(said("sessions: one or more of {sessions}", sessions=", ".join(sorted(there))))
    return _with(items, place, replace(items[place], sessions=tuple(sorted(set(letters)))))


Chosen = Callable[[str], Item]  # a movement as it would stand in the programme; raises EditRefused when it may not


def exchanged(items: Sequence[Item], out: str, into: str, chosen: Chosen) -> list[Item]:
    """One movement for another, at the same place; raises EditRefused when the new one is not allowed."""
    place = _place(items, out)
    return _with(items, place, replace(_new(items, into, chosen), sessions=items[place].sessions))


def added(items: Sequence[Item], ref: str, chosen: Chosen) -> list[Item]:
    """With one movement more, after the last one of its position, in the session that is shortest."""
    shortest = min(sessions_of(items), key=lambda s: s.minutes, default=None)
    new = replace(_new(items, ref, chosen), sessions=(shortest.id,) if shortest is not None else ("A",))
    places = [i + 1 for i, item in enumerate(items) if item.position == new.position]
    place = places[-1] if places else len(items)
    return [*items[:place], new, *items[place:]]


def _new(items: Sequence[Item], ref: str, chosen: Chosen) -> Item:
    if ref in {i.ref for i in items}:
        raise EditRefused(said("it is in the programme already"))
    found = chosen(ref)
    return replace(found, why=said("chosen by hand, {why}", why=term(found.why)))


def chosen_for(engine: Engine, context: str) -> Chosen:
    """Movements as this engine would choose them."""

    def chosen(ref: str) -> Item:
        found = chosen_by_hand(engine, context, ref)
        if isinstance(found, str):
            family, step = find(ref)
            raise EditRefused(said_together((family.title, step.title, found), ": "))
        return found

    return chosen


def _place(items: Sequence[Item], ref: str) -> int:
    for i, item in enumerate(items):
        if item.ref == ref:
            return i
    raise EditRefused(said("{ref} is not in the programme", ref=ref))


def _with(items: Sequence[Item], place: int, item: Item) -> list[Item]:
    return [*items[:place], item, *items[place + 1 :]]


def judged(engine: Engine, context: str, items: Sequence[Item]) -> Summary:
    """The edited programme judged as a whole; raises EditRefused with the limits it would break."""
    broken = violations(engine.case, engine.envelope_in(context), engine.profiler, items, context)
    if broken:
        raise EditRefused(said_together((said_together((find(v.ref)[1].title, v.why()), ": ") for v in broken), "; "))
    return summary(engine, items)


def summary(engine: Engine, items: Sequence[Item]) -> Summary:
    """What a list of movements comes to; what is over a wish is said and stays possible."""
    sessions, wished = sessions_of(items), engine.case.wishes.minutes
    warnings: list[str] = [
        (said("session {id}: ", id=term(s.id)) if len(sessions) > 1 else "") + said("{what} min over the {wished} that were wished", what=round(s.minutes - wished), wished=term(wished))
        for s in sessions
        if s.minutes > wished
    ]
    of_session = [[i for i in items if s.id in i.sessions] for s in sessions]
    covered = tuple(_covered(engine, o, items, of_session) for o in distinct(engine.envelope.obligations))
    warnings += [f"{c.title}: {c.why_not}" for c in covered if c.why_not]
    return Summary(
        max((s.minutes for s in sessions), default=0.0),
        max((s.changes_of_position for s in sessions), default=0),
        covered,
        tuple(warnings),
    )


def _covered(engine: Engine, o: Obligation, items: Sequence[Item], of_session: Sequence[Sequence[Item]]) -> Covered:
    by = tuple(i.ref for i in items if counts_for(find(i.ref)[1], len(i.set_ups), o))
    often = sessions_to_meet(o, max(1, len(of_session)), engine.case.wishes.days_per_week)
    return covered_by(o, by, sum(met_by(own, o) for own in of_session), often, said("nothing covers it any more") if not by else said("it was changed by hand"))


__all__ = ["EditRefused", "Summary", "added", "chosen_for", "dosed", "exchanged", "judged", "placed", "removed", "reordered", "summary"]
