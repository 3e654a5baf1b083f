"""One step with measures chosen by hand: the request that they make, and what the step page says of it."""

from dataclasses import dataclass, field, replace

from typing_extensions import TypedDict

from amvel.answers.profiles import (
    ProfileData,
    SteadyData,
    SuggestedHoldData,
    hold_data,
    peak_data,
    profile_data,
    steady_data,
)
from amvel.answers.verdicts import Values, VerdictData, verdict_data
from amvel.answers.why import WhyData, why_of
from amvel.body import plain_fault
from amvel.engine import Engine
from amvel.languages import said
from amvel.movements import Profile, Request, UnknownMovement, find
from amvel.movements.figure import figure
from amvel.movements.schools import do_lines, school_lines
from amvel.safety import as_they_stand, judge_one, sides_of


class TriedData(TypedDict):
    """What the step page shows."""

    verdict: VerdictData
    profile: ProfileData
    svg: str
    modified_svg: str
    why: WhyData | None
    lines: dict[str, str]
    do: list[str]
    steady: list[SteadyData]
    hold: SuggestedHoldData | None


class StopData(TypedDict):
    """What a slider shows at one of its stops; nothing is sought, the verdict speaks of the pose as it stands there."""

    value: float
    verdict: VerdictData | None
    peaks: dict[str, float]
    fault: str
    svg: str


@dataclass(frozen=True)
class Chosen:
    """A step and side with measures chosen by hand; whatever is not in `values` is as the room of this context has it."""

    family_id: str
    step_id: str
    side: str
    values: Values = field(default_factory=dict, hash=False)
    context: str = "home"

    def at(self, parameter: str, value: float) -> "Chosen":
        """The same with one measure elsewhere."""
        return replace(self, values={**self.values, parameter: value})


def request_of(engine: Engine, chosen: Chosen) -> Request:
    """The step in its room, with the chosen values over its own, each held inside its range.

    Raises UnknownMovement for a step, or a side of it, that the library does not have.
    """
    family, step = find(f"{chosen.family_id}/{chosen.step_id}")
    if chosen.side not in sides_of(step):
        raise UnknownMovement(said("{family}/{step} has no side '{side}'", family=family.id, step=step.id, side=chosen.side))
    start = engine.values(family, step, chosen.context)
    for p in step.parameters:
        if p.id not in chosen.values:
            continue
        value = chosen.values[p.id]
        if p.choices:
            start[p.id] = value if value in p.choices else start[p.id]
        elif isinstance(value, int | float):
            start[p.id] = float(min(p.high, max(p.low, value)))
    return Request(family, step, chosen.side, start)


def drawn(engine: Engine, profile: Profile) -> str:
    """The picture; '' where this body cannot take one of the declared poses.

    A movement that fails only on its way is drawn: its start and end can be taken, and the verdict says what is wrong.
    """
    shown = engine.profiler.sketches([profile.request])[0] if profile.fault else profile
    return "" if shown.fault else figure(engine.profiler, shown)


def tried(engine: Engine, chosen: Chosen, stored: VerdictData | None = None) -> TriedData:
    """Pose, loads, verdict and pictures; `stored` is the verdict on these very values where it is known already."""
    request = request_of(engine, chosen)
    profile = engine.profiler.profile(request)
    if stored is None:
        found = judge_one(
            engine.case, engine.findings, engine.envelope_in(chosen.context), engine.profiler, profile, chosen.context
        )
        stored = verdict_data(found)
    return {
        "verdict": stored,
        "profile": profile_data(profile),
        "svg": drawn(engine, profile),
        "modified_svg": _changed(engine, request, stored),
        "why": why_of(engine, profile, stored, chosen.context),
        "lines": school_lines(request.family, request.step, engine.schools.of(request.family.id)),
        "do": list(do_lines(request.step, engine.schools.of(request.family.id)["breath"])),
        "steady": steady_data(engine.profiler, profile),
        "hold": hold_data(engine, request.label, request.side),
    }


def _changed(engine: Engine, request: Request, verdict: VerdictData) -> str:
    """The picture of the admissible version where that is another one."""
    if verdict["verdict"] == "excluded" or verdict["values"] == request.values:
        return ""
    other = Request(request.family, request.step, request.side, verdict["values"])
    return drawn(engine, engine.profiler.profile(other))


def posed_stops(engine: Engine, chosen: Chosen, parameter: str, at: list[float]) -> list[StopData]:
    """What a slider shows at some of its stops: the declared frames are posed, and nothing is judged."""
    profiles = engine.profiler.sketches([request_of(engine, chosen.at(parameter, x)) for x in at])
    return [_stop(engine, x, p, None) for x, p in zip(at, profiles, strict=True)]


def judged_stops(engine: Engine, chosen: Chosen, parameter: str, at: list[float]) -> list[StopData]:
    """The same with the verdict on each stop as it stands there; nothing is sought."""
    profiles = engine.profiler.profiles([request_of(engine, chosen.at(parameter, x)) for x in at])
    judged = as_they_stand(engine.case, engine.findings, engine.envelope_in(chosen.context), profiles, chosen.context)
    return [_stop(engine, x, p, verdict_data(v)) for x, p, v in zip(at, profiles, judged, strict=True)]


def _stop(engine: Engine, value: float, profile: Profile, verdict: VerdictData | None) -> StopData:
    return {
        "value": value,
        "verdict": verdict,
        "peaks": peak_data(profile),
        "fault": plain_fault(profile.fault),
        "svg": drawn(engine, profile),
    }
