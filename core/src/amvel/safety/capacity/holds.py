"""How long a position is held: half of what the endurance curve gives, from a timed test, or from little where none was done."""

from collections.abc import Mapping
from datetime import date

from amvel.body.endurance import FREY_LAW_AVIN
from amvel.case import Result
from amvel.case.affected import HOLDS_THE_TRUNK
from amvel.case.results.endurance import BackExtensorHold, PlankHold, SideBridgeHold
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.movements.levels import Way
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Origin, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

HALF = practice("half of the time to failure; little where nothing was timed", reading=True)
SINCE = date(2020, 1, 1)
# What each timed test holds: seconds of it are seconds of the hardest reference pose of that way.
TIMED: Mapping[Way, str] = {Way.ARCHING: "plank_hold", Way.BENDING: "back_extensor_hold", Way.SIDE: "side_bridge_hold"}


def answer(f: Findings, n: Numbers) -> Answer:
    """At most a share of the time that this person has held, reckoned to the load of the step."""
    page = Page("holds", HALF)
    for way, test in TIMED.items():
        held = [_in_full_s(r, n) for r in f.results(test)]
        seconds = min(held) if held else _untimed_s(f, n)
        why = said("held {seconds} s in the test", seconds=round(seconds)) if held else said("nobody has timed a hold")
        page.limit(
            way.value,
            way.hold_quantity,
            n["share"] * seconds,
            said("a clean hold ends well before it fails: {why}", why=term(why)),
            when=Place.EXERCISES,
            origin=Origin.NOT_SHOWN,
            opened_by=(test,),
        )
    return page.done()


def _in_full_s(result: Result, n: Numbers) -> float:
    """The seconds of a result in seconds of the same pose on the feet; on the knees, or not noted on what, they count less."""
    if isinstance(result, BackExtensorHold):
        return result.seconds
    if isinstance(result, PlankHold | SideBridgeHold):
        return result.seconds if result.down == "feet" else result.seconds * n["knees_share"]
    raise TypeError(f"holds: {type(result).__name__} is no timed hold")


def _untimed_s(f: Findings, n: Numbers) -> float:
    careful = f.age >= n["old_years"] or f.bone.weak or any(c.affects() & HOLDS_THE_TRUNK for c in f.case.conditions)
    return n["careful_s"] if careful else n["untimed_s"]


RULE = Rule(
    "holds",
    "Holds that have been timed",
    "A position is held for at most half of the time that the endurance curve gives for its load.",
    (HALF, FREY_LAW_AVIN),
    SINCE,
    answer,
    (
        Number("share", 0.5, "", "of the time to failure", HALF, SINCE),
        Number("untimed_s", 30, "s", "what anybody holds of the hardest pose, nothing timed", HALF, SINCE),
        Number("careful_s", 15, "s", "the same at 65 and over, or when trunk, pelvis, belly, bone or nerves are affected", HALF, SINCE),
        Number("old_years", 65, "years", "age from which less is taken for granted", HALF, SINCE),
        Number("knees_share", 0.35, "", "a second on the knees, or not noted on what, in seconds on the feet", HALF, SINCE),
    ),
    (
        Example("nothing timed", {"conditions": []}, {"holds.arching": 15.0, "holds.bending": 15.0, "holds.side": 15.0}),
        Example("nothing timed, a narrow canal", {"conditions": [{"kind": "stenosis"}]}, {"holds.arching": 7.5}),
        Example(
            "a plank of 40 s says nothing of the back",
            {"tests": [{"test": "plank_hold", "seconds": 40, "down": "feet"}]},
            {"holds.arching": 20.0, "holds.bending": 15.0},
        ),
        Example(
            "a plank of 40 s on the knees",
            {"tests": [{"test": "plank_hold", "seconds": 40, "down": "knees"}]},
            {"holds.arching": 7.0},
        ),
        Example(
            "the weaker side counts",
            {"tests": [{"test": "side_bridge_hold", "side": "left", "seconds": 30, "down": "feet"}, {"test": "side_bridge_hold", "side": "right", "seconds": 20, "down": "feet"}]},
            {"holds.side": 10.0},
        ),
        Example(
            "a plank of 40 s, nobody noted on what: as on the knees",
            {"tests": [{"test": "plank_hold", "seconds": 40}]},
            {"holds.arching": 7.0},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PHYSIOTHERAPY,
)
