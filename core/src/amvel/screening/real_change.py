"""Real change against measurement error."""

import math
from dataclasses import dataclass

from amvel.languages import Message, said
from amvel.quantities.amount import with_unit
from amvel.screening.declaration import RealChange
from amvel.sources import Kind, Source

FORMULA = Source(Kind.MODEL, quoted_for="MDC95 = 1.96 × √2 × SEM, SEM = SD × √(1 − ICC)")


@dataclass(frozen=True)
class Compared:
    """Two results of one test; `real` is False inside the band of no real change, None when no band is known."""

    before: float
    after: float
    band: float | None
    real: bool | None
    text: str


def sem(sd: float, icc: float) -> float:
    """Standard error of measurement; raises ValueError outside 0 ≤ ICC ≤ 1."""
    if not 0.0 <= icc <= 1.0 or sd < 0:
        raise ValueError(f"sd {sd}, icc {icc}: the spread must not be negative and the agreement lies in 0–1")
    return sd * math.sqrt(1.0 - icc)


def mdc95(sd: float, icc: float) -> float:
    """The smallest difference of two results that is more than error, with 95 % confidence."""
    return 1.96 * math.sqrt(2.0) * sem(sd, icc)


def compare(before: float, after: float, change: RealChange | None) -> Compared:
    """Say whether the difference is more than the error of the test."""
    difference = after - before
    if change is None:
        return Compared(
            before, after, None, None, said("{before} → {after}; the error of this test is not known here", before=float(before), after=float(after))
        )
    band = mdc95(change.sd, change.icc)
    real = abs(difference) > band
    words = said("a real change") if real else said("no real change")
    return Compared(
        before,
        after,
        round(band, 2),
        real,
        said("{before} → {after}: {words} (band ± {band})", before=float(before), after=_told(after, change), words=words, band=band_told(change)),
    )


def band_told(change: RealChange) -> Message:
    """The smallest difference that is one, as it is read."""
    return _told(round(mdc95(change.sd, change.icc), 1), change)


def _told(value: float, change: RealChange) -> Message:
    return with_unit(said("{number}", number=float(value)), change.unit)
