"""Reasons to leave a test out, shared by several tests."""

from datetime import timedelta

from amvel.case import Case
from amvel.case.conditions.bone import Fracture
from amvel.case.traits import Trait
from amvel.languages import said
from amvel.screening.bone_status import bone_status
from amvel.screening.traits import because

FRESH = timedelta(weeks=12)


def fresh_vertebral_fracture(case: Case) -> str:
    """Nothing that loads or bends the trunk within twelve weeks of a painful vertebral fracture."""
    fresh = any(
        isinstance(c, Fracture)
        and c.site == "spine"
        and case.as_of <= c.on + FRESH
        and (c.painful or not c.healed)
        for c in case.conditions
    )
    return said("a painful vertebral fracture of the last 12 weeks") if fresh else ""


def no_bending_test(case: Case) -> str:
    """Trunk rounding to its end is not tested on bone that may give."""
    if bone_status(case).tier == "osteoporosis":
        return said("rounding to the end is not tested with osteoporosis or a vertebral fracture")
    return because(case, Trait.BENDING_PROVOKES) or fresh_vertebral_fracture(case)


def no_turning_test(case: Case) -> str:
    """Turning to its end is not tested on bone that may give, or where turning provokes."""
    if bone_status(case).tier == "osteoporosis":
        return said("turning to the end is not tested with osteoporosis or a vertebral fracture")
    return fresh_vertebral_fracture(case)


def no_strain(case: Case) -> str:
    """Holds to exhaustion are not for everyone."""
    return because(case, Trait.NO_EXHAUSTION) or fresh_vertebral_fracture(case)


def no_standing(case: Case) -> str:
    """Who does not stand is not tested standing."""
    if case.tolerates.standing == "no":
        return said("does not stand")
    return because(case, Trait.DOES_NOT_STAND)


def hip_protected(case: Case) -> str:
    """A new hip keeps to its surgeon's protocol."""
    return because(case, Trait.HIP_BY_PROTOCOL)


def unsafe_neck(case: Case) -> str:
    """Necks whose ends are not sought."""
    return because(case, Trait.NECK_KEPT_FROM_ITS_END)
