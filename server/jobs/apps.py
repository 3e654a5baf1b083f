"""The jobs of the application."""

from django.apps import AppConfig

from amvel.collecting import collect_seldom


class JobsConfig(AppConfig):
    name = "jobs"

    def ready(self) -> None:
        collect_seldom()
