"""What the chosen schools change in the order of ladders: which rung comes before which, and which is not used."""

from amvel.case import Case
from amvel.languages import said
from amvel.movements import Family, Step

_SLIDE = "arm_or_leg_slide"


def barred_by_school(case: Case, choices: dict[str, str], family: Family, step: Step) -> str:
    """Why a school leaves this rung out for now; '' when it does not."""
    done = case.previous_steps
    ref = family.ref(step)
    if ref in done:
        return ""
    if family.id == _SLIDE and step.id == "arm_reach" and choices["hands_and_knees_first"] == "leg":
        return "" if f"{_SLIDE}/leg_slide" in done else said("The leg comes first in the school that was chosen.")
    if family.id == _SLIDE and step.id == "leg_slide" and choices["hands_and_knees_first"] == "arm":
        return "" if f"{_SLIDE}/arm_reach" in done else said("The arm comes first in the school that was chosen.")
    if family.id == "curl_family" and step.id == "legs_straight" and choices["curl_legs"] == "one_knee_bent":
        return said("The school that was chosen keeps one knee bent.")
    if any(need.unstable for need in step.props) and choices["harder"] != "less_stable":
        return said("A longer lever and slower come before a less stable surface in the school that was chosen.")
    return ""


__all__ = ["barred_by_school"]
