"""Practising on invented cases: what was asked, and how it went."""

from typing import Any

from django.apps import AppConfig


class PracticeConfig(AppConfig):
    name = "practice"
    default_auto_field = "django.db.models.BigAutoField"

    def ready(self) -> None:
        from jobs.models import Work
        from jobs.of_a_house import work_out_with

        work_out_with(Work.PRACTICE, _work_out)


def _work_out(*asked: Any) -> Any:
    from practice.asking import work_out

    return work_out(*asked)
