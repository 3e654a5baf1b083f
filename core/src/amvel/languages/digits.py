"""Numbers in a message: with the decimal sign of whoever reads them, and a minus that is no hyphen."""

from amvel.languages.message import MINUS, Message, said

DECIMALS = "{whole}.{part}"  # no word in it, and still said otherwise elsewhere


def as_entered(value: float) -> Message:
    """A number with as many decimals as it has: 12.5."""
    return said("{number}", number=float(value))


def to_decimals(value: float, places: int, signed: bool = False) -> Message:
    """A number to so many decimals, one at least: 0.80; with its sign where it is `signed`: −2.5, +1.0."""
    whole, _, part = f"{abs(value):.{places}f}".partition(".")
    is_nought = not any(digit in "123456789" for digit in whole + part)
    sign = "" if is_nought else MINUS if value < 0 else "+" if signed else ""
    return said(DECIMALS, whole=sign + whole, part=part)


__all__ = ["DECIMALS", "as_entered", "to_decimals"]
