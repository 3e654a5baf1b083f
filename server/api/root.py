"""The API: thin; loads a case, calls the core, stores the answer."""

from functools import cached_property
from http.client import responses
from typing import Any

from ninja import NinjaAPI
from ninja.security import django_auth

from api import (
    clients,
    exchange,
    home,
    movements,
    own,
    papers,
    past,
    people,
    practice,
    programmes,
    rooms,
    rulebook,
    session,
    visits,
)
from api.problems import REFUSALS, Problem, install


class Api(NinjaAPI):
    """The API with its description of itself as it is: whatever is asked can be refused, with problem details."""

    def get_openapi_schema(self, **whatever_path: Any) -> Any:
        return self._described

    @cached_property
    def _described(self) -> Any:
        """It never changes while the server runs, takes half a second, and anybody may ask for it."""
        schema = super().get_openapi_schema()
        problem = Problem.model_json_schema(ref_template=f"{_SCHEMAS}{{model}}")
        schema["components"]["schemas"] |= {**problem.pop("$defs"), Problem.__name__: problem}
        content = {"application/problem+json": {"schema": {"$ref": f"{_SCHEMAS}{Problem.__name__}"}}}
        refused = {status: {"description": responses[status], "content": content} for status in REFUSALS}
        for operation in (o for path in schema["paths"].values() for o in path.values()):
            operation["responses"] |= refused
        return schema


_SCHEMAS = "#/components/schemas/"
api = Api(title="Amvel", version="1", urls_namespace="v1", auth=django_auth, docs_url=None)
install(api)
api.add_router("", session.router)
api.add_router("", clients.router)
api.add_router("", movements.router)
api.add_router("", programmes.router)
api.add_router("", papers.router)
api.add_router("", rooms.router)
api.add_router("", rulebook.router)
api.add_router("", people.router)
api.add_router("", own.router)
api.add_router("", visits.router)
api.add_router("", home.router)
api.add_router("", practice.router)
api.add_router("", exchange.router)
api.add_router("", past.router)
