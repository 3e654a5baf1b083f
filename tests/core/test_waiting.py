"""No test measures time: what has to come is waited for with the one patience there is."""

import ast
from pathlib import Path

from tests.conftest import ROOT

TESTS = ROOT / "tests"


def keywords_of_calls(file: Path, of: str = "") -> list[tuple[int, ast.keyword]]:
    """Every keyword in every call of a file, or in those of a method of this name, with its line."""
    calls = [n for n in ast.walk(ast.parse(file.read_text(encoding="utf-8"))) if isinstance(n, ast.Call)]
    return [(c.lineno, k) for c in calls if not of or getattr(c.func, "attr", "") == of for k in c.keywords]


def test_nothing_is_waited_for_with_a_figure_of_its_own() -> None:
    files = sorted(TESTS.rglob("*.py"))
    assert len(files) > 150
    found = [f"{f.relative_to(ROOT)}:{line}" for f in files for line, k in keywords_of_calls(f) if k.arg == "timeout" and isinstance(k.value, ast.Constant)]
    assert not found, f"tests.patience says how long a test waits: {found}"


def test_a_page_is_waited_for_as_long_as_everything_else() -> None:
    """Left to itself, the driver of the browser gives a page five seconds."""
    [(_, patience)] = keywords_of_calls(TESTS / "browser" / "driving.py", of="set_options")
    assert patience.arg == "timeout" and ast.unparse(patience.value) == "PATIENCE_MS"
