"""The figures by which logged sessions become a step up, a stay, a step down or a pause."""

from datetime import date

from amvel.checked import Profession
from amvel.numbers import Number
from amvel.screening.standard import Standard
from amvel.sources import ours, practice

SINCE = date(2026, 1, 1)
UP = practice("step up: target met clean, easy breath, low effort, no next-day flare, two sessions in a row, both sides")
DOWN = practice("step down: two sessions of early form failure, or any next-day flare")
STOP = practice("stop the movement: pain that rises by 2 of 10, or anything that spreads")
PACE = practice("one new movement a week is a comfortable rate")
VISITS = practice("a visit a week to begin with, sooner after a flare, fewer once sessions at home go well")
LOW_EFFORT = ours("what 'low effort' means on the 0–10 scale: talks in whole sentences")

PROGRESS = Standard(
    "progress.sessions",
    "Up, stay, down",
    "What has to be seen in sessions before a movement becomes harder, and what makes it easier again.",
    (
        Number("clean_in_a_row", 2, "sessions", "clean sessions in a row before a step up", UP, SINCE),
        Number("low_effort", 3, "of 10", "effort at most, for a step up", LOW_EFFORT, SINCE),
        Number("confident", 7, "of 10", "confidence at least, for a step up", ours("confidence that counts as sure"), SINCE),
        Number("early_share", 0.5, "of the target", "fewer clean repetitions than this is an early form failure", ours("what 'early' means"), SINCE),
        Number("early_in_a_row", 2, "sessions", "early failures in a row before a step down", DOWN, SINCE),
        Number("looks_back_days", 28, "days", "how far back sessions count", ours("a month without it is a new beginning"), SINCE),
        Number("new_days", 7, "days", "between two movements that are new", PACE, SINCE),
        Number("flares_that_refer", 2, "flares", "next-day flares within the days that refer", ours("a second flare is asked about"), SINCE),
        Number("refers_within_days", 14, "days", "within which flares and stops add up", ours("two weeks"), SINCE),
        Number("stops_that_refer", 2, "sessions", "in which the same symptom ended a movement", ours("a symptom that comes back is asked about"), SINCE),
        Number("visit_every_days", 7, "days", "from one visit to the next", VISITS, SINCE),
        Number("visit_after_flare_days", 3, "days", "to the next visit after a flare or a symptom", VISITS, SINCE),
        Number("visit_when_steady_days", 14, "days", "to the next visit while sessions are clean and at ease", VISITS, SINCE),
        Number("steady_sessions", 4, "sessions", "clean in a row, so that visits may be fewer", VISITS, SINCE),
    ),
    read_on=date(2026, 11, 27),
    check_by=Profession.PHYSIOTHERAPY,
)

__all__ = ["PROGRESS"]
