"""Standing of who walks with an aid or only a few steps: shared by conditions that weaken the legs slowly."""

from amvel.case.conditions.nervous_system import Walks
from amvel.languages import said
from amvel.safety.limits import Place
from amvel.safety.page import Page

FIRM = 3  # the whole hand on something that holds


def steadied(page: Page, walks: Walks | None) -> None:
    """With an aid: alone a firm hand in standing. A few steps: with someone near too, and no standing alone."""
    if walks in ("with_an_aid", "a_few_steps"):
        why = said("walks with an aid: a firm hand in standing")
        page.limit("hand_home", "hand_support_level", FIRM, why, at_least=True, when=Place.STANDING, at_home=True)
    if walks == "a_few_steps":
        why = said("walks only a few steps: a firm hand in standing")
        page.limit("hand", "hand_support_level", FIRM, why, at_least=True, when=Place.STANDING)
        page.limit("standing_home", "standing", 0, "walks only a few steps: no standing work alone", when=Place.STANDING, at_home=True)


__all__ = ["steadied"]
