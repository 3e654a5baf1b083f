"""Low bone mass and fragility fracture."""

from datetime import date, timedelta

from amvel.safety.limits import Answer, Limit, Obligation, Referral
from amvel.safety.rulebook import Rule
from amvel.screening import Findings
from amvel.sources import Source

STRONG_STEADY_STRAIGHT = Source("Brooke-Wavell et al., Strong, Steady and Straight, BJSM 2022", reading=True)
TOO_FIT = Source("Giangregorio et al., Too Fit to Fracture, Osteoporos Int 2014, 2015", reading=True)
SINAKI = Source("Sinaki & Mikkelsen 1984: new vertebral fractures after flexion 89 %, after extension 16 %")

LOADED_FLEXION_DEG = 10.0
TURN_WITH_BEND_DEG = 5.0
VERTEBRAL_TURN_DEG = 10.0
FRESH_WEEKS = 12
_HALF = 0.5


def answer(f: Findings) -> Answer:
    """By tier: osteoporosis forbids loaded rounding, low and unknown are cautioned."""
    why = "; ".join(text for text, _ in f.bone.reasons)
    referrals = tuple(
        Referral(f"low_bone_mass.refer_{i}", text, source) for i, (text, source) in enumerate(f.bone.referrals)
    )
    if f.bone.tier == "osteoporosis":
        return Answer(_osteoporosis(f, why) + _vertebral(f), _obligations(why), referrals)
    if f.bone.tier in ("low", "caution"):
        return Answer(_cautions(f, why), (), referrals)
    return Answer(referrals=referrals)


def _osteoporosis(f: Findings, why: str) -> tuple[Limit, ...]:
    bend, turn = f.capacities.of("trunk_flexion") * _HALF, f.capacities.of("trunk_rotation") * _HALF
    return (
        Limit(
            "low_bone_mass.loaded_flexion",
            "loaded_trunk_flexion_deg",
            LOADED_FLEXION_DEG,
            f"rounding under load presses on the front of the vertebrae ({why})",
            STRONG_STEADY_STRAIGHT,
            "forbidden",
        ),
        Limit(
            "low_bone_mass.unloaded_flexion",
            "unloaded_trunk_flexion_deg",
            bend,
            f"at most half of the range, and slow ({why})",
            STRONG_STEADY_STRAIGHT,
        ),
        Limit(
            "low_bone_mass.rotation",
            "trunk_rotation_deg",
            turn,
            f"turning at most half of the range, slow and light ({why})",
            TOO_FIT,
        ),
        Limit(
            "low_bone_mass.flexion_with_rotation",
            "flexion_with_rotation_deg",
            TURN_WITH_BEND_DEG,
            f"bending and turning are never combined ({why})",
            TOO_FIT,
            "forbidden",
        ),
    )


def _vertebral(f: Findings) -> tuple[Limit, ...]:
    out: list[Limit] = []
    if f.bone.vertebral_fracture:
        out.append(
            Limit(
                "low_bone_mass.vertebral_rotation",
                "trunk_rotation_deg",
                VERTEBRAL_TURN_DEG,
                "a vertebra has broken: turning stays small",
                TOO_FIT,
            )
        )
    for i, c in enumerate(f.conditions("fracture")):
        assert c.kind == "fracture"
        fresh_until = c.on + timedelta(weeks=FRESH_WEEKS)
        if c.site == "spine" and f.case.as_of <= fresh_until and (c.painful or not c.healed):
            out.append(
                Limit(
                    f"low_bone_mass.fresh_vertebral_{i}",
                    "loaded",
                    0,
                    "a painful vertebral fracture of the last 12 weeks: supported, short, unloaded positions only",
                    TOO_FIT,
                    "forbidden",
                    review_on=fresh_until,
                    valid_until=fresh_until,
                    next_grade="loaded neutral positions, with sign-off",
                )
            )
    return tuple(out)


def _cautions(f: Findings, why: str) -> tuple[Limit, ...]:
    bend, turn = f.capacities.of("trunk_flexion") * _HALF, f.capacities.of("trunk_rotation") * _HALF
    return (
        Limit(
            "low_bone_mass.caution_flexion",
            "loaded_trunk_flexion_deg",
            bend,
            f"rounding under load beyond half of the range ({why})",
            STRONG_STEADY_STRAIGHT,
            "caution",
            measure="slow, small, no end range",
        ),
        Limit(
            "low_bone_mass.caution_rotation",
            "trunk_rotation_deg",
            turn,
            f"turning beyond half of the range ({why})",
            STRONG_STEADY_STRAIGHT,
            "caution",
            measure="slow, without momentum",
        ),
    )


def _obligations(why: str) -> tuple[Obligation, ...]:
    return (
        Obligation(
            "low_bone_mass.back_extensors",
            "Endurance of the back extensors, most days",
            ("upper_back",),
            5,
            why,
            STRONG_STEADY_STRAIGHT,
        ),
        Obligation(
            "low_bone_mass.balance",
            "Balance on 3 days a week or more",
            ("balance",),
            3,
            why,
            STRONG_STEADY_STRAIGHT,
        ),
        Obligation(
            "low_bone_mass.loading",
            "Legs and hips under load on 2 days a week or more",
            ("leg_loading",),
            2,
            why,
            STRONG_STEADY_STRAIGHT,
        ),
        Obligation(
            "low_bone_mass.rise",
            "A spine-sparing way of getting up and down",
            ("sit_to_stand", "hip_bend"),
            3,
            why,
            TOO_FIT,
        ),
    )


RULE = Rule(
    "low_bone_mass",
    "Low bone mass and fragility fracture",
    "Loaded rounding is out with osteoporosis; unloaded rounding and turning stay within half of the range and are never combined.",
    (STRONG_STEADY_STRAIGHT, TOO_FIT, SINAKI),
    date(2022, 5, 1),
    date(2026, 11, 24),
    date(2027, 11, 24),
    answer,
)
