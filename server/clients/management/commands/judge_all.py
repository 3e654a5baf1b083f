"""Judge every client for today, so that opening one is instant."""

from django.core.management.base import BaseCommand

from clients.casework import due_tests_of, engine_of, verdicts_of
from clients.models import Client


class Command(BaseCommand):
    help = "Judge every client whose case has not been judged as of today."

    def handle(self, *args, **options):
        for client in Client.objects.all():
            engine = engine_of(client.latest())
            due_tests_of(client, engine)
            verdicts_of(client, engine)
