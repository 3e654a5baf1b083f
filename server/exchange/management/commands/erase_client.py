"""Take a client's records away for good: erase_client ID [--reason WHY].  Runs as the owner of the database."""

from uuid import UUID

from django.core.management.base import BaseCommand, CommandError
from django.db import ProgrammingError

from clients.models import Client
from exchange.erasing import StillKept, erase


class Command(BaseCommand):
    help = __doc__

    def add_arguments(self, parser) -> None:
        parser.add_argument("id", type=UUID, help="the client's id, as in the address of its pages")
        parser.add_argument("--reason", default="", help="why it is erased before its time; local law prevails")

    def handle(self, *args, **options) -> None:
        client = Client.objects.filter(pk=options["id"]).first()
        if client is None:
            raise CommandError(f"id: there is no client {options['id']}")
        try:
            erase(client, options["reason"].strip())
        except StillKept as error:
            raise CommandError(f"id: {error}") from error
        except ProgrammingError as error:
            raise CommandError("only the owner of the database erases: AMVEL_DB_USER=amvel_owner") from error
        self.stdout.write("erased")
