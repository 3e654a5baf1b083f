"""The right version of a step from its left one: a body that is alike on both sides is placed in mirrored poses, and so is
any body in poses that reach none of the stops in which its sides differ.
"""

from collections.abc import Sequence

from amvel.body import Capacities, other_side
from amvel.movements.frames import Frame, alike
from amvel.movements.look import Look
from amvel.movements.profile import Profile, Request


def left_twin(request: Request) -> Request:
    """The same step and values on the left."""
    return Request(request.family, request.step, "left", request.values)


def turned_round(request: Request, left: Profile) -> Profile:
    """The profile of the right version: what the left one says, with left and right exchanged.  Its poses are found where
    somebody looks."""
    return Profile(request, left.frame_names, left.columns.exchanged(other_side), rows=left.rows, left_twin=left)


def same_both_ways(own: Capacities, left: Profile, look: Look) -> bool:
    """Whether the left version would be placed just so by these capacities with left and right exchanged."""
    other = own.swapped()
    if left.fault or left.placed_otherwise(own, other):
        return False
    if look is not Look.WHOLE:  # it was not looked at with freer limbs
        return True
    if left.freer is not None:
        return not left.freer.otherwise(own.loosened(), other.loosened())
    return not left.placed_otherwise(other, other.loosened())


def declared_alike(ours: Sequence[Frame], theirs: Sequence[Frame]) -> bool:
    """Whether two bodies are asked for the same frames."""
    return len(ours) == len(theirs) and all(alike(a, b) for a, b in zip(ours, theirs, strict=True))


__all__ = ["declared_alike", "left_twin", "same_both_ways", "turned_round"]
