"""What may be used in a programme: every admissible step that is ready and can be done in this room, with its costs.

Whatever is left out here says why.
"""

from collections import defaultdict
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from functools import cached_property

from amvel.body import Anthropometry, plain_fault
from amvel.case import SIDE_SAID, Case, Room
from amvel.fitting.needs import RoomCheck, check_room
from amvel.languages import said, said_together, term
from amvel.movements import Family, Step, find
from amvel.movements.bed import lies_on_bed
from amvel.movements.dosing import without_dose
from amvel.movements.needs import Furniture
from amvel.movements.session_part import SessionPart
from amvel.planning.challenge import shown_by, trains
from amvel.planning.curve_side import curve_side
from amvel.planning.dose import Dosed, at_dose, doses_of, minutes_of
from amvel.planning.rests import Rests
from amvel.planning.schooling import barred_by_school
from amvel.safety import Envelope, Verdict, check
from amvel.safety.judge import AS_IS, BY_OVERRIDE, MODIFIED
from amvel.safety.modification import distance
from amvel.safety.rungs import Readiness, readiness
from amvel.safety.schools import Schools
from amvel.safety.verdict import valid_overrides
from amvel.screening import Findings
from amvel.sources import ours

SETUP_MINUTES = 0.7
LOAD = ours("lumbar load as minutes of standing: mean compression at L4/5 against standing, times working minutes")
EASIER = 0.5  # of what it serves is lost by a version at the easy end of its range (our choice)
_COMPRESSION = "compression_l4_l5_percent_bw"
STANDING_PERCENT_BW = 95.0  # what the model gives for standing tall, about; only the unit of the budget


@dataclass(frozen=True)
class Choice:
    """One step that may be chosen: its verdicts, what it uses, its dose and its costs."""

    family: Family
    step: Step
    verdicts: tuple[Verdict, ...]
    room: RoomCheck
    doses: tuple[Dosed, ...]
    ready: Readiness
    rest_s: int = 0
    trains: Mapping[str, float] = field(hash=False, default_factory=dict)  # share of its worth, by purpose

    @property
    def ref(self) -> str:
        return self.family.ref(self.step)

    @cached_property
    def purposes(self) -> dict[str, float]:
        """What the step serves in the version that is allowed: an easier one trains less, and one far below what was shown."""
        moved = max(
            distance(self.step, v.original.request.values, v.profile.request.values) for v in self.verdicts
        )
        easier = 1.0 - EASIER * min(1.0, moved)
        return {p: w * easier * self.trains.get(p, 1.0) for p, w in self.step.purposes.items()}

    @cached_property
    def set_ups(self) -> int:
        """How many set-ups its sides need."""
        return len({tuple(without_dose(v.profile.request.values).items()) for v in self.verdicts})

    @cached_property
    def working_minutes(self) -> float:
        return minutes_of(self.step, self.doses)

    @cached_property
    def seconds(self) -> int:
        """Setting up, work and its share of the planned rests."""
        return int(round(60 * (self.working_minutes + SETUP_MINUTES * self.set_ups))) + self.rest_s

    @property
    def working_seconds(self) -> int:
        return int(round(60 * self.working_minutes))

    @property
    def minutes(self) -> float:
        return self.seconds / 60

    @cached_property
    def load_seconds(self) -> int:
        """Lumbar load in seconds of standing."""
        mean = max(float(v.profile.columns[_COMPRESSION].mean()) for v in self.verdicts)
        return int(round(60 * self.working_minutes * mean / STANDING_PERCENT_BW))

    @property
    def rung(self) -> int:
        return self.family.steps.index(self.step)

    @property
    def props(self) -> frozenset[str]:
        """Small props that have to be fetched."""
        return frozenset(u.id for u in self.room.uses if not isinstance(u.id, Furniture))


@dataclass(frozen=True)
class Setting:
    """Where and how the choice is made: the body, the room, the context and what is asked of them."""

    case: Case
    body: Anthropometry
    room: Room
    context: str
    findings: Findings
    holds_s: dict[str, dict[str, float]]  # by step and side
    schools: Schools
    envelope: Envelope
    rests: Rests = Rests()


def choices(at: Setting, verdicts: list[Verdict]) -> tuple[list[Choice], dict[str, str]]:
    """What may be used in this context and room, and why the rest may not."""
    grouped: dict[str, list[Verdict]] = defaultdict(list)
    for v in verdicts:
        if v.context == at.context:
            grouped[v.ref].append(v)
    found: list[Choice] = []
    why_not: dict[str, str] = {}
    closed = frozenset(ref for ref, group in grouped.items() if not any(v.allowed for v in group))
    ready = readiness(at.case, at.findings, closed)
    shown = shown_by(at.envelope, at.context == "home")
    for ref, group in grouped.items():
        family, step = find(ref)
        if step.side_says:
            group = _best_side(group)
        room = check_room(at.body, at.room, family, step, [v.profile.request.values for v in group])
        reason = _barred(at, family, step, group, room, ready[ref])
        if reason:
            why_not[ref] = reason
        else:
            doses = _doses(at, step, group)
            found.append(
                Choice(family, step, tuple(group), room, doses, ready[ref], at.rests.share_s, trains(group, shown))
            )
    return found, why_not


def _best_side(group: list[Verdict]) -> list[Verdict]:
    """Every side when all are open as they are; else the one that is, or that is with a change."""
    if all(v.verdict == AS_IS for v in group):
        return group
    return next(
        ([v] for verdict in (AS_IS, MODIFIED, BY_OVERRIDE) for v in group if v.verdict == verdict), group
    )


def _doses(at: Setting, step: Step, group: list[Verdict]) -> tuple[Dosed, ...]:
    """The dose of each side; a round more for the weaker one only where its own limits bear the longer time."""
    values = {v.side: v.profile.request.values for v in group}
    found = doses_of(at.case, step, values, at.holds_s.get(group[0].ref, {}), curve_side(at.case, group))
    return tuple(d if d.sets == step.dose.sets or _bears(at, v, d) else _first_rounds(step, d) for v, d in zip(group, found, strict=True))


def _bears(at: Setting, verdict: Verdict, dosed: Dosed) -> bool:
    longer = at_dose(verdict.profile, dosed.repetitions, dosed.sets, dosed.hold_s)
    lifted = valid_overrides(at.case.overrides, at.envelope, at.case.as_of, verdict.ref, verdict.side)
    return check(longer, at.envelope, at.context, lifted).allowed


def _first_rounds(step: Step, dosed: Dosed) -> Dosed:
    return Dosed(dosed.side, dosed.repetitions, step.dose.sets, dosed.hold_s)


def _barred(
    at: Setting, family: Family, step: Step, group: list[Verdict], room: RoomCheck, ready: Readiness
) -> str:
    """Why a step may not be chosen; '' when it may."""
    closed = [v for v in group if not v.allowed]
    if closed:
        return excluded_words(closed, both=len(closed) == len(group))
    checks: tuple[tuple[bool, Callable[[], str]], ...] = (
        (
            len({lies_on_bed(v.profile.request.values) for v in group}) > 1,
            lambda: said("One side would lie on a bed and the other on the floor."),
        ),
        (bool(room.lacking), lambda: said("It needs {what}, which the room does not have.", what=said_together(room.lacking, said(" and ")))),
        (
            family.part is SessionPart.RESTS and not at.rests.every,
            lambda: said("It is a rest between movements, and nothing here asks for planned rests."),
        ),
        (family.asked_for, lambda: said("It is often asked for and never chosen: a movement with less risk serves the same.")),
        (
            step.effort > at.case.wishes.effort_0_to_10,
            lambda: said("Its effort of {effort} is above the {effort_0_to_10} that was chosen.", effort=float(step.effort), effort_0_to_10=term(at.case.wishes.effort_0_to_10)),
        ),
        (not ready.ready, lambda: said("It comes later; {why}.", why=term(ready.why))),
    )
    return next((says() for holds, says in checks if holds), "") or barred_by_school(
        at.case, at.schools.of(family.id), family, step
    )


_NO_POSE = said("the body model has no pose for it")


def excluded_words(out: list[Verdict], both: bool) -> str:
    """The limits that close a step, the first two of them, as a sentence."""
    v = out[0]
    side = () if both or v.side == "both" else (SIDE_SAID[v.side], ": ")
    limits = [said_together((x for x in (b.limit.says(), b.here()) if x), ", ") for b in v.reasons[:2]]
    why = said_together(limits, "; ") if limits else plain_fault(v.fault) or _NO_POSE
    return said_together((said_together((*side, why)).opening(), "."))


__all__ = ["LOAD", "SETUP_MINUTES", "STANDING_PERCENT_BW", "Choice", "Setting", "choices", "excluded_words"]
