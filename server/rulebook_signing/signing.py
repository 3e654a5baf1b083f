"""Signing lines of the rule-book off, and what still wants a look."""

from typing import Any

from django.db import transaction

from accounts.models import Organisation, User
from amvel.languages import said
from amvel.safety.lines import Line, lines
from clients.casework import audit
from rulebook_signing.models import LineSignature


class LineChanged(Exception):
    """The line is not what was looked at any more; the message says which."""


class NoSuchLine(Exception):
    """There is no such line."""


def signed_lines(organisation: Organisation) -> list[tuple[Line, LineSignature | None]]:
    """Every line with the newest word on it; a signature on other words or another number is returned with them."""
    newest = LineSignature.objects.filter(organisation=organisation).order_by("owner", "number", "-at")
    by_line = {(s.owner, s.number): s for s in newest.distinct("owner", "number")}
    return [(line, by_line.get((line.owner, line.number))) for line in lines()]


@transaction.atomic
def sign(user: User, owner: str, number: str, digest: str, word: dict[str, Any]) -> tuple[Line, LineSignature]:
    """Store one word on one line.  Raises NoSuchLine, and LineChanged when another version was looked at."""
    line = next((x for x in lines() if (x.owner, x.number) == (owner, number)), None)
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
