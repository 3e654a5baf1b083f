"""Figures of a house, whatever they are and whoever the client is."""

from hypothesis import assume, given, settings
from hypothesis import strategies as st

from amvel.case import read_case
from amvel.planning.changed_numbers import loosened
from amvel.safety import envelope
from amvel.safety.lines import lines
from amvel.screening import find_out
from tests.generated import accepted, people

NUMBERS = [x for x in lines() if x.value is not None]
figures = st.tuples(st.sampled_from(NUMBERS), st.sampled_from((0.5, 0.8, 0.95, 1.05, 1.25, 2.0)))


@settings(max_examples=150)
@given(people, figures)
def test_a_figure_that_is_the_books_own_moves_nothing_and_another_moves_only_its_way_back(data: dict, figure: tuple) -> None:
    """Set to what it is it changes no limit; what a figure loosens, the way back tightens, and never loosens as well."""
    line, factor = figure
    assume(accepted(data))
    case = read_case(data)
    key = (line.owner, line.number)
    book = envelope(find_out(case))
    same = envelope(find_out(case.with_local({key: line.value})))
    assert [repr(x) for x in same.limits] == [repr(x) for x in book.limits]
    other = envelope(find_out(case.with_local({key: line.value * factor})))
    again = envelope(find_out(case.with_local({key: line.value * factor}).with_local({key: line.value})))
    assert [repr(x) for x in again.limits] == [repr(x) for x in book.limits]
    assert not loosened(book, book) and not loosened(other, other)
    assert not set(loosened(book, other)) & set(loosened(other, book))
