"""Every organisation with its id, which settings name it by."""

from typing import Any

from django.core.management.base import BaseCommand

from accounts.models import Organisation


class Command(BaseCommand):
    help = "id and name of every organisation"

    def handle(self, *args: Any, **options: Any) -> None:
        for house in Organisation.objects.order_by("name", "id"):
            self.stdout.write(f"{house.pk}  {house.name}")
