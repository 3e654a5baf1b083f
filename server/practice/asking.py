"""An invented case is worked out by a worker like every long answer; what it asks for is shown, the answers are kept back."""

from datetime import date
from enum import StrEnum
from typing import Any

from accounts.models import User
from amvel.answers.first_session import WholeSessionData, first_session_data
from amvel.answers.practice import WholeData, practice
from amvel.movements import MODEL_VERSION
from amvel.practice import exercise
from amvel.practice.first_session import first_session
from amvel.practice.invented import invented
from amvel.safety import RULEBOOK_VERSION
from clients.engines import today
from jobs.asking import Question, digest_of, worked_out
from jobs.models import Work
from jobs.of_a_house import Args, Told
from jobs.solved_bodies import shared


class Asks(StrEnum):
    """What a trainee is asked about one invented case."""

    CASE = "case"
    SESSION = "session"


def work_out(organisation_id: Any, day: date, args: Args, told: Told) -> Any:
    case = args["seed"], args["level"], day, args["about"]
    if args["asks"] == Asks.SESSION:
        engine = invented(*case)
        with shared(engine.profiler):
            return first_session_data(first_session(engine, args["seed"]))
    e = exercise(*case)
    with shared(e.engine.profiler):
        return practice(e)


def asked_of(user: User, seed: int, level: int, about: str) -> WholeData:
    """The whole exercise; raises NotYet while a worker is at it."""
    found: WholeData = _worked_out(user, seed, level, about, Asks.CASE)
    return found


def session_asked_of(user: User, seed: int, level: int, about: str) -> WholeSessionData:
    """The first session of the same case; raises NotYet while a worker is at it."""
    found: WholeSessionData = _worked_out(user, seed, level, about, Asks.SESSION)
    return found


def _worked_out(user: User, seed: int, level: int, about: str, asks: Asks) -> Any:
    args = {"seed": seed, "level": level, "about": about, "asks": asks.value}
    digest = digest_of(args, str(today()), RULEBOOK_VERSION, MODEL_VERSION)
    return worked_out(Question(Work.PRACTICE, user.organisation, digest, today(), args=args), user)
