"""Abdominal separation."""

from datetime import date, timedelta

from amvel.case.conditions.back_and_pelvis import AbdominalSeparation
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.movements.levels import BELLY_WORK, Way
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import CLINICIAN, Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)
# Where doming was seen, and which families it closes.
STEPS = {
    "toe_float": ("toe_float",),
    "knee_fold": ("knee_fold",),
    "leg_reach": ("leg_reach", "opposite_arm_and_leg_supine"),
    "head_lift": ("curl_family",),
    "sitting_up": ("balanced_lean_back",),
    "hands_and_knees": ("arm_or_leg_slide", "hover"),
}
# The level of the position in which doming was seen (our reading).
_SHOWN_AT = {"head_lift": 6, "toe_float": 2, "knee_fold": 2, "leg_reach": 4, "sitting_up": 6, "hands_and_knees": 3}


def answer(f: Findings, n: Numbers) -> Answer:
    """Doming or a gap of two fingers or more: every position in which it domes is out, sit-back and sit-up out, roll instead, deep layer first."""
    page = Page("abdominal_separation", COMMON_PRACTICE)
    wide = any(
        c.doming or c.gap_finger_breadths is None or c.gap_finger_breadths >= n["gap_fingers"]
        for c in f.all(AbdominalSeparation)
    )
    seen = [r for r in f.results("doming") if r.seen_in or r.gap_finger_breadths >= n["gap_fingers"]]
    if not (wide or seen):
        return page.done()
    noted = [page.review(c, n["review_weeks"]) for c in f.all(AbdominalSeparation)]
    tested = [r.on + timedelta(weeks=n["review_weeks"]) for r in seen]
    more = {"review_on": min((d for d in (*noted, *tested) if d), default=None)}
    page.limit(
        "curl",
        "loaded_trunk_flexion_deg",
        n["flexion_deg"],
        "curling and sitting up dome the belly; roll instead",
        **more,
    )
    page.limit(
        "lever",
        "pelvic_moment_nm_per_kg_m",
        n["lever_nm_per_kg_m"],
        "no more than one bent leg until the belly stays flat",
        when=Place.EXERCISES,
        **more,
    )
    poses = {where for r in seen for where in r.seen_in}
    level = min([n["level"], *(max(1, _SHOWN_AT[where] - 1) for where in poses)])
    page.cap("level", n["level"], BELLY_WORK, "little work of the belly until it is cleared", waits_for=CLINICIAN, **more)
    page.cap(
        "domes",
        level,
        (Way.ARCHING,),
        "one level below the position in which the belly domes, until it is cleared",
        waits_for=CLINICIAN,
        **more,
    )
    page.forbid("breath", "breath_held", 0, "a held breath pushes the belly out")
    for r in seen:
        for where in r.seen_in:
            for step in STEPS.get(where, ()):
                page.limit(
                    f"domes_{step.replace('/', '_')}",
                    "performed",
                    0,
                    said("the belly domed in this on {on}", on=term(r.on)),
                    only_step=step,
                )
    page.owe(
        "deep",
        "The deep layer first, every day",
        ("deep_control",),
        7,
        "the deep layer comes before the straight muscle",
    )
    return page.done()


RULE = Rule(
    "abdominal_separation",
    "Abdominal separation",
    "Doming or a gap of two fingers or more: every position in which it domes is out, sit-back and sit-up out, roll instead, deep layer first.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number("gap_fingers", 2, "finger breadths", "gap from which it counts", COMMON_PRACTICE, SINCE),
        Number("flexion_deg", 10, "deg", "rounding under load", COMMON_PRACTICE, SINCE),
        Number("review_weeks", 6, "weeks", "how often it is looked at", COMMON_PRACTICE, SINCE),
        Number("level", 2, "level", "work of the belly until it is cleared", COMMON_PRACTICE, SINCE),
        Number(
            "lever_nm_per_kg_m",
            0.24,
            "N·m/(kg·m)",
            "pelvic control moment of one bent leg",
            COMMON_PRACTICE,
            SINCE,
        ),
    ),
    (
        Example(
            "two fingers",
            {"conditions": [{"kind": "abdominal_separation", "gap_finger_breadths": 2, "doming": False}]},
            {"abdominal_separation.curl": 10.0, "abdominal_separation.lever": 0.24},
            ("abdominal_separation.deep",),
        ),
        Example(
            "one finger, flat",
            {"conditions": [{"kind": "abdominal_separation", "gap_finger_breadths": 1, "doming": False}]},
            {"abdominal_separation.curl": None},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PELVIC_HEALTH,
)
