"""Write the whole database into one encrypted file: backup FILE --to PUBLIC_KEY, or --new-key FILE first."""

from pathlib import Path

from django.core.management.base import BaseCommand, CommandError

from operation.backup import BackupError, new_key, write


class Command(BaseCommand):
    help = __doc__
    requires_system_checks = ()  # it has to work when something else here does not

    def add_arguments(self, parser) -> None:
        parser.add_argument("file", nargs="?", type=Path, help="the backup; it must not be there yet")
        parser.add_argument("--to", help="the public key (age1…) that it is written for")
        parser.add_argument("--new-key", type=Path, metavar="FILE", help="make a pair: the secret key into FILE, the public one is printed")

    def handle(self, *args, **options) -> None:
        try:
            if options["new_key"]:
                self.stdout.write(new_key(options["new_key"]))
                return
            if not options["file"] or not options["to"]:
                raise CommandError("name a file and --to PUBLIC_KEY, or --new-key FILE")
            rows = write(options["file"], options["to"])
        except (BackupError, OSError) as error:
            raise CommandError(str(error)) from error
        self.stdout.write(f"{sum(rows.values())} rows of {len(rows)} tables")
