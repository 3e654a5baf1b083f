"""The figures of the rule-book that are others in one house."""

from datetime import datetime
from typing import Any

from rulebook_signing.models import ChangeStep, StepKind

Values = dict[tuple[str, str], float]


def local_values(organisation_id: Any, before: datetime, without: Any = None) -> Values:
    """The figures in force at a moment; of two changes of one figure the later.  `without` leaves one change out."""
    steps = ChangeStep.objects.filter(change__organisation_id=organisation_id, at__lt=before).exclude(kind=StepKind.DECLINED)
    steps = list(steps.select_related("change").order_by("at"))
    gone = {s.change_id for s in steps if s.kind == StepKind.ROLLED_BACK} | {without}
    values: Values = {}
    for step in steps:
        if step.change_id not in gone:
            values.update({(x["rule"], x["number"]): x["value"] for x in step.change.lines})
    return values


def local_numbers(organisation_id: Any, before: datetime) -> list[dict[str, Any]]:
    """The same as a case holds them."""
    found = sorted(local_values(organisation_id, before).items())
    return [{"rule": rule, "number": number, "value": value} for (rule, number), value in found]


__all__ = ["Values", "local_numbers", "local_values"]
