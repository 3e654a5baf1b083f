"""Weeks of pregnancy as of a day."""

from datetime import date

from amvel.case.conditions.back_and_pelvis import Pregnancy


def weeks_now(pregnancy: Pregnancy, as_of: date) -> int:
    """Weeks counted on from the day they were noted; without that day they are taken as of today."""
    noted = pregnancy.noted_on or as_of
    return pregnancy.weeks + (as_of - noted).days // 7
