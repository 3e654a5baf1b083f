"""The API: thin; loads a case, calls the core, stores the answer."""

from ninja import NinjaAPI
from ninja.security import django_auth

from api import clients, movements, own, papers, people, programmes, rooms, rulebook, session
from api.problems import install

api = NinjaAPI(title="Amvel", version="1", urls_namespace="v1", auth=django_auth, docs_url=None)
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
