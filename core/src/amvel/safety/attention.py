"""How much can be followed at once: shared by conditions of memory, thinking and learning."""

from amvel.languages import said, term
from amvel.safety.limits import Place, Reader
from amvel.safety.page import Page

ALONE_LIMBS = 1  # from moderate on, with nobody near (common practice, no source)


def few_limbs(page: Page, id: str, limbs: float, reason: str, *, at_home: bool = False) -> None:
    """So many limbs at once in exercises; rolling, rising and getting up are well learnt, one unit each."""
    why = said("{reason}; well-learnt daily tasks are one", reason=term(reason))
    page.limit(id, "coordination", limbs, why, when=Place.EXERCISES, at_home=at_home)


def one_thing_at_a_time(page: Page, i: int, severity: str, limbs: float, alone: bool) -> None:
    """Few limbs at once, one instruction at a time; from moderate on, standing work only with someone near.

    `alone` says that at home nobody is in the room.
    """
    few_limbs(page, f"coordination_{i}", limbs, said("{severity}: that many limbs at once can be followed", severity=term(severity)))
    if severity != "mild" and alone:
        few_limbs(page, f"coordination_alone_{i}", min(limbs, ALONE_LIMBS), said("{severity}: alone one limb at a time", severity=term(severity)), at_home=True)
    measure = said("one short instruction, shown; the picture plan in sight")
    page.care(f"words_{i}", "performed", 0, "instructions are kept one at a time", measure, read_by=Reader.HELPER)
    if severity != "mild" and alone:
        page.limit(f"alone_{i}", "standing", 0, "standing work only with someone near", when=Place.STANDING,
            at_home=True)
