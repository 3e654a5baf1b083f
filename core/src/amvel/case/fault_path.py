"""Where in what was sent a fault is: a JSON path, written in one way wherever something is refused."""

from collections.abc import Iterable


def fault_path(places: Iterable[str | int], root: str = "$") -> str:
    """Names of fields and numbers of entries from the outside in, as `$.tests[0].t_score`."""
    return root + "".join(f"[{p}]" if isinstance(p, int) else f".{p}" for p in places)


__all__ = ["fault_path"]
