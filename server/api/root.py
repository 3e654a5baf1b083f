"""The API: thin; loads a case, calls the core, stores the answer."""

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
from api.problems import install


class Api(NinjaAPI):
    """The API with its description of itself as it is: what is refused comes as problem details."""

    def get_openapi_schema(self, *args: Any, **more: Any) -> Any:
        schema = super().get_openapi_schema(*args, **more)
        operations = [o for path in schema["paths"].values() for o in path.values()]
        for status, answer in ((s, a) for o in operations for s, a in o["responses"].items()):
            if int(status) >= 400 and "content" in answer:
                [content] = answer["content"].values()
                answer["content"] = {"application/problem+json": content}
        return schema


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
