"""An invented case is worked out by a worker like every long answer; what it asks for is shown, the answers are kept back."""

from datetime import date
from typing import Any

from accounts.models import User
from amvel.answers.practice import WholeData, practice
from amvel.movements import MODEL_VERSION
from amvel.practice import exercise
from amvel.safety import RULEBOOK_VERSION
from clients.engines import today
from jobs.asking import Question, digest_of, worked_out
from jobs.models import Work
from jobs.solved_bodies import shared
from jobs.working import Args, Told


def work_out(organisation_id: Any, day: date, args: Args, told: Told) -> Any:
    e = exercise(args["seed"], args["level"], day, args["about"])
    with shared(e.engine.profiler):
        return practice(e)


def asked_of(user: User, seed: int, level: int, about: str) -> WholeData:
    """The whole exercise; raises NotYet while a worker is at it."""
    args = {"seed": seed, "level": level, "about": about}
    digest = digest_of(args, str(today()), RULEBOOK_VERSION, MODEL_VERSION)
    found: WholeData = worked_out(Question(Work.PRACTICE, user.organisation, digest, today(), args=args), user)
    return found
