"""The rule-book: what it says, and what a changed number would do to the clients of this organisation."""

from typing import Annotated, Any

from django.db.models import Count, Max
from django.http import Http404, HttpRequest
from ninja import Schema
from pydantic import Field, StringConstraints, model_validator

from accounts.roles import Action
from amvel.languages import said
from amvel.movements import MODEL_VERSION
from amvel.planning.effects import MovedLimit
from amvel.safety import RULEBOOK_VERSION, rulebook
from amvel.safety.lines import Doubt, Line
from amvel.screening.standards import standards
from api.access import Needs
from api.problems import PROBLEMS, UNDER_WAY
from api.spoken import Router
from clients.casework import audit
from clients.engines import today
from clients.models import CaseRevision
from jobs.asking import Question, digest_of, worked_out
from jobs.models import Work
from rulebook_signing.models import LineSignature
from rulebook_signing.signing import NoSuchLine, sign, signed_lines

router = Router(tags=["rule-book"])


class Draft(Schema):
    """One number of one rule, changed on trial; nothing is stored."""

    rule: str
    number: str
    value: float = Field(ge=-1000, le=10000)


class TouchedClient(Schema):
    id: str
    name: str
    limits: list[MovedLimit]
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


@router.post("/rulebook/dry-run", response={200: DryRun, **UNDER_WAY, **PROBLEMS}, auth=Needs(Action.TRY_RULES))
def try_number(request: HttpRequest, body: Draft):
    """Which clients a new version would touch, and which steps would open or close for them."""
    owner = rulebook().get(body.rule) or standards().get(body.rule)
    if owner is None or body.number not in {n.id for n in owner.numbers}:
        raise Http404
    house, args = request.user.organisation, {"rule": body.rule, "number": body.number, "value": body.value}
    # Revisions are only ever added: how many there are and which is the newest says that nobody was changed.
    seen = CaseRevision.objects.filter(client__organisation=house).aggregate(n=Count("pk"), newest=Max("created_at"))
    digest = digest_of(RULEBOOK_VERSION, MODEL_VERSION, today(), seen, args)
    found = worked_out(Question(Work.DRY_RUN, house, digest, today(), args=args), request.user)
    audit(request.user, None, "rule-book tried", f"{body.rule}.{body.number} = {body.value:g}")
    return found


Words = Annotated[str, StringConstraints(strip_whitespace=True, min_length=2, max_length=80)]


class Signing(Schema):
    """A clinician's word on one line; `digest` says which version was looked at."""

    rule: str
    number: str = ""
    digest: str
    agrees: bool
    remark: Annotated[str, StringConstraints(strip_whitespace=True, max_length=500)] = ""
    name: Words
    profession: Words

    @model_validator(mode="after")
    def _objection_says_why(self) -> "Signing":
        if not self.agrees and len(self.remark) < 5:
            raise ValueError(said("remark: an objection says why"))
        return self


class Signature(Schema):
    agrees: bool
    remark: str
    name: str
    profession: str
    on: str
    still_the_same: bool


class SignedLine(Schema):
    """One line; `doubt` is ours, practice or memory."""

    rule: str
    title: str
    number: str
    says: str
    value: float | None
    unit: str
    source: str
    work: str
    doubt: Doubt
    check_by: str
    digest: str
    signature: Signature | None


class Lines(Schema):
    lines: list[SignedLine]


@router.get("/rulebook/lines", response={200: Lines, **PROBLEMS}, auth=Needs(Action.READ_RULES))
def rulebook_lines(request: HttpRequest):
    """The rule-book line by line, with what clinicians of this organisation said of each."""
    return {"lines": [_line_data(line, s) for line, s in signed_lines(request.user.organisation)]}


@router.post("/rulebook/lines", response={200: SignedLine, **PROBLEMS}, auth=Needs(Action.SIGN_RULES))
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
        on=signature.at.date().isoformat(),
        still_the_same=signature.digest == line.digest,
    )


def _line_data(line: Line, signature: LineSignature | None) -> dict[str, Any]:
    """As a mapping: its messages are said in the language of who asks before they become plain text."""
    return {
        "rule": line.owner,
        "title": line.title,
        "number": line.number,
        "says": line.says,
        "value": line.value,
        "unit": line.unit,
        "source": line.source.told,
        "work": line.source.title,
        "doubt": line.doubt,
        "check_by": line.check_by,
        "digest": line.digest,
        "signature": _signed(line, signature) if signature is not None else None,
    }
