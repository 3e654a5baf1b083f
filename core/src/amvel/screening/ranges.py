"""Readings that the range tests share."""

from amvel.case import Case
from amvel.screening.declaration import Reading, RealChange, has
from amvel.sources import Source, practice

GONIOMETER = RealChange(
    6.0,
    0.91,
    "deg",
    practice("goniometer and inclinometer, about ± 5° between two tests", reading=True),
)
SHORT_SHARE = 0.8


def read_range(deg: float, healthy_deg: float, source: Source) -> Reading:
    """Short below four fifths of the healthy range (our reading)."""
    short = deg < SHORT_SHARE * healthy_deg
    return Reading(
        f"{deg:g}° of {healthy_deg:g}°" + (": short" if short else ""), "watch" if short else "ok", source
    )


def unsafe_neck(case: Case) -> str:
    """Necks whose ends are not sought."""
    if has(case, "down_syndrome"):
        return "the upper neck may be loose in Down syndrome"
    if any(c.kind == "neck_trouble" and getattr(c, "what", "") != "painful" for c in case.conditions):
        return "a rheumatoid or fused neck is not taken to its end"
    return ""
