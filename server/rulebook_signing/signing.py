"""Signing lines of the rule-book off, and what still wants a look."""

from dataclasses import replace
from typing import Any

from django.db import transaction

from accounts.models import Organisation, User
from amvel.languages import said
from amvel.safety.lines import Line, lines
from clients.casework import audit
from clients.engines import end_of, today
from rulebook_signing.in_force import local_values
from rulebook_signing.models import LineSignature


class LineChanged(Exception):
    """The line is not what was looked at any more; the message says which."""


class NoSuchLine(Exception):
    """There is no such line."""


def signed_lines(organisation: Organisation) -> list[tuple[Line, LineSignature | None]]:
    """Every line as it holds in this house, with the newest word on it; a word on other words or another number only where there is none on these."""
    words = LineSignature.objects.filter(organisation=organisation).order_by("owner", "number", "digest", "-at")
    on_these = {(s.owner, s.number, s.digest): s for s in words.distinct("owner", "number", "digest")}
    newest = {(s.owner, s.number): s for s in sorted(on_these.values(), key=lambda s: s.at)}
    return [(line, on_these.get((line.owner, line.number, line.digest)) or newest.get((line.owner, line.number))) for line in lines_here(organisation)]


def lines_here(organisation: Organisation) -> list[Line]:
    """The lines of the rule-book with the figures that are others in this house."""
    values = local_values(organisation.pk, end_of(today()))
    return [replace(x, value=values[x.owner, x.number]) if (x.owner, x.number) in values else x for x in lines()]


@transaction.atomic
def sign(user: User, owner: str, number: str, digest: str, word: dict[str, Any]) -> tuple[Line, LineSignature]:
    """Store one word on one line.  Raises NoSuchLine, and LineChanged when another version was looked at."""
    line = next((x for x in lines_here(user.organisation) if (x.owner, x.number) == (owner, number)), None)
    if line is None:
        raise NoSuchLine(f"{owner}.{number}")
    if line.digest != digest:
        raise LineChanged(said("{title}: '{says}' has changed since it was opened; look at it again", title=line.title, says=line.says))
    stored = LineSignature.objects.create(
        organisation=user.organisation, owner=owner, number=number, digest=digest, entered_by=user, **word
    )
    how = "agreed" if stored.agrees else "objected"
    audit(user, None, "rule-book line signed", f"{owner}.{number}: {how} by {stored.name}, {stored.profession}"[:300])
    return line, stored
