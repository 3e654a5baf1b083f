"""Working out a long answer, wherever that is: in a worker, or at once where there is none."""

from collections.abc import Callable
from datetime import date
from typing import Any

from django.utils import timezone

from amvel import answers
from amvel.answers.programmes import item_from
from amvel.answers.run_sheet import run_sheet
from amvel.engine import Engine
from amvel.planning import plan, swaps
from amvel.planning.effects import effects
from amvel.planning.next_test import next_tests
from amvel.planning.swaps import chosen_by_hand
from amvel.planning.whatif import what_if_now
from clients.engines import engine_of
from clients.models import CaseRevision
from jobs.models import LongAnswer, Work
from jobs.of_a_house import WORKED_OUT_WITH, Args, Told
from jobs.solved_bodies import keep_solved, take_over


def answered(row: LongAnswer, told: Told = lambda share: None) -> Any:
    """The answer to a question as plain data; nothing is stored."""
    work, asked = Work(row.work), row.asked
    if work in WORKED_OUT_WITH:
        return WORKED_OUT_WITH[work](row.organisation_id, date.fromisoformat(asked["day"]), asked["args"], told)
    engine = _engine_for(row)
    engine.told = told
    if asked["previous_steps"]:
        engine = engine.after(tuple(asked["previous_steps"]))
    take_over(engine.profiler)
    return _OF_A_CASE[work](engine, asked["args"])


def _engine_for(row: LongAnswer) -> Engine:
    """The engine of a question about one client; the same when it is asked for again."""
    revision = CaseRevision.objects.get(pk=row.asked["case"], client__organisation_id=row.organisation_id)
    return engine_of(revision, date.fromisoformat(row.asked["day"]))


def keep_what_was_solved(row: LongAnswer) -> None:
    """For other processes; nobody who asks waits for it: the answer is kept before."""
    if Work(row.work) not in WORKED_OUT_WITH:
        keep_solved(_engine_for(row).profiler)


def keep(row: LongAnswer, answer: Any) -> None:
    now = timezone.now()
    LongAnswer.objects.filter(pk=row.pk).update(answer=answer, share=1.0, done_at=now, failed="")


def _plan(engine: Engine, args: Args) -> Any:
    locked, barred = tuple(args["locked"]), tuple(args["barred"])
    return answers.programme_data(plan(engine, args["context"], args["minutes"], locked, barred), engine)


def _swaps(engine: Engine, args: Args) -> Any:
    found = swaps(engine, args["context"], args["ref"], tuple(args["in_use"]))
    return [{"ref": ref, "score": score, "why": why} for ref, score, why in found]


def _chosen(engine: Engine, args: Args) -> Any:
    found = chosen_by_hand(engine, args["context"], args["ref"])
    return {"refused": found} if isinstance(found, str) else {"item": answers.item_data(found)}


def _what_if(engine: Engine, args: Args) -> Any:
    found = what_if_now(engine, args["context"], tuple(args["in_use"]), args["only"])
    return [
        {"id": w.id, "says": w.says, "comes": list(w.comes), "goes": list(w.goes), "worth": w.worth, "minutes": w.minutes}
        for w in found
    ]


def _run_sheet(engine: Engine, args: Args) -> Any:
    items = [item_from(m) for m in args["movements"]]
    return run_sheet(engine, items, args["context"], args["session"], args["covered_by"])


_OF_A_CASE: dict[Work, Callable[[Engine, Args], Any]] = {
    Work.VERDICTS: lambda engine, args: answers.verdicts(engine),
    Work.DUE_TESTS: lambda engine, args: next_tests(engine),
    Work.EFFECTS: lambda engine, args: effects(engine),
    Work.PLAN: _plan,
    Work.SWAPS: _swaps,
    Work.CHOSEN: _chosen,
    Work.WHAT_IF: _what_if,
    Work.RUN_SHEET: _run_sheet,
    Work.PROGRESS: lambda engine, args: answers.progress(engine, args["context"]),
}
