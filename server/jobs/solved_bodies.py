"""What one worker has solved for a body, every other takes over: after a restart, on another machine, on another morning."""

from collections.abc import Iterator
from contextlib import contextmanager

import structlog
from django.utils import timezone

from amvel.movements import Profiler
from amvel.movements.shelf import ShelfError
from jobs.models import SolvedBody

log = structlog.get_logger(__name__)
WORTH_KEEPING = 20  # newly solved profiles; fewer are solved again in less time than it takes to write them


@contextmanager
def shared(profiler: Profiler) -> Iterator[None]:
    """Take over what is known of this body, and keep what was solved meanwhile."""
    take_over(profiler)
    yield
    keep_solved(profiler)


def keep_solved(profiler: Profiler) -> None:
    """Write down what was solved of a body here, where that is worth it; for a whole library this takes half a second to a whole one."""
    if profiler.solved >= WORTH_KEEPING:
        today = timezone.localdate()
        SolvedBody.objects.update_or_create(digest=profiler.digest(), defaults={"profiles": profiler.pack(), "used_on": today})


def take_over(profiler: Profiler) -> None:
    """What is known of this body, unless this process knows something itself."""
    if not profiler.is_fresh:
        return
    kept = SolvedBody.objects.filter(digest=profiler.digest()).first()
    if kept is None:
        return
    try:
        profiler.take_over(bytes(kept.profiles))
    except ShelfError:
        log.exception("what was kept of a body cannot be read: it is solved anew")
        kept.delete()
        return
    if kept.used_on != timezone.localdate():
        SolvedBody.objects.filter(pk=kept.pk).update(used_on=timezone.localdate())
