"""Everything that running a session needs, in one answer: it is opened with a network and run without one."""

from collections.abc import Sequence
from typing import Literal

from typing_extensions import TypedDict

from amvel.answers.programmes import WayData, way_data
from amvel.case.results.posture_and_curve import Posture
from amvel.case.visits import RISE_THAT_STOPS, sessions_of_step
from amvel.engine import Engine
from amvel.movements import Position, Request, Step, find
from amvel.movements.breath import Air
from amvel.movements.dosing import REST_S
from amvel.movements.faults import faults_to_watch
from amvel.movements.pacing import Beat, beats, for_the_weaker_side, settling
from amvel.movements.schools import do_lines, feedback_of
from amvel.planning import Item, SetUp
from amvel.planning.choices import Choice, choices
from amvel.planning.measures import measures_of
from amvel.planning.programme import setting_of, ways_of
from amvel.planning.swaps import ranked, share_served
from amvel.planning.to_take import to_take
from amvel.progress.ladders import OpenLadders
from amvel.safety import Verdict
from amvel.screening.stop_signs import QUESTIONS, asked_of
from amvel.sensing.detectors import SAYS

SERVES = 0.5  # share of the purposes that something else has to serve to stand in (our reading)
MOST_INSTEAD = 2


class BeatData(TypedDict):
    """Which frame is shown for how long, and the breath at it."""

    frame: int
    seconds: float
    breath: Air


class RunSideData(TypedDict):
    """One side as it is run: its dose, measures, frames, and one repetition as beats."""

    side: str
    measures: list[str]
    repetitions: int
    sets: int
    hold_s: float
    frames: list[str]
    beats: list[BeatData]


class CueData(TypedDict):
    """One cue by its place in the declared order, and whether it was the one that worked last time."""

    index: int
    says: str
    worked_last: bool


class RunFaultData(TypedDict):
    """A fault of this step, drawn beside the right version where it can be seen."""

    id: str
    name: str
    seen: str
    cue: str
    breath: bool
    picture: str


class FeedbackData(TypedDict):
    """What tells whether it is right, and when it misleads."""

    tells: str
    misleads: str


class RungData(TypedDict):
    """Another step that is open today, a neighbour on the ladder or one that serves the same: enough to go on with it at once."""

    ref: str
    family_title: str
    title: str
    do: list[str]
    setup: list[str]
    measures: list[str]
    picture: str
    sides: list[str]
    repetitions: int
    hold_s: float
    cues: list[str]
    faults: list[RunFaultData]
    beats: list[BeatData]


class RunMovementData(TypedDict):
    """One movement of the session."""

    ref: str
    family_title: str
    title: str
    position: Position
    minutes: float
    do: list[str]
    setup: list[str]
    take: list[str]
    feedback: list[FeedbackData]
    felt: str
    not_felt: str
    sides: list[RunSideData]
    weaker: Literal["left", "right", ""]
    cues: list[CueData]
    faults: list[RunFaultData]
    leaves_as: int  # when time runs short: 0 is left out first
    easier: RungData | None
    harder: RungData | None
    instead: list[RungData]  # of other ladders, for the same purpose, best first


class AskedData(TypedDict):
    """One stop sign as it is asked."""

    id: str
    says: str


class SensedData(TypedDict):
    """What sensors beside the mat may find, by the fault that it speaks for."""

    id: str
    says: str


class StageSheetData(TypedDict):
    """One stage of a way, with its picture."""

    title: str
    do: list[str]
    picture: str


class WaySheetData(TypedDict):
    """How a position is reached and left, as a taught sequence."""

    way: WayData
    stages: list[StageSheetData]


class RunSheetData(TypedDict):
    """A whole session."""

    session: str
    context: Literal["visit", "home"]
    settling: list[BeatData]
    movements: list[RunMovementData]
    ways: list[WaySheetData]
    stop_signs: list[AskedData]
    sensed: list[SensedData]
    asks_pressure: bool
    rest_s: float
    stops_at_rise: int  # pain that rises by so much ends a movement; what is no pain ends it always


def run_sheet(engine: Engine, items: Sequence[Item], context: Literal["visit", "home"], session: str, covered_by: Sequence[Sequence[str]] = ()) -> RunSheetData:
    """The movements of one session with all that is shown while they are done; `covered_by` holds, for each obligation, what it counts on."""
    own = [i for i in items if session in i.sessions]
    ladders = OpenLadders(engine, context, [i.ref for i in own])
    pool, _ = choices(setting_of(engine, context), engine.verdicts)
    in_use = {i.ref for i in own}
    leaving = leaving_order([i.ref for i in own], covered_by)
    return {
        "session": session,
        "context": context,
        "settling": [beat_data(b) for b in settling()],
        "movements": [_movement(engine, i, context, ladders, pool, in_use, leaving.index(i.ref)) for i in own],
        "ways": [_way(engine, way_data(w)) for w in ways_of(engine, context, own)],
        "stop_signs": [{"id": name, "says": QUESTIONS[name].title} for name in asked_of(engine.case)],
        "sensed": [{"id": failure.value, "says": says} for failure, says in SAYS.items()],
        "rest_s": REST_S,
        "stops_at_rise": RISE_THAT_STOPS,
        "asks_pressure": any(a.id == "blood_pressure" for a in engine.findings.assumptions),
    }


def leaving_order(movements: Sequence[str], covered_by: Sequence[Sequence[str]]) -> list[str]:
    """What is left out when time runs short, first to last: what the least is owed by, and of those what comes last.

    An obligation that one movement alone covers hangs on it wholly, one that three share a third on each (our reading).
    """
    hangs = {ref: sum(1 / len(refs) for refs in covered_by if ref in refs) for ref in movements}
    return sorted(movements, key=lambda ref: (hangs[ref], -movements.index(ref)))


def _movement(
    engine: Engine, item: Item, context: str, ladders: OpenLadders, pool: Sequence[Choice], in_use: set[str], leaves_as: int
) -> RunMovementData:
    family, step = find(item.ref)
    schools, weaker = engine.schools.of(family.id), _weaker(engine, item.ref)
    around = ladders.around(item.ref)
    return {
        "ref": item.ref,
        "family_title": family.title,
        "title": step.title,
        "position": family.position,
        "minutes": item.minutes,
        "do": list(do_lines(step, schools["breath"])),
        "setup": list(step.setup),
        "take": list(to_take(item, engine.profiler.body, engine.case.room_for(context), schools)),
        "feedback": [{"tells": f.tells, "misleads": f.misleads} for f in feedback_of(family, step, schools)],
        "felt": step.felt,
        "not_felt": step.not_felt,
        "sides": _sides(engine, item, weaker),
        "weaker": weaker,
        "cues": _cues(engine, item.ref, step),
        "faults": _faults(engine, Request(family, step, item.set_ups[0].side, item.set_ups[0].values)),
        "leaves_as": leaves_as,
        "easier": _neighbour(engine, around.down, ladders),
        "harder": _neighbour(engine, around.up, ladders),
        "instead": [_rung(engine, c.ref, c.verdicts, c.doses[0].repetitions, c.doses[0].hold_s) for c in _instead(pool, item.ref, in_use)],
    }


def _sides(engine: Engine, item: Item, weaker: str) -> list[RunSideData]:
    """The side that was worse last time goes first; before that is known, where the trade says so, the side that hitches lies down first."""
    hitched = _hitched(engine) if find(item.ref)[0].hitched_side_first else ""

    def later(s: SetUp) -> bool:
        if weaker:
            return s.side != weaker
        return bool(hitched) and _side_down(engine, item, s) != hitched

    return [_side(engine, item, s, s.side == weaker) for s in sorted(item.set_ups, key=later)]


def _hitched(engine: Engine) -> str:
    """The side whose hip is hitched up in relaxed standing, by the newest look at it; '' where none is."""
    seen = [t for t in engine.case.tests if isinstance(t, Posture)]
    newest = max(seen, key=lambda t: t.on, default=None)
    return newest.hitch if newest is not None and newest.hitch in ("left", "right") else ""


def _side_down(engine: Engine, item: Item, own: SetUp) -> str:
    """The side that is lain on in this set-up; '' where none is."""
    profile = engine.profiler.posed(engine.profiler.profile(Request(*find(item.ref), own.side, own.values)))
    return next((f.facts.side_down for f in profile.frames if f.facts.side_down), "")


def _side(engine: Engine, item: Item, own: SetUp, weaker: bool) -> RunSideData:
    family, step = find(item.ref)
    frames = engine.pictures.animation(Request(family, step, own.side, own.values))
    paced = beats(step, len(frames), engine.schools.of(family.id)["breath"])
    return {
        "side": own.side,
        "measures": list(measures_of(item.ref, own.values)),
        "repetitions": own.repetitions,
        "sets": own.sets,
        "hold_s": own.hold_s,
        "frames": frames,
        "beats": [beat_data(b) for b in (for_the_weaker_side(paced) if weaker else paced)],
    }


def beat_data(b: Beat) -> BeatData:
    return {"frame": b.frame, "seconds": b.seconds, "breath": b.breath}


def _weaker(engine: Engine, ref: str) -> Literal["left", "right", ""]:
    """The side that did worse in the newest session: fewer clean repetitions, else less of the comparison."""
    newest = [done for _, done in sessions_of_step(engine.case.visits, ref)][-1:]
    for done in newest:
        clean = {side: sum(s.clean for s in done.sets if s.side == side) for side in ("left", "right")}
        seen = {s.side for s in done.sets}
        if {"left", "right"} <= seen and clean["left"] != clean["right"]:
            return "left" if clean["left"] < clean["right"] else "right"
        if done.compared is not None:
            less = [done.compared.range, done.compared.ease, done.compared.coming_back]
            left, right = less.count("left_less"), less.count("right_less")
            if left != right:
                return "left" if left > right else "right"
    return ""


def _cues(engine: Engine, ref: str, step: Step) -> list[CueData]:
    """In the declared order, the one that worked last time before all others."""
    worked = next((c.cue for _, done in reversed(list(sessions_of_step(engine.case.visits, ref))) for c in done.cues if c.worked), None)
    found: list[CueData] = [{"index": i, "says": says, "worked_last": i == worked} for i, says in enumerate(step.cues)]
    return sorted(found, key=lambda c: not c["worked_last"])


def _faults(engine: Engine, request: Request) -> list[RunFaultData]:
    return [
        {
            "id": f.id,
            "name": f.name,
            "seen": f.seen,
            "cue": f.cue,
            "breath": f.breath,
            "picture": engine.pictures.fault(request, f.looks) if f.looks else "",
        }
        for f in faults_to_watch(request.step)
    ]


def _instead(pool: Sequence[Choice], ref: str, in_use: set[str]) -> list[Choice]:
    """Steps of other ladders that serve at least half of what this one is there for, each ladder once."""
    found: dict[str, Choice] = {}
    family, step = find(ref)
    for choice, _, _ in ranked(pool, ref, in_use):
        if share_served(step, choice.step) >= SERVES and choice.family is not family:
            found.setdefault(choice.family.id, choice)
    return list(found.values())[:MOST_INSTEAD]


def _neighbour(engine: Engine, ref: str, ladders: OpenLadders) -> RungData | None:
    """An open neighbour on the ladder; it is entered at its own first dose."""
    if not ref:
        return None
    dose = find(ref)[1].dose
    return _rung(engine, ref, ladders.by_step[ref], dose.repetitions, dose.hold_s)


def _rung(engine: Engine, ref: str, verdicts: Sequence[Verdict], repetitions: int, hold_s: float) -> RungData:
    """Another step, set up as it was judged."""
    request = verdicts[0].profile.request
    family, step = find(ref)
    return {
        "ref": ref,
        "family_title": family.title,
        "title": step.title,
        "do": list(do_lines(step, engine.schools.of(family.id)["breath"])),
        "setup": list(step.setup),
        "measures": list(measures_of(ref, request.values)),
        "picture": engine.pictures.figure(request),
        "sides": [v.profile.request.side for v in verdicts],
        "repetitions": repetitions,
        "hold_s": hold_s,
        "cues": list(step.cues),
        "faults": [{"id": f.id, "name": f.name, "seen": f.seen, "cue": f.cue, "breath": f.breath, "picture": ""} for f in faults_to_watch(step)],
        "beats": [beat_data(b) for b in beats(step, 1, engine.schools.of(family.id)["breath"])],
    }


def _way(engine: Engine, way: WayData) -> WaySheetData:
    return {"way": way, "stages": [_stage(engine, s["ref"], s["side"], s["values"]) for s in way["stages"]]}


def _stage(engine: Engine, ref: str, side: str, values: dict[str, float | str]) -> StageSheetData:
    family, step = find(ref)
    picture = engine.pictures.figure(Request(family, step, side, values))
    return {"title": step.title, "do": list(do_lines(step, engine.schools.of(family.id)["breath"])), "picture": picture}


__all__ = ["BeatData", "RunSheetData", "beat_data", "leaving_order", "run_sheet"]
