"""All figures that screening decides by: those of the tests, and those beside them."""

from functools import lru_cache

from amvel.screening.bone_status import BONE
from amvel.screening.findings import FALL_RISK
from amvel.screening.library import test_library
from amvel.screening.standard import Standard


@lru_cache(maxsize=1)
def standards() -> dict[str, Standard]:
    """By the name under which their numbers stand in drafts; every test that has numbers of its own is one."""
    of_tests = [
        Standard(t.owner, t.title, f"What a result of this test means: {t.measures}.", t.numbers)
        for t in test_library().values()
        if t.numbers
    ]
    return {s.id: s for s in (BONE, FALL_RISK, *of_tests)}
