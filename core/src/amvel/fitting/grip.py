"""Whether floor and soles hold: the friction that a pose needs against what they give."""

from amvel.body.steadiness import friction_needed
from amvel.case import Room
from amvel.fitting.fit import Drawing, Fit, Mark, posed
from amvel.languages import said
from amvel.literature import WALKING_FRICTION
from amvel.movements import Profile, Profiler
from amvel.movements.room_measures import FitId
from amvel.sources import ours

WALKING = WALKING_FRICTION.says("walking friction commonly required; local codes prevail")
OFFERED = ours("what soles give on a dry floor, around the friction that walking needs")
# Static friction that is counted on, by floor and soles; what nobody has looked at counts as slippery.
_GIVES = {
    ("grips", "good_soles"): 0.55,
    ("grips", "bare_feet"): 0.5,
    ("grips", "unknown"): 0.35,
    ("grips", "socks"): 0.25,
    ("slips", "good_soles"): 0.35,
    ("slips", "bare_feet"): 0.3,
}
_SLIPPERY = 0.2
_HOLDS = said("Leaning on the wall needs a grip of {asks}; floor and soles give about {gives}: it holds.")
_SLIPS = said(
    "Leaning on the wall needs a grip of {asks}; floor and soles give about {gives}: it does not hold; "
    "shoes with good soles or bare feet on a floor that grips, or nearer to the wall."
)


def offered(room: Room) -> float:
    """Static friction that is counted on between feet and floor."""
    return _GIVES.get((room.floor_grip, room.soles), _SLIPPERY)


def needed(profiler: Profiler, profile: Profile) -> float:
    """The largest friction that any declared frame needs."""
    profile = profiler.posed(profile)
    assert profile.posed is not None
    return friction_needed(profiler.skeleton, ((profile.specs[r], profile.posed.points[r]) for r in profile.rows))


def wall_grip(profiler: Profiler, room: Room, wall_cm: float) -> list[Fit]:
    """The grip that leaning on the wall needs at the fitted distance."""
    if not room.wall:
        return []
    profile = posed(profiler, "wall_plank/forearms", wall_cm=wall_cm)
    if profile.fault:
        return []
    asks, gives = needed(profiler, profile), offered(room)
    fits = gives >= asks
    words = said(_HOLDS if fits else _SLIPS, asks=round(asks, 2), gives=round(gives, 2))
    return [
        Fit(
            FitId.GRIP,
            "grip at the wall",
            round(asks, 2),
            0.0,
            gives,
            words,
            OFFERED,
            unit="",
            fits=fits,
            drawing=Drawing(
                "wall_plank/forearms", "both", {"wall_cm": wall_cm}, 0, (Mark("wall", "", value_cm=wall_cm),)
            ),
        )
    ]


__all__ = ["OFFERED", "WALKING", "needed", "offered", "wall_grip"]
