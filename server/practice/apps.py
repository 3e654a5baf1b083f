"""Practising on invented cases: what was asked, and how it went."""

from django.apps import AppConfig


class PracticeConfig(AppConfig):
    name = "practice"
    default_auto_field = "django.db.models.BigAutoField"

    def ready(self) -> None:
        from jobs.models import Work
        from jobs.working import work_out_with
        from practice.asking import work_out

        work_out_with(Work.PRACTICE, work_out)
