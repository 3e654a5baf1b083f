"""Verdicts: a cached demand profile against the envelope.  Nothing here knows a diagnosis."""

import math
from dataclasses import dataclass
from datetime import date

from amvel.body import DECLARED, PoseFault
from amvel.case import Override
from amvel.movements import Profile
from amvel.movements.columns import Extremes
from amvel.movements.levels import named_levels
from amvel.quantities import base_id, quantity
from amvel.safety.limits import Envelope, Limit, in_words
from amvel.sources import Kind, Source

CONTEXTS = ("visit", "home")
POSE = Source(Kind.MODEL, quoted_for="the body model: this body cannot take the pose")


@dataclass(frozen=True)
class Breach:
    """One limit that a step breaks: the worst value over all frames, rounded to the adverse side."""

    limit: Limit
    quantity: str
    value: float

    def here(self) -> str:
        """What the step has, in words: 'here 96°', 'here: one leg, hands free'; '' where the limit says it all."""
        return in_words(self.value, self.limit.unit)


@dataclass(frozen=True)
class Check:
    """One profile against the envelope in one context."""

    breaches: tuple[Breach, ...]
    cautions: tuple[Breach, ...]
    fault: PoseFault | None = None

    @property
    def allowed(self) -> bool:
        return not self.breaches and not self.fault


def adverse(value: float, name: str, at_least: bool) -> float:
    """Round to the quantity's resolution, upwards for upper bounds and downwards for lower ones."""
    if math.isinf(value):
        return value
    scale = 10.0 ** quantity(name).decimals
    return (math.floor(value * scale + 1e-6) if at_least else math.ceil(value * scale - 1e-6)) / scale


def columns_of(limit: Limit, profile: Profile) -> list[str]:
    """The profile columns that a limit binds."""
    if limit.quantity in profile.columns:
        return [limit.quantity]
    return [f"{side}.{limit.quantity}" for side in ("left", "right")]


def concerns(limit: Limit, label: str) -> bool:
    """Whether a limit speaks of this step at all."""
    return not limit.only_step or limit.only_step in (label, label.partition("/")[0])


def looks_at(limit: Limit, profile: Profile, context: str) -> Extremes | None:
    """The worst values of the frames that a limit looks at; None where it looks at none."""
    if (limit.at_home and context != "home") or not concerns(limit, profile.request.label):
        return None
    return profile.extremes(limit.when.column)


def check(profile: Profile, envelope: Envelope, context: str, lifted: frozenset[str] = frozenset()) -> Check:
    """Every limit against every frame.  `lifted` are limit ids opened by a valid override."""
    breaches: list[Breach] = []
    cautions: list[Breach] = []
    for limit in envelope.limits:
        if profile.fault and not known_of_any_body(limit, profile):
            continue
        seen = None if limit.id in lifted else looks_at(limit, profile, context)
        if seen is None:
            continue
        for name in columns_of(limit, profile):
            worst = seen.worst(name, limit.at_least)
            if quantity(name).breaks(worst, limit.bound, limit.at_least):
                value = adverse(worst, name, limit.at_least)
                (cautions if limit.strength == "caution" else breaches).append(Breach(limit, name, abs(value) if math.isinf(value) else value))
    return Check(tuple(breaches), tuple(cautions), profile.fault)


def known_of_any_body(limit: Limit, profile: Profile) -> bool:
    """Whether a limit speaks of what the step declares or is named as: that holds even where the model cannot take the pose."""
    declared = base_id(limit.quantity) in DECLARED and (not limit.when.column or limit.when.column in DECLARED)
    ways = named_levels().get(profile.request.label, {})
    return declared or any(w.quantity == limit.quantity and level > limit.bound for w, level in ways.items())


def valid_overrides(
    overrides: tuple[Override, ...], envelope: Envelope, on: date, step: str, side: str
) -> frozenset[str]:
    """Limits opened for exactly this step and side today; 'forbidden' yields only to a clinician."""
    out = set()
    for o in overrides:
        limit = envelope.by_id.get(o.limit_id)
        if limit is None or o.step != step or o.side not in (side, "both") or not o.on <= on <= o.expires_on:
            continue
        if o.withdrawn_on is not None and o.withdrawn_on <= on:
            continue
        if limit.strength == "forbidden" and o.role != "clinician":
            continue
        out.add(limit.id)
    return frozenset(out)
