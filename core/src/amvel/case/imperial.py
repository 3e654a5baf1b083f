"""Imperial measures at the border: inches and pounds become centimetres and kilograms, whatever field they stand in."""

from collections.abc import Mapping
from typing import Any

CM_PER_INCH = 2.54
KG_PER_POUND = 0.45359237
_FACTORS = {"_in": ("_cm", CM_PER_INCH), "_lb": ("_kg", KG_PER_POUND)}
_ENDINGS = tuple(_FACTORS)


def to_metric(data: Any) -> Any:
    """The same data with every number under a name in `_in` or `_lb` moved to its metric name; nothing else changes.

    What is given in both stays as it is, so that the case refuses one of them.
    """
    if isinstance(data, list):
        return [to_metric(x) for x in data]
    if not isinstance(data, dict):
        return data
    return dict([_pair(k, v, data) for k, v in data.items()])


def _pair(name: str, value: Any, beside: Mapping[str, Any]) -> tuple[str, Any]:
    if isinstance(value, list | dict):
        return name, to_metric(value)
    if str(name).endswith(_ENDINGS) and isinstance(value, int | float) and not isinstance(value, bool):
        ending = next(e for e in _ENDINGS if str(name).endswith(e))
        metric, factor = _FACTORS[ending]
        in_metric = str(name).removesuffix(ending) + metric
        if in_metric not in beside:
            return in_metric, round(value * factor, 6)
    return name, value
