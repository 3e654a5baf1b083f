"""The rule-book in one house: who signed which line, and which figures are others there."""

from typing import Any

from django.apps import AppConfig


class RulebookSigningConfig(AppConfig):
    name = "rulebook_signing"
    default_auto_field = "django.db.models.BigAutoField"

    def ready(self) -> None:
        from jobs.models import Work
        from jobs.of_a_house import put_together_with, work_out_with

        work_out_with(Work.DRY_RUN_PART, _work_out_part)
        put_together_with(Work.DRY_RUN, _put_together)


def _work_out_part(*asked: Any) -> Any:
    from rulebook_signing.caseload import work_out_part

    return work_out_part(*asked)


def _put_together(parts: list[Any]) -> Any:
    from rulebook_signing.caseload import put_together

    return put_together(parts)
