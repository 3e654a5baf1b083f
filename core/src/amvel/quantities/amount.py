"""A number with its unit, as it is read."""

from amvel.languages import Message, said, said_together

_AT_THE_NUMBER = {"deg": "°", "": "", "count": "", "0/1": "", "0–3": "", "0–10": ""}  # other units are words, said by themselves


def with_unit(number: str, unit: str) -> Message:
    """'20 % of body weight', '30°'; a scale of our own has no unit to be read."""
    if unit in _AT_THE_NUMBER:
        return said_together((number, _AT_THE_NUMBER[unit]))
    return said_together((number, " ", said(unit)))


__all__ = ["with_unit"]
