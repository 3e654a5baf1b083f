"""Judge every client for today, so that opening one is instant."""

from django.core.management.base import BaseCommand

from clients.casework import engine_of, judgement
from clients.models import Client


class Command(BaseCommand):
    help = "Judge every client whose case has not been judged as of today."

    def handle(self, *args, **options):
        for client in Client.objects.all():
            judgement(client, engine_of(client.latest()))
