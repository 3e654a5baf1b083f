"""Between which numbers a field may be, as its declaration says."""

from pydantic.fields import FieldInfo


def bounds(field: FieldInfo) -> tuple[float | None, float | None]:
    """Lowest and highest, each None where there is none; whether a bound itself still counts is left to the field."""
    return _first(field, "gt", "ge"), _first(field, "lt", "le")


def _first(field: FieldInfo, *names: str) -> float | None:
    found = (getattr(rule, name, None) for name in names for rule in field.metadata)
    return next((float(value) for value in found if value is not None), None)


__all__ = ["bounds"]
