"""Judge the library for one case: every step, side and context gets a verdict with its reasons."""

from collections.abc import Callable
from dataclasses import dataclass, field, replace
from typing import Any

from amvel.body import PoseFault
from amvel.case import Case
from amvel.movements import Family, Profile, Profiler, Request, Step, all_steps, library
from amvel.movements.bed import LYING_ON
from amvel.movements.propped import HEAD_END_UP
from amvel.quantities import quantity
from amvel.safety.limits import Envelope
from amvel.safety.modification import Change, Modified, search, together
from amvel.safety.verdict import CONTEXTS, Breach, Check, check, valid_overrides
from amvel.screening import Findings

AS_IS, MODIFIED, EXCLUDED, BY_OVERRIDE = "as_is", "modified", "excluded", "by_override"
_INSTEAD = 3
StartValues = Callable[[Family, Step, str], dict[str, float | str]]  # the last one is the context


@dataclass(frozen=True)
class Verdict:
    """What is allowed of one step on one side in one context, and why."""

    family: str
    step: str
    side: str
    context: str
    verdict: str
    profile: Profile = field(compare=False)
    original: Profile = field(compare=False)
    reasons: tuple[Breach, ...] = ()
    cautions: tuple[Breach, ...] = ()
    changes: tuple[Change, ...] = ()
    assumed: tuple[str, ...] = ()
    fault: PoseFault | None = None
    instead: tuple[str, ...] = ()

    @property
    def ref(self) -> str:
        return f"{self.family}/{self.step}"

    @property
    def allowed(self) -> bool:
        return self.verdict != EXCLUDED


def sides_of(step: Step) -> tuple[str, ...]:
    return ("left", "right") if step.sides else ("both",)


def judge(
    case: Case,
    findings: Findings,
    envelope: Envelope,
    profiler: Profiler,
    start_values: StartValues,
    only: Callable[[Family, Step], bool] = lambda f, s: True,
    contexts: tuple[str, ...] = CONTEXTS,
) -> list[Verdict]:
    """Verdicts in library order.  Deterministic: the same case, rule-book and model give the same answer."""
    chosen = [(f, s) for f, s in all_steps() if only(f, s)]
    pairs = []
    for context in contexts:
        requests = [Request(f, s, side, start_values(f, s, context)) for f, s in chosen for side in sides_of(s)]
        pairs += [(p, context) for p in profiler.profiles(requests)]
    return _with_instead(_judge_all(case, findings, envelope, profiler, pairs))


def judge_one(
    case: Case, findings: Findings, envelope: Envelope, profiler: Profiler, profile: Profile, context: str
) -> Verdict:
    """The verdict on one profile as it stands, or on its nearest admissible version."""
    return _judge_all(case, findings, envelope, profiler, [(profile, context)])[0]


def as_they_stand(
    case: Case, findings: Findings, envelope: Envelope, profiles: list[Profile], context: str
) -> list[Verdict]:
    """Verdicts on profiles without the search for an admissible version: 'excluded' says no more than 'not like this'."""
    return [_verdict(findings, envelope, _first(case, envelope, p, context), None) for p in profiles]


@dataclass(frozen=True)
class _First:
    """One profile in one context as it stands, with and without the overrides that are valid for it."""

    profile: Profile
    context: str
    lifted: frozenset[str]
    plain: Check
    check: Check


def _judge_all(
    case: Case, findings: Findings, envelope: Envelope, profiler: Profiler, pairs: list[tuple[Profile, str]]
) -> list[Verdict]:
    firsts = [_first(case, envelope, p, context) for p, context in pairs]
    open_ = [f for f in firsts if not f.check.allowed]
    searches = [search(f.profile, f.check, envelope, f.context, f.lifted) for f in open_]
    found = {id(f): m for f, m in zip(open_, together(profiler, searches), strict=True)}
    return [_verdict(findings, envelope, f, found.get(id(f))) for f in firsts]


def _first(case: Case, envelope: Envelope, profile: Profile, context: str) -> _First:
    lifted = valid_overrides(case.overrides, envelope, case.as_of, profile.request.label, profile.request.side)
    plain = check(profile, envelope, context)
    return _First(
        profile, context, lifted, plain, check(profile, envelope, context, lifted) if lifted else plain
    )


def _verdict(findings: Findings, envelope: Envelope, f: _First, found: Modified | None) -> Verdict:
    request = f.profile.request
    base: dict[str, Any] = dict(
        family=request.family.id, step=request.step.id, side=request.side, context=f.context, original=f.profile
    )
    if f.check.allowed:
        return Verdict(
            verdict=AS_IS if f.plain.allowed else BY_OVERRIDE,
            profile=f.profile,
            reasons=f.plain.breaches,
            cautions=f.check.cautions,
            assumed=_assumed(findings, f.check.cautions),
            **base,
        )
    base |= dict(reasons=f.check.breaches, fault=f.check.fault, assumed=_assumed(findings, f.check.breaches))
    if found is None:
        return Verdict(verdict=EXCLUDED, profile=f.profile, **base)
    kind = MODIFIED if check(found.profile, envelope, f.context).allowed else BY_OVERRIDE
    return Verdict(
        verdict=kind, profile=found.profile, cautions=found.check.cautions, changes=found.changes, **base
    )


_RULE_ASSUMES = {"low_bone_mass": "bone", "falls_and_balance": "balance", "blood_pressure": "blood_pressure"}
_BENDS = ("hip_flexion", "straight_leg_raise")
_SIDES = ("left", "right")


def _assumed(findings: Findings, breaches: tuple[Breach, ...]) -> tuple[str, ...]:
    """Which untested things had a part in this."""
    ids: set[str] = set()
    for b in breaches:
        rule = b.limit.id.split(".")[0]
        ids |= {_RULE_ASSUMES[rule]} if rule in _RULE_ASSUMES else set()
        if b.limit.id.endswith(("unloaded_flexion", "caution_flexion")):
            ids.add("range.trunk_flexion")
        if "rotation" in b.limit.id:
            ids |= {f"range.{side}.trunk_rotation" for side in _SIDES}
        if "flexion" in b.quantity or "rounding" in b.quantity:
            ids |= {f"range.{side}.{name}" for side in _SIDES for name in _BENDS}
    return tuple(sorted(i for i in ids if findings.assumed(i)))


def _with_instead(verdicts: list[Verdict]) -> list[Verdict]:
    open_steps = {c: sorted({v.ref for v in verdicts if v.allowed and v.context == c}) for c in CONTEXTS}
    ranked: dict[tuple[str, str], tuple[str, ...]] = {}
    out = []
    for v in verdicts:
        if v.allowed:
            out.append(v)
            continue
        key = (v.ref, v.context)
        if key not in ranked:
            ranked[key] = _ranked(v, open_steps[v.context])
        out.append(replace(v, instead=ranked[key]))
    return out


def _ranked(v: Verdict, open_steps: list[str]) -> tuple[str, ...]:
    """The open steps that serve most of the purposes of a closed one."""
    families = library()
    purposes = families[v.family].index[v.step].purposes
    scored: dict[str, float] = {}
    for ref in open_steps:
        name, _, step = ref.partition("/")
        if ref == v.ref:
            continue
        family = families[name]
        theirs = family.index[step].purposes
        shared = sum(min(w, theirs.get(p, 0.0)) for p, w in purposes.items())
        bonus = (0.5 if v.family in family.replaces else 0.0) + (0.2 if name == v.family else 0.0)
        if shared + bonus > 0.1:
            scored[ref] = shared + bonus
    return tuple(sorted(scored, key=lambda r: (-scored[r], r))[:_INSTEAD])


def describe(change: Change) -> str:
    """'seat height 38 → 45 cm: rounding under load 14.2° → 9.8°, limit 10°'."""
    p = change.parameter
    if p.id == LYING_ON.id:
        return f"on a {change.after} instead of the {change.before}: nobody has to get down and up again"
    if p.id == HEAD_END_UP.id:
        return f"head end raised {_show(change.after)}°, head and trunk on the slope: nobody has to lie flat"
    unit = "°" if p.unit == "deg" else f" {p.unit}" if p.unit else ""
    text = f"{p.title} {_show(change.before)} → {_show(change.after)}{unit}"
    if not change.limit_id:
        return (
            f"{text}: hip bend in sitting {change.hip_before_deg:.0f}° → {change.hip_after_deg:.0f}°"
            if p.id == "seat_cm"
            else text
        )
    q = quantity(change.quantity)
    unit = "°" if q.unit == "deg" else f" {q.unit}"
    hips = (
        f", hip bend in sitting {change.hip_before_deg:.0f}° → {change.hip_after_deg:.0f}°"
        if p.id == "seat_cm" and "hip_flexion" not in change.quantity
        else ""
    )
    return f"{text}: {q.title} {_show(change.value_before)}{unit} → {_show(round(change.value_after, 1))}{unit}, limit {_show(change.bound)}{unit}{hips}"


def _show(value: float | str) -> str:
    return value if isinstance(value, str) else f"{value:g}"
