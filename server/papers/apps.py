"""The papers of a client: hand-out, fridge sheet, letter, calendar, and the texts an organisation puts into them."""

from django.apps import AppConfig


class PapersConfig(AppConfig):
    name = "papers"
    default_auto_field = "django.db.models.BigAutoField"

    def ready(self) -> None:
        from jobs.models import Work
        from jobs.working import work_out_with
        from papers.batch import work_out

        work_out_with(Work.PAPERS, work_out)
