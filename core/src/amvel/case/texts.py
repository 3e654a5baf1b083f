"""Every text of nested data with its path, and whether it is text that can be kept."""

from collections.abc import Iterator
from typing import Any

from amvel.languages import said


class TooDeep(ValueError):
    """Data nested deeper than anything that is asked for; `path` says where."""

    def __init__(self, path: str, levels: int) -> None:
        super().__init__(said("is nested deeper than {levels} levels", levels=levels))
        self.path = path


def texts(data: Any, deepest: int) -> Iterator[tuple[str, str]]:
    """Strings, keys included, with the path of what holds them; raises TooDeep."""
    waiting: list[tuple[str, Any, int]] = [("$", data, 0)]
    while waiting:
        path, value, depth = waiting.pop()
        if depth > deepest:
            raise TooDeep(path[:200], deepest)
        if isinstance(value, str):
            yield path[:200], value
        elif isinstance(value, dict):
            yield from ((path[:200], k) for k in value if isinstance(k, str))
            waiting += [(f"{path}.{k}", v, depth + 1) for k, v in value.items()]
        elif isinstance(value, (list, tuple)):
            waiting += [(f"{path}[{i}]", v, depth + 1) for i, v in enumerate(value)]


def is_text(text: str) -> bool:
    """Whether it can be stored: no NUL, no half of a surrogate pair."""
    return "\0" not in text and not any("\ud800" <= c <= "\udfff" for c in text)
