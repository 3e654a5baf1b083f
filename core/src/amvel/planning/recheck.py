"""A programme, however it was made, against today's limits: the same verdict code, on the poses as stored."""

from collections.abc import Iterable
from dataclasses import dataclass

from amvel.body import PoseFault, plain_fault
from amvel.case import Case
from amvel.languages import said_together
from amvel.movements import Profiler, Request, UnknownMovement, find
from amvel.planning.dose import at_dose
from amvel.planning.item import Item
from amvel.safety import Breach, Envelope, check
from amvel.safety.verdict import valid_overrides


@dataclass(frozen=True)
class Violation:
    """One movement of a programme that is not allowed as stored, and why."""

    ref: str
    side: str
    breaches: tuple[Breach, ...]
    fault: PoseFault | None = None
    unknown: str = ""  # the library has no such movement any more

    def why(self) -> str:
        """The limits it breaks, or why it cannot be taken at all."""
        limits = said_together((said_together((x for x in (b.limit.says(), b.here()) if x), ", ") for b in self.breaches), "; ")
        return limits or self.unknown or plain_fault(self.fault)


def violations(
    case: Case, envelope: Envelope, profiler: Profiler, items: Iterable[Item], context: str
) -> list[Violation]:
    """Every side of every movement that breaks a limit today; unknown movements count as broken."""
    out = []
    for item in items:
        try:
            family, step = find(item.ref)
        except UnknownMovement as error:
            out.append(Violation(item.ref, "both", (), unknown=str(error)))
            continue
        for own in item.set_ups:
            profile = profiler.profile(Request(family, step, own.side, own.values))
            profile = at_dose(profile, own.repetitions, own.sets, own.hold_s)
            lifted = valid_overrides(case.overrides, envelope, case.as_of, item.ref, own.side)
            answer = check(profile, envelope, context, lifted)
            if not answer.allowed:
                out.append(Violation(item.ref, own.side, answer.breaches, answer.fault))
    return out


__all__ = ["Violation", "violations"]
