"""The bed instead of the floor: what is done lying can be done on a firm bed by who cannot get down and up again.

A firm bed carries like a mat (our assumption: firmer than the contact patches are soft), so the pose is the same; only
the way there differs.  Steps with a need for which nothing serves on a bed stay on the floor.
"""

from dataclasses import replace

from amvel.languages import said
from amvel.movements.declaration import Family, Parameter, Step
from amvel.movements.needs import FIRM_BED

FLOOR, BED = "floor", "firm bed"
LYING_ON = Parameter(
    "lying_on", "where you lie", "", FLOOR, choices=(FLOOR, BED), nothing_at=FLOOR, need=FIRM_BED,
    changed=said("on a {after} instead of the {before}: nobody has to get down and up again"),
    moves=frozenset(["floor_transfer", "bed_transfer"]),
)
LYING = frozenset(("on the back", "on the side", "face down"))


def on_a_bed_too(family: Family) -> Family:
    """The family, with the choice of the bed added to every step that can be done there."""
    if family.position not in LYING or family.asked_for:
        return family
    steps = tuple(replace(s, parameters=(*s.parameters, LYING_ON)) if _fits(s) else s for s in family.steps)
    return replace(family, steps=steps)


def _fits(step: Step) -> bool:
    return all(need.on_bed for need in step.props)


def lies_on_bed(values: dict[str, float | str]) -> bool:
    """Whether these values put the step on the bed."""
    return values.get(LYING_ON.id) == BED
