"""Long answers in a process of their own, so that nobody who pages or slides meanwhile waits for them.

A library takes half a minute to judge.  In the process that serves pages it would share one interpreter with every
other request; here each kind of long answer has a lane, one process that answers one question after the other and
gives way to everything else on the machine.
"""

import logging
import multiprocessing
import os
from collections import Counter, OrderedDict
from collections.abc import Callable, Iterator
from concurrent.futures import ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from contextlib import contextmanager
from contextvars import ContextVar
from threading import Lock, Thread
from typing import Any, TypeVar

from django.conf import settings

from amvel.case import Case
from amvel.engine import Engine, case_digest

T = TypeVar("T")
log = logging.getLogger(__name__)
JUDGING, TESTING, SEEKING, STANDING = "judging", "testing", "seeking", "standing"
_NICE = {
    JUDGING: 10,
    TESTING: 10,
    SEEKING: 5,
    STANDING: 2,
}  # the last two are for a step that somebody looks at
_MOST_ENGINES = 6


class _Lane:
    """One process and what waits for it."""

    def __init__(self, nice: int) -> None:
        context = multiprocessing.get_context("spawn")
        self.share = context.Value("d", 0.0)
        self.waiting: list[str] = []
        self.pool = ProcessPoolExecutor(1, context, initializer=_begin, initargs=(self.share, nice))

    def ask(self, fn: Callable[..., T], case: Case, args: tuple[Any, ...]) -> T:
        digest = case_digest(_without_past(case))
        self.waiting.append(digest)
        try:
            return self.pool.submit(_answer, fn, case, args).result()
        finally:
            self.waiting.remove(digest)


class Busy(Exception):
    """Too many long answers are waited for: come again in a few seconds, so that everybody else is served meanwhile."""

    again_in_s = 5

    def __init__(self) -> None:
        super().__init__(f"more is being worked out than fits at once: try again in {self.again_in_s} s")


# Whoever waits holds a thread of the process that serves pages: never so many that nobody is left to serve.
AT_ONCE, AT_ONCE_FOR_ONE = 5, 3
asker: ContextVar[str] = ContextVar("asker", default="")  # whoever is logged in, set with every request
_waiting: Counter[str] = Counter()
_counting = Lock()


@contextmanager
def _a_place() -> Iterator[None]:
    who = asker.get()
    with _counting:
        if _waiting.total() >= AT_ONCE or _waiting[who] >= AT_ONCE_FOR_ONE:
            raise Busy
        _waiting[who] += 1
    try:
        yield
    finally:
        with _counting:
            _waiting[who] -= 1


_lanes: dict[str, _Lane] = {}
_opening = Lock()


def _lane(name: str) -> _Lane:
    with _opening:
        if name not in _lanes:
            _lanes[name] = _Lane(_NICE[name])
        return _lanes[name]


def ask(fn: Callable[..., T], engine: Engine, *args: Any, lane: str = JUDGING) -> T:
    """`fn(engine, *args)`, worked out apart where the settings say so; `fn`, what it takes and gives have to be picklable.

    Raises Busy when as many are waited for as may be.
    """
    if not settings.LONG_ANSWERS_APART:
        return fn(engine, *args)
    with _a_place():
        return _asked(_lane(lane), lane, fn, engine, args)


def _asked(chosen: _Lane, lane: str, fn: Callable[..., T], engine: Engine, args: tuple[Any, ...]) -> T:
    try:
        return chosen.ask(fn, engine.case, args)
    except BrokenProcessPool:
        # Ended from outside, by a lack of memory as a rule: the answer is made here, and the next one apart again.
        log.warning("the %s lane has ended while it worked out %s", lane, fn.__name__)
        with _opening:
            if _lanes.get(lane) is chosen:
                del _lanes[lane]
        return fn(engine, *args)


def solved_share(engine: Engine) -> float:
    """How much of the library is solved for what is being built for this client, 0 to 1."""
    if not settings.LONG_ANSWERS_APART:
        return engine.solved_share()
    lane = _lane(JUDGING)
    mine = lane.waiting[:1] == [case_digest(_without_past(engine.case))]
    return float(lane.share.value) if mine else 0.0


def make_ready(*lanes: str) -> None:
    """Start these lanes now, so that the first question does not wait for it."""
    if settings.LONG_ANSWERS_APART:
        for name in lanes:
            _lane(name).pool.submit(_settle_in)


def stop() -> None:
    """End the processes; for the server's own end."""
    for process in multiprocessing.active_children():
        process.terminate()


def _without_past(case: Case) -> Case:
    """No verdict depends on what was done before, so that such cases share an engine."""
    return case.model_copy(update={"previous_steps": ()})


# From here on: in the lane's own process.
_engines: "OrderedDict[str, Engine]" = OrderedDict()
_share: Any = None


def _begin(share: Any, nice: int) -> None:
    global _share
    _share = share
    os.nice(nice)
    Thread(target=_end_with_parent, daemon=True).start()


def _end_with_parent() -> None:
    parent = multiprocessing.parent_process()
    if parent is not None:
        parent.join()
    os._exit(0)


def _settle_in() -> None:
    """Whoever runs this has started and has the core at hand."""


def _tell(share: float) -> None:
    _share.value = share


def _answer(fn: Callable[..., T], case: Case, args: tuple[Any, ...]) -> T:
    base = _without_past(case)
    digest = case_digest(base)
    engine = _engines.setdefault(digest, Engine(base, told=_tell))
    _engines.move_to_end(digest)
    while len(_engines) > _MOST_ENGINES:
        _engines.popitem(last=False)
    _tell(1.0 if engine.is_judged else 0.0)
    return fn(engine.after(case.previous_steps) if case.previous_steps else engine, *args)
