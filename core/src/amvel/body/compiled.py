"""Where compiled kernels come from: numba, with a cache that belongs to exactly these sources.

numba notices a changed file, but not a changed file that a kernel calls into; so the cache stands in a folder named by
the content of the whole room.  AMVEL_KERNELS says under which folder; else it is the user's own cache.
"""

import hashlib
import os
from collections.abc import Callable
from pathlib import Path
from typing import Any, TypeVar

import numba

Kernel = TypeVar("Kernel", bound=Callable[..., Any])


def room_digest() -> str:
    """A short fingerprint of every source file of this room."""
    digest = hashlib.sha256(numba.__version__.encode())
    for path in sorted(Path(__file__).parent.glob("*.py")):
        digest.update(path.name.encode())
        digest.update(path.read_bytes())
    return digest.hexdigest()[:16]


def _cache_folder() -> str:
    base = os.environ.get("AMVEL_KERNELS") or os.path.join(os.path.expanduser("~"), ".cache", "amvel-kernels")
    return os.path.join(base, room_digest())


numba.config.CACHE_DIR = _cache_folder()


def kernel(function: Kernel) -> Kernel:
    """Compile a function once and keep it; IEEE arithmetic as written, so that every machine gives the same answer."""
    compiled: Kernel = numba.njit(cache=True, error_model="numpy")(function)
    return compiled


__all__ = ["kernel", "room_digest"]
