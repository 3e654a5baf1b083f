"""Positions that the person cannot get to, or does not tolerate."""

from datetime import date

from amvel.case.conditions.nervous_system import WheelchairUser
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

_SAID = {
    "lying_flat": ("flat", "lying_flat", said("does not tolerate lying flat")),
    "face_down": ("face_down", "face_down", said("does not tolerate lying face down")),
    "left_side": ("left_side", "left.lying_on", said("does not tolerate lying on the left side")),
    "right_side": ("right_side", "right.lying_on", said("does not tolerate lying on the right side")),
    "hands_and_knees": ("hands_and_knees", "on_hands_and_knees", said("does not tolerate hands and knees")),
    "kneeling": ("kneeling", "kneeling", said("does not tolerate kneeling")),
    "standing": ("standing", "standing", said("does not stand")),
}


def answer(f: Findings, n: Numbers) -> Answer:
    """No floor without getting there and up again; no position that is not tolerated."""
    page, t = Page("reachable_positions", COMMON_PRACTICE), f.case.tolerates
    hoisted = any(c.transfers == "hoist" for c in f.all(WheelchairUser)) or t.bed_transfer == "hoist"
    if t.floor == "no" or f.floor_rise == "unable" or hoisted:
        page.limit(
            "floor",
            "floor_transfer",
            0,
            "cannot get down to the floor and up again; use the bed or the chair version",
        )
    elif f.floor_rise == "with_help" and t.helper_at_home != "shown_how":
        page.limit("floor_home", "floor_transfer", 0, "gets up from the floor only with help", at_home=True)
    if t.lying_flat == "no" and t.lying_propped == "no":
        page.limit("on_the_back", "on_the_back", 0, "does not tolerate lying on the back, propped up neither", when=Place.EXERCISES)
    for at, most in (("sitting", t.sitting_minutes), ("standing", t.standing_minutes)):
        if most is not None:
            page.limit(f"{at}_minutes", f"time_{at}_min", most, said("tolerates {at} for {most} minutes at a time", at=term(at), most=term(most)), when=Place.EXERCISES)
            page.care(f"{at}_pauses", at, 0, said("tolerates {at} for {most} minutes at a time", at=term(at), most=term(most)), said("change position after {minutes} minutes at the latest", minutes=most))
    for name, (id, quantity, reason) in _SAID.items():
        if getattr(t, name) == "no":
            # Flat for the moment of a roll is not lying there.
            page.limit(id, quantity, 0, reason, when=Place.EXERCISES if name == "lying_flat" else Place.ANYWHERE)
    return page.done()


RULE = Rule(
    "reachable_positions",
    "Positions that can be reached",
    "Who cannot get to a position safely is never given it.",
    (COMMON_PRACTICE,),
    date(2026, 1, 1),
    answer,
    (),
    (
        Example("no floor", {"tolerates": {"floor": "no"}}, {"reachable_positions.floor": 0.0}),
        Example(
            "unable to rise",
            {"tests": [{"test": "floor_rise", "result": "unable"}]},
            {"reachable_positions.floor": 0.0},
        ),
        Example(
            "rises with furniture",
            {"tests": [{"test": "floor_rise", "result": "with_furniture"}]},
            {"reachable_positions.floor": None, "reachable_positions.floor_home": None},
        ),
        Example(
            "rises with help, and a helper was shown how",
            {"tests": [{"test": "floor_rise", "result": "with_help"}], "tolerates": {"helper_at_home": "shown_how"}},
            {"reachable_positions.floor_home": None},
        ),
        Example("sits for five minutes", {"tolerates": {"sitting_minutes": 5}}, {"reachable_positions.sitting_minutes": 5.0}),
        Example(
            "neither flat nor propped",
            {"tolerates": {"lying_flat": "no", "lying_propped": "no"}},
            {"reachable_positions.on_the_back": 0.0},
        ),
        Example("not flat, but propped", {"tolerates": {"lying_flat": "no", "lying_propped": "yes"}}, {"reachable_positions.on_the_back": None}),
        Example("no kneeling", {"tolerates": {"kneeling": "no"}}, {"reachable_positions.kneeling": 0.0}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PHYSIOTHERAPY,
)
