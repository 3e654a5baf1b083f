"""Scoliosis: what a curve may carry, and what is referred."""

from datetime import date

from amvel.case.conditions.spine import Scoliosis
from amvel.checked import Profession
from amvel.languages import as_entered, said, term
from amvel.literature import BUNNELL, LONSTEIN_CARLSON, SOSORT
from amvel.movements.levels import EVERY_WAY
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.safety.schools import one_sided_for_a_curve
from amvel.screening import Findings
from amvel.screening.curves import curve_deg, growing_spine, progression_factor, regions_of
from amvel.sources import COMMON_PRACTICE

GUIDELINE = SOSORT.as_read
SCREENING = BUNNELL.says("trunk rotation ≥ 7° refer")
LONSTEIN = LONSTEIN_CARLSON
_OTHER = {"left": "right", "right": "left"}


def answer(f: Findings, n: Numbers) -> Answer:
    """From 10°: no loaded bend into the hollow, no loaded turn to the bulge; equal sides; referrals by growth and size."""
    page = Page("scoliosis", GUIDELINE)
    for i, c in enumerate(f.all(Scoliosis)):
        size = curve_deg(f.case, c)
        if size is None or size >= n["curve_from_deg"]:
            _limits(page, f, n, i, c, size)
        _referrals(page, f, n, i, c, size)
    for r in f.results("trunk_rotation_angle"):
        if max(r.thoracic_deg, r.thoracolumbar_deg, r.lumbar_deg) >= n["trunk_rotation_refer_deg"]:
            page.refer(
                "trunk_rotation", "trunk rotation of 7° or more: ask for an examination of the spine", SCREENING
            )
    return page.done()


def _limits(page: Page, f: Findings, n: Numbers, i: int, c: Scoliosis, size: float | None) -> None:
    known = said("size not known, taken as a curve") if size is None else as_entered(size) + "°"
    unknown = len(c.may_bulge_to) > 1
    for bulge in c.may_bulge_to:
        tail = f"_{bulge}" if unknown else ""
        which = said("{region}, bulges to a side not known, {known}", region=term(c.region), known=term(known)) if unknown else said("{region}, bulges {bulge}, {known}", region=term(c.region), bulge=term(bulge), known=term(known))
        for region in regions_of(c):
            page.limit(
                f"side_bend_{region}_{i}{tail}",
                f"{_OTHER[bulge]}.loaded_{region}_side_bend_deg",
                n["loaded_bend_deg"],
                said("no loaded bend into the hollow of the curve ({which})", which=term(which)),
                source=COMMON_PRACTICE,
            )
            page.limit(
                f"rotation_{region}_{i}{tail}",
                f"{bulge}.loaded_{region}_rotation_deg",
                n["loaded_turn_deg"],
                said("no loaded turn towards the bulge ({which})", which=term(which)),
                source=COMMON_PRACTICE,
            )
        page.care(
            f"pad_{i}{tail}",
            f"{bulge}.lying_on",
            0,
            "lying on the bulge",
            "pad under the bulge so that the spine lies level",
            source=COMMON_PRACTICE,
        )
    page.care(
        f"sitting_{i}",
        "sitting",
        0,
        "an uneven pelvis turns the spine above it",
        "level the pelvis under the lower sit bone",
        source=COMMON_PRACTICE,
    )
    if why := _getting_larger(f, n, c, size):
        page.cap(f"level_{i}", n["progressive_level"], EVERY_WAY, said("{why}: no full planks, curls or straight legs", why=term(why)), source=COMMON_PRACTICE)
        _no_loaded_end_range(page, f, n, i, why)
    if growing_spine(f.case, c) and c.flat_thoracic:
        page.limit(
            f"arching_{i}",
            "trunk_extension_deg",
            n["growing_extension_deg"],
            "no end-range back bending of a flat, growing curve",
            source=COMMON_PRACTICE,
        )
    if not one_sided_for_a_curve(f.case):
        page.owe(
            f"even_{i}",
            "Equal dose on both sides",
            ("turning", "side_bend", "hip_out"),
            2,
            "a curve is trained on both sides alike",
            both_sides=True,
        )


def _getting_larger(f: Findings, n: Numbers, c: Scoliosis, size: float | None) -> str:
    """Why a curve counts as getting larger: it was seen to, or nobody has compared a growing one of a size that is braced."""
    if c.change_deg is not None:
        return said("a curve that is getting larger") if c.change_deg > n["progressive_deg"] else ""
    if growing_spine(f.case, c) and (size is None or size >= n["brace_from_deg"]):
        return said("a growing curve, and not known whether it is getting larger")
    return ""


def _no_loaded_end_range(page: Page, f: Findings, n: Numbers, i: int, why: str) -> None:
    """Under load only the inner part of every range of the trunk."""
    for kind, sides in (("flexion", ("",)), ("extension", ("",)), ("side_bend", _EACH), ("rotation", _EACH)):
        for side in sides:
            most = f.capacities.of(f"{side}trunk_{kind}") * n["loaded_share"]
            name = f"loaded_{kind}_{side.removesuffix('.')}_{i}" if side else f"loaded_{kind}_{i}"
            page.limit(name, f"{side}loaded_trunk_{kind}_deg", most, said("{why}: no loaded end range", why=term(why)), source=COMMON_PRACTICE)


_EACH = ("left.", "right.")


def _referrals(page: Page, f: Findings, n: Numbers, i: int, c: Scoliosis, size: float | None) -> None:
    growing = growing_spine(f.case, c)
    if size is not None and c.region == "thoracic" and size >= n["lungs_from_deg"]:
        page.refer(
            "lungs", said("a thoracic curve of {size}°: ask how much breath the lungs have", size=float(size)), COMMON_PRACTICE, which=i)
    if growing and (size is None or size >= n["curve_from_deg"]):
        factor = progression_factor(f.case, c)
        tail = said("; progression factor {factor} (Lonstein & Carlson 1984)", factor=round(factor, 1)) if factor is not None else ""
        page.refer(
            "growing", said("growing, with a curve of 10° or more: specialist{tail}", tail=term(tail)), which=i)
    if (
        growing
        and size is not None
        and n["brace_from_deg"] <= size <= n["brace_to_deg"]
        and (c.risser is None or c.risser <= 2)
    ):
        page.refer(
            "brace", "25–40° with Risser 0–2: ask about a brace", which=i)
    if c.convexity == "unknown":
        page.refer(
            "side", "the side to which the curve bulges is not known: ask for the report", COMMON_PRACTICE, which=i)
    for duty, flag, words in (
        ("painful", c.painful, said("a painful curve")),
        ("neurological", c.neurological_sign, said("a neurological sign with a curve")),
        ("left", c.region == "thoracic" and c.convexity == "left", said("a left thoracic curve")),
        ("change", c.change_deg is not None and c.change_deg > n["progressive_deg"], said("a change of more than 5°")),
        ("onset", c.onset_age_years is not None and c.onset_age_years < 10, said("onset before 10 years")),
    ):
        if flag:
            page.refer(duty, said("{words}: refer", words=term(words)), which=i)


SINCE = date(2018, 1, 10)
_GIRL = {"birth_date": "2013-05-01", "sex": "female", "stature_cm": 158, "mass_kg": 47}
RULE = Rule(
    "scoliosis",
    "Scoliosis",
    "From 10°: no loaded bend into the hollow and no loaded turn to the bulge beyond 5°; sides alike; growth decides on referral.",
    (GUIDELINE, SCREENING, LONSTEIN, COMMON_PRACTICE),
    SINCE,
    answer,
    (
        Number("curve_from_deg", 10.0, "deg", "Cobb angle from which limits hold", GUIDELINE, SINCE),
        Number("loaded_bend_deg", 5.0, "deg", "loaded side bend into the hollow", COMMON_PRACTICE, SINCE),
        Number("loaded_turn_deg", 5.0, "deg", "loaded turn to the bulge", COMMON_PRACTICE, SINCE),
        Number(
            "growing_extension_deg",
            10.0,
            "deg",
            "arching in a growing client with a flat upper back",
            COMMON_PRACTICE,
            SINCE,
        ),
        Number("progressive_deg", 5, "deg", "change from which a curve is getting larger", GUIDELINE, SINCE),
        Number("progressive_level", 5, "level", "trunk work with a curve that is getting larger", COMMON_PRACTICE, SINCE),
        Number("loaded_share", 0.5, "", "share of each range under load with a curve that is getting larger", COMMON_PRACTICE, SINCE),
        Number("lungs_from_deg", 60, "deg", "thoracic curve from which the lungs are asked about", COMMON_PRACTICE, SINCE),
        Number("brace_from_deg", 25.0, "deg", "size from which a brace is asked about", GUIDELINE, SINCE),
        Number("brace_to_deg", 40.0, "deg", "size up to which a brace is asked about", GUIDELINE, SINCE),
        Number("trunk_rotation_refer_deg", 7.0, "deg", "trunk rotation to refer", SCREENING, SINCE),
    ),
    (
        Example(
            "side not known: cautious to both",
            {"conditions": [{"kind": "scoliosis", "convexity": "unknown", "region": "thoracic", "cobb_deg": 20}]},
            {"scoliosis.rotation_thoracic_0_left": 5.0, "scoliosis.rotation_thoracic_0_right": 5.0},
            refers=("scoliosis.side_0",),
        ),
        Example(
            "10° to the right, upper spine",
            {"conditions": [{"kind": "scoliosis", "convexity": "right", "region": "thoracic", "cobb_deg": 10}]},
            {
                "scoliosis.side_bend_thoracic_0": 5.0,
                "scoliosis.rotation_thoracic_0": 5.0,
                "scoliosis.side_bend_lumbar_0": None,
            },
        ),
        Example(
            "9° is no curve",
            {"conditions": [{"kind": "scoliosis", "convexity": "right", "region": "thoracic", "cobb_deg": 9}]},
            {"scoliosis.side_bend_thoracic_0": None},
        ),
        Example(
            "T12–L1 binds both regions",
            {
                "conditions": [
                    {"kind": "scoliosis", "convexity": "left", "region": "thoracolumbar", "cobb_deg": 20}
                ]
            },
            {"scoliosis.side_bend_thoracic_0": 5.0, "scoliosis.side_bend_lumbar_0": 5.0},
        ),
        Example(
            "growing, 27°, and nobody has compared it",
            {"person": _GIRL, "conditions": [{"kind": "scoliosis", "convexity": "right", "region": "thoracic", "cobb_deg": 27, "risser": 1}]},
            {"scoliosis.loaded_rotation_left_0": 11.2},
        ),
        Example(
            "the same, compared and no larger",
            {"person": _GIRL, "conditions": [{"kind": "scoliosis", "convexity": "right", "region": "thoracic", "cobb_deg": 27, "change_deg": 2, "risser": 1}]},
            {"scoliosis.loaded_rotation_left_0": None},
        ),
        Example(
            "a left thoracic curve is referred",
            {"conditions": [{"kind": "scoliosis", "convexity": "left", "region": "thoracic", "cobb_deg": 12}]},
            refers=("scoliosis.left_0",),
        ),
        Example(
            "trunk rotation of 7°",
            {"tests": [{"test": "trunk_rotation_angle", "thoracic_deg": 7, "higher_side": "right"}]},
            refers=("scoliosis.trunk_rotation",),
        ),
    ),
    duties=(
        Duty("lungs", "a deep thoracic curve"),
        Duty("growing", "growing, with a curve"),
        Duty("brace", "growing, of a size for which a brace is asked about"),
        Duty("side", "the side of the bulge is not known"),
        Duty("trunk_rotation", "a large trunk rotation"),
        Duty("painful", "a painful curve"),
        Duty("neurological", "a neurological sign"),
        Duty("left", "a left thoracic curve"),
        Duty("change", "a curve that gets larger"),
        Duty("onset", "found before 10 years"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.ORTHOPAEDICS,
)
