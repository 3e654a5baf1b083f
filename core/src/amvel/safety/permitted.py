"""For each range of the body: what is available, and what the envelope leaves of it without and under load."""

from typing_extensions import TypedDict

from amvel.body import Capacities
from amvel.movements.range_figure import Fan, ViewName
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
        "side bend left",
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
        "side bend right",
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
        "turning left",
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
        "turning right",
        "above",
        "vertex",
        90,
        -1,
        58,
        ("right.trunk_rotation_deg",),
        ("right.loaded_trunk_rotation_deg",),
    ),
)
_LIMBS: tuple[tuple[str, str, ViewName, str, float, float, float, str], ...] = (
    ("hip_flexion", "hip bend", "side", "hip", -90, -1, 40, "hip_flexion_deg"),
    ("hip_extension", "hip back", "side", "hip", -90, 1, 40, "hip_extension_deg"),
    ("hip_abduction", "hip out", "front", "hip", -90, 0, 40, "hip_abduction_deg"),
    ("shoulder_elevation", "arm raise", "front", "shoulder", -90, 0, 34, "shoulder_elevation_deg"),
)


def fans(capacities: Capacities, envelope: Envelope) -> list[Fan]:
    """Every range that is drawn, with what the limits leave of it. Region limits of the spine count for the whole trunk."""
    out = []
    for id, title, view, at, zero, way, radius, free, loaded in _TRUNK:
        there = capacities.of(id)
        unloaded = _least(envelope, free, there)
        under = min(unloaded, _least(envelope, (*loaded, *_regional(id)), there))
        out.append(Fan(id, title, view, at, zero, way, radius, there, unloaded, under))
    for name, title, view, at, zero, way, radius, quantity in _LIMBS:
        for side, sign in (("left", 1.0), ("right", -1.0)):
            if view == "side" and side == "right":
                continue  # from the left the right side is hidden; its numbers stand in the list
            there = capacities.of(f"{side}.{name}")
            left = _least(envelope, (f"{side}.{quantity}", quantity), there)
            out.append(
                Fan(
                    f"{side}.{name}",
                    f"{title} {side}",
                    view,
                    f"{side}.{at}",
                    zero,
                    way or sign,
                    radius,
                    there,
                    left,
                    left,
                )
            )
    return out


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
    """One drawn range in degrees: what this body has, and how much of it may be used."""

    id: str
    title: str
    available: float
    free: float
    loaded: float


def all_ranges(capacities: Capacities, envelope: Envelope) -> list[RangeData]:
    """The numbers of every drawn range on both sides, for the list beside the figures."""
    found = {f.id: f for f in fans(capacities, envelope)}
    rows: list[RangeData] = []
    for f in found.values():
        rows.append(
            {
                "id": f.id,
                "title": f.title,
                "available": f.available_deg,
                "free": f.free_deg,
                "loaded": f.loaded_deg,
            }
        )
    for name, title, view, _, _, _, _, quantity in _LIMBS:
        if view != "side":
            continue
        there = capacities.of(f"right.{name}")
        left = _least(envelope, (f"right.{quantity}", quantity), there)
        rows.append(
            {"id": f"right.{name}", "title": f"{title} right", "available": there, "free": left, "loaded": left}
        )
    return rows
