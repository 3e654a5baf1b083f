"""For each range of the body: what is available, and what the envelope leaves of it without and under load."""

from typing_extensions import TypedDict

from amvel.body import Capacities
from amvel.languages import said, said_together
from amvel.movements.range_figure import Fan, ViewName, whole_deg
from amvel.safety.limits import Envelope, Place

# id, title, view, landmark, zero line (deg in the picture), way it opens, radius (cm), free and loaded quantities.
_TRUNK: tuple[tuple[str, str, ViewName, str, float, float, float, tuple[str, ...], tuple[str, ...]], ...] = (
    (
        "trunk_flexion",
        "rounding",
        "side",
        "waist_back",
        90,
        1,
        62,
        ("unloaded_trunk_flexion_deg", "trunk_flexion_deg"),
        ("loaded_trunk_flexion_deg",),
    ),
    (
        "trunk_extension",
        "arching",
        "side",
        "waist_back",
        90,
        -1,
        62,
        ("trunk_extension_deg",),
        ("loaded_trunk_extension_deg",),
    ),
    (
        "left.trunk_side_bend",
        "side bend",
        "front",
        "belly",
        90,
        -1,
        66,
        ("left.trunk_side_bend_deg",),
        ("left.loaded_trunk_side_bend_deg",),
    ),
    (
        "right.trunk_side_bend",
        "side bend",
        "front",
        "belly",
        90,
        1,
        66,
        ("right.trunk_side_bend_deg",),
        ("right.loaded_trunk_side_bend_deg",),
    ),
    (
        "left.trunk_rotation",
        "turning",
        "above",
        "vertex",
        90,
        1,
        58,
        ("left.trunk_rotation_deg",),
        ("left.loaded_trunk_rotation_deg",),
    ),
    (
        "right.trunk_rotation",
        "turning",
        "above",
        "vertex",
        90,
        -1,
        58,
        ("right.trunk_rotation_deg",),
        ("right.loaded_trunk_rotation_deg",),
    ),
)
# A hip is bent as far as the largest of its three measures says, so that a limit on any of them narrows it.
_LIMBS: tuple[tuple[str, str, ViewName, str, float, float, float, tuple[str, ...]], ...] = (
    ("hip_flexion", "hip bend", "side", "hip", -90, -1, 40, ("hip_flexion_deg", "thigh_trunk_deg", "hip_bend_deg")),
    ("hip_extension", "hip back", "side", "hip", -90, 1, 40, ("hip_extension_deg",)),
    ("hip_abduction", "hip out", "front", "hip", -90, 0, 40, ("hip_abduction_deg",)),
    ("shoulder_elevation", "arm raise", "front", "shoulder", -90, 0, 34, ("shoulder_elevation_deg",)),
)
_SIDES = ("left", "right")
RANGE_TITLES = tuple(dict.fromkeys(title for _, title, *_ in (*_TRUNK, *_LIMBS)))


def fans(capacities: Capacities, envelope: Envelope) -> list[Fan]:
    """Every range that is drawn, with what the limits leave of it. Region limits of the spine count for the whole trunk."""
    out = []
    for id, title, view, at, zero, way, radius, free, loaded in _TRUNK:
        there = capacities.of(id)
        unloaded = _least(envelope, free, there)
        under = min(unloaded, _least(envelope, (*loaded, *_regional(id)), there))
        out.append(Fan(id, said(title), view, at, zero, way, radius, there, unloaded, under))
    for name, title, view, at, zero, way, radius, quantities in _LIMBS:
        of = {side: _of_limb(capacities, envelope, side, name, quantities) for side in _SIDES}
        # From the side one hides the other: the narrower one is drawn, under its name where they differ.
        seen = (min(_SIDES, key=lambda s: (of[s][1], of[s][0])),) if view == "side" else _SIDES
        for side in seen:
            there, left = of[side]
            named = said(title) if view != "side" or of["left"] == of["right"] else said_together((said(title), " ", said(side)))
            toward = way or (1.0 if side == "left" else -1.0)
            out.append(Fan(f"{side}.{name}", named, view, f"{side}.{at}", zero, toward, radius, there, left, left))
    return out


def _of_limb(
    capacities: Capacities, envelope: Envelope, side: str, name: str, quantities: tuple[str, ...]
) -> tuple[float, float]:
    """What one side has of a range, and what the limits leave of it (deg)."""
    there = capacities.of(f"{side}.{name}")
    return there, _least(envelope, (*(f"{side}.{q}" for q in quantities), *quantities), there)


def _regional(id: str) -> tuple[str, ...]:
    side, _, kind = id.partition(".")
    return (
        tuple(f"{side}.loaded_{r}_{kind.removeprefix('trunk_')}_deg" for r in ("thoracic", "lumbar"))
        if kind
        else ()
    )


def _least(envelope: Envelope, quantities: tuple[str, ...], there: float) -> float:
    """The strictest upper bound on any of these quantities, never above what there is; cautions do not bind."""
    wanted = {*quantities, *(q.split(".", 1)[-1] for q in quantities)}
    bounds = [
        x.bound
        for x in envelope.limits
        if x.quantity in wanted
        and not x.at_least
        and x.strength != "caution"
        and x.when is Place.ANYWHERE
        and not x.at_home
        and not x.only_step
    ]
    return min([there, *bounds])


class RangeData(TypedDict):
    """One drawn range in whole degrees: what this body has, and how much of it may be used."""

    id: str
    title: str
    available: int
    free: int
    loaded: int


def all_ranges(capacities: Capacities, envelope: Envelope) -> list[RangeData]:
    """The numbers of every drawn range on both sides, for the list beside the figures."""
    titles = {id: _sided(title, id.partition(".")[0]) if "." in id else said(title) for id, title, *_ in _TRUNK}
    rows: list[RangeData] = [
        _range(f.id, titles[f.id], f.available_deg, f.free_deg, f.loaded_deg)
        for f in fans(capacities, envelope)
        if f.id in titles
    ]
    for name, title, *_, quantities in _LIMBS:
        for side in _SIDES:
            there, left = _of_limb(capacities, envelope, side, name, quantities)
            rows.append(_range(f"{side}.{name}", _sided(title, side), there, left, left))
    return rows


def _sided(title: str, side: str) -> str:
    return said_together((said(title), " ", said(side)))


def _range(id: str, title: str, available_deg: float, free_deg: float, loaded_deg: float) -> RangeData:
    available, free, loaded = (whole_deg(x) for x in (available_deg, free_deg, loaded_deg))
    return {"id": id, "title": title, "available": available, "free": free, "loaded": loaded}
