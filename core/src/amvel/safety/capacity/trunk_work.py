"""Trunk work: closed until shown, level by level, in each way of working."""

from datetime import date

from amvel.case.affected import HOLDS_THE_TRUNK
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import MCGILL
from amvel.movements.levels import HIGHEST, SAYS
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Origin, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.safety.shown_levels import shown_levels, tests_beyond
from amvel.screening import Findings
from amvel.sources import practice

LEVELS = practice("levels of trunk work; where a level begins and what steps up to it", reading=True)
RATIOS = MCGILL.says("side to side within 0.05, side bridge to back extensors below 0.75")
SINCE = date(2020, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Where somebody begins by state and age; one level more in the visit; higher where a test, a rise or the log shows it."""
    page = Page("trunk_work", LEVELS)
    begins, why = begins_at(f, n)
    for way, shown in shown_levels(f, n).items():
        home = max(begins, shown.level)
        because = shown.by if shown.level > begins else why
        for name, level, at_home in (
            (way.value, home + int(n["visit_more"]), False),
            (f"{way.value}_home", home, True),
        ):
            if level <= HIGHEST:
                page.limit(
                    name,
                    way.quantity,
                    level,
                    _says(level, because),
                    when=Place.EXERCISES,
                    at_home=at_home,
                    origin=Origin.NOT_SHOWN,
                    opened_by=tests_beyond(way, level),
                )
    return page.done()


def begins_at(f: Findings, n: Numbers) -> tuple[int, str]:
    """The level at home that nothing has to be shown for, and why it is that one."""
    acute = [c for c in f.case.conditions if c.acute(f.case.as_of)]
    if acute:
        return int(n["acute"]), said("{what}: an acute state", what=said(acute[0].TITLE))
    affected = [c for c in f.case.conditions if c.affects() & HOLDS_THE_TRUNK]
    if affected:
        return int(n["affected"]), said("{what}: a level lower until more is shown", what=said(affected[0].TITLE))
    if f.bone.weak:
        return int(n["affected"]), said("bone that is weak, or may be: a level lower until more is shown")
    if f.age >= n["old_years"]:
        return int(n["affected"]), said("{age} years: a level lower until more is shown", age=term(f.age))
    return int(n["begins"]), said("where everybody begins")


def _says(level: int, because: str) -> str:
    if level < HIGHEST:
        return said("“{what}” has not been shown ({because})", what=term(SAYS[level + 1]), because=term(because))
    return said("more than “{what}” has not been shown ({because})", what=term(SAYS[level]), because=term(because))


_FLOAT = {"test": "toe_float_clean", "cm": 0.5}
_RAISE = {"test": "active_leg_raise", "score": 0}
_BOTH = ("left", "right")
RULE = Rule(
    "trunk_work",
    "Trunk work that has been shown",
    "Everybody begins with little; each test, daily rise or clean log opens one level, only in the way of working that it showed.",
    (LEVELS, RATIOS),
    SINCE,
    answer,
    (
        Number("acute", 1, "level", "trunk work at home in an acute state, nothing shown", LEVELS, SINCE),
        Number("affected", 2, "level", "trunk work at home when trunk, pelvis, belly, bone or nerves are affected or one is old, nothing shown", LEVELS, SINCE),
        Number("begins", 3, "level", "trunk work at home otherwise, nothing shown", LEVELS, SINCE),
        Number("old_years", 65, "years", "age from which one begins a level lower", LEVELS, SINCE),
        Number("visit_more", 1, "level", "more in the visit than at home", LEVELS, SINCE),
        Number("float_cm", 2.5, "cm", "the toe float that shows level 2", LEVELS, SINCE),
        Number("fall_out_deg", 20, "deg", "the fall-out that shows level 2", LEVELS, SINCE),
        Number("leg_reach_deg", 45, "deg", "hip angle down to which a clean leg reach shows level 3", LEVELS, SINCE),
        Number("leg_raise_sum", 1, "0–10", "both sides of the active leg raise, in sum, for level 3", LEVELS, SINCE),
        Number("limb_lifts", 5, "count", "clean limb lifts a side that show level 3", LEVELS, SINCE),
        Number("stands", 1, "count", "chair stands without the arms that show level 3 against bending", LEVELS, SINCE),
        Number("drop_cm", 1, "cm", "pelvic drop at the wall that still counts as none", LEVELS, SINCE),
        Number("short_hold_s", 10, "s", "back extensors, for level 4", LEVELS, SINCE),
        Number("hold_s", 20, "s", "plank, side bridge, back extensors, for level 5", LEVELS, SINCE),
        Number("long_hold_s", 45, "s", "plank, side bridge, back extensors, for level 6", LEVELS, SINCE),
        Number("side_to_side", 0.05, "", "how far the weaker side bridge may stay behind for level 6", RATIOS, SINCE),
        Number("side_to_back", 0.75, "", "side bridge to back extensors, below this for level 6", RATIOS, SINCE),
        Number("clean_in_a_row", 2, "count", "clean sessions in a row that count like a test", LEVELS, SINCE),
        Number("log_days", 90, "days", "how long a session of the log counts", LEVELS, SINCE),
    ),
    (
        Example(
            "nothing tested",
            {"conditions": []},
            {"trunk_work.arching_home": 3.0, "trunk_work.arching": 4.0, "trunk_work.bending_home": 3.0},
        ),
        Example(
            "a narrow canal: a level lower",
            {"conditions": [{"kind": "stenosis"}]},
            {"trunk_work.arching_home": 2.0, "trunk_work.arching": 3.0},
        ),
        Example(
            "four weeks after a birth",
            {"conditions": [{"kind": "after_birth", "on": "2026-10-27", "by": "vaginal"}]},
            {"trunk_work.arching_home": 1.0, "trunk_work.arching": 2.0},
        ),
        Example(
            "leg raises without effort show the belly, not the back",
            {"conditions": [{"kind": "stenosis"}], "tests": [{**_RAISE, "side": s} for s in _BOTH]},
            {"trunk_work.arching_home": 3.0, "trunk_work.bending_home": 2.0, "trunk_work.press_home": 3.0},
        ),
        Example(
            "one leg raise shows nothing of the other",
            {"conditions": [{"kind": "stenosis"}], "tests": [{**_RAISE, "side": "left"}]},
            {"trunk_work.arching_home": 2.0},
        ),
        Example(
            "a plank of 20 s",
            {"tests": [{"test": "plank_hold", "seconds": 20}]},
            {"trunk_work.arching_home": 5.0, "trunk_work.arching": 6.0, "trunk_work.bending_home": 3.0},
        ),
        Example("a plank of 19 s", {"tests": [{"test": "plank_hold", "seconds": 19}]}, {"trunk_work.arching_home": 3.0}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PHYSIOTHERAPY,
)
