"""Bone status: which tier of care the skeleton needs, from density, fractures and medicines."""

from dataclasses import dataclass
from datetime import date, timedelta
from decimal import ROUND_HALF_UP, Decimal

from amvel.case import Case, age_years
from amvel.case.conditions.bone import Denosumab, EarlyMenopause, Fracture, Glucocorticoid
from amvel.case.conditions.general import NoPeriods
from amvel.case.results.bone import BoneDensity
from amvel.case.results.vital import Stature
from amvel.case.traits import Trait
from amvel.checked import Profession
from amvel.languages import said, term, to_decimals
from amvel.literature import ACR_STEROIDS, BHOF, GREEN, ISCD, LOOKER, WHO_DENSITY
from amvel.numbers import Number, Numbers
from amvel.screening.declaration import current, results
from amvel.screening.standard import Standard
from amvel.screening.traits import has
from amvel.sources import Source, practice

WHO = WHO_DENSITY.says("classes of density; ISCD 2019 for whom")
ACR = ACR_STEROIDS.says("≥ 2.5 mg/day for more than 3 months")
NHANES = LOOKER.says("NHANES III, on the Hologic scale")
UNKNOWN_TIER = practice("unknown bone status: women ≥ 65, men ≥ 70, early menopause, low body mass (screening ages)", reading=True)
POSTURE_SIGN = GREEN.says("wall to occiput > 0 cm, rib to pelvis ≤ 2 finger breadths")
WALKING = practice("people who do not walk, spinal injury, severe cerebral palsy: weak bone at the knee end of thigh and shin")
SPINE_VALUES = ISCD.says("at least 2 vertebrae; osteophytes, calcium and curves raise spine values falsely")
STATURE = BHOF.says("stature lost ≥ 4 cm from tallest or ≥ 2 cm since last measured")
REBOUND = practice("denosumab more than 7 months ago: rebound fractures")

SINCE = date(2026, 1, 1)
BONE = Standard(
    "screening.bone_status",
    "Bone classes",
    "From which density, medicine, age and loss of stature bone counts as weak, or may be.",
    (
        Number("t_osteoporosis", -2.5, "T", "osteoporosis at this score or below", WHO, SINCE),
        Number("t_low", -1.0, "T", "low bone mass below this score", WHO, SINCE),
        Number("z_low", -2.0, "Z", "below what is expected for the age at this score or below", SPINE_VALUES, SINCE),
        Number("fewest_vertebrae", 2, "vertebrae", "fewer cannot clear a spine", SPINE_VALUES, SINCE),
        Number("unknown_force_years", 50, "years", "from here a fracture of unknown force counts as fragility", BHOF.as_read, SINCE),
        Number("steroid_mg", 2.5, "mg/day", "glucocorticoid that weakens bone", ACR, SINCE),
        Number("steroid_months", 3, "months", "longer than this", ACR, SINCE),
        Number("women_years", 65, "years", "women from here, bone not measured", UNKNOWN_TIER, SINCE),
        Number("men_years", 70, "years", "men from here, bone not measured", UNKNOWN_TIER, SINCE),
        Number("low_bmi", 20, "kg/m²", "body mass index below this, bone not measured", UNKNOWN_TIER, SINCE),
        Number("from_tallest_cm", 4, "cm", "lost from the tallest: a vertebral fracture is possible", STATURE, SINCE),
        Number("since_last_cm", 2, "cm", "lost since the last measurement: a vertebral fracture is possible", STATURE, SINCE),
        Number("wall_to_occiput_cm", 0, "cm", "further from the wall: a vertebral fracture is possible", POSTURE_SIGN, SINCE),
        Number("rib_to_pelvis_breadths", 2, "finger breadths", "this or fewer: a vertebral fracture is possible", POSTURE_SIGN, SINCE),
        Number("denosumab_days", 213, "days", "after the last dose bone may break anew", REBOUND, SINCE),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.BONE,
)
VALID_DAYS = 730
TIERS = ("osteoporosis", "low", "caution", "unrestricted")  # strictest first
_REFERENCE = {"femoral_neck": (0.858, 0.120), "total_hip": (0.942, 0.122)}
_MAJOR_SITES = ("lumbar_spine", "total_hip", "femoral_neck")
_FRAGILITY_SITES = ("spine", "hip", "pelvis", "humerus", "forearm", "wrist", "rib")
ADULT_FROM_YEARS = 18  # below that body mass index is read against age, not against this figure


class NotReadable(ValueError):
    """This density cannot be turned into a score here; the message says what is missing."""


@dataclass(frozen=True)
class BoneStatus:
    """`tier` with every reason that took part; `assumed` when nothing was measured."""

    tier: str
    reasons: tuple[tuple[str, Source], ...]
    assumed: bool
    vertebral_fracture: bool
    referrals: tuple[tuple[str, Source], ...]

    @property
    def weak(self) -> bool:
        """Whether bone is weak, or may be."""
        return self.tier != TIERS[-1]


def uses_t_score(case: Case) -> bool:
    """T for postmenopausal women and men of 50 and over; menopause is taken from 50 unless early."""
    early = any(isinstance(c, EarlyMenopause) for c in case.conditions)
    return age_years(case.person.birth_date, case.as_of) >= 50 or (case.person.sex == "female" and early)


def score(result: BoneDensity, case: Case) -> tuple[str, float]:
    """('T' or 'Z', value to one decimal as reports give it); raises NotReadable when the entry does not allow it."""
    kind, value = _exact_score(result, case)
    return kind, to_one_decimal(value)


def to_one_decimal(value: float) -> float:
    """As on a report; a half goes away from zero, so that 0.637 g/cm² at the total hip is T −2.5."""
    return float(Decimal(repr(round(value, 6))).quantize(Decimal("0.1"), ROUND_HALF_UP))


def _exact_score(result: BoneDensity, case: Case) -> tuple[str, float]:
    if not uses_t_score(case):
        if result.z_score is None:
            raise NotReadable(said("below 50 years the Z-score is needed"))
        return "Z", result.z_score
    if result.t_score is not None:
        return "T", result.t_score
    if result.density_g_cm2 is None:
        raise NotReadable(said("at this age a T-score or a density is needed"))
    density = result.density_g_cm2
    if result.site not in _REFERENCE:
        raise NotReadable(said("no reference for a density at this site; enter the T-score of the report"))
    if result.device == "lunar":
        if result.site != "femoral_neck":
            raise NotReadable(said("this make can be converted at the femoral neck only; enter the T-score of the report"))
        density = 0.836 * density - 0.008
    mean, deviation = _REFERENCE[result.site]
    return "T", (density - mean) / deviation


def usable(result: BoneDensity, case: Case, n: Numbers) -> bool:
    """Whether a good value of this site may clear a person: too few vertebrae or an altered spine may not."""
    if result.site != "lumbar_spine":
        return True
    few = result.vertebrae_used is not None and result.vertebrae_used < n["fewest_vertebrae"]
    return not (few or result.spine_altered or has(case, Trait.SPINE_DENSITY_MISLEADS))


def _lowest(
    case: Case, found: list[BoneDensity], n: Numbers, clearing: bool = False
) -> tuple[str, float, BoneDensity] | None:
    """The lowest readable score; with `clearing`, only sites that may clear. The radius counts when no other can."""
    readable = []
    for result in found:
        if clearing and not usable(result, case, n):
            continue
        try:
            readable.append((*score(result, case), result))
        except NotReadable:
            continue
    major = [r for r in readable if r[2].site in _MAJOR_SITES] or readable
    return min(major, key=lambda r: r[1]) if major else None


def _density_tier(kind: str, value: float, n: Numbers) -> str:
    if kind == "Z":
        return "low" if value <= n["z_low"] else "unrestricted"
    return "osteoporosis" if value <= n["t_osteoporosis"] else "low" if value < n["t_low"] else "unrestricted"


def fragility(case: Case) -> list[Fracture]:
    """Fractures from standing height or less at a site that counts; unknown force counts from an age."""
    from_years = BONE.in_force(case)["unknown_force_years"]
    age = age_years(case.person.birth_date, case.as_of)
    return [
        c
        for c in case.conditions
        if isinstance(c, Fracture)
        and c.site in _FRAGILITY_SITES
        and (c.from_standing_height_or_less is True or (c.from_standing_height_or_less is None and age >= from_years))
    ]


def bone_status(case: Case) -> BoneStatus:
    """The strictest tier that any evidence asks for; adverse results do not lapse, good ones do."""
    n = BONE.in_force(case)
    found: list[tuple[str, str, Source]] = []
    everything = results(case, BoneDensity)
    valid = _lowest(case, current(case, "bone_density", VALID_DAYS), n)
    ever = _lowest(case, everything, n)
    clears = _lowest(case, current(case, "bone_density", VALID_DAYS), n, clearing=True)
    breaks = fragility(case)
    if valid is not None:
        found.append(
            (
                _density_tier(valid[0], valid[1], n),
                said("{score} {value} at the {site}", score=valid[0], value=to_decimals(valid[1], 1, signed=True), site=term(valid[2].site)),
                WHO,
            )
        )
    if (
        ever is not None
        and (valid is None or ever[2] is not valid[2])
        and _density_tier(ever[0], ever[1], n) in ("osteoporosis", "low")
    ):
        found.append(
            (
                _density_tier(ever[0], ever[1], n),
                said("{score} {value} at the {site} on {on}", score=ever[0], value=to_decimals(ever[1], 1, signed=True), site=term(ever[2].site), on=term(ever[2].on)),
                WHO,
            )
        )
    found += _fracture_tiers(breaks, valid, n)
    found += _risk_tiers(case, n, measured=clears is not None)
    found += _always(case)
    referrals = _referrals(case, n)
    for sign, words in ((STATURE, said("stature loss")), (POSTURE_SIGN, "posture")):
        if any(source is sign for _, source in referrals):
            found.append(
                ("osteoporosis", said("{words}: a vertebral fracture is possible until it is ruled out", words=term(words)), sign)
            )
    tier = min((t for t, _, _ in found), key=TIERS.index, default="unrestricted")
    reasons = tuple(dict.fromkeys((text, source) for t, text, source in found if t == tier))
    return BoneStatus(tier, reasons, clears is None, any(f.site == "spine" for f in breaks), tuple(referrals))


def _fracture_tiers(
    breaks: list[Fracture], valid: tuple[str, float, BoneDensity] | None, n: Numbers
) -> list[tuple[str, str, Source]]:
    out: list[tuple[str, str, Source]] = []
    for f in breaks:
        text = said("fragility fracture of the {where} on {on}", where=term(f.where), on=term(f.on))
        normal = valid is not None and _density_tier(valid[0], valid[1], n) == "unrestricted"
        decides = f.site in ("hip", "spine") or not normal
        out.append(("osteoporosis" if decides else "low", text, BHOF))
    return out


def _risk_tiers(case: Case, n: Numbers, measured: bool) -> list[tuple[str, str, Source]]:
    """What unknown bone counts as; a benign measurement lifts these, and only these."""
    if measured:
        return []
    age, person = age_years(case.person.birth_date, case.as_of), case.person
    out: list[tuple[str, str, Source]] = []
    for c in case.conditions:
        if isinstance(c, Glucocorticoid) and c.mg_per_day >= n["steroid_mg"] and c.months > n["steroid_months"]:
            out.append(
                (
                    "osteoporosis",
                    said("glucocorticoid {mg_per_day} mg a day for {months} months, bone not measured", mg_per_day=float(c.mg_per_day), months=float(c.months)),
                    ACR,
                )
            )
        if isinstance(c, NoPeriods):
            out.append(("caution", "no periods for three months, bone not measured", UNKNOWN_TIER))
        if isinstance(c, EarlyMenopause):
            out.append(("caution", "early menopause, bone not measured", UNKNOWN_TIER))
    if age >= n["women_years" if person.sex == "female" else "men_years"]:
        out.append(("caution", said("{age} years, bone not measured", age=term(age)), UNKNOWN_TIER))
    if age >= ADULT_FROM_YEARS and person.mass_kg / (person.stature_cm / 100) ** 2 < n["low_bmi"]:
        out.append(("caution", "low body mass, bone not measured", UNKNOWN_TIER))
    return out


def _always(case: Case) -> list[tuple[str, str, Source]]:
    """What hip density does not clear."""
    out: list[tuple[str, str, Source]] = []
    if has(case, Trait.LEGS_LOSE_BONE):
        out.append(("osteoporosis", Trait.LEGS_LOSE_BONE.value, WALKING))
    if has(case, Trait.BRITTLE_BONE):
        out.append(("osteoporosis", Trait.BRITTLE_BONE.value, BHOF))
    return out


def stature_lost_cm(case: Case) -> tuple[float, float]:
    """Lost from the tallest remembered, and since the measurement before the newest."""
    p = case.person
    measured = sorted(results(case, Stature), key=lambda r: r.on)
    now = measured[-1].stature_cm if measured else p.stature_cm
    earlier = [r.stature_cm for r in measured[:-1]] + ([p.last_stature_cm] if p.last_stature_cm else [])
    tallest = max(
        [x for x in (p.tallest_stature_cm, *[r.stature_cm for r in measured]) if x is not None], default=now
    )
    return max(0.0, tallest - now), max([0.0, *(e - now for e in earlier[-1:])])


def _referrals(case: Case, n: Numbers) -> list[tuple[str, Source]]:
    out: list[tuple[str, Source]] = []
    from_tallest, since_last = stature_lost_cm(case)
    if from_tallest >= n["from_tallest_cm"]:
        out.append(
            (
                said("{from_tallest} cm shorter than at the tallest (counts from {from_tallest_cm} cm; some say 6): rule out a vertebral fracture before loaded trunk work", from_tallest=round(from_tallest, 1), from_tallest_cm=float(n['from_tallest_cm'])),
                STATURE,
            )
        )
    if since_last >= n["since_last_cm"]:
        out.append(
            (
                said("{since_last} cm shorter than at the last measurement: rule out a vertebral fracture before loaded trunk work", since_last=round(since_last, 1)),
                STATURE,
            )
        )
    if any(r.cm > n["wall_to_occiput_cm"] for r in current(case, "wall_to_occiput", 365)):
        out.append(
            (
                "the back of the head does not reach the wall: rule out a vertebral fracture before loaded trunk work",
                POSTURE_SIGN,
            )
        )
    if any(r.finger_breadths <= n["rib_to_pelvis_breadths"] for r in current(case, "rib_to_pelvis", 365)):
        out.append(
            (
                "two finger breadths or fewer between ribs and pelvis: rule out a vertebral fracture before loaded trunk work",
                POSTURE_SIGN,
            )
        )
    for c in case.conditions:
        if isinstance(c, Denosumab) and case.as_of > c.last_dose_on + timedelta(days=n["denosumab_days"]):
            out.append(
                ("last denosumab more than 7 months ago: ask the prescriber before loaded trunk work", REBOUND)
            )
    return out
