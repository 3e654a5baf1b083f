"""A person of average pace follows the words of a hand-out: the minutes that were planned are true to within a tenth.

The pace is not the planner's: reading 150 words a minute (a careful reader aloud; Brysbaert 2019 has 183 for adults, from
memory), two settling breaths before each movement, ten seconds to get into place and as many to turn to the other side,
a minute and a half from one position to the next with its pause (common practice, no source); repetitions are timed by
the beats that the moving picture shows.
"""

import pytest

from amvel.movements import find
from amvel.movements.pacing import beats
from amvel.movements.schools import do_lines
from amvel.planning import Item, Programme
from tests.engines import planned
from tests.planned import engine

WORDS_A_SECOND = 2.5
SETTLING_S, INTO_PLACE_S, OTHER_SIDE_S = 13.0, 10.0, 10.0
POSITION_S, ROUND_REST_S, PLANNED_REST_S = 90.0, 30.0, 60.0
NAMES = ("low-bone-mass", "painful-wrist", "scoliosis-growing", "parkinson", "fused-spine", "after-birth")


def taken_s(item: Item, breath: str) -> float:
    """Reading it, getting there, and every repetition as the picture moves."""
    _, step = find(item.ref)
    words = len(" ".join((*step.setup, *do_lines(step, breath))).split())
    total = words / WORDS_A_SECOND + SETTLING_S + INTO_PLACE_S + OTHER_SIDE_S * (len(item.set_ups) - 1)
    for own in item.set_ups:
        shown = sum(b.seconds for b in beats(step, 9, breath))
        total += own.sets * own.repetitions * (shown - step.dose.hold_s + own.hold_s)
    return total + ROUND_REST_S * (min(s.sets for s in item.set_ups) - 1)


def run_minutes(programme: Programme, letter: str, breath: str) -> float:
    items = [i for i in programme.movements if letter in i.sessions]
    total = sum(taken_s(i, breath) for i in items)
    total += POSITION_S * sum(a.position != b.position for a, b in zip(items, items[1:], strict=False))
    if programme.rests.every:
        total += PLANNED_REST_S * (len(items) // programme.rests.every)
    return total / 60


@pytest.mark.parametrize("name", NAMES)
def test_a_session_takes_as_long_as_it_says(name: str) -> None:
    e = engine(name)
    programme = planned(e, "home")
    for s in programme.sessions:
        assert run_minutes(programme, s.id, "out_on_effort") == pytest.approx(s.minutes, rel=0.1), s.id
