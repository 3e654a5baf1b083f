"""The nearest admissible version of a step: parameters moved towards easier until every limit holds.

The candidates of a step do not depend on findings; only which of them are admissible does.
"""

from collections import defaultdict
from collections.abc import Callable, Container, Generator
from dataclasses import dataclass
from itertools import islice, product
from typing import TypeVar

from amvel.body import DECLARED
from amvel.movements import Parameter, Profile, Profiler, Request, Step
from amvel.movements.dosing import dose_parameters, first_dose, only_what_differs
from amvel.movements.levels import named_levels
from amvel.movements.look import Look
from amvel.quantities import base_id, quantity
from amvel.safety.limits import Envelope
from amvel.safety.verdict import Breach, Check, check, holds

# Quantities that belong to the position or the step itself: no parameter changes them.
_FIXED = DECLARED | {"one_leg_stance"}
_COARSE = 5
_PAIR = 4
_AT_A_TIME = 3
_STILL = 1e-9  # what is not moved at all; a solver asked twice answers the same


@dataclass(frozen=True)
class Change:
    """One measure that was moved: from, to, and the quantity it brought inside its limit."""

    parameter: Parameter
    before: float | str
    after: float | str
    limit_id: str
    quantity: str
    value_before: float
    value_after: float
    bound: float
    hip_before_deg: float = 0.0
    hip_after_deg: float = 0.0


@dataclass(frozen=True)
class Modified:
    """An admissible version and how it differs."""

    profile: Profile
    check: Check
    changes: tuple[Change, ...]


def hopeless(request: Request, first: Check) -> bool:
    """Whether some broken limit speaks of what no parameter of this step changes: the position, one leg, the floor, or the
    level that the step is of by name."""
    fixed = _FIXED - frozenset().union(*(p.moves for p in changeable(request.step, first)))
    named = {way.quantity: level for way, level in named_levels().get(request.label, {}).items()}
    return any(
        base_id(b.limit.quantity) in fixed or named.get(b.limit.quantity, 0) > b.limit.bound for b in first.breaches
    )


def changeable(step: Step, first: Check) -> tuple[Parameter, ...]:
    """What may be moved: the measures of the step, and its dose where that eases something that is broken."""
    broken = {base_id(b.quantity) for b in first.breaches}
    return (*step.parameters, *(p for p in dose_parameters(step) if p.moves & broken))


def distance(step: Step, start: dict[str, float | str], values: dict[str, float | str]) -> float:
    """How far a version is from the original: shares of each parameter's range, a little more per parameter touched."""
    total = 0.0
    usual = {**first_dose(step), **start}
    for p in (*step.parameters, *dose_parameters(step)):
        if values.get(p.id, usual[p.id]) == usual[p.id]:
            continue
        if p.choices:
            share = abs(p.choices.index(str(values[p.id])) - p.choices.index(str(usual[p.id]))) / max(
                1, len(p.choices) - 1
            )
        else:
            share = abs(float(values[p.id]) - float(usual[p.id])) / (p.high - p.low)
        total += share + 0.05
    return total


def _thinned(items: list[float | str], most: int) -> list[float | str]:
    """So many of them, evenly; the first and the last are always among them, since often the smallest move is the only one
    that breaks nothing else."""
    if len(items) <= most:
        return items
    return [items[round(i * (len(items) - 1) / (most - 1))] for i in range(most)]


def candidates(
    step: Step, start: dict[str, float | str], of: Container[str] | None = None, more: tuple[Parameter, ...] = ()
) -> list[dict[str, float | str]]:
    """Versions with one, then two, parameters moved (all and `more`, or those of `of`); nearest first."""
    moves = {p.id: p.candidates(start[p.id]) for p in (*step.parameters, *more) if of is None or p.id in of}
    single = [{**start, k: v} for k, values in moves.items() for v in _thinned(values, _COARSE)]
    names = list(moves)
    double = [v for i, a in enumerate(names) for b in names[i + 1 :] for v in _pairs(start, moves, a, b)]
    return sorted(single, key=lambda v: distance(step, start, v)) + sorted(
        double, key=lambda v: distance(step, start, v)
    )


def _pairs(
    start: dict[str, float | str], moves: dict[str, list[float | str]], a: str, b: str
) -> list[dict[str, float | str]]:
    return [{**start, a: va, b: vb} for va, vb in product(_thinned(moves[a], _PAIR), _thinned(moves[b], _PAIR))]


@dataclass(frozen=True)
class Ask:
    """Profiles that a search needs next, and how closely they are to be looked at: only the closest look allows."""

    requests: tuple[Request, ...]
    look: Look


Search = Generator[Ask, list[Profile], Modified | None]
Found = TypeVar("Found")


def together(profiler: Profiler, searches: list[Generator[Ask, list[Profile], Found | None]]) -> list[Found | None]:
    """Run many searches side by side, so that what they need is solved in few large batches."""
    answers: list[Found | None] = [None] * len(searches)
    waiting: dict[int, Ask] = {}

    def go_on(i: int, got: list[Profile] | None) -> None:
        try:
            waiting[i] = next(searches[i]) if got is None else searches[i].send(got)
        except StopIteration as end:
            answers[i] = end.value
            waiting.pop(i, None)

    for i in range(len(searches)):
        go_on(i, None)
    while waiting:
        found = iter(profiler.looked_at([(a.look, r) for a in waiting.values() for r in a.requests]))
        got = {i: list(islice(found, len(a.requests))) for i, a in waiting.items()}
        for i in list(waiting):
            go_on(i, got[i])
    return answers


def search(original: Profile, first: Check, envelope: Envelope, context: str, lifted: frozenset[str]) -> Search:
    """The closest admissible version, refined to the parameter's grid; None when there is none."""
    step, start = original.request.step, {**first_dose(original.request.step), **original.request.values}
    free = changeable(step, first)
    if not free or hopeless(original.request, first):
        return None

    def fine(profile: Profile) -> bool:
        return holds(profile, envelope, context, lifted)

    moves = {p.id: p.candidates(start[p.id]) for p in free}
    # The furthest that each parameter goes, and half-way: what none of them eases, no other value of one will hold.
    probes, sketches = yield from _probed(original, first, [(p, moves[p.id]) for p in free if moves[p.id]])
    if _beyond_help(original, first, sketches):
        return None
    alone = _enough_alone(original, first, probes, sketches)
    more = tuple(p for p in free if p not in step.parameters)
    singles = [_version(original, c) for c in candidates(step, start, alone, more) if sum(c[k] != start[k] for k in c) == 1]
    found = yield from _first_fine(singles, fine)
    if found is None:
        doubles = yield from _hopeful_pairs(original, first, moves, probes, sketches)
        found = yield from _first_fine(doubles, fine)
    if found is None:
        return None
    found = yield from _refined(original, found, fine)
    return Modified(found, check(found, envelope, context, lifted), changes(original, found, first))


def _probed(
    original: Profile, first: Check, moves: list[tuple[Parameter, list[float | str]]]
) -> Generator[Ask, list[Profile], tuple[list[Request], list[Profile]]]:
    """Each parameter as far as it goes, and half-way where that can say more."""
    start = {**first_dose(original.request.step), **original.request.values}
    furthest = [_version(original, {**start, p.id: values[-1]}) for p, values in moves]
    sketches = yield Ask(tuple(furthest), Look.SKETCH)
    if any(all(_leaves_it(original, sketch, b, p) for (p, _), sketch in zip(moves, sketches, strict=True)) for b in first.breaches):
        return furthest, sketches
    half_way = [
        _version(original, {**start, p.id: values[round(len(values) / 2) - 1]})
        for (p, values), sketch in zip(moves, sketches, strict=True)
        if len(values) > 1 and not _says_all(original, sketch, first, p)
    ]
    between = yield Ask(tuple(half_way), Look.SKETCH)
    return [*furthest, *half_way], [*sketches, *between]


def _says_all(original: Profile, furthest: Profile, first: Check, parameter: Parameter) -> bool:
    """Whether half-way can add nothing: the furthest holds all that was broken, or moves none of it at all."""
    if furthest.fault:
        return False
    return all(_holds(furthest, b) for b in first.breaches) or all(_leaves_it(original, furthest, b, parameter) for b in first.breaches)


def _leaves_it(original: Profile, furthest: Profile, b: Breach, parameter: Parameter) -> bool:
    """Whether a measure, as far as it goes, does not move what is broken at all: then nothing between does, where its values
    are in order."""
    return not furthest.fault and not parameter.choices and abs(_worst(furthest, b) - _worst(original, b)) < _STILL


def nearest_posed(original: Profile) -> Generator[Ask, list[Profile], Profile | None]:
    """The version nearest to one that this body cannot take which it can; it depends on no limit.  None when there is none."""
    step, start = original.request.step, {**first_dose(original.request.step), **original.request.values}
    versions = [_version(original, c) for c in candidates(step, start)]
    found = yield from _first_fine(versions, lambda profile: not profile.fault)
    return found


def _hopeful_pairs(
    original: Profile,
    first: Check,
    moves: dict[str, list[float | str]],
    probes: list[Request],
    sketches: list[Profile],
) -> Generator[Ask, list[Profile], list[Request]]:
    """Versions with two parameters moved, nearest first, of those pairs that can hold all that was broken.

    What neither of two brings inside its bound alone where it was tried, nor both at their easiest, nothing between will
    (our reading).
    """
    step, start = original.request.step, {**first_dose(original.request.step), **original.request.values}
    pairs = [(a, b) for i, a in enumerate(moves) for b in list(moves)[i + 1 :] if moves[a] and moves[b]]
    corners = [_version(original, {**start, a: moves[a][-1], b: moves[b][-1]}) for a, b in pairs]
    held = _held_alone(start, first, probes, sketches)
    at_corners = yield Ask(tuple(corners), Look.SKETCH)
    hopeful = [
        v
        for (a, b), corner in zip(pairs, at_corners, strict=True)
        if corner.fault or all(_holds(corner, x) or x in held[a] or x in held[b] for x in first.breaches)
        for v in _pairs(start, moves, a, b)
    ]
    return [_version(original, v) for v in sorted(hopeful, key=lambda v: distance(step, start, v))]


def _held_alone(start: dict[str, float | str], first: Check, probes: list[Request], sketches: list[Profile]) -> dict[str, list[Breach]]:
    """Per parameter what of the broken it brings inside its bound alone, at one of the places where it was tried."""
    out: dict[str, list[Breach]] = defaultdict(list)
    for request, sketch in zip(probes, sketches, strict=True):
        moved = next(k for k, v in {**start, **request.values}.items() if v != start[k])
        out[moved] += [b for b in first.breaches if sketch.fault or _holds(sketch, b)]
    return out


def _holds(profile: Profile, b: Breach) -> bool:
    return not quantity(b.quantity).breaks(_worst(profile, b), b.limit.bound, b.limit.at_least)


def _version(original: Profile, values: dict[str, float | str]) -> Request:
    asked = original.request
    return Request(asked.family, asked.step, asked.side, only_what_differs(asked.step, values))


def _first_fine(
    versions: list[Request], fine: Callable[[Profile], bool]
) -> Generator[Ask, list[Profile], Profile | None]:
    """The first version that holds everything; they come nearest first, so that most of them are never looked at.

    Where none of the first ones does, more are looked at together: many small batches cost more than a few large ones.
    """
    start, at_a_time, whole_at_a_time = 0, _AT_A_TIME, 1
    while start < len(versions):
        part = versions[start : start + at_a_time]
        start, at_a_time = start + at_a_time, 2 * at_a_time
        sketches = yield Ask(tuple(part), Look.SKETCH)
        hopeful = [r for r, sketch in zip(part, sketches, strict=True) if fine(sketch)]  # what fails in its declared frames fails
        while hopeful:
            now, hopeful = hopeful[:whole_at_a_time], hopeful[whole_at_a_time:]
            good = yield from _first_that_holds(now, fine)
            if good is not None:
                return good
            whole_at_a_time *= 2
    return None


def _first_that_holds(versions: list[Request], fine: Callable[[Profile], bool]) -> Generator[Ask, list[Profile], Profile | None]:
    """The first of these that holds everything also with limbs that nobody has measured as far as they may go: that is
    looked at only where it holds with them as they are assumed.  So of a lower bound on the angle of a limb the assumed one
    counts: nobody knows whether the limb goes further."""
    found = yield Ask(tuple(versions), Look.ASSUMED)
    for version in [r for r, assumed in zip(versions, found, strict=True) if fine(assumed)]:
        [whole] = yield Ask((version,), Look.WHOLE)
        if fine(whole):
            return whole
    return None


def _beyond_help(original: Profile, first: Check, probes: list[Profile]) -> bool:
    """Whether some broken limit is not eased by any parameter alone: then no pair of them will hold it either (our reading)."""
    placed = [p for p in probes if not p.fault]
    return any(all(not _eased(original, p, b) for p in placed) for b in first.breaches)


def _enough_alone(original: Profile, first: Check, probes: list[Request], sketches: list[Profile]) -> set[str]:
    """Parameters that hold everything that was broken where they were tried, or that could not be tried there.

    What neither the furthest nor the middle of a range brings inside its bound, nothing between will (our reading).
    """
    start = {**first_dose(original.request.step), **original.request.values}
    # More breaches leave fewer of them, never more: an added finding must not open what was closed.
    return {
        next(k for k, v in {**start, **request.values}.items() if v != start[k])
        for request, sketch in zip(probes, sketches, strict=True)
        if sketch.fault or all(_holds(sketch, b) for b in first.breaches)
    }


def _eased(original: Profile, other: Profile, b: Breach) -> bool:
    sign = -1.0 if b.limit.at_least else 1.0
    return sign * _worst(other, b) < sign * _worst(original, b) - 1e-6


def _refined(
    original: Profile, found: Profile, fine: Callable[[Profile], bool]
) -> Generator[Ask, list[Profile], Profile]:
    """Move each changed number back towards the original while everything still holds: as far as the declared frames let it,
    and from there as far as those in between do."""
    best = found
    step = original.request.step
    start = {**first_dose(step), **original.request.values}
    for p in (*step.parameters, *dose_parameters(step)):
        value = best.request.values.get(p.id, start[p.id])
        if p.choices or value == start[p.id]:
            continue
        path = [_version(original, {**best.request.values, p.id: x}) for x in p.candidates(start[p.id])]
        low, high = -1, path.index(best.request)
        nearest = yield from _halved(path, low, high, fine)
        if nearest == high:
            continue
        whole = yield from _first_that_holds([path[nearest]], fine)
        best = whole or (yield from _halved_whole(path, nearest, high, fine)) or best
    return best


def _halved(path: list[Request], low: int, high: int, fine: Callable[[Profile], bool]) -> Generator[Ask, list[Profile], int]:
    """Which of these versions is the first whose declared frames hold, between one that does not and one that does."""
    while high - low > 1:
        middle = (low + high) // 2
        [trial] = yield Ask((path[middle],), Look.SKETCH)
        low, high = (low, middle) if fine(trial) else (middle, high)
    return high


def _halved_whole(
    path: list[Request], low: int, high: int, fine: Callable[[Profile], bool]
) -> Generator[Ask, list[Profile], Profile | None]:
    """The same of whole versions; none where it is the one that is known to hold."""
    best = None
    while high - low > 1:
        middle = (low + high) // 2
        trial = yield from _first_that_holds([path[middle]], fine)
        if trial is not None:
            high, best = middle, trial
        else:
            low = middle
    return best


def changes(original: Profile, found: Profile, first: Check) -> tuple[Change, ...]:
    """What was moved between two versions of a step, and which broken limit it helps most."""
    out = []
    step = original.request.step
    start = {**first_dose(step), **original.request.values}
    for p in (*step.parameters, *dose_parameters(step)):
        before, after = start[p.id], found.request.values.get(p.id, start[p.id])
        if before == after:
            continue
        breach = _most_helped(first.breaches, original, found)
        out.append(
            Change(
                p,
                before,
                after,
                breach.limit.id if breach else "",
                breach.quantity if breach else "",
                breach.value if breach else 0.0,
                _worst(found, breach) if breach else 0.0,
                breach.limit.bound if breach else 0.0,
                _hip(original),
                _hip(found),
            )
        )
    return tuple(out)


def _hip(profile: Profile) -> float:
    """Hip bend in the first frame: for a seat, sitting tall on it."""
    return max(float(profile.columns[f"{s}.hip_flexion_deg"][0]) for s in ("left", "right"))


def _worst(profile: Profile, breach: Breach) -> float:
    """Of all frames, wherever the limit looks."""
    found = profile.columns.worst(breach.quantity, breach.limit.at_least)
    assert found is not None, f"{profile.request.label} has no frames"
    return found


def _most_helped(breaches: tuple[Breach, ...], original: Profile, found: Profile) -> Breach | None:
    return max(
        breaches,
        key=lambda b: abs(_worst(original, b) - _worst(found, b)) / max(1e-6, abs(b.value)),
        default=None,
    )
