"""The picture of a step: its start, and its end with the start as a ghost behind it, in one place and one scale.

A small movement is shown again enlarged; where nothing moves a sign says what is done (`signs`).
"""

import numpy as np

from amvel.body import other_side
from amvel.body.figure import INK, arrow, silhouette
from amvel.body.view import View
from amvel.movements.cameras import view_of
from amvel.movements.panel import Panel
from amvel.movements.picture import document, label, laid_out
from amvel.movements.profile import Profile
from amvel.movements.profiler import Profiler
from amvel.movements.room_measures import Measured
from amvel.movements.scenery import scenery
from amvel.movements.signs import signs_of


def _motion(profile: Profile, profiler: Profiler, view: View, first: int, last: int) -> str:
    """The way of what leads, from the first picture to the last."""
    landmark = _moving(profile)
    if not landmark or profile.posed is None or len(profile.rows) < 2:
        return ""
    row = profiler.skeleton.landmarks.index[landmark]
    return arrow([view.flat(p[row]) for p in profile.posed.points[first : last + 1]])


def _moving(profile: Profile) -> str:
    landmark = profile.request.step.arrow
    return other_side(landmark) if landmark and profile.request.side == "right" else landmark


def figure(profiler: Profiler, profile: Profile, measures: bool = True, frame: int | None = None) -> str:
    """An SVG document of the step for this body.

    With `frame`, only that frame of the profile (for animation); otherwise the first and the last
    declared one side by side.  Raises ValueError when this body cannot take the pose.
    """
    profile = profiler.posed(profile)
    if profile.fault or profile.posed is None:
        raise ValueError(f"no figure: {profile.fault}")
    panels = panels_of(profiler, profile, view_of(profile.request.family, profile), frame)
    if measures:
        for panel in panels:
            _mark_measures(panel)
    together(panels)
    pieces, width, height, top = laid_out(panels)
    return document(pieces, width, height, top, f"{profile.request.family.title}: {profile.request.step.title}")


def panels_of(profiler: Profiler, profile: Profile, view: View, frame: int | None = None) -> list[Panel]:
    """The panels of a step whose poses are solved, with ghost, motion and signs."""
    rows = [frame] if frame is not None else sorted({profile.rows[i] for i in profile.request.step.shown})
    solids = scenery(profiler.skeleton, profile)
    panels = [Panel(profiler, profile, r, view, solids) for r in rows]
    if frame is None:
        if len(panels) > 1:
            panels[-1].ghost = silhouette(panels[0].parts)
            panels[-1].front.append(_motion(profile, profiler, view, rows[0], rows[-1]))
        for drawn, reach in signs_of(profile, panels, _moving(profile)):
            panels[-1].front.append(drawn)
            panels[-1].grow(*reach)
    return panels


def together(panels: list[Panel]) -> None:
    """One place and one scale: every panel is as large as the largest."""
    corners = [c for p in panels for c in ((p.box[0], p.box[1]), (p.box[2], p.box[3]))]
    for p in panels:
        p.grow(*corners)


_SURFACES = {Measured.SEAT: "seat", Measured.SEAT_AS_SUPPORT: "seat", Measured.CALF_SUPPORT: "calf support"}


def _mark_measures(panel: Panel) -> None:
    request = panel.profile.request
    for p in request.step.parameters:
        value_cm = request.values.get(p.id)
        if value_cm is None or p.measured is None:
            continue
        if _SURFACES.get(p.measured, "") in panel.frame.surfaces:
            _mark_height(panel, float(value_cm))
        elif p.measured is Measured.WALL:
            _mark_from_the_wall(panel, float(value_cm))


def _mark_height(panel: Panel, height_cm: float) -> None:
    """Beside the furniture, upright in the room."""
    solid = max((s for s in panel.solids if s.corners[:, 2].max() <= height_cm + 0.5), key=lambda s: s.corners[:, 2].max(), default=None)
    if solid is None:
        return
    edges = solid.corners[solid.corners[:, 2] > height_cm - 0.5]
    if not len(edges):
        return
    knees = (panel.point("left.knee")[0] + panel.point("right.knee")[0]) / 2
    away = -1.0 if np.mean(panel.view.flat_all(edges / 100)[:, 0]) < knees else 1.0
    x, y, _ = max(edges, key=lambda c: away * panel.view.flat(c / 100)[0])
    low, high = (panel.view.flat(np.array([x, y, z]) / 100) for z in (0.0, height_cm))
    panel.front.append(_measure((low[0] + away * 4, low[1]), (high[0] + away * 4, high[1]), height_cm, "end" if away < 0 else "start"))
    panel.grow((low[0] + away * 26, low[1]))


def _mark_from_the_wall(panel: Panel, length_cm: float) -> None:
    """On the floor, from the wall to the toes."""
    near = 1.0 if panel.view.toward[1] >= 0 else -1.0
    y = near * (max(near * float(panel.world(f"{s}.toe_tip")[1]) for s in ("left", "right")) + 0.16)
    ends = [panel.view.flat(np.array([x, y, 0.0])) for x in (0.0, length_cm / 100)]
    panel.front.append(_measure(ends[0], ends[1], length_cm, "middle"))
    panel.grow(*((x, e - 9) for x, e in ends))


def _measure(start: tuple[float, float], end: tuple[float, float], value_cm: float, anchor: str) -> str:
    """A line with its ends and its number."""
    (x0, y0), (x1, y1) = start, end
    d = np.array([x1 - x0, y1 - y0])
    n = np.array([-d[1], d[0]]) / max(float(np.hypot(*d)), 1e-6) * 2
    ticks = "".join(f'<line x1="{x - n[0]:.1f}" y1="{-(y - n[1]):.1f}" x2="{x + n[0]:.1f}" y2="{-(y + n[1]):.1f}"/>' for x, y in (start, end))
    at = ((x0 + x1) / 2, (y0 + y1) / 2)
    beside = {"end": (-3.0, 2.0), "start": (3.0, 2.0), "middle": (0.0, 8.5)}[anchor]
    text = label(at[0] + beside[0], -at[1] + beside[1], f"{value_cm:.0f} cm", anchor)
    return f'<g stroke="{INK}" stroke-width="0.6"><line x1="{x0:.1f}" y1="{-y0:.1f}" x2="{x1:.1f}" y2="{-y1:.1f}"/>{ticks}</g>{text}'


__all__ = ["figure", "panels_of", "together"]
