"""What stands above and below a step: on the whole ladder, and on what is open and ready for one client."""

from collections.abc import Sequence
from typing import Protocol

from amvel.engine import Engine
from amvel.languages import Message, said
from amvel.movements import Family, Step, find, library
from amvel.progress.one_movement import Ladder
from amvel.safety import Verdict
from amvel.safety.rungs import readiness


class Ladders(Protocol):
    """Whatever knows which steps may come next."""

    def around(self, step: str) -> Ladder: ...


class WholeLadders:
    """Every rung is open: for reckoning with people for whom no limit is written."""

    def around(self, step: str) -> Ladder:
        family, own = find(step)
        below, above = family.neighbours(own)
        return Ladder(above, below)


class OpenLadders:
    """Which steps are open and ready, judged once for the ladders in use and what goes before them."""

    def __init__(self, engine: Engine, context: str, in_use: Sequence[str]) -> None:
        own = {find(step)[0].id for step in in_use}
        wanted = own | {find(r)[0].id for f in own for s in library()[f].steps for r in s.after}

        def only(family: Family, step: Step) -> bool:
            return family.id in wanted

        self.by_step: dict[str, list[Verdict]] = {}
        for v in engine.judge_only(only, (context,), engine.values):
            self.by_step.setdefault(v.ref, []).append(v)
        closed = frozenset(ref for ref, found in self.by_step.items() if not any(v.allowed for v in found))
        self.ready = readiness(engine.case, engine.findings, closed)

    def around(self, step: str) -> Ladder:
        family, own = find(step)
        at = family.steps.index(own)
        above = [family.ref(s) for s in family.steps[at + 1 :]]
        up = next((r for r in above if self._open(r) and self._after_is_done(r)), "")
        down = next((family.ref(s) for s in reversed(family.steps[:at]) if self._open(family.ref(s))), "")
        return Ladder(up, down, None if up or not above else self._closed_by(above[0]))

    def _after_is_done(self, ref: str) -> bool:
        """Whether what goes before it, beside the rung below, lies behind this person."""
        return all(self.ready[r].done for r in find(ref)[1].after if self._open(r))

    def _open(self, ref: str) -> bool:
        return bool(self.by_step.get(ref)) and all(v.allowed for v in self.by_step[ref])

    def _closed_by(self, ref: str) -> Message:
        for v in self.by_step.get(ref, ()):
            if not v.allowed and v.reasons:
                return said(v.reasons[0].limit.says())
        if self._open(ref):
            first = next(r for r in find(ref)[1].after if self._open(r) and not self.ready[r].done)
            return said("first {title}", title=said(find(first)[1].title))
        return said("it cannot be judged for this body")


__all__ = ["Ladders", "OpenLadders", "WholeLadders"]
