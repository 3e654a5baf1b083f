"""Visits for tests: one movement a session, as short as they may be."""

from datetime import date, timedelta
from typing import Any

from tests.generated import TODAY

BOTH = ("left", "right")


def visit(days_ago: int, *movements: dict[str, Any], flare: bool | None = False, effort: int = 3, **more: Any) -> dict[str, Any]:
    """A session so many days ago; `flare` None where nobody asked how the day after was."""
    on = TODAY - timedelta(days=days_ago)
    told: dict[str, Any] = {}
    if flare is not None:
        told = {"next_day": {"told_on": min(TODAY, on + timedelta(days=1)).isoformat(), "soreness_0_to_10": 1, "flare": flare}}
    given = {"id": f"visit-{days_ago:04d}", "on": on.isoformat(), "context": "home", "by": "client", "effort_0_to_10": effort}
    return {**given, **told, **more, "movements": list(movements)}


def done(step: str, *, left: int | None = 8, right: int | None = 8, target: int = 8, faults: tuple[str, ...] = (), **more: Any) -> dict[str, Any]:
    """A movement with one set a side, so many repetitions clean."""
    sets = [_set(side, clean, target, faults) for side, clean in zip(BOTH, (left, right), strict=True) if clean is not None]
    return {"step": step, "sets": sets, **more}


def once(step: str, clean: int = 8, target: int = 8, faults: tuple[str, ...] = (), **more: Any) -> dict[str, Any]:
    """A movement of both sides at once."""
    return {"step": step, "sets": [_set("both", clean, target, faults)], **more}


def _set(side: str, clean: int, target: int, faults: tuple[str, ...]) -> dict[str, Any]:
    seen = [{"fault": f, "repetition": 1, "meaning": "unaware"} for f in faults]
    return {"side": side, "target": target, "clean": clean, "ended_by": "target" if clean >= target else "form", "faults": seen}


def day(days_ago: int) -> date:
    return TODAY - timedelta(days=days_ago)
