"""Goals: tasks that are chosen, words that are only shown."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.case import Case, CaseError, read_case
from amvel.case.goals import Goal, Task
from amvel.case.purposes import PURPOSES
from amvel.movements import library
from amvel.planning.needs import needs
from amvel.planning.purposes import GENERAL
from amvel.planning.tasks import TASKS, asks_of, ends_of, unmapped
from amvel.safety import Envelope
from amvel.screening import find_out
from tests.generated import base


def with_goals(*goals: object) -> Case:
    return read_case(base("1960-01-01", "female", [], [], wishes={"goals": list(goals)}))


def weights(case: Case) -> dict[str, int]:
    return {p: n.weight for p, n in needs(case, find_out(case), Envelope((), (), ())).items()}


@pytest.mark.parametrize("task", Task)
def test_a_task_weighs_what_it_asks_itself_most_and_says_because_of_which_goal(task: Task) -> None:
    case = with_goals({"words": "what I said", "task": task.value})
    found = needs(case, find_out(case), Envelope((), (), ()))
    first, *others = TASKS[task].asks
    more = {p: found[p].weight - GENERAL.get(p, 0) for p in TASKS[task].asks}
    assert all(more[first] > more[p] > 0 for p in others)
    assert "own goal: what I said" in found[first].because


@pytest.mark.parametrize("task", Task)
def test_every_task_ends_in_movements_of_the_library_that_may_be_planned(task: Task) -> None:
    """Every ladder ends outside the exercise (common practice, no source)."""
    assert TASKS[task].ends and TASKS[task].title
    assert set(TASKS[task].asks) <= set(PURPOSES)
    for family in TASKS[task].ends:
        assert not library()[family].asked_for


@given(st.text(min_size=1, max_size=200).filter(str.strip), st.sampled_from([None, *Task]))
def test_words_are_never_read(words: str, task: Task | None) -> None:
    """Whatever a goal is called, only the task that was chosen for it counts."""
    one, other = Goal(words=words, task=task), Goal(words="x", task=task)
    assert asks_of(one) == asks_of(other) and ends_of([one]) == ends_of([other])


@pytest.mark.parametrize("words", ["lift my granddaughter", "dance", "walk to the market", "be happy"])
def test_a_goal_without_a_task_adds_nothing_and_is_named(words: str) -> None:
    case = with_goals({"words": words})
    assert weights(case) == GENERAL
    assert ends_of(case.wishes.goals) == () and unmapped(case.wishes.goals) == (words,)


def test_a_task_of_one_s_own_is_mapped_by_hand() -> None:
    case = with_goals({"words": "ring the church bells", "asks": ["upper_back", "balance"]})
    found = weights(case)
    assert found["upper_back"] - GENERAL["upper_back"] > found["balance"] - GENERAL["balance"] > 0
    assert unmapped(case.wishes.goals) == ()


def test_two_goals_with_one_task_want_it_once() -> None:
    two = [Goal(words=w, task=Task.LIFTING) for w in ("the baby", "my bag")]
    assert len(ends_of(two)) == 1
    assert len(ends_of([*two, Goal(words="in bed", task=Task.BED)])) == 2


def test_goals_of_before_are_words_without_a_task() -> None:
    assert with_goals("carry the boat").wishes.goals == (Goal(words="carry the boat"),)


@pytest.mark.parametrize(
    ("goal", "where", "why"),
    [
        ({"words": " "}, "goals[0].words", "as the client said it"),
        ({"words": "x", "task": "flying"}, "goals[0].task", "dressing"),
        ({"words": "x", "asks": ["wings"]}, "goals[0].asks[0]", "breath"),
        ({"words": "x", "asks": ["balance", "balance"]}, "goals[0].asks", "once"),
        ({"words": "x", "task": "bed", "asks": ["balance"]}, "goals[0].asks", "one of the two"),
        ({"task": "bed"}, "goals[0].words", "is missing"),
    ],
)
def test_a_goal_that_cannot_be_is_refused_with_field_and_reason(goal: dict, where: str, why: str) -> None:
    with pytest.raises(CaseError) as refused:
        with_goals(goal)
    assert any(path.endswith(where) and why in reason for path, reason in refused.value.faults), refused.value.faults
