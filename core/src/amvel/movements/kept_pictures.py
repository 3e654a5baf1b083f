"""Drawings that are kept: what is drawn depends on body, set-up and model, never on the day.

Where there is a store, a drawing that somebody has made is taken from it, and its poses are not even solved; without one
everything is drawn each time.
"""

from collections.abc import Callable
from typing import Protocol

from amvel.movements.animation import animation
from amvel.movements.fault_figure import fault_figure
from amvel.movements.figure import figure
from amvel.movements.profile import Profile, Request
from amvel.movements.profiler import Profiler
from amvel.movements.wrong import Wrong


class PictureStore(Protocol):
    """Keeps drawings (SVG documents) by the digest of a body and the name of what is drawn."""

    def find(self, body: str, name: str) -> list[str] | None: ...

    def keep(self, body: str, name: str, drawn: list[str]) -> None: ...


class Pictures:
    """The drawings of one body."""

    def __init__(self, profiler: Profiler, store: PictureStore | None = None) -> None:
        self._profiler, self._store = profiler, store

    def figure(self, request: Request) -> str:
        """The picture of a step; '' where this body cannot take its poses."""
        return "".join(self._kept("figure", request, lambda p: [figure(self._profiler, p)]))

    def animation(self, request: Request) -> list[str]:
        """The frames of a step, one document each; none where this body cannot take its poses."""
        return self._kept("animation", request, lambda p: animation(self._profiler, p))

    def fault(self, request: Request, wrong: Wrong) -> str:
        """A fault beside the right version; '' where it cannot be drawn on this body."""
        return "".join(self._kept(repr(wrong), request, lambda p: [fault_figure(self._profiler, p, wrong)]))

    def _kept(self, what: str, request: Request, draw: Callable[[Profile], list[str]]) -> list[str]:
        body, name = self._profiler.digest(), f"{what} {request.key}"
        found = self._store.find(body, name) if self._store is not None else None
        if found is not None:
            return found
        profile = self._profiler.profile(request)
        drawn = [] if profile.fault else draw(profile)
        if self._store is not None:
            self._store.keep(body, name, drawn)
        return drawn


__all__ = ["PictureStore", "Pictures"]
