"""Shared by all tests."""

import json
from pathlib import Path

import pytest

ROOT = Path(__file__).resolve().parent.parent
DEMO = sorted((ROOT / "demo" / "cases").glob("*.json"))


def demo(name: str) -> dict:
    """A demo case as plain data."""
    return json.loads((ROOT / "demo" / "cases" / f"{name}.json").read_text(encoding="utf-8"))


@pytest.fixture(scope="session")
def low_bone() -> dict:
    return demo("low-bone-mass")
