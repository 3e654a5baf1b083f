"""Movements: verdicts, figures, and trying a step with other measures."""

from django.http import HttpRequest, HttpResponse
from ninja import Schema
from pydantic import Field

from accounts.roles import Action
from amvel import answers
from amvel.answers.profiles import ProfileData, SteadyData, SuggestedHoldData
from amvel.answers.run_sheet import BeatData, beat_data
from amvel.answers.schools import SchoolData
from amvel.answers.tried import Chosen, StopData, drawn, judged_stops, posed_stops, request_of, tried
from amvel.answers.verdicts import VerdictData
from amvel.answers.why import WhyData
from amvel.body import plain_fault
from amvel.engine import Engine
from amvel.languages import said
from amvel.movements import find
from amvel.movements.animation import animation
from amvel.movements.fault_figure import fault_figure
from amvel.movements.figure import figure
from amvel.movements.pacing import beats
from amvel.planning import stopped_by
from amvel.safety import sides_of
from api.access import Needs, client_of
from api.problems import UNDER_WAY
from api.put_into_words import in_words
from api.spoken import Router
from api.subject import Subject, subject_of
from clients.casework import question_on
from clients.engines import engine_of
from clients.models import CaseRevision
from config.problem import problem
from jobs.asking import known_entry, worked_out
from jobs.models import Work

router = Router(tags=["movements"])


class Verdicts(Subject):
    verdicts: list[VerdictData]


@router.get("/clients/{client_id}/verdicts", response={200: Verdicts, **UNDER_WAY}, auth=Needs(Action.SEE_CLIENTS))
def verdicts(request: HttpRequest, client_id: str):
    """Every step, side and context with its verdict and reasons."""
    client = client_of(request, client_id)
    newest = client.latest()
    engine = engine_of(newest)
    stopped_by(engine.stop_signs)
    question = question_on(newest, Work.VERDICTS)
    return in_words(request, question, Verdicts, subject_of(client, newest), lambda: {"verdicts": worked_out(question, request.user)})


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
    verdict: VerdictData | None = None
    profile: ProfileData
    svg: str
    modified_svg: str = ""
    why: WhyData | None = None
    lines: dict[str, str] = {}
    do: list[str] = []
    steady: list[SteadyData] = []
    hold: SuggestedHoldData | None = None


@router.post("/clients/{client_id}/try/{family_id}/{step_id}", response=Tried, auth=Needs(Action.SEE_CLIENTS))
def try_step(request: HttpRequest, client_id: str, family_id: str, step_id: str, body: Try):
    """Pose, loads, verdict and picture for these values."""
    newest = client_of(request, client_id).latest()
    engine = engine_of(newest)
    stopped_by(engine.stop_signs)
    chosen = Chosen(family_id, step_id, body.side, body.values, body.context)
    if body.quick:
        sketch = engine.profiler.sketches([request_of(engine, chosen)])[0]
        return {"profile": answers.profile_data(sketch), "svg": drawn(engine, sketch)}
    return tried(engine, chosen, _stored(newest, engine, chosen))


def _stored(revision: CaseRevision, engine: Engine, chosen: Chosen) -> VerdictData | None:
    """The stored verdict on these very values: nothing is sought twice, and a page says what its list says."""
    place = {
        "family": chosen.family_id,
        "step": chosen.step_id,
        "side": chosen.side,
        "context": chosen.context,
        "original_values": request_of(engine, chosen).values,
    }
    found: VerdictData | None = known_entry(question_on(revision, Work.VERDICTS), place)
    return found


class AlongAsk(Shown):
    """Stops of one slider; `values` says where the others stand. `quick` poses the declared frames and judges nothing."""

    context: str = Field(default="visit", pattern="^(visit|home)$")
    quick: bool = False
    parameter: str
    at: list[float] = Field(min_length=1, max_length=12)


class Along(Schema):
    """The stops in the order asked."""

    stops: list[StopData]


@router.post("/clients/{client_id}/along/{family_id}/{step_id}", response=Along, auth=Needs(Action.SEE_CLIENTS))
def along(request: HttpRequest, client_id: str, family_id: str, step_id: str, body: AlongAsk):
    """Pose, loads, picture and verdict at several stops of a slider, solved in one batch before the slider gets there."""
    engine = engine_of(client_of(request, client_id).latest())
    stopped_by(engine.stop_signs)
    if body.parameter not in {p.id for p in find(f"{family_id}/{step_id}")[1].parameters if not p.choices}:
        return problem(
            422, said("No such measure"), said("parameter: {step_id} has no measure '{parameter}' to slide", step_id=step_id, parameter=body.parameter)
        )
    asked = (Chosen(family_id, step_id, body.side, body.values, body.context), body.parameter, body.at)
    if body.quick:  # at once, whatever else is being worked out
        return {"stops": posed_stops(engine, *asked)}
    return {"stops": judged_stops(engine, *asked)}


class Movie(Schema):
    """All frames of a step as pictures over each other, and one repetition as beats."""

    frames: list[str]
    beats: list[BeatData]


@router.post("/clients/{client_id}/movie/{family_id}/{step_id}", response=Movie, auth=Needs(Action.SEE_CLIENTS))
def movie(request: HttpRequest, client_id: str, family_id: str, step_id: str, body: Shown):
    """The step in motion, for these values."""
    engine = engine_of(client_of(request, client_id).latest())
    profile = engine.profiler.profile(request_of(engine, Chosen(family_id, step_id, body.side, body.values)))
    if profile.fault:
        return problem(422, said("No figure"), plain_fault(profile.fault))
    frames = animation(engine.profiler, profile)
    paced = beats(profile.request.step, len(frames), engine.schools.of(family_id)["breath"])
    return {"frames": frames, "beats": [beat_data(b) for b in paced]}


class Faults(Schema):
    """A picture for each fault of a step, in the order in which the step names them; '' where it cannot be seen in one."""

    pictures: list[str]


@router.post("/clients/{client_id}/faults/{family_id}/{step_id}", response=Faults, auth=Needs(Action.SEE_CLIENTS))
def faults(request: HttpRequest, client_id: str, family_id: str, step_id: str, body: Shown):
    """How each fault looks on this body, for these values."""
    engine = engine_of(client_of(request, client_id).latest())
    profile = engine.profiler.sketches([request_of(engine, Chosen(family_id, step_id, body.side, body.values))])[0]
    if profile.fault:
        return problem(422, said("No figure"), plain_fault(profile.fault))
    return {"pictures": [fault_figure(engine.profiler, profile, f.looks) if f.looks else "" for f in profile.request.step.faults]}


class SchoolsView(Schema):
    """Every question with its answers, what stands for this client, and what was refused."""

    questions: list[SchoolData]


@router.get("/clients/{client_id}/schools", response=SchoolsView, auth=Needs(Action.SEE_CLIENTS))
def schools(request: HttpRequest, client_id: str):
    """The questions on which practitioners disagree, with this client's answers."""
    return {"questions": answers.schools_data(engine_of(client_of(request, client_id).latest()).schools)}


@router.get("/clients/{client_id}/figure/{family_id}/{step_id}", response={200: None}, auth=Needs(Action.SEE_CLIENTS))
def drawing(
    request: HttpRequest, client_id: str, family_id: str, step_id: str, side: str = "", values: str = ""
):
    """The picture of a step for this client as SVG; `values` is 'name:value,name:value'.

    Only the declared frames are posed for it, and those of the whole ladder at once: its other rungs are asked next.
    """
    engine = engine_of(client_of(request, client_id).latest())
    family, step = find(f"{family_id}/{step_id}")
    side = side or sides_of(step)[0]
    wanted = request_of(engine, Chosen(family_id, step_id, side, _pairs(values)))
    ladder = [
        request_of(engine, Chosen(family.id, s.id, x))
        for s in family.steps
        for x in sides_of(s)
        if x in (side, "both")
    ]
    profile = engine.profiler.sketches([wanted, *ladder])[0]
    if profile.fault:
        return problem(422, said("No figure"), plain_fault(profile.fault))
    return HttpResponse(figure(engine.profiler, profile), content_type="image/svg+xml")


def _pairs(text: str) -> dict[str, float | str]:
    """'name:value,name:value' as values; what is no number stays a word."""
    found: dict[str, float | str] = {}
    for pair in filter(None, text.split(",")):
        name, _, value = pair.partition(":")
        try:
            found[name] = float(value)
        except ValueError:
            found[name] = value
    return found
