"""Write all clients of an organisation into one archive: export_organisation NAME FILE."""

from pathlib import Path

from django.core.management.base import BaseCommand, CommandError

from accounts.models import Organisation
from exchange.organisation_file import write


class Command(BaseCommand):
    help = __doc__

    def add_arguments(self, parser) -> None:
        parser.add_argument("name", help="the organisation, as it is called")
        parser.add_argument("file", type=Path, help="the archive; it must not be there yet")

    def handle(self, *args, **options) -> None:
        found = Organisation.objects.filter(name=options["name"])
        if len(found) != 1:
            raise CommandError(f"name: {len(found)} organisations are called '{options['name']}'")
        try:
            count = write(found[0], options["file"])
        except OSError as error:
            raise CommandError(f"file: {error}") from error
        self.stdout.write(f"{count} clients")
