"""How closely a version of a step is looked at: each look rules out what fails in it, and only the closest one allows."""

from enum import StrEnum


class Look(StrEnum):
    """A sketch has the declared frames alone.  `ASSUMED` has all of them, with the joints that nobody has measured as far as they
    are assumed to go; `WHOLE` looks at the same with those as far as they may go, too."""

    SKETCH = "sketch"
    ASSUMED = "assumed"
    WHOLE = "whole"


__all__ = ["Look"]
