"""Passwords that cost nothing to check: what makes guessing dear is a figure of its own, and every second test logs in twice.

The marker `dear_passwords` leaves them as the product has them.
"""

import pytest


@pytest.fixture(autouse=True)
def quick_passwords(request: pytest.FixtureRequest, monkeypatch: pytest.MonkeyPatch) -> None:
    if request.node.get_closest_marker("dear_passwords"):
        return
    from django.contrib.auth.hashers import Argon2PasswordHasher

    for figure, least in (("time_cost", 1), ("memory_cost", 8), ("parallelism", 1)):
        monkeypatch.setattr(Argon2PasswordHasher, figure, least)
