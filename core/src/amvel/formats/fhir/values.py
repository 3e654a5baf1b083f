"""Fields of a case as FHIR values, each with its name in our own code system, and back."""

from collections.abc import Iterator, Mapping
from typing import Any

from amvel.formats.fhir.codes import OWN_FIELD, UCUM, UNITS

_OF_TYPE: tuple[tuple[type, str], ...] = ((bool, "valueBoolean"), (int, "valueInteger"), (str, "valueString"))
_EXTENSION_OF = (*_OF_TYPE, (float, "valueDecimal"))


def components(fields: Mapping[str, Any], units: Mapping[str, str]) -> list[dict[str, Any]]:
    """Components of an observation; a number with a unit is a quantity, an entry of a list one component each."""
    return [{"code": {"coding": [{"system": OWN_FIELD, "code": name}]}, **_measured(value, units.get(name, ""))} for name, value in _each(fields)]


def from_components(found: list[dict[str, Any]]) -> dict[str, Any]:
    """The fields that `components` wrote; components of other code systems say nothing here."""
    return _gathered((_own(c.get("code", {})), _value(c)) for c in found)


def extensions(fields: Mapping[str, Any]) -> list[dict[str, Any]]:
    """The same for resources that have no components."""
    return [{"url": f"{OWN_FIELD}:{name}", **_typed(value, _EXTENSION_OF)} for name, value in _each(fields)]


def from_extensions(found: list[dict[str, Any]]) -> dict[str, Any]:
    prefix = f"{OWN_FIELD}:"
    return _gathered((e["url"].removeprefix(prefix) if e.get("url", "").startswith(prefix) else "", _value(e)) for e in found)


def _each(fields: Mapping[str, Any]) -> Iterator[tuple[str, Any]]:
    for name, value in fields.items():
        if isinstance(value, list):
            yield from ((f"{name}[]", v) for v in value)
        elif value is not None:
            yield name, value


def _measured(value: Any, unit: str) -> dict[str, Any]:
    if isinstance(value, bool) or not isinstance(value, int | float):
        return _typed(value, _OF_TYPE)
    if isinstance(value, int) and not unit:
        return {"valueInteger": value}
    known = {"system": UCUM, "code": UNITS[unit]} if unit in UNITS else {}
    return {"valueQuantity": {"value": value, **({"unit": unit} if unit else {}), **known}}


def _typed(value: Any, types: tuple[tuple[type, str], ...]) -> dict[str, Any]:
    return next(({name: value} for kind, name in types if isinstance(value, kind)), {"valueString": str(value)})


def _value(part: Mapping[str, Any]) -> Any:
    if "valueQuantity" in part:
        return part["valueQuantity"].get("value")
    return next((part[name] for _, name in _EXTENSION_OF if name in part), None)


def _own(code: Mapping[str, Any]) -> str:
    return next((str(c["code"]) for c in code.get("coding", []) if c.get("system") == OWN_FIELD), "")


def _gathered(pairs: Iterator[tuple[str, Any]]) -> dict[str, Any]:
    found: dict[str, Any] = {}
    for name, value in pairs:
        if not name or value is None:
            continue
        if name.endswith("[]"):
            found.setdefault(name[:-2], []).append(value)
        else:
            found[name] = value
    return found
