"""A figure of the rule-book becomes another in one house: asked for, tried on every client, signed line by line, rolled back.

Whoever asks does not sign.  What a source says may be made stricter here, never weaker.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

from django.db import transaction
from django.http import Http404

from accounts.models import Organisation, User
from amvel.case import CaseError
from amvel.case.client import LEAST_NUMBER, MOST_NUMBER
from amvel.languages import said
from amvel.planning.changed_numbers import asks_less_than_its_source
from amvel.safety.lines import Doubt, Line, line_of
from clients.casework import audit
from clients.engines import end_of, today
from clients.models import Client
from clients.said import NotYours
from rulebook_signing.caseload import Found, found_for
from rulebook_signing.in_force import Values, local_values
from rulebook_signing.models import ChangeStep, LineSignature, NumberChange, StepKind

Wanted = tuple[str, str, float]  # rule, number, value


class ChangeRefused(Exception):
    """This cannot be done with the change as it stands; the message says why."""


@dataclass(frozen=True)
class Signed:
    """One line of a change as it would read, with the newest word on exactly that."""

    line: Line
    was: float
    signature: LineSignature | None


def ask(user: User, wanted: list[Wanted], reason: str) -> NumberChange:
    """Keep what is wanted, for somebody else to sign; raises Http404 for a line that is none, CaseError naming the field."""
    now = values_now(user.organisation)
    lines, faults = [], []
    for i, (rule, number, value) in enumerate(wanted):
        line = line_of(rule, number)
        if line is None or line.value is None:
            raise Http404
        was = now.get((rule, number), line.value)
        why = _not_possible(was, value) or asks_less_than_its_source(rule, number, value)
        faults += [(f"$.lines[{i}].value", why)] if why else []
        lines.append({"rule": rule, "number": number, "value": value, "was": was})
    if len({(x["rule"], x["number"]) for x in lines}) < len(lines):
        faults.append(("$.lines", said("the same number twice")))
    if faults:
        raise CaseError(faults)
    change = NumberChange.objects.create(organisation=user.organisation, lines=lines, reason=reason, asked_by=user)
    audit(user, None, "rule-book change asked for", _in_short(change))
    return change


def _not_possible(was: float, value: float) -> str:
    if not LEAST_NUMBER <= value <= MOST_NUMBER:
        return said("lies outside {least} to {most}", least=LEAST_NUMBER, most=MOST_NUMBER)
    return said("is what it is already") if value == was else ""


def values_now(organisation: Organisation) -> Values:
    return local_values(organisation.pk, end_of(today()))


def state_of(change: NumberChange) -> StepKind | None:
    """What became of it last; None while it waits to be signed."""
    steps = sorted(change.steps.all(), key=lambda s: s.at)
    return StepKind(steps[-1].kind) if steps else None


def signed_lines_of(change: NumberChange) -> list[Signed]:
    """Its lines as they would read; a line that the rule-book does not have any more is left out."""
    return signed_lines_of_all([change])[0]


def signed_lines_of_all(changes: Sequence[NumberChange]) -> list[list[Signed]]:
    """The same of many changes of one house, in their order."""
    read = [[(_as_it_would_read(x), x["was"]) for x in c.lines] for c in changes]
    lines = [[(line, was) for line, was in one if line is not None] for one in read]
    digests = {line.digest for one in lines for line, _ in one}
    words = list(LineSignature.objects.filter(organisation__in={c.organisation_id for c in changes}, digest__in=digests).order_by("at"))
    return [[Signed(line, was, _newest(words, line, c)) for line, was in one] for c, one in zip(changes, lines, strict=True)]


def _as_it_would_read(wanted: dict[str, Any]) -> Line | None:
    line = line_of(wanted["rule"], wanted["number"])
    return None if line is None else replace(line, value=wanted["value"])


def _newest(words: list[LineSignature], line: Line, change: NumberChange) -> LineSignature | None:
    """The last of these words on exactly this line, said since the change was asked for."""
    on_it = [w for w in words if (w.owner, w.number, w.digest) == (line.owner, line.number, line.digest) and w.at >= change.at]
    return on_it[-1] if on_it else None


def would_do(change: NumberChange, user: User) -> Found:
    """What putting it in force would do to each client, or rolling it back where it is in force; raises NotYet."""
    return found_for(change.organisation, _values_of(change), user)


def _values_of(change: NumberChange) -> Values:
    if state_of(change) != StepKind.IN_FORCE:
        return {(x["rule"], x["number"]): x["value"] for x in change.lines}
    without = local_values(change.organisation_id, end_of(today()), without=change.pk)
    return {k: v for k in ((x["rule"], x["number"]) for x in change.lines) if (v := without.get(k, _of_the_book(*k))) is not None}


def _of_the_book(rule: str, number: str) -> float | None:
    line = line_of(rule, number)
    return None if line is None else line.value


def sign(user: User, change: NumberChange, rule: str, number: str, word: dict[str, Any]) -> NumberChange:
    """One word on one line of a change; with the last line agreed it is in force, with an objection it is declined.

    Raises NotYet until it is known what it does to every client, NotYours for whoever asked, ChangeRefused, Http404.
    """
    line = next((s for s in signed_lines_of(change) if (s.line.owner, s.line.number) == (rule, number)), None)
    if line is None:
        raise Http404
    if change.asked_by_id == user.pk:
        raise NotYours(said("whoever asks for a change does not sign it: a second person does"))
    found = would_do(change, user)
    if word["agrees"]:
        _refuse_what_asks_less(user, change)
    with transaction.atomic():
        NumberChange.objects.select_for_update().get(pk=change.pk)
        if change.steps.exists():
            raise ChangeRefused(said("this change does not wait to be signed any more"))
        LineSignature.objects.create(organisation=change.organisation, owner=rule, number=number, digest=line.line.digest, entered_by=user, **word)
        audit(user, None, "rule-book change signed", f"{rule}.{number} = {line.line.value:g}: {'agreed' if word['agrees'] else 'objected'} by {word['name']}"[:300])
        if not word["agrees"]:
            _step(user, change, StepKind.DECLINED, word["remark"])
        elif all(s.signature is not None and s.signature.agrees for s in signed_lines_of(change)):
            _step(user, change, StepKind.IN_FORCE, "", found)
    return NumberChange.objects.get(pk=change.pk)


def _refuse_what_asks_less(user: User, change: NumberChange) -> None:
    """What only the clients show: a source's own figure that would ask less of one of them.  What is our own beside it does not count."""
    quoted = [s.line for s in signed_lines_of(change) if s.line.doubt is Doubt.MEMORY and s.line.value != _of_the_book(s.line.owner, s.line.number)]
    if not quoted:
        return
    found = found_for(change.organisation, {(x.owner, x.number): x.value for x in quoted if x.value is not None}, user)
    if any(c["looser"] for c in found["clients"]):
        raise ChangeRefused(said("{title}: a house may ask more than {work} says, not less", title=quoted[0].title, work=quoted[0].source.title))


def roll_back(user: User, change: NumberChange, reason: str) -> NumberChange:
    """What was before it holds again; raises ChangeRefused for what is not in force."""
    with transaction.atomic():
        NumberChange.objects.select_for_update().get(pk=change.pk)
        if state_of(change) != StepKind.IN_FORCE:
            raise ChangeRefused(said("this change is not in force"))
        _step(user, change, StepKind.ROLLED_BACK, reason)
    return NumberChange.objects.get(pk=change.pk)


def _step(user: User, change: NumberChange, kind: StepKind, reason: str, found: Found | None = None) -> None:
    ChangeStep.objects.create(change=change, kind=kind, reason=reason[:300], found=found, by=user)
    if kind != StepKind.DECLINED:  # what Day says of everybody is read under the new figures
        Client.objects.filter(organisation=change.organisation_id).update(summed_up_on=None)
    audit(user, None, f"rule-book change {kind.replace('_', ' ')}", _in_short(change))


def _in_short(change: NumberChange) -> str:
    return ", ".join(f"{x['rule']}.{x['number']} {x['was']:g} to {x['value']:g}" for x in change.lines)[:300]


__all__ = ["ChangeRefused", "Signed", "ask", "roll_back", "sign", "signed_lines_of", "signed_lines_of_all", "state_of", "values_now", "would_do"]
