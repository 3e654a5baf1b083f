"""The rule-book in one house: who signed which line, and which figures are others there."""

from django.apps import AppConfig


class RulebookSigningConfig(AppConfig):
    name = "rulebook_signing"
    default_auto_field = "django.db.models.BigAutoField"

    def ready(self) -> None:
        from jobs.in_parts import put_together_with
        from jobs.models import Work
        from jobs.working import work_out_with
        from rulebook_signing.caseload import put_together, work_out_part

        work_out_with(Work.DRY_RUN_PART, work_out_part)
        put_together_with(Work.DRY_RUN, put_together)
