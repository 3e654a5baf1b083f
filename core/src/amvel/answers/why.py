"""Limits as pictures: the frame that breaks one, beside the version that holds it, for the step page and for the letter."""

from collections.abc import Iterable, Sequence
from dataclasses import replace

from typing_extensions import TypedDict

from amvel.answers.verdicts import VerdictData
from amvel.engine import Engine
from amvel.languages import said_together
from amvel.movements import Profile, Request, find
from amvel.movements.on_the_body import mark_of
from amvel.movements.why_figure import Broken, why_figure
from amvel.safety import Breach, Limit, check
from amvel.safety.limits import Origin

MOST_ASKED = 3  # pictures in one letter: more are not looked at (our choice)


class WhyData(TypedDict):
    """The frame that breaks a limit, drawn: its picture, the limit, what the pose has, and why the limit is there."""

    svg: str
    says: str
    here: str
    reason: str


class AskedData(WhyData):
    """A limit that somebody outside has to say something about, at the movement that it stands in the way of."""

    movement: str
    eased: bool


def why_of(engine: Engine, profile: Profile, verdict: VerdictData, context: str) -> WhyData | None:
    """The first limit that can be drawn of those that this pose breaks, beside the version that holds it."""
    other = _held_version(engine, profile, verdict)
    breaches = check(profile, engine.envelope_in(context), context).breaches
    return next((w for b in breaches if (w := _drawn(engine, profile, b, other)) is not None), None)


def asked_about(engine: Engine, verdicts: Sequence[VerdictData], most: int = MOST_ASKED) -> list[AskedData]:
    """What a clinician is asked to ease, or has asked to be kept: each such limit at one movement that it changes or closes."""
    out: list[AskedData] = []
    for limit in _of_a_clinician(engine.envelope.limits):
        found = next((a for v in _closed_by(limit, verdicts) if (a := _asked(engine, limit, v)) is not None), None)
        if found is not None and found["svg"] not in {a["svg"] for a in out}:
            out.append(found)
        if len(out) == most:
            break
    return out


def _of_a_clinician(limits: Iterable[Limit]) -> list[Limit]:
    """Those that wait for a word first, then those that are one."""
    found = [x for x in limits if x.strength != "caution" and (x.waits_for or x.origin is Origin.CLINICIAN)]
    return sorted(found, key=lambda x: (not x.waits_for, x.id))


def _closed_by(limit: Limit, verdicts: Sequence[VerdictData]) -> list[VerdictData]:
    """Verdicts in which this limit decides: a changed movement tells more than one that is out, an exercise more than what is only asked for."""
    mine = [v for v in verdicts if v["context"] == "visit" and any(r["limit"] == limit.id for r in v["reasons"])]
    return sorted(mine, key=lambda v: (find(f"{v['family']}/{v['step']}")[0].asked_for, v["verdict"] != "modified"))


def _asked(engine: Engine, limit: Limit, verdict: VerdictData) -> AskedData | None:
    family, step = find(f"{verdict['family']}/{verdict['step']}")
    profile = engine.profiler.profile(Request(family, step, verdict["side"], verdict["original_values"]))
    if profile.fault:
        return None
    breach = next((b for b in check(profile, engine.envelope_in("visit"), "visit").breaches if b.limit.id == limit.id), None)
    shown = breach and _drawn(engine, profile, breach, _held_version(engine, profile, verdict))
    if not shown:
        return None
    return {**shown, "movement": said_together((family.title, step.title), ": "), "eased": bool(limit.waits_for)}


def _held_version(engine: Engine, profile: Profile, verdict: VerdictData) -> Profile | None:
    if verdict["verdict"] != "modified" or verdict["values"] == profile.request.values:
        return None
    return engine.profiler.profile(replace(profile.request, values=verdict["values"]))


def _drawn(engine: Engine, profile: Profile, breach: Breach, other: Profile | None) -> WhyData | None:
    if mark_of(breach.quantity, "left") is None:
        return None
    limit = breach.limit
    shown = Broken(breach.quantity, limit.bound, limit.at_least, limit.when.column, breach.here(), limit.says())
    svg = why_figure(engine.profiler, profile, shown, other)
    return {"svg": svg, "says": limit.says(), "here": breach.here(), "reason": limit.reason} if svg else None


__all__ = ["AskedData", "WhyData", "asked_about", "why_of"]
