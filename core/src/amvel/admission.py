"""Before a case is kept: everything that it names by id exists, and the limits can be worked out.

A case that cannot be read is refused by `read_case`; this looks at what only the library and the rule-book know.
"""

from collections.abc import Collection, Iterator

from amvel.case import Case, CaseError, Result
from amvel.case.visits import MovementDone, Visit
from amvel.engine import Engine
from amvel.languages import said
from amvel.movements import UnknownMovement, find, library
from amvel.movements.faults import faults_to_watch
from amvel.quantities import REGISTRY
from amvel.safety import rulebook

Fault = tuple[str, str]


def admitted(case: Case, stored: Collection[Result] = ()) -> Engine:
    """The engine of a case that may be kept; raises CaseError with one fault per field.

    Results that are `stored` already were observed, and are not looked at again.
    """
    faults = [*_unknown(case), *_wild(case, stored)]
    if faults:
        raise CaseError(faults)
    engine = Engine(case)
    try:
        limits = engine.envelope.limits
    except (ValueError, KeyError, ArithmeticError) as error:
        raise CaseError([("$", said("limits cannot be worked out from this: {error}", error=error))]) from error
    ids = {x.id for x in limits}
    known = {*rulebook(), *ids, *(x.partition(".")[0] for x in ids)}
    faults = [
        (f"$.clinician_words[{i}].clears", said("there is no rule and no limit '{clears}' here", clears=w.clears))
        for i, w in enumerate(case.clinician_words)
        if w.kind == "clears" and w.clears.partition(".")[0] not in known
    ]
    if faults:
        raise CaseError(faults)
    return engine


def _wild(case: Case, stored: Collection[Result]) -> Iterator[Fault]:
    for i, result in enumerate(case.tests):
        if result not in stored:
            yield from ((f"$.tests[{i}].trials[{j}]", why) for j, why in result.wild_trials())


def _unknown(case: Case) -> Iterator[Fault]:
    for i, w in enumerate(case.clinician_words):
        yield from _quantity(f"$.clinician_words[{i}]", w.quantity, w.side)
        if w.step and not _is_step_or_family(w.step):
            yield f"$.clinician_words[{i}].step", said("there is no movement '{step}'", step=w.step)
    for i, o in enumerate(case.own_limits):
        yield from _quantity(f"$.own_limits[{i}]", o.quantity, o.side)
    for i, r in enumerate(case.reviews):
        if r.rule.partition(".")[0] not in rulebook():
            yield f"$.reviews[{i}].rule", said("there is no rule '{rule}'", rule=r.rule)
    for name, refs in (("likes", case.wishes.likes), ("dislikes", case.wishes.dislikes)):
        for i, ref in enumerate(refs):
            if not _is_step_or_family(ref):
                yield f"$.wishes.{name}[{i}]", said("there is no movement '{ref}'", ref=ref)
    for i, override in enumerate(case.overrides):
        if not _is_step(override.step):
            yield f"$.overrides[{i}].step", said("there is no movement '{step}'", step=override.step)
    for i, v in enumerate(case.visits):
        yield from visit_faults(f"$.visits[{i}]", v)


def visit_faults(path: str, visit: Visit) -> Iterator[Fault]:
    """What a visit names and the library does not know."""
    for j, m in enumerate(visit.movements):
        yield from _movement(f"{path}.movements[{j}]", m)


def _movement(path: str, done: MovementDone) -> Iterator[Fault]:
    if not _is_step(done.step):
        yield f"{path}.step", said("there is no movement '{step}'", step=done.step)
        return
    step = find(done.step)[1]
    known = {f.id for f in faults_to_watch(step)}
    for i, one in enumerate(done.sets):
        if one.side != "both" and not step.sides:
            yield f"{path}.sets[{i}].side", said("'{step}' has no sides", step=done.step)
        yield from (
            (f"{path}.sets[{i}].faults[{j}].fault", said("'{step}' knows no fault '{fault}'", step=done.step, fault=f.fault))
            for j, f in enumerate(one.faults)
            if f.fault not in known
        )
    for i, c in enumerate(done.cues):
        if c.cue >= len(step.cues):
            yield f"{path}.cues[{i}].cue", said("'{step}' has {count} cues", step=done.step, count=len(step.cues))


def _quantity(path: str, name: str, side: str | None) -> Iterator[Fault]:
    if not name:
        return
    found = REGISTRY.get(name)
    if found is None:
        yield f"{path}.quantity", said("there is no quantity '{name}'", name=name)
    elif side is not None and not found.sided:
        yield f"{path}.side", said("{quantity} has no sides", quantity=found.title)


def _is_step(ref: str) -> bool:
    try:
        find(ref)
    except UnknownMovement:
        return False
    return True


def _is_step_or_family(ref: str) -> bool:
    return ref in library() if "/" not in ref else _is_step(ref)


__all__ = ["admitted", "visit_faults"]
