"""A fit as a picture: the pose on this body with the measure drawn where it is taken."""

from xml.sax.saxutils import escape

from amvel.body.figure import INK
from amvel.fitting.fit import Fit, Mark
from amvel.movements import Profiler, Request, find
from amvel.movements.cameras import square_view_of
from amvel.movements.panel import Panel
from amvel.movements.picture import in_halves_cm

_PAD_CM, _ROOM_CM = 8.0, 40.0


def fit_figure(profiler: Profiler, fit: Fit) -> str:
    """An SVG document; '' when the fit has no picture or this body cannot take its pose."""
    asked = fit.drawing
    if asked is None:
        return ""
    family, step = find(asked.ref)
    request = Request(family, step, asked.side, {**step.defaults(profiler.body), **asked.values})
    profile = profiler.posed(profiler.profile(request))
    if profile.fault or profile.posed is None:
        return ""
    row = profile.rows[min(asked.frame, len(profile.rows) - 1)]
    panel = Panel(profiler, profile, row, square_view_of(family, profile))
    marks = "".join(_mark(panel, m) for m in asked.marks)
    left, low, right, high = panel.box
    box = f"{left - _ROOM_CM:.1f} {-high - _PAD_CM:.1f} {right - left + 2 * _ROOM_CM:.1f} {high - low + 3 * _PAD_CM:.1f}"
    title = escape(fit.says)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{box}" role="img" aria-label="{title}">'
        f"<title>{title}</title>{panel.svg(0.0, 0.0)}{marks}</svg>"
    )


def _mark(panel: Panel, mark: Mark) -> str:
    if mark.kind == "up":
        x, _ = panel.point(mark.at)
        side = panel.box[0] - 6.0 if x - panel.box[0] < panel.box[2] - x else panel.box[2] + 6.0
        return _upright(side, x, mark.base_cm, mark.base_cm + mark.value_cm, mark.value_cm)
    if mark.kind == "along":
        (x0, y0), (x1, y1) = panel.point(mark.at), panel.point(mark.to)
        return _level(min(x0, x1), max(x0, x1), max(y0, y1) + 12.0, mark.value_cm)
    sign = panel.view.right[0]
    return _level(min(0.0, sign * mark.value_cm), max(0.0, sign * mark.value_cm), -7.0, mark.value_cm)


def _label(x: float, y: float, value: float, anchor: str) -> str:
    return f'<text x="{x:.1f}" y="{y:.1f}" font-size="9" text-anchor="{anchor}" fill="{INK}" stroke="none" font-family="Atkinson Hyperlegible, DejaVu Sans, sans-serif" font-weight="700">{in_halves_cm(value)}</text>'


def _upright(x: float, to_x: float, low: float, high: float, value: float) -> str:
    """A height beside the body, with a thin line to the place where it is taken."""
    outward = -1.0 if x < to_x else 1.0
    return (
        f'<g stroke="{INK}" stroke-width="0.7" fill="none"><path d="M{x:.1f} {-low:.1f}V{-high:.1f}M{x - 3:.1f} {-low:.1f}h6M{x - 3:.1f} {-high:.1f}h6"/>'
        f'<path stroke-dasharray="2 2" stroke-width="0.4" d="M{x:.1f} {-high:.1f}H{to_x:.1f}"/>'
        f"{_label(x + outward * 3, -(low + high) / 2 + 3, value, 'end' if outward < 0 else 'start')}</g>"
    )


def _level(x0: float, x1: float, y: float, value: float) -> str:
    return (
        f'<g stroke="{INK}" stroke-width="0.7" fill="none"><path d="M{x0:.1f} {-y:.1f}H{x1:.1f}M{x0:.1f} {-y - 3:.1f}v6M{x1:.1f} {-y - 3:.1f}v6"/>'
        f"{_label((x0 + x1) / 2, -y - 4 if y > 0 else -y + 10, value, 'middle')}</g>"
    )


__all__ = ["fit_figure"]
