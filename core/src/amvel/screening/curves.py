"""Reading curves of the spine: size, region, growth."""

from amvel.case import Case, age_years
from amvel.case.conditions.spine import Scoliosis
from amvel.case.results.posture_and_curve import CobbReport
from amvel.screening.declaration import results

GROWN_YEARS = 18
_REGIONS = {"thoracic": ("thoracic",), "lumbar": ("lumbar",), "thoracolumbar": ("thoracic", "lumbar")}


def regions_of(curve: Scoliosis) -> tuple[str, ...]:
    """The parts of the spine that the curve binds; an apex at T12–L1 binds both."""
    return _REGIONS[curve.region]


def curve_deg(case: Case, curve: Scoliosis) -> float | None:
    """The largest Cobb angle known of this curve; None when none is."""
    reported = [r.cobb_deg for r in results(case, CobbReport) if r.region == curve.region]
    known = [*reported, *([curve.cobb_deg] if curve.cobb_deg is not None else [])]
    return max(known) if known else None


def growing_spine(case: Case, curve: Scoliosis) -> bool:
    """Risser below 5, or not yet two years past menarche or voice change; unknown counts as growing under 18."""
    if age_years(case.person.birth_date, case.as_of) >= GROWN_YEARS:
        return False
    if curve.risser is None and curve.menarche_or_voice_change is None:
        return True
    unripe = curve.risser is not None and curve.risser < 5
    return unripe or curve.menarche_or_voice_change in ("not_yet", "under_two_years")


def progression_factor(case: Case, curve: Scoliosis) -> float | None:
    """(Cobb − 3 × Risser) / age, for idiopathic and growing curves only (Lonstein & Carlson 1984)."""
    size = curve_deg(case, curve)
    if not curve.idiopathic or size is None or curve.risser is None or not growing_spine(case, curve):
        return None
    return (size - 3 * curve.risser) / age_years(case.person.birth_date, case.as_of)
