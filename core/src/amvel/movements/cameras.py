"""From where a step is looked at: so that the joint that matters is seen, and the working side is near."""

from amvel.body.view import FROM_ABOVE, FROM_FRONT, FROM_LEFT, FROM_RIGHT, View, camera
from amvel.movements.declaration import Family
from amvel.movements.profile import Profile

# Azimuth from straight ahead of the feet or the face (90 is square from the near side) and height of the viewer, in degrees:
# by position and by the plane in which the step moves.
_USUAL = (64.0, 14.0)
_CAMERAS: dict[tuple[str, str], tuple[float, float]] = {
    ("on the back", "side"): (74.0, 17.0),
    ("on the back", "top"): (80.0, 50.0),
    ("on the back", "front"): (70.0, 34.0),
    ("on the side", "side"): (82.0, 32.0),
    ("on the side", "front"): (82.0, 36.0),
    ("on the side", "top"): (54.0, 32.0),
    ("face down", "side"): (72.0, 18.0),
    ("hands and knees", "side"): (66.0, 15.0),
    ("kneeling", "front"): (30.0, 12.0),
    ("sitting", "side"): (62.0, 13.0),
    ("sitting", "front"): (26.0, 15.0),
    ("sitting", "top"): (34.0, 48.0),
    ("standing", "side"): (62.0, 10.0),
    ("standing", "front"): (26.0, 9.0),
    ("at the wall", "side"): (66.0, 10.0),
}
# What stands in front of somebody would hide them: then the viewer stands a little behind.
_HIDES = ("wall", "worktop")
_BEHIND_DEG = 104.0


def view_of(family: Family, profile: Profile) -> View:
    """From where the movement is copied best."""
    step, side = profile.request.step, profile.request.side
    azimuth, elevation = _CAMERAS.get((family.position, step.view), _USUAL)
    hidden = any(name in _HIDES for frame in profile.frames for name in frame.surfaces)
    if hidden and step.view != "top":
        azimuth = _BEHIND_DEG if step.view == "side" else 180.0 - azimuth
    if family.position == "on the side":  # the upper side works, and the front of the body is turned to the viewer
        return camera(azimuth if side == "right" else -azimuth, elevation)
    return camera(azimuth if side == "left" else -azimuth, elevation)


def square_view_of(family: Family, profile: Profile) -> View:
    """Square to the plane of the movement, so that angles and distances in it are true."""
    step, side = profile.request.step, profile.request.side
    if step.view == "top":
        return FROM_ABOVE
    if family.position == "on the side":
        return FROM_LEFT if side == "right" else FROM_RIGHT
    if step.view == "front":
        return FROM_FRONT
    return FROM_LEFT if side == "left" else FROM_RIGHT


__all__ = ["square_view_of", "view_of"]
