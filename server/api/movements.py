"""Movements: verdicts, figures, and trying a step with other measures."""

from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import Field

from amvel import answers
from amvel.engine import Engine
from amvel.movements import Profile, Request, UnknownMovement, find
from amvel.movements.figure import figure
from amvel.safety import judge_one, sides_of
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


class Try(Schema):
    """A step with chosen parameter values."""

    side: str = Field(pattern="^(left|right|both)$")
    context: str = Field(default="visit", pattern="^(visit|home)$")
    values: dict[str, float | str] = {}


class Tried(Schema):
    verdict: dict[str, Any]
    profile: dict[str, Any]
    svg: str
    modified_svg: str = ""


def _request(
    engine: Engine, family_id: str, step_id: str, side: str, values: dict[str, float | str]
) -> Request:
    family, step = find(f"{family_id}/{step_id}")
    if side not in sides_of(step):
        raise UnknownMovement(f"{family_id}/{step_id} has no side '{side}'")
    start = engine.values(family, step)
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
    profile = engine.profiler.profile(_request(engine, family_id, step_id, body.side, body.values))
    verdict = judge_one(engine.case, engine.findings, engine.envelope, engine.profiler, profile, body.context)
    changed = verdict.profile is not profile and verdict.allowed
    return {
        "verdict": answers.verdict_data(verdict),
        "profile": answers.profile_data(profile),
        "svg": _drawn(engine, profile),
        "modified_svg": _drawn(engine, verdict.profile) if changed else "",
    }


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
