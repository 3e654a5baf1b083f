"""Which side a movement is done on and how much on each, in words."""

import pytest

from amvel.movements import find, library
from amvel.planning.dose_words import dose_words, side_words
from amvel.planning.item import Item, SetUp
from tests.bodies import library_profiles


@pytest.mark.parametrize(
    ("ref", "sides", "says"),
    [
        ("sit_to_stand/one_hand", ("right",), "with the right hand"),
        ("sit_to_stand/one_hand", ("left", "right"), ""),
        ("roll_to_the_side/half_and_back", ("left",), "over the right side"),
        ("clam/small_opening", ("left",), "left side only"),
        ("bridge/with_cushion", ("both",), ""),
    ],
)
def test_a_movement_done_on_one_side_says_which(ref: str, sides: tuple[str, ...], says: str) -> None:
    assert side_words(find(ref)[1], sides) == says


@pytest.mark.parametrize(
    ("left", "right", "says"),
    [
        ((8, 2, 0.0), (8, 2, 0.0), "8 times each side, 2 rounds"),
        ((8, 1, 0.0), (8, 2, 0.0), "8 times each side, one round more on the right"),
        ((3, 1, 10.0), (3, 1, 4.0), "left 3 times, hold 10 s; right 3 times, hold 4 s"),
        ((10, 2, 0.0), (6, 2, 0.0), "left 10 times, 2 rounds; right 6 times, 2 rounds"),
    ],
)
def test_each_side_has_its_own_dose_in_words(left: tuple, right: tuple, says: str) -> None:
    own = [SetUp(side, {}, *dose) for side, dose in (("left", left), ("right", right))]
    assert dose_words(Item("clam/small_opening", "on the side", tuple(own))) == says


def test_words_of_a_side_name_the_side_that_is_lain_on() -> None:
    """'Over the right side' is the version whose last frame lies on the right side."""
    for family in ("roll_to_the_side", "side_to_sitting"):
        for step in library()[family].steps:
            assert "{other}" in step.side_says
            profile = next(
                p
                for p in library_profiles("middle")
                if p.request.label == f"{family}/{step.id}" and p.request.side == "left"
            )
            assert profile.peak("left.lying_on") == 0
            assert profile.peak("right.lying_on") == (0 if step.id == "half_and_back" else 1)
