"""Invented cases for trainees: judge first, then compare with the rule-book; nobody's data is in them."""

from amvel.practice.exercise import Exercise, exercise
from amvel.practice.scoring import Answers, ErrorKind, Result, answers_of, scored_against

__all__ = ["Answers", "ErrorKind", "Exercise", "Result", "answers_of", "exercise", "scored_against"]
