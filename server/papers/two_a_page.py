"""How high pictures may be so that two movements stand on one page of the hand-out, and which movement begins a page;
the same for the ways to floor and bed, as many to a page as fit.  No page is left half empty where its pictures can grow.

The sizes are those of `hand_out.html`.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from papers.set_type import MM_PER_PT, lines, width_mm

PAGE_MM, WIDE_MM = 266.0, 178.0  # of A4 between the margins, less two millimetres for what is rounded
_ROUND_MM = 8.0  # line above, padding, and what stands round the picture
_SMALL_PT, _SMALL_LINE, _SMALL_GAP_MM = 12.0, 1.3, 1.0
_LIST_PT, _LIST_LINE, _LIST_GAP_MM, _NUMBERS_MM = 14.5, 1.25, 0.4, 7.0
_TITLE_PT, _STEP_PT, _DOSE_PT, _TITLE_LINE, _BESIDE_MM = 19.0, 15.0, 15.0, 1.3, 6.0
_BODY_PT = 14.0
FIT_MM = (52.0, 40.0)  # picture of what to get ready, wide and high
_BOX_MM, _ROW_GAP_MM, _HEADING_GAP_MM = 26.0, 5.0, 9.0  # frame, padding and title of a box; between its rows; round a heading
LOWEST_MM, HIGHEST_MM = 36.0, 84.0
HIGHEST_ALONE_MM = 120.0


@dataclass(frozen=True)
class Placed:
    """How high the picture of a movement is, and whether a page begins with it."""

    picture_mm: float
    begins_page: bool


def title_mm(title: str, step: str, dose: str) -> float:
    """Title and rung beside the dose, which stays on one line; a rung that does not fit beside its title stands below it as a whole."""
    room = WIDE_MM - width_mm(dose, _DOSE_PT, 700) - _BESIDE_MM
    together = lines([(title, _TITLE_PT, 700), (step, _STEP_PT, 400)], room)
    apart = lines([(title, _TITLE_PT, 700)], room) + lines([(step, _STEP_PT, 400)], room)
    return (together if together == 1 else apart) * _TITLE_PT * _TITLE_LINE * MM_PER_PT


def heading_mm(heading: str, sentence: str) -> float:
    """What a way is called, and how it goes in one sentence."""
    count = lines([(heading, _BODY_PT, 700)], WIDE_MM) + lines([(sentence, _STEP_PT, 400)], WIDE_MM)
    return count * _STEP_PT * _SMALL_LINE * MM_PER_PT + _HEADING_GAP_MM


def ready_mm(fits: Sequence[str]) -> float:
    """The box with what to get ready: three to a row, each with its picture above its words."""
    if not fits:
        return 0.0
    rows = [fits[i : i + 3] for i in range(0, len(fits), 3)]
    words = (max(lines([(f, _BODY_PT, 400)], FIT_MM[0]) for f in row) * _BODY_PT * 1.2 * MM_PER_PT for row in rows)
    return _BOX_MM + sum(words) + len(rows) * (FIT_MM[1] + _ROW_GAP_MM)


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
            out.append(Placed(min(HIGHEST_ALONE_MM, max(LOWEST_MM, PAGE_MM - pair[0])), True))
    return out


def as_many_as_fit(words: Sequence[float], taken_mm: float = 0.0) -> list[Placed]:
    """As many to a page as have pictures that can be copied; `taken_mm` is what stands on the first page before them."""
    if words and taken_mm and words[0] + LOWEST_MM > PAGE_MM - taken_mm:  # what comes first has left no room
        first, *others = as_many_as_fit(words)
        return [replace(first, begins_page=True), *others]
    out: list[Placed] = []
    while len(out) < len(words):
        room = PAGE_MM - (0.0 if out else taken_mm)
        left = words[len(out) :]
        count = max((n for n in range(1, len(left) + 1) if sum(left[:n]) + n * LOWEST_MM <= room), default=1)
        each = _grown(room - sum(left[:count]), count)
        out += [Placed(each, bool(out) and i == 0) for i in range(count)]
    return out


def _grown(room_mm: float, count: int) -> float:
    return min(HIGHEST_MM, max(LOWEST_MM, room_mm / count))


__all__ = ["HIGHEST_ALONE_MM", "HIGHEST_MM", "LOWEST_MM", "PAGE_MM", "Placed", "as_many_as_fit", "list_mm", "placed", "small_mm", "title_mm", "words_mm"]
