"""The picture of a limit: the very frame that breaks it, with the angle, the load or the place drawn on the body.

Beside it, in the same scale, the version that holds it.
"""

import math
from dataclasses import dataclass

import numpy as np

from amvel.body.view import FROM_ABOVE, FROM_FRONT, FROM_RIGHT, View
from amvel.movements.cameras import square_view_of
from amvel.movements.on_the_body import Angle, Load, Mark, Plane, Spot, Twist, mark_of
from amvel.movements.panel import Panel
from amvel.movements.picture import document, label, laid_out
from amvel.movements.profile import Profile
from amvel.movements.profiler import Profiler
from amvel.quantities import quantity

BROKEN, HELD_TO = "#A6402E", "#2F6F73"
_ARC_CM, _RAY_CM, _RING_CM = 15.0, 24.0, 7.0
_LOAD_CM_PER_PERCENT, _LONGEST_CM, _SHORTEST_CM = 0.5, 40.0, 8.0
_LYING = ("on the back", "on the side", "face down", "hands and knees")


@dataclass(frozen=True)
class Broken:
    """What is shown: the profile column, where it is looked at, which way is worse, and its words."""

    quantity: str
    bound: float
    at_least: bool = False
    place: str = ""  # the column that is 1 where the limit looks; '' for every frame
    here: str = ""
    says: str = ""


def worst_row(profile: Profile, broken: Broken) -> int:
    """The frame in which the limit is broken most."""
    values = np.asarray(profile.columns[broken.quantity], dtype=float)
    if broken.place:
        looked = np.asarray(profile.columns[broken.place]) > 0
        values = np.where(looked, values, np.inf if broken.at_least else -np.inf)
    return int(np.argmin(values) if broken.at_least else np.argmax(values))


def why_figure(profiler: Profiler, profile: Profile, broken: Broken, other: Profile | None = None) -> str:
    """An SVG document; '' where this body takes no such pose.  `other` is the version that holds the limit."""
    shown = [p for p in (profiler.posed(profile), profiler.posed(other) if other is not None else None) if p is not None]
    if any(p.fault or p.posed is None for p in shown):
        return ""
    near = "left" if profile.request.side == "left" else "right"
    mark = mark_of(_part_that_is_most(shown[0], broken), near)
    view = _view(shown[0], mark)
    panels = []
    for p, tone in zip(shown, (BROKEN, HELD_TO), strict=False):
        panel = Panel(profiler, p, worst_row(p, broken), view)
        value = float(p.columns[broken.quantity][panel.row])
        if mark is not None:
            _draw(panel, mark, value, tone)
            _say(panel, mark, _shown(broken.quantity, value), tone)
        panels.append(panel)
    title = " ".join(x for x in (f"{profile.request.family.title}: {profile.request.step.title}.", broken.says, broken.here) if x)
    return document(*laid_out(panels), title)


# What is the largest of several is drawn as the one that it is.
_LARGEST_OF = {
    "weighted_trunk_deg": ("trunk_flexion_deg", *(f"{s}.trunk_{k}_deg" for s in ("left", "right") for k in ("side_bend", "rotation"))),
}


def _part_that_is_most(profile: Profile, broken: Broken) -> str:
    row = worst_row(profile, broken)
    return max(_LARGEST_OF.get(broken.quantity, (broken.quantity,)), key=lambda name: float(profile.columns[name][row]))


def _view(profile: Profile, mark: Mark | None) -> View:
    usual = square_view_of(profile.request.family, profile)
    if isinstance(mark, Twist):
        return FROM_FRONT if profile.request.family.position in _LYING else FROM_ABOVE
    if not isinstance(mark, Angle) or mark.plane is Plane.AS_DRAWN:
        return usual if usual is not FROM_FRONT or not isinstance(mark, Angle) else FROM_RIGHT
    return FROM_ABOVE if profile.request.family.position in _LYING else FROM_FRONT


def _draw(panel: Panel, mark: Mark, value: float, tone: str) -> None:
    if isinstance(mark, Angle):
        _angle(panel, mark, tone)
    elif isinstance(mark, Twist):
        for (one, other), dashed in ((mark.one, ""), (mark.other, ' stroke-dasharray="4 3"')):
            (x0, y0), (x1, y1) = panel.point(one), panel.point(other)
            a, b = 0.35 * (x1 - x0), 0.35 * (y1 - y0)
            line = f'x1="{x0 - a:.1f}" y1="{-(y0 - b):.1f}" x2="{x1 + a:.1f}" y2="{-(y1 + b):.1f}" stroke-linecap="round"'
            panel.front.append(f'<line {line} stroke="#FFFFFF" stroke-width="4.5"/><line {line} stroke="{tone}" stroke-width="2.4"{dashed}/>')
            panel.grow((x0 - a, y0 - b), (x1 + a, y1 + b))
    elif isinstance(mark, Load):
        _load(panel, panel.point(mark.at), value, tone)
    elif isinstance(mark, Spot):
        for at in mark.at:
            x, y = panel.point(at)
            panel.front.append(f'<circle cx="{x:.1f}" cy="{-y:.1f}" r="{_RING_CM}" fill="none" stroke="{tone}" stroke-width="2.2"/>')


_SIGNS = {"deg": "°", "% of body weight": " %"}


def _shown(quantity_name: str, value: float) -> str:
    """A number that stands at its mark; '' for what is counted in steps of our own or is only there or not."""
    unit = quantity(quantity_name).unit
    return f"{value:.0f}{_SIGNS[unit]}" if unit in _SIGNS else ""


def _say(panel: Panel, mark: Mark, text: str, tone: str) -> None:
    """The number above the picture's own mark, away from the body."""
    if not text:
        return
    names = {Angle: lambda m: m.at, Load: lambda m: m.at, Twist: lambda m: m.one[0], Spot: lambda m: m.at[0]}
    x, y = panel.point(names[type(mark)](mark))
    middle = (panel.box[0] + panel.box[2]) / 2
    away = -1.0 if x < middle else 1.0
    x, y, anchor = x + away * 20.0, y + 12.0, "end" if away < 0 else "start"
    panel.front.append(label(x, -y, text, anchor, 11.0, tone, 700))
    panel.grow((x + away * 26.0, y + 10.0))


def _angle(panel: Panel, mark: Angle, tone: str) -> None:
    """Two rays and the arc between them."""
    x, y = panel.point(mark.at)
    ways = [_towards((x, y), panel.point(name)) for name in (mark.one, mark.other)]
    rays = "".join(f'<line x1="{x:.1f}" y1="{-y:.1f}" x2="{x + _RAY_CM * a:.1f}" y2="{-(y + _RAY_CM * b):.1f}"/>' for a, b in ways)
    (a0, b0), (a1, b1) = ways
    start, end = (x + _ARC_CM * a0, -(y + _ARC_CM * b0)), (x + _ARC_CM * a1, -(y + _ARC_CM * b1))
    sweep = 1 if (a0 * -b1 - -b0 * a1) > 0 else 0
    arc = f'<path d="M{start[0]:.1f} {start[1]:.1f}A{_ARC_CM} {_ARC_CM} 0 0 {sweep} {end[0]:.1f} {end[1]:.1f}"/>'
    panel.front.append(
        f'<g fill="none" stroke="#FFFFFF" stroke-width="4" stroke-linecap="round" opacity="0.85">{rays}{arc}</g>'
        f'<g fill="none" stroke="{tone}" stroke-width="2" stroke-linecap="round">{rays}{arc}</g>'
    )
    panel.grow(*((x + _RAY_CM * a, y + _RAY_CM * b) for a, b in ways))


def _towards(start: tuple[float, float], end: tuple[float, float]) -> tuple[float, float]:
    dx, dy = end[0] - start[0], end[1] - start[1]
    length = max(math.hypot(dx, dy), 1e-6)
    return dx / length, dy / length


def _load(panel: Panel, at: tuple[float, float], percent_bw: float, tone: str) -> None:
    """An arrow from below, as long as the load is large."""
    length = min(_LONGEST_CM, max(_SHORTEST_CM, _LOAD_CM_PER_PERCENT * percent_bw))
    x, y = at
    panel.front.append(
        f'<g stroke="{tone}" fill="{tone}" stroke-linejoin="round"><line x1="{x:.1f}" y1="{-(y - length):.1f}" x2="{x:.1f}" y2="{-(y - 4):.1f}" stroke-width="3"/>'
        f'<path d="M{x:.1f} {-y:.1f}l-4 7h8z" stroke-width="0.5"/></g>'
    )
    panel.grow((x, y - length))


__all__ = ["Broken", "why_figure", "worst_row"]
