"""A wedge under the heels: what an ankle that ends early does not bend, the wedge gives."""

import math

from amvel.body import Anthropometry, but
from amvel.movements.declaration import Parameter, Setting
from amvel.movements.frames import Frame, Surface
from amvel.movements.needs import HEEL_WEDGE as NEEDED

HEEL_WEDGE = Parameter("heel_wedge_cm", "wedge under the heels", "cm", 0, low=0, high=4, grid=1, easier="up", nothing_at=0, need=NEEDED)
HEEL_TO_BALL = 0.76  # of the foot's length, as the foot of the body model has it


def wedge_cm(s: Setting) -> float:
    """Height of the wedge in this set-up; 0 where there is none."""
    return s.number(HEEL_WEDGE.id) if HEEL_WEDGE.id in s.values else 0.0


def wedge_deg(body: Anthropometry, height_cm: float) -> float:
    """By how much a wedge of this height tips the sole of this foot."""
    return math.degrees(math.asin(min(0.5, height_cm / 100 / (HEEL_TO_BALL * body.lengths_m["foot"]))))


def on_heel_wedge(frame: Frame, height_cm: float) -> Frame:
    """The same frame with the heels that stand on the floor on a wedge."""
    if not height_cm:
        return frame
    wedge = frame.surfaces["floor"]._replace(name="heel wedge", at_cm=height_cm, title="wedge")
    touches = tuple(
        t._replace(surface=wedge.name) if _heel_on_the_floor(t.landmark, t.surface) else t for t in frame.touches
    )
    surfaces: dict[str, Surface] = {**frame.surfaces, wedge.name: wedge}
    return but(frame, touches=touches, surfaces=surfaces)


def _heel_on_the_floor(landmark: str, surface: str) -> bool:
    return surface == "floor" and landmark.partition(".")[2] == "heel"


__all__ = ["HEEL_TO_BALL", "HEEL_WEDGE", "on_heel_wedge", "wedge_cm", "wedge_deg"]
