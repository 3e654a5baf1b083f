"""Forms: what a part of a case asks, read from its own fields, so that a question is written once."""

import types
from dataclasses import dataclass
from datetime import date
from typing import Any, Literal, Union, get_args, get_origin

from pydantic.fields import FieldInfo

from amvel.case.bounds import bounds
from amvel.case.parts import Part
from amvel.languages import said


@dataclass(frozen=True)
class Field:
    """One entry of a form. `kind` is number, count, choice, choices (several), yes_no, date or text; `first` is what counts
    where nothing is said, and never an answer to what has to be asked; a yes or no always has to be."""

    name: str
    title: str
    unit: str
    kind: str
    low: float = 0
    high: float = 0
    choices: tuple[tuple[str, str], ...] = ()
    optional: bool = False
    first: Any = None

    def __post_init__(self) -> None:
        object.__setattr__(self, "title", said(self.title))
        object.__setattr__(self, "unit", said(self.unit))
        object.__setattr__(self, "choices", tuple((value, said(title)) for value, title in self.choices))


def form_of(model: type[Part], skip: frozenset[str] = frozenset()) -> tuple[Field, ...]:
    """The questions of a model; raises TypeError for a type that no form can show."""
    return tuple(_field(n, f) for n, f in model.model_fields.items() if n not in skip and not _is_tag(f))


def _is_tag(field: FieldInfo) -> bool:
    return get_origin(field.annotation) is Literal and len(get_args(field.annotation)) == 1


def _field(name: str, field: FieldInfo) -> Field:
    extra: dict[str, Any] = field.json_schema_extra if isinstance(field.json_schema_extra, dict) else {}
    inner, optional = _without_none(field.annotation)
    kind, values = _kind(inner, name)
    low, high = bounds(field)
    titles = extra.get("titles", {})
    choices = tuple((str(v), titles.get(str(v), str(v).replace("_", " ").capitalize())) for v in values)
    asked = not optional and (kind == "yes_no" or bool(extra.get("asked")))
    first = None if field.is_required() or optional or asked else field.default
    return Field(
        name,
        field.title or name.replace("_", " ").capitalize(),
        extra.get("unit", ""),
        kind,
        low or 0,
        high or 0,
        choices,
        optional or kind == "choices" or not (field.is_required() or asked),
        list(first) if isinstance(first, tuple) else first,
    )


def _without_none(annotation: Any) -> tuple[Any, bool]:
    if get_origin(annotation) in (Union, types.UnionType):
        inner = [a for a in get_args(annotation) if a is not type(None)]
        return inner[0], len(inner) < len(get_args(annotation))
    return annotation, False


_SIMPLE = {bool: "yes_no", date: "date", int: "count", float: "number", str: "text"}


def _kind(annotation: Any, name: str) -> tuple[str, tuple[Any, ...]]:
    if get_origin(annotation) is Literal:
        return "choice", get_args(annotation)
    if get_origin(annotation) is tuple:
        inner = get_args(annotation)[0]
        return ("choices", get_args(inner)) if get_origin(inner) is Literal else ("trials", ())
    if annotation in _SIMPLE:
        return _SIMPLE[annotation], ()
    raise TypeError(f"{name}: no form can ask for {annotation}")
