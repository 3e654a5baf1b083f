"""Low bone mass and fragility fracture."""

from datetime import date, timedelta
from typing import Any

from amvel.case.conditions.bone import Denosumab, Fracture, Glucocorticoid
from amvel.checked import Profession
from amvel.languages import said, said_together, term
from amvel.literature import BHOF, SINAKI_MIKKELSEN, STRONG_STEADY_STRAIGHT, TOO_FIT_TO_FRACTURE
from amvel.movements.levels import EVERY_WAY
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import CLINICIAN, Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.screening.bone_status import ACR, fragility
from amvel.sources import practice

STRONG_STEADY = STRONG_STEADY_STRAIGHT.as_read
TOO_FIT = TOO_FIT_TO_FRACTURE.as_read
SINAKI = SINAKI_MIKKELSEN.says("new vertebral fractures after flexion 89 %, after extension 16 %")
FRESH = timedelta(weeks=12)
CAPS = practice("levels of trunk work", reading=True)
SLOW = said("slow, small, no end range")
_TURNS = frozenset(("range.left.trunk_rotation", "range.right.trunk_rotation"))


def answer(f: Findings, n: Numbers) -> Answer:
    """By tier: osteoporosis forbids loaded rounding, low and unknown are cautioned."""
    page = Page("low_bone_mass", STRONG_STEADY, "bone")
    why = said_together((said(text) for text, _ in f.bone.reasons), "; ")
    for i, (text, source) in enumerate(f.bone.referrals):
        page.refer(
            "refer", text, source, which=i)
    _questions(page, f, n)
    if f.bone.tier == "osteoporosis":
        _osteoporosis(page, f, n, why)
        _vertebral(page, f, n)
        _obligations(page, n, why)
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
        said("rounding under load presses on the front of the vertebrae ({why})", why=term(why)),
    )
    bend = f.capacities.of("trunk_flexion") * n["share_of_range"]
    page.limit(
        "unloaded_flexion",
        "unloaded_trunk_flexion_deg",
        bend,
        said("at most half of the range, and slow ({why})", why=term(why)),
        assumes=frozenset(("range.trunk_flexion",)),
    )
    for s in ("left", "right"):
        turn = f.capacities.of(f"{s}.trunk_rotation") * n["share_of_range"]
        page.limit(
            f"rotation_{s}",
            f"{s}.trunk_rotation_deg",
            turn,
            said("turning at most half of the range, slow and light ({why})", why=term(why)),
            source=TOO_FIT,
            assumes=_TURNS,
        )
    page.forbid(
        "flexion_with_rotation",
        "flexion_with_rotation_deg",
        n["bend_with_turn_deg"],
        said("bending and turning are never combined ({why})", why=term(why)),
        source=TOO_FIT,
    )
    page.forbid(
        "weighted",
        "weighted_trunk_deg",
        n["weighted_deg"],
        said("no weight while bending, side-bending or turning ({why})", why=term(why)),
        source=TOO_FIT,
    )
    page.forbid("rolling", "rolls_on_spine", 0, said("no rolling on the spine ({why})", why=term(why)), source=TOO_FIT)
    page.forbid("jolt", "jolt", 0, said("no bounce and no jolt ({why})", why=term(why)), source=TOO_FIT)
    page.limit(
        "unstable", "unstable_surface", 0, said("no unstable surface with a bone limit ({why})", why=term(why)), source=TOO_FIT
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
        if c.site != "spine" or not (c.painful or not c.healed):
            continue
        fresh = f.case.as_of <= until
        state = said("of the last 12 weeks") if fresh else said("that still hurts or has not healed: review is due")
        _as_a_fracture(page, n, f"vertebral_{i}", said("a vertebral fracture {state}", state=term(state)), review_on=until)
        if fresh:
            page.forbid(
                f"fresh_vertebral_{i}",
                "loaded",
                0,
                "a painful vertebral fracture of the last 12 weeks: supported, short, unloaded positions only",
                when=Place.EXERCISES,
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


def _questions(page: Page, f: Findings, n: Numbers) -> None:
    """What a clinician should be asked, whatever is limited."""
    steroids = [c for c in f.all(Glucocorticoid) if c.mg_per_day >= n["steroid_mg"] and c.months > n["steroid_months"]]
    breaks = [c for c in f.all(Fracture) if c in fragility(f.case)]
    if steroids and f.bone.tier in ("osteoporosis", "low"):
        page.refer("spine_picture", "steroid tablets and low bone mass: ask for a picture of the spine", ACR)
    if [c.site for c in breaks].count("spine") == 1:
        page.refer("first_vertebral", "a first vertebral fracture: ask what broke it and what is done for the bone", BHOF)
    untreated = bool(breaks) and all(c.bone_medicine != "yes" for c in breaks) and f.one(Denosumab) is None
    if untreated and f.bone.tier == "osteoporosis":
        page.refer("treatment", "osteoporosis that has broken and no bone medicine noted: ask about treatment", BHOF)


def _as_a_fracture(page: Page, n: Numbers, name: str, why: str, **more: Any) -> None:
    """Level 1, lying or supported, no more press than quiet standing makes; changes of position are judged by technique."""
    page.cap(f"{name}_level", n["fracture_level"], EVERY_WAY, said("{why}: breath, tilt and carried legs only", why=term(why)), source=CAPS, **more)
    page.limit(
        f"{name}_press",
        "press_against_standing",
        n["fracture_press"],
        said("{why}: no more press on the spine than quiet standing makes", why=term(why)),
        when=Place.EXERCISES,
        source=CAPS,
        **more,
    )
    page.limit(f"{name}_weighted", "weighted_trunk_deg", n["weighted_deg"], said("{why}: no weight while bending or turning", why=term(why)), source=CAPS, **more)
    page.limit(f"{name}_sits", "sitting_unsupported", 0, said("{why}: sitting only with a back or arms to hold", why=term(why)), when=Place.EXERCISES, source=CAPS, **more)
    page.limit(
        f"{name}_stands",
        "hand_support_level",
        n["fracture_hand"],
        said("{why}: standing only with a firm hand", why=term(why)),
        at_least=True,
        when=Place.STANDING,
        source=CAPS,
        **more,
    )


def _cautions(page: Page, f: Findings, n: Numbers, why: str) -> None:
    bend = f.capacities.of("trunk_flexion") * n["share_of_range"]
    page.care(
        "caution_flexion",
        "loaded_trunk_flexion_deg",
        bend,
        said("rounding under load beyond half of the range ({why})", why=term(why)),
        SLOW,
        assumes=frozenset(("range.trunk_flexion",)),
    )
    for s in ("left", "right"):
        turn = f.capacities.of(f"{s}.trunk_rotation") * n["share_of_range"]
        page.care(
            f"caution_rotation_{s}",
            f"{s}.loaded_trunk_rotation_deg",
            turn,
            said("turning under load beyond half of the range ({why})", why=term(why)),
            "slow, without momentum",
            assumes=_TURNS,
        )
    page.care("caution_jolt", "jolt", 0, said("bounces and jolts ({why})", why=term(why)), "without bounce")


def _until_ruled_out(page: Page, n: Numbers) -> None:
    page.forbid(
        "until_ruled_out",
        "pelvic_moment_nm_per_kg_m",
        n["loaded_trunk_work_nm_per_kg_m"],
        "loaded trunk work waits until a vertebral fracture or rebound is ruled out",
        when=Place.EXERCISES,
        waits_for=CLINICIAN,
    )
    _as_a_fracture(page, n, "suspected", "until a vertebral fracture or rebound is ruled out", waits_for=CLINICIAN)


def _obligations(page: Page, n: Numbers, why: str) -> None:
    page.owe("back_extensors", "Endurance of the back extensors, most days", ("upper_back",), 5, why)
    page.owe("balance", "Balance on 3 days a week or more", ("balance",), 3, why, minutes=n["balance_min"])
    page.owe("loading", "Legs and hips under load on 2 days a week or more", ("leg_loading",), 2, why)
    page.owe("rise", "A spine-sparing way of getting up and down", ("sit_to_stand", "hip_bend"), 3, why)


SINCE = date(2022, 5, 1)
_SEVENTY = {"person": {"birth_date": "1956-03-03"}}  # these classes are for women after menopause

RULE = Rule(
    "low_bone_mass",
    "Low bone mass and fragility fracture",
    "Loaded rounding is out with osteoporosis; unloaded rounding and turning stay within half of the range and are never combined.",
    (STRONG_STEADY, TOO_FIT, SINAKI),
    SINCE,
    answer,
    (
        Number(
            "loaded_flexion_deg",
            10.0,
            "deg",
            "rounding under load with osteoporosis",
            STRONG_STEADY,
            SINCE,
        ),
        Number(
            "share_of_range",
            0.5,
            "",
            "share of the range for unloaded rounding and for turning",
            STRONG_STEADY,
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
        Number("steroid_mg", 2.5, "mg a day", "steroid dose from which the spine is pictured", ACR, SINCE),
        Number("steroid_months", 3, "months", "for longer than this", ACR, SINCE),
        Number("weighted_deg", 5.0, "deg", "bend or turn with a weight that still counts as none", TOO_FIT, SINCE),
        Number("fracture_level", 1, "level", "trunk work with a vertebral fracture, painful or suspected", CAPS, SINCE),
        Number("fracture_press", 1.05, "× quiet standing", "press on the spine with such a fracture", CAPS, SINCE),
        Number("fracture_hand", 3, "0–3", "hand support in standing with such a fracture", CAPS, SINCE),
        Number(
            "loaded_trunk_work_nm_per_kg_m",
            0.05,
            "N·m/(kg·m)",
            "pelvic control moment from which work counts as loaded trunk work",
            TOO_FIT,
            SINCE,
        ),
        Number("balance_min", 4, "min", "working minutes in a session that count as balance training: the source says days, the minutes are our reading", STRONG_STEADY, SINCE),
    ),
    (
        Example(
            "T −2.5 is osteoporosis",
            {**_SEVENTY, "tests": [{"test": "bone_density", "site": "total_hip", "t_score": -2.5}]},
            {"low_bone_mass.loaded_flexion": 10.0},
            ("low_bone_mass.balance",),
        ),
        Example(
            "T −2.4 is low bone mass",
            {**_SEVENTY, "tests": [{"test": "bone_density", "site": "total_hip", "t_score": -2.4}]},
            {"low_bone_mass.loaded_flexion": None},
        ),
        Example(
            "T −1.0 is normal",
            {**_SEVENTY, "tests": [{"test": "bone_density", "site": "total_hip", "t_score": -1.0}]},
            {"low_bone_mass.caution_flexion": None},
        ),
        Example(
            "a missed denosumab dose is referred",
            {**_SEVENTY, "conditions": [{"kind": "denosumab", "last_dose_on": "2026-01-10"}]},
            {"low_bone_mass.until_ruled_out": 0.05},
            refers=("low_bone_mass.refer_0",),
        ),
    ),
    duties=(
        Duty("refer", "stature or posture speaks of a vertebral fracture, or a dose of denosumab is late"),
        Duty("spine_picture", "steroid tablets and low bone mass"),
        Duty("first_vertebral", "a first vertebral fracture"),
        Duty("treatment", "broken, and no medicine for the bone noted"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.BONE,
)
