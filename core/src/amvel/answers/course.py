"""What the visits show over time, as plain data: clean repetitions by side, rungs, effort, faults, symptoms, confidence, tests."""

from collections import Counter
from datetime import timedelta

from typing_extensions import TypedDict

from amvel.answers.profiles import shown_by_title
from amvel.body.endurance import Estimate
from amvel.case.visits import MovementDone, Visit, in_order
from amvel.engine import Engine
from amvel.languages import said
from amvel.movements import UnknownMovement, find
from amvel.movements.faults import faults_to_watch
from amvel.movements.levels import Way
from amvel.planning.holds import Capacity, endurance
from amvel.progress.proposals import SYMPTOMS
from amvel.screening.changes import changes


class SideCount(TypedDict):
    """One side of one movement of one visit."""

    side: str
    clean: int
    target: int


class DoneData(TypedDict):
    """One movement of one visit."""

    step: str
    title: str
    family: str
    family_title: str
    rung: int
    rungs: int
    sides: list[SideCount]
    faults: dict[str, int]
    effort: int | None
    confidence: int | None
    symptoms: list[str]
    skipped: str


class VisitData(TypedDict):
    """One visit."""

    id: str
    on: str
    context: str
    by: str
    session: str
    minutes: float | None
    pain_before: int | None
    effort: int | None
    soreness: int | None
    flare: bool | None
    movements: list[DoneData]


class CourseTestData(TypedDict):
    """A test with what lies between its first and its newest result."""

    title: str
    side: str
    first_on: str
    newest_on: str
    before: float | None
    after: float | None
    band: float | None
    real: bool | None
    says: str


class PractisedWeekData(TypedDict):
    """How many sessions a week had, and how many were asked for."""

    begins: str
    done: int
    asked: int


class EnduranceData(TypedDict):
    """How long one wall of the trunk is estimated to hold the pose of its timed test, in seconds, and what showed it."""

    title: str
    side: str
    seconds: float
    low_s: float
    high_s: float
    shown_by: str
    shown_s: float
    on: str
    logged: int


class CourseData(TypedDict):
    """Everything that the course shows."""

    visits: list[VisitData]
    weeks: list[PractisedWeekData]
    tests: list[CourseTestData]
    endurance: list[EnduranceData]
    weaker: dict[str, str]
    summary: list[str]


def course(engine: Engine) -> CourseData:
    """The visits in order, with what they sum up to."""
    visits = in_order(engine.case.visits)
    return {
        "visits": [_visit(v) for v in visits],
        "weeks": _weeks(engine, visits),
        "tests": _tests(engine),
        "endurance": [_endurance(c, c.whole) for c in endurance(engine) if c.whole is not None],
        "weaker": _weaker(visits),
        "summary": _summary(visits),
    }


_WALLS = {Way.ARCHING: said("the front of the trunk"), Way.BENDING: said("the back"), Way.SIDE: said("the side of the trunk")}


def _endurance(c: Capacity, whole: Estimate) -> EnduranceData:
    return {
        "title": _WALLS[c.shown_by.way],
        "side": c.shown_by.side,
        "seconds": round(whole.seconds, 1),
        "low_s": round(whole.low_s, 1),
        "high_s": round(whole.high_s, 1),
        "shown_by": shown_by_title(c.shown_by),
        "shown_s": c.shown_by.seconds,
        "on": c.shown_by.on.isoformat(),
        "logged": c.logged,
    }


def _visit(v: Visit) -> VisitData:
    return {
        "id": v.id,
        "on": v.on.isoformat(),
        "context": v.context,
        "by": v.by,
        "session": v.session,
        "minutes": v.minutes,
        "pain_before": v.pain_before_0_to_10,
        "effort": v.effort_0_to_10,
        "soreness": v.next_day.soreness_0_to_10 if v.next_day else None,
        "flare": v.next_day.flare if v.next_day else None,
        "movements": [_done(m) for m in v.movements if _known(m)],
    }


def _known(done: MovementDone) -> bool:
    try:
        find(done.step)
    except UnknownMovement:
        return False
    return True


def _done(m: MovementDone) -> DoneData:
    family, step = find(m.step)
    names = {f.id: f.name for f in faults_to_watch(step)}
    sides = dict.fromkeys(s.side for s in m.sets)
    seen = Counter(f.fault for s in m.sets for f in s.faults)
    return {
        "step": m.step,
        "title": step.title,
        "family": family.id,
        "family_title": family.title,
        "rung": family.steps.index(step) + 1,
        "rungs": len(family.steps),
        "sides": [
            {"side": str(x), "clean": sum(s.clean for s in m.sets if s.side == x), "target": sum(s.target for s in m.sets if s.side == x)} for x in sides
        ],
        "faults": {str(names[f]): count for f, count in seen.items() if f in names},
        "effort": m.effort_0_to_10,
        "confidence": m.confidence_0_to_10,
        "symptoms": [SYMPTOMS[s.what] for s in m.symptoms],
        "skipped": m.skipped or "",
    }


WEEKS = 12  # shown of adherence


def _weeks(engine: Engine, visits: list[Visit]) -> list[PractisedWeekData]:
    """The weeks since the first session, the last twelve at most."""
    if not visits:
        return []
    monday = engine.case.as_of - timedelta(days=engine.case.as_of.weekday())
    first = visits[0].on - timedelta(days=visits[0].on.weekday())
    begins = max(first, monday - timedelta(weeks=WEEKS - 1))
    out: list[PractisedWeekData] = []
    while begins <= monday:
        done = sum(begins <= v.on < begins + timedelta(weeks=1) for v in visits)
        out.append({"begins": begins.isoformat(), "done": done, "asked": engine.case.wishes.days_per_week})
        begins += timedelta(weeks=1)
    return out


def _tests(engine: Engine) -> list[CourseTestData]:
    return [
        {
            "title": t.title,
            "side": t.side,
            "first_on": t.first_on.isoformat(),
            "newest_on": t.newest_on.isoformat(),
            "before": t.compared.before if t.compared else None,
            "after": t.compared.after if t.compared else None,
            "band": t.compared.band if t.compared else None,
            "real": t.compared.real if t.compared else None,
            "says": t.compared.text if t.compared else t.reading,
        }
        for t in changes(engine.case)
    ]


_LATELY = 6  # sessions
_CLEARLY = 0.1  # a tenth fewer clean repetitions is the weaker side (our choice, as limb symmetry of 90 %)


def _weaker(visits: list[Visit]) -> dict[str, str]:
    """By family, the side that had clearly fewer clean repetitions lately."""
    counts: dict[str, dict[str, list[int]]] = {}
    for v in visits[-_LATELY:]:
        for m in v.movements:
            for s in m.sets:
                if s.side != "both":
                    own = counts.setdefault(m.step.partition("/")[0], {}).setdefault(s.side, [0, 0])
                    own[0] += s.clean
                    own[1] += s.target
    out = {}
    for family, sides in counts.items():
        if len(sides) == 2:
            left, right = (sides[x][0] / max(1, sides[x][1]) for x in ("left", "right"))
            if abs(left - right) > _CLEARLY:
                out[family] = "left" if left < right else "right"
    return out


def _summary(visits: list[Visit]) -> list[str]:
    """At a glance: which side, what got better, what flared."""
    if not visits:
        return []
    out: list[str] = []
    weaker = Counter(_weaker(visits).values())
    if weaker:
        side, count = weaker.most_common(1)[0]
        out.append(
            said("The {side} side has fewer clean repetitions in one movement.", side=said(side))
            if count == 1
            else said("The {side} side has fewer clean repetitions in {count} movements.", side=said(side), count=count)
        )
    risen = [f for f, (first, last) in _rungs(visits).items() if last > first]
    if risen:
        out.append(
            said("One movement is on a harder step than at first.") if len(risen) == 1 else said("{count} movements are on a harder step than at first.", count=len(risen))
        )
    flares = [v for v in visits if v.flared]
    if flares:
        last = flares[-1].on
        out.append(said("One flare, after {day}.", day=last) if len(flares) == 1 else said("{count} flares, the last after {day}.", count=len(flares), day=last))
    else:
        out.append(said("No flare in {count} sessions.", count=len(visits)))
    return out


def _rungs(visits: list[Visit]) -> dict[str, tuple[int, int]]:
    """By family, the rung of the first session and of the newest."""
    out: dict[str, tuple[int, int]] = {}
    for m in (m for v in visits for m in v.movements if m.sets and _known(m)):
        family, step = find(m.step)
        rung = family.steps.index(step)
        out[family.id] = (out[family.id][0] if family.id in out else rung, rung)
    return out


__all__ = ["CourseData", "course"]
