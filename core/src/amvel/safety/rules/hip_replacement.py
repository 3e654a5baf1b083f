"""New hip."""

from datetime import date, timedelta

from amvel.case.conditions.joints import HipReplacement
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

HIP = practice("hip precautions by approach; the surgeon’s protocol prevails", reading=True)
SINCE = date(2020, 1, 1)
# Per approach: name, quantity, number (none means not at all), reason.
BY_APPROACH = {
    "posterior": (
        ("bend", "hip_bend_deg", "flexion_deg", said("bends less than 90°, thigh against pelvis or trunk, with 5° to spare")),
        ("across", "leg_past_middle_cm", "", said("not across the middle of the body; a foot under the middle has not crossed it")),
        ("in", "hip_adduction_in_flexion_deg", "", said("not in past the midline while bent")),
        ("in_lying", "hip_adduction_deg", "", said("lying, not in past the midline")),
        ("turn_in", "hip_internal_rotation_deg", "", said("not turned in")),
    ),
    "anterior": (
        ("back", "hip_extension_deg", "standing_deg", said("not back past neutral, which is how the hip stands")),
        ("turn_out", "hip_external_rotation_deg", "", said("not turned out")),
    ),
    "lateral": (("lift", "hip_abductor_moment_nm", "lift_nm", said("not lifted sideways against gravity")),),
}

# Lying, nothing else keeps the thigh where it is; upright it leans in by some degrees whenever the weight is over its foot.
_LYING_ONLY = frozenset({"in_lying"})


def answer(f: Findings, n: Numbers) -> Answer:
    """By approach: posterior bends at most 90°, not in past the middle, not turned in; anterior not back past neutral, not turned out; lateral not lifted sideways. By the surgeon’s protocol, for a time."""
    page = Page("hip_replacement", HIP)
    bounds = {"flexion_deg": n["flexion_deg"] - n["margin_deg"], "lift_nm": n["lift_nm"], "standing_deg": n["standing_deg"]}
    for i, c in enumerate(f.all(HipReplacement)):
        approaches = tuple(BY_APPROACH) if c.approach == "unknown" else (c.approach,)
        for approach in approaches:
            for name, quantity, number, why in BY_APPROACH[approach]:
                weeks = n["lateral_weeks"] if approach == "lateral" else n["weeks"]
                page.for_weeks(
                    f"{approach}_{name}_{i}",
                    f"{c.side}.{quantity}",
                    bounds[number] if number else 0.0,
                    said("{side} hip, {approach} approach: {why}", side=term(c.side), approach=term(approach), why=term(why)),
                    c.on,
                    weeks,
                    f.case.as_of,
                    c.still_restricted,
                    when=Place.LYING if name in _LYING_ONLY else Place.ANYWHERE,
                )
        for name, quantity, where in (
            ("floor", "floor_transfer", said("getting to the floor")),
            ("kneeling", "kneeling", "kneeling"),
            ("lying_on", f"{c.side}.lying_on", said("lying on the {side} side", side=term(c.side))),
        ):
            why = said("{where} is closed after a new hip until the surgeon has said so", where=term(where))
            page.for_weeks(f"{name}_{i}", quantity, 0, why, c.on, n["weeks"], f.case.as_of, c.still_restricted)
        page.for_weeks(
            f"both_legs_{i}",
            "legs_lifted",
            1,
            said("{side} hip, new: not both legs in the air at once on the back", side=term(c.side)),
            c.on,
            n["both_legs_weeks"],
            f.case.as_of,
            c.still_restricted,
            when=Place.ON_THE_BACK,
        )
        if c.bears_percent is not None:
            page.for_weeks(
                f"bears_{i}",
                f"{c.side}.leg_carries_percent_bw",
                float(c.bears_percent),
                said("the {side} leg may carry {bears_percent} %", side=term(c.side), bears_percent=term(c.bears_percent)),
                c.on,
                n["weeks"],
                f.case.as_of,
            )
        if c.still_restricted or f.case.as_of <= c.on + timedelta(weeks=n["weeks"]):
            page.refer(
            "protocol", "ask for the surgeon’s protocol: approach, how long, how much weight", which=i)
    return page.done()


RULE = Rule(
    "hip_replacement",
    "New hip",
    "By approach: posterior bends at most 90°, not in past the middle, not turned in; anterior not back past neutral, not turned out; lateral not lifted sideways. By the surgeon’s protocol, for a time.",
    (HIP,),
    SINCE,
    answer,
    (
        Number("flexion_deg", 90, "deg", "hip bend, posterior approach", HIP, SINCE),
        Number("margin_deg", 5, "deg", "what is kept free below that bend", HIP, SINCE),
        Number("standing_deg", 3, "deg", "hip behind zero in quiet standing: our reading of neutral", HIP, SINCE),
        Number("lift_nm", 3, "N·m", "moment that counts as lifting the leg sideways", HIP, SINCE),
        Number("weeks", 12, "weeks", "how long", HIP, SINCE),
        Number("both_legs_weeks", 6, "weeks", "how long not both legs in the air at once", HIP, SINCE),
        Number("lateral_weeks", 8, "weeks", "how long, lateral approach", HIP, SINCE),
    ),
    (
        Example(
            "posterior",
            {
                "conditions": [
                    {"kind": "hip_replacement", "side": "right", "approach": "posterior", "on": "2026-10-10"}
                ]
            },
            {
                "hip_replacement.posterior_bend_0": 85.0,
                "hip_replacement.posterior_in_0": 0.0,
                "hip_replacement.posterior_across_0": 0.0,
                "hip_replacement.anterior_back_0": None,
            },
        ),
        Example(
            "anterior",
            {
                "conditions": [
                    {"kind": "hip_replacement", "side": "right", "approach": "anterior", "on": "2026-10-10"}
                ]
            },
            {"hip_replacement.anterior_back_0": 3.0, "hip_replacement.posterior_bend_0": None},
        ),
        Example(
            "five weeks ago: both legs wait",
            {
                "conditions": [
                    {"kind": "hip_replacement", "side": "right", "approach": "anterior", "on": "2026-10-22"}
                ]
            },
            {"hip_replacement.both_legs_0": 1.0},
        ),
        Example(
            "lateral",
            {
                "conditions": [
                    {"kind": "hip_replacement", "side": "right", "approach": "lateral", "on": "2026-10-10"}
                ]
            },
            {"hip_replacement.lateral_lift_0": 3.0},
        ),
        Example(
            "unknown approach: all of them",
            {
                "conditions": [
                    {"kind": "hip_replacement", "side": "right", "approach": "unknown", "on": "2026-10-10"}
                ]
            },
            {"hip_replacement.posterior_bend_0": 85.0, "hip_replacement.anterior_back_0": 3.0},
        ),
        Example(
            "a year ago, and the surgeon still asks for it",
            {
                "conditions": [
                    {
                        "kind": "hip_replacement",
                        "side": "right",
                        "approach": "posterior",
                        "on": "2025-10-10",
                        "still_restricted": True,
                    }
                ]
            },
            {"hip_replacement.posterior_bend_0": 85.0, "hip_replacement.kneeling_0": 0.0},
        ),
        Example(
            "a year ago",
            {
                "conditions": [
                    {"kind": "hip_replacement", "side": "right", "approach": "posterior", "on": "2025-10-10"}
                ]
            },
            {"hip_replacement.posterior_bend_0": None},
        ),
    ),
    duties=(
        Duty("protocol", "the surgeon’s protocol is not known"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.ORTHOPAEDICS,
)
