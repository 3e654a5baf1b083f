"""How high pictures may be so that two movements stand on one page of the hand-out, and which movement begins a page.

The sizes are those of `hand_out.html`.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from papers.set_type import MM_PER_PT, lines, width_mm

PAGE_MM, WIDE_MM = 266.0, 178.0  # of A4 between the margins, less two millimetres for what is rounded
_ROUND_MM = 8.0  # line above, padding, and what stands round the picture
_SMALL_PT, _SMALL_LINE, _SMALL_GAP_MM = 12.0, 1.3, 1.0
_LIST_PT, _LIST_LINE, _LIST_GAP_MM, _NUMBERS_MM = 14.5, 1.25, 0.4, 7.0
_TITLE_PT, _STEP_PT, _DOSE_PT, _TITLE_LINE, _BESIDE_MM = 19.0, 15.0, 15.0, 1.3, 6.0
LOWEST_MM, HIGHEST_MM = 36.0, 84.0


@dataclass(frozen=True)
class Placed:
    """How high the picture of a movement is, and whether a page begins with it."""

    picture_mm: float
    begins_page: bool


def title_mm(title: str, step: str, dose: str) -> float:
    """Title and rung beside the dose, which stays on one line."""
    room = WIDE_MM - width_mm(dose, _DOSE_PT, 700) - _BESIDE_MM
    count = lines([(title, _TITLE_PT, 700), (step, _STEP_PT, 400)], room)
    return count * _TITLE_PT * _TITLE_LINE * MM_PER_PT


def small_mm(text: str) -> float:
    """A paragraph of small print."""
    count = lines([(text, _SMALL_PT, 400)], WIDE_MM)
    return count * _SMALL_PT * _SMALL_LINE * MM_PER_PT + _SMALL_GAP_MM if count else 0.0


def list_mm(sentences: Iterable[str]) -> float:
    """A numbered list of what to do."""
    each = (lines([(s, _LIST_PT, 400)], WIDE_MM - _NUMBERS_MM) * _LIST_PT * _LIST_LINE * MM_PER_PT + _LIST_GAP_MM for s in sentences)
    return sum(each)


def words_mm(title: float, small: Iterable[str], do: Iterable[str]) -> float:
    """How high everything of a movement is but its picture; `title` is the height of its title."""
    return _ROUND_MM + title + sum(small_mm(t) for t in small) + list_mm(do)


def placed(words: Sequence[float]) -> list[Placed]:
    """Two to a page wherever their pictures can still be copied then; one whose words leave no room stands alone."""
    out: list[Placed] = []
    while len(out) < len(words):
        pair = words[len(out) : len(out) + 2]
        each = (PAGE_MM - sum(pair)) / 2
        if len(pair) == 2 and each >= LOWEST_MM:
            out += [Placed(min(HIGHEST_MM, each), True), Placed(min(HIGHEST_MM, each), False)]
        else:
            out.append(Placed(min(HIGHEST_MM, max(LOWEST_MM, PAGE_MM - pair[0])), True))
    return out


__all__ = ["HIGHEST_MM", "LOWEST_MM", "PAGE_MM", "Placed", "list_mm", "placed", "small_mm", "title_mm", "words_mm"]
