"""What people say on top of the rule-book: a clinician forbids, limits or clears; the specialist is stricter."""

from datetime import date

from amvel.case import Case, ClinicianWord
from amvel.quantities import REGISTRY, quantity
from amvel.safety.limits import Limit, Origin, Referral
from amvel.sources import Source

SAID = Source("as written by the clinician", from_memory=False)
OWN = Source("the specialist's own stricter limit", from_memory=False)


def valid(word: ClinicianWord, on: date) -> bool:
    """Whether the word still counts today."""
    return word.on <= on and (word.valid_until is None or on <= word.valid_until)


def clears(word: ClinicianWord, limit: Limit) -> bool:
    """A clearing lifts only limits that wait for a clinician, of the rule or the limit that it names."""
    return bool(limit.waits_for) and word.clears in (limit.id, limit.id.partition(".")[0])


def apply_words(case: Case, limits: list[Limit]) -> tuple[list[Limit], list[Referral]]:
    """Limits after everybody has spoken, and referrals for words that cannot be followed."""
    words = [w for w in case.clinician_words if valid(w, case.as_of)]
    clearing = [w for w in words if w.kind == "clears"]
    kept = [x for x in limits if not any(clears(w, x) and _after_event(w, x) for w in clearing)]
    added, referrals = [], []
    for i, w in enumerate(case.clinician_words):
        if w.kind == "clears":
            if not any(clears(w, x) for x in limits):
                continue
            if not all(_after_event(w, x) for x in limits if clears(w, x)):
                text = f"a clearing of {w.on} is older than what it clears: ask again"
                referrals.append(Referral(f"clinician.too_old_{i}", text, SAID))
            continue
        if w not in words:
            continue
        added.append(_said(i, w))
    added += [
        Limit(
            f"own.{i}",
            _column(o.quantity, o.side),
            o.bound,
            o.reason,
            OWN,
            set_by=f"{o.by}, {o.on}",
            review_on=o.review_on,
            origin=Origin.SPECIALIST,
        )
        for i, o in enumerate(case.own_limits)
    ]
    return [*kept, *added], referrals


def _after_event(word: ClinicianWord, limit: Limit) -> bool:
    """A clearing given before the operation or injury clears nothing."""
    return limit.event_on is None or word.on >= limit.event_on


def _column(name: str, side: str | None) -> str:
    base = quantity(name).id
    return f"{side}.{base}" if side and REGISTRY[base].sided else base


def _said(i: int, w: ClinicianWord) -> Limit:
    forbids = w.kind == "forbids"
    return Limit(
        f"clinician.{w.kind}_{i}",
        _column(w.quantity, w.side),
        (w.bound or 0.0),
        w.reason or f"{w.role} {w.name} {'forbids' if forbids else 'limits'} this",
        Source(f"{w.role} {w.name}, {w.on}" + (f", {w.document}" if w.document else ""), from_memory=False),
        "forbidden" if forbids else "limit",
        set_by=f"{w.role} {w.name}, {w.on}",
        valid_until=w.valid_until,
        origin=Origin.CLINICIAN,
    )
