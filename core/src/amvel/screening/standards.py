"""All figures that screening decides by: those of the tests, and those beside them."""

from datetime import date
from functools import lru_cache

from amvel.languages import said, term
from amvel.screening.bone_status import BONE
from amvel.screening.findings import FALL_RISK
from amvel.screening.library import test_library
from amvel.screening.progress_standard import PROGRESS
from amvel.screening.standard import Standard

TESTS_READ_ON = date(2026, 11, 26)  # all of them, when their figures were moved here


@lru_cache(maxsize=1)
def standards() -> dict[str, Standard]:
    """By the name under which their numbers stand in the rule-book; every test that has numbers of its own is one."""
    of_tests = [
        Standard(
            t.owner,
            t.title,
            said("What a result of this test means: {measures}.", measures=term(t.measures)),
            t.numbers,
            read_on=TESTS_READ_ON,
            check_by=t.check_by,
        )
        for t in test_library().values()
        if t.numbers
    ]
    return {s.id: s for s in (BONE, FALL_RISK, PROGRESS, *of_tests)}
