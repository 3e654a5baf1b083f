"""Send the reminders that are due within the next hour; run it every few minutes."""

from datetime import datetime

from django.core.management.base import BaseCommand, CommandError
from django.utils import timezone

from papers.reminders import send_due


class Command(BaseCommand):
    help = __doc__

    def add_arguments(self, parser) -> None:
        parser.add_argument("--now", help="as if it were this moment, ISO 8601 with offset")

    def handle(self, *args, **options) -> None:
        try:
            now = datetime.fromisoformat(options["now"]) if options["now"] else timezone.now()
        except ValueError as error:
            raise CommandError(f"--now: {error}") from error
        if now.tzinfo is None:
            raise CommandError("--now: give the offset as well, such as +00:00")
        sent, left = send_due(now)
        self.stdout.write(f"{sent} sent")
        for line in left:
            self.stderr.write(line)
