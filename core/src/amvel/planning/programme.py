"""The programme: which steps, in which order, by constraint solving, with reasons.

Deterministic: one worker, fixed seed, a deterministic work limit and no wall clock.
"""

from collections import defaultdict
from dataclasses import dataclass, field

from ortools.sat.python import cp_model

from amvel.case import Case
from amvel.movements import POSITIONS, Family, Step, find
from amvel.safety import Envelope, Obligation, Verdict
from amvel.screening import StopSign

# What a session serves when nothing else is known; obligations and goals come on top (our choice).
NEEDS = {
    "breath": 3,
    "deep_control": 6,
    "resist_extension": 5,
    "turning": 4,
    "hip_out": 4,
    "hip_back": 3,
    "upper_back": 5,
    "balance": 5,
    "sit_to_stand": 5,
    "leg_loading": 4,
    "hip_bend": 2,
    "side_bend": 2,
    "foot": 1,
}
SETUP_MINUTES, CHANGE_MINUTES = 0.7, 1.5
MOST_MOVEMENTS = 8
COVERS = 0.5  # a step counts for an obligation from this purpose weight
_WORK_LIMIT = 20.0
# In points; a fully covered need is worth 100 times its weight.
_CHANGE, _DISLIKE, _NEW, _OBLIGED = 120, 250, 15, 5000


class ProgrammeBlocked(RuntimeError):
    """A stop sign stands: no programme can be built, opened or printed; the message names it."""


@dataclass(frozen=True)
class Item:
    """One movement of a programme."""

    ref: str
    position: str
    sides: tuple[str, ...]
    values: dict[str, float | str] = field(hash=False)
    repetitions: int = 0
    sets: int = 1
    hold_s: float = 0.0
    minutes: float = 0.0
    verdict: str = ""
    why: str = ""


@dataclass(frozen=True)
class Covered:
    """An obligation and what covers it, or why nothing does."""

    id: str
    title: str
    by: tuple[str, ...]
    why_not: str = ""


@dataclass(frozen=True)
class Programme:
    """The solver's answer."""

    context: str
    movements: tuple[Item, ...]
    obligations: tuple[Covered, ...]
    changes_of_position: int
    minutes: float
    optimal: bool
    gap: float
    why_not: dict[str, str] = field(hash=False, default_factory=dict)
    uncovered: dict[str, str] = field(hash=False, default_factory=dict)


def blocked_by(signs: list[StopSign]) -> None:
    """Raise ProgrammeBlocked when anything stands in the way of a session."""
    if signs:
        raise ProgrammeBlocked("; ".join(f"{s.title}: {s.next_step}" for s in signs))


def missing_prop(case: Case, family: Family, step: Step) -> str:
    """What the room lacks for this step; '' when nothing."""
    room = case.room
    text = " ".join(step.props)
    seat = any(not s.castors for s in room.seats)
    if family.position == "at the wall" and not room.wall:
        return "a free wall"
    if "worktop" in text and not (room.worktop or seat):
        return "a worktop or a sturdy chair"
    if "chair" in text and "worktop" not in text and not seat:
        return "a firm chair without castors"
    if "band" in text and "strap" not in text and "band" not in room.props:
        return "a stretch band"
    if "with arms" in text and not any(s.arms and not s.castors for s in room.seats):
        return "a chair with arms"
    return ""


@dataclass(frozen=True)
class _Choice:
    family: Family
    step: Step
    verdicts: tuple[Verdict, ...]

    @property
    def ref(self) -> str:
        return self.family.ref(self.step)

    @property
    def minutes(self) -> float:
        return self.step.dose.minutes(len(self.verdicts)) + SETUP_MINUTES


def choices(case: Case, verdicts: list[Verdict], context: str) -> tuple[list[_Choice], dict[str, str]]:
    """What may be used in this context and room, and why the rest may not."""
    grouped: dict[str, list[Verdict]] = defaultdict(list)
    for v in verdicts:
        if v.context == context:
            grouped[v.ref].append(v)
    found, why_not = [], {}
    for ref, group in grouped.items():
        family, step = find(ref)
        allowed = tuple(v for v in group if v.allowed)
        lacking = missing_prop(case, family, step)
        if len(allowed) < len(group):
            why_not[ref] = _excluded_words([v for v in group if not v.allowed], both=not allowed)
        elif any(v.profile.request.values != allowed[0].profile.request.values for v in allowed):
            # One set-up serves both sides of a programme; a blend of two has been judged by nobody.
            why_not[ref] = "left and right need different set-ups"
        elif lacking:
            why_not[ref] = f"needs {lacking}, which the room does not have"
        elif family.asked_for:
            why_not[ref] = "often asked for, never chosen: a movement with less risk serves the same"
        elif step.effort > case.wishes.effort_0_to_10:
            why_not[ref] = f"effort {step.effort:g} is above the {case.wishes.effort_0_to_10} that was chosen"
        else:
            found.append(_Choice(family, step, allowed))
    return found, why_not


def _excluded_words(out: list[Verdict], both: bool) -> str:
    v = out[0]
    side = "" if both or v.side == "both" else f"{v.side} side: "
    if v.reasons:
        return side + "; ".join(f"{b.limit.says()}, here {b.value:g}" for b in v.reasons[:2])
    return side + (v.fault or "excluded")


def plan(
    case: Case,
    envelope: Envelope,
    signs: list[StopSign],
    verdicts: list[Verdict],
    context: str = "home",
    minutes: int | None = None,
    locked: tuple[str, ...] = (),
    barred: tuple[str, ...] = (),
) -> Programme:
    """Build the best programme.  `locked` steps stay in, `barred` stay out.

    Raises ProgrammeBlocked while a stop sign stands.
    """
    blocked_by(signs)
    time = minutes if minutes is not None else case.wishes.minutes
    pool, why_not = choices(case, verdicts, context)
    pool = [c for c in pool if c.ref not in barred]
    why_not |= {ref: "taken out by hand" for ref in barred}
    solved = _Model(case, envelope, pool, time, locked).solve()
    chosen = [pool[i] for i in solved.chosen]
    chosen.sort(key=lambda c: (POSITIONS.index(c.family.position), _lie_order(c), c.ref))
    items = tuple(_item(c, envelope) for c in chosen)
    positions = list(dict.fromkeys(i.position for i in items))
    for c in pool:
        if c.ref not in {i.ref for i in items}:
            why_not[c.ref] = _left_out(c, chosen)
    obligations = tuple(_covered(o, items, verdicts, context) for o in envelope.obligations)
    uncovered = {
        p: _conflict((p,), verdicts, context) for p in NEEDS if not any(_weight(i.ref, (p,)) > 0 for i in items)
    }
    total = sum(i.minutes for i in items) + CHANGE_MINUTES * max(0, len(positions) - 1)
    return Programme(
        context,
        items,
        obligations,
        max(0, len(positions) - 1),
        round(total, 1),
        solved.optimal,
        solved.gap,
        why_not,
        uncovered,
    )


def _lie_order(c: _Choice) -> float:
    """Breath first, then the deep set, then what loads it."""
    first = c.step.purposes.get("breath", 0) + 0.5 * c.step.purposes.get("deep_control", 0)
    return c.step.effort - 3 * first


@dataclass(frozen=True)
class _Solved:
    chosen: list[int]
    optimal: bool
    gap: float


class _Model:
    def __init__(
        self, case: Case, envelope: Envelope, pool: list[_Choice], minutes: int, locked: tuple[str, ...]
    ) -> None:
        self.m = cp_model.CpModel()
        self.pool = pool
        self.x = [self.m.new_bool_var(c.ref) for c in pool]
        self._families(locked)
        changes = self._time(minutes)
        gain = self._coverage(case)
        obliged = [self._obligation(o.purposes) for o in envelope.obligations]
        taste = sum(self.x[i] * self._taste(case, c) for i, c in enumerate(pool))
        self.m.maximize(gain + taste - _CHANGE * changes + _OBLIGED * sum(obliged))

    def _families(self, locked: tuple[str, ...]) -> None:
        by_family: dict[str, list[int]] = defaultdict(list)
        for i, c in enumerate(self.pool):
            by_family[c.family.id].append(i)
            if c.ref in locked:
                self.m.add(self.x[i] == 1)
        for rows in by_family.values():
            fixed = sum(self.pool[i].ref in locked for i in rows)
            self.m.add(sum(self.x[i] for i in rows) <= max(1, fixed))
        self.m.add(sum(self.x) <= max(MOST_MOVEMENTS, len(locked)))

    def _time(self, minutes: int) -> cp_model.LinearExpr | int:
        used = {}
        for p in POSITIONS:
            rows = [i for i, c in enumerate(self.pool) if c.family.position == p]
            if rows:
                used[p] = self.m.new_bool_var(f"in {p}")
                self.m.add_max_equality(used[p], [self.x[i] for i in rows])
        changes = sum(used.values()) - 1 if used else 0
        work = sum(int(round(60 * c.minutes)) * self.x[i] for i, c in enumerate(self.pool))
        self.m.add(work + int(60 * CHANGE_MINUTES) * changes <= 60 * minutes)
        return changes

    def _coverage(self, case: Case) -> cp_model.LinearExpr | int:
        total: cp_model.LinearExpr | int = 0
        for purpose, weight in NEEDS.items():
            rows = [
                (i, int(100 * c.step.purposes[purpose]))
                for i, c in enumerate(self.pool)
                if purpose in c.step.purposes
            ]
            if rows:
                got = self.m.new_int_var(0, 120, purpose)
                self.m.add(got <= sum(w * self.x[i] for i, w in rows))
                total += weight * got
        return total

    def _obligation(self, purposes: tuple[str, ...]) -> cp_model.IntVar:
        met = self.m.new_bool_var("+".join(purposes))
        rows = [
            i for i, c in enumerate(self.pool) if any(c.step.purposes.get(p, 0) >= COVERS for p in purposes)
        ]
        self.m.add(met <= sum(self.x[i] for i in rows)) if rows else self.m.add(met == 0)
        return met

    def _taste(self, case: Case, c: _Choice) -> int:
        score = -_NEW if case.previous_steps and c.ref not in case.previous_steps else 0
        score -= _DISLIKE if c.family.id in case.wishes.dislikes or c.ref in case.wishes.dislikes else 0
        return score - 10 * sum(v.verdict == "modified" for v in c.verdicts)

    def solve(self) -> _Solved:
        solver = cp_model.CpSolver()
        p = solver.parameters
        p.num_workers, p.random_seed, p.max_deterministic_time = 1, 7, _WORK_LIMIT
        status = solver.solve(self.m)
        if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            return _Solved([], status == cp_model.INFEASIBLE, 0.0)
        gap = abs(solver.best_objective_bound - solver.objective_value) / max(1.0, abs(solver.objective_value))
        return _Solved(
            [i for i, x in enumerate(self.x) if solver.value(x)], status == cp_model.OPTIMAL, round(gap, 4)
        )


def _weight(ref: str, purposes: tuple[str, ...]) -> float:
    step = find(ref)[1]
    return max(step.purposes.get(p, 0.0) for p in purposes)


def _item(c: _Choice, envelope: Envelope) -> Item:
    dose = c.step.dose
    verdict = next((v.verdict for v in c.verdicts if v.verdict != "as_is"), "as_is")
    serves = sorted(c.step.purposes, key=lambda p: -c.step.purposes[p])[:2]
    obliged = [o.title for o in envelope.obligations if _weight(c.ref, o.purposes) >= COVERS]
    why = (
        "for " + " and ".join(words(p) for p in serves) + (f"; covers: {'; '.join(obliged)}" if obliged else "")
    )
    values = dict(c.verdicts[0].profile.request.values)
    return Item(
        c.ref,
        c.family.position,
        tuple(v.side for v in c.verdicts),
        values,
        dose.repetitions,
        dose.sets,
        dose.hold_s,
        round(c.minutes, 1),
        verdict,
        why,
    )


_WORDS = {
    "breath": "breath",
    "deep_control": "deep control",
    "resist_extension": "resisting an arch",
    "turning": "resisting a turn",
    "side_bend": "side control",
    "hip_out": "the side of the hip",
    "hip_back": "the back of the hip",
    "upper_back": "the upper back",
    "balance": "balance",
    "sit_to_stand": "rising from a seat",
    "leg_loading": "loading legs and hips",
    "flexion_strength": "bending strength",
    "hip_bend": "bending from the hip",
    "foot": "the foot",
}


def words(purpose: str) -> str:
    """A purpose in plain words."""
    return _WORDS[purpose]


def _left_out(c: _Choice, chosen: list[_Choice]) -> str:
    same = next((o for o in chosen if o.family.id == c.family.id), None)
    if same is not None:
        return f"another rung of this ladder is in: {same.step.title}"
    rivals = [o for o in chosen if max(o.step.purposes, key=lambda p: o.step.purposes[p]) in c.step.purposes]
    if rivals:
        return f"its purpose is served by {rivals[0].family.title}; time or a change of position would go over"
    return "would cost more time or changes of position than it adds"


def _covered(o: Obligation, items: tuple[Item, ...], verdicts: list[Verdict], context: str) -> Covered:
    by = tuple(i.ref for i in items if _weight(i.ref, o.purposes) >= COVERS)
    return Covered(o.id, o.title, by, "" if by else _conflict(o.purposes, verdicts, context))


def _conflict(purposes: tuple[str, ...], verdicts: list[Verdict], context: str) -> str:
    """Which limits stand in the way of a purpose, in words."""
    about = [v for v in verdicts if v.context == context and _weight(v.ref, purposes) >= COVERS]
    if any(v.allowed for v in about):
        return "admissible steps exist; the time, effort, room or number of movements left no place"
    names = sorted({b.limit.says() for v in about for b in v.reasons})
    return (
        "no admissible step; in the way: " + "; ".join(names)
        if names
        else "the library has no step for it in this room"
    )


def swaps(
    case: Case, envelope: Envelope, verdicts: list[Verdict], context: str, ref: str, in_use: tuple[str, ...]
) -> list[tuple[str, float, str]]:
    """Admissible replacements of a step, best first: (ref, score 0–1, reason)."""
    family, step = find(ref)
    pool, _ = choices(case, verdicts, context)
    out = []
    for c in pool:
        if c.ref in in_use:
            continue
        shared = sum(min(w, c.step.purposes.get(p, 0.0)) for p, w in step.purposes.items()) / sum(
            step.purposes.values()
        )
        score = (
            shared
            + (0.15 if c.family.id == family.id else 0.0)
            + (0.1 if c.family.position == family.position else 0.0)
        )
        serves = [words(p) for p in step.purposes if p in c.step.purposes]
        out.append(
            (
                c.ref,
                round(min(1.0, score), 2),
                "serves " + (" and ".join(serves[:2]) if serves else "another purpose"),
            )
        )
    return sorted(out, key=lambda s: (-s[1], s[0]))


__all__ = ["Covered", "Item", "Programme", "ProgrammeBlocked", "blocked_by", "plan", "swaps", "words"]
