"""What is no text that can be kept, wherever it stands in nested data."""

import re
from collections.abc import Iterator
from typing import Any

from amvel.languages import said

_NO_TEXT = re.compile("[\0\ud800-\udfff]")  # NUL, half of a surrogate pair


class TooDeep(ValueError):
    """Data nested deeper than anything that is asked for; `path` says where."""

    def __init__(self, path: str, levels: int) -> None:
        super().__init__(said("is nested deeper than {levels} levels", levels=levels))
        self.path = path


def is_text(text: str) -> bool:
    """Whether it can be stored: no NUL, no half of a surrogate pair."""
    return _NO_TEXT.search(text) is None


def no_texts(data: Any, deepest: int) -> list[str]:
    """Paths of what holds a string, or a key, that cannot be stored; raises TooDeep."""
    if _sound(data, deepest):
        return []
    return [path for path, text in _texts(data, deepest) if not is_text(text)]


def _sound(value: Any, levels: int) -> bool:
    """Nothing to complain of: most data, so that no path is put together on the way."""
    if isinstance(value, str):
        return _NO_TEXT.search(value) is None
    if isinstance(value, dict):
        return levels > 0 and all(map(_sound_key, value)) and all(_sound(v, levels - 1) for v in value.values())
    if isinstance(value, (list, tuple)):
        return levels > 0 and all(_sound(v, levels - 1) for v in value)
    return True


def _sound_key(key: Any) -> bool:
    return not isinstance(key, str) or _NO_TEXT.search(key) is None


def _texts(data: Any, deepest: int) -> Iterator[tuple[str, str]]:
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


__all__ = ["TooDeep", "is_text", "no_texts"]
