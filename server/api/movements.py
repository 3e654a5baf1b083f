"""Movements: verdicts, figures, and trying a step with other measures."""

from typing import Any, Literal

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import Field

from amvel import answers
from amvel.engine import Engine
from amvel.movements import Profile, Request, UnknownMovement, find
from amvel.movements.animation import animation
from amvel.movements.figure import figure
from amvel.movements.pacing import beats
from amvel.movements.schools import school_lines
from amvel.safety import as_they_stand, judge_one, sides_of
from api.access import client_of
from api.problems import PROBLEMS, problem
from clients.casework import engine_of, verdicts_of

router = Router(tags=["movements"])


class Verdicts(Schema):
    verdicts: list[dict[str, Any]]


@router.get("/clients/{client_id}/verdicts", response={200: Verdicts, **PROBLEMS})
def verdicts(request: HttpRequest, client_id: str):
    """Every step, side and context with its verdict and reasons."""
    client = client_of(request, client_id)
    return {"verdicts": verdicts_of(client, engine_of(client.latest()))}


class Shown(Schema):
    """One side of a step with chosen parameter values."""

    side: str = Field(pattern="^(left|right|both)$")
    values: dict[str, float | str] = {}


class Try(Shown):
    """A step with chosen parameter values.

    `quick` answers while a slider still moves: only the declared frames are posed, and nothing is allowed yet.
    """

    context: str = Field(default="visit", pattern="^(visit|home)$")
    quick: bool = False


class Tried(Schema):
    verdict: dict[str, Any] | None = None
    profile: dict[str, Any]
    svg: str
    modified_svg: str = ""
    lines: dict[str, str] = {}
    steady: list[dict[str, Any]] = []
    hold: dict[str, Any] | None = None


def _request(
    engine: Engine,
    family_id: str,
    step_id: str,
    side: str,
    values: dict[str, float | str],
    context: str = "home",
) -> Request:
    family, step = find(f"{family_id}/{step_id}")
    if side not in sides_of(step):
        raise UnknownMovement(f"{family_id}/{step_id} has no side '{side}'")
    start = engine.values(family, step, context)
    for p in step.parameters:
        if p.id not in values:
            continue
        value = values[p.id]
        if p.choices:
            start[p.id] = value if value in p.choices else start[p.id]
        elif isinstance(value, int | float):
            start[p.id] = float(min(p.high, max(p.low, value)))
    return Request(family, step, side, start)


def _drawn(engine: Engine, profile: Profile) -> str:
    return "" if profile.fault else figure(engine.profiler, profile)


@router.post("/clients/{client_id}/try/{family_id}/{step_id}", response={200: Tried, **PROBLEMS})
def try_step(request: HttpRequest, client_id: str, family_id: str, step_id: str, body: Try):
    """Pose, loads, verdict and picture for these values."""
    engine = engine_of(client_of(request, client_id).latest())
    wanted = _request(engine, family_id, step_id, body.side, body.values, body.context)
    if body.quick:
        sketch = engine.profiler.sketches([wanted])[0]
        return {"profile": answers.profile_data(sketch), "svg": _drawn(engine, sketch)}
    profile = engine.profiler.profile(wanted)
    verdict = judge_one(engine.case, engine.findings, engine.envelope, engine.profiler, profile, body.context)
    changed = verdict.profile is not profile and verdict.allowed
    return {
        "verdict": answers.verdict_data(verdict),
        "profile": answers.profile_data(profile),
        "svg": _drawn(engine, profile),
        "modified_svg": _drawn(engine, verdict.profile) if changed else "",
        "lines": school_lines(*find(f"{family_id}/{step_id}"), engine.schools.of(family_id)),
        "steady": answers.steady_data(engine.profiler, profile),
        "hold": answers.hold_data(engine, f"{family_id}/{step_id}", body.side),
    }


class AlongAsk(Shown):
    """Stops of one slider; `values` says where the others stand. `quick` poses the declared frames and judges nothing."""

    context: str = Field(default="visit", pattern="^(visit|home)$")
    quick: bool = False
    parameter: str
    at: list[float] = Field(min_length=1, max_length=12)


class Stop(Schema):
    """What a slider shows at one of its stops. `verdict` speaks of the pose as it stands there, nothing is solved."""

    value: float
    verdict: dict[str, Any] | None
    peaks: dict[str, float]
    fault: str
    svg: str


class Along(Schema):
    stops: list[Stop]


@router.post("/clients/{client_id}/along/{family_id}/{step_id}", response={200: Along, **PROBLEMS})
def along(request: HttpRequest, client_id: str, family_id: str, step_id: str, body: AlongAsk):
    """Pose, loads, picture and verdict at several stops of a slider, solved in one batch before the slider gets there."""
    engine = engine_of(client_of(request, client_id).latest())
    if body.parameter not in {p.id for p in find(f"{family_id}/{step_id}")[1].parameters if not p.choices}:
        return problem(
            422, "No such measure", f"parameter: {step_id} has no measure '{body.parameter}' to slide"
        )
    wanted = [
        _request(engine, family_id, step_id, body.side, {**body.values, body.parameter: x}, body.context)
        for x in body.at
    ]
    return {"stops": _stops(engine, wanted, body)}


def _stops(engine: Engine, wanted: list[Request], body: AlongAsk) -> list[dict[str, Any]]:
    verdicts: list[dict[str, Any] | None] = [None] * len(wanted)
    if body.quick:
        profiles = engine.profiler.sketches(wanted)
    else:
        profiles = engine.profiler.profiles(wanted)
        judged = as_they_stand(engine.case, engine.findings, engine.envelope, profiles, body.context)
        verdicts = [answers.verdict_data(v) for v in judged]
    return [
        {
            "value": value,
            "verdict": verdict,
            "peaks": answers.peak_data(profile),
            "fault": answers.plain_fault(profile.fault),
            "svg": _drawn(engine, profile),
        }
        for value, profile, verdict in zip(body.at, profiles, verdicts, strict=True)
    ]


class BeatData(Schema):
    """Which frame is shown for how long, and the breath at it."""

    frame: int
    seconds: float
    breath: Literal["in", "out", "on"]


class Movie(Schema):
    """All frames of a step as pictures over each other, and one repetition as beats."""

    frames: list[str]
    beats: list[BeatData]


@router.post("/clients/{client_id}/movie/{family_id}/{step_id}", response={200: Movie, **PROBLEMS})
def movie(request: HttpRequest, client_id: str, family_id: str, step_id: str, body: Shown):
    """The step in motion, for these values."""
    engine = engine_of(client_of(request, client_id).latest())
    profile = engine.profiler.profile(_request(engine, family_id, step_id, body.side, body.values))
    if profile.fault:
        return problem(422, "No figure", answers.plain_fault(profile.fault))
    frames = animation(engine.profiler, profile)
    paced = beats(profile.request.step, len(frames), engine.schools.of(family_id)["breath"])
    return {"frames": frames, "beats": [vars(b) for b in paced]}


class SchoolsView(Schema):
    """Every question with its answers, what stands for this client, and what was refused."""

    questions: list[dict[str, Any]]


@router.get("/clients/{client_id}/schools", response={200: SchoolsView, **PROBLEMS})
def schools(request: HttpRequest, client_id: str):
    """The questions on which practitioners disagree, with this client's answers."""
    return {"questions": answers.schools_data(engine_of(client_of(request, client_id).latest()).schools)}


@router.get("/clients/{client_id}/figure/{family_id}/{step_id}", response=PROBLEMS)
def drawing(
    request: HttpRequest, client_id: str, family_id: str, step_id: str, side: str = "", values: str = ""
):
    """The picture of a step for this client as SVG; `values` is 'name:value,name:value'."""
    engine = engine_of(client_of(request, client_id).latest())
    engine.warm()
    step = find(f"{family_id}/{step_id}")[1]
    wanted: dict[str, float | str] = {}
    for pair in filter(None, values.split(",")):
        name, _, value = pair.partition(":")
        try:
            wanted[name] = float(value)
        except ValueError:
            wanted[name] = value
    profile = engine.profiler.profile(_request(engine, family_id, step_id, side or sides_of(step)[0], wanted))
    if profile.fault:
        return problem(422, "No figure", profile.fault)
    return HttpResponse(figure(engine.profiler, profile), content_type="image/svg+xml")
