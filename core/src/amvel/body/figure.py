"""The body as a drawing: one placed pose seen from anywhere, to the client's proportions.

Lengths are centimetres in the picture plane.  The body is made of balls, rings and an egg for the head; without
perspective a ball is a circle from everywhere, so that a limb is the hull of its circles.  Each part is filled, and its
outline is left out where it grows out of its neighbour: one skin.  Far limbs are lighter, so that the figure reads in black
and white.
"""

from collections.abc import Iterable
from dataclasses import dataclass, field

import numpy as np
import shapely
from shapely.geometry import LineString, MultiLineString, MultiPolygon, Polygon
from shapely.geometry.base import BaseGeometry

from amvel.body.skeleton import Array, Placement, Skeleton
from amvel.body.view import View

INK, SKIN, SKIN_FAR = "#1F2A30", "#EBD3BD", "#F4E8DB"
SHIRT, SHIRT_FAR = "#8FB5B3", "#C9DBD9"
TROUSERS, TROUSERS_FAR = "#4F6D7A", "#B3C3CA"
HAIR = "#6B5B4E"
LINE_CM = 0.6

# Half depth and half width of the trunk at points of its segments: (segment, x, z, half depth, half width), of stature.
_TRUNK = (
    ("pelvis", -0.004, 0.010, 0.060, 0.083),
    ("pelvis", -0.002, 0.045, 0.060, 0.081),
    ("lumbar", 0.008, 0.035, 0.055, 0.074),
    ("lumbar", 0.010, 0.078, 0.054, 0.072),
    ("lower_thorax", 0.014, 0.040, 0.060, 0.080),
    ("upper_thorax", 0.022, 0.006, 0.063, 0.088),
    ("upper_thorax", 0.016, 0.045, 0.052, 0.080),
    ("upper_thorax", 0.010, 0.074, 0.030, 0.040),
)
_PELVIS = (("pelvis", -0.006, -0.030, 0.052, 0.074), ("pelvis", -0.006, 0.005, 0.062, 0.086), ("pelvis", -0.003, 0.042, 0.061, 0.082))
_SOFT = frozenset(("pelvis", "lumbar"))
_ROUND = np.linspace(0.0, 2 * np.pi, 24, endpoint=False)
_SIDES = ("left", "right")
# A quarter of a circle in so many straight pieces: at the widest part of a tall body they leave the arc by 0.12 cm, a fifth of a line.
_ARC = 6
_TURN = np.linspace(0.0, 2 * np.pi, 4 * _ARC, endpoint=False)
_CIRCLE = np.stack([np.cos(_TURN), np.sin(_TURN)], axis=-1)
_FAR_LEG_M, _FAR_ARM_M = 0.10, 0.20  # so far behind its fellow a limb is drawn lighter


@dataclass(frozen=True)
class Part:
    """One painted shape, its outline as far as it is drawn, and how near it is (m)."""

    shape: BaseGeometry
    fill: str
    depth: float
    line: BaseGeometry
    marks: tuple[BaseGeometry, ...] = field(default=())  # eyes, a mouth, an ear: thin lines on it


def _smoothed(shape: BaseGeometry, *by_cm: float) -> BaseGeometry:
    """The outline moved out and in again, so that its corners become round."""
    for distance in by_cm:
        shape = shape.buffer(distance, _ARC)
    return shape


def _rounded(shape: BaseGeometry, cm: float) -> BaseGeometry:
    """Grown and shrunk: what was a sharp notch between two parts becomes a soft one."""
    return _smoothed(shape, cm, -cm)


class _Painter:
    def __init__(self, skeleton: Skeleton, placed: Placement, points: Array, row: int, view: View) -> None:
        self.s, self.placed, self.points, self.row, self.view = skeleton, placed, points, row, view
        self.h = 100 * skeleton.body.stature_m
        self.g = skeleton.body.girth
        self._index = skeleton.landmarks.index

    def world(self, name: str) -> Array:
        found: Array = self.points[self.row, self._index[name]]
        return found

    def deep(self, *names: str) -> float:
        return sum(self.view.depth(self.world(n)) for n in names) / len(names)

    def behind(self, side: str, *marks: str) -> float:
        """How much further off than its fellow this limb is (m)."""
        other = "right" if side == "left" else "left"
        return self.deep(*(f"{other}.{m}" for m in marks)) - self.deep(*(f"{side}.{m}" for m in marks))

    def local(self, segment: str, x: float, y: float, z: float) -> Array:
        """A place of a segment (shares of stature) in the world (m)."""
        i = self.s.segment_index[segment]
        found: Array = self.placed.origin[self.row, i] + self.placed.rotation[self.row, i] @ (np.array([x, y, z]) * self.h / 100)
        return found

    def turn(self, segment: str) -> Array:
        found: Array = self.placed.rotation[self.row, self.s.segment_index[segment]]
        return found

    def discs(self, *balls: "_Ball") -> Array:
        """The circles of balls as points round them (N×24×2)."""
        centres = self.view.flat_all(np.array([self._at(c) for c, _ in balls]))
        radii = self.h * np.array([r for _, r in balls])
        found: Array = centres[:, None] + radii[:, None, None] * _CIRCLE
        return found

    def _at(self, place: "str | Array") -> Array:
        return self.world(place) if isinstance(place, str) else place

    def limb(self, *balls: "_Ball") -> BaseGeometry:
        """A tapered band through balls (place, radius as a share of stature)."""
        return _joined(*self._band(*balls))

    def _band(self, *balls: "_Ball") -> Array:
        return _hulls(self.discs(*balls))

    def lump(self, *balls: "_Ball") -> BaseGeometry:
        """What is spanned by all of them."""
        return _hull(*self.discs(*balls))

    def ring(self, segment: str, x: float, z: float, deep: float, wide: float) -> Array:
        """Points round the trunk at a height of it (24×2)."""
        grow = self.g if segment in _SOFT else 0.5 + 0.5 * self.g
        i = self.s.segment_index[segment]
        around = np.stack([x * (grow if x > 0 else 1) + deep * grow * np.cos(_ROUND), wide * grow * np.sin(_ROUND), np.full(len(_ROUND), z)], axis=-1)
        at = self.placed.origin[self.row, i] + around * self.h / 100 @ self.placed.rotation[self.row, i].T
        return self.view.flat_all(at)

    def trunk(self) -> BaseGeometry:
        rings = np.array([self.ring(*r) for r in _TRUNK])
        shoulders = [_hull(rings[k], *self.discs((f"{s}.shoulder", r))) for s in _SIDES for k, r in ((-3, 0.027), (-1, 0.022))]
        return _smoothed(_rounded(_joined(*_hulls(rings), *shoulders), 0.02 * self.h), -0.012 * self.h, 0.012 * self.h)

    def pelvis(self) -> BaseGeometry:
        hips = shapely.polygons(self.discs(*((f"{s}.hip", 0.052 * self.g) for s in _SIDES)))
        return _rounded(_joined(*_hulls(np.array([self.ring(*r) for r in _PELVIS])), *hips), 0.015 * self.h)

    def thigh(self, side: str) -> BaseGeometry:
        hip, knee = self.world(f"{side}.hip"), self.world(f"{side}.knee")
        return self.limb((hip, 0.054 * self.g), (0.6 * hip + 0.4 * knee, 0.046 * self.g), (knee, 0.0335))

    def shank(self, side: str) -> BaseGeometry:
        knee, ankle = self.world(f"{side}.knee"), self.world(f"{side}.ankle")
        calf = 0.8 * self.world(f"{side}.calf") + 0.2 * self.world(f"{side}.calf_under")
        return self.limb((knee, 0.0335), (0.5 * calf + 0.5 * (0.75 * knee + 0.25 * ankle), 0.033), (0.3 * knee + 0.7 * ankle, 0.023), (ankle, 0.021))

    def foot(self, side: str) -> BaseGeometry:
        ball, toe = self.world(f"{side}.ball"), self.world(f"{side}.toe_tip")
        across = 0.5 * (self.world(f"{side}.foot_outer") - self.world(f"{side}.foot_inner"))
        edges = [(ball + k * across, 0.009) for k in (-0.85, 0.85)]
        tips = [(toe + k * across, 0.0075) for k in (-0.6, 0.55)]
        heel = [(f"{side}.heel_back", 0.010), (f"{side}.heel", 0.010)]
        return _rounded(
            _joined(
                self.lump(*heel, (f"{side}.ankle", 0.019)),
                self.lump((f"{side}.ankle", 0.018), (f"{side}.instep", 0.013), *heel[1:]),
                self.lump((f"{side}.instep", 0.013), *edges, *heel[1:]),
                self.lump(*edges, *tips),
            ),
            0.8,
        )

    def upper_arm(self, side: str) -> BaseGeometry:
        shoulder, elbow = self.world(f"{side}.shoulder"), self.world(f"{side}.elbow")
        return self.limb((shoulder, 0.031), (0.45 * shoulder + 0.55 * elbow, 0.0275))

    def bare_upper_arm(self, side: str) -> BaseGeometry:
        shoulder, elbow = self.world(f"{side}.shoulder"), self.world(f"{side}.elbow")
        return self.limb((0.45 * shoulder + 0.55 * elbow, 0.0245), (elbow, 0.021))

    def forearm(self, side: str, grips: bool) -> BaseGeometry:
        wrist, elbow = self.world(f"{side}.wrist"), self.world(f"{side}.elbow")
        band = self._band((elbow, 0.021), (0.7 * elbow + 0.3 * wrist, 0.0215), (wrist, 0.0145))
        return _rounded(_joined(*band, *self._hand(side, grips)), 0.5)

    def _hand(self, side: str, grips: bool) -> list[BaseGeometry]:
        """A palm with fingers that are long, or curled round what they hold, and a thumb."""
        wrist, knuckles = self.world(f"{side}.wrist"), self.world(f"{side}.knuckles")
        along, turn = self.world(f"{side}.fingertips") - knuckles, self.turn(f"{side}.hand")
        inward = turn[:, 1] * (-1.0 if side == "left" else 1.0)
        forward, h = turn[:, 0], self.h / 100
        palm = [(wrist, 0.0135), (knuckles + 0.012 * h * forward, 0.010), (knuckles - 0.012 * h * forward, 0.010)]
        if grips:
            curled = 0.25 * along + 0.022 * h * inward
            fingers = self.lump(*palm[1:], *((knuckles + curled + k * 0.010 * h * forward, 0.010) for k in (-1, 1)))
        else:
            fingers = self.lump(*palm[1:], *((knuckles + along + k * 0.007 * h * forward, 0.0065) for k in (-1, 1)))
        root = 0.75 * wrist + 0.25 * knuckles + 0.010 * h * forward
        tip = root + (0.030 * h * forward + 0.45 * (knuckles - wrist) + 0.008 * h * inward) * (0.8 if grips else 1.0)
        return [self.lump(*palm), fingers, *self._band((root, 0.008), (tip, 0.0062))]

    def egg(self, x: float, z: float, *half: float, scale: float = 1.0) -> BaseGeometry:
        """An egg of the head in the picture; `half` are its half lengths ahead, across and up (shares of stature)."""
        centre = self.view.flat(self.local("head", x, 0.0, z))
        axes = self.turn("head") * (np.array(half) * self.h * scale)
        plane = np.array([self.view.right, self.view.up]) @ axes
        values, vectors = np.linalg.eigh(plane @ plane.T)
        circle = np.stack([np.cos(_FINE), np.sin(_FINE)])
        return Polygon(((vectors * np.sqrt(np.maximum(values, 1e-9))) @ circle).T + np.array(centre))

    def head(self) -> list[Part]:
        toward = np.array(self.view.toward)
        forward, left = self.turn("head")[:, 0] @ toward, self.turn("head")[:, 1] @ toward
        skull = self.egg(0.0, 0.024, 0.054, 0.044, 0.062)
        nose = self.limb((self.local("head", 0.050, 0, 0.008), 0.006), (self.local("head", 0.058, 0, -0.006), 0.0055))
        chin = self.lump((self.local("head", 0.034, 0, -0.030), 0.012), (self.local("head", 0.008, 0, -0.016), 0.028))
        face = _rounded(_joined(*([skull, nose, chin] if forward > -0.6 else [skull, chin])), 0.35)
        neck = self.limb((self.local("neck", 0.0, 0, -0.012), 0.031), (self.local("neck", 0.004, 0, 0.010), 0.027), (self.local("head", 0.0, 0, 0.0), 0.027))
        bare = float(np.clip((forward + 0.75) / 0.6, 0.0, 1.0))  # of the face, seen from here
        skin = self.egg(0.034, 0.002, 0.050, 0.046, 0.056, scale=bare) if bare > 0.05 else Polygon()
        hair = skull.difference(skin)
        depth = self.deep("com.head")
        return [
            Part(neck, SKIN, min(depth, self.deep("com.neck")) - 0.01, neck.boundary.difference(face)),
            Part(face, SKIN, depth, face.boundary, tuple(self._features(forward, left))),
            Part(hair, HAIR, depth + 1e-3, hair.boundary),
        ]

    def _features(self, forward: float, left: float) -> Iterable[BaseGeometry]:
        for y in (1.0, -1.0):
            eye = np.array([0.045, 0.019 * y, 0.016])
            faces = forward * 0.9 + left * y * 0.42
            if faces > 0.18:
                yield self._dot(eye)
        if forward > 0.05:
            ends = [self.local("head", 0.046, k * 0.012, -0.019 + abs(k) * 0.002) for k in (-1.0, 0.0, 1.0)]
            yield LineString(self.view.flat_all(np.array(ends)))
        for y in (1.0, -1.0):
            if left * y > 0.35:
                around = [(0.003, 0.020), (-0.005, 0.016), (-0.006, 0.006), (0.001, 0.000)]
                yield LineString(self.view.flat_all(np.array([self.local("head", x, 0.044 * y, z) for x, z in around])))

    def _dot(self, at: Array) -> BaseGeometry:
        x, y = self.view.flat(self.local("head", *at))
        return LineString([(x - 0.05, y), (x + 0.05, y)])


_Ball = tuple["str | Array", float]
_FINE = np.linspace(0.0, 2 * np.pi, 48, endpoint=False)


def _hull(*rounds: Array) -> BaseGeometry:
    """What is spanned by the points of all of them (each K×2)."""
    found: BaseGeometry = shapely.convex_hull(shapely.linestrings(np.concatenate(rounds)))
    return found


def _hulls(rounds: Array) -> Array:
    """Hulls of each with the next one (N×K×2 to N-1 shapes)."""
    found: Array = shapely.convex_hull(shapely.linestrings(np.concatenate([rounds[:-1], rounds[1:]], axis=1)))
    return found


def _joined(*shapes: BaseGeometry) -> BaseGeometry:
    """One shape of many: all at once, since each joining costs more than the shapes themselves."""
    found: BaseGeometry = shapely.union_all(shapes)
    return found


def paint(skeleton: Skeleton, placed: Placement, points: Array, row: int, view: View, grips: frozenset[str] = frozenset()) -> list[Part]:
    """The parts of one body, far ones first; hands of the sides in `grips` are closed round something."""
    p = _Painter(skeleton, placed, points, row, view)
    trunk, waist = p.trunk(), p.pelvis()
    middle = p.deep("com.lower_thorax")
    parts = [Part(trunk, SHIRT, middle, trunk.boundary.difference(waist)), *p.head()]
    hips = max(p.deep("com.pelvis"), middle) + 1e-4
    parts.append(Part(waist, TROUSERS, hips, waist.boundary))
    for side in _SIDES:
        parts += _leg(p, side, waist, hips) + _arm(p, side, trunk, side in grips)
    return sorted((part for part in parts if not part.shape.is_empty), key=lambda part: part.depth)


def waist_line(skeleton: Skeleton, placed: Placement, points: Array, row: int, view: View) -> BaseGeometry:
    """Round the waist, as far as it is seen."""
    p = _Painter(skeleton, placed, points, row, view)
    i, h = skeleton.segment_index["lumbar"], p.h / 100
    out = np.stack([0.057 * np.cos(_ROUND), 0.074 * np.sin(_ROUND), np.zeros(len(_ROUND))], axis=-1) * p.g
    turned = out @ placed.rotation[row, i].T
    seen = turned @ np.array(view.toward) > -1e-9
    at = view.flat_all(placed.origin[row, i] + placed.rotation[row, i] @ np.array([0.009, 0.0, 0.055]) * h + turned * h)
    start = int(np.argmax(~seen)) if not seen.all() else 0
    order = [(start + k) % len(_ROUND) for k in range(len(_ROUND))]
    return LineString([at[k] for k in order if seen[k]])


def _leg(p: _Painter, side: str, waist: BaseGeometry, hips: float) -> list[Part]:
    thigh, shank, foot = p.thigh(side), p.shank(side), p.foot(side)
    far = p.behind(side, "hip", "knee", "ankle") > _FAR_LEG_M
    cloth, skin = (TROUSERS_FAR, SKIN_FAR) if far else (TROUSERS, SKIN)
    # The trousers are one piece: a near thigh is drawn over its own root.
    upper = p.deep(f"{side}.knee", f"{side}.hip") if far else max(p.deep(f"{side}.knee", f"{side}.hip"), hips + 1e-4)
    lower = p.deep(f"{side}.knee", f"{side}.ankle")
    return [
        Part(foot, skin, p.deep(f"{side}.ball", f"{side}.ankle") - 1e-3, foot.boundary.difference(shank)),
        Part(shank, cloth, lower, shank.boundary.difference(thigh)),
        Part(thigh, cloth, upper, thigh.boundary.difference(_joined(shank, *([] if far else [waist])))),
    ]


def _arm(p: _Painter, side: str, trunk: BaseGeometry, grips: bool) -> list[Part]:
    sleeve, bare, forearm = p.upper_arm(side), p.bare_upper_arm(side), p.forearm(side, grips)
    upper = p.deep(f"{side}.elbow", f"{side}.shoulder")
    far = p.behind(side, "shoulder", "elbow") > _FAR_ARM_M
    skin, cloth = (SKIN_FAR, SHIRT_FAR) if far else (SKIN, SHIRT)
    # Where the sleeve comes out of the shirt, its line begins a hand's breadth below the shoulder.
    joint = Polygon(p.discs((f"{side}.shoulder", 0.040))[0]).intersection(trunk)
    return [
        Part(bare, skin, upper - 1e-3, bare.boundary.difference(_joined(forearm, sleeve))),
        Part(forearm, skin, p.deep(f"{side}.elbow", f"{side}.wrist", f"{side}.fingertips"), forearm.boundary.difference(bare)),
        Part(sleeve, cloth, upper, sleeve.boundary if far else sleeve.boundary.difference(joint)),
    ]


def path(shape: BaseGeometry) -> str:
    """SVG path data of polygons or lines (y turned down)."""
    shape = shape.simplify(0.08, preserve_topology=False)  # far below a line's width: nothing can cross
    out = []
    for one in shape.geoms if hasattr(shape, "geoms") else [shape]:
        if isinstance(one, Polygon):
            rings = [(r, True) for r in (one.exterior, *one.interiors)]
        elif isinstance(one, MultiPolygon | MultiLineString):
            out.append(path(one))
            continue
        else:
            rings = [(one, False)]
        for ring, closed in rings:
            points = shapely.get_coordinates(ring).tolist()
            if closed:
                points.pop()
            if len(points) > 1:
                out.append("M" + "L".join(f"{x:.1f} {-y:.1f}" for x, y in points) + ("Z" if closed else ""))
    return "".join(out)


def svg_part(part: Part) -> str:
    """The part filled, with its line."""
    marks = "".join(f'<path d="{path(m)}" stroke-width="{1.5 if m.length < 0.2 else LINE_CM}"/>' for m in part.marks)
    line = path(part.line) if not part.line.is_empty else ""
    return (
        f'<path d="{path(part.shape)}" fill="{part.fill}" stroke="{part.fill}" stroke-width="0.25"/>'
        f'<g fill="none" stroke="{INK}" stroke-linecap="round" stroke-linejoin="round"><path d="{line}" stroke-width="{LINE_CM}"/>{marks}</g>'
    )


def silhouette(parts: Iterable[Part]) -> BaseGeometry:
    """The body as one shape."""
    return _joined(*(part.shape for part in parts))


SHORT_CM = 6.0  # below this a motion is drawn at this length, so that it can be seen


def _lengthened(points: list[tuple[float, float]]) -> list[tuple[float, float]]:
    (x0, y0), (x1, y1) = points[0], points[-1]
    length = float(np.hypot(x1 - x0, y1 - y0))
    if length < 0.2:
        return [points[0], (x0, y0 + SHORT_CM)]
    return [(x0, y0), (x0 + (x1 - x0) / length * SHORT_CM, y0 + (y1 - y0) / length * SHORT_CM)]


def arrow(points: list[tuple[float, float]]) -> str:
    """A motion arrow along a path, in the picture plane; a small motion gets a short straight arrow, none gets none."""
    line = LineString(points)
    if line.length < 0.3:
        return ""
    if line.length < SHORT_CM:
        points = _lengthened(points)
        line = LineString(points)
    data = "M" + "L".join(f"{x:.1f} {-y:.1f}" for x, y in points)
    (x0, y0), (x1, y1) = line.interpolate(line.length - 2.5).coords[0], points[-1]
    d = np.array([x1 - x0, y1 - y0])
    d = d / max(float(np.hypot(*d)), 1e-6)
    n = np.array([-d[1], d[0]])
    tip = np.array([x1, y1]) + d * 2.0
    a, b = tip - d * 4.6 + n * 2.0, tip - d * 4.6 - n * 2.0
    head = f"M{tip[0]:.1f} {-tip[1]:.1f}L{a[0]:.1f} {-a[1]:.1f}L{b[0]:.1f} {-b[1]:.1f}Z"
    return (
        f'<path d="{data}" fill="none" stroke="#FFFFFF" stroke-width="2.6" stroke-linecap="round"/>'
        f'<path d="{data}" fill="none" stroke="{INK}" stroke-width="1.1" stroke-linecap="round"/>'
        f'<path d="{head}" fill="{INK}" stroke="#FFFFFF" stroke-width="0.5"/>'
    )
