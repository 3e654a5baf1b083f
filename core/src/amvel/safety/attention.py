"""How much can be followed at once: shared by conditions of memory, thinking and learning."""

from amvel.safety.limits import Place
from amvel.safety.page import Page

ALONE_LIMBS = 1  # from moderate on, with nobody near (common practice, no source)


def one_thing_at_a_time(page: Page, i: int, severity: str, limbs: float, alone: bool) -> None:
    """Few limbs at once, one instruction at a time; from moderate on, standing work only with someone near.

    `alone` says that at home nobody is in the room.
    """
    page.limit(
        f"coordination_{i}",
        "coordination",
        limbs,
        f"{severity}: that many limbs at once can be followed; well-learnt daily tasks are one",
        when=Place.EXERCISES,
    )
    if severity != "mild" and alone:
        page.limit(
            f"coordination_alone_{i}",
            "coordination",
            min(limbs, ALONE_LIMBS),
            f"{severity}: alone one limb at a time",
            when=Place.EXERCISES,
            at_home=True,
        )
    measure = "one short instruction, shown; the picture plan in sight"
    page.care(f"words_{i}", "performed", 0, "instructions are kept one at a time", measure)
    if severity != "mild" and alone:
        page.limit(f"alone_{i}", "standing", 0, "standing work only with someone near", when=Place.STANDING,
            at_home=True)
