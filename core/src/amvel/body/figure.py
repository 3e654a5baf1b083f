"""The body as a drawing: one placed pose seen from the side, the front or above, to the client's proportions.

Lengths are centimetres in the picture plane.  Shapes are tapered limbs joined to one outline per part;
near parts lie over far ones and far limbs are lighter, so that the figure reads in black and white.
"""

from dataclasses import dataclass

import numpy as np
import shapely
from shapely import affinity
from shapely.geometry import LineString, MultiPolygon, Point, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from amvel.body.skeleton import Array, Placement, Skeleton

INK, SKIN, SKIN_FAR = "#1F2A30", "#EBD3BD", "#F5EADD"
SHIRT, SHIRT_FAR = "#8FB5B3", "#CFE0DD"
TROUSERS, TROUSERS_FAR = "#4F6D7A", "#BCCAD0"
HAIR = "#6B5B4E"


@dataclass(frozen=True)
class View:
    """A picture plane: which world directions run right and up, and which comes towards the viewer."""

    right: tuple[float, float, float]
    up: tuple[float, float, float]
    toward: tuple[float, float, float]

    def flat(self, point: Array) -> tuple[float, float]:
        return (100 * float(np.dot(point, self.right)), 100 * float(np.dot(point, self.up)))

    def depth(self, point: Array) -> float:
        return float(np.dot(point, self.toward))


FROM_RIGHT = View((1, 0, 0), (0, 0, 1), (0, -1, 0))
FROM_LEFT = View((-1, 0, 0), (0, 0, 1), (0, 1, 0))
FROM_FRONT = View((0, 1, 0), (0, 0, 1), (1, 0, 0))
FROM_ABOVE = View((1, 0, 0), (0, 1, 0), (0, 0, 1))


@dataclass(frozen=True)
class Part:
    """One painted shape."""

    shape: BaseGeometry
    fill: str
    depth: float
    stroke: float = 0.55


# Half depth and half width of the trunk at points of its segments: (segment, x, z, half depth, half width), of stature.
_TRUNK = (
    ("pelvis", -0.006, -0.018, 0.058, 0.082),
    ("pelvis", -0.006, 0.040, 0.062, 0.084),
    ("lumbar", 0.008, 0.035, 0.057, 0.074),
    ("lumbar", 0.010, 0.078, 0.056, 0.072),
    ("lower_thorax", 0.016, 0.040, 0.062, 0.080),
    ("upper_thorax", 0.030, 0.006, 0.066, 0.086),
    ("upper_thorax", 0.026, 0.045, 0.056, 0.084),
    ("upper_thorax", 0.020, 0.072, 0.036, 0.050),
)
_SOFT = frozenset(("pelvis", "lumbar"))


# A quarter of a circle in so many straight pieces: at the widest part of a tall body they leave the arc by 0.1 cm.
_ARC = 8


def _smoothed(shape: BaseGeometry, *by_cm: float) -> BaseGeometry:
    """The outline moved out and in again, so that its corners become round."""
    for distance in by_cm:
        shape = shape.buffer(distance, _ARC)
    return shape


class _Painter:
    def __init__(self, skeleton: Skeleton, placed: Placement, points: Array, row: int, view: View) -> None:
        self.s, self.placed, self.points, self.row, self.view = skeleton, placed, points, row, view
        self.h = 100 * skeleton.body.stature_m
        self.g = skeleton.body.girth

    def at(self, name: str) -> tuple[float, float]:
        return self.view.flat(self.points[self.row, self.s.landmarks.index[name]])

    def deep(self, name: str) -> float:
        return self.view.depth(self.points[self.row, self.s.landmarks.index[name]])

    def local(self, segment: str, x: float, y: float, z: float) -> tuple[float, float]:
        i = self.s.segment_index[segment]
        world = self.placed.origin[self.row, i] + self.placed.rotation[self.row, i] @ (
            np.array([x, y, z]) * self.h / 100
        )
        return self.view.flat(world)

    def hull(self, *circles: tuple[tuple[float, float], float]) -> BaseGeometry:
        """A tapered band through circles (centre, radius as a share of stature)."""
        centres = shapely.points([c for c, _ in circles])
        discs = shapely.buffer(centres, [r * self.h for _, r in circles], quad_segs=_ARC)
        if len(discs) == 1:
            return discs[0]
        pairs = shapely.geometrycollections(np.stack([discs[:-1], discs[1:]], axis=1))
        return unary_union(shapely.convex_hull(pairs))

    def trunk(self) -> BaseGeometry:
        i = self.s.segment_index["upper_thorax"]
        sideways = abs(float(self.placed.rotation[self.row, i][:, 1] @ np.array(self.view.toward)))
        share = sideways**2
        circles = []
        for segment, x, z, deep, wide in _TRUNK:
            grow = self.g if segment in _SOFT else 0.5 + 0.5 * self.g
            circles.append(
                (
                    self.local(segment, x * (grow if x > 0 else 1), 0.0, z),
                    (deep * share + wide * (1 - share)) * grow * (1.0 if share > 0.5 else 0.92),
                )
            )
        body = self.hull(*circles)
        if share < 0.6:
            body = unary_union(
                [
                    body,
                    self.hull(*((self.at(f"{s}.shoulder"), 0.028) for s in ("left", "right"))),
                    self.hull(*((self.at(f"{s}.hip"), 0.048 * self.g) for s in ("left", "right"))),
                ]
            )
        smooth = 0.022 * self.h
        return _smoothed(body, smooth, -2 * smooth, smooth)

    def leg(self, side: str) -> tuple[BaseGeometry, BaseGeometry]:
        hip, knee, ankle = (self.at(f"{side}.{n}") for n in ("hip", "knee", "ankle"))
        calf = self.at(f"{side}.calf")
        calf = (
            0.86 * calf[0] + 0.14 * self.at(f"{side}.calf_under")[0],
            0.86 * calf[1] + 0.14 * self.at(f"{side}.calf_under")[1],
        )
        cloth = self.hull((hip, 0.052 * self.g), (knee, 0.033), (calf, 0.031), (ankle, 0.021))
        return _smoothed(cloth, 0.8, -0.8), self.foot(side)

    def foot(self, side: str) -> BaseGeometry:
        heel, back, ball, toe, ankle = (
            self.at(f"{side}.{n}") for n in ("heel", "heel_back", "ball", "toe_tip", "ankle")
        )
        instep = self.at(f"{side}.instep")
        ahead_on = np.hypot(ball[0] - heel[0], ball[1] - heel[1]) < 0.05 * self.h
        if ahead_on:
            return self.hull((ankle, 0.019), (ball, 0.021), (toe, 0.018))
        return _smoothed(
            unary_union(
                [
                    self.hull((back, 0.012), (ankle, 0.020)),
                    self.hull((heel, 0.008), (ball, 0.009)),
                    self.hull((ankle, 0.018), (instep, 0.013)),
                    self.hull((instep, 0.013), (ball, 0.010)),
                    self.hull((ball, 0.010), (toe, 0.008)),
                    Polygon([heel, ankle, instep, ball]).buffer(0.003 * self.h),
                ]
            ),
            0.5,
            -0.5,
        )

    def arm(self, side: str) -> tuple[BaseGeometry, BaseGeometry]:
        shoulder, elbow, wrist = (self.at(f"{side}.{n}") for n in ("shoulder", "elbow", "wrist"))
        knuckles, tips = self.at(f"{side}.knuckles"), self.at(f"{side}.fingertips")
        half = (0.45 * shoulder[0] + 0.55 * elbow[0], 0.45 * shoulder[1] + 0.55 * elbow[1])
        sleeve = self.hull((shoulder, 0.031), (half, 0.027))
        bare = self.hull((half, 0.024), (elbow, 0.021), (wrist, 0.015), (knuckles, 0.017), (tips, 0.008))
        return sleeve, bare

    def head(self) -> list[Part]:
        i = self.s.segment_index["head"]
        up = self.placed.rotation[self.row, i][:, 2]
        ahead = self.placed.rotation[self.row, i][:, 0]
        centre = self.local("head", 0.0, 0, 0.022)
        u, a = self.view.flat(up / 100), self.view.flat(ahead / 100)
        profile = float(np.hypot(*a))
        turn = np.degrees(np.arctan2(u[1], u[0])) if np.hypot(*u) > 0.2 else 90.0
        length = 0.066 * max(0.72, float(np.hypot(*u)))
        skull = affinity.rotate(
            affinity.scale(Point(0, 0).buffer(1, 48), length * self.h, (0.044 + 0.007 * profile) * self.h),
            turn,
            origin=(0, 0),
        )
        skull = affinity.translate(skull, *centre)
        nose_at = self.local("head", 0.050, 0, 0.006)
        nose = self.hull((nose_at, 0.006), (self.local("head", 0.062, 0, -0.002), 0.004))
        chin = self.hull(
            (self.local("head", 0.030, 0, -0.034), 0.014), (self.local("head", 0.012, 0, -0.020), 0.026)
        )
        face = unary_union([skull, nose, chin]) if profile > 0.35 else skull
        neck = self.hull(
            (self.local("neck", 0.004, 0, -0.004), 0.030), (self.local("head", 0.0, 0, 0.0), 0.027)
        )
        hair = skull.difference(
            affinity.translate(
                skull, *(0.030 * self.h * c * profile + 0.026 * self.h * -d for c, d in zip(a, u, strict=True))
            )
        )
        depth = self.deep("com.head")
        return [
            Part(neck, SKIN, depth - 0.02),
            Part(face, SKIN, depth),
            Part(hair.intersection(face), HAIR, depth + 1e-3, 0.3),
        ]


def paint(skeleton: Skeleton, placed: Placement, points: Array, row: int, view: View) -> list[Part]:
    """The parts of one body, far ones first."""
    p = _Painter(skeleton, placed, points, row, view)
    middle = p.deep("com.lower_thorax")
    trunk = p.trunk()
    seat = p.hull(
        (p.local("pelvis", -0.006, 0, -0.02), 0.060 * p.g), (p.local("pelvis", -0.006, 0, 0.045), 0.063 * p.g)
    )
    parts = [Part(trunk, SHIRT, middle), *p.head()]
    legs = {side: p.leg(side) for side in ("left", "right")}
    depths = {side: (p.deep(f"{side}.knee") + p.deep(f"{side}.hip")) / 2 for side in legs}
    square_on = abs(depths["left"] - depths["right"]) < 0.05
    if square_on:  # seen from the front or above: trousers are one piece
        waist = unary_union(
            [seat.intersection(trunk.buffer(0.1)), p.hull(*((p.at(f"{s}.hip"), 0.052 * p.g) for s in legs))]
        )
        parts.append(
            Part(
                unary_union([waist, *(cloth for cloth, _ in legs.values())]),
                TROUSERS,
                max(middle + 1e-4, *depths.values()),
            )
        )
    else:
        parts.append(Part(seat.intersection(trunk.buffer(0.1)), TROUSERS, middle + 1e-4))
    for side, (cloth, foot) in legs.items():
        far = depths[side] < p.deep("com.pelvis") - 0.02 and not square_on
        parts.append(Part(foot, SKIN_FAR if far else SKIN, depths[side] - 1e-3))
        if not square_on:
            parts.append(Part(cloth, TROUSERS_FAR if far else TROUSERS, depths[side]))
        sleeve, bare = p.arm(side)
        depth = (p.deep(f"{side}.elbow") + p.deep(f"{side}.shoulder")) / 2
        far = depth < middle - 0.03
        parts += [
            Part(bare, SKIN_FAR if far else SKIN, depth - 1e-3),
            Part(sleeve, SHIRT_FAR if far else SHIRT, depth),
        ]
    return sorted((part for part in parts if not part.shape.is_empty), key=lambda part: part.depth)


def path(shape: BaseGeometry) -> str:
    """SVG path data of a polygon (y turned down)."""
    shape = shape.simplify(0.1)
    polygons = list(shape.geoms) if isinstance(shape, MultiPolygon) else [shape]
    out = []
    for polygon in polygons:
        if not isinstance(polygon, Polygon):
            continue
        for ring in (polygon.exterior, *polygon.interiors):
            out.append("M" + "L".join(f"{x:.1f} {-y:.1f}" for x, y in list(ring.coords)[:-1]) + "Z")
    return "".join(out)


def svg_part(part: Part) -> str:
    return f'<path d="{path(part.shape)}" fill="{part.fill}" stroke="{INK}" stroke-width="{part.stroke}" stroke-linejoin="round"/>'


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
