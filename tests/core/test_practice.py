"""Invented cases for trainees: the same for the same seed, never anybody's, and judged by the rule-book's own answers."""

from datetime import date, timedelta

import pytest

from amvel.practice import answers_of, exercise, scored_against
from amvel.practice.exercise import Exercise, Judgement
from amvel.practice.invented import LEVELS, invented
from amvel.practice.scoring import DAYS, Answers, ErrorKind, Practised, due

ON = date(2026, 11, 27)
A, B, C = Judgement.AS_IT_IS, Judgement.CHANGED, Judgement.OUT


@pytest.fixture(scope="module")
def one() -> Exercise:
    return exercise(7, 2, ON, "sacroiliac_pain")


@pytest.mark.parametrize("level", LEVELS)
def test_a_level_has_as_many_conditions_and_no_stop_sign(level: int) -> None:
    for seed in range(6):
        engine = invented(seed, level, ON)
        assert len(engine.case.conditions) == level
        assert not engine.stop_signs
        assert not engine.case.person.name


def test_the_same_seed_gives_the_same_case_and_another_another() -> None:
    assert invented(3, 2, ON).case == invented(3, 2, ON).case != invented(4, 2, ON).case


@pytest.mark.parametrize(("level", "about"), [(0, ""), (4, ""), (1, "no_such_thing")])
def test_what_does_not_exist_is_refused(level: int, about: str) -> None:
    with pytest.raises(ValueError, match=r"level|about"):
        invented(1, level, ON, about)


def test_what_is_asked_has_the_verdicts_of_the_engine(one: Exercise) -> None:
    assert len(one.steps) == 6
    assert len({a.verdict.family for a in one.steps}) == 6
    for a in one.steps:
        [again] = [v for v in one.engine.judge(a.verdict.family, a.verdict.step, ("home",)) if v.side == a.verdict.side]
        assert again.verdict == a.verdict.verdict
        assert (a.answer is C) == (not again.allowed)
    assert set(one.best_tests) <= {d.test.id for d in one.tests}
    assert set(one.referrals).isdisjoint(one.other_referrals)


def test_whoever_says_what_the_rule_book_says_has_everything_right(one: Exercise) -> None:
    answers = answers_of(one)
    test = one.best_tests[0] if one.best_tests else ""
    result = scored_against(answers, answers.steps, test, answers.referrals)
    assert result.right == result.asked
    assert result.errors == {}


ANSWERS = Answers({"a/a": A, "b/b": B, "c/c": C}, ("t",), True, frozenset(("ask",)), frozenset(("ask", "other")))
RIGHT = dict(ANSWERS.steps)


@pytest.mark.parametrize(
    ("steps", "test", "referrals", "errors"),
    [
        (RIGHT, "t", {"ask"}, {}),
        ({**RIGHT, "c/c": B}, "t", {"ask"}, {ErrorKind.TOO_LAX: 1}),
        ({**RIGHT, "b/b": A}, "t", {"ask"}, {ErrorKind.TOO_LAX: 1}),
        ({**RIGHT, "a/a": C}, "t", {"ask"}, {ErrorKind.TOO_STRICT: 1}),
        (RIGHT, "u", {"ask"}, {ErrorKind.OTHER_TEST: 1}),
        (RIGHT, "t", set(), {ErrorKind.MISSED_REFERRAL: 1}),
        (RIGHT, "t", {"ask", "other"}, {ErrorKind.NEEDLESS_REFERRAL: 1}),
        ({}, "", set(), {ErrorKind.TOO_STRICT: 2, ErrorKind.OTHER_TEST: 1, ErrorKind.MISSED_REFERRAL: 1}),
    ],
)
def test_errors_have_their_kind(steps: dict, test: str, referrals: set, errors: dict) -> None:
    result = scored_against(ANSWERS, steps, test, frozenset(referrals))
    assert result.errors == errors
    assert (result.right, result.asked) == (6 - sum(errors.values()), 6)


class TestSpacing:
    def attempts(self, *shares: float, ended: int) -> list[Practised]:
        return [Practised(ON - timedelta(days=ended + i), ("stroke",), share) for i, share in enumerate(reversed(shares))]

    @pytest.mark.parametrize(("passed", "days"), list(enumerate(DAYS, 1)))
    def test_what_was_passed_comes_again_after_growing_intervals(self, passed: int, days: int) -> None:
        early, on_the_day = (self.attempts(*[1.0] * passed, ended=d) for d in (days - 1, days))
        assert due(early, ("stroke",), ON) == []
        assert due(on_the_day, ("stroke",), ON) == ["stroke"]

    def test_what_was_not_passed_is_due_at_once_and_begins_anew(self) -> None:
        assert due(self.attempts(1.0, 1.0, 0.5, ended=0), ("stroke",), ON) == ["stroke"]

    def test_overdue_comes_before_what_was_never_seen(self) -> None:
        assert due(self.attempts(0.2, ended=3), ("after_birth", "stroke"), ON) == ["stroke", "after_birth"]
