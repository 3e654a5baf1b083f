"""The postures that are left open, drawn on this body: alone and with the specialist, on the floor and in bed."""

from dataclasses import replace
from typing import Literal

from typing_extensions import TypedDict

from amvel.body import but
from amvel.engine import Engine
from amvel.movements import Request, find
from amvel.movements.figure import figure
from amvel.movements.propped import HEAD_END_UP
from amvel.safety.limits import Limit
from amvel.safety.postures import Left, Posture, postures

State = Literal["open", "visit", "closed"]


class WhyClosedData(TypedDict):
    """A limit as it reads, and why it is there."""

    limit: str
    says: str
    reason: str


class OnData(TypedDict):
    """A posture on one thing: open, open with the specialist only, or closed, and what closes it."""

    on: str
    title: str
    state: State
    closed_by: list[WhyClosedData]


class PostureData(TypedDict):
    """A posture with its picture ('' where this body cannot take it), where it is open, and what holds in it."""

    id: str
    title: str
    svg: str
    on: list[OnData]
    holds: list[str]


def postures_data(engine: Engine) -> list[PostureData]:
    """Every posture, as the limits of today leave it."""
    found = {c: {(x.posture, x.on): x for x in postures(engine.envelope_in(c), c)} for c in ("visit", "home")}
    return [_one(engine, p, [(found["visit"][p, on], found["home"][p, on]) for on in p.on]) for p in Posture]


def _one(engine: Engine, posture: Posture, left: list[tuple[Left, Left]]) -> PostureData:
    return {
        "id": posture.name.lower(),
        "title": posture.says,
        "svg": _drawn(engine, posture),
        "on": [_on(visit, home) for visit, home in left],
        "holds": list(dict.fromkeys(_held(x) for visit, home in left for x in (*visit.holds, *home.holds))),
    }


def _on(visit: Left, home: Left) -> OnData:
    state: State = "open" if home.open else "visit" if visit.open else "closed"
    closed = {x.id: x for x in (*visit.closed_by, *home.closed_by)}
    why: list[WhyClosedData] = [{"limit": x.id, "says": x.says(), "reason": x.reason} for x in closed.values()]
    return {"on": home.on.name.lower(), "title": home.on.says, "state": state, "closed_by": why}


def _held(limit: Limit) -> str:
    return limit.measure or limit.says()


def _drawn(engine: Engine, posture: Posture) -> str:
    family, step = find(posture.ref)
    values = step.defaults(engine.profiler.body)
    if posture.head_end_deg:
        values[HEAD_END_UP.id] = posture.head_end_deg
    profile = engine.profiler.posed(engine.profiler.profile(Request(family, step, posture.side, values)))
    if profile.fault:
        return ""
    bare = replace(profile, frames=tuple(but(f, props=()) for f in profile.frames))  # the posture, and nothing that the step holds
    return figure(engine.profiler, bare, measures=False, frame=profile.rows[0])


__all__ = ["OnData", "PostureData", "WhyClosedData", "postures_data"]
