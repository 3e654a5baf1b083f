"""Readings that the range tests share."""

from amvel.languages import said
from amvel.screening.declaration import Reading, RealChange
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
        said("{deg}° of {healthy_deg}°", deg=float(deg), healthy_deg=float(healthy_deg)) + (said(": short") if short else ""), "watch" if short else "ok", source
    )
