"""What must hold between the sections of a case, each of which is right by itself."""

from collections.abc import Hashable, Iterable, Iterator, Sequence
from datetime import date
from functools import lru_cache
from typing import TYPE_CHECKING

from pydantic import BaseModel
from pydantic_core import PydanticCustomError

from amvel.case.age import OLDEST, YOUNGEST, age_years
from amvel.case.conditions.spine import Scoliosis
from amvel.case.faults import fault
from amvel.case.schools import unknown_answers
from amvel.languages import Message, said

if TYPE_CHECKING:  # a case asks for this while it is read
    from amvel.case.client import Case

_DATED = ("tests", "conditions", "clinician_words", "own_limits", "reviews", "visits", "decisions")
_DAYS = ("on", "since", "last_dose_on", "noted_on")


def faults_between(case: "Case") -> Iterator[PydanticCustomError]:
    """Faults one after the other, each with its place in the case."""
    yield from _of_the_birth_date(case)
    yield from _of_days(case)
    yield from _of_schools(case)
    numbers = ((n.rule, n.number) for n in case.local_numbers)
    yield from _twice(numbers, said("two of one name contradict each other"), "local_numbers")
    yield from _twice((v.id for v in case.visits), said("two share an id"), "visits")
    curves = (c.region if isinstance(c, Scoliosis) else i for i, c in enumerate(case.conditions))
    yield from _twice(curves, said("two curves with the same apex contradict each other"), "conditions")
    rooms = _repeated(r.name for r in (case.room, *case.other_rooms))
    yield from (fault(said("two rooms share a name"), "other_rooms", i - 1, "name") for i in rooms)


def _of_the_birth_date(case: "Case") -> Iterator[PydanticCustomError]:
    born = case.person.birth_date
    if born > case.as_of:
        yield fault(said("lies after {as_of}, the day of this record", as_of=case.as_of), "person", "birth_date")
    age = age_years(born, case.as_of)
    if not YOUNGEST <= age <= OLDEST:
        why = said("an age of {age} years is outside {youngest}–{oldest}", age=age, youngest=YOUNGEST, oldest=OLDEST)
        yield fault(why, "person", "birth_date")


def _of_days(case: "Case") -> Iterator[PydanticCustomError]:
    for places, day in _days(case):
        if day < case.person.birth_date:
            yield fault(said("{day} lies before the birth date", day=day), *places)
        if day > case.as_of:
            yield fault(said("{day} lies after {as_of}, the day of this record", day=day, as_of=case.as_of), *places)


def _days(case: "Case") -> Iterator[tuple[tuple[str | int, ...], date]]:
    """Every day on which something was found, done or said, with its place."""
    for section in _DATED:
        entries: Sequence[BaseModel] = getattr(case, section)
        for i, entry in enumerate(entries):
            for field in _days_of(type(entry)):
                day = getattr(entry, field)
                if day is not None:
                    yield (section, i, field), day
    if case.consent is not None:
        yield ("consent", "on"), case.consent.on
    if case.stop_signs is not None:
        yield ("stop_signs", "asked_on"), case.stop_signs.asked_on
    for i, visit in enumerate(case.visits):
        if visit.next_day is not None:
            yield ("visits", i, "next_day", "told_on"), visit.next_day.told_on


@lru_cache(maxsize=256)
def _days_of(kind: type[BaseModel]) -> tuple[str, ...]:
    """Which fields of such an entry are days: a model that is asked for one that it lacks looks everywhere for it."""
    return tuple(field for field in _DAYS if field in kind.model_fields)


def _of_schools(case: "Case") -> Iterator[PydanticCustomError]:
    yield from (fault(why, "schools", question) for question, why in unknown_answers(case.schools))
    for family, chosen in case.family_schools.items():
        yield from (fault(why, "family_schools", family, question) for question, why in unknown_answers(chosen))


def _twice(names: Iterable[Hashable], why: Message, section: str) -> Iterator[PydanticCustomError]:
    yield from (fault(why, section, i) for i in _repeated(names))


def _repeated(names: Iterable[Hashable]) -> Iterator[int]:
    """Places of those that were there before."""
    seen: set[Hashable] = set()
    for i, name in enumerate(names):
        if name in seen:
            yield i
        seen.add(name)


__all__ = ["faults_between"]
