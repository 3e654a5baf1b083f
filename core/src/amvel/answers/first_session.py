"""A first session to be built for an invented case as plain data, and the rule-book's own beside it."""

from collections.abc import Sequence

from typing_extensions import TypedDict

from amvel.answers.practice import AskedStepData, asked_step
from amvel.practice.first_session import Chosen, FirstSession, Offer, OfferedStep, OfferStanding, scored


class OfferedData(AskedStepData):
    """A step on offer, with what it takes."""

    minutes: float


class DutyData(TypedDict):
    """What the session owes this person."""

    id: str
    title: str
    minutes: float


class OfferData(TypedDict):
    """What a trainee sees."""

    minutes: int
    offers: list[OfferedData]
    owed: list[DutyData]


class OfferTruthData(TypedDict):
    """How a step on offer stands in the rule-book's own session, and why."""

    ref: str
    standing: OfferStanding
    why: str
    minutes: float
    place: list[int]
    serves: dict[str, float]


class SessionTruthData(TypedDict):
    """The rule-book's own session, in order."""

    conditions: list[str]
    offers: list[OfferTruthData]
    planned: list[str]


class WholeSessionData(TypedDict):
    """Both: what is shown, and what is kept back until the trainee has built."""

    shown: OfferData
    truth: SessionTruthData


class BuiltData(TypedDict):
    """What became of a trainee's session: which duties it meets, how long it takes, whether it is in order."""

    met: dict[str, bool]
    minutes: float
    in_order: bool


def first_session_data(s: FirstSession) -> WholeSessionData:
    return {
        "shown": {
            "minutes": s.minutes,
            "offers": [_offered(s, o) for o in s.offers],
            "owed": [{"id": d.id, "title": d.title, "minutes": d.minutes} for d in s.owed],
        },
        "truth": {"conditions": list(s.conditions), "offers": [_truth(o) for o in s.offers], "planned": list(s.planned)},
    }


def _offered(s: FirstSession, o: Offer) -> OfferedData:
    taken = o.verdict.profile if o.standing is not OfferStanding.CLOSED else o.verdict.original
    step = o.verdict.original.request.step
    return {**asked_step(s.engine, o.verdict.ref, taken), "minutes": o.minutes or round(step.dose.minutes(2 if step.sides else 1), 1)}


def _truth(o: Offer) -> OfferTruthData:
    return {
        "ref": o.verdict.ref,
        "standing": o.standing,
        "why": o.why,
        "minutes": o.minutes,
        "place": list(o.place),
        "serves": dict(o.serves),
    }


def built(whole: WholeSessionData, chosen: Sequence[str]) -> Chosen:
    """A trainee's session against what is kept back."""
    offered = {
        o["ref"]: OfferedStep(o["standing"] == OfferStanding.CLOSED, o["minutes"], (o["place"][0], o["place"][1]), o["serves"])
        for o in whole["truth"]["offers"]
    }
    return scored(offered, {d["id"]: d["minutes"] for d in whole["shown"]["owed"]}, whole["shown"]["minutes"], chosen)


__all__ = ["BuiltData", "OfferData", "SessionTruthData", "WholeSessionData", "built", "first_session_data"]
