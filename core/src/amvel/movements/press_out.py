"""The press-out: a band from the side, pressed out in front; the trunk resists the turn.  Shared by its positions."""

from amvel.body import Anthropometry
from amvel.movements.declaration import Parameter
from amvel.movements.frames import Band, Frame
from amvel.movements.positions import both


def _own_pull_n(body: Anthropometry) -> float:
    """A light band: about a twentieth of the body weight, at most 30 N (common practice, no source)."""
    return min(30.0, 0.5 * body.mass_kg)


BAND_PULL = Parameter("band_n", "pull of the band", "N", _own_pull_n, low=10, high=70, grid=5, easier="down")
_NEAR = both(shoulder_flexion=32.0, elbow_flexion=112.0, shoulder_abduction=-6.0, shoulder_rotation=28.0)
_FAR = both(shoulder_flexion=80.0, elbow_flexion=14.0, shoulder_abduction=-10.0, shoulder_rotation=0.0)


def press_out(start: Frame, band_n: float, anchor_z_cm: float) -> list[Frame]:
    """Hands at the breastbone, then pressed out; the band pulls both hands to the left."""
    anchor = (20.0, 90.0, anchor_z_cm)
    pulled = start.band(*(Band(f"{x}.palm", band_n / 2, anchor_cm=anchor) for x in ("left", "right")))
    return [pulled.with_("hands at the breastbone", **_NEAR), pulled.with_("pressed out", **_FAR)]
