"""Cases of earlier formats, brought forward step by step when they are read; nothing of them is lost."""

from collections.abc import Callable, Mapping
from typing import Any

FORMAT = "amvel-case-2"


def forward(data: Any) -> Any:
    """The same case in today's format; what is no case, or of a format that nobody released, stays as it is."""
    while isinstance(data, Mapping) and _format(data) in _NEXT:
        data = _NEXT[_format(data)](dict(data))
    return data


def _format(data: Mapping[str, Any]) -> str:
    """The format that it names; one that names none is of today, unless it holds what only an earlier one had."""
    named = data.get("format", "amvel-case-1" if "log" in data else FORMAT)
    return named if isinstance(named, str) else ""


def _visits_of_the_log(data: dict[str, Any]) -> dict[str, Any]:
    """A log of steps per day becomes visits of which only clean or not is known."""
    log = data.pop("log", None) or []
    visits: dict[str, dict[str, Any]] = {}
    if not isinstance(log, list) or not all(isinstance(x, Mapping) and {"on", "step", "clean"} <= set(x) for x in log):
        return {**data, "format": FORMAT, "visits": log}  # refused with its field
    for entry in log:
        day = str(entry["on"])
        visit = visits.setdefault(day, {"id": f"logged-{day}", "on": day, "context": "visit", "by": "specialist", "movements": []})
        clean = entry["clean"]
        one = {"side": entry.get("side") or "both", "target": 1, "clean": int(bool(clean)), "ended_by": "target" if clean else "form"}
        visit["movements"].append({"step": entry["step"], "sets": [one]})
    return {**data, "format": FORMAT, "visits": [*(data.get("visits") or []), *visits.values()]}


_NEXT: dict[str, Callable[[dict[str, Any]], dict[str, Any]]] = {"amvel-case-1": _visits_of_the_log}

__all__ = ["FORMAT", "forward"]
