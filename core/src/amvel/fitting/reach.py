"""Distances: from the wall, from the anchor of a band, under the hands, over a chair, round the thighs."""

import math
from functools import lru_cache

from amvel.body.anthropometry import HIP_HALF_WIDTH
from amvel.case import Room
from amvel.fitting.fit import Drawing, Fit, Mark, heights_cm, pose, standing_cm
from amvel.fitting.furniture import seat_for
from amvel.fitting.stacking import FIRM, STACKABLE, stack
from amvel.languages import said, said_together
from amvel.movements import Profiler, Request, library
from amvel.movements.room_measures import FitId
from amvel.sources import COMMON_PRACTICE, ours

ARM_LOAD_PERCENT_BW = 20.0
ARM_LOAD = ours("first wall plank at about a fifth of body weight on the arms")
_LEVEL_TOLERANCE_CM = 2.0
LEVEL_DEG = 10.0
LEVEL = ours("up to 10° of slope of the back counts as level")
_HANDS, _BAND = "belly_lift/with_the_breath", "band_press_out_seated/press"
_WHERE = {"hands": said("under the hands"), "knees": said("under the knees")}
_UNDER = {
    "hands": said("Hands and knees: {cm} cm under the hands, and the back is level"),
    "knees": said("Hands and knees: {cm} cm under the knees, and the back is level"),
}


def wall_distance(profiler: Profiler, room: Room) -> list[Fit]:
    """How far the toes stand from the wall for a fifth of body weight on the forearms."""
    if not room.wall:
        return []
    near = wall_distance_cm(profiler, ARM_LOAD_PERCENT_BW)
    words = said("Toes {cm} cm from the wall: at most a fifth of the body weight on the forearms.", cm=round(near))
    drawing = Drawing("wall_plank/forearms", "both", {"wall_cm": near}, 0, (Mark("wall", "", value_cm=near),))
    return [Fit(FitId.WALL, "distance from the wall", near, near - 5, near, words, ARM_LOAD, drawing=drawing)]


def wall_distance_cm(profiler: Profiler, arm_load_percent_bw: float) -> float:
    """Toes from the wall so that both forearms together carry the chosen share of body weight.

    Found on the 1-cm grid of the wall plank; the nearer, easier distance is taken.
    """
    return _wall_distance(profiler, arm_load_percent_bw)


@lru_cache(maxsize=64)
def _wall_distance(profiler: Profiler, target: float) -> float:
    family = library()["wall_plank"]
    step = family.index["forearms"]
    p = step.parameters[0]
    known: dict[int, bool] = {}

    def look_at(places: list[int]) -> None:
        found = profiler.profiles([Request(family, step, "both", {p.id: float(at)}) for at in places])
        for at, profile in zip(places, found, strict=True):
            load = sum(profile.peak(f"{s}.forearm_support_percent_bw") for s in ("left", "right"))
            known[at] = not profile.fault and load <= target

    low, high = p.low, p.high
    while high - low > 1:
        middle = _middle(low, high)
        if middle not in known:  # with what is halved next on either side: three at once cost little more than one
            look_at(sorted({middle, _middle(low, middle), _middle(middle, high)} - {low, high, *known}))
        if known[middle]:
            low = middle
        else:
            high = middle
    return float(low)


def _middle(low: float, high: float) -> int:
    return round((low + high) / 2)


def hands_poses(profiler: Profiler) -> list[Request]:
    """The poses that `hands_level` looks at."""
    return [pose(profiler, _HANDS)]


def hands_level(profiler: Profiler, room: Room) -> list[Fit]:
    """What goes under hands or knees so that the trunk is level on hands and knees."""
    [profile] = profiler.profiles(hands_poses(profiler))
    if profile.fault:
        return []
    at = heights_cm(profiler, profile)
    rise, run = at["upper_back"][2] - at["sacrum"][2], abs(at["upper_back"][0] - at["sacrum"][0])
    allowed = run * math.tan(math.radians(LEVEL_DEG))
    marks = (
        Mark("up", "sacrum", value_cm=round(at["sacrum"][2])),
        Mark("up", "upper_back", value_cm=round(at["upper_back"][2])),
    )
    drawing = Drawing(_HANDS, "both", {}, 0, marks)
    if -_LEVEL_TOLERANCE_CM <= rise <= allowed + _LEVEL_TOLERANCE_CM:
        words = said("Hands and knees: the back is level with hands and knees on the floor.")
        return [Fit(FitId.HANDS_LEVEL, "hands and knees level", 0.0, -2.0, 2.0, words, LEVEL, drawing=drawing)]
    gap, where = (-rise, "hands") if rise < 0 else (rise - allowed, "knees")
    made = stack(gap, room, 1.5, kinds=FIRM if where == "hands" else STACKABLE)
    sentence = _UNDER[where]
    made_up = (": ", made.says()) if made and made.pieces else ()
    words = said_together((said(sentence, cm=round(gap)), *made_up, "."))
    return [
        Fit(
            FitId.HANDS_LEVEL,
            _WHERE[where],
            round(gap),
            gap - 1.5,
            gap + 1.5,
            words,
            LEVEL,
            made_of=made.says() if made else "",
            drawing=drawing,
        )
    ]


def spacer_and_belt(profiler: Profiler) -> list[Fit]:
    """The roll between the knees that sets the thighs a little wider than the hips, and the belt that goes round them."""
    h = 100 * profiler.body.stature_m
    thick = 2 * 0.030 * h
    apart = 2 * HIP_HALF_WIDTH * h
    spacer = min(15.0, max(10.0, round(1.25 * apart - thick / 2 - 0.026 * h)))
    belt = 2 * (spacer + 0.052 * h) + 3.1416 * thick
    return [
        Fit(
            FitId.SPACER,
            "roll between the knees",
            spacer,
            10.0,
            15.0,
            said("Roll of {cm} cm between the knees.", cm=round(spacer)),
            COMMON_PRACTICE,
        ),
        Fit(
            FitId.BELT,
            "belt round the thighs",
            round(belt),
            belt,
            belt + 20,
            said("Belt of at least {cm} cm round the thighs, buckle and all.", cm=round(belt + 15)),
            COMMON_PRACTICE,
        ),
    ]


def band_poses(profiler: Profiler, room: Room) -> list[Request]:
    """The poses that `band_anchor` looks at."""
    seat = seat_for(profiler.body, room)
    values: dict[str, float | str] = (
        {"seat_cm": float(round(seat.height_cm))} if seat and 36 <= seat.height_cm <= 66 else {}
    )
    return [pose(profiler, _BAND, "left", **values)]


def band_anchor(profiler: Profiler, room: Room) -> list[Fit]:
    """Height of the anchor for pressing out in sitting, and how far to sit from it."""
    [profile] = profiler.profiles(band_poses(profiler, room))
    if profile.fault:
        return []
    anchor = next((b.anchor_cm for b in profile.frames[0].bands if b.anchor_cm), None)
    if anchor is None:
        return []
    away = abs(anchor[1])
    words = said("Band at {cm} cm, as high as the breastbone; sit {away_cm} cm to its side, further for more pull.", cm=round(anchor[2]), away_cm=round(away))
    drawing = Drawing(
        _BAND,
        "left",
        dict(profile.request.values),
        0,
        (Mark("up", "breastbone", value_cm=round(anchor[2])),),
    )
    return [
        Fit(
            FitId.BAND_ANCHOR,
            "anchor of the band",
            round(anchor[2]),
            anchor[2] - 5,
            anchor[2] + 5,
            words,
            COMMON_PRACTICE,
            drawing=drawing,
        )
    ]


def over_the_chair(profiler: Profiler, room: Room) -> list[Fit]:
    """How much of the trunk hangs over the far edge of a chair when the front of the pelvis is at the near one."""
    seat = seat_for(profiler.body, room)
    if seat is None or seat.depth_cm is None:
        return []
    at = {n: xyz[2] for n, xyz in standing_cm(profiler).items()}
    at = {"shoulder": at["right.shoulder"], "hip_bone": at["right.hip_bone"], "breastbone": at["breastbone"]}
    trunk = at["shoulder"] - at["hip_bone"]
    over = trunk - seat.depth_cm
    chest = at["breastbone"] - at["hip_bone"] - seat.depth_cm
    fits = chest > 0
    words = (
        said("Over the {seat}: {cm} cm of the trunk reach beyond the seat; the breastbone is free by {chest_cm} cm.", seat=seat.name, cm=round(over), chest_cm=round(chest))
        if fits
        else said("Over the {seat}: the seat is {cm} cm too deep, the breastbone still lies on it; a shallower one, or lie further forward on a cushion.", seat=seat.name, cm=round(-chest))
    )
    return [
        Fit(
            FitId.OVER_CHAIR,
            "over the chair",
            round(over),
            over - 3,
            over + 3,
            words,
            COMMON_PRACTICE,
            fits=fits,
            drawing=Drawing(
                "over_chair_lift/hands_press",
                "both",
                {},
                1,
                (
                    Mark(
                        "along",
                        "right.hip_bone",
                        "breastbone",
                        value_cm=round(at["breastbone"] - at["hip_bone"]),
                    ),
                ),
            ),
        )
    ]


__all__ = [
    "ARM_LOAD_PERCENT_BW",
    "band_anchor",
    "band_poses",
    "hands_level",
    "hands_poses",
    "over_the_chair",
    "spacer_and_belt",
    "wall_distance",
    "wall_distance_cm",
]
