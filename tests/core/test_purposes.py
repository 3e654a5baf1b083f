"""Purposes are spoken of wherever a programme gives its reasons."""

import pytest

from amvel.movements import PURPOSES
from amvel.planning.purposes import GENERAL, words


@pytest.mark.parametrize("purpose", PURPOSES)
def test_every_purpose_has_words(purpose: str) -> None:
    assert words(purpose).strip()


def test_only_known_purposes_are_needed_and_each_weighs_something() -> None:
    assert set(GENERAL) <= set(PURPOSES)
    assert all(weight > 0 for weight in GENERAL.values())
