"""Falls and balance."""

from datetime import date

from amvel.case.conditions.falls import FearOfFalling
from amvel.checked import Profession
from amvel.languages import said, said_together, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.screening.findings import FALLS

HAND = FALLS.as_read


def answer(f: Findings, n: Numbers) -> Answer:
    """One sign: hand support at home. Two: no one-leg stance without firm support, floor only with a tested rise."""
    page = Page("falls_and_balance", HAND, "balance")
    if any(c.confidence_0_to_10 <= n["blocking_confidence"] for c in f.all(FearOfFalling)):
        page.refer("fear", "fear that blocks movement: ask whether mood and fear are looked after")
    if not f.fall_signs:
        return page.done()
    why = said_together((said(text) for text, _ in f.fall_signs), "; ")
    page.limit(
        "hand_at_home",
        "hand_support_level",
        n["hand_at_home"],
        said("alone at home, standing only with a firm hand support ({why})", why=term(why)),
        at_least=True,
        when=Place.STANDING,
            at_home=True,
    )
    page.limit(
        "hand_in_visit",
        "hand_support_level",
        min(n["hand_most"], n["hand_in_visit"] + (len(f.fall_signs) - 1) // n["signs_a_step"]),
        said("with someone near, {what} sign(s) of fall risk: the more of them, the firmer the hand ({why})", what=term(len(f.fall_signs)), why=term(why)),
        at_least=True,
        when=Place.STANDING,
    )
    if len(f.fall_signs) >= n["signs_for_more"]:
        page.limit(
            "one_leg_hand",
            "hand_support_level",
            n["hand_on_one_leg"],
            said("two signs of fall risk or more: on one leg only with firm support ({why})", why=term(why)),
            at_least=True,
            when=Place.ON_ONE_LEG,
        )
        page.limit(
            "unstable", "unstable_surface", 0, said("two signs of fall risk or more: no unstable surface ({why})", why=term(why))
        )
        if f.floor_rise not in ("alone", "with_furniture"):
            tested = said("not tested") if f.floor_rise is None else said("not safe")
            page.limit(
                "floor",
                "floor_transfer",
                0,
                said("two signs of fall risk or more, and getting up from the floor is {tested}", tested=term(tested)),
            )
    page.owe("balance", "Balance on 3 days a week or more", ("balance",), 3, why, minutes=n["balance_min"])
    page.owe("sit_to_stand", "Sit to stand", ("sit_to_stand",), 3, why)
    return page.done()


SINCE = date(2022, 9, 30)
_SLOW = {"test": "timed_up_and_go", "seconds": 12}
RULE = Rule(
    "falls_and_balance",
    "Falls and balance",
    "Any sign of fall risk: standing at home with a firm hand support; balance is trained under supervision. With two signs one leg needs firm support, at home too, and the floor is closed until it is tested; further signs ask for a firmer hand in the visit.",
    (FALLS,),
    SINCE,
    answer,
    (
        Number("blocking_confidence", 3, "0–10", "confidence from which fear blocks", HAND, SINCE),
        Number("balance_min", 4, "min", "working minutes in a session that count as balance training: the source says days, the minutes are our reading", HAND, SINCE),
        Number("hand_at_home", 3, "0–3", "hand support in standing, alone at home", HAND, SINCE),
        Number("hand_in_visit", 1, "0–3", "hand support in standing with someone near", HAND, SINCE),
        Number("hand_most", 3, "0–3", "the firmest that is asked for", HAND, SINCE),
        Number("signs_a_step", 2, "count", "further signs that ask for a firmer hand in the visit", HAND, SINCE),
        Number("hand_on_one_leg", 3, "0–3", "hand support on one leg with two signs or more", FALLS, SINCE),
        Number(
            "signs_for_more", 2, "count", "signs from which one-leg stance and the floor close", HAND, SINCE
        ),
    ),
    (
        Example(
            "timed up and go of 12 s",
            {"tests": [_SLOW]},
            {
                "falls_and_balance.hand_at_home": 3.0,
                "falls_and_balance.one_leg_hand": None,
            },
            ("falls_and_balance.balance",),
        ),
        Example(
            "timed up and go of 11.9 s",
            {"tests": [{**_SLOW, "seconds": 11.9}]},
            {"falls_and_balance.hand_at_home": None},
        ),
        Example(
            "two signs and an untested floor",
            {
                "tests": [
                    _SLOW,
                    {"test": "four_stage_balance", "side_by_side_s": 10, "semi_tandem_s": 10, "tandem_s": 9.9},
                ]
            },
            {
                "falls_and_balance.one_leg_hand": 3.0,
                "falls_and_balance.floor": 0.0,
            },
        ),
    ),
    duties=(
        Duty("fear", "fear that blocks movement"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.OLDER_PEOPLE,
)
