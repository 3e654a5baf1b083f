"""A fused spine: the named levels do not move, their neighbours are spared."""

from datetime import date, timedelta

from amvel.case.conditions.spine import SpinalFusion
from amvel.checked import Profession
from amvel.languages import said
from amvel.movements.levels import EVERY_WAY, Way
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.screening.fused_levels import mobile_shares
from amvel.sources import COMMON_PRACTICE, practice

SOURCE = practice("spinal fusion: named levels have no motion; first year with sign-off", reading=True)
def _of(side: str) -> str:
    return f"_{side.removesuffix('.')}" if side else ""


def answer(f: Findings, n: Numbers) -> Answer:
    """Each region keeps the share of its unfused levels; junctions with care; the first year waits for sign-off."""
    page, fusions = Page("spinal_fusion", SOURCE), f.all(SpinalFusion)
    if not fusions:
        return page.done()
    for region, share in mobile_shares(f.case).items():
        why = said("fused levels do not move; {what} % of this part still does", what=round(100 * share))
        for joint, (least, most) in f.capacities.region_deg(region).items():
            kind = joint.partition(".")[2]
            plus, minus = ("", "") if kind == "flexion" else ("left.", "right.")
            other = "extension" if kind == "flexion" else kind
            page.limit(f"{region}_{kind}{_of(plus)}", f"{plus}{region}_{kind}_deg", most, why)
            page.limit(f"{region}_{other}{_of(minus)}", f"{minus}{region}_{other}_deg", -least, why)
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
            when=Place.EXERCISES,
        )
        if f.case.as_of < c.on + timedelta(weeks=52):
            until = c.on + timedelta(weeks=52)
            why = said("the first year after a fusion")
            page.limit(f"weighted_{i}", "weighted_trunk_deg", n["weighted_deg"], said("{why}: no weight while bending or turning", why=why), review_on=until, valid_until=until)
            page.cap(f"level_{i}", n["first_year_level"], EVERY_WAY, said("{why}: small bridges, the wall, a hinge at most", why=why), review_on=until, valid_until=until)
            page.cap(f"turning_{i}", n["first_year_turning"], (Way.TURNING,), said("{why}: no more turning than a light band asks for, sitting", why=why), review_on=until, valid_until=until)
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
        Number("weighted_deg", 5.0, "deg", "bend or turn with a weight that still counts as none", SOURCE, SINCE),
        Number("first_year_level", 3, "level", "trunk work in the first year", SOURCE, SINCE),
        Number("first_year_turning", 2, "level", "work against turning in the first year", SOURCE, SINCE),
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
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.SURGEON,
)
