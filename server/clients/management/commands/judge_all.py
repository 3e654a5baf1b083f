"""Have every client judged before anybody asks: the workers do it when nobody waits for anything else."""

from django.core.management.base import BaseCommand

from clients.casework import make_ready
from clients.models import Client


class Command(BaseCommand):
    help = __doc__

    def handle(self, *args, **options):
        for client in Client.objects.select_related("organisation").order_by("visit_on", "visit_at", "created_at").iterator():
            make_ready(client)
