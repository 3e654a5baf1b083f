"""The hand-out: two movements to a page, and what their words leave of it goes to the pictures."""

from itertools import product

from hypothesis import given
from hypothesis import strategies as st

from papers.set_type import lines, width_mm
from papers.two_a_page import (
    HIGHEST_ALONE_MM,
    HIGHEST_MM,
    LOWEST_MM,
    PAGE_MM,
    Block,
    Pages,
    box_mm,
    lead_mm,
    paged,
    ready_mm,
    small_mm,
    title_mm,
    words_mm,
)

LINES = st.lists(st.text(alphabet="abcdefg hij", min_size=0, max_size=300), max_size=5)
BLOCKS = st.lists(st.builds(Block, words_mm=st.floats(30, 300), widest_mm=st.floats(20, 130), most=st.sampled_from([2, 4])), max_size=9)


def heights(*words: float) -> list[float]:
    return [p.picture_mm for p in paged([Block(w) for w in words]).blocks]


def begins(*words: float, taken: float = 0.0) -> list[bool]:
    return [p.begins_page for p in paged([Block(w) for w in words], taken).blocks]


def test_few_words_leave_large_pictures_and_many_small_ones() -> None:
    title = title_mm("1. Tall hinge", "Arms raised", "6 times")
    few = words_mm(title, ["Sit tall."], ["Breathe out and lean."])
    many = words_mm(title, ["word " * 90], ["Breathe out and lean back a little further than before. " * 2])
    assert heights(few, few) == [HIGHEST_MM] * 2
    assert LOWEST_MM <= heights(many, many)[0] < heights(few, many)[0] <= HIGHEST_MM


def _lines(text: str, room_mm: float = 178.0) -> int:
    return lines([(text, 12.0, 400)], room_mm)


def test_lines_are_those_that_were_counted_on_paper() -> None:
    """Counted on a printed page at 12 points over 178 mm: 92 letters stand on its first line, the next word does not."""
    whole = "Fester Sitz, mit einem Block oder gefalteten Handtuch erhöht, wenn die Hüften eng sind; nie"
    assert width_mm(whole, 12.0) <= 178.0 < width_mm(whole + " ein weiches", 12.0)
    assert (_lines(""), _lines(whole), _lines(whole + " ein weiches Kissen.")) == (0, 1, 2)


@given(st.text(alphabet="abc defghij", max_size=300), st.floats(20, 200), st.floats(1, 60))
def test_more_room_never_takes_more_lines(text: str, room: float, more: float) -> None:
    assert _lines(text, room + more) <= _lines(text, room) <= len(text.split())


def test_a_long_title_beside_a_long_dose_takes_a_line_more() -> None:
    short = title_mm("5. Tall hinge", "Arms raised", "6 times")
    long = title_mm("2. Tiefe Bauchspannung im Sitzen", "Weg von der Lehne, drei Atemzüge lang", "6-mal, 2 Runden")
    assert long == 2 * short


def test_a_long_one_beside_a_short_one_still_shares_its_page() -> None:
    assert begins(120, 70, 60, 60) == [True, False, True, False]
    assert begins(150, 70, 60, 60) == [True, True, False, True]


def test_the_sheets_are_as_few_as_will_do() -> None:
    """Two by two in their order where that spares a sheet; the long one alone where it does not fit with either."""
    assert begins(60, 60, 140, 50) == [True, False, True, False]
    assert begins(140, 60, 60, 140, 50) == [True, True, False, True, False]


def test_the_first_movement_follows_a_way_where_its_page_has_room() -> None:
    way, long, short = Block(60, most=4), Block(160), Block(80)
    assert [p.begins_page for p in paged([way, short, short, short], 20).blocks] == [False, False, True, False]
    assert [p.begins_page for p in paged([way, long, short, short], 20).blocks][:2] == [False, True]


def test_what_has_no_room_under_what_stands_there_begins_another_page() -> None:
    assert begins(60, taken=250) == [True]
    assert begins(60, taken=100) == [False]


@given(small=LINES, do=LINES, more=st.text(alphabet="abc", min_size=1, max_size=200))
def test_more_words_take_more_room(small: list[str], do: list[str], more: str) -> None:
    assert words_mm(9.0, [*small, more], do) > words_mm(9.0, small, do)
    assert words_mm(9.0, small, [*do, more]) > words_mm(9.0, small, do)
    assert small_mm(more + " " + more) >= small_mm(more) > 0


@given(BLOCKS, st.floats(0, 240))
def test_every_page_holds_what_begins_on_it_and_every_picture_can_be_copied(blocks: list[Block], taken: float) -> None:
    found = paged(blocks, taken)
    assert len(found.blocks) == len(blocks)
    sheets = _sheets(found)
    assert found.count == len(sheets) - (not taken or not blocks)  # without anything above them the first sheet begins with a block
    for number, sheet in enumerate(sheets):
        over = taken if number == 0 else 0.0
        used = over + sum(blocks[i].words_mm + found.blocks[i].picture_mm for i in sheet)
        too_long = len(sheet) == 1 and not over and blocks[sheet[0]].words_mm + LOWEST_MM > PAGE_MM
        assert used <= PAGE_MM + 1e-6 or too_long
        assert not sheet or len(sheet) <= min(blocks[i].most for i in sheet)
        for i in sheet:
            most = HIGHEST_ALONE_MM if len(sheet) == 1 else HIGHEST_MM
            assert LOWEST_MM <= found.blocks[i].picture_mm <= max(LOWEST_MM, min(most, blocks[i].widest_mm)) + 1e-6


def _sheets(found: Pages) -> list[list[int]]:
    """Which blocks stand on which sheet; the first one may hold only what stands above them."""
    sheets: list[list[int]] = [[]]
    for i, p in enumerate(found.blocks):
        if p.begins_page:
            sheets.append([])
        sheets[-1].append(i)
    return sheets


@given(BLOCKS)
def test_no_other_division_takes_fewer_sheets(blocks: list[Block]) -> None:
    """Against every way to divide them, tried one after the other."""
    blocks = blocks[:7]

    def fits(sheet: list[Block]) -> bool:
        return len(sheet) == 1 or (len(sheet) <= min(b.most for b in sheet) and sum(b.words_mm + LOWEST_MM for b in sheet) <= PAGE_MM)

    fewest = len(blocks)
    for cuts in product([False, True], repeat=max(0, len(blocks) - 1)):
        sheets: list[list[Block]] = [[b] for b in blocks[:1]]
        for cut, block in zip(cuts, blocks[1:], strict=True):
            if cut:
                sheets.append([block])
            else:
                sheets[-1].append(block)
        if all(map(fits, sheets)):
            fewest = min(fewest, len(sheets))
    assert paged(blocks).count == fewest


@given(st.lists(st.tuples(st.floats(30, 90), st.floats(20, 130)), min_size=2, max_size=2))
def test_a_picture_as_wide_as_the_page_leaves_its_room_to_the_other(two: list[tuple[float, float]]) -> None:
    blocks = [Block(w, widest) for w, widest in two]
    first, second = paged(blocks).blocks
    assert not second.begins_page
    left = PAGE_MM - sum(b.words_mm for b in blocks) - first.picture_mm - second.picture_mm
    full = [abs(p.picture_mm - max(LOWEST_MM, min(HIGHEST_MM, b.widest_mm))) < 1e-6 for b, p in zip(blocks, (first, second), strict=True)]
    assert left < 1e-6 or all(full)


def test_a_rung_that_does_not_fit_beside_its_title_stands_below_it_as_a_whole() -> None:
    """Three lines would be counted if its words were taken one by one."""
    one_line = title_mm("8. Heel raise", "Fingertips", "8 times")
    below = title_mm("10. Bein zur Seite im Stehen", "Feste Hand", "je Seite 8-mal, 2 Runden")
    assert below == 2 * one_line


def test_what_to_get_ready_takes_a_row_for_three() -> None:
    assert ready_mm([]) == 0.0
    three, four = ready_mm(["a seat of 45 cm"] * 3), ready_mm(["a seat of 45 cm"] * 4)
    assert 0 < ready_mm(["a seat of 45 cm"]) == three < four
    assert ready_mm(["a seat of 45 cm, " * 6]) > three


def test_boxes_of_the_first_page_grow_with_what_is_in_them() -> None:
    assert box_mm([]) == 0.0
    assert 0 < box_mm(["slowly"]) < box_mm(["slowly", "small"]) < box_mm(["slowly", "small"], headings=2)
    assert box_mm(["slowly"]) < box_mm(["slowly " * 40]) and box_mm(["slowly"]) < box_mm(["slowly"], small=["ring us"])
    assert lead_mm("") == 0.0 < lead_mm("Dear Ann") < lead_mm("Dear Ann " * 30)
