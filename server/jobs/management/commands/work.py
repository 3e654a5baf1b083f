"""Answer what waits, as a worker: work [--concurrency N] [--queues NAMES].  What answers need is read before the first is asked for."""

from importlib import import_module

from django.core.management import call_command
from django.core.management.base import BaseCommand

from amvel.warm_up import read_ahead

_READ_WHERE_USED = ("jobs.in_parts", "jobs.working", "papers.reminders")  # by jobs/tasks.py


def made_ready() -> None:
    """Read what answers need; seconds, that whoever asks first would wait for."""
    for name in _READ_WHERE_USED:
        import_module(name)
    read_ahead()


class Command(BaseCommand):
    help = __doc__
    requires_system_checks = ()  # they ask about pages, and a worker serves none

    def add_arguments(self, parser) -> None:
        parser.add_argument("--concurrency", default="1", help="questions at a time")
        parser.add_argument("--queues", help="only these, with commas between them")

    def handle(self, *args, **options) -> None:
        made_ready()
        queues = ["--queues", options["queues"]] if options["queues"] else []
        call_command("procrastinate", "worker", "--concurrency", options["concurrency"], *queues)
