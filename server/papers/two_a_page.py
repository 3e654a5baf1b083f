"""How high a picture may be so that two movements stand on one page of the hand-out."""

import math
from collections.abc import Iterable

HALF_PAGE_MM = 129.0  # of A4 between the margins of the hand-out, less what separates two movements
_HEAD_MM, _ROOM_MM = 13.0, 8.0
_SMALL = (98, 5.6)  # letters in a line and its height (mm), at 12 points over 178 mm
_LARGE = (76, 6.6)  # the same at 14.5 points beside the numbers of a list
LOWEST_MM, HIGHEST_MM = 38.0, 84.0


def _mm(text: str, letters_and_height: tuple[int, float]) -> float:
    letters, height = letters_and_height
    return math.ceil(len(text) / letters) * height if text else 0.0


def picture_mm(small: Iterable[str], do: Iterable[str]) -> float:
    """What the words leave of half a page, within what can still be copied and what a page takes."""
    words = sum(_mm(t, _SMALL) + 1.0 for t in small if t) + sum(_mm(t, _LARGE) for t in do)
    return min(HIGHEST_MM, max(LOWEST_MM, HALF_PAGE_MM - _HEAD_MM - _ROOM_MM - words))


__all__ = ["HIGHEST_MM", "LOWEST_MM", "picture_mm"]
