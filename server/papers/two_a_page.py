"""Which movement and which way begins a page of the hand-out, two movements to a page, and how high their pictures are.

As few sheets as will do; none is left half empty where its pictures can grow or something else can stand on it.

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
_BOX_FRAME_MM, _BOX_INSIDE_MM, _LEAD_GAP_MM = 11.5, 17.0, 4.0  # frame, padding and margins of a box; what they and its bullets take of its width
_BOX_MM, _ROW_GAP_MM, _HEADING_GAP_MM = 20.0, 5.0, 9.0  # frame, padding and title of a box; between its rows; round a heading
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


def lead_mm(text: str) -> float:
    """A paragraph of the first page in larger print."""
    count = lines([(text, _STEP_PT, 400)], WIDE_MM)
    return count * _STEP_PT * _SMALL_LINE * MM_PER_PT + _LEAD_GAP_MM if count else 0.0


def box_mm(points: Sequence[str], headings: int = 1, small: Iterable[str] = ()) -> float:
    """A box of the first page: headings, points and small print; 0 for one with no point."""
    if not points:
        return 0.0
    heading = _BODY_PT * _SMALL_LINE * MM_PER_PT + 2.5
    each = (lines([(p, _BODY_PT, 400)], WIDE_MM - _BOX_INSIDE_MM) * _BODY_PT * _SMALL_LINE * MM_PER_PT + _LIST_GAP_MM for p in points)
    return _BOX_FRAME_MM + headings * heading + sum(each) + sum(small_mm(t, WIDE_MM - _BOX_INSIDE_MM) for t in small)


def ready_mm(fits: Sequence[str]) -> float:
    """The box with what to get ready: three to a row, each with its picture above its words."""
    if not fits:
        return 0.0
    rows = [fits[i : i + 3] for i in range(0, len(fits), 3)]
    words = (max(lines([(f, _BODY_PT, 400)], FIT_MM[0]) for f in row) * _BODY_PT * 1.2 * MM_PER_PT for row in rows)
    return _BOX_MM + sum(words) + len(rows) * (FIT_MM[1] + _ROW_GAP_MM)


def small_mm(text: str, wide_mm: float = WIDE_MM) -> float:
    """A paragraph of small print."""
    count = lines([(text, _SMALL_PT, 400)], wide_mm)
    return count * _SMALL_PT * _SMALL_LINE * MM_PER_PT + _SMALL_GAP_MM if count else 0.0


def list_mm(sentences: Iterable[str]) -> float:
    """A numbered list of what to do."""
    each = (lines([(s, _LIST_PT, 400)], WIDE_MM - _NUMBERS_MM) * _LIST_PT * _LIST_LINE * MM_PER_PT + _LIST_GAP_MM for s in sentences)
    return sum(each)


def words_mm(title: float, small: Iterable[str], do: Iterable[str]) -> float:
    """How high everything of a movement is but its picture; `title` is the height of its title."""
    return _ROUND_MM + title + sum(small_mm(t) for t in small) + list_mm(do)


@dataclass(frozen=True)
class Block:
    """What stands together on a page: how high its words are, how high its picture is as wide as the page, and with how many
    others it may share one."""

    words_mm: float
    widest_mm: float = HIGHEST_ALONE_MM
    most: int = 2


@dataclass(frozen=True)
class Pages:
    """Where every block stands, on how many pages, and how empty all but the last are (sum of the squares of what is left of each, mm²)."""

    blocks: tuple[Placed, ...]
    count: int
    emptiness: float

    @property
    def cost(self) -> tuple[int, float]:
        return self.count, self.emptiness


def paged(blocks: Sequence[Block], taken_mm: float = 0.0) -> Pages:
    """Blocks in their order on as few pages as will do, these as full as they can be; pictures share what words leave of a page.

    `taken_mm` is what stands on the first page before them.
    """
    best = [Pages((), 0, 0.0)]  # of the last blocks, from none to all of them
    for i in range(len(blocks) - 1, -1, -1):
        taken = 0.0 if i else taken_mm
        found = [_followed(page, best[len(blocks) - j]) for j in range(i + 1, len(blocks) + 1) if (page := _page(blocks[i:j], taken))]
        if taken and (fresh := _page(blocks[:1], 0.0)):  # what comes first has left no room, or a page is spared without it
            rest = [_followed(p, best[len(blocks) - j]) for j in range(1, len(blocks) + 1) if (p := _page(blocks[:j], 0.0))] or [fresh]
            found += [replace(p, blocks=_on_another(p.blocks), count=p.count + 1, emptiness=p.emptiness + (PAGE_MM - taken) ** 2) for p in rest]
        best.append(min(found, key=lambda p: p.cost))
    first, *others = best[-1].blocks or (None,)
    if first is None:
        return best[-1]
    return replace(best[-1], blocks=(first if taken_mm else replace(first, begins_page=True), *others))


def _page(blocks: Sequence[Block], taken_mm: float) -> Pages | None:
    """These on one page; None where they do not fit.  One whose words alone are too much stands alone all the same."""
    room = PAGE_MM - taken_mm - sum(b.words_mm for b in blocks)
    fits = len(blocks) <= min(b.most for b in blocks) and room >= len(blocks) * LOWEST_MM
    if not fits and (taken_mm or len(blocks) > 1):
        return None
    most = HIGHEST_ALONE_MM if len(blocks) == 1 and not taken_mm else HIGHEST_MM
    heights = _shared(room, [max(LOWEST_MM, min(most, b.widest_mm)) for b in blocks])
    return Pages(tuple(Placed(h, False) for h in heights), 1, max(0.0, room - sum(heights)) ** 2)


def _followed(page: Pages, rest: Pages) -> Pages:
    """A page and what comes after it; how empty the last one is counts nothing."""
    empty = page.emptiness + rest.emptiness if rest.count else 0.0
    return Pages((*page.blocks, *_on_another(rest.blocks)), page.count + rest.count, empty)


def _on_another(blocks: tuple[Placed, ...]) -> tuple[Placed, ...]:
    """The same, beginning a page."""
    return (replace(blocks[0], begins_page=True), *blocks[1:]) if blocks else ()


def _shared(room_mm: float, highest: Sequence[float]) -> list[float]:
    """The room shared alike among pictures; what one cannot use, since it is as wide as the page already, the others get."""
    out = [LOWEST_MM] * len(highest)
    left = room_mm - sum(out)
    for n, i in enumerate(sorted(range(len(highest)), key=lambda i: highest[i])):
        more = max(0.0, min(highest[i] - LOWEST_MM, left / (len(highest) - n)))
        out[i] += more
        left -= more
    return out


__all__ = ["HIGHEST_ALONE_MM", "HIGHEST_MM", "LOWEST_MM", "PAGE_MM", "WIDE_MM", "Block", "Pages", "Placed", "box_mm", "heading_mm", "lead_mm", "list_mm", "paged", "ready_mm", "small_mm", "title_mm", "words_mm"]
