"""Reasons to leave a test out, shared by several tests."""

from datetime import timedelta

from amvel.case import Case
from amvel.case.conditions.bone import Fracture
from amvel.screening.bone_status import bone_status
from amvel.screening.declaration import has

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
    return "a painful vertebral fracture of the last 12 weeks" if fresh else ""


def no_bending_test(case: Case) -> str:
    """Trunk rounding to its end is not tested on bone that may give."""
    if bone_status(case).tier == "osteoporosis":
        return "rounding to the end is not tested with osteoporosis or a vertebral fracture"
    if has(case, "flexion_sciatica"):
        return "bending provokes the leg pain"
    return fresh_vertebral_fracture(case)


def no_turning_test(case: Case) -> str:
    """Turning to its end is not tested on bone that may give, or where turning provokes."""
    if bone_status(case).tier == "osteoporosis":
        return "turning to the end is not tested with osteoporosis or a vertebral fracture"
    return fresh_vertebral_fracture(case)


def no_strain(case: Case) -> str:
    """Holds to exhaustion are not for everyone."""
    if has(case, "aneurysm"):
        return "no strained holds with an aneurysm or Marfan"
    if any(c.kind == "heart_disease" and getattr(c, "what", "") != "stable" for c in case.conditions):
        return "not with unstable heart disease"
    if has(case, "eye_pressure", "muscle_disease"):
        return "no holds to exhaustion"
    if has(case, "after_birth", "abdominal_surgery", "abdominal_separation", "pregnancy"):
        return "not before loaded trunk work is cleared"
    if has(case, "stroke"):
        return "pressure rises in long holds after a stroke"
    return fresh_vertebral_fracture(case)


def no_standing(case: Case) -> str:
    """Who does not stand is not tested standing."""
    if case.tolerates.standing == "no" or has(case, "does_not_walk"):
        return "does not stand"
    if any(c.kind == "cerebral_palsy" and getattr(c, "gross_motor_level", 1) >= 4 for c in case.conditions):
        return "gross motor level IV or V"
    if any(
        c.kind == "weight_bearing" and getattr(c, "status", "") in ("none", "touch") for c in case.conditions
    ):
        return "one leg may not carry yet"
    return ""


def hip_protected(case: Case) -> str:
    """A new hip keeps to its surgeon's protocol."""
    return "keep to the surgeon's protocol for the new hip" if has(case, "hip_replacement") else ""
