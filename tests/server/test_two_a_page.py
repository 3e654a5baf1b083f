"""The hand-out: two movements to a page, and what their words leave of it goes to the pictures."""

from hypothesis import given
from hypothesis import strategies as st

from papers.set_type import lines, width_mm
from papers.two_a_page import (
    HIGHEST_ALONE_MM,
    HIGHEST_MM,
    LOWEST_MM,
    PAGE_MM,
    as_many_as_fit,
    placed,
    ready_mm,
    small_mm,
    title_mm,
    words_mm,
)

LINES = st.lists(st.text(alphabet="abcdefg hij", min_size=0, max_size=300), max_size=5)
WORDS = st.lists(st.floats(30, 300), max_size=12)


def test_few_words_leave_large_pictures_and_many_small_ones() -> None:
    title = title_mm("1. Tall hinge", "Arms raised", "6 times")
    few = words_mm(title, ["Sit tall."], ["Breathe out and lean."])
    many = words_mm(title, ["word " * 90], ["Breathe out and lean back a little further than before. " * 2])
    assert [p.picture_mm for p in placed([few, few])] == [HIGHEST_MM] * 2
    assert LOWEST_MM <= placed([many, many])[0].picture_mm < placed([few, many])[0].picture_mm <= HIGHEST_MM


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
    assert [p.begins_page for p in placed([120, 70, 60, 60])] == [True, False, True, False]
    assert [p.begins_page for p in placed([150, 70, 60, 60])] == [True, True, False, True]


@given(small=LINES, do=LINES, more=st.text(alphabet="abc", min_size=1, max_size=200))
def test_more_words_take_more_room(small: list[str], do: list[str], more: str) -> None:
    assert words_mm(9.0, [*small, more], do) > words_mm(9.0, small, do)
    assert words_mm(9.0, small, [*do, more]) > words_mm(9.0, small, do)
    assert small_mm(more + " " + more) >= small_mm(more) > 0


@given(WORDS)
def test_every_page_holds_what_begins_on_it_and_every_picture_can_be_copied(words: list[float]) -> None:
    found = placed(words)
    assert len(found) == len(words)
    assert not found or found[0].begins_page
    assert all(LOWEST_MM <= p.picture_mm <= HIGHEST_ALONE_MM for p in found)
    for i, p in enumerate(found):
        if not p.begins_page:
            both = words[i - 1] + words[i] + found[i - 1].picture_mm + p.picture_mm
            assert found[i - 1].begins_page and both <= PAGE_MM + 1e-6


@given(WORDS)
def test_nobody_stands_alone_who_could_share(words: list[float]) -> None:
    found = placed(words)
    for i in range(len(found) - 1):
        if found[i].begins_page and found[i + 1].begins_page:
            assert words[i] + words[i + 1] + 2 * LOWEST_MM > PAGE_MM


@given(WORDS, st.floats(0, 260))
def test_ways_stand_as_many_to_a_page_as_fit(words: list[float], taken: float) -> None:
    found = as_many_as_fit(words, taken)
    assert len(found) == len(words)
    assert all(LOWEST_MM <= p.picture_mm <= HIGHEST_MM for p in found)
    pages: list[list[int]] = [[]]
    for i, p in enumerate(found):
        if p.begins_page:
            pages.append([])
        pages[-1].append(i)
    for number, page in enumerate(pages):
        high = sum(words[i] + found[i].picture_mm for i in page) + (0.0 if number else taken)
        alone = len(page) == 1 and words[page[0]] + LOWEST_MM > PAGE_MM
        assert alone or high <= PAGE_MM + 1e-6 or (number == 0 and not page)
    for page, following in zip(pages, pages[1:], strict=False):
        used = sum(words[i] + LOWEST_MM for i in [*page, following[0]]) + (taken if page is pages[0] else 0.0)
        assert used > PAGE_MM or (not page and page is not pages[0])


def test_one_way_alone_fills_its_page_as_far_as_a_picture_grows() -> None:
    [alone] = as_many_as_fit([60.0], 80.0)
    assert (alone.picture_mm, alone.begins_page) == (HIGHEST_MM, False)
    first, second = as_many_as_fit([60.0, 60.0], 40.0)
    assert first.picture_mm == second.picture_mm == (PAGE_MM - 160.0) / 2
    assert [p.begins_page for p in as_many_as_fit([90.0, 90.0, 90.0], 40.0)] == [False, True, False]
    assert as_many_as_fit([60.0], 250.0)[0].begins_page  # what comes first has left no room


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
