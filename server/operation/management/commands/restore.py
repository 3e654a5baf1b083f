"""Put a backup in the place of everything that the database holds: restore FILE --key SECRET_KEY_FILE --replace-everything."""

from pathlib import Path

from django.core.management.base import BaseCommand, CommandError

from operation.backup import BackupError, read


class Command(BaseCommand):
    help = __doc__
    requires_system_checks = ()  # it has to work when something else here does not

    def add_arguments(self, parser) -> None:
        parser.add_argument("file", type=Path)
        parser.add_argument("--key", type=Path, required=True, help="the file with the secret key")
        parser.add_argument("--replace-everything", action="store_true", help="say so: what is in the database now goes")

    def handle(self, *args, **options) -> None:
        if not options["replace_everything"]:
            raise CommandError("what is in the database goes: say --replace-everything")
        try:
            rows = read(options["file"], options["key"])
        except (BackupError, OSError) as error:
            raise CommandError(str(error)) from error
        self.stdout.write(f"{sum(rows.values())} rows of {len(rows)} tables are back")
