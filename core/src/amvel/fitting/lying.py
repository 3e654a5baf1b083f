"""Lying: the height under the calves, padding under head and waist, and the floor that is needed."""

import math

import numpy as np

from amvel.case import Room
from amvel.fitting.fit import Drawing, Fit, Mark, pose, standing_cm
from amvel.fitting.furniture import seat_for
from amvel.fitting.stacking import FOR_THE_HEAD, STACKABLE, Stack, stack
from amvel.languages import Message, said, said_together
from amvel.movements import Profiler, Request
from amvel.movements.back_shape import own_chest_pad_cm, own_head_pad_cm
from amvel.movements.families.breathing_rest import calf_support_cm
from amvel.movements.room_measures import FitId
from amvel.sources import COMMON_PRACTICE, ours

OUTLINE = ours("from the outline of the body model; give way to what looks level")
_CALVES, _SIDE, _FACE_DOWN = "breathing_rest/calves_on_seat", "clam/small_opening", "prone_breathing/hands_beside"
_LONGEST = (
    "opposite_arm_and_leg_supine/full_reach",
    "side_leg_raise/both_legs_long",
    "two_knee_roll/arms_wide",
)
_SPARE_CM = 30.0


def calf_support(profiler: Profiler, room: Room) -> list[Fit]:
    """What carries the calves with hips and knees at a right angle and the tailbone down."""
    height = calf_support_cm(profiler.body)
    shown = float(min(60, max(30, round(height))))
    drawing = Drawing(
        _CALVES, "both", {"calf_support_cm": shown}, 0, (Mark("up", "right.calf_under", value_cm=shown),)
    )
    seat = seat_for(profiler.body, room)
    if seat is None:
        words = said("Calves at {cm} cm on a chair or box.", cm=round(height))
        return [
            Fit(
                FitId.CALF_SUPPORT,
                "calf support",
                round(height),
                height - 2,
                height + 2,
                words,
                COMMON_PRACTICE,
                drawing=drawing,
            )
        ]
    gap = height - seat.height_cm
    made = stack(abs(gap), room, 1.5, kinds=STACKABLE)
    if abs(gap) <= 1.5:
        how = said("{seat} as it is", seat=seat.name)
    elif gap > 0:
        how = said("{seat} and {made}", seat=seat.name, made=made.says() if made else said("nothing here makes up the rest"))
    else:
        how = said("{seat}, and under the whole back and pelvis {made}", seat=seat.name, made=made.says() if made else said("a folded blanket"))
    words = said("Calves at {cm} cm: {how}. The tailbone stays down.", cm=round(height), how=how)
    return [
        Fit(
            FitId.CALF_SUPPORT,
            "calf support",
            round(height),
            height - 2,
            height + 2,
            words,
            COMMON_PRACTICE,
            made_of=made.says() if made and abs(gap) > 1.5 else "",
            fits=abs(gap) <= 1.5 or made is not None,
            drawing=drawing,
        )
    ]


def side_poses(profiler: Profiler) -> list[Request]:
    """The poses that `head_on_the_side` looks at."""
    return [pose(profiler, _SIDE, "left")]


def head_on_the_side(profiler: Profiler, room: Room) -> list[Fit]:
    """The pad between ear and floor that keeps the neck in line, lying on the side."""
    [profile] = profiler.profiles(side_poses(profiler))
    if profile.fault:
        return []
    pad = profile.frames[0].surfaces["head pad"].at_cm
    words = said("On the side: {cm} cm under the head, the nose in line with the breastbone", cm=round(pad))
    return [_pad(FitId.HEAD_SIDE, said("head pad on the side"), pad, words, room, (_SIDE, "left", "head_side_right"))]


def head_on_the_back(profiler: Profiler, room: Room) -> list[Fit]:
    """With a rounded upper back the head does not reach the floor lying down: what fills the gap."""
    gap = own_head_pad_cm(profiler.body)
    if not gap:
        words = said("On the back: no pad, or a folded towel for comfort.")
        return [Fit(FitId.HEAD_BACK, "head pad on the back", 0.0, 0.0, 2.0, words, OUTLINE)]
    words = said("On the back: {cm} cm under the head, the face level", cm=round(gap))
    return [_pad(FitId.HEAD_BACK, said("head pad on the back"), gap, words, room, ("breathing_rest/knees_bent", "both", "occiput"))]


def under_the_chest(profiler: Profiler, room: Room) -> list[Fit]:
    """With a rounded upper back the head would hang back face down: what fills the hollow of the chest; nothing for other backs."""
    hollow = own_chest_pad_cm(profiler.body)
    if not hollow:
        return []
    words = said("Face down: {cm} cm under the breastbone, so that the neck stays long", cm=round(hollow))
    return [_pad(FitId.CHEST, said("pad under the chest"), hollow, words, room, (_FACE_DOWN, "both", "breastbone"))]


def _pad(id: FitId, title: Message, height_cm: float, words: Message, room: Room, shown: tuple[str, str, str]) -> Fit:
    """A pad of soft things, since head or bone lies on it; `shown` at a step, on a side, under a landmark."""
    made, (ref, side, mark) = stack(height_cm, room, 1.5, kinds=FOR_THE_HEAD), shown
    return Fit(
        id,
        title,
        round(height_cm),
        height_cm - 1.5,
        height_cm + 1.5,
        said_together((words, *_of(made), ".")),
        OUTLINE,
        made_of=made.says() if made else "",
        drawing=Drawing(ref, side, {}, 0, (Mark("up", mark, value_cm=round(height_cm)),)),
    )


def waist_roll(profiler: Profiler) -> list[Fit]:
    """A roll that fills the hollow of the waist in side lying and is neither crushed nor left."""
    at, h, g = standing_cm(profiler), 100 * profiler.body.stature_m, profiler.body.girth
    hip, chest = abs(at["right.hip_side"][1]), 0.086 * h * (0.5 + 0.5 * g)
    gap = (hip + chest) / 2 - 0.072 * h * g
    if gap < 1.0:
        return [
            Fit(FitId.WAIST_ROLL, "waist roll", 0.0, 0.0, 1.0, said("On the side: the waist needs no roll."), OUTLINE)
        ]
    words = said("On the side: a loose towel roll of {cm} cm under the waist, neither crushed nor left.", cm=round(gap))
    return [Fit(FitId.WAIST_ROLL, "waist roll", round(gap), gap - 1, gap + 1, words, OUTLINE)]


def floor_poses(profiler: Profiler) -> list[Request]:
    """The poses that `free_floor` looks at."""
    return [pose(profiler, ref, "left") for ref in _LONGEST]


def free_floor(profiler: Profiler, room: Room) -> list[Fit]:
    """The free floor that lying takes: the longest reach of the library's lying steps and a hand's breadth of air."""
    spans = []
    for profile in profiler.profiles(floor_poses(profiler)):
        if not profile.fault and profile.posed is not None:
            points = 100 * profile.posed.points[:, :, :2]
            spans.append((np.ptp(points[..., 0]), np.ptp(points[..., 1])))
    if not spans:
        return []
    long, wide = (math.ceil((max(s[i] for s in spans) + _SPARE_CM) / 5) * 5 for i in (0, 1))
    there = room.free_floor_cm
    fits = there is None or there >= long
    asked = said("Free floor of {long} × {wide} cm for lying work", long=long, wide=wide)
    if there is None:
        end: str = "."
    elif fits:
        end = said("; {cm} cm is there.", cm=there)
    else:
        end = said("; only {cm} cm is there: shorter reaches, or the bed.", cm=there)
    words = said_together((asked, end))
    return [Fit(FitId.FREE_FLOOR, "free floor", long, long, 1000.0, words, OUTLINE, fits=fits)]


def _of(made: Stack | None) -> tuple[str, ...]:
    return (": ", made.says()) if made is not None and made.pieces else ()


__all__ = ["calf_support", "floor_poses", "free_floor", "head_on_the_back", "head_on_the_side", "side_poses", "under_the_chest", "waist_roll"]
