"""What stands round a body, as solids in the room: chairs, walls, worktops, beds, pads and the floor.

Furniture stands still while somebody moves: it is placed once for all frames of a step, from what touches it and where.
"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass

import numpy as np
from shapely.geometry import Polygon

from amvel.body import Skeleton
from amvel.body.figure import path
from amvel.body.tree import Array
from amvel.body.view import View
from amvel.movements.bed import lies_on_bed
from amvel.movements.frames import Surface
from amvel.movements.profile import Profile

WOOD, WOOD_SIDE, WOOD_EDGE = "#EADFC9", "#D9CAAB", "#A08D6B"
MAT, MAT_EDGE, WALL, WALL_EDGE = "#F3EBDC", "#DCCFB5", "#F6F0E4", "#CFC2A8"
CLOTH, CLOTH_SIDE = "#EFE6EA", "#DCCBD3"
LOW_SEAT_CM = 31.0  # below this a seat is a block or folded towel on the floor, no chair
_LIT = 0.55


@dataclass(frozen=True)
class Paint:
    top: str = WOOD
    side: str = WOOD_SIDE
    edge: str = WOOD_EDGE


_CLOTH = Paint(CLOTH, CLOTH_SIDE, "#B39AA6")
_WALL = Paint(WALL, WALL, WALL_EDGE)


@dataclass(frozen=True)
class Solid:
    """Flat faces (K×3, cm) with the direction that each looks; `under` the body, or as near as it is."""

    faces: tuple[tuple[Array, Array], ...]
    paint: Paint = Paint()
    under: bool = True

    @property
    def corners(self) -> Array:
        return np.concatenate([points for points, _ in self.faces])

    def depth(self, view: View) -> float:
        return float(np.mean(self.corners @ np.array(view.toward))) / 100 - 0.02

    def svg(self, view: View) -> str:
        toward, out = np.array(view.toward), []
        for points, looks in self.faces:
            if looks @ toward <= 1e-6:
                continue
            fill = self.paint.top if looks[2] > _LIT else self.paint.side
            shape = path(Polygon(view.flat_all(points / 100)))
            out.append(f'<path d="{shape}" fill="{fill}" stroke="{self.paint.edge}" stroke-width="0.45" stroke-linejoin="round"/>')
        return "".join(out)


def box(low: Iterable[float], high: Iterable[float], paint: Paint = Paint(), under: bool = True) -> Solid:
    """A block between two corners (cm)."""
    (x0, y0, z0), (x1, y1, z1) = low, high
    return prism([(x0, z0), (x1, z0), (x1, z1), (x0, z1)], y0, y1, paint, under)


def prism(outline: list[tuple[float, float]], y0: float, y1: float, paint: Paint = Paint(), under: bool = True) -> Solid:
    """An outline in the plane that runs ahead and up (cm, anticlockwise), drawn out across."""
    near, far = (np.array([(x, y, z) for x, z in outline]) for y in (y0, y1))
    faces = [(near, np.array([0.0, -1.0, 0.0])), (far, np.array([0.0, 1.0, 0.0]))]
    for i, k in zip(range(len(outline)), [*range(1, len(outline)), 0], strict=True):
        along = near[k] - near[i]
        looks = np.array([along[2], 0.0, -along[0]])
        faces.append((np.array([near[i], near[k], far[k], far[i]]), looks / max(float(np.linalg.norm(looks)), 1e-9)))
    return Solid(tuple(faces), paint, under)


class Scenery:
    """Everything that one step stands, lies or leans on."""

    def __init__(self, skeleton: Skeleton, profile: Profile) -> None:
        assert profile.posed is not None
        self._index, self._profile = skeleton.landmarks.index, profile
        self._rows = list(profile.rows)
        self._points = 100 * profile.posed.points
        self.solids: list[Solid] = []
        self._floor()
        for name, surface in self._surfaces().items():
            if name not in _NOT_DRAWN:
                if name not in _PLACED:
                    raise ValueError(f"movements/scenery.py: nothing says how '{name}' is drawn ({profile.request.label})")
                _PLACED[name](self, name, surface)
        if lies_on_bed(profile.request.values):
            self._mattress()

    def _surfaces(self) -> dict[str, Surface]:
        return {name: s for i in self._rows for name, s in self._profile.frames[i].surfaces.items()}

    def at(self, row: int, landmark: str) -> Array:
        found: Array = self._points[row, self._index[landmark]]
        return found

    def touched(self, name: str) -> Array:
        """Where anything touches this surface in any declared frame (N×3, cm)."""
        found = [
            self.at(i, t.landmark)
            for i in self._rows
            for t in self._profile.frames[i].touches
            if t.surface == name and t.on is None and t.gap_cm < 3
        ]
        return np.array(found).reshape(-1, 3)

    def _footprint(self, margin: float) -> tuple[float, float, float, float]:
        points = self._points[self._rows].reshape(-1, 3)
        (x0, y0, _), (x1, y1, _) = points.min(axis=0), points.max(axis=0)
        return x0 - margin, x1 + margin, y0 - margin, y1 + margin

    def _floor(self) -> None:
        x0, x1, y0, y1 = self._footprint(9.0)
        floor = self._profile.frames[self._rows[0]].surfaces["floor"].at_cm if "floor" in self._profile.frames[self._rows[0]].surfaces else 0.0
        corners = np.array([(x0, y0, floor), (x1, y0, floor), (x1, y1, floor), (x0, y1, floor)])
        self.solids.append(Solid(((corners, np.array([0.0, 0.0, 1.0])),), Paint(MAT, MAT, MAT_EDGE)))

    def _mattress(self) -> None:
        """The bed that takes the floor's place, its legs cut off."""
        x0, x1, y0, y1 = self._footprint(15.0)
        legs = [(x, y) for x in (x0 + 4, x1 - 8) for y in (y0 + 3, y1 - 7)]
        self.solids[0:1] = [*(box((x, y, -26), (x + 4, y + 4, -14)) for x, y in legs), box((x0, y0, -14), (x1, y1, 0), _CLOTH)]

    def _ahead(self) -> float:
        """Which way somebody sits: the knees are ahead of the sit bones."""
        row = self._rows[0]
        knees = self.at(row, "left.knee") + self.at(row, "right.knee")
        sits = self.at(row, "left.sit_bone") + self.at(row, "right.sit_bone")
        return 1.0 if knees[0] >= sits[0] else -1.0

    def seat(self, name: str, surface: Surface) -> None:
        touched = self.touched(name)
        if not len(touched):
            return
        rows = [i for i in self._rows if any(t.surface == name and t.on is None for t in self._profile.frames[i].touches)]
        sits = np.mean([self.at(rows[0], f"{s}.sit_bone") for s in ("left", "right")], axis=0)
        a, top = self._ahead(), surface.at_cm
        lies = {t.landmark.partition(".")[2] for i in rows for t in self._profile.frames[i].touches if t.surface == name}
        if not lies & {"sit_bone", "thigh_under"}:  # calves or forearms lie on it
            self._carries(touched, top)
            return
        if top < LOW_SEAT_CM:
            self.solids.append(box((sits[0] - 15, sits[1] - 20, 0), (sits[0] + 15, sits[1] + 20, top), _CLOTH))
            return
        front, back = sits[0] + a * 17.0, sits[0] - a * 23.0
        self._chair(min(front, back), max(front, back), sits[1] - 21, sits[1] + 21, top, back, a)

    def _chair(self, x0: float, x1: float, y0: float, y1: float, top: float, back: float, ahead: float) -> None:
        legs = [(x, y) for x in (x0 + 1, x1 - 4) for y in (y0 + 1, y1 - 4)]
        self.solids += [box((x, y, 0), (x + 3, y + 3, top - 3)) for x, y in legs]
        self.solids.append(box((x0, y0, top - 4), (x1, y1, top)))
        b0, b1 = min(back, back - ahead * 3), max(back, back - ahead * 3)
        self.solids += [box((b0, y, top - 4), (b1, y + 3, top + 44)) for y in (y0, y1 - 3)]
        self.solids += [box((b0, y0, top + z), (b1, y1, top + z + 7)) for z in (18, 37)]

    def _carries(self, touched: Array, top: float) -> None:
        """A low table or box under what lies on it."""
        (x0, y0, _), (x1, y1, _) = touched.min(axis=0), touched.max(axis=0)
        self.solids.append(box((x0 - 11, min(y0, -14) - 8, 0), (x1 + 11, max(y1, 14) + 8, top)))

    def carries(self, name: str, surface: Surface) -> None:
        touched = self.touched(name)
        if len(touched) and surface.at_cm > 1:
            self._carries(touched, surface.at_cm)

    def pad(self, name: str, surface: Surface) -> None:
        touched = self.touched(name)
        under = self._surfaces().get("bed")
        low = under.at_cm if under else 0.0
        if not len(touched) or surface.at_cm - low <= 0.9:
            return
        (x0, y0, _), (x1, y1, _) = touched.min(axis=0), touched.max(axis=0)
        self.solids.append(box((x0 - 9, min(y0, y1 - 16) - 6, low), (x1 + 9, max(y1, y0 + 16) + 6, surface.at_cm), _CLOTH))

    def worktop(self, name: str, surface: Surface) -> None:
        touched = self.touched(name)
        if not len(touched):
            row = self._rows[-1]
            touched = np.array([self.at(row, f"{s}.fingertips") for s in ("left", "right")])
        hands, top = touched.mean(axis=0), surface.at_cm
        body = self.at(self._rows[0], "sacrum")
        away = hands[:2] - body[:2]
        if abs(away[0]) >= abs(away[1]):
            a = float(np.sign(away[0])) or 1.0
            near = (touched[:, 0].min() if a > 0 else touched[:, 0].max()) - a * 7
            x0, x1 = sorted((near, near + a * 46))
            y0, y1 = min(touched[:, 1].min(), -22) - 14, max(touched[:, 1].max(), 22) + 14
        else:
            a = float(np.sign(away[1]))
            near = (touched[:, 1].min() if a > 0 else touched[:, 1].max()) - a * 7
            y0, y1 = sorted((near, near + a * 40))
            x0, x1 = touched[:, 0].min() - 34, touched[:, 0].max() + 34
        legs = [(x, y) for x in (x0 + 2, x1 - 5) for y in (y0 + 2, y1 - 5)]
        self.solids += [box((x, y, 0), (x + 3, y + 3, top - 4), under=False) for x, y in legs]
        self.solids.append(box((x0, y0, top - 4), (x1, y1, top), under=False))

    def armrest(self, name: str, surface: Surface) -> None:
        sits = np.mean([self.at(self._rows[0], f"{s}.sit_bone") for s in ("left", "right")], axis=0)
        a, top = self._ahead(), surface.at_cm
        touched = self.touched(name)
        reach = touched[:, 0].max() if a > 0 and len(touched) else touched[:, 0].min() if len(touched) else sits[0] + a * 20
        x0, x1 = sorted((sits[0] - a * 22, max(a * reach, a * (sits[0] + a * 14)) * a + a * 4))
        post = x1 - 6 if a > 0 else x0 + 3
        for y in (sits[1] - 27, sits[1] + 23):
            self.solids += [box((post, y, 0), (post + 3, y + 4, top - 3), under=False), box((x0, y, top - 3), (x1, y + 4, top), under=False)]

    def bed(self, name: str, surface: Surface) -> None:
        """As long as whoever lies on it, in every frame alike."""
        lying = self._points[self._rows[0]]
        (x0, y0, _), (x1, y1, _) = lying.min(axis=0), lying.max(axis=0)
        if self._profile.frames[self._rows[0]].facts.seated:
            row = self._rows[-1]
            (x0, y0, _), (x1, y1, _) = self._points[row].min(axis=0), self._points[row].max(axis=0)
        x0, x1, y0, y1 = x0 - 8, x1 + 8, y0 - 6, y1 + 6
        legs = [(x, y) for x in (x0 + 4, x1 - 8) for y in (y0 + 3, y1 - 7)]
        self.solids += [box((x, y, 0), (x + 4, y + 4, surface.at_cm - 14)) for x, y in legs]
        self.solids.append(box((x0, y0, surface.at_cm - 14), (x1, y1, surface.at_cm), _CLOTH))

    def seat_under_trunk(self, name: str, surface: Surface) -> None:
        """A chair across whose seat somebody lies: its edge at the pelvis, the frame of its back where the hands press."""
        row, top = self._rows[0], surface.at_cm
        edge, head = self.at(row, "left.hip_bone")[0], self.at(row, "vertex")[0]
        a = 1.0 if head > edge else -1.0
        x0, x1 = sorted((edge - a * 3, edge + a * 38))
        legs = [(x, y) for x in (x0 + 1, x1 - 4) for y in (-20, 17)]
        self.solids += [box((x, y, 0), (x + 3, y + 3, top - 4)) for x, y in legs]
        self.solids.append(box((x0, -21, top - 5), (x1, 21, top)))

    def rail(self, name: str, surface: Surface) -> None:
        """The bar that hands press, on its posts."""
        touched = self.touched(name)
        if not len(touched):
            return
        x0, x1 = float(touched[:, 0].min()), float(touched[:, 0].max())
        for y in {round(float(p[1])) for p in touched}:
            self.solids.append(box((x0 - 9, y - 2, surface.at_cm - 3), (x1 + 9, y + 2, surface.at_cm), under=False))
            self.solids += [box((x, y - 1.5, 0), (x + 3, y + 1.5, surface.at_cm - 3), under=False) for x in (x0 - 8, x1 + 5)]

    def wall(self, name: str, surface: Surface) -> None:
        self._wall(surface.at_cm, 1.0)

    def wall_behind(self, name: str, surface: Surface) -> None:
        self._wall(surface.at_cm, -1.0)

    def _wall(self, x: float, away: float) -> None:
        top = float(self._points[self._rows].reshape(-1, 3)[:, 2].max()) + 16
        x0, x1 = sorted((x, x + away * 4))
        self.solids.insert(0, box((x0, -48, 0), (x1, 48, top), _WALL))

    def slope(self, name: str, surface: Surface) -> None:
        """A wedge from the buttocks to behind the head."""
        row = self._rows[0]
        low, high = self.at(row, "left.buttock"), self.at(row, "vertex")
        a = 1.0 if high[0] > low[0] else -1.0
        end = high[0] + a * 12
        rise = abs(end - low[0]) * np.tan(np.radians(surface.tilt_deg)) + surface.at_cm
        outline = [(low[0], 0.0), (end, 0.0), (end, float(rise))]
        self.solids.append(prism(outline if a > 0 else [outline[1], outline[0], outline[2]], -27, 27, _CLOTH))


_Place = Callable[[Scenery, str, Surface], None]
_PLACED: dict[str, _Place] = {
    "seat": Scenery.seat,
    "bed": Scenery.bed,
    "seat under the trunk": Scenery.seat_under_trunk,
    "rail": Scenery.rail,
    "worktop": Scenery.worktop,
    "armrest": Scenery.armrest,
    "calf support": Scenery.carries,
    "box": Scenery.carries,
    "hand support": Scenery.carries,
    "head pad": Scenery.pad,
    "pelvis pad": Scenery.pad,
    "chest pad": Scenery.pad,
    "knee pad": Scenery.pad,
    "towel": Scenery.pad,
    "wall": Scenery.wall,
    "wall behind": Scenery.wall_behind,
    "slope": Scenery.slope,
}


# Parts of the body that another part lies on, what a prop draws, and what stands with something else.
_NOT_DRAWN = frozenset(("floor", "soft floor", "lower foot", "lower leg", "roller", "back rest"))


def scenery(skeleton: Skeleton, profile: Profile) -> list[Solid]:
    """The solids of a step, those that are under the body first."""
    return Scenery(skeleton, profile).solids


__all__ = ["Paint", "Solid", "box", "prism", "scenery"]
