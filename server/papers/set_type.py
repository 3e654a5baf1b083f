"""How many lines a text takes in the print font: the widths of its own letters, words broken where a browser breaks them."""

from collections.abc import Sequence
from functools import lru_cache

from django.conf import settings
from fontTools.ttLib import TTFont

MM_PER_PT = 25.4 / 72
_UNKNOWN_EM = 0.6  # a letter that the font does not have


@lru_cache(maxsize=4)
def _widths_em(weight: int) -> dict[int, float]:
    """The advance of each letter, in em."""
    folder = settings.ROOT / "web" / "node_modules" / "@fontsource" / "atkinson-hyperlegible" / "files"
    font = TTFont(folder / f"atkinson-hyperlegible-latin-{weight}-normal.woff2")
    advances, em = font["hmtx"].metrics, font["head"].unitsPerEm
    return {code: advances[glyph][0] / em for code, glyph in font.getBestCmap().items()}


def width_mm(text: str, size_pt: float, weight: int = 400) -> float:
    """How wide a text is on one line."""
    em = _widths_em(weight)
    return sum(em.get(ord(c), _UNKNOWN_EM) for c in text) * size_pt * MM_PER_PT


Run = tuple[str, float, int]  # a text, its size (pt) and its weight


def lines(runs: Sequence[Run], room_mm: float) -> int:
    """Lines of a paragraph that is so wide; 0 for an empty one."""
    count, used = 0, 0.0
    for text, size_pt, weight in runs:
        space = width_mm(" ", size_pt, weight)
        for word in text.split():
            wide = width_mm(word, size_pt, weight)
            if count and used + space + wide <= room_mm:
                used += space + wide
            else:
                count, used = count + 1, wide
    return count


__all__ = ["MM_PER_PT", "Run", "lines", "width_mm"]
