"""A fused spine: the named levels do not move, their neighbours are spared."""

from datetime import date

from amvel.case import SPINE_LEVELS
from amvel.case.conditions.spine import SpinalFusion
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Number, Numbers, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE, Source

SOURCE = Source(
    "spinal fusion: named levels have no motion; first year with sign-off; common practice",
    from_memory=False,
    reading=True,
)
# Motion segments of each part of the model, by their upper vertebra.
REGION = {
    "upper_thoracic": ("T1", "T2", "T3", "T4", "T5", "T6", "T7"),
    "lower_thoracic": ("T8", "T9", "T10", "T11", "T12"),
    "lumbar": ("L1", "L2", "L3", "L4", "L5"),
}
_SHARE = {
    "lumbar": (0.60, 0.15, 0.50),
    "lower_thoracic": (0.25, 0.50, 0.30),
    "upper_thoracic": (0.15, 0.35, 0.20),
}


def mobile_share(fusions: list[SpinalFusion], region: str) -> float:
    """The share of a region's motion segments that still move."""
    fused = set()
    for c in fusions:
        fused |= set(SPINE_LEVELS[SPINE_LEVELS.index(c.from_level) : SPINE_LEVELS.index(c.to_level)])
    segments = REGION[region]
    return 1 - len(fused & set(segments)) / len(segments)


def answer(f: Findings, n: Numbers) -> Answer:
    """Each region keeps the share of its unfused levels; junctions with care; the first year waits for sign-off."""
    page, fusions = Page("spinal_fusion", SOURCE), f.all(SpinalFusion)
    if not fusions:
        return page.done()
    for region, (bend, turn, side) in _SHARE.items():
        share = mobile_share(fusions, region)
        if share < 1:
            why = f"fused levels do not move; {100 * share:.0f} % of this part still does"
            page.limit(
                f"{region}_flexion",
                f"{region}_flexion_deg",
                share * bend * f.capacities.of("trunk_flexion"),
                why,
            )
            page.limit(
                f"{region}_extension",
                f"{region}_extension_deg",
                share * bend * f.capacities.of("trunk_extension"),
                why,
            )
            for s in ("left", "right"):
                page.limit(
                    f"{region}_rotation_{s}",
                    f"{s}.{region}_rotation_deg",
                    share * turn * f.capacities.of(f"{s}.trunk_rotation"),
                    why,
                )
                page.limit(
                    f"{region}_side_bend_{s}",
                    f"{s}.{region}_side_bend_deg",
                    share * side * f.capacities.of(f"{s}.trunk_side_bend"),
                    why,
                )
    page.forbid("roll", "rolls_on_spine", 0, "no rolling on a fused spine")
    page.care(
        "junction",
        "loaded_trunk_flexion_deg",
        n["junction_deg"],
        "the joints next to a fusion take what it does not",
        "bend in the hips, small and slow",
        source=COMMON_PRACTICE,
    )
    for i, c in enumerate(fusions):
        page.for_weeks(
            f"first_year_{i}",
            "pelvic_moment_nm_per_kg_m",
            n["first_year_nm_per_kg_m"],
            "the first year after a fusion waits for sign-off",
            c.on,
            52,
            f.case.as_of,
        )
    page.owe(
        "hinge",
        "A hinge from the hips",
        ("hip_bend", "sit_to_stand"),
        3,
        "hips do what the fused levels do not",
    )
    return page.done()


SINCE = date(2020, 1, 1)
_FUSED = {"kind": "spinal_fusion", "from_level": "L1", "to_level": "S1"}
RULE = Rule(
    "spinal_fusion",
    "Fused spine",
    "Fused levels do not move; junctions with care, hinge from the hips, sign-off in the first year.",
    (SOURCE, COMMON_PRACTICE),
    SINCE,
    answer,
    (
        Number("junction_deg", 10.0, "deg", "loaded rounding next to a fusion", COMMON_PRACTICE, SINCE),
        Number(
            "first_year_nm_per_kg_m", 0.10, "N·m/(kg·m)", "pelvic control moment before sign-off", SOURCE, SINCE
        ),
    ),
    (
        Example(
            "L1 to S1: the low back does not bend",
            {"conditions": [{**_FUSED, "on": "2020-01-01"}]},
            {
                "spinal_fusion.lumbar_flexion": 0.0,
                "spinal_fusion.upper_thoracic_flexion": None,
                "spinal_fusion.first_year_0": None,
            },
            ("spinal_fusion.hinge",),
        ),
        Example(
            "half a year ago: waits for sign-off",
            {"conditions": [{**_FUSED, "on": "2026-06-01"}]},
            {"spinal_fusion.first_year_0": 0.10},
        ),
    ),
)
