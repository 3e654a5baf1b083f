"""Who works out what concerns a whole house: each app says so for itself when it is ready.

Registering reads nothing of the core: whoever only saves or brings back the database needs no body model.
"""

from collections.abc import Callable
from datetime import date
from typing import Any

from jobs.models import Work

Args = dict[str, Any]
Told = Callable[[float], None]  # hears how far it is, 0 to 1
OfAHouse = Callable[[Any, date, Args, Told], Any]  # the organisation's key, the day, what was asked, who hears how far it is
Together = Callable[[list[Any]], Any]  # what the parts give, in their order

PARTS = "parts"  # under which the question of a whole names its parts: nobody works on such a one itself
WORKED_OUT_WITH: dict[Work, OfAHouse] = {}
PUT_TOGETHER_WITH: dict[Work, Together] = {}


def work_out_with(work: Work, function: OfAHouse) -> None:
    """From now on this function works that out for a whole organisation."""
    WORKED_OUT_WITH[work] = function


def put_together_with(work: Work, function: Together) -> None:
    """From now on this function makes one answer of the parts."""
    PUT_TOGETHER_WITH[work] = function


__all__ = ["PARTS", "PUT_TOGETHER_WITH", "WORKED_OUT_WITH", "Args", "OfAHouse", "Together", "Told", "put_together_with", "work_out_with"]
