"""What changed between the first and the newest result of every test, set against the error of the test."""

from dataclasses import dataclass
from datetime import date

from amvel.case import Case, Result
from amvel.screening.library import test_library
from amvel.screening.real_change import Compared, compare


@dataclass(frozen=True)
class TestChange:
    """One test on one side: the first and the newest day, and what lies between them."""

    __test__ = False  # no test of pytest

    test: str
    title: str
    side: str
    first_on: date
    newest_on: date
    compared: Compared | None
    reading: str


def changes(case: Case) -> list[TestChange]:
    """Every test that was done, by side, in library order; `compared` is None after a single day."""
    groups: dict[tuple[str, str], list[Result]] = {}
    for r in sorted(case.tests, key=lambda r: r.on):
        groups.setdefault((r.test, str(getattr(r, "side", "") or "")), []).append(r)
    order = list(test_library())
    return [_one(case, key, groups[key]) for key in sorted(groups, key=lambda k: (order.index(k[0]), k[1]))]


def _one(case: Case, key: tuple[str, str], results: list[Result]) -> TestChange:
    test, first, last = test_library()[key[0]], results[0], results[-1]
    number = _number(last)
    compared = None
    if number and first.on < last.on:
        before, after = getattr(first, number), getattr(last, number)
        if before is not None and after is not None:
            compared = compare(float(before), float(after), test.change)
    return TestChange(key[0], test.title, key[1], first.on, last.on, compared, test.reading(last, case).text)


def _number(result: Result) -> str:
    """The measured field: the first one that is a number; '' when a result has none."""
    for name in type(result).model_fields:
        value = getattr(result, name)
        if isinstance(value, int | float) and not isinstance(value, bool):
            return name
    return ""


__all__ = ["TestChange", "changes"]
