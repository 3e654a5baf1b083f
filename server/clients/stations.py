"""Where a client stands on the path, and the one thing that comes next."""

from datetime import date, timedelta
from typing import Literal

from typing_extensions import TypedDict

from amvel.case.visits import in_order
from amvel.engine import Engine
from amvel.fitting import refused, usable_seats
from amvel.languages import said
from amvel.screening import contradictions
from amvel.screening.library import test_library

StationId = Literal["story", "measure", "limits", "movements", "room", "programme", "visit", "course", "papers"]
State = Literal["done", "due", "open", "stop"]
Tone = Literal["stop", "due", "ready"]


def answers_contradict(engine: Engine) -> bool:
    return bool(contradictions(engine.case))


def missing_tests(engine: Engine) -> list[str]:
    """What is measured before anything else and has no result that still holds: gates first."""
    assumed = {a.test for a in engine.findings.assumptions if a.first}
    return [t for t in test_library() if t in assumed]


SOON = timedelta(days=7)


def ends_soon(engine: Engine) -> date | None:
    """The first day on which something opened by hand closes again, within a week."""
    today = engine.case.as_of
    days = [o.expires_on for o in engine.case.overrides if o.withdrawn_on is None and today <= o.expires_on <= today + SOON]
    return min(days, default=None)


def next_action(engine: Engine, has_programme: bool) -> tuple[StationId, str, Tone]:
    """(station, what to do, tone): tone is stop, due or ready."""
    for sign in engine.stop_signs:
        if sign.id == "no_consent":
            return "story", said("Record consent"), "due"
        if sign.id == "not_asked":
            return "story", said("Ask the stop signs"), "due"
        return "story", said("Stop: {sign}", sign=sign.title), "stop"
    missing = missing_tests(engine)
    if missing:
        return "measure", said("Measure: {test}", test=test_library()[missing[0]].title), "due"
    if answers_contradict(engine):
        return "story", said("Check an entry that contradicts another"), "due"
    reviews = [x for x in engine.envelope.limits if x.review_on and x.review_on <= engine.case.as_of]
    if reviews:
        return "limits", said("Review due: {limit}", limit=reviews[0].says()), "due"
    ending = ends_soon(engine)
    if ending is not None:
        return "limits", said("An override ends on {day}: look at it again", day=ending), "due"
    if engine.envelope.referrals or any(x.waits_for for x in engine.envelope.limits):
        return "limits", said("Ask the clinician"), "due"
    if not has_programme:
        return "programme", said("Build the programme"), "ready"
    return _after_visits(engine)


def _after_visits(engine: Engine) -> tuple[StationId, str, Tone]:
    """Somebody who practises: a flare is looked at, the day after is asked for, and then the next visit."""
    visits = in_order(engine.case.visits)
    if not visits:
        return "papers", said("Print the hand-out"), "ready"
    last = visits[-1]
    if last.flared or any(m.stopped_by_symptom for m in last.movements):
        return "course", said("A flare or a symptom was reported: look at it"), "due"
    if last.next_day is None and last.on < engine.case.as_of:
        return "visit", said("Ask how the day after was"), "due"
    if last.on == engine.case.as_of:
        return "course", said("Decide what comes next"), "ready"
    return "visit", said("Run the visit"), "ready"


def _room(engine: Engine) -> tuple[State, str]:
    """Done once there is a seat that may be used; due when something in use is refused."""
    room, body = engine.case.room, engine.profiler.body
    if refused(room, body):
        return "due", said("something in the room is not used")
    return ("done", "") if usable_seats(room, body) else ("due", said("no seat yet"))


class StationData(TypedDict):
    """How far one station is, and what is missing."""

    id: StationId
    state: State
    note: str


def station_states(engine: Engine, has_programme: bool) -> list[StationData]:
    """Each station: done, due or open, and what is missing."""
    blocked = bool(engine.stop_signs)
    missing = missing_tests(engine)
    story: State = (
        "due"
        if any(s.missing for s in engine.stop_signs)
        else "stop"
        if blocked
        else "done"
    )
    names: list[tuple[StationId, State, str]] = [
        ("story", story, engine.stop_signs[0].title if blocked else ""),
        ("measure", "due" if missing else "done", said("basic tests missing: {count}", count=len(missing)) if missing else ""),
        ("limits", "done" if engine.envelope.limits else "open", said("{count} limits", count=len(engine.envelope.limits))),
        ("movements", "open", ""),
        ("room", *_room(engine)),
        (
            "programme",
            "stop" if blocked else "done" if has_programme else "due",
            said("closed while a stop sign stands") if blocked else "",
        ),
        ("visit", "stop" if blocked else "due" if has_programme else "open", ""),
        ("course", "done" if engine.case.visits else "open", ""),
        ("papers", "stop" if blocked else "due" if has_programme else "open", ""),
    ]
    return [{"id": i, "state": s, "note": n} for i, s, n in names]
