"""What other figures of the rule-book would do to a client, and whether they ask less than what a source says."""

from collections.abc import Mapping
from typing import Literal, NamedTuple

from typing_extensions import TypedDict

from amvel.engine import Engine
from amvel.languages import said
from amvel.numbers import LocalValues
from amvel.planning.effects import MovedLimit, compare_limits, moved_steps
from amvel.safety import Envelope, Limit, rulebook
from amvel.safety.limits import STRENGTHS, Place
from amvel.safety.lines import Doubt, line_of
from amvel.safety.rulebook import example_case
from amvel.screening import StopSign

DutyKind = Literal["obligation", "referral", "stop_sign"]


class MovedDuty(TypedDict):
    """Something beside the limits that came, went or became another."""

    kind: DutyKind
    id: str
    change: Literal["new", "gone", "moved"]
    says: str


class Touched(TypedDict):
    """What changed figures would do to one client; `looser` are ids of limits, referrals and stop signs that ask less."""

    limits: list[MovedLimit]
    duties: list[MovedDuty]
    looser: list[str]
    opens: list[str]
    closes: list[str]


class _Duty(NamedTuple):
    says: str
    asks: object = None  # what of it may become another


def touched(engine: Engine, values: LocalValues) -> Touched | None:
    """What these figures would do to one client; None when they touch nothing."""
    trial = Engine(engine.case.with_local(values))
    limits, duties = compare_limits(engine, trial), _moved_duties(engine, trial)
    if not limits and not duties:
        return None
    opens, closes = moved_steps(engine, trial) if limits else ([], [])
    return {"limits": limits, "duties": duties, "looser": looser(engine, trial), "opens": opens, "closes": closes}


def looser(before: Engine, now: Engine) -> list[str]:
    """Ids of the limits, referrals and stop signs that ask less than before, or are gone."""
    kept = {r.id for r in now.envelope.referrals} | {s.id for s in now.stop_signs}
    asked = [*(r.id for r in before.envelope.referrals), *(s.id for s in before.stop_signs)]
    return [*loosened(before.envelope, now.envelope), *(x for x in asked if x not in kept)]


def loosened(before: Envelope, now: Envelope) -> list[str]:
    """Ids of the limits that ask less than before, or are gone without another that asks as much."""
    came = [x for x in now.limits if x.id not in before.by_id]
    return [x.id for x in before.limits if not any(_asks_as_much(y, x) for y in now.limits) and not _care_became_a_limit(came, x)]


def _asks_as_much(now: Limit, was: Limit) -> bool:
    """Whether one limit holds wherever another did, and no less strictly."""
    if now.at_least != was.at_least or now.quantity not in (was.quantity, was.quantity.split(".")[-1]):
        return False
    wide = now.when in (was.when, Place.ANYWHERE) and now.only_step in (was.only_step, "") and now.at_home <= was.at_home
    strict = now.bound >= was.bound if was.at_least else now.bound <= was.bound
    return wide and strict and STRENGTHS.index(now.strength) <= STRENGTHS.index(was.strength)


def _care_became_a_limit(came: list[Limit], was: Limit) -> bool:
    """A caution goes where its own rule asks for something stronger instead."""
    return was.strength == "caution" and any(x.rule == was.rule and x.strength != "caution" for x in came)


def asks_less_than_its_source(rule: str, number: str, value: float) -> str:
    """Why a house may not put this figure in force; '' where it may, or where only its clients can tell.

    What a source says may be made stricter; what is our own number, our reading or a fact of the trade may move either way.
    Looked at in the examples of the rules: a figure that none of them meets is found out with the clients alone.
    """
    line = line_of(rule, number)
    if line is None or line.doubt is not Doubt.MEMORY:
        return ""
    for one in rulebook().values():
        for example in one.examples:
            case = example_case(example)
            before, now = Engine(case), Engine(case.with_local({(rule, number): value}))
            if looser(before, now):
                return said("{title}: a house may ask more than {work} says, not less", title=line.title, work=line.source.title)
    return ""


def _moved_duties(before: Engine, now: Engine) -> list[MovedDuty]:
    pairs: list[tuple[DutyKind, Mapping[str, _Duty], Mapping[str, _Duty]]] = [
        ("stop_sign", _stop_signs(before), _stop_signs(now)),
        ("referral", _referrals(before), _referrals(now)),
        ("obligation", _obligations(before), _obligations(now)),
    ]
    return [moved for kind, old, new in pairs for moved in _moved(kind, old, new)]


def _moved(kind: DutyKind, old: Mapping[str, _Duty], new: Mapping[str, _Duty]) -> list[MovedDuty]:
    came: list[MovedDuty] = [{"kind": kind, "id": i, "change": "new", "says": x.says} for i, x in new.items() if i not in old]
    went: list[MovedDuty] = [{"kind": kind, "id": i, "change": "gone", "says": x.says} for i, x in old.items() if i not in new]
    other: list[MovedDuty] = [
        {"kind": kind, "id": i, "change": "moved", "says": x.says} for i, x in new.items() if i in old and old[i].asks != x.asks
    ]
    return [*came, *went, *other]


def _stop_signs(engine: Engine) -> dict[str, _Duty]:
    signs: list[StopSign] = engine.stop_signs
    return {s.id: _Duty(s.title) for s in signs}


def _referrals(engine: Engine) -> dict[str, _Duty]:
    return {r.id: _Duty(r.text) for r in engine.envelope.referrals}


def _obligations(engine: Engine) -> dict[str, _Duty]:
    found = engine.envelope.obligations
    return {o.id: _Duty(o.title, (o.days_per_week, o.minutes, o.purposes, o.both_sides)) for o in found}


__all__ = ["MovedDuty", "Touched", "asks_less_than_its_source", "loosened", "looser", "touched"]
