"""Versions that nobody types: a fingerprint of the sources that make an answer.

A changed number, family, rule or kernel changes the fingerprint of its rooms, and with it every key under which answers
are kept.
"""

import hashlib
from functools import lru_cache
from pathlib import Path

_CORE = Path(__file__).parent
LENGTH = 8
# The rooms behind each kind of answer: what is posed and profiled, and what is judged of it.
MODEL = ("body", "movements", "quantities")
RULES = ("safety", "screening", "case", "quantities", "sources.py", "literature.py", "numbers.py", "checked.py", "remembered.py")


@lru_cache(maxsize=8)
def fingerprint(rooms: tuple[str, ...], root: Path = _CORE) -> str:
    """Of every Python source in these rooms (folders or files below `root`), names and contents."""
    digest = hashlib.sha256()
    for path in sorted(p for room in rooms for p in _sources(root / room)):
        digest.update(path.relative_to(root).as_posix().encode())
        digest.update(b"\0" + path.read_bytes() + b"\0")
    return digest.hexdigest()[:LENGTH]


def _sources(room: Path) -> list[Path]:
    return [room] if room.suffix == ".py" else list(room.rglob("*.py"))


def version(label: str, rooms: tuple[str, ...]) -> str:
    """A label that people read, and the fingerprint that decides."""
    return f"{label}-{fingerprint(rooms)}"


__all__ = ["LENGTH", "MODEL", "RULES", "fingerprint", "version"]
