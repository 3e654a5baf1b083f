"""Judge the library for one case: every step, side and context gets a verdict with its reasons."""

from collections.abc import Callable
from dataclasses import dataclass, field, replace
from functools import lru_cache
from heapq import nsmallest
from typing import Any, Final, Literal

from amvel.body import PoseFault
from amvel.case import Case
from amvel.languages import Message, said, said_together
from amvel.movements import Family, Profile, Profiler, Request, Step, all_steps, find
from amvel.movements.levels import HIGHEST, LEVEL_OF_EACH_WAY, named_levels
from amvel.quantities import quantity
from amvel.quantities.amount import with_unit
from amvel.safety.limits import Envelope
from amvel.safety.modification import Change, Modified, changes, nearest_posed, search, together
from amvel.safety.verdict import CONTEXTS, Breach, Check, check, valid_overrides
from amvel.screening import Findings

VerdictKind = Literal["as_is", "modified", "excluded", "by_override", "not_judged"]
AS_IS: Final = "as_is"
MODIFIED: Final = "modified"
EXCLUDED: Final = "excluded"
BY_OVERRIDE: Final = "by_override"
NOT_JUDGED: Final = "not_judged"  # the model cannot take the pose: no verdict, never offered, a fault of ours
CLOSED = frozenset((EXCLUDED, NOT_JUDGED))
_INSTEAD = 3
Envelopes = Callable[[str], Envelope]  # of a context: what binds differs with the ways that are open there
StartValues = Callable[[Family, Step, str], dict[str, float | str]]  # the last one is the context


@dataclass(frozen=True)
class Verdict:
    """What is allowed of one step on one side in one context, and why."""

    family: str
    step: str
    side: str
    context: str
    verdict: VerdictKind
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
        return self.verdict not in CLOSED


def sides_of(step: Step) -> tuple[str, ...]:
    return ("left", "right") if step.sides else ("both",)


def judge(
    case: Case,
    findings: Findings,
    envelopes: Envelopes,
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
    return _with_instead(_judge_all(case, findings, envelopes, profiler, pairs))


def judge_one(
    case: Case, findings: Findings, envelope: Envelope, profiler: Profiler, profile: Profile, context: str
) -> Verdict:
    """The verdict on one profile as it stands, or on its nearest admissible version."""
    return _judge_all(case, findings, lambda _: envelope, profiler, [(profile, context)])[0]


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
    posed: Profile | None = None  # the nearest version that this body can take, where it cannot take this one


def _judge_all(
    case: Case, findings: Findings, envelopes: Envelopes, profiler: Profiler, pairs: list[tuple[Profile, str]]
) -> list[Verdict]:
    firsts = [_first(case, envelopes(context), p, context) for p, context in pairs]
    open_ = [f for f in firsts if not f.check.allowed and not _asked_for_and_out(f)]
    searches = [search(f.profile, f.check, envelopes(f.context), f.context, f.lifted) for f in open_]
    found = {id(f): m for f, m in zip(open_, together(profiler, searches), strict=True)}
    posed = _as_far_as_it_goes(envelopes, profiler, [f for f in open_ if found[id(f)] is None and _nothing_said(f)])
    found |= _from_there(envelopes, profiler, [f for f in open_ if id(f) in posed], posed)
    return [_verdict(findings, envelopes(f.context), posed.get(id(f), f), found.get(id(f))) for f in firsts]


def _nothing_said(f: _First) -> bool:
    """The body cannot take the pose, and no limit speaks."""
    return bool(f.check.fault) and not f.check.breaches


def _as_far_as_it_goes(envelopes: Envelopes, profiler: Profiler, faulty: list[_First]) -> dict[int, _First]:
    """What the nearest version that this body can take breaks: that closes the step, not the model's failing further on."""
    found = together(profiler, [nearest_posed(f.profile) for f in faulty])
    out = {}
    for f, profile in zip(faulty, found, strict=True):
        answer = check(profile, envelopes(f.context), f.context, f.lifted) if profile else None
        if profile is not None and answer is not None and answer.breaches:
            out[id(f)] = replace(f, check=answer, posed=profile)
    return out


def _from_there(envelopes: Envelopes, profiler: Profiler, faulty: list[_First], posed: dict[int, _First]) -> dict[int, Modified | None]:
    """The closest admissible version, sought from the one that this body can take; said as a change of what was declared."""
    nearest = [posed[id(f)] for f in faulty]
    searches = [search(n.posed, n.check, envelopes(n.context), n.context, n.lifted) for n in nearest if n.posed is not None]
    out: dict[int, Modified | None] = {}
    for f, n, m in zip(faulty, nearest, together(profiler, searches), strict=True):
        out[id(f)] = m and replace(m, changes=changes(f.profile, m.profile, n.check))
    return out


def _asked_for_and_out(f: _First) -> bool:
    """What is often asked for is never offered changed to somebody whose limits name its mechanism: no sliver of it."""
    return f.profile.request.family.asked_for and bool(f.check.breaches)


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
        as_it_is: VerdictKind = AS_IS if f.plain.allowed else BY_OVERRIDE
        return Verdict(
            verdict=as_it_is,
            profile=f.profile,
            reasons=f.plain.breaches,
            cautions=f.check.cautions,
            assumed=_assumed(findings, f.check.cautions),
            **base,
        )
    base |= dict(reasons=f.check.breaches, fault=f.check.fault, assumed=_assumed(findings, f.check.breaches))
    if found is None:
        closed: VerdictKind = NOT_JUDGED if f.check.fault and not f.check.breaches else EXCLUDED
        return Verdict(verdict=closed, profile=f.profile, **base)
    kind: VerdictKind = MODIFIED if check(found.profile, envelope, f.context).allowed else BY_OVERRIDE
    return Verdict(
        verdict=kind, profile=found.profile, cautions=found.check.cautions, changes=found.changes, **base
    )


_SIDES = ("left", "right")


def _assumed(findings: Findings, breaches: tuple[Breach, ...]) -> tuple[str, ...]:
    """Which untested things had a part in this: those that made the bound, and those that shape what it looks at."""
    ids: set[str] = set()
    for b in breaches:
        ids |= b.limit.assumes
        ids |= {f"range.{side}.{name}" for side in _SIDES for name in quantity(b.quantity).hangs_on}
    return tuple(sorted(i for i in ids if findings.assumed(i)))


def _with_instead(verdicts: list[Verdict]) -> list[Verdict]:
    open_steps = {c: {v.ref for v in verdicts if v.allowed and v.context == c} for c in CONTEXTS}
    hardest = _hardest(verdicts)
    ranked: dict[tuple[str, str], tuple[str, ...]] = {}
    out = []
    for v in verdicts:
        if v.allowed:
            out.append(v)
            continue
        key = (v.ref, v.context)
        if key not in ranked:
            ranked[key] = _ranked(v, open_steps[v.context], hardest)
        out.append(replace(v, instead=ranked[key]))
    return out


def _hardest(verdicts: list[Verdict]) -> dict[tuple[str, str], float]:
    """Per step and context the highest level of trunk work over sides and ways; none where the model has no pose."""
    out: dict[tuple[str, str], float] = {}
    for v in verdicts:
        seen = None if v.profile.fault else v.profile.columns.extremes()
        if seen is not None:
            level = max(seen.worst(name, False) for name in LEVEL_OF_EACH_WAY)
            out[v.ref, v.context] = max(level, out.get((v.ref, v.context), 0.0))
    return out


def _level(v: Verdict, hardest: dict[tuple[str, str], float]) -> float:
    """The level of trunk work of a closed step: as it is posed, else as it is named."""
    return hardest.get((v.ref, v.context), float(max(named_levels().get(v.ref, {}).values(), default=HIGHEST)))


def _ranked(v: Verdict, open_steps: set[str], hardest: dict[tuple[str, str], float]) -> tuple[str, ...]:
    """The open steps that serve most of the purposes of a closed one and are no harder."""
    level = max(_level(v, hardest), 1.0) + 0.05
    worth = _worth_instead(v.ref).items()
    scored = [(-w, r) for r, w in worth if r in open_steps and hardest[r, v.context] <= level]  # never harder than what it stands in for
    return tuple(r for _, r in nsmallest(_INSTEAD, scored))


@lru_cache(maxsize=1024)
def _worth_instead(ref: str) -> dict[str, float]:
    """By name of other steps that ask for no more effort and may be offered, how much of a step's purposes each serves."""
    family, closed = find(ref)
    scored: dict[str, float] = {}
    for other_family, other in all_steps():
        name = other_family.ref(other)
        if name == ref or other_family.asked_for or other.effort > closed.effort:
            continue
        worth = (0.5 if family.id in other_family.replaces else 0.0) + (0.2 if other_family is family else 0.0)
        if not closed.purposes.keys().isdisjoint(other.purposes):
            worth += sum(min(w, other.purposes.get(p, 0.0)) for p, w in closed.purposes.items())
        if worth > 0.1:
            scored[name] = worth
    return scored


def describe(change: Change) -> str:
    """'seat height 38 → 45 cm: rounding under load 14.2° → 9.8°, limit 10°'."""
    p = change.parameter
    if p.changed:
        return said(p.changed, before=_show(change.before), after=_show(change.after))
    text = said_together((p.title, " ", _show(change.before), " → ", with_unit(_show(change.after), p.unit)))
    hips = said("hip bend in sitting {before_deg}° → {after_deg}°", before_deg=round(change.hip_before_deg), after_deg=round(change.hip_after_deg)) if p.bends_the_hips else None
    if not change.limit_id:
        return said_together((text, ": ", hips)) if hips else text
    q = quantity(change.quantity)
    bound = with_unit(said("limit {bound}", bound=_show(change.bound)), q.unit)
    if q.id == p.id:  # the measure is what is limited
        return said_together((text, bound), ", ")
    was, now = (with_unit(_show(value), q.unit) for value in (change.value_before, round(change.value_after, 1)))
    moved = said_together((q.title, " ", was, " → ", now, ", ", bound))
    more = (", ", hips) if hips and q.id != _THE_SAME else ()
    return said_together((text, ": ", moved, *more))


_THE_SAME = "hip_flexion_deg"  # the hips’ own bend needs no second number


def _show(value: float | str) -> Message:
    return said(value) if isinstance(value, str) else said("{number}", number=float(value))
