"""The screening tests, found by file: every module of `amvel.screening.tests` is one test."""

import importlib
import pkgutil
from functools import lru_cache

from amvel.case import RESULTS
from amvel.screening import tests
from amvel.screening.declaration import ScreenTest


@lru_cache(maxsize=1)
def test_library() -> dict[str, ScreenTest]:
    """Every test by id; gates first."""
    found = []
    for module in pkgutil.iter_modules(tests.__path__):
        test = getattr(importlib.import_module(f"{tests.__name__}.{module.name}"), "TEST", None)
        if not isinstance(test, ScreenTest) or test.id != module.name:
            raise ValueError(f"screening/tests/{module.name}.py: declares no TEST of that name")
        found.append(test)
    without = set(RESULTS) - {t.id for t in found}
    if without:
        raise ValueError(f"screening/tests: no file for {', '.join(sorted(without))}")
    return {t.id: t for t in sorted(found, key=lambda t: (not t.gate, t.id))}
