"""Seats: for a right angle at the knee, for a hip bend that must not be passed, and the lowest one to rise from."""

from collections.abc import Callable

from amvel.case import Room, Seat
from amvel.fitting.fit import Drawing, Fit, Mark, posed
from amvel.fitting.furniture import seat_for, why_not_seat
from amvel.fitting.stacking import stack
from amvel.languages import said, said_together
from amvel.movements import Profiler, find
from amvel.movements.room_measures import FitId
from amvel.movements.seats import SEAT, own_seat_cm
from amvel.safety import Envelope, check
from amvel.sources import COMMON_PRACTICE

TOLERANCE_CM = 2.0
HIP = ("hip_flexion_deg", "left.hip_flexion_deg", "right.hip_flexion_deg")
_NOTHING = said("nothing here makes that up")
_SITS, _RISES = "tall_sitting/unsupported", "sit_to_stand/with_hands"


def level_thighs(profiler: Profiler, room: Room) -> list[Fit]:
    """The seat at which the thighs lie level, and what makes it up on each seat of the room."""
    own = own_seat_cm(profiler.body)
    drawing = seat_drawing(round(own))
    words = said("Seat of {cm} cm: thighs level, feet flat.", cm=round(own))
    best = seat_for(profiler.body, room)
    out = [
        Fit(
            FitId.SEAT,
            "seat",
            round(own),
            own - TOLERANCE_CM,
            own + TOLERANCE_CM,
            words,
            COMMON_PRACTICE,
            drawing=drawing,
        )
    ]
    return out + [_raised(profiler, room, seat, own, seat is best) for seat in room.seats]


def _raised(profiler: Profiler, room: Room, seat: Seat, own: float, best: bool) -> Fit:
    """What one seat needs to come to the height of this person's own."""
    title = said("raise of the {seat}", seat=seat.name)
    why = why_not_seat(seat, profiler.body)
    if why:
        return Fit(
            FitId.SEAT_RAISE, title, 0.0, 0.0, 0.0, said("{seat}: not used, {why}.", seat=seat.name, why=why), COMMON_PRACTICE, fits=False
        )
    gap = own - seat.height_cm
    use = said("Use") if best else said("Or")
    which = {"use": use, "seat": seat.name, "seat_cm": seat.height_cm}
    if gap > TOLERANCE_CM:
        made = stack(gap, room, TOLERANCE_CM)
        says = said("{use} the {seat} ({seat_cm} cm), {cm} cm higher: {made}.", **which, cm=round(gap), made=made.says() if made else _NOTHING)
        return Fit(
            FitId.SEAT_RAISE,
            title,
            round(gap),
            gap - TOLERANCE_CM,
            gap + TOLERANCE_CM,
            says,
            COMMON_PRACTICE,
            made_of=made.says() if made else "",
            fits=made is not None,
            drawing=seat_drawing(round(own)),
            best=best,
        )
    if gap < -TOLERANCE_CM:
        made = stack(-gap, room, TOLERANCE_CM)
        says = said("{use} the {seat} ({seat_cm} cm) with the feet {cm} cm up: {made}.", **which, cm=round(-gap), made=made.says() if made else said("a firm box"))
        return Fit(
            FitId.FOOT_REST,
            said("under the feet at the {seat}", seat=seat.name),
            round(-gap),
            -gap - TOLERANCE_CM,
            -gap + TOLERANCE_CM,
            says,
            COMMON_PRACTICE,
            made_of=made.says() if made else "",
            best=best,
        )
    return Fit(
        FitId.SEAT_RAISE,
        title,
        0.0,
        -TOLERANCE_CM,
        TOLERANCE_CM,
        said("{use} the {seat} ({seat_cm} cm) as it is.", **which),
        COMMON_PRACTICE,
        best=best,
    )


def under_a_hip_limit(profiler: Profiler, room: Room, envelope: Envelope) -> list[Fit]:
    """The lowest seat that keeps the hip bend of sitting tall under the strictest limit on it."""
    bounds = [
        x
        for x in envelope.limits
        if x.quantity in HIP and not x.at_least and x.strength != "caution" and not x.only_step
    ]
    if not bounds:
        return []
    limit = min(bounds, key=lambda x: x.bound)
    lowest = seat_for_hip(profiler, limit.bound)
    if lowest is None:
        words = said("No seat up to {cm} cm keeps the hips at {deg}° in sitting: half sitting or standing instead.", cm=SEAT.high, deg=limit.bound)
        return [Fit(FitId.HIP_SEAT, "seat for the hip", 0.0, 0.0, 0.0, words, limit.source, fits=False)]
    seat = seat_for(profiler.body, room)
    gap = lowest - seat.height_cm if seat else 0.0
    made = stack(gap, room, TOLERANCE_CM, at_least=True) if seat and gap > 0 else None
    own = made.says() if made else said("as it is") if gap <= 0 else _NOTHING
    words = said("Seat of at least {cm} cm: hip bend in sitting stays under {deg}°.", cm=round(lowest), deg=limit.bound)
    if seat:
        words = said_together((words, " ", said("On the {seat}: {made}.", seat=seat.name, made=own)))
    return [
        Fit(
            FitId.HIP_SEAT,
            "seat for the hip",
            lowest,
            lowest,
            SEAT.high,
            words,
            limit.source,
            made_of=made.says() if made else "",
            fits=gap <= 0 or made is not None,
            drawing=seat_drawing(lowest),
        )
    ]


def seat_for_hip(profiler: Profiler, hip_deg: float) -> float | None:
    """The lowest seat (cm) at which sitting tall bends neither hip beyond `hip_deg`; None when none does."""

    def bends(seat_cm: float) -> bool:
        profile = posed(profiler, _SITS, seat_cm=seat_cm)
        return (
            not profile.fault
            and max(profile.peak(f"{s}.hip_flexion_deg") for s in ("left", "right")) <= hip_deg
        )

    return _lowest(bends)


def lowest_to_rise_from(profiler: Profiler, room: Room, envelope: Envelope) -> list[Fit]:
    """The lowest seat from which rising with the hands holds every limit in the visit."""

    def rises(seat_cm: float) -> bool:
        profile = posed(profiler, _RISES, seat_cm=seat_cm)
        return check(profile, envelope, "visit").allowed

    lowest = _lowest(rises)
    if lowest is None:
        return [
            Fit(
                FitId.RISING_SEAT,
                "lowest seat to rise from",
                0.0,
                0.0,
                0.0,
                said("Rising alone is not within the limits from any seat up to {cm} cm.", cm=SEAT.high),
                COMMON_PRACTICE,
                fits=False,
            )
        ]
    seat = seat_for(profiler.body, room)
    gap = lowest - seat.height_cm if seat else 0.0
    made = stack(gap, room, TOLERANCE_CM, at_least=True) if gap > 0 else None
    words = said("Rise from seats of {cm} cm or more.", cm=round(lowest))
    if seat and gap > 0:
        own = made.says() if made else _NOTHING
        words = said_together((words, " ", said("On the {seat}: {made}.", seat=seat.name, made=own)))
    return [
        Fit(
            FitId.RISING_SEAT,
            "lowest seat to rise from",
            lowest,
            lowest,
            SEAT.high,
            words,
            COMMON_PRACTICE,
            made_of=made.says() if made else "",
            fits=gap <= 0 or made is not None,
            drawing=Drawing(
                _RISES, "both", {"seat_cm": lowest}, 0, (Mark("up", "right.sit_bone", value_cm=lowest),)
            ),
        )
    ]


def _lowest(holds: Callable[[float], bool]) -> float | None:
    """The first grid value of the seat, from below, at which it holds there and above; bisected, the top tried first."""
    low, high = int(SEAT.low), int(SEAT.high)
    if not holds(float(high)):
        return None
    while high > low:
        middle = (low + high) // 2
        low, high = (low, middle) if holds(float(middle)) else (middle + 1, high)
    return float(high)


def seat_drawing(seat_cm: float) -> Drawing:
    """Somebody sitting tall on a seat so high, with its height beside it."""
    low, high = find(_SITS)[1].parameters[0].low, find(_SITS)[1].parameters[0].high
    shown = float(min(high, max(low, seat_cm)))
    return Drawing(_SITS, "both", {"seat_cm": shown}, 0, (Mark("up", "right.sit_bone", value_cm=shown),))


__all__ = ["TOLERANCE_CM", "level_thighs", "lowest_to_rise_from", "seat_drawing", "seat_for_hip", "under_a_hip_limit"]
