"""What people say on top of the rule-book: a clinician forbids, limits or clears; the specialist is stricter."""

from dataclasses import replace
from datetime import date
from typing import Any

from amvel.case import Case, ClinicianWord
from amvel.languages import said, said_together, term
from amvel.quantities import REGISTRY, quantity
from amvel.safety.limits import Limit, Origin, Referral
from amvel.sources import Kind, Source

SAID = Source(Kind.WORD, quoted_for="as written by the clinician")
OWN = Source(Kind.WORD, quoted_for="the specialist's own stricter limit")


def valid(word: ClinicianWord, on: date) -> bool:
    """Whether the word still counts today."""
    withdrawn = word.withdrawn_on is not None and word.withdrawn_on <= on
    return word.on <= on and (word.valid_until is None or on <= word.valid_until) and not withdrawn


def clears(word: ClinicianWord, limit: Limit) -> bool:
    """A clearing names limits that wait for a clinician, of a rule or one by one; whether it counts is another question."""
    return bool(limit.waits_for) and word.clears in (limit.id, limit.rule)


def apply_words(case: Case, limits: list[Limit]) -> tuple[list[Limit], list[Referral]]:
    """Limits after everybody has spoken, and referrals for words that cannot be followed."""
    words = [w for w in case.clinician_words if valid(w, case.as_of)]
    clearing = [w for w in words if w.kind == "clears"]
    kept = [y for x in limits if (y := _cleared(x, clearing)) is not None]
    added, referrals = [], []
    for i, w in enumerate(case.clinician_words):
        if w.kind == "clears":
            if w not in words or not any(clears(w, x) for x in limits):
                continue
            if w.waits_for_confirmation:
                text = said("a clearing by {role} {name} is only reported: a second person looks at “{document}” and confirms it", role=term(w.role), name=w.name, document=w.document)
                referrals.append(Referral(f"clinician.confirm_{i}", text, SAID))
                continue
            if not w.may_clear:
                text = said("a clearing by {role} {name}: a profession that may clear is not recorded; ask who clears it", role=term(w.role), name=w.name)
                referrals.append(Referral(f"clinician.who_{i}", text, SAID))
                continue
            if not all(_after_event(w, x) for x in limits if clears(w, x)):
                text = said("a clearing of {on} is older than what it clears: ask again", on=term(w.on))
                referrals.append(Referral(f"clinician.too_old_{i}", text, SAID))
            continue
        if w not in words:
            continue
        added += _said(i, w)
    added += [
        Limit(
            f"own.{i}",
            _column(o.quantity, o.side),
            o.bound,
            o.reason,
            OWN,
            set_by=said("{who}, {on}", who=o.by, on=o.on),
            review_on=o.review_on,
            origin=Origin.SPECIALIST,
        )
        for i, o in enumerate(case.own_limits)
    ]
    return [*kept, *added], referrals


def _cleared(limit: Limit, clearing: list[ClinicianWord]) -> Limit | None:
    """What is left of a limit: all of it, none, or as far as a number that somebody gave; of several the strictest."""
    given = [w for w in clearing if w.may_clear and clears(w, limit) and _after_event(w, limit)]
    if not given:
        return limit
    numbers = [w.bound for w in given if w.bound is not None]
    if not numbers:
        return None
    number = max(numbers) if limit.at_least else min(numbers)
    stricter = number >= limit.bound if limit.at_least else number <= limit.bound
    return limit if stricter else replace(limit, bound=number, waits_for="", set_by=said("{role} {who}", role=term(given[0].role), who=given[0].name))


def _after_event(word: ClinicianWord, limit: Limit) -> bool:
    """A clearing given before the operation or injury clears nothing."""
    return limit.event_on is None or word.on >= limit.event_on


def _column(name: str, side: str | None) -> str:
    base = quantity(name).id
    return f"{side}.{base}" if side and REGISTRY[base].sided else base


GENTLE_EFFORT = 3  # of 10: what "gentle only" means (our reading)
DELIBERATE_DEG = 5.0  # a clinician's "forbids" without a number: no deliberate movement that way (our reading)
_GRAVITY = 9.81
# Thigh against trunk, as a surgeon measures it: where the hip ends the back rounds, and the bend between them goes on.
_MEANT = {"hip_flexion_deg": "hip_bend_deg"}


def _said(i: int, w: ClinicianWord) -> list[Limit]:
    forbids = w.kind == "forbids"
    given = said("{role} {who}, {on}", role=term(w.role), who=w.name, on=w.on)
    whose: dict[str, Any] = {"role": term(w.role), "who": w.name}
    unexplained = said("{role} {who} forbids this", **whose) if forbids else said("{role} {who} limits this", **whose)
    common: dict[str, Any] = {
        "reason": w.reason or unexplained,
        "source": Source(Kind.WORD, quoted_for=given if not w.document else said_together((given, w.document), ", ")),
        "strength": "forbidden" if forbids else "limit",
        "set_by": given,
        "valid_until": w.valid_until,
        "origin": Origin.CLINICIAN,
        "only_step": w.step,
    }
    name = f"clinician.{w.kind}_{i}"
    if not w.quantity and forbids:
        return [Limit(name, "performed", 0.0, **common)]
    out = []
    if w.quantity:
        column = _column(_MEANT.get(quantity(w.quantity).id, w.quantity), w.side)
        usual = DELIBERATE_DEG if forbids and quantity(column).unit == "deg" else 0.0
        out.append(Limit(name, column, usual if w.bound is None else w.bound, **common))
    if w.load_kg is not None:
        out.append(Limit(f"{name}_load", _column("hand_pull_n", w.side), w.load_kg * _GRAVITY, **common))
    if w.gentle_only:
        out.append(Limit(f"{name}_gentle", "effort_0_to_10", GENTLE_EFFORT, **common))
    return out
