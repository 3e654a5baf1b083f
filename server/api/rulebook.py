"""The rule-book: its lines with who signed them, and figures that become others in this organisation."""

from typing import Annotated, Any, Self
from uuid import UUID

from django.http import Http404, HttpRequest
from django.utils import timezone
from ninja import Schema, Status
from pydantic import Field, StringConstraints, model_validator

from accounts.models import User
from accounts.roles import Action
from amvel.case.client import LEAST_NUMBER, MOST_NUMBER
from amvel.case.faults import fault
from amvel.languages import said
from amvel.planning.changed_numbers import MovedDuty
from amvel.planning.effects import MovedLimit
from amvel.safety.lines import Doubt, Line, line_of
from api.access import Needs
from api.problems import UNDER_WAY
from api.spoken import Router
from clients.casework import audit
from clients.models import Client
from rulebook_signing.caseload import Found, found_for
from rulebook_signing.changes import ask, roll_back, signed_lines_of_all, values_now, would_do
from rulebook_signing.changes import sign as signed
from rulebook_signing.models import ChangeStep, LineSignature, NumberChange, StepKind
from rulebook_signing.signing import NoSuchLine, sign, signed_lines

router = Router(tags=["rule-book"])


class WantedLine(Schema):
    """One number of one rule as it might be."""

    rule: str
    number: str
    value: float = Field(ge=LEAST_NUMBER, le=MOST_NUMBER)


class Draft(Schema):
    """Numbers changed on trial; nothing is stored."""

    lines: list[WantedLine] = Field(min_length=1, max_length=20)


class TouchedClient(Schema):
    id: str
    name: str
    limits: list[MovedLimit]
    duties: list[MovedDuty]
    looser: list[str]
    opens: list[str]
    closes: list[str]


class Unreadable(Schema):
    """A client whose case cannot be judged: look at the entry, the others were tried."""

    id: str
    name: str


class DryRun(Schema):
    clients: list[TouchedClient]
    untouched: int
    unreadable: list[Unreadable]


@router.post("/rulebook/dry-run", response={200: DryRun, **UNDER_WAY}, auth=Needs(Action.TRY_RULES))
def try_number(request: HttpRequest, body: Draft):
    """Which clients a new version would touch, and which steps would open or close for them."""
    values = {(x.rule, x.number): x.value for x in body.lines}
    if any(line is None or line.value is None for line in (line_of(*k) for k in values)):
        raise Http404
    found = found_for(request.user.organisation, values, request.user)
    audit(request.user, None, "rule-book tried", ", ".join(f"{r}.{n} = {v:g}" for (r, n), v in values.items()))
    return _told(request.user, found)


def _told(user: User, found: Found) -> dict[str, Any]:
    return _by_name(found, _names(user, [found]))


def _names(user: User, founds: list[Found]) -> dict[str, str]:
    """Of everybody in these, by id; who has been erased since has none."""
    ids = {i for found in founds for i in (*(c["id"] for c in found["clients"]), *found["unreadable"])}
    return {str(pk): name for pk, name in Client.objects.filter(organisation=user.organisation, pk__in=ids).values_list("pk", "name")}


def _by_name(found: Found, names: dict[str, str]) -> dict[str, Any]:
    touched = [{**c, "name": names[c["id"]]} for c in found["clients"] if c["id"] in names]
    unreadable = [{"id": i, "name": names[i]} for i in found["unreadable"] if i in names]
    return {**found, "clients": sorted(touched, key=lambda c: c["name"]), "unreadable": unreadable}


Words = Annotated[str, StringConstraints(strip_whitespace=True, min_length=2, max_length=80)]


class Word(Schema):
    """A clinician's word on one line; an objection says why."""

    rule: str
    agrees: bool
    remark: Annotated[str, StringConstraints(strip_whitespace=True, max_length=500)] = ""
    name: Words
    profession: Words

    @model_validator(mode="after")
    def _objection_says_why(self) -> Self:
        if not self.agrees and len(self.remark) < 5:
            raise fault(said("an objection says why"), "remark")
        return self


class Signing(Word):
    """A clinician's word on one line; `digest` says which version was looked at."""

    number: str = ""
    digest: str


class Signature(Schema):
    agrees: bool
    remark: str
    name: str
    profession: str
    on: str
    still_the_same: bool


class LineShown(Schema):
    """One line with the newest word on it; `doubt` is ours, practice or memory."""

    rule: str
    title: str
    number: str
    says: str
    unit: str
    doubt: Doubt
    check_by: str
    signature: Signature | None


class SignedLine(LineShown):
    """One line as it holds in this house."""

    value: float | None
    source: str
    work: str
    digest: str


class ChangedLine(LineShown):
    """One number of a change: what it was, and what it would be."""

    was: float
    value: float


class HouseChange(Schema):
    """Figures that somebody wants to be others here; `state` is none while it waits to be signed."""

    id: str
    lines: list[ChangedLine]
    reason: str
    asked_by: str
    own: bool
    on: str
    state: StepKind | None
    state_on: str | None
    state_by: str
    state_reason: str
    found: DryRun | None


class LocalLine(Schema):
    rule: str
    number: str
    value: float


class HouseChanges(Schema):
    """The newest first; `here` are the figures that are others in this house now."""

    changes: list[HouseChange]
    here: list[LocalLine]


Why = Annotated[str, StringConstraints(strip_whitespace=True, min_length=5, max_length=300)]


class WantedChange(Draft):
    reason: Why


class ChangeSigning(Word):
    """A clinician's word on one line of a change."""

    number: str


class RollBack(Schema):
    reason: Why


class Lines(Schema):
    lines: list[SignedLine]


@router.get("/rulebook/lines", response=Lines, auth=Needs(Action.READ_RULES))
def rulebook_lines(request: HttpRequest):
    """The rule-book line by line, with what clinicians of this organisation said of each."""
    return {"lines": [_line_data(line, s) for line, s in signed_lines(request.user.organisation)]}


@router.post("/rulebook/lines", response=SignedLine, auth=Needs(Action.SIGN_RULES))
def sign_line(request: HttpRequest, body: Signing):
    """Agree with a line, or object to it; stored for this organisation, never changed."""
    word = {"agrees": body.agrees, "remark": body.remark, "name": body.name, "profession": body.profession}
    try:
        return _line_data(*sign(request.user, body.rule, body.number, body.digest, word))
    except NoSuchLine as error:
        raise Http404 from error


def _signed(line: Line, signature: LineSignature) -> Signature:
    return Signature(
        agrees=signature.agrees,
        remark=signature.remark,
        name=signature.name,
        profession=signature.profession,
        on=timezone.localdate(signature.at).isoformat(),
        still_the_same=signature.digest == line.digest,
    )


def _line_data(line: Line, signature: LineSignature | None) -> dict[str, Any]:
    """As a mapping: its messages are said in the language of who asks before they become plain text."""
    return {
        **_shown(line, signature),
        "value": line.value,
        "source": line.source.told,
        "work": line.source.title,
        "digest": line.digest,
    }


def _shown(line: Line, signature: LineSignature | None) -> dict[str, Any]:
    return {
        "rule": line.owner,
        "title": line.title,
        "number": line.number,
        "says": line.says,
        "unit": line.unit,
        "doubt": line.doubt,
        "check_by": line.check_by.says,
        "signature": _signed(line, signature) if signature is not None else None,
    }


@router.get("/rulebook/changes", response=HouseChanges, auth=Needs(Action.READ_RULES))
def changes_here(request: HttpRequest):
    """What was asked for, signed, put in force and rolled back in this organisation."""
    found = NumberChange.objects.filter(organisation=request.user.organisation).select_related("asked_by").prefetch_related("steps__by")
    here = sorted(values_now(request.user.organisation).items())
    return {
        "changes": _change_data(request.user, *found.order_by("-at")[:_SHOWN]),
        "here": [{"rule": rule, "number": number, "value": value} for (rule, number), value in here],
    }


_SHOWN = 100


@router.post("/rulebook/changes", response={201: HouseChange}, auth=Needs(Action.TRY_RULES))
def ask_for_change(request: HttpRequest, body: WantedChange):
    """Ask for figures to be others here; nothing changes before every line is signed by somebody else."""
    made = ask(request.user, [(x.rule, x.number, x.value) for x in body.lines], body.reason)
    return Status(201, _change_data(request.user, made)[0])


@router.get("/rulebook/changes/{change_id}/effect", response={200: DryRun, **UNDER_WAY}, auth=Needs(Action.TRY_RULES))
def effect_of_change(request: HttpRequest, change_id: UUID):
    """What putting it in force would do to every client; where it is in force, what rolling it back would do."""
    return _told(request.user, would_do(_change(request.user, change_id), request.user))


@router.post("/rulebook/changes/{change_id}/signatures", response={200: HouseChange, **UNDER_WAY}, auth=Needs(Action.SIGN_RULES))
def sign_change(request: HttpRequest, change_id: UUID, body: ChangeSigning):
    """Agree with one line of a change, or object to it; with the last line agreed it is in force."""
    word = {"agrees": body.agrees, "remark": body.remark, "name": body.name, "profession": body.profession}
    return _change_data(request.user, signed(request.user, _change(request.user, change_id), body.rule, body.number, word))[0]


@router.post("/rulebook/changes/{change_id}/roll-back", response=HouseChange, auth=Needs(Action.SIGN_RULES))
def roll_change_back(request: HttpRequest, change_id: UUID, body: RollBack):
    """What was in force before it is in force again."""
    return _change_data(request.user, roll_back(request.user, _change(request.user, change_id), body.reason))[0]


def _change(user: User, change_id: UUID) -> NumberChange:
    found = NumberChange.objects.filter(organisation=user.organisation, pk=change_id).first()
    if found is None:
        raise Http404
    return found


def _change_data(user: User, *changes: NumberChange) -> list[dict[str, Any]]:
    """Changes of the own house; who was touched by one is shown to whoever may try it."""
    steps = [sorted(c.steps.all(), key=lambda s: s.at) for c in changes]
    founds = [next((s.found for s in of if s.found is not None and user.may(Action.TRY_RULES)), None) for of in steps]
    names = _names(user, [f for f in founds if f is not None])
    rows = zip(changes, signed_lines_of_all(changes), steps, founds, strict=True)
    return [
        {
            "id": str(change.pk),
            "lines": [{**_shown(s.line, s.signature), "was": s.was, "value": s.line.value} for s in lines],
            "reason": change.reason,
            "asked_by": change.asked_by.called,
            "own": change.asked_by_id == user.pk,
            "on": timezone.localdate(change.at).isoformat(),
            "found": None if found is None else _by_name(found, names),
            **_state(of[-1] if of else None),
        }
        for change, lines, of, found in rows
    ]


def _state(last: ChangeStep | None) -> dict[str, Any]:
    return {
        "state": last.kind if last else None,
        "state_on": timezone.localdate(last.at).isoformat() if last else None,
        "state_by": last.by.called if last else "",
        "state_reason": last.reason if last else "",
    }
