"""Low bone mass and fragility fracture."""

from datetime import date, timedelta

from amvel.case.conditions.bone import Fracture
from amvel.safety.limits import Answer
from amvel.safety.page import CLINICIAN, Page
from amvel.safety.rulebook import Example, Number, Numbers, Rule
from amvel.screening import Findings
from amvel.sources import Source

STRONG_STEADY_STRAIGHT = Source("Brooke-Wavell et al., Strong, Steady and Straight, BJSM 2022", reading=True)
TOO_FIT = Source("Giangregorio et al., Too Fit to Fracture, Osteoporos Int 2014, 2015", reading=True)
SINAKI = Source("Sinaki & Mikkelsen 1984: new vertebral fractures after flexion 89 %, after extension 16 %")
FRESH = timedelta(weeks=12)
SLOW = "slow, small, no end range"


def answer(f: Findings, n: Numbers) -> Answer:
    """By tier: osteoporosis forbids loaded rounding, low and unknown are cautioned."""
    page = Page("low_bone_mass", STRONG_STEADY_STRAIGHT)
    why = "; ".join(text for text, _ in f.bone.reasons)
    for i, (text, source) in enumerate(f.bone.referrals):
        page.refer(f"refer_{i}", text, source)
    if f.bone.tier == "osteoporosis":
        _osteoporosis(page, f, n, why)
        _vertebral(page, f, n)
        _obligations(page, why)
    elif f.bone.tier in ("low", "caution"):
        _cautions(page, f, n, why)
    if f.bone.referrals:
        _until_ruled_out(page, n)
    return page.done()


def _osteoporosis(page: Page, f: Findings, n: Numbers, why: str) -> None:
    page.forbid(
        "loaded_flexion",
        "loaded_trunk_flexion_deg",
        n["loaded_flexion_deg"],
        f"rounding under load presses on the front of the vertebrae ({why})",
    )
    bend = f.capacities.of("trunk_flexion") * n["share_of_range"]
    page.limit(
        "unloaded_flexion", "unloaded_trunk_flexion_deg", bend, f"at most half of the range, and slow ({why})"
    )
    for s in ("left", "right"):
        turn = f.capacities.of(f"{s}.trunk_rotation") * n["share_of_range"]
        page.limit(
            f"rotation_{s}",
            f"{s}.trunk_rotation_deg",
            turn,
            f"turning at most half of the range, slow and light ({why})",
            source=TOO_FIT,
        )
    page.forbid(
        "flexion_with_rotation",
        "flexion_with_rotation_deg",
        n["bend_with_turn_deg"],
        f"bending and turning are never combined ({why})",
        source=TOO_FIT,
    )
    page.forbid("rolling", "rolls_on_spine", 0, f"no rolling on the spine ({why})", source=TOO_FIT)
    page.forbid("jolt", "jolt", 0, f"no bounce and no jolt ({why})", source=TOO_FIT)
    page.limit(
        "unstable", "unstable_surface", 0, f"no unstable surface with a bone limit ({why})", source=TOO_FIT
    )


def _vertebral(page: Page, f: Findings, n: Numbers) -> None:
    if f.bone.vertebral_fracture:
        page.limit(
            "vertebral_rotation",
            "trunk_rotation_deg",
            n["vertebral_rotation_deg"],
            "a vertebra has broken: turning stays small",
            source=TOO_FIT,
        )
    for i, c in enumerate(f.all(Fracture)):
        until = c.on + FRESH
        if c.site == "spine" and f.case.as_of <= until and (c.painful or not c.healed):
            page.forbid(
                f"fresh_vertebral_{i}",
                "loaded",
                0,
                "a painful vertebral fracture of the last 12 weeks: supported, short, unloaded positions only",
                source=TOO_FIT,
                review_on=until,
                valid_until=until,
                next_grade="loaded neutral positions, with sign-off",
            )
            page.forbid(
                f"fresh_sign_off_{i}",
                "performed",
                0,
                "a painful vertebral fracture of the last 12 weeks: nothing without a clinician's sign-off",
                source=TOO_FIT,
                waits_for=CLINICIAN,
                event_on=c.on,
                review_on=until,
                valid_until=until,
            )


def _cautions(page: Page, f: Findings, n: Numbers, why: str) -> None:
    bend = f.capacities.of("trunk_flexion") * n["share_of_range"]
    page.care(
        "caution_flexion",
        "loaded_trunk_flexion_deg",
        bend,
        f"rounding under load beyond half of the range ({why})",
        SLOW,
    )
    for s in ("left", "right"):
        turn = f.capacities.of(f"{s}.trunk_rotation") * n["share_of_range"]
        page.care(
            f"caution_rotation_{s}",
            f"{s}.loaded_trunk_rotation_deg",
            turn,
            f"turning under load beyond half of the range ({why})",
            "slow, without momentum",
        )
    page.care("caution_jolt", "jolt", 0, f"bounces and jolts ({why})", "without bounce")


def _until_ruled_out(page: Page, n: Numbers) -> None:
    page.forbid(
        "until_ruled_out",
        "pelvic_moment_nm_per_kg_m",
        n["loaded_trunk_work_nm_per_kg_m"],
        "loaded trunk work waits until a vertebral fracture or rebound is ruled out",
        waits_for=CLINICIAN,
    )


def _obligations(page: Page, why: str) -> None:
    page.owe("back_extensors", "Endurance of the back extensors, most days", ("upper_back",), 5, why)
    page.owe("balance", "Balance on 3 days a week or more", ("balance",), 3, why)
    page.owe("loading", "Legs and hips under load on 2 days a week or more", ("leg_loading",), 2, why)
    page.owe("rise", "A spine-sparing way of getting up and down", ("sit_to_stand", "hip_bend"), 3, why)


SINCE = date(2022, 5, 1)
RULE = Rule(
    "low_bone_mass",
    "Low bone mass and fragility fracture",
    "Loaded rounding is out with osteoporosis; unloaded rounding and turning stay within half of the range and are never combined.",
    (STRONG_STEADY_STRAIGHT, TOO_FIT, SINAKI),
    SINCE,
    answer,
    (
        Number(
            "loaded_flexion_deg",
            10.0,
            "deg",
            "rounding under load with osteoporosis",
            STRONG_STEADY_STRAIGHT,
            SINCE,
        ),
        Number(
            "share_of_range",
            0.5,
            "",
            "share of the range for unloaded rounding and for turning",
            STRONG_STEADY_STRAIGHT,
            SINCE,
        ),
        Number(
            "bend_with_turn_deg",
            5.0,
            "deg",
            "the smaller of rounding and turning at one moment",
            TOO_FIT,
            SINCE,
        ),
        Number("vertebral_rotation_deg", 10.0, "deg", "turning after a vertebral fracture", TOO_FIT, SINCE),
        Number(
            "loaded_trunk_work_nm_per_kg_m",
            0.05,
            "N·m/(kg·m)",
            "pelvic control moment from which work counts as loaded trunk work",
            TOO_FIT,
            SINCE,
        ),
    ),
    (
        Example(
            "T −2.5 is osteoporosis",
            {"tests": [{"test": "bone_density", "site": "total_hip", "t_score": -2.5}]},
            {"low_bone_mass.loaded_flexion": 10.0},
            ("low_bone_mass.balance",),
        ),
        Example(
            "T −2.4 is low bone mass",
            {"tests": [{"test": "bone_density", "site": "total_hip", "t_score": -2.4}]},
            {"low_bone_mass.loaded_flexion": None},
        ),
        Example(
            "T −1.0 is normal",
            {"tests": [{"test": "bone_density", "site": "total_hip", "t_score": -1.0}]},
            {"low_bone_mass.caution_flexion": None},
        ),
        Example(
            "a missed denosumab dose is referred",
            {"conditions": [{"kind": "denosumab", "last_dose_on": "2026-01-10"}]},
            {"low_bone_mass.until_ruled_out": 0.05},
            refers=("low_bone_mass.refer_0",),
        ),
    ),
)
