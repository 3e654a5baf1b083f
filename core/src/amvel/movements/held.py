"""Props as they are drawn: held, worn, put between or lain on, to scale."""

import numpy as np
from shapely.geometry import LineString, Point
from shapely.ops import unary_union

from amvel.body.figure import INK, path
from amvel.body.tree import Array
from amvel.body.view import View
from amvel.movements.frames import Prop
from amvel.movements.scenery import Solid, box

HELD, HELD_EDGE, BAND = "#D8B36A", "#7A5B1E", "#9A5A24"
_FAR_ANCHOR_CM, _SHOWN_CM = 130.0, 55.0
_GRIPPED = ("palm", "knuckles", "fingertips")
_ROUND_LIMBS_CM = 7.0  # half the thickness of a thigh above the knee


def grips_of(props: tuple[Prop, ...]) -> frozenset[str]:
    """The sides whose hand is closed round something."""
    loose = ("cloth", "cushion", "roller")
    marks = [m for p in props if p.kind not in loose and not p.pressed for m in p.at]
    return frozenset(s for s in ("left", "right") if any(m == f"{s}.{g}" for m in marks for g in _GRIPPED))


def posts_of(props: tuple[Prop, ...]) -> list[Solid]:
    """What bands are tied to, where that is near enough to be seen."""
    out = []
    for p in props:
        if p.anchor_cm is not None and not _is_far(p.anchor_cm):
            x, y, z = p.anchor_cm
            out.append(box((x - 2, y - 2, 0), (x + 2, y + 2, z + 12)))
    return out


def svg_of(prop: Prop, points: list[Array], view: View) -> str:
    """One prop; `points` (m) are those of its landmarks.  Where it ends in the picture is for `reach_of`."""
    flat = [np.array(view.flat(p)) for p in points]
    at, r = np.mean(flat, axis=0), prop.size_cm / 2
    paint = f'fill="{HELD}" stroke="{HELD_EDGE}" stroke-width="0.5"'
    if prop.kind in ("band", "belt"):
        return _band(prop, points, flat, view)
    if prop.kind == "bag":
        x, y = at
        return (
            f'<path d="M{x:.1f} {-y:.1f}l{-0.7 * r:.1f} 9h{1.4 * r:.1f}z" fill="none" stroke="{INK}" stroke-width="0.8" stroke-linejoin="round"/>'
            f'<rect x="{x - r:.1f}" y="{-y + 9:.1f}" width="{2 * r:.1f}" height="{2.1 * r:.1f}" rx="2" {paint}/>'
        )
    if prop.kind == "cloth":
        around = points[0] + np.array([(dx, dy, -points[0][2]) for dx, dy in ((-r, -r), (r, -r), (r, r), (-r, r))]) * np.array([0.01, 0.008, 1.0])
        outline = "L".join(f"{x:.1f} {-y:.1f}" for x, y in view.flat_all(around))
        return f'<path d="M{outline}Z" {paint}/>'
    if prop.kind == "roller":
        return ""
    if prop.kind == "weight" and len(points) == 1:  # a bottle or jug in the hand
        x, y = at
        return f'<rect x="{x - 0.45 * r:.1f}" y="{-y - 1.1 * r:.1f}" width="{0.9 * r:.1f}" height="{2.2 * r:.1f}" rx="{0.3 * r:.1f}" {paint}/>'
    shape = Point(*at).buffer(r)
    if prop.kind == "cushion" and len(points) == 2:
        along = (flat[1] - flat[0]) / max(float(np.hypot(*(flat[1] - flat[0]))), 1e-6)
        across = np.array([-along[1], along[0]])
        shape = LineString([at - across * 7, at + across * 7]).buffer(r * 0.92)
    return f'<path d="{path(shape)}" {paint}/>'


def under_of(prop: Prop, points: list[Array], spine: tuple[Array, Array], view: View) -> str:
    """What the body lies on: a long roller from the pelvis to behind the head."""
    if prop.kind != "roller":
        return ""
    r = prop.size_cm / 2
    low, high = spine
    down = np.array([0.0, 0.0, -r / 100])
    along = (high - low) / max(float(np.linalg.norm(high - low)), 1e-9)
    ends = [low - 0.14 * along + down, high + 0.08 * along + down]
    shape = LineString([view.flat(e) for e in ends]).buffer(r)
    return f'<path d="{path(shape)}" fill="{HELD}" stroke="{HELD_EDGE}" stroke-width="0.5"/>'


def _band(prop: Prop, points: list[Array], flat: list[Array], view: View) -> str:
    width = 3.0 if prop.kind == "belt" else 1.8
    style = f'fill="none" stroke="{BAND}" stroke-width="{width}" stroke-linecap="round" stroke-linejoin="round"'
    if prop.anchor_cm is not None:
        flat = [*flat, _anchored(prop.anchor_cm, flat[-1], view)]
    elif round_both(prop):  # a loop about both legs
        loop = unary_union([Point(*f).buffer(_ROUND_LIMBS_CM) for f in flat]).convex_hull
        return f'<path d="{path(loop)}" fill="{BAND}" fill-opacity="0.18" stroke="{BAND}" stroke-width="{width}"/>'
    line = " ".join(f"{x:.1f},{-y:.1f}" for x, y in flat)
    return f'<polyline points="{line}" {style}/>'


def _anchored(anchor_cm: tuple[float, float, float], hand: Array, view: View) -> Array:
    """Where a band ends in the picture: at its anchor, or on the way there where that is too far to be shown."""
    way = np.array(view.flat(np.array(anchor_cm) / 100)) - hand
    share = min(1.0, _SHOWN_CM / max(float(np.hypot(*way)), 1e-6)) if _is_far(anchor_cm) else 1.0
    end: Array = hand + share * way
    return end


def _is_far(anchor_cm: tuple[float, float, float]) -> bool:
    return float(np.hypot(*anchor_cm[:2])) >= _FAR_ANCHOR_CM


def round_both(prop: Prop) -> bool:
    """Whether it goes round the same part of both legs."""
    marks = [m.partition(".") for m in prop.at]
    return len(marks) == 2 and marks[0][2] == marks[1][2] and marks[0][0] != marks[1][0] and marks[0][2] not in _GRIPPED


def reach_of(prop: Prop, points: list[Array], view: View) -> list[tuple[float, float]]:
    """Points of the picture that it needs."""
    flat = [view.flat(p) for p in points]
    if prop.anchor_cm is not None:
        x, y = _anchored(prop.anchor_cm, np.array(flat[-1]), view)
        flat.append((float(x), float(y)))
    if prop.kind == "bag":
        flat.append((flat[0][0], flat[0][1] - 9 - 1.05 * prop.size_cm))
    return flat


__all__ = ["BAND", "HELD", "grips_of", "posts_of", "reach_of", "round_both", "svg_of", "under_of"]
