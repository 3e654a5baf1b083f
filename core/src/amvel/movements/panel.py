"""One frame of a step drawn: the body with what it holds, and the furniture round it."""

from shapely.geometry.base import BaseGeometry

from amvel.body.figure import paint, path, svg_part, waist_line
from amvel.body.tree import Array
from amvel.body.view import View
from amvel.movements.frames import Prop
from amvel.movements.held import BAND, grips_of, posts_of, reach_of, svg_of, under_of
from amvel.movements.profile import Profile
from amvel.movements.profiler import Profiler
from amvel.movements.scenery import MAT_EDGE, Solid, scenery

GHOST, GHOST_LINE = "#EDE6D6", "#A9A08C"
_Box = tuple[float, float, float, float]
_WAIST = ("belly", "waist_back")


class Panel:
    """One frame drawn, with its bounds in cm."""

    def __init__(self, profiler: Profiler, profile: Profile, row: int, view: View, solids: list[Solid] | None = None) -> None:
        assert profile.posed is not None
        self.skeleton, self.profile, self.row, self.view = profiler.skeleton, profile, row, view
        self.frame = profile.frames[row]
        self.parts = paint(profiler.skeleton, profile.posed.placement, profile.posed.points, row, view, grips_of(self.frame.props))
        self.solids = [*(scenery(profiler.skeleton, profile) if solids is None else solids)]
        self.posts = posts_of(self.frame.props)
        self.ghost: BaseGeometry | None = None
        bounds = [p.shape.bounds for p in self.parts]
        self.box: _Box = (min(b[0] for b in bounds), min(b[1] for b in bounds), max(b[2] for b in bounds), max(b[3] for b in bounds))
        for solid in (*self.solids, *self.posts):
            self.grow(*((float(x), float(y)) for x, y in view.flat_all(solid.corners / 100)))
        for prop in self.frame.props:
            self.grow(*reach_of(prop, self._places(prop), view))
        self.front: list[str] = []

    def world(self, landmark: str) -> Array:
        """A landmark in the room (m)."""
        assert self.profile.posed is not None
        found: Array = self.profile.posed.points[self.row, self.skeleton.landmarks.index[landmark]]
        return found

    def point(self, landmark: str) -> tuple[float, float]:
        """A landmark in the picture (cm)."""
        return self.view.flat(self.world(landmark))

    def grow(self, *points: tuple[float, float]) -> None:
        """Make room for these points."""
        a, b, c, d = self.box
        self.box = (min(a, *(p[0] for p in points)), min(b, *(p[1] for p in points)), max(c, *(p[0] for p in points)), max(d, *(p[1] for p in points)))

    def _places(self, prop: Prop) -> list[Array]:
        return [self.world(a) for a in prop.at]

    def _prop(self, prop: Prop) -> str:
        if prop.kind == "belt" and prop.at == _WAIST:
            assert self.profile.posed is not None
            line = waist_line(self.skeleton, self.profile.posed.placement, self.profile.posed.points, self.row, self.view)
            return f'<path d="{path(line)}" fill="none" stroke="{BAND}" stroke-width="3.4"/>'
        return svg_of(prop, self._places(prop), self.view)

    def body(self) -> str:
        """The body and what it holds, with the furniture that stands among its limbs."""
        among = [(s.depth(self.view), s.svg(self.view)) for s in self.solids if not s.under]
        items = [*((p.depth, svg_part(p)) for p in self.parts), *among]
        return "".join(drawn for _, drawn in sorted(items, key=lambda item: item[0])) + "".join(self._prop(p) for p in self.frame.props)

    def svg(self, right: float, down: float) -> str:
        """The panel, moved to its place."""
        behind = "".join(s.svg(self.view) for s in (*self.solids, *self.posts) if s.under)
        spine = (self.world("sacrum"), self.world("occiput"))
        behind += "".join(under_of(p, self._places(p), spine, self.view) for p in self.frame.props)
        return f'<g transform="translate({right:.1f} {down:.1f})">{self._ground()}{behind}{self._ghost()}{self.body()}{"".join(self.front)}</g>'

    def _ground(self) -> str:
        """The floor as a line, where it is looked at edge on."""
        if self.view.toward[2] > 0.05:
            return ""
        return (
            f'<line x1="{self.box[0] - 4:.1f}" x2="{self.box[2] + 4:.1f}" y1="0.3" y2="0.3" stroke="{MAT_EDGE}" stroke-width="1.2" stroke-linecap="round"/>'
        )

    def _ghost(self) -> str:
        if self.ghost is None:
            return ""
        return f'<path d="{path(self.ghost)}" fill="{GHOST}" fill-opacity="0.75" stroke="{GHOST_LINE}" stroke-width="0.5" stroke-dasharray="2 1.4"/>'


__all__ = ["Panel"]
