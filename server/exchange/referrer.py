"""A referrer's FHIR R4 server: people are looked for there, all of one person is fetched, and a bundle of ours is sent.

One server for one organisation, named by whoever runs the installation (`AMVEL_REFERRER_URL`, `…_ORGANISATION`, `…_TOKEN`); no
address ever comes from a request or from what that server says.  What is asked for is asked again once where that is safe;
whoever waits, waits for seconds.
"""

import json
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any
from urllib.parse import quote, urlsplit

import requests
from django.conf import settings
from requests.adapters import HTTPAdapter
from urllib3.exceptions import HTTPError
from urllib3.util import Retry

from accounts.models import Organisation
from amvel.languages import said

Resource = dict[str, Any]
MOST_PAGES, MOST_FOUND = 20, 40
MOST_BYTES = 10_000_000
TRIES = Retry(total=2, connect=1, read=0, status=2, backoff_factor=0.2, status_forcelist=(429, 502, 503, 504), allowed_methods=("GET", "PUT"), respect_retry_after_header=False)
_FHIR = {"Accept": "application/fhir+json", "Content-Type": "application/fhir+json"}


class ReferrerFails(Exception):
    """The other server does not answer, or not as FHIR says; nothing was changed here."""

    again_in_s = 10


class NoReferrer(Exception):
    """No such server is set up for this organisation."""


@dataclass(frozen=True)
class Person:
    """Somebody whom the other server knows."""

    id: str
    name: str
    birth_date: str


@dataclass(frozen=True)
class Found:
    """Whom a search found; `more` when there are others that were not asked for."""

    people: tuple[Person, ...]
    more: bool


def is_set_up(organisation: Organisation) -> bool:
    return bool(settings.REFERRER_URL) and str(organisation.pk) == settings.REFERRER_ORGANISATION


def people_named(organisation: Organisation, name: str) -> Found:
    """Those whose name begins so, over all pages; raises NoReferrer, ReferrerFails."""
    people: list[Person] = []
    for resource in _over_all_pages(_address(organisation, "Patient"), {"name": name, "_count": "20"}):
        if resource.get("resourceType") != "Patient":
            continue
        if len(people) == MOST_FOUND:
            return Found(tuple(people), True)
        people.append(_person(resource))
    return Found(tuple(people), False)


def all_of(organisation: Organisation, person: str) -> Resource:
    """One bundle with everything there is of a person; raises NoReferrer, ReferrerFails."""
    resources = _over_all_pages(_address(organisation, f"Patient/{quote(person, safe='')}/$everything"), {})
    return {"resourceType": "Bundle", "type": "collection", "entry": [{"resource": r} for r in resources]}


def send(organisation: Organisation, key: str, bundle: str) -> None:
    """Keep a bundle there under a key of ours: sent twice, it is there once.  Raises NoReferrer, ReferrerFails."""
    _answered("PUT", _address(organisation, f"Bundle/{quote(key, safe='')}"), data=bundle.encode())


def _address(organisation: Organisation, path: str) -> str:
    if not is_set_up(organisation):
        raise NoReferrer(said("no referrer's server is set up for this organisation"))
    return f"{settings.REFERRER_URL.rstrip('/')}/{path}"


def _over_all_pages(address: str, asked: dict[str, str]) -> Iterator[Resource]:
    """The resources of a searchset, page after page; a next page is only looked for on the same server."""
    page = _read(_answered("GET", address, params=asked))
    for _ in range(MOST_PAGES):
        for entry in page.get("entry") or []:
            if isinstance(entry, dict) and isinstance(resource := entry.get("resource"), dict):
                yield resource
        following = _next(page)
        if following is None:
            return
        page = _read(_answered("GET", following))
    raise ReferrerFails(said("the referrer's server has no end of pages"))


def _next(page: Resource) -> str | None:
    link = next((x.get("url") for x in page.get("link") or [] if isinstance(x, dict) and x.get("relation") == "next"), None)
    if link is None:
        return None
    here, there = urlsplit(settings.REFERRER_URL), urlsplit(str(link))
    if (there.scheme, there.netloc) != (here.scheme, here.netloc) or not there.path.startswith(here.path):
        raise ReferrerFails(said("the referrer's server names a next page that is not its own"))
    return str(link)


def _answered(method: str, address: str, **more: Any) -> bytes:
    headers = {**_FHIR, **({"Authorization": f"Bearer {settings.REFERRER_TOKEN}"} if settings.REFERRER_TOKEN else {})}
    with requests.Session() as session:
        for scheme in ("http://", "https://"):
            session.mount(scheme, HTTPAdapter(max_retries=TRIES))
        session.trust_env = False
        try:
            answer = session.request(method, address, headers=headers, timeout=settings.REFERRER_WAIT_S, allow_redirects=False, stream=True, **more)
            said_there = answer.raw.read(MOST_BYTES + 1, decode_content=True)
        except (requests.RequestException, HTTPError) as error:
            raise ReferrerFails(said("the referrer's server does not answer")) from error
    if not answer.ok or answer.is_redirect:
        raise ReferrerFails(said("the referrer's server refuses it ({status})", status=answer.status_code))
    if len(said_there) > MOST_BYTES:
        raise ReferrerFails(said("the referrer's server says more than is read at once"))
    return bytes(said_there)


def _read(answer: bytes) -> Resource:
    try:
        page = json.loads(answer)
    except ValueError as error:
        raise ReferrerFails(said("the referrer's server does not say it in FHIR")) from error
    if not isinstance(page, dict) or page.get("resourceType") != "Bundle":
        raise ReferrerFails(said("the referrer's server does not say it in FHIR"))
    return page


def _person(resource: Resource) -> Person:
    names = resource.get("name")
    first = names[0] if isinstance(names, list) and names and isinstance(names[0], dict) else {}
    given = first.get("given")
    words = [*(str(g) for g in given)] if isinstance(given, list) else []
    return Person(str(resource.get("id", "")), " ".join(x for x in (*words, str(first.get("family", ""))) if x), str(resource.get("birthDate", "")))
