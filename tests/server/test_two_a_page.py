"""The hand-out: what the words leave of half a page goes to the picture."""

from hypothesis import given
from hypothesis import strategies as st

from papers.two_a_page import HALF_PAGE_MM, HIGHEST_MM, LOWEST_MM, picture_mm

LINES = st.lists(st.text(alphabet="abcdefg hij", min_size=0, max_size=300), max_size=5)


def test_few_words_leave_a_large_picture_and_many_a_small_one() -> None:
    assert picture_mm(["Sit tall."], ["Breathe out and lean."]) == HIGHEST_MM
    assert picture_mm(["word " * 200], ["Breathe out and lean back a little further than before. " * 6]) == LOWEST_MM


@given(small=LINES, do=LINES, more=st.text(alphabet="abc ", min_size=1, max_size=200))
def test_more_words_never_make_a_larger_picture(small: list[str], do: list[str], more: str) -> None:
    assert picture_mm([*small, more], do) <= picture_mm(small, do)
    assert picture_mm(small, [*do, more]) <= picture_mm(small, do)


@given(small=LINES, do=LINES)
def test_a_picture_can_always_be_copied_and_fits_half_a_page(small: list[str], do: list[str]) -> None:
    assert LOWEST_MM <= picture_mm(small, do) <= min(HIGHEST_MM, HALF_PAGE_MM)
