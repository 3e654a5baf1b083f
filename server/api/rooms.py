"""Rooms: what is there, what fits this person and how, what is refused; quick trials that store nothing."""

from typing import Annotated

from django.http import HttpRequest
from ninja import Schema

from accounts.roles import Action
from amvel.case import PROPS, read_case
from amvel.case.room import Room
from amvel.engine import Engine
from amvel.fitting import fit_figure, fits, refused
from api.access import Needs, client_of
from api.any_json import JsonObject, OfModel
from api.spoken import Router
from clients.engines import case_data

router = Router(tags=["rooms"])


class FitData(Schema):
    """One measure of the set-up."""

    id: str
    title: str
    value: float
    low: float
    high: float
    unit: str
    says: str
    made_of: str
    fits: bool
    source: str
    svg: str


class Refused(Schema):
    """What is not used, and why."""

    what: str
    reason: str


class RoomFits(Schema):
    fits: list[FitData]
    refused: list[Refused]


class Trial(Schema):
    """A room as it stands in the form, not yet kept."""

    room: Annotated[JsonObject, OfModel(Room)]


@router.post("/clients/{client_id}/fits", response=RoomFits, auth=Needs(Action.SEE_CLIENTS))
def fits_in(request: HttpRequest, client_id: str, body: Trial):
    """What fits this client in this room, with pictures; nothing is stored."""
    client = client_of(request, client_id)
    data = {**case_data(client.latest()), "room": body.room, "other_rooms": []}
    engine = Engine(read_case(data))
    room = engine.case.room
    found = fits(engine.profiler, room, engine.envelope)
    return {
        "fits": [
            {
                "id": f.id,
                "title": f.title,
                "value": f.value,
                "low": round(f.low, 2),
                "high": round(f.high, 2),
                "unit": f.unit,
                "says": f.says,
                "made_of": f.made_of,
                "fits": f.fits,
                "source": f.source.told,
                "svg": fit_figure(engine.profiler, f),
            }
            for f in found
        ],
        "refused": [{"what": r.what, "reason": r.reason} for r in refused(room, engine.profiler.body)],
    }


class PropData(Schema):
    kind: str
    title: str
    usual_cm: float
    stand_in: str


class Props(Schema):
    props: list[PropData]


@router.get("/props", response=Props, auth=Needs(Action.READ_RULES))
def props(request: HttpRequest):
    """The catalogue of small props with their household stand-ins."""
    return {
        "props": [
            {"kind": k, "title": p.title, "usual_cm": p.usual_cm, "stand_in": p.stand_in}
            for k, p in PROPS.items()
        ]
    }
