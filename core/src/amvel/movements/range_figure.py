"""The body with its ranges: from the side, the front and above, what there is and the part of it that may be used.

Each range is a fan at its joint.  The outline is what the person has, the light fill what may be used without load,
the full fill what may be used under load.  Angles are degrees from neutral; the zero line is drawn.
"""

import math
from dataclasses import dataclass
from typing import Literal
from xml.sax.saxutils import escape

import numpy as np

from amvel.body import Anthropometry, Skeleton, healthy, solve
from amvel.body.figure import INK, paint, svg_part
from amvel.body.view import FROM_FRONT, FROM_LEFT, View
from amvel.languages import in_language, said
from amvel.languages.catalogue import SOURCE
from amvel.movements.pose_of_frame import compile_frame
from amvel.movements.positions import standing

ViewName = Literal["side", "front", "above"]
AVAILABLE, FREE, LOADED, TIGHT = "#B9C4BF", "#8FBFBD", "#2F6F73", "#9A3B26"
_FACING_UP = View((0, -1, 0), (1, 0, 0), (0, 0, 1))  # from above, the person looking up the page
_VIEWS: dict[str, View] = {"side": FROM_LEFT, "front": FROM_FRONT, "above": _FACING_UP}
_NAME_CM, _NUMBER_CM, _LETTER = 7.6, 8.4, 0.66  # heights of the two kinds of label; breadth of a letter against its height
_SHOWN_FROM = 0.22  # of stature: feet and shins carry no range here


@dataclass(frozen=True)
class Fan:
    """One direction of one joint. `toward` is +1 or −1: which way the angle opens from the zero line in the picture."""

    id: str
    title: str
    view: ViewName
    at: str
    zero_deg: float
    toward: float
    radius_cm: float
    available_deg: float
    free_deg: float
    loaded_deg: float

    @property
    def tight(self) -> bool:
        return self.loaded_deg < self.available_deg - 0.05 or self.free_deg < self.available_deg - 0.05


def range_figure(body: Anthropometry, view: ViewName, fans: list[Fan], language: str = SOURCE) -> str:
    """An SVG document of one view with its fans, its words in this language."""
    skeleton = Skeleton(body)
    spec = compile_frame(standing(body), "ranges", body, healthy())
    posed = solve(skeleton, [spec], healthy().stops_rad())
    plane = _VIEWS[view]
    parts = paint(skeleton, posed.placement, posed.points, 0, plane)
    boxes = np.array([p.shape.bounds for p in parts])
    x0, y0, x1, y1 = boxes[:, 0].min(), boxes[:, 1].min(), boxes[:, 2].max(), boxes[:, 3].max()
    figure = "".join(svg_part(p) for p in parts)
    shown_from = y0 if view == "above" else _SHOWN_FROM * 100 * body.stature_m
    behind, drawn, corners = [], [], [(x0, shown_from), (x1, y1)]
    for fan in fans:
        centre = plane.flat(posed.points[0, skeleton.landmarks.index[fan.at]])
        label = _label(fan, centre, language)
        behind.append(_fan(fan, centre))
        drawn.append(_said(fan, centre, label))
        ends = [_at(fan, centre, d, fan.radius_cm) for d in (0.0, fan.available_deg / 2, fan.available_deg)]
        corners += [(x, max(shown_from, -y)) for x, y in ends] + label.corners
    left, right = min(c[0] for c in corners) - 3, max(c[0] for c in corners) + 3
    low, high = min(c[1] for c in corners) - 3, max(c[1] for c in corners) + 4
    title = escape({"side": said("from the side"), "front": said("from the front"), "above": said("from above")}[view].in_language(language))
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" preserveAspectRatio="xMidYMax meet" viewBox="{left:.1f} {-high:.1f} {right - left:.1f} {high - low:.1f}" role="img" '
        f'aria-label="{title}"><title>{title}</title>{"".join(behind)}<g opacity="0.9">{figure}</g>{"".join(drawn)}</svg>'
    )


def whole_deg(deg: float) -> int:
    """A range as it is said: whole degrees, never more than there are."""
    return math.floor(deg + 1e-6)


def _fan(fan: Fan, centre: tuple[float, float]) -> str:
    """What there is and may be used, behind the body: the body is what is looked at."""
    shapes = [
        _sector(
            fan,
            centre,
            fan.available_deg,
            fan.radius_cm,
            f'fill="{AVAILABLE}" fill-opacity="0.35" stroke="{INK}" stroke-width="0.5"',
        ),
        _sector(fan, centre, fan.free_deg, fan.radius_cm * 0.86, f'fill="{FREE}" fill-opacity="0.8"'),
        _sector(fan, centre, fan.loaded_deg, fan.radius_cm * 0.68, f'fill="{LOADED}" fill-opacity="0.85"'),
    ]
    return f'<g data-fan="{fan.id}"><title>{escape(fan.title)}</title>{"".join(shapes)}</g>'


def _said(fan: Fan, centre: tuple[float, float], label: "_Label") -> str:
    """Where limits stand, the zero line and the words, before the body."""
    bounds = [(fan.loaded_deg, 0.68), (fan.free_deg, 0.86)] if fan.tight else []
    edges = "".join(_edge(fan, centre, deg, share) for deg, share in bounds if deg < fan.available_deg - 0.05)
    sx, sy = _at(fan, centre, 0.0, fan.radius_cm + 2)
    zero = f'<line x1="{centre[0]:.1f}" y1="{-centre[1]:.1f}" x2="{sx:.1f}" y2="{sy:.1f}" stroke="{INK}" stroke-width="0.5" stroke-dasharray="1.6 1.4"/>'
    return f'<g data-fan-words="{fan.id}">{edges}{zero}{label.svg}</g>'


def _edge(fan: Fan, centre: tuple[float, float], deg: float, share: float) -> str:
    """Where the limit stands: a line across the band that may still be used, and a bit beyond."""
    (ax, ay), (bx, by) = (_at(fan, centre, deg, fan.radius_cm * r) for r in (share - 0.3, share + 0.1))
    return f'<line x1="{ax:.1f}" y1="{ay:.1f}" x2="{bx:.1f}" y2="{by:.1f}" stroke="{TIGHT}" stroke-width="1.8" stroke-linecap="round"/>'


def _at(fan: Fan, centre: tuple[float, float], deg: float, radius: float) -> tuple[float, float]:
    a = math.radians(fan.zero_deg + fan.toward * deg)
    return centre[0] + radius * math.cos(a), -(centre[1] + radius * math.sin(a))


def _sector(fan: Fan, centre: tuple[float, float], deg: float, radius: float, style: str) -> str:
    if deg < 0.5:
        return ""
    (ax, ay), (bx, by) = _at(fan, centre, 0.0, radius), _at(fan, centre, deg, radius)
    large = 1 if deg > 180 else 0
    sweep = 0 if fan.toward > 0 else 1
    return f'<path d="M{centre[0]:.1f} {-centre[1]:.1f}L{ax:.1f} {ay:.1f}A{radius:.1f} {radius:.1f} 0 {large} {sweep} {bx:.1f} {by:.1f}Z" {style}/>'


@dataclass(frozen=True)
class _Label:
    """The words beside a fan, and where they reach: opposite corners, y upwards (cm)."""

    svg: str
    corners: list[tuple[float, float]]


def _label(fan: Fan, centre: tuple[float, float], language: str) -> _Label:
    """What there is, and below it in words what may be used of it."""
    narrow = fan.available_deg < 46
    x, y = _at(fan, centre, fan.available_deg + 6 if narrow else fan.available_deg * 0.55, fan.radius_cm + 5)
    anchor, away = ("start", 1.0) if x >= centre[0] else ("end", -1.0)
    lines = [(f"{in_language(fan.title, language)} {whole_deg(fan.available_deg)}°", _NAME_CM, INK), *((in_language(t, language), _NUMBER_CM, TIGHT) for t in _left_of(fan))]
    out = []
    for i, (text, size, ink) in enumerate(lines):
        weight = "700" if i else "400"
        out.append(
            f'<text x="{x:.1f}" y="{y + 9 * i:.1f}" font-size="{size}" font-weight="{weight}" text-anchor="{anchor}" '
            f'fill="{ink}" font-family="Atkinson Hyperlegible, DejaVu Sans, sans-serif">{escape(text)}</text>'
        )
    broad = max(len(text) * size * _LETTER for text, size, _ in lines)
    return _Label("".join(out), [(x, -y + _NAME_CM), (x + away * broad, -(y + 9 * (len(lines) - 1)) - 2)])


def _left_of(fan: Fan) -> list[str]:
    """What may be used of a range that a limit narrows."""
    if not fan.tight:
        return []
    if whole_deg(fan.free_deg) == whole_deg(fan.loaded_deg):
        return [said("up to {deg}°", deg=whole_deg(fan.loaded_deg))]
    unloaded = [said("unloaded {deg}°", deg=whole_deg(fan.free_deg))] if whole_deg(fan.free_deg) < whole_deg(fan.available_deg) else []
    return [*unloaded, said("loaded {deg}°", deg=whole_deg(fan.loaded_deg))]
