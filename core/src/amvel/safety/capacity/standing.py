"""Standing: base and hands, as far as the same stance, or a harder one, was held; every further fall sign takes one off."""

from datetime import date

from amvel.case.affected import CARRIES
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import STEADI
from amvel.movements.stance import BOTH_FEET, HALF_STEP, ONE_LEG, STANCE_SAYS, TANDEM
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Origin, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

STAGES = STEADI.says("each stage of the four-stage balance test is held for 10 s", reading=True)
SINCE = date(2020, 1, 1)
_EASIEST = min(STANCE_SAYS)
_TESTS = ("four_stage_balance", "one_leg_stance")


def answer(f: Findings, n: Numbers) -> Answer:
    """Held stages open their stance; fall signs lower it, in the visit too; in the visit one more."""
    page = Page("standing", STAGES)
    held, by = _held(f, n)
    begins = int(n["begins"] if _sturdy(f, n) else n["begins_careful"])
    home = max(held, begins)
    because = by if held > begins else said("where everybody begins") if _sturdy(f, n) else said("nothing else was held")
    signs = len(f.fall_signs)
    if signs >= n["signs_from"]:
        lowered = max(_EASIEST, int(n["at_signs_from"]) - (signs - int(n["signs_from"])))
        if lowered < home:
            home, because = lowered, said("{signs} signs of fall risk", signs=term(signs))
    for name, level, at_home in (("visit", home + int(n["visit_more"]), False), ("home", home, True)):
        if level < ONE_LEG:
            page.limit(
                name,
                "stance_level",
                level,
                said("“{what}” has not been held, or is too much today ({because})", what=term(STANCE_SAYS[level + 1]), because=term(because)),
                when=Place.STANDING,
                at_home=at_home,
                origin=Origin.NOT_SHOWN,
                opened_by=_TESTS,
            )
    return page.done()


def _sturdy(f: Findings, n: Numbers) -> bool:
    carries = not any(c.affects() & CARRIES for c in f.case.conditions)
    return f.age < n["old_years"] and not f.fall_signs and carries


def _held(f: Findings, n: Numbers) -> tuple[int, str]:
    """The hardest stance that was held, and in which test."""
    found = [(_EASIEST, "")]
    for test in ("four_stage_balance", "physical_battery"):
        for r in f.results(test):
            stages = (
                (BOTH_FEET, r.side_by_side_s),
                (HALF_STEP, r.semi_tandem_s or 0),
                (TANDEM, r.tandem_s or 0),
                (ONE_LEG, getattr(r, "one_leg_s", None) or 0),
            )
            level = max((stance for stance, s in stages if s >= n["stage_s"]), default=_EASIEST)
            found.append((level, "four-stage balance"))
    legs = f.results("one_leg_stance")
    if {r.side for r in legs} == {"left", "right"} and all(r.seconds >= n["one_leg_s"] for r in legs):
        found.append((ONE_LEG, "one-leg stance on either leg"))
    return max(found)


_STAGES = {"test": "four_stage_balance", "side_by_side_s": 10, "semi_tandem_s": 10}
_CAREFUL = {"conditions": [{"kind": "multiple_sclerosis"}]}
RULE = Rule(
    "standing",
    "Stances that have been held",
    "Base and hands as far as the same or a harder stance was held; three signs of fall risk or more lower it, in the visit too.",
    (STAGES, COMMON_PRACTICE),
    SINCE,
    answer,
    (
        Number("begins", TANDEM, "stance", "stance at home for a sturdy person who is not old, nothing shown: 2 is heel to toe", COMMON_PRACTICE, SINCE),
        Number("begins_careful", HALF_STEP, "stance", "stance at home otherwise: one leg only with a firm hold", COMMON_PRACTICE, SINCE),
        Number("old_years", 65, "years", "age from which a stance must be held in a test", COMMON_PRACTICE, SINCE),
        Number("visit_more", 1, "stance", "more in the visit than at home", COMMON_PRACTICE, SINCE),
        Number("stage_s", 10, "s", "how long a stage is held", STAGES, SINCE),
        Number("one_leg_s", 5, "s", "how long either leg holds", COMMON_PRACTICE, SINCE),
        Number("signs_from", 2, "count", "signs of fall risk from which the stance is lowered", COMMON_PRACTICE, SINCE),
        Number("at_signs_from", HALF_STEP, "stance", "at that many signs; every further one takes one off", COMMON_PRACTICE, SINCE),
    ),
    (
        Example("sturdy and not tested", {"conditions": []}, {"standing.home": 2.0, "standing.visit": None}),
        Example("nerves affected, not tested", _CAREFUL, {"standing.home": 1.0, "standing.visit": 2.0}),
        Example("heel to toe for 10 s", {**_CAREFUL, "tests": [{**_STAGES, "tandem_s": 10}]}, {"standing.home": 2.0}),
        Example("heel to toe for 9.9 s", {**_CAREFUL, "tests": [{**_STAGES, "tandem_s": 9.9}]}, {"standing.home": 1.0}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.OLDER_PEOPLE,
)
