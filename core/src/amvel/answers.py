"""The core's answers as plain data: the fields that the command line prints and the server passes on."""

from typing import Any, get_args

from amvel.body import plain_fault
from amvel.body.endurance import FREY_LAW_AVIN
from amvel.body.steadiness import steadiness
from amvel.case import CLEARING_PROFESSIONS, CONDITIONS, ClinicianProfession, Field, form_of
from amvel.case.schools import QUESTIONS
from amvel.engine import Engine, finite
from amvel.movements import Profile, Profiler, all_steps
from amvel.numbers import Number
from amvel.planning.holds import Capacity, estimated_holds
from amvel.quantities import REGISTRY, quantity
from amvel.safety import Breach, Limit, Verdict, describe, rulebook
from amvel.safety.rulebook import numbers_of_later
from amvel.safety.schools import Schools
from amvel.screening import contradictions, test_library
from amvel.screening.real_change import mdc95
from amvel.screening.standard import Standard
from amvel.screening.standards import standards
from amvel.screening.stop_signs import asked_of
from amvel.sources import Source

Data = dict[str, Any]


def limit_data(limit: Limit) -> Data:
    return {
        "id": limit.id,
        "because_of": _because_of(limit),
        "quantity": limit.quantity,
        "title": quantity(limit.quantity).title,
        "bound": limit.bound,
        "at_least": limit.at_least,
        "unit": limit.unit,
        "condition": limit.condition,
        "at_home": limit.at_home,
        "strength": limit.strength,
        "reason": limit.reason,
        "source": str(limit.source),
        "set_by": limit.set_by,
        "says": limit.says(),
        "bound_in_words": limit.bound_in_words,
        "measure": limit.measure,
        "review_on": limit.review_on.isoformat() if limit.review_on else None,
        "valid_until": limit.valid_until.isoformat() if limit.valid_until else None,
        "next_grade": limit.next_grade,
        "grade": limit.grade,
        "grades": limit.grades,
        "waits_for": limit.waits_for,
        "only_step": limit.only_step,
        **_opening(limit),
    }


def _because_of(limit: Limit) -> str:
    """The title of the rule that a limit is of; of a person's word, who said it."""
    rule = rulebook().get(limit.id.partition(".")[0])
    return rule.title if rule is not None else limit.set_by


def _opening(limit: Limit) -> Data:
    """Why a limit is there, and which tests could show what is missing."""
    tests = [{"test": t, "title": test_library()[t].title} for t in limit.opened_by]
    return {"origin": limit.origin.value, "opened_by": tests}


def breach_data(b: Breach) -> Data:
    return {
        "limit": b.limit.id,
        "quantity": b.quantity,
        "title": quantity(b.quantity).title,
        "value": finite(b.value),
        "bound": b.limit.bound,
        "unit": b.limit.unit,
        "says": b.limit.says(),
        "reason": b.limit.reason,
        "source": str(b.limit.source),
        "measure": b.limit.measure,
        "here": b.here(),
        **_opening(b.limit),
    }


def verdict_data(v: Verdict) -> Data:
    return {
        "family": v.family,
        "step": v.step,
        "side": v.side,
        "context": v.context,
        "verdict": v.verdict,
        "values": v.profile.request.values,
        "original_values": v.original.request.values,
        "cautions": [breach_data(b) for b in v.cautions],
        "assumed": list(v.assumed),
        "changes": [
            {
                "what": c.parameter.title,
                "parameter": c.parameter.id,
                "from": c.before,
                "to": c.after,
                "unit": c.parameter.unit,
                "limit": c.limit_id,
                "says": describe(c),
                "hip_flexion_deg": {"from": round(c.hip_before_deg, 1), "to": round(c.hip_after_deg, 1)},
            }
            for c in v.changes
        ],
        "reasons": [breach_data(b) for b in v.reasons],
        "fault": plain_fault(v.fault),
        "instead": list(v.instead),
    }


def verdicts(engine: Engine) -> list[Data]:
    """Every verdict of the library."""
    return [verdict_data(v) for v in engine.verdicts]


def screen(engine: Engine) -> Data:
    """Stop signs, findings, limits, obligations, referrals, assumptions."""
    f = engine.findings
    return {
        "stop_signs": [
            {
                "id": s.id,
                "title": s.title,
                "emergency": s.emergency,
                "missing": s.missing,
                "next_step": s.next_step,
                "source": str(s.source),
            }
            for s in engine.stop_signs
        ],
        "findings": {
            "age_years": f.age,
            "bone": {"tier": f.bone.tier, "assumed": f.bone.assumed, "reasons": [t for t, _ in f.bone.reasons]},
            "fall_signs": [t for t, _ in f.fall_signs],
            "pressure_raised": f.pressure_raised,
            "pressure_drops": f.pressure_drops,
            "floor_rise": f.floor_rise,
            "ranges_deg": f.capacities.range_deg,
            "readings": readings(engine),
        },
        "limits": [limit_data(x) for x in engine.envelope.limits],
        "obligations": [
            {
                "id": o.id,
                "title": o.title,
                "days_per_week": o.days_per_week,
                "reason": o.reason,
                "source": str(o.source),
            }
            for o in engine.envelope.obligations
        ],
        "referrals": [{"id": r.id, "text": r.text, "source": str(r.source)} for r in engine.envelope.referrals],
        "assumptions": [{"id": a.id, "text": a.text, "test": a.test} for a in f.assumptions],
        "aged": [*f.aged, *numbers_of_later(engine.case.as_of)],
        "contradictions": [{"path": c.path, "text": c.text} for c in contradictions(engine.case)],
        "sign_offs": sign_offs(engine),
        "stop_questions": asked_of(engine.case),
    }


def sign_offs(engine: Engine) -> list[Data]:
    """What waits for a clinician, one line per rule."""
    waiting: dict[str, list[str]] = {}
    for x in engine.envelope.limits:
        if x.waits_for:
            waiting.setdefault(x.id.split(".")[0], []).append(x.says())
    return [
        {"clears": rule, "title": rulebook()[rule].title, "limits": lines} for rule, lines in waiting.items()
    ]


def readings(engine: Engine) -> list[Data]:
    """Every test result with what it means."""
    out = []
    for i, t in enumerate(engine.case.tests):
        reading = test_library()[t.test].reading(t, engine.case, engine.draft)
        out.append(
            {
                "index": i,
                "test": t.test,
                "on": t.on.isoformat(),
                "side": getattr(t, "side", None),
                "text": reading.text,
                "level": reading.level,
                "source": str(reading.source),
            }
        )
    return out


def movements() -> list[Data]:
    """The library as data."""
    out = []
    for family, step in all_steps():
        out.append(
            {
                "family": family.id,
                "step": step.id,
                "title": f"{family.title}: {step.title}",
                "family_title": family.title,
                "step_title": step.title,
                "about": family.about,
                "position": family.position,
                "purposes": step.purposes,
                "below": family.neighbours(step)[0],
                "above": family.neighbours(step)[1],
                "after": list(step.after),
                "sides": step.sides,
                "effort": step.effort,
                "props": [need.says for need in step.props],
                "setup": list(step.setup),
                "cues": list(step.cues),
                "felt": step.felt,
                "not_felt": step.not_felt,
                "breath": step.breath,
                "faults": [
                    {"name": x.name, "seen": x.seen, "means": x.means, "cue": x.cue} for x in step.faults
                ],
                "dose": {
                    "repetitions": step.dose.repetitions,
                    "sets": step.dose.sets,
                    "hold_s": step.dose.hold_s,
                    "note": step.dose.note,
                },
                "parameters": [
                    {
                        "id": p.id,
                        "title": p.title,
                        "unit": p.unit,
                        "low": p.low,
                        "high": p.high,
                        "grid": p.grid,
                        "easier": p.easier,
                        "choices": list(p.choices),
                    }
                    for p in step.parameters
                ],
            }
        )
    return out


def field_data(x: Field) -> Data:
    return {
        "name": x.name,
        "title": x.title,
        "unit": x.unit,
        "kind": x.kind,
        "low": x.low,
        "high": x.high,
        "optional": x.optional,
        "first": x.first,
        "choices": [{"value": v, "title": w} for v, w in x.choices],
    }


def tests() -> list[Data]:
    """The screening tests as data."""
    return [
        {
            "id": t.id,
            "title": t.title,
            "group": t.group,
            "measures": t.measures,
            "protocol": list(t.protocol),
            "safety": t.safety,
            "position": t.position,
            "per_side": t.per_side,
            "timer": t.timer,
            "trials": t.trials,
            "gate": t.gate,
            "validity_days": t.validity_days,
            "unlocks": t.unlocks,
            "ages": list(t.ages),
            "change_band": round(mdc95(t.change.sd, t.change.icc), 2) if t.change else None,
            "source": str(t.source),
            "fields": [field_data(x) for x in t.fields],
        }
        for t in test_library().values()
    ]


def quantities() -> list[Data]:
    """What a limit may speak of."""
    return [
        {"id": q.id, "title": q.title, "unit": q.unit, "sentence": q.sentence, "sided": q.sided}
        for q in REGISTRY.values()
    ]


def professions() -> list[Data]:
    """Whose word can be recorded, and whose may loosen."""
    return [{"id": p, "may_clear": p in CLEARING_PROFESSIONS} for p in get_args(ClinicianProfession)]


_NOT_ASKED = frozenset(("kind", "noted_on"))


def conditions() -> list[Data]:
    """What can be known of a client, with the questions each opens."""
    return [
        {
            "kind": kind,
            "title": model.TITLE,
            "group": model.GROUP,
            "about": (model.__doc__ or "").strip().splitlines()[0] if model.__doc__ else "",
            "asks": [field_data(x) for x in form_of(model, _NOT_ASKED)],
        }
        for kind, model in CONDITIONS.items()
    ]


def rules() -> list[Data]:
    """The rule-book as data, with every version of its numbers; then what tests decide by."""
    of_rules = [
        {
            "id": r.id,
            "title": r.title,
            "about": r.about,
            "sources": [source_data(s) for s in r.sources],
            "since": r.since.isoformat(),
            "read_on": r.read_on.isoformat(),
            "check_again_on": r.check_again_on.isoformat(),
            "check_by": r.check_by,
            "duties": [d.when for d in r.duties],
            "numbers": [number_data(n) for n in r.numbers],
            "examples": [e.says for e in r.examples],
        }
        for r in rulebook().values()
    ]
    return of_rules + [_standard_data(s) for s in standards().values()]


def _standard_data(s: Standard) -> Data:
    sources = list(dict.fromkeys(n.source for n in s.numbers))
    return {
        "id": s.id,
        "title": s.title,
        "about": s.about,
        "sources": [source_data(x) for x in sources],
        "since": min(n.since for n in s.numbers).isoformat(),
        "read_on": s.read_on.isoformat(),
        "check_again_on": s.check_again_on.isoformat(),
        "check_by": s.check_by,
        "duties": [],
        "numbers": [number_data(n) for n in s.numbers],
        "examples": [],
    }


def number_data(n: Number) -> Data:
    """One figure with its source in one line."""
    return {
        "id": n.id,
        "value": n.value,
        "unit": n.unit,
        "says": n.says,
        "source": str(n.source),
        "since": n.since.isoformat(),
    }


def source_data(s: Source) -> Data:
    """A source part by part, and in one line."""
    return {
        "kind": s.kind,
        "authors": s.authors,
        "year": s.year,
        "title": s.title,
        "where": s.where,
        "quoted_for": s.quoted_for,
        "reading": s.reading,
        "from_memory": s.from_memory,
        "says": str(s),
    }


def peak_data(profile: Profile) -> dict[str, float]:
    """The largest value of every quantity over all frames."""
    return {k: round(float(v.max()), 3) for k, v in profile.columns.items()}


def profile_data(profile: Profile) -> Data:
    """Per frame and peaks, by the names of the quantities."""
    rounded = {k: [round(float(x), 3) for x in v] for k, v in profile.columns.items()}
    return {
        "family": profile.request.family.id,
        "step": profile.request.step.id,
        "side": profile.request.side,
        "values": profile.request.values,
        "fault": plain_fault(profile.fault),
        "frames": list(profile.frame_names),
        "quantities": rounded,
        "peaks": peak_data(profile),
    }


def steady_data(profiler: Profiler, profile: Profile) -> list[Data]:
    """Largest push at the chest and friction needed, for each declared frame; empty when the pose cannot be taken."""
    profile = profiler.posed(profile)
    if profile.fault or profile.posed is None:
        return []
    out = []
    for row in profile.rows:
        found = steadiness(profiler.skeleton, profile.specs[row], profile.posed.points[row])
        out.append(
            {
                "frame": profile.frame_names[row],
                "push_n": round(found.push_n, 1),
                "push_from": found.push_from,
                "friction_needed": round(found.friction_needed, 3),
            }
        )
    return out


def capacity_data(c: Capacity) -> Data:
    """A measured hold and what follows from it."""
    return {
        "test": c.test,
        "side": c.side,
        "measured_s": c.measured_s,
        "demand_nm": round(c.demand_nm, 1),
        "capacity_nm": round(c.capacity_nm, 1),
        "source": str(FREY_LAW_AVIN),
        "holds": [
            {
                "ref": h.ref,
                "side": h.side,
                "demand_nm": round(h.demand_nm, 1),
                "seconds": round(h.estimate.seconds, 1),
                "low_s": round(h.estimate.low_s, 1),
                "high_s": round(h.estimate.high_s, 1),
                "suggested_s": h.suggested_s,
            }
            for h in c.holds
        ],
    }


def hold_data(engine: Engine, ref: str, side: str) -> Data | None:
    """The suggested hold of one step from a measured one, the weakest where several speak; None when none does."""
    found = [(h, c) for c in estimated_holds(engine, ref) for h in c.holds if h.side in (side, "both")]
    if not found:
        return None
    h, c = min(found, key=lambda pair: pair[0].estimate.seconds)
    return {
        "suggested_s": h.suggested_s,
        "low_s": round(h.estimate.low_s, 1),
        "high_s": round(h.estimate.high_s, 1),
        "from_test": c.test,
        "measured_s": c.measured_s,
        "source": str(FREY_LAW_AVIN),
    }


def schools_data(s: Schools) -> list[Data]:
    """Every question with its answers, what stands, why, and what was refused."""
    refused = {(r.question, r.option): r.reason for r in s.refused}
    return [
        {
            "id": q.id,
            "title": q.title,
            "chosen": s.choices[q.id],
            "because": s.because.get(q.id, ""),
            "changes": list(q.changes),
            "options": [
                {"id": o.id, "title": o.title, "why": o.why, "refused": refused.get((q.id, o.id), "")}
                for o in q.options
            ],
            "by_family": {f: own[q.id] for f, own in s.by_family.items() if q.id in own},
        }
        for q in QUESTIONS.values()
    ]
