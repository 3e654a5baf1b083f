"""The picture of a step: its first and last frame with what the body rests on, the motion and the measures that matter."""

import math
from xml.sax.saxutils import escape

import numpy as np

from amvel.body.figure import FROM_ABOVE, FROM_FRONT, FROM_LEFT, FROM_RIGHT, INK, View, arrow, paint, svg_part
from amvel.movements.bed import lies_on_bed
from amvel.movements.declaration import Family
from amvel.movements.frames import Prop, Surface, other_side
from amvel.movements.profile import Profile
from amvel.movements.profiler import Profiler

HELD, BAND = "#C9A45C", "#8A5A2B"
PROP, PROP_EDGE, GROUND = "#E4D9C3", "#8B7B5E", "#B9AE98"
LOW_SEAT_CM = 31.0
_GAP_CM = 26.0
_PAD_CM = 8.0
_BEYOND_THE_HEAD_CM = 12.0
_Box = tuple[float, float, float, float]


def view_of(family: Family, profile: Profile) -> View:
    """From where the movement is seen best: the working side is near."""
    step, side = profile.request.step, profile.request.side
    if step.view == "top":
        return FROM_ABOVE
    if family.position == "on the side":
        return FROM_LEFT if side == "right" else FROM_RIGHT
    if step.view == "front":
        return FROM_FRONT
    return FROM_LEFT if side == "left" else FROM_RIGHT


def _towards(
    start: tuple[float, float], end: tuple[float, float], shown_cm: float = 30.0
) -> tuple[float, float]:
    """The beginning of a band that runs out of the picture to its anchor."""
    d = np.subtract(end, start)
    length = float(np.hypot(*d))
    x, y = np.asarray(start) + d * min(1.0, shown_cm / max(length, 1e-6))
    return float(x), float(y)


class Panel:
    """One frame drawn, with its bounds in cm."""

    def __init__(self, profiler: Profiler, profile: Profile, row: int, view: View) -> None:
        assert profile.posed is not None
        self.skeleton, self.profile, self.row, self.view = profiler.skeleton, profile, row, view
        self.frame = profile.frames[row]
        self.parts = paint(profiler.skeleton, profile.posed.placement, profile.posed.points, row, view)
        bounds = [p.shape.bounds for p in self.parts]
        self.box: _Box = (
            min(b[0] for b in bounds),
            min(b[1] for b in bounds),
            max(b[2] for b in bounds),
            max(b[3] for b in bounds),
        )
        self.behind: list[str] = []
        self.front: list[str] = []
        if view is not FROM_ABOVE:
            for name, surface in self.frame.surfaces.items():
                self._surface(name, surface)
            if lies_on_bed(profile.request.values):
                self._mattress()

    def point(self, landmark: str) -> tuple[float, float]:
        assert self.profile.posed is not None
        row = self.skeleton.landmarks.index[landmark]
        return self.view.flat(self.profile.posed.points[self.row, row])

    def grow(self, *points: tuple[float, float]) -> None:
        a, b, c, d = self.box
        self.box = (
            min(a, *(p[0] for p in points)),
            min(b, *(p[1] for p in points)),
            max(c, *(p[0] for p in points)),
            max(d, *(p[1] for p in points)),
        )

    def _touched(self, name: str) -> list[tuple[float, float]]:
        return [self.point(t.landmark) for t in self.frame.touches if t.surface == name]

    def _surface(self, name: str, surface: Surface) -> None:
        if surface.kind == "wall":
            self._wall(surface, 1.0)
        elif surface.kind == "back":
            if surface.name == "wall behind":
                self._wall(surface, -1.0)
        elif name == "slope":
            self._slope(surface)
        elif name == "seat":
            self._seat(surface)
        elif name == "bed":
            self._bed(surface)
        elif name == "seat under the trunk":
            self._seat_under_trunk(surface)
        elif name in ("worktop", "armrest", "calf support", "hand support", "box") and surface.at_cm > 1:
            points = self._touched(name) or (
                [self.point(f"{s}.fingertips") for s in ("left", "right")] if name == "worktop" else []
            )
            self._block(
                points,
                surface,
                legs=name in ("worktop",),
                thick=4.0 if name in ("worktop", "armrest") else surface.at_cm,
                wide=10.0,
            )
        elif name in ("head pad", "pelvis pad") and surface.kind == "level" and surface.at_cm > 1:
            under = self.frame.surfaces.get("bed")
            thick = surface.at_cm - (under.at_cm if under else 0.0)
            self._block(self._touched(name), surface, legs=False, thick=thick, wide=9.0)

    def _rect(
        self, x0: float, x1: float, top: float, bottom: float, fill: str = PROP, radius: float = 0.8
    ) -> str:
        self.grow((x0, bottom), (x1, top))
        return (
            f'<rect x="{x0:.1f}" y="{-top:.1f}" width="{x1 - x0:.1f}" height="{top - bottom:.1f}" rx="{radius}" fill="{fill}" '
            f'stroke="{PROP_EDGE}" stroke-width="0.5"/>'
        )

    def _block(
        self, points: list[tuple[float, float]], surface: Surface, legs: bool, thick: float, wide: float
    ) -> None:
        if not points:
            return
        x0, x1 = min(p[0] for p in points) - wide, max(p[0] for p in points) + wide
        self.behind.append(self._rect(x0, x1, surface.at_cm, surface.at_cm - thick))
        if legs:
            self.behind += [self._rect(x, x + 2.4, surface.at_cm - thick, 0.0) for x in (x0 + 2, x1 - 4.4)]

    def _seat(self, surface: Surface) -> None:
        knee = (self.point("left.knee")[0] + self.point("right.knee")[0]) / 2
        sit = (self.point("left.sit_bone")[0] + self.point("right.sit_bone")[0]) / 2
        seated = self._touched("seat")
        if (
            not seated
            and "armrest" not in self.frame.surfaces
            and not any(t.surface == "seat" for f in self.profile.frames for t in f.touches)
        ):
            return
        if self.view is FROM_FRONT:
            self.behind.append(self._rect(sit - 22, sit + 22, surface.at_cm, surface.at_cm - 4))
            self.behind += [self._rect(x, x + 2.4, surface.at_cm - 4, 0) for x in (sit - 20, sit + 17.6)]
            return
        ahead = 1.0 if knee >= sit else -1.0
        if surface.at_cm < LOW_SEAT_CM:  # a block or folded towel on the floor, no chair
            self.behind.append(self._rect(sit - 13, sit + 13, surface.at_cm, 0.0))
            return
        front, back = sit + ahead * 16.0, sit - ahead * 22.0
        self.behind.append(self._rect(min(front, back), max(front, back), surface.at_cm, surface.at_cm - 4))
        self.behind += [
            self._rect(x - 1.2, x + 1.2, surface.at_cm - 4, 0) for x in (front - ahead * 3, back + ahead * 2)
        ]
        self.behind.append(
            self._rect(
                min(back, back + ahead * 2.4), max(back, back + ahead * 2.4), surface.at_cm + 42, surface.at_cm
            )
        )

    def _slope(self, surface: Surface) -> None:
        """A wedge from the buttocks to behind the head; from the front, only as high as it comes."""
        (low, _), (high, top) = self.point("left.buttock"), self.point("vertex")
        if self.view is FROM_FRONT:
            self.behind.append(self._rect(low - 30, low + 30, top, 0.0, radius=2.0))
            return
        away = 1.0 if high > low else -1.0
        end = high + away * _BEYOND_THE_HEAD_CM
        rise = abs(end - low) * math.tan(math.radians(surface.tilt_deg))
        self.grow((end, rise))
        self.behind.append(
            f'<path d="M{low:.1f} 0 L{end:.1f} {-rise:.1f} L{end:.1f} 0 Z" fill="{PROP}" stroke="{PROP_EDGE}" '
            'stroke-width="0.5" stroke-linejoin="round"/>'
        )

    def _mattress(self) -> None:
        """The bed that takes the floor's place: its edge under the whole body, the legs cut off."""
        x0, x1 = self.box[0] - 8.0, self.box[2] + 8.0
        self.behind.append(self._rect(x0, x1, 0.0, -13.0, radius=3.0))
        self.behind += [self._rect(x, x + 3.0, -13.0, -21.0) for x in (x0 + 5, x1 - 8)]

    def _bed(self, surface: Surface) -> None:
        """Mattress and legs under what lies or sits on it; from the front of a sitter only as deep as the thighs."""
        lying = [p for p in (self.point("occiput"), self.point("left.hip"), self.point("right.hip")) if p]
        x0, x1 = min(p[0] for p in lying) - 16.0, max(p[0] for p in lying) + 16.0
        self.behind.append(self._rect(x0, x1, surface.at_cm, surface.at_cm - 14, radius=3.0))
        self.behind += [self._rect(x, x + 3.0, surface.at_cm - 14, 0.0) for x in (x0 + 4, x1 - 7)]

    def _seat_under_trunk(self, surface: Surface) -> None:
        """A chair seen from the side, the body across its seat: front edge at the pelvis."""
        edge, head = self.point("left.hip_bone")[0], self.point("vertex")[0]
        ahead = 1.0 if head > edge else -1.0
        x0, x1 = edge - ahead * 3.0, edge + ahead * 37.0
        self.behind.append(self._rect(min(x0, x1), max(x0, x1), surface.at_cm, surface.at_cm - 6))
        self.behind += [
            self._rect(x - 1.2, x + 1.2, surface.at_cm - 6, 0) for x in (x0 + ahead * 3, x1 - ahead * 3)
        ]

    def _wall(self, surface: Surface, ahead: float) -> None:
        x = surface.at_cm * self.view.right[0]
        outward = ahead * (1.0 if self.view.right[0] > 0 else -1.0)
        high = self.box[3] + 12
        self.behind.append(self._rect(min(x, x + outward * 5), max(x, x + outward * 5), high, 0.0, radius=0.0))

    def _prop(self, prop: Prop) -> str:
        """One held or worn prop, to scale."""
        points = [self.point(a) for a in prop.at]
        if prop.anchor_cm is not None:
            points.append(_towards(points[-1], self.view.flat(np.array(prop.anchor_cm) / 100)))
        self.grow(*points)
        x, y = (sum(p[i] for p in points) / len(points) for i in (0, 1))
        r = prop.size_cm / 2
        y -= r if prop.below else 0.0
        paint = f'fill="{HELD}" stroke="{INK}" stroke-width="0.5"'
        if prop.kind in ("ball", "cushion", "roller", "weight"):
            return f'<ellipse cx="{x:.1f}" cy="{-y:.1f}" rx="{r:.1f}" ry="{r * (0.7 if prop.kind == "cushion" else 1):.1f}" {paint}/>'
        if prop.kind == "bag":
            return (
                f'<path d="M{x:.1f} {-y:.1f}l{-r:.1f} 9h{2 * r:.1f}z" fill="none" stroke="{INK}" stroke-width="0.8"/>'
                f'<rect x="{x - r:.1f}" y="{-y + 9:.1f}" width="{2 * r:.1f}" height="{2.2 * r:.1f}" rx="2" {paint}/>'
            )
        if prop.kind == "cloth":
            return f'<rect x="{x - r:.1f}" y="-1.2" width="{2 * r:.1f}" height="1.8" rx="0.8" {paint}/>'
        line = " ".join(f"{px:.1f},{-py:.1f}" for px, py in points)
        width = 3.2 if prop.kind == "belt" else 1.6
        if max(abs(px - x) + abs(py - y) for px, py in points) < 6:  # seen along the limbs it goes round
            return f'<ellipse cx="{x:.1f}" cy="{-y:.1f}" rx="2.6" ry="7.5" fill="none" stroke="{BAND}" stroke-width="{width}"/>'
        return f'<polyline points="{line}" fill="none" stroke="{BAND}" stroke-width="{width}" stroke-linecap="round"/>'

    def svg(self, right: float, down: float) -> str:
        ground = (
            ""
            if self.view is FROM_ABOVE
            else (
                f'<line x1="{self.box[0] - 4:.1f}" x2="{self.box[2] + 4:.1f}" y1="0.3" y2="0.3" stroke="{GROUND}" stroke-width="1.2" stroke-linecap="round"/>'
            )
        )
        body = "".join(svg_part(p) for p in self.parts) + "".join(self._prop(p) for p in self.frame.props)
        return f'<g transform="translate({right:.1f} {down:.1f})">{ground}{"".join(self.behind)}{body}{"".join(self.front)}</g>'


def _motion(profile: Profile, profiler: Profiler, view: View) -> str:
    landmark = profile.request.step.arrow
    if not landmark or profile.posed is None or len(profile.rows) < 2:
        return ""
    if profile.request.side == "right":
        landmark = other_side(landmark)
    row = profiler.skeleton.landmarks.index[landmark]
    return arrow([view.flat(p[row]) for p in profile.posed.points])


def figure(profiler: Profiler, profile: Profile, measures: bool = True, frame: int | None = None) -> str:
    """An SVG document of the step for this body.

    With `frame`, only that frame of the profile (for animation); otherwise the first and the last
    declared one side by side.  Raises ValueError when this body cannot take the pose.
    """
    profile = profiler.posed(profile)
    if profile.fault or profile.posed is None:
        raise ValueError(f"no figure: {profile.fault}")
    view = view_of(profile.request.family, profile)
    rows = [frame] if frame is not None else sorted({profile.rows[i] for i in profile.request.step.shown})
    panels = [Panel(profiler, profile, r, view) for r in rows]
    if measures:
        for panel in panels:
            _mark_measures(panel)
    pieces, width, height, top = laid_out(panels)
    if frame is None and len(rows) == 2:
        x, y = pieces[-1][1]
        pieces.append(
            (f'<g transform="translate({x:.1f} {y:.1f})">{_motion(profile, profiler, view)}</g>', (x, y))
        )
    return document(pieces, width, height, top, f"{profile.request.family.title}: {profile.request.step.title}")


def document(pieces: "list[_Placed]", width: float, height: float, top: float, title: str) -> str:
    """What was laid out as an SVG of its own, with a title that is read aloud."""
    title = escape(title)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{-_PAD_CM:.1f} {top - _PAD_CM:.1f} {width + 2 * _PAD_CM:.1f} {height + 2 * _PAD_CM:.1f}" '
        f'role="img" aria-label="{title}"><title>{title}</title>{"".join(p for p, _ in pieces)}</svg>'
    )


_Placed = tuple[str, tuple[float, float]]


def laid_out(panels: list[Panel]) -> tuple[list[_Placed], float, float, float]:
    """Panels beside each other, or under each other when the body lies; with total width, height and top."""
    flat = len(panels) == 2 and all((p.box[2] - p.box[0]) > 1.35 * (p.box[3] - p.box[1]) for p in panels)
    pieces: list[_Placed] = []
    x = y = widest = 0.0
    top = -panels[0].box[3] if flat else -max(p.box[3] for p in panels)
    low = 0.0
    for i, panel in enumerate(panels):
        left, bottom, right, _ = panel.box
        shift = (-left, y) if flat else (x - left, 0.0)
        pieces.append((panel.svg(*shift), shift))
        low = max(low, shift[1] - bottom)
        widest = max(widest, shift[0] + right)
        last = i + 1 == len(panels)
        if not last:
            pieces.append((_then(flat, shift, panel.box, panels[i + 1].box), shift))
        x = shift[0] + right + _GAP_CM
        y = low + (0.0 if last else panels[i + 1].box[3]) + _GAP_CM * 0.7
    return pieces, widest, low - top, top


def _then(flat: bool, shift: tuple[float, float], box: _Box, following: _Box) -> str:
    """The small sign between two pictures: what follows."""
    if flat:
        x, y, turn = shift[0] + (box[0] + box[2]) / 2, shift[1] - box[1] + _GAP_CM * 0.35, 90
    else:
        x, y, turn = (
            shift[0] + box[2] + _GAP_CM / 2,
            -(max(box[3], following[3]) + min(box[1], following[1])) / 2,
            0,
        )
    return (
        f'<path transform="translate({x:.1f} {y:.1f}) rotate({turn})" d="M-3 -4l6 4l-6 4" fill="none" stroke="{INK}" stroke-width="1.2" '
        'stroke-linecap="round" stroke-linejoin="round"/>'
    )


_MEASURED = {"seat_cm": "seat", "calf_support_cm": "calf support"}


def _mark_measures(panel: Panel) -> None:
    values = panel.profile.request.values
    if panel.view in (FROM_ABOVE, FROM_FRONT):
        return
    for name, surface in _MEASURED.items():
        if name in values and surface in panel.frame.surfaces:
            x = panel.box[0] - 5
            panel.front.append(_upright_measure(x, float(values[name])))
            panel.grow((x - 22, 0.0))
    if "wall_cm" in values:
        length = float(values["wall_cm"])
        sign = panel.view.right[0]
        panel.front.append(_level_measure(min(0, sign * length), max(0, sign * length), -7.0, length))
        panel.grow((0.0, -12.0))


def _upright_measure(x: float, height: float) -> str:
    return (
        f'<g stroke="{INK}" stroke-width="0.5"><line x1="{x:.1f}" x2="{x:.1f}" y1="0" y2="{-height:.1f}"/>'
        f'<line x1="{x - 2:.1f}" x2="{x + 2:.1f}" y1="0" y2="0"/><line x1="{x - 2:.1f}" x2="{x + 2:.1f}" y1="{-height:.1f}" y2="{-height:.1f}"/></g>'
        + _label(x - 2.5, -height / 2 + 2, f"{height:.0f} cm", "end")
    )


def _level_measure(x0: float, x1: float, y: float, length: float) -> str:
    return (
        f'<g stroke="{INK}" stroke-width="0.5"><line x1="{x0:.1f}" x2="{x1:.1f}" y1="{-y - 2:.1f}" y2="{-y - 2:.1f}"/></g>'
        + _label((x0 + x1) / 2, -y + 3.5, f"{length:.0f} cm", "middle")
    )


def _label(x: float, y: float, text: str, anchor: str) -> str:
    return (
        f'<text x="{x:.1f}" y="{y:.1f}" font-size="6" text-anchor="{anchor}" fill="{INK}" '
        f'font-family="Atkinson Hyperlegible, Atkinson Hyperlegible Next, DejaVu Sans, sans-serif">{text}</text>'
    )
