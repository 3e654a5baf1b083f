"""The frames of a step as pictures that lie exactly over each other, for playing them."""

from xml.sax.saxutils import escape

from amvel.movements.cameras import view_of
from amvel.movements.panel import Panel
from amvel.movements.profile import Profile
from amvel.movements.profiler import Profiler
from amvel.movements.scenery import scenery

_PAD_CM = 8.0


def animation(profiler: Profiler, profile: Profile) -> list[str]:
    """One SVG document per frame of the repetition, all with the same view box; the way to its start is not played.

    Raises ValueError when this body cannot take the pose.
    """
    profile = profiler.posed(profile)
    if profile.fault or profile.posed is None:
        raise ValueError(f"no figure: {profile.fault}")
    view = view_of(profile.request.family, profile)
    solids = scenery(profiler.skeleton, profile)
    panels = [Panel(profiler, profile, row, view, solids) for row in range(profile.rows[0], len(profile.frames))]
    left, low = (min(p.box[i] for p in panels) - _PAD_CM for i in (0, 1))
    right, high = (max(p.box[i] for p in panels) + _PAD_CM for i in (2, 3))
    box = f"{left:.1f} {-high:.1f} {right - left:.1f} {high - low:.1f}"
    title = escape(f"{profile.request.family.title}: {profile.request.step.title}")
    return [
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{box}" role="img" aria-label="{title}">{p.svg(0.0, 0.0)}</svg>'
        for p in panels
    ]
