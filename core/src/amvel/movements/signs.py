"""What a picture shows beside the body: a small movement enlarged, and signs for breath, pressing and time where nothing moves."""

from collections.abc import Callable, Iterator, Sequence
from zlib import crc32

import numpy as np

from amvel.body.figure import path, silhouette, svg_part
from amvel.movements.held import round_both
from amvel.movements.panel import Panel
from amvel.movements.picture import in_halves_cm, label
from amvel.movements.profile import Profile
from amvel.movements.sign import Sign

SIGN = "#2F6F73"
SMALL_CM, STILL_CM = 4.0, 0.4
_LENS_CM, _ENLARGED = 17.0, 3.0
_HELD_FROM_S, _BREATH_FROM = 3.0, 0.3

Drawing = tuple[str, list[tuple[float, float]]]


def signs_of(profile: Profile, panels: Sequence[Panel], moving: str) -> Iterator[Drawing]:
    """Each with the points of the picture that it needs."""
    last, step = panels[-1], profile.request.step
    mark, far_cm = _furthest(panels, moving)
    if len(panels) > 1 and STILL_CM < far_cm < SMALL_CM and mark:
        yield lens(panels[0], last, mark, in_halves_cm(max(0.5, far_cm)))
    for sign in dict.fromkeys((*step.signs, *_of_themselves(profile, last, far_cm))):
        yield _DRAWN[sign](last)


def _of_themselves(profile: Profile, last: Panel, far_cm: float) -> Iterator[Sign]:
    """Signs that follow from what the step says: something pressed, a hold, a breath in a pose that does not move."""
    step = profile.request.step
    if any(p.pressed or round_both(p) for p in last.frame.props if p.kind in ("ball", "cushion", "belt")):
        yield Sign.PRESS
    if step.dose.hold_s >= _HELD_FROM_S:
        yield Sign.HOLD
    if far_cm < STILL_CM and step.purposes.get("breath", 0.0) >= _BREATH_FROM and Sign.NARROW not in step.signs:
        yield Sign.BREATH


def _furthest(panels: Sequence[Panel], moving: str) -> tuple[str, float]:
    """The landmark that travels furthest between the pictures, and how far (cm): the declared one where there is one."""
    first, last = panels[0], panels[-1]
    way = {name: 100 * float(np.linalg.norm(last.world(name) - first.world(name))) for name in first.skeleton.landmarks.index}
    most = max(way, key=lambda name: way[name])
    return (moving if moving and way[moving] > STILL_CM else most), way[most]


def lens(start: Panel, end: Panel, mark: str, says: str) -> Drawing:
    """A place of `end` three times as large, with the outline of `start` in it, and what is to be said above it."""
    x, y = end.point(mark)
    left, _, right, _ = silhouette(end.parts).bounds
    away = 1.0 if right - x < x - left else -1.0
    cx, cy = (right if away > 0 else left) + away * (_LENS_CM + 5), y + _LENS_CM * 0.7
    drawn = "".join(svg_part(p) for p in end.parts)
    before = "".join(f'<path d="{path(p.shape.boundary)}"/>' for p in start.parts)
    inside = (
        f'<g transform="translate({cx:.1f} {-cy:.1f}) scale({_ENLARGED}) translate({-x:.1f} {y:.1f})">{drawn}'
        f'<g fill="none" stroke="#FFFFFF" stroke-width="0.9">{before}</g><g fill="none" stroke="{SIGN}" stroke-width="0.45" stroke-dasharray="1.2 0.9">{before}</g></g>'
    )
    name = f"lens-{crc32(inside.encode()):08x}"  # the same in every process, another for every other picture
    ring = f'<circle cx="{cx:.1f}" cy="{-cy:.1f}" r="{_LENS_CM}" '
    small = _LENS_CM / _ENLARGED
    svg = (
        f'<circle cx="{x:.1f}" cy="{-y:.1f}" r="{small:.1f}" fill="none" stroke="{SIGN}" stroke-width="0.7"/>'
        f'<line x1="{x + away * small:.1f}" y1="{-y:.1f}" x2="{cx - away * _LENS_CM:.1f}" y2="{-cy:.1f}" stroke="{SIGN}" stroke-width="0.7"/>'
        f'<clipPath id="{name}">{ring}/></clipPath>{ring}fill="#FFFDF8"/><g clip-path="url(#{name})">{inside}</g>{ring}fill="none" stroke="{SIGN}" stroke-width="0.9"/>'
        + label(cx, -(cy + _LENS_CM + 2.5), says, "middle", 7.5)
    )
    reach = [(cx - _LENS_CM - 1, cy + _LENS_CM + 11), (cx + _LENS_CM + 1, cy - _LENS_CM - 1)]
    return svg, reach


def _trunk(panel: Panel) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    """The belly in the picture, the way out of it to the front, and the way up the trunk."""
    belly, back = np.array(panel.point("belly")), np.array(panel.point("waist_back"))
    out = belly - back
    if np.hypot(*out) < 4:  # looked at from the front
        out = np.array([0.0, 1.0])
    out = out / max(float(np.hypot(*out)), 1e-6)
    up = np.array(panel.point("breastbone")) - belly
    return belly, out, up / max(float(np.hypot(*up)), 1e-6)


def _arrows(pairs: list[tuple[np.ndarray, np.ndarray]]) -> Drawing:
    out, reach = [], []
    for start, end in pairs:
        d = (end - start) / max(float(np.hypot(*(end - start))), 1e-6)
        n = np.array([-d[1], d[0]])
        out.append(f"M{start[0]:.1f} {-start[1]:.1f}L{end[0]:.1f} {-end[1]:.1f}")
        a, b = end - 2.6 * d + 1.9 * n, end - 2.6 * d - 1.9 * n
        out.append(f"M{a[0]:.1f} {-a[1]:.1f}L{end[0]:.1f} {-end[1]:.1f}L{b[0]:.1f} {-b[1]:.1f}")
        reach += [(float(start[0]), float(start[1])), (float(end[0]), float(end[1]))]
    data = "".join(out)
    style = 'fill="none" stroke-linecap="round" stroke-linejoin="round"'
    return f'<path d="{data}" {style} stroke="#FFFFFF" stroke-width="2.6"/><path d="{data}" {style} stroke="{SIGN}" stroke-width="1.3"/>', reach


def _breath(panel: Panel) -> Drawing:
    """Rays out of the ribs and the belly."""
    belly, out, _ = _trunk(panel)
    chest = np.array(panel.point("breastbone"))
    roots = [belly + 0.15 * (chest - belly), belly + 0.55 * (chest - belly), belly + 0.95 * (chest - belly)]
    return _arrows([(r + 2.5 * out, r + 9 * out) for r in roots])


def _narrow(panel: Panel) -> Drawing:
    """Two arrows into the lower belly."""
    belly, out, up = _trunk(panel)
    return _arrows([(belly + 12 * out + k * up, belly + 3 * out + 0.5 * k * up) for k in (-6.0, 5.0)])


def _press(panel: Panel) -> Drawing:
    """Arrows into what is pressed: between the limbs, or the hands and feet against what they lie on."""
    pairs = []
    for prop in panel.frame.props:
        if prop.pressed or (len(prop.at) == 2 and prop.kind in ("belt", "band")):
            ends = [np.array(panel.point(m)) for m in prop.at]
            d = (ends[1] - ends[0]) / max(float(np.hypot(*(ends[1] - ends[0]))), 1e-6)
            inward = 1.0 if prop.pressed else -1.0
            for end, sign in zip(ends, (1.0, -1.0), strict=True):
                foot, tail = end - sign * d * 5, end - sign * d * 14
                pairs.append((tail, foot) if inward > 0 else (foot, tail))
    if not pairs:
        for mark in ("palm", "wrist", "elbow_tip"):
            for side in ("left", "right"):
                if any(t.landmark == f"{side}.{mark}" and t.gap_cm < 1 for t in panel.frame.touches):
                    at = np.array(panel.point(f"{side}.{mark}"))
                    pairs.append((at + np.array([0.0, 15.0]), at + np.array([0.0, 5.0])))
    if not pairs:
        belly, out, _ = _trunk(panel)
        pairs = [(belly + 14 * out, belly + 5 * out)]
    return _arrows(pairs)


def _beside(panel: Panel) -> tuple[float, float]:
    """A free place above the chest of who lies, and beside the head of who is upright."""
    head, hips = panel.point("vertex"), panel.point("sacrum")
    lies = abs(head[0] - hips[0]) > abs(head[1] - hips[1])
    towards = 1.0 if head[0] < (panel.box[0] + panel.box[2]) / 2 else -1.0
    if lies:
        return head[0] + towards * 20 - (12 if towards < 0 else 0), max(head[1] + 15, panel.point("breastbone")[1] + 14)
    return head[0] + towards * 22 - (18 if towards < 0 else 0), head[1] - 2


def _clock(panel: Panel) -> Drawing:
    """A clock face with how long it is held."""
    x, y = _beside(panel)
    face = f'<circle cx="{x:.1f}" cy="{-y:.1f}" r="5.5" fill="#FFFDF8" stroke="{SIGN}" stroke-width="1.1"/><path d="M{x:.1f} {-y:.1f}v-3.8M{x:.1f} {-y:.1f}l2.6 1.6" stroke="{SIGN}" stroke-width="1.1" fill="none" stroke-linecap="round"/>'
    return face + label(x + 8, -y + 2.5, f"{panel.profile.request.step.dose.hold_s:.0f} s", "start", 7.5), [(x - 7, y + 7), (x + 26, y - 7)]


def _talk(panel: Panel) -> Drawing:
    """A speech mark at the mouth."""
    x, y = panel.point("eyes")
    x, y = x + 4, y + 13
    return f'<path d="M{x - 9:.1f} {-y - 5:.1f}h18a2 2 0 0 1 2 2v6a2 2 0 0 1 -2 2h-11l-4 4v-4h-3a2 2 0 0 1 -2 -2v-6a2 2 0 0 1 2 -2z" fill="#FFFDF8" stroke="{SIGN}" stroke-width="1"/><path d="M{x - 7:.1f} {-y:.1f}h12M{x - 7:.1f} {-y - 2.6:.1f}h14" stroke="{SIGN}" stroke-width="0.8"/>', [(x - 12, y + 8), (x + 13, y - 10)]


_DRAWN: dict[Sign, Callable[[Panel], Drawing]] = {
    Sign.BREATH: _breath,
    Sign.NARROW: _narrow,
    Sign.PRESS: _press,
    Sign.TALK: _talk,
    Sign.HOLD: _clock,
}

__all__ = ["SIGN", "SMALL_CM", "lens", "signs_of"]
