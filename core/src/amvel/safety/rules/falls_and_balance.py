"""Falls and balance."""

from datetime import date

from amvel.safety.limits import Answer, Limit, Obligation
from amvel.safety.rulebook import Rule
from amvel.screening import Findings
from amvel.screening.findings import FALLS
from amvel.sources import Source

HAND = Source(FALLS.cite, reading=True)


def answer(f: Findings) -> Answer:
    """One sign: hand support at home. Two: no one-leg stance without firm support, floor only with a tested rise."""
    if not f.fall_signs:
        return Answer()
    why = "; ".join(text for text, _ in f.fall_signs)
    limits = [
        Limit(
            "falls_and_balance.hand_at_home",
            "hand_support_level",
            3,
            f"alone at home, standing only with a firm hand support ({why})",
            HAND,
            at_least=True,
            when="standing at home",
        ),
        Limit(
            "falls_and_balance.hand_in_visit",
            "hand_support_level",
            1,
            f"with someone near, hands at least hovering over a support ({why})",
            HAND,
            at_least=True,
            when="standing",
        ),
    ]
    if len(f.fall_signs) >= 2:
        limits.append(
            Limit(
                "falls_and_balance.one_leg",
                "one_leg_stance",
                0,
                f"two signs of fall risk or more: no one-leg stance alone ({why})",
                HAND,
                when="standing at home",
            )
        )
        if f.floor_rise not in ("alone", "with_furniture"):
            limits.append(
                Limit(
                    "falls_and_balance.floor",
                    "floor_transfer",
                    0,
                    "two signs of fall risk or more, and getting up from the floor is "
                    + ("not tested" if f.floor_rise is None else "not safe"),
                    HAND,
                )
            )
    return Answer(
        tuple(limits),
        (
            Obligation(
                "falls_and_balance.balance", "Balance on 3 days a week or more", ("balance",), 3, why, FALLS
            ),
            Obligation("falls_and_balance.sit_to_stand", "Sit to stand", ("sit_to_stand",), 3, why, FALLS),
        ),
    )


RULE = Rule(
    "falls_and_balance",
    "Falls and balance",
    "Any sign of fall risk: standing at home with a firm hand support; balance is trained under supervision. Two signs close one-leg stance at home and, until tested, the floor.",
    (FALLS,),
    date(2022, 9, 30),
    date(2026, 11, 24),
    date(2027, 11, 24),
    answer,
)
