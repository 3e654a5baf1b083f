"""Rising from a seat: how many hands and which legs, as far as it was seen."""

from datetime import date

from amvel.case.affected import CARRIES
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.movements.stance import (
    CHAIR_CM,
    FOOT_AHEAD,
    RISE_ON_ONE_LEG,
    RISE_SAYS,
    WITH_BOTH_HANDS,
    WITH_ONE_HAND,
    WITHOUT_HANDS,
)
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Origin
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2020, 1, 1)
RISES_SEEN = {
    "both_hands": WITH_BOTH_HANDS,
    "one_hand": WITH_ONE_HAND,
    "no_hands": WITHOUT_HANDS,
    "one_foot_ahead": FOOT_AHEAD,
    "one_leg": RISE_ON_ONE_LEG,
}
_TESTS = ("chair_stand_30s", "five_stands", "observed_function")


def answer(f: Findings, n: Numbers) -> Answer:
    """The same rise, or a harder one, was seen; in the visit one more, on one leg alone only with legs that nothing weakens."""
    page = Page("rising", COMMON_PRACTICE)
    seen, by = _seen(f, n)
    begins = int(n["begins"] if _sturdy(f, n) else n["begins_careful"])
    home = max(seen, begins)
    because = by if seen > begins else said("where everybody begins") if _sturdy(f, n) else said("nothing else was seen")
    visit = home + int(n["visit_more"])
    if seen < RISE_ON_ONE_LEG and _legs_doubtful(f):
        visit = min(visit, FOOT_AHEAD)  # two legs that rise say nothing of the weaker one alone
    if not _sturdy(f, n):
        lowest, told = _lowest_seat_cm(f)
        page.limit(
            "seat",
            "low_seat_cm",
            max(0.0, CHAIR_CM - lowest),
            said("rising from a seat lower than {lowest} cm has not been seen ({told})", lowest=float(lowest), told=term(told)),
            origin=Origin.NOT_SHOWN,
            opened_by=("observed_function", "chair_stand_30s"),
        )
    for name, level, at_home in (("visit", visit, False), ("home", home, True)):
        if level < RISE_ON_ONE_LEG:
            page.limit(
                name,
                "rise_level",
                level,
                said("“{what}” has not been seen ({because})", what=term(RISE_SAYS[level + 1]), because=term(because)),
                at_home=at_home,
                origin=Origin.NOT_SHOWN,
                opened_by=_TESTS,
            )
    return page.done()


def _lowest_seat_cm(f: Findings) -> tuple[float, str]:
    """The lowest seat that was risen from, and where; the chair of the tests where nothing else was."""
    found = [(CHAIR_CM, said("a chair"))]
    found += [(r.seat_cm, said("30-second chair stand")) for r in f.results("chair_stand_30s") if r.seat_cm is not None and r.count > 0]
    found += [(r.lowest_seat_cm, said("seen in daily life")) for r in f.results("observed_function") if r.lowest_seat_cm is not None]
    return min(found)


def _sturdy(f: Findings, n: Numbers) -> bool:
    """Whether daily life can be taken to show rises without the hands."""
    return f.age < n["old_years"] and not _legs_doubtful(f)


def _legs_doubtful(f: Findings) -> bool:
    """Whether a sign of fall risk or a condition speaks against legs that carry as they should."""
    return bool(f.fall_signs) or any(c.affects() & CARRIES for c in f.case.conditions)


def _seen(f: Findings, n: Numbers) -> tuple[int, str]:
    """The hardest rise that was seen, and where; of several results of one day the worst speaks."""
    found = [(0, "")]
    stands = f.results("chair_stand_30s")
    if stands:
        worst = min(stands, key=lambda r: (not r.arms_used, r.count))
        if worst.count < 1:
            level = 0
        elif worst.arms_used:
            level = WITH_BOTH_HANDS
        else:
            level = FOOT_AHEAD if worst.count >= n["stands_for_a_foot_ahead"] else WITHOUT_HANDS
        found.append((level, "30-second chair stand"))
    five = f.results("five_stands")
    if five:
        level = WITH_BOTH_HANDS if any(r.arms_used_or_unable for r in five) else WITHOUT_HANDS
        found.append((level if all(r.seconds for r in five) else 0, "five chair stands"))
    daily = [RISES_SEEN[r.rises] for r in f.results("observed_function") if r.rises in RISES_SEEN]
    if daily:
        found.append((min(daily), "seen in daily life"))
    return max(found)


_STANDS = {"test": "chair_stand_30s", "count": 8}
RULE = Rule(
    "rising",
    "Rises that have been seen",
    "Hands and legs of a rise as far as the same or a harder one was seen; with someone near one step more, but on one leg alone only where nothing weakens the legs.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number("begins", WITHOUT_HANDS, "rise", "rise at home for a sturdy person who is not old, nothing shown: 3 is without hands", COMMON_PRACTICE, SINCE),
        Number("begins_careful", WITH_BOTH_HANDS, "rise", "rise at home otherwise: 1 is with both hands", COMMON_PRACTICE, SINCE),
        Number("old_years", 65, "years", "age from which rising without hands must be seen", COMMON_PRACTICE, SINCE),
        Number("visit_more", 1, "rise", "more in the visit than at home", COMMON_PRACTICE, SINCE),
        Number("stands_for_a_foot_ahead", 14, "count", "chair stands in 30 s that show a rise with one foot ahead", COMMON_PRACTICE, SINCE),
    ),
    (
        Example("sturdy and not tested", {"conditions": []}, {"rising.home": 3.0, "rising.visit": 4.0}),
        Example(
            "a stroke and fourteen stands: not on one leg, in the visit neither",
            {"conditions": [{"kind": "stroke", "side": "left", "shoulder": "free"}], "tests": [{**_STANDS, "count": 14}]},
            {"rising.home": 4.0, "rising.visit": 4.0},
        ),
        Example(
            "seventy, seen to rise from a sofa of 38 cm",
            {"person": {"birth_date": "1955-05-01"}, "tests": [{"test": "observed_function", "rises": "no_hands", "lowest_seat_cm": 38}]},
            {"rising.seat": 5.0},
        ),
        Example("seventy, nothing seen", {"person": {"birth_date": "1955-05-01"}}, {"rising.seat": 0.0}),
        Example("sturdy: any seat", {"conditions": []}, {"rising.seat": None}),
        Example("nerves affected, not tested", {"conditions": [{"kind": "multiple_sclerosis"}]}, {"rising.home": 1.0, "rising.visit": 2.0}),
        Example(
            "8 stands without the arms",
            {"conditions": [{"kind": "multiple_sclerosis"}], "tests": [_STANDS]},
            {"rising.home": 3.0, "rising.visit": 4.0},
        ),
        Example(
            "8 stands with the arms",
            {"conditions": [{"kind": "multiple_sclerosis"}], "tests": [{**_STANDS, "arms_used": True}]},
            {"rising.home": 1.0},
        ),
        Example(
            "14 stands",
            {"conditions": [{"kind": "multiple_sclerosis"}], "tests": [{**_STANDS, "count": 14}]},
            {"rising.home": 4.0, "rising.visit": 4.0},
        ),
        Example(
            "14 stands, and nothing weakens the legs",
            {"tests": [{**_STANDS, "count": 14}]},
            {"rising.home": 4.0, "rising.visit": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.OLDER_PEOPLE,
)
