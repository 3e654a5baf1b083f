"""The papers of a client: hand-out, fridge sheet, letter, calendar, and the texts an organisation puts into them."""

from typing import Any

from django.apps import AppConfig


class PapersConfig(AppConfig):
    name = "papers"
    default_auto_field = "django.db.models.BigAutoField"

    def ready(self) -> None:
        from jobs.models import Work
        from jobs.of_a_house import work_out_with

        work_out_with(Work.PAPERS, _work_out)


def _work_out(*asked: Any) -> Any:
    from papers.batch import work_out

    return work_out(*asked)
