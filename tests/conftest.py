"""Shared by all tests."""

import ast
import gc
import json
from functools import lru_cache
from pathlib import Path
from typing import Any

import pytest
from hypothesis import settings

# The same examples on every machine and in every run: what fails here fails there.
# No example is late: how long one takes says nothing of whether it is right.
# Other seeds: pytest --hypothesis-profile=default --hypothesis-seed=N
settings.register_profile("steady", derandomize=True, deadline=None)
settings.load_profile("steady")

ROOT = Path(__file__).resolve().parent.parent
BROWSER = "tests/browser/"


@pytest.hookimpl(optionalhook=True)
def pytest_xdist_make_scheduler(config: pytest.Config, log: Any) -> Any:
    """A file stays with one worker, which keeps what it has solved; all that judge people of the demo stay with the same, so
    that each of them is judged in one process."""
    from xdist.scheduler import LoadScopeScheduling

    class TogetherWhereSolvedTogether(LoadScopeScheduling):
        def _split_scope(self, nodeid: str) -> str:
            file = nodeid.partition("::")[0]
            return "people of the demo" if _judges_people_of_the_demo(ROOT / file) else file

    return TogetherWhereSolvedTogether(config, log)


@lru_cache(maxsize=512)
def _judges_people_of_the_demo(file: Path) -> bool:
    imports = (n for n in ast.walk(ast.parse(file.read_text(encoding="utf-8"))) if isinstance(n, ast.ImportFrom))
    return any(n.module == "tests.engines" for n in imports)


def pytest_sessionfinish() -> None:
    """pytest looks for cycles when it ends, twice: of some gigabytes that a process has kept until then, every time four seconds."""
    gc.freeze()


@pytest.hookimpl(trylast=True)
def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """Files that wait for a browser are spread among those that reckon, so that neither kind fills every worker at once;
    what takes long with few tests comes first, since nothing else is given to its worker that another could do."""
    files: dict[str, list[pytest.Item]] = {}
    for item in items:
        files.setdefault(item.nodeid.partition("::")[0], []).append(item)
    long = [f for f in files if any(item.get_closest_marker("long") for item in files[f])]
    others = [f for f in files if f not in long]
    wait = sorted((f for f in others if f.startswith(BROWSER)), key=lambda f: -len(files[f]))  # the longest is not begun last
    reckon = [f for f in others if not f.startswith(BROWSER)]
    place = {f: (i + 0.5) / len(kind) for kind in (wait, reckon) for i, f in enumerate(kind)} | dict.fromkeys(long, 0.0)
    items[:] = [item for f in sorted(files, key=place.__getitem__) for item in files[f]]
DEMO = sorted((ROOT / "demo" / "cases").glob("*.json"))


def demo(name: str) -> dict:
    """A demo case as plain data."""
    return json.loads((ROOT / "demo" / "cases" / f"{name}.json").read_text(encoding="utf-8"))


@pytest.fixture(scope="session")
def low_bone() -> dict:
    return demo("low-bone-mass")
