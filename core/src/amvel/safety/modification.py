"""The nearest admissible version of a step: parameters moved towards easier until every limit holds.

The candidates of a step do not depend on findings; only which of them are admissible does.
"""

from dataclasses import dataclass
from itertools import product

from amvel.movements import Parameter, Profile, Profiler, Request, Step
from amvel.quantities import base_id
from amvel.safety.limits import Envelope
from amvel.safety.verdict import Breach, Check, check

# Quantities that belong to the position or the step itself: no parameter changes them.
_FIXED = frozenset(
    (
        "floor_transfer",
        "lying_flat",
        "one_leg_stance",
        "hand_support_level",
        "hold_s",
        "strained_hold_s",
        "breath_held",
        "rises",
        "performed",
        "on_the_back",
        "face_down",
        "on_hands_and_knees",
        "sitting",
        "standing",
        "lying_on",
        "unstable_surface",
        "rolls_on_spine",
        "jolt",
        "uses_band",
        "band_on_foot",
        "hard_prop",
        "time_flat_min",
        "effort_0_to_10",
    )
)
_COARSE = 5
_PAIR = 4


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


def hopeless(first: Check) -> bool:
    """Whether some broken limit speaks of what no parameter changes (the floor, the position, one leg)."""
    return any(base_id(b.limit.quantity) in _FIXED for b in first.breaches)


def distance(step: Step, start: dict[str, float | str], values: dict[str, float | str]) -> float:
    """How far a version is from the original: shares of each parameter's range, a little more per parameter touched."""
    total = 0.0
    for p in step.parameters:
        if values[p.id] == start[p.id]:
            continue
        if p.choices:
            share = abs(p.choices.index(str(values[p.id])) - p.choices.index(str(start[p.id]))) / max(
                1, len(p.choices) - 1
            )
        else:
            share = abs(float(values[p.id]) - float(start[p.id])) / (p.high - p.low)
        total += share + 0.05
    return total


def _thinned(items: list[float | str], most: int) -> list[float | str]:
    if len(items) <= most:
        return items
    return [items[round((i + 1) * len(items) / most) - 1] for i in range(most)]


def candidates(step: Step, start: dict[str, float | str]) -> list[dict[str, float | str]]:
    """Versions with one, then two, parameters moved; nearest first."""
    moves = {p.id: p.candidates(start[p.id]) for p in step.parameters}
    single = [{**start, k: v} for k, values in moves.items() for v in _thinned(values, _COARSE)]
    names = list(moves)
    double = [
        {**start, a: va, b: vb}
        for i, a in enumerate(names)
        for b in names[i + 1 :]
        for va, vb in product(_thinned(moves[a], _PAIR), _thinned(moves[b], _PAIR))
    ]
    return sorted(single, key=lambda v: distance(step, start, v)) + sorted(
        double, key=lambda v: distance(step, start, v)
    )


def nearest(
    profiler: Profiler,
    original: Profile,
    first: Check,
    envelope: Envelope,
    context: str,
    lifted: frozenset[str],
) -> Modified | None:
    """The closest admissible version, refined to the parameter's grid; None when there is none."""
    step, start = original.request.step, original.request.values
    if not step.parameters or hopeless(first):
        return None
    found: Profile | None = None
    singles = [c for c in candidates(step, start) if sum(c[k] != start[k] for k in c) == 1]
    doubles = [c for c in candidates(step, start) if sum(c[k] != start[k] for k in c) == 2]
    for group in (singles, doubles):
        found = _first_admissible(profiler, original, group, envelope, context, lifted)
        if found is not None:
            break
    if found is None:
        return None
    found = _refined(profiler, original, found, envelope, context, lifted)
    return Modified(found, check(found, envelope, context, lifted), _changes(original, found, first))


def _first_admissible(
    profiler: Profiler,
    original: Profile,
    group: list[dict[str, float | str]],
    envelope: Envelope,
    context: str,
    lifted: frozenset[str],
) -> Profile | None:
    requests = [
        Request(original.request.family, original.request.step, original.request.side, v) for v in group
    ]
    if not requests:
        return None
    quick = profiler.sketches(requests)  # declared frames only: a version that fails there fails
    for request, sketch in zip(requests, quick, strict=True):
        if check(sketch, envelope, context, lifted).allowed:
            full = profiler.profile(request)
            if check(full, envelope, context, lifted).allowed:
                return full
    return None


def _refined(
    profiler: Profiler,
    original: Profile,
    found: Profile,
    envelope: Envelope,
    context: str,
    lifted: frozenset[str],
) -> Profile:
    """Move each changed number back towards the original while everything still holds."""
    best = found
    start = original.request.values
    for p in original.request.step.parameters:
        value = best.request.values[p.id]
        if p.choices or value == start[p.id]:
            continue
        path = p.candidates(start[p.id])
        low, high = -1, path.index(value)
        while high - low > 1:
            middle = (low + high) // 2
            trial = profiler.profile(
                Request(
                    best.request.family,
                    best.request.step,
                    best.request.side,
                    {**best.request.values, p.id: path[middle]},
                )
            )
            if check(trial, envelope, context, lifted).allowed:
                high, best = middle, trial
            else:
                low = middle
    return best


def _changes(original: Profile, found: Profile, first: Check) -> tuple[Change, ...]:
    out = []
    for p in original.request.step.parameters:
        before, after = original.request.values[p.id], found.request.values[p.id]
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
    return profile.lowest(breach.quantity) if breach.limit.at_least else profile.peak(breach.quantity)


def _most_helped(breaches: tuple[Breach, ...], original: Profile, found: Profile) -> Breach | None:
    return max(
        breaches,
        key=lambda b: abs(_worst(original, b) - _worst(found, b)) / max(1e-6, abs(b.value)),
        default=None,
    )
