"""How long a test waits for what has to come: patience, no measure.

A machine that others use is at times a quarter as quick, and other tests run beside: how long it takes says nothing of whether it is right.
"""

import time
from collections.abc import Callable
from typing import TypeVar

PATIENCE_S = 300.0
PATIENCE_MS = 1000 * PATIENCE_S
WHOLE_COMMAND_S = 3600.0  # for a command that asks for hundreds of things

Found = TypeVar("Found")


def until(holds: Callable[[], Found], every_s: float = 0.2, pause: Callable[[float], object] = time.sleep) -> Found:
    """What it gives as soon as it gives something; fails where nothing comes.  `pause` lets so many seconds pass."""
    end = time.monotonic() + PATIENCE_S
    while time.monotonic() < end:
        found = holds()
        if found:
            return found
        pause(every_s)
    raise AssertionError("it did not come")


__all__ = ["PATIENCE_MS", "PATIENCE_S", "WHOLE_COMMAND_S", "until"]
