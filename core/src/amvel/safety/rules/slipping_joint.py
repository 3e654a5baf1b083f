"""A joint that slips."""

from datetime import date

from amvel.case.conditions.general import SlippingJoint
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """Not towards where it slips, little weight through it, no pull; mid-range and slow."""
    page = Page("slipping_joint", COMMON_PRACTICE)
    for i, c in enumerate(f.all(SlippingJoint)):
        name = f"{c.joint}_{c.side}_{i}"
        if c.joint == "shoulder":
            page.limit(f"{name}_raise", f"{c.side}.shoulder_elevation_deg", n["shoulder_deg"], "a shoulder that slips is not raised high")
            page.limit(f"{name}_carries", f"{c.side}.arm_carries_percent_bw", n["arm_percent_bw"], "a shoulder that slips carries little")
            page.limit(f"{name}_pull", f"{c.side}.hand_pull_n", n["pull_n"], "nothing heavy pulls on a shoulder that slips")
        elif c.joint == "knee_cap":
            page.limit(f"{name}_bend", f"{c.side}.loaded_knee_flexion_deg", n["knee_deg"], "a knee cap that slips is loaded only a little bent")
            page.limit(f"{name}_turned", f"{c.side}.loaded_leg_rotation_deg", n["turned_deg"], "no turned leg under load")
        else:
            page.limit(f"{name}_bend", f"{c.side}.hip_bend_deg", n["hip_deg"], "a hip that slips stays clear of its end")
            page.limit(f"{name}_in", f"{c.side}.hip_adduction_in_flexion_deg", 0, "not in past the midline while bent")
            page.limit(f"{name}_turned", f"{c.side}.loaded_leg_rotation_deg", n["turned_deg"], "no turned leg under load")
        page.care(f"{name}_slow", "performed", 0, said("a {what} that slips", what=term(c.joint.replace('_', ' '))), "slow, mid-range, stop at the feeling that it goes")
    return page.done()


_SLIPS = {"kind": "slipping_joint", "side": "left"}
RULE = Rule(
    "slipping_joint",
    "Joint that slips",
    "Not towards where it slips, little weight through it, no pull; mid-range and slow.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (
        Number("shoulder_deg", 90, "deg", "arm raise", COMMON_PRACTICE, SINCE),
        Number("arm_percent_bw", 20, "% of body weight", "what that arm carries", COMMON_PRACTICE, SINCE),
        Number("pull_n", 20, "N", "what pulls on that hand", COMMON_PRACTICE, SINCE),
        Number("knee_deg", 60, "deg", "knee bend under load", COMMON_PRACTICE, SINCE),
        Number("hip_deg", 100, "deg", "hip bend", COMMON_PRACTICE, SINCE),
        Number("turned_deg", 20, "deg", "turn of the leg under load", COMMON_PRACTICE, SINCE),
    ),
    (
        Example("a shoulder", {"conditions": [{**_SLIPS, "joint": "shoulder"}]}, {"slipping_joint.shoulder_left_0_raise": 90.0}),
        Example("a knee cap", {"conditions": [{**_SLIPS, "joint": "knee_cap"}]}, {"slipping_joint.knee_cap_left_0_bend": 60.0, "slipping_joint.shoulder_left_0_raise": None}),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.ORTHOPAEDICS,
)
