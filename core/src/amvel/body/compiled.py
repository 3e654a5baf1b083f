"""Where compiled kernels come from: numba, with a cache that belongs to exactly these sources.

numba notices a changed file, but not a changed file that a kernel calls into; so the kernels of a file are kept in a
folder named by the content of that file and of all that it imports from this room.  AMVEL_KERNELS says under which
folder; else it is the user's own cache.
"""

import hashlib
import os
import re
from collections.abc import Callable
from functools import lru_cache
from pathlib import Path
from typing import Any, TypeVar

import numba

Kernel = TypeVar("Kernel", bound=Callable[..., Any])
_ROOM = Path(__file__).parent
_PACKAGE = re.escape(__name__.rpartition(".")[0])
_IMPORTS = re.compile(rf"^\s*from {_PACKAGE}(?:\.| import )(\w+)(?: import| as)", re.MULTILINE)  # of what is in it, or of it whole


def kernel(function: Kernel) -> Kernel:
    """Compile a function once and keep it; IEEE arithmetic as written, so that every machine gives the same answer.

    What only kernels call is an `inner_kernel`.

    A kernel makes no array and hands none out: it works in what it is given, and returns numbers.  No other thread runs while
    it does, so that the room it works in may be the same for all calls.  Counting who still uses
    an array would cost a third of its time, and numba refuses to compile a kernel that would have to (`_nrt`).
    """
    config: Any = numba.config
    config.CACHE_DIR = os.path.join(_cache_folder(), sources_digest(function.__module__.rpartition(".")[2]))
    return _compiled(function, cache=True)


def inner_kernel(function: Kernel) -> Kernel:
    """A kernel that Python never calls: without the shell that turns Python's arguments into numbers, it is compiled in two thirds
    of the time, and kept as a part of those that call it."""
    inner: Any = _Inner(_compiled(function, no_cpython_wrapper=True))
    kept: Kernel = inner
    return kept


def _compiled(function: Kernel, **how: bool) -> Kernel:
    njit: Any = numba.njit
    compiled: Kernel = njit(error_model="numpy", _nrt=False, no_cfunc_wrapper=True, **how)(function)
    return compiled


class _Inner:
    """What numba takes for the kernel itself; called from Python, which would end the process, it says what is wrong."""

    def __init__(self, compiled: Any) -> None:
        self._compiled = compiled  # its type only knows it while somebody holds it
        self._numba_type_ = compiled._numba_type_

    def __call__(self, *_given: object) -> None:
        raise TypeError(f"{self._compiled.__name__} is called by kernels only; `kernel` makes it one that Python may call")


@lru_cache(maxsize=1)
def _cache_folder() -> str:
    return os.environ.get("AMVEL_KERNELS") or os.path.join(os.path.expanduser("~"), ".cache", "amvel-kernels")


@lru_cache(maxsize=64)
def sources_digest(name: str) -> str:
    """A short fingerprint of one file of this room and of all in it that the file imports, at first or second hand."""
    digest = hashlib.sha256(numba.__version__.encode())
    for path in sorted(_sources(name, set())):
        digest.update(path.encode())
        digest.update((_ROOM / f"{path}.py").read_bytes())
    return digest.hexdigest()[:16]


def _sources(name: str, seen: set[str]) -> set[str]:
    if name not in seen and (_ROOM / f"{name}.py").exists():
        seen.add(name)
        for other in _imported(name):
            _sources(other, seen)
    return seen


@lru_cache(maxsize=256)
def _imported(name: str) -> tuple[str, ...]:
    """The files of this room that one of them imports itself; every start of every process reads them."""
    return tuple(dict.fromkeys(_IMPORTS.findall((_ROOM / f"{name}.py").read_text(encoding="utf-8"))))


__all__ = ["inner_kernel", "kernel", "sources_digest"]
