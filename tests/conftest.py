"""Shared by all tests."""

import json
from pathlib import Path

import pytest
from hypothesis import settings

# The same examples on every machine and in every run: what fails here fails there.
# No example is late: how long one takes says nothing of whether it is right.
# Other seeds: pytest --hypothesis-profile=default --hypothesis-seed=N
settings.register_profile("steady", derandomize=True, deadline=None)
settings.load_profile("steady")

ROOT = Path(__file__).resolve().parent.parent
DEMO = sorted((ROOT / "demo" / "cases").glob("*.json"))


def demo(name: str) -> dict:
    """A demo case as plain data."""
    return json.loads((ROOT / "demo" / "cases" / f"{name}.json").read_text(encoding="utf-8"))


@pytest.fixture(scope="session")
def low_bone() -> dict:
    return demo("low-bone-mass")
