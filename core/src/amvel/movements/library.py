"""The library of families, found by file: one module of `amvel.movements.families` is one family."""

import importlib
import pkgutil
from functools import lru_cache

from amvel.languages import said
from amvel.movements import families
from amvel.movements.bed import on_a_bed_too
from amvel.movements.declaration import POSITIONS, DeclarationError, Family, Step
from amvel.movements.propped import propped_too
from amvel.movements.texts import worded


class UnknownMovement(LookupError):
    """There is no such family or step; the message names it."""


@lru_cache(maxsize=1)
def library() -> dict[str, Family]:
    """Every family by id, in the order in which a session runs (lying to standing)."""
    found: list[Family] = []
    for module in pkgutil.iter_modules(families.__path__):
        family = getattr(importlib.import_module(f"{families.__name__}.{module.name}"), "FAMILY", None)
        if not isinstance(family, Family):
            raise DeclarationError(f"families/{module.name}.py: declares no FAMILY")
        if family.id != module.name:
            raise DeclarationError(
                f"families/{module.name}.py: the family's id is '{family.id}', not the file's name"
            )
        found.append(family)
    found = [worded(propped_too(on_a_bed_too(f))) for f in found]
    _known_prerequisites(found)
    found.sort(key=_place)
    return {f.id: f for f in found}


def _known_prerequisites(families: list[Family]) -> None:
    refs = {f.ref(s) for f in families for s in f.steps}
    for f in families:
        for s in f.steps:
            unknown = set(s.after) - refs
            if unknown:
                raise DeclarationError(f"{f.ref(s)}: goes after steps that nobody declares: {sorted(unknown)}")


def _place(family: Family) -> tuple[int, bool, float, str]:
    """Lying to standing; within a position from gentle to hard, loaded bending last."""
    bends = any("flexion_strength" in s.purposes for s in family.steps)
    return POSITIONS.index(family.position), bends, max(s.effort for s in family.steps), family.id


def find(ref: str) -> tuple[Family, Step]:
    """Family and step of 'family/step'; raises UnknownMovement."""
    family_id, _, step_id = ref.partition("/")
    family = library().get(family_id)
    if family is None:
        raise UnknownMovement(said("no family '{family_id}'", family_id=family_id))
    if step_id not in family.index:
        raise UnknownMovement(said("family '{family_id}' has no step '{step_id}'", family_id=family_id, step_id=step_id))
    return family, family.index[step_id]


def all_steps() -> list[tuple[Family, Step]]:
    """Every step with its family, easiest first within a ladder."""
    return [(f, s) for f in library().values() for s in f.steps]
