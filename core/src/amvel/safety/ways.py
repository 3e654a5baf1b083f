"""Getting there and back: a floor or bed position is open only by a technique whose every pose is open to this person.

Techniques are steps of the library, judged like any other; where the only one is closed, the position is closed, and the
reason names what stands in the way.
"""

from collections.abc import Callable, Generator, Mapping
from dataclasses import dataclass, replace
from datetime import date
from enum import Enum
from functools import cache
from itertools import islice

from amvel.case import Case
from amvel.languages import said, said_together, term
from amvel.movements import Profile, Profiler, Request, find
from amvel.movements.bed import BED, FLOOR, LYING_ON
from amvel.movements.look import Look
from amvel.quantities import quantity
from amvel.safety.capacity.rising import RISES_SEEN
from amvel.safety.limits import Envelope, Limit, Origin, Place
from amvel.safety.modification import Ask, search, together
from amvel.safety.verdict import Breach, Check, check, valid_overrides
from amvel.screening import Findings
from amvel.sources import practice

TECHNIQUE = practice("changes of position are judged by technique")
Values = dict[str, float | str]


class Destination(Enum):
    """Where a technique leads: how it reads, and the quantity and place that it opens."""

    STANDING = ("rising from a seat and sitting down again", "standing", (Place.ANYWHERE,))
    ON_THE_KNEES = ("down to the floor and up again", "floor_transfer", (Place.ANYWHERE,))
    LYING_DOWN = ("lying down on the floor and back", "floor_transfer", (Place.LYING,))
    IN_BED = ("lying down on the side in bed and back", "bed_transfer", (Place.ANYWHERE,))
    TURNED_IN_BED = ("turning onto the back or the front in bed and back", "bed_transfer", (Place.ON_THE_BACK, Place.FACE_DOWN))

    def __init__(self, says: str, quantity: str, places: tuple[Place, ...]) -> None:
        self.says, self.quantity, self.places = said(says), quantity, places


@dataclass(frozen=True)
class Technique:
    """A way there and back: the steps of the library that make it, and what they are done on."""

    id: str
    title: str
    to: Destination
    steps: tuple[str, ...]
    on: str = FLOOR

    def __post_init__(self) -> None:
        object.__setattr__(self, "title", said(self.title))


PLAIN_RISE = "sit_to_stand/two_legs"


# The library is read when somebody is judged: a process that only keeps or hands out data needs none.
@cache
def techniques() -> tuple[Technique, ...]:
    """Every way there and back, those to one destination in the order in which they are tried."""
    rises, plain = find(PLAIN_RISE)
    in_order = (plain, *(s for s in rises.steps if s is not plain))
    return (
        *(Technique(f"rise_{s.id}", s.title, Destination.STANDING, (rises.ref(s),)) for s in in_order),
        Technique(
            "by_a_chair",
            "by a chair: hands on the seat, one knee, then the other; up the same way",
            Destination.ON_THE_KNEES,
            ("floor_by_a_chair/all_the_way_up",),
        ),
        Technique(
            "over_the_side",
            "over one side as one unit, pushing up with the arms",
            Destination.LYING_DOWN,
            ("roll_to_the_side/to_the_side",),
        ),
        Technique(
            "edge_of_the_bed",
            "down onto the side at the edge; up with the legs over the edge as the arms push",
            Destination.IN_BED,
            ("side_to_sitting/all_the_way",),
            BED,
        ),
        Technique(
            "turned_as_one_unit",
            "turned over one side as one unit, in bed",
            Destination.TURNED_IN_BED,
            ("roll_to_the_side/to_the_side",),
            BED,
        ),
    )


# What somebody does every day, or what is done with them: told, and to be looked at; nothing here asks for a pose.
AS_EVERY_DAY = ("as_every_day", said("as every day, alone; look at it once"))
WITH_HELP = ("with_help", said("with the help that is usual"))
BY_HOIST = ("by_hoist", said("by hoist, two people"))
_TOLD = {("alone", "visit"): AS_EVERY_DAY, ("alone", "home"): AS_EVERY_DAY, ("with_help", "visit"): WITH_HELP}
_TOLD |= {("hoist", c): BY_HOIST for c in ("visit", "home")}
_TOLD_BY = {Destination.STANDING: ("observed_function",)}
_TOLD_OF = (Destination.IN_BED, Destination.TURNED_IN_BED)


@dataclass(frozen=True)
class Stage:
    """One step of a technique as it is open: on which side, with which measures."""

    ref: str
    side: str
    values: Values


@dataclass(frozen=True)
class WayThere:
    """One destination in one context: the technique with its stages, or what closes it."""

    to: Destination
    technique: Technique
    stages: tuple[Stage, ...]
    closed_by: tuple[str, ...] = ()
    opened_by: tuple[str, ...] = ()
    closed_since: date = date.min  # what was seen before the newest event that closes it says nothing of today

    @property
    def open(self) -> bool:
        return len(self.stages) == len(self.technique.steps)

    @property
    def plain(self) -> bool:
        """The rise of everybody, of which nothing has to be said."""
        return self.technique.steps == (PLAIN_RISE,)


def ways_there(
    findings: Findings, envelope: Envelope, profiler: Profiler, values: Mapping[str, Callable[[str], Values]]
) -> dict[str, tuple[WayThere, ...]]:
    """By context every destination by the first technique that is open, else by the one that was tried last; `values` are by
    context the measures with which a step begins in that room."""
    to = tuple(dict.fromkeys(t.to for t in techniques()))
    sought = [_first_open(findings, envelope, context, d, values[context]) for context in values for d in to]
    found = iter(together(profiler, sought))
    return {context: _as_told(findings, context, [way for way in islice(found, len(to)) if way is not None]) for context in values}


def _as_told(findings: Findings, context: str, ways: list[WayThere]) -> tuple[WayThere, ...]:
    """The same, where somebody was seen to get there or says so."""
    found = {way.to: way for way in ways}
    rise = found[Destination.STANDING]
    if not rise.open and any(r.rises in RISES_SEEN and r.on >= rise.closed_since for r in findings.results("observed_function")):
        found[rise.to] = WayThere(rise.to, Technique(*AS_EVERY_DAY, rise.to, ()), ())
    told = _TOLD.get((findings.case.tolerates.bed_transfer, context))
    if told is not None:
        id, title = told
        found |= {to: WayThere(to, Technique(id, title, to, (), BED), ()) for to in _TOLD_OF if not found[to].open}
    return tuple(found.values())


def _first_open(
    findings: Findings, envelope: Envelope, context: str, to: Destination, values: Callable[[str], Values]
) -> Generator[Ask, list[Profile], WayThere | None]:
    way = None
    for technique in techniques():
        if technique.to is to and (way is None or not way.open):
            way = yield from _way(findings, envelope, context, technique, values)
    return way


def _way(
    findings: Findings, envelope: Envelope, context: str, technique: Technique, values: Callable[[str], Values]
) -> Generator[Ask, list[Profile], WayThere]:
    stages: list[Stage] = []
    closed: dict[str, None] = {}
    since = date.min
    tests: dict[str, None] = dict.fromkeys(_TOLD_BY.get(technique.to, ()))
    for ref in technique.steps:
        stage, checks = yield from _stage(findings.case, envelope, context, ref, technique.on, values(ref))
        if stage is not None:
            stages.append(stage)
            continue
        for answer in checks:
            closed |= {b.limit.says(): None for b in answer.breaches}
            since = max((since, *(b.limit.event_on for b in answer.breaches if b.limit.event_on is not None)))
            tests |= {t: None for b in answer.breaches for t in _could_open(findings, b)}
        if not closed:
            closed[said("the body model has no pose for it")] = None
    return WayThere(technique.to, technique, tuple(stages), tuple(closed), tuple(tests), since)


def _could_open(findings: Findings, b: Breach) -> tuple[str, ...]:
    """Tests of what was never shown, and of a hip that counts as stiff because nobody has measured it."""
    hips = [t for t in quantity(b.quantity).hangs_on if any(findings.assumed(f"range.{s}.{t}") for s in ("left", "right"))]
    return (*b.limit.opened_by, *hips)


def _stage(
    case: Case, envelope: Envelope, context: str, ref: str, on: str, values: Values
) -> Generator[Ask, list[Profile], tuple[Stage | None, list[Check]]]:
    """The step on the side that is open, as it is or with its measures moved; else what each side breaks."""
    family, step = find(ref)
    on_it = {**values, LYING_ON.id: on} if LYING_ON.id in values else values
    sides = ("left", "right") if step.sides else ("both",)
    profiles = yield Ask(tuple(Request(family, step, s, on_it) for s in sides), Look.WHOLE)
    lifted = [valid_overrides(case.overrides, envelope, case.as_of, ref, s) for s in sides]
    firsts = [check(p, envelope, context, x) for p, x in zip(profiles, lifted, strict=True)]
    for p, answer in zip(profiles, firsts, strict=True):
        if answer.allowed:
            return Stage(ref, p.request.side, p.request.values), []
    for p, answer, x in zip(profiles, firsts, lifted, strict=True):
        other = yield from search(p, answer, envelope, context, x)
        if other is not None and other.profile.request.values.get(LYING_ON.id, on) == on:
            return Stage(ref, other.profile.request.side, other.profile.request.values), []
    return None, firsts


def with_ways(envelope: Envelope, ways: tuple[WayThere, ...]) -> Envelope:
    """The envelope of one context with every destination closed to which no way is open."""
    closed = [w for w in ways if not w.open]
    if not closed:
        return envelope
    return replace(envelope, limits=(*envelope.limits, *(_limit(w, p) for w in closed for p in w.to.places)), by_id={})


def _limit(way: WayThere, place: Place) -> Limit:
    return Limit(
        f"ways.{way.to.name.lower()}" if len(way.to.places) == 1 else f"ways.{way.to.name.lower()}_{place.name.lower()}",
        way.to.quantity,
        0,
        said("no way of {says} is open: {what1}", says=term(way.to.says), what1=said_together(way.closed_by[:_NAMED], "; ")),
        TECHNIQUE,
        when=place,
        origin=Origin.NOT_SHOWN if way.opened_by else Origin.RULE,
        opened_by=way.opened_by,
    )


_NAMED = 3  # of what stands in the way: the rest is on the page of the technique itself

__all__ = ["Destination", "Stage", "Technique", "WayThere", "techniques", "ways_there", "with_ways"]
