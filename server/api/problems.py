"""Errors as problem details (RFC 9457), in one place."""

from django.http import Http404, HttpRequest, JsonResponse
from ninja import NinjaAPI, Schema
from ninja.errors import AuthenticationError, HttpError, ValidationError

from accounts.passwords import PasswordRefused
from accounts.second_factor import CodeRefused
from amvel.body import BodyError
from amvel.case import CaseError
from amvel.case.faults import faults_of
from amvel.formats import CalendarError
from amvel.languages import Message, said
from amvel.movements import UnknownMovement
from amvel.planning import ProgrammeBlocked
from amvel.planning.edit import EditRefused
from api.access import NotForThisRole
from clients.casework import Stale, Stopped
from clients.engines import case_data
from clients.said import NotYours
from config.problem import ProblemType, problem, what_it_says
from exchange.referrer import NoReferrer, ReferrerFails
from jobs.asking import Busy, NotYet, WorkFailed
from papers.batch import BatchGone
from papers.texts import TextRefused
from programmes.building import MovedMeanwhile, NotAllowed, StaleProgramme
from rulebook_signing.changes import ChangeRefused
from rulebook_signing.signing import LineChanged
from visits.deciding import NotProposed


class Fault(Schema):
    """One field and what is wrong with it."""

    path: str
    reason: str


class Problem(Schema):
    """Problem details."""

    type: ProblemType = ProblemType.PLAIN
    title: str
    status: int
    detail: str = ""
    faults: list[Fault] = []


class Done(Schema):
    """It is done, and there is nothing more to say."""

    done: bool = True


class UnderWay(Schema):
    """Not an answer yet: a worker is at it. The same request is sent again after `again_in_s`."""

    share: float
    again_in_s: int


UNDER_WAY = {202: UnderWay}
REFUSALS = (400, 401, 403, 404, 409, 422, 429, 503)  # with which anything that is asked can be answered


def _changed(detail: str | Message, **more: object) -> JsonResponse:
    return problem(409, said("Changed in between"), detail, (), ProblemType.CHANGED, **more)


def _as_sent(places: tuple[str | int, ...]) -> tuple[str | int, ...]:
    """Without what ninja puts before a place: the part of the request and, of a body, the name that our function has for it."""
    return places[2:] if places[0] == "body" else places[1:]


def install(api: NinjaAPI) -> None:
    """Register every handler."""

    @api.exception_handler(CaseError)
    def refused(request: HttpRequest, error: CaseError):
        return problem(422, said("The case is refused"), faults=error.faults)

    @api.exception_handler(ValidationError)
    def invalid(request: HttpRequest, error: ValidationError):
        found = faults_of({**e, "loc": _as_sent(e["loc"])} for e in error.errors)
        return problem(422, said("The request is refused"), faults=found)

    @api.exception_handler(NotForThisRole)
    def not_for_this_role(request: HttpRequest, error: NotForThisRole):
        return problem(403, said("Not for this role"), what_it_says(error))

    @api.exception_handler(PasswordRefused)
    def password_refused(request: HttpRequest, error: PasswordRefused):
        return problem(422, said("The password is refused"), what_it_says(error))

    @api.exception_handler(CodeRefused)
    def code_refused(request: HttpRequest, error: CodeRefused):
        return problem(401 if request.user.is_anonymous else 422, said("The code is refused"), what_it_says(error))

    @api.exception_handler(NotYet)
    def under_way(request: HttpRequest, error: NotYet):
        return JsonResponse({"share": error.share, "again_in_s": error.again_in_s}, status=202)

    @api.exception_handler(WorkFailed)
    def failed(request: HttpRequest, error: WorkFailed):
        return problem(503, said("Could not be worked out"), what_it_says(error))

    @api.exception_handler(Busy)
    def busy(request: HttpRequest, error: Busy):
        answer = problem(503, said("Too much at once"), what_it_says(error))
        answer.headers["Retry-After"] = str(error.again_in_s)
        return answer

    @api.exception_handler(ReferrerFails)
    def referrer_fails(request: HttpRequest, error: ReferrerFails):
        answer = problem(503, said("The referrer's server"), what_it_says(error))
        answer.headers["Retry-After"] = str(error.again_in_s)
        return answer

    @api.exception_handler(NoReferrer)
    def no_referrer(request: HttpRequest, error: NoReferrer):
        return problem(404, said("The referrer's server"), what_it_says(error))

    @api.exception_handler(NotYours)
    def not_yours(request: HttpRequest, error: NotYours):
        return problem(403, said("Somebody else does this"), what_it_says(error))

    @api.exception_handler(Stale)
    def stale(request: HttpRequest, error: Stale):
        return _changed(what_it_says(error), current={"revision": error.current.number, "case": case_data(error.current)})

    @api.exception_handler(ProgrammeBlocked)
    def blocked(request: HttpRequest, error: ProgrammeBlocked):
        return problem(409, said("A stop sign stands"), what_it_says(error))

    @api.exception_handler(Stopped)
    def stopped(request: HttpRequest, error: Stopped):
        return problem(409, said("A stop sign stands: nothing is tested"), what_it_says(error))

    @api.exception_handler(BatchGone)
    def batch_gone(request: HttpRequest, error: BatchGone):
        return _changed(what_it_says(error))

    @api.exception_handler(NotAllowed)
    def not_allowed(request: HttpRequest, error: NotAllowed):
        return problem(409, said("Not allowed for this client"), what_it_says(error))

    @api.exception_handler(EditRefused)
    def edit_refused(request: HttpRequest, error: EditRefused):
        return problem(409, said("Not possible for this client"), what_it_says(error))

    @api.exception_handler(NotProposed)
    def not_proposed(request: HttpRequest, error: NotProposed):
        return _changed(what_it_says(error))

    @api.exception_handler(StaleProgramme)
    def stale_programme(request: HttpRequest, error: StaleProgramme):
        return _changed(what_it_says(error), current={"number": error.current.number, "answer": error.current.answer})

    @api.exception_handler(MovedMeanwhile)
    def moved_meanwhile(request: HttpRequest, error: MovedMeanwhile):
        return _changed(error.says(), current={"revision": error.revision.number, "number": error.number})

    @api.exception_handler(LineChanged)
    def line_changed(request: HttpRequest, error: LineChanged):
        return _changed(what_it_says(error))

    @api.exception_handler(ChangeRefused)
    def change_refused(request: HttpRequest, error: ChangeRefused):
        return problem(409, said("Not possible as it stands"), what_it_says(error))

    @api.exception_handler(CalendarError)
    def no_calendar(request: HttpRequest, error: CalendarError):
        return problem(422, said("The request is refused"), what_it_says(error))

    @api.exception_handler(TextRefused)
    def text_refused(request: HttpRequest, error: TextRefused):
        return problem(422, said("The text is refused"), what_it_says(error))

    @api.exception_handler(UnknownMovement)
    def unknown(request: HttpRequest, error: UnknownMovement):
        return problem(404, said("No such movement"), what_it_says(error))

    @api.exception_handler(BodyError)
    def body(request: HttpRequest, error: BodyError):
        return problem(422, said("The body lies outside the tables"), what_it_says(error))

    @api.exception_handler(Http404)
    def missing(request: HttpRequest, error: Http404):
        return problem(404, said("Not found"), said("there is no such thing in this organisation"))

    @api.exception_handler(AuthenticationError)
    def anonymous(request: HttpRequest, error: AuthenticationError):
        return problem(401, said("Not logged in"), said("log in first"))

    @api.exception_handler(HttpError)
    def other(request: HttpRequest, error: HttpError):
        return problem(error.status_code, said("Refused"), what_it_says(error))
