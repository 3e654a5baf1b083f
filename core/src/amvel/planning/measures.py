"""Heights, distances and choices of a set-up in words; an angle is shown by the picture, never said as a number.

A choice is told where it is another than the usual one, which the words of the movement say already.
"""

from collections.abc import Mapping

from amvel.languages import Message, said, said_together
from amvel.movements import Parameter, find
from amvel.quantities.amount import with_unit


def measures_of(ref: str, values: Mapping[str, float | str]) -> tuple[Message, ...]:
    """Each measure of a step that is there, with its unit."""
    known = {p.id: p for p in find(ref)[1].parameters}
    return tuple(said_together((known[k].title, _amount(v, known[k].unit)), ": ") for k, v in values.items() if k in known and _is_told(known[k], v))


def _is_told(parameter: Parameter, value: float | str) -> bool:
    if parameter.choices:
        return value not in (parameter.nothing_at, parameter.default)
    return value != parameter.nothing_at and parameter.unit != "deg"


def _amount(value: float | str, unit: str) -> Message:
    return said(value) if isinstance(value, str) else with_unit(said("{amount}", amount=float(value)), unit)


__all__ = ["measures_of"]
