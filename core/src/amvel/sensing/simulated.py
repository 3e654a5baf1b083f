"""Three sensors that do not exist, played from a script: clean, tired or faulty, with noise, drift and knocks.

What goes wrong is known, so that detectors can be measured on it.  The same seed plays the same trace.
"""

import random
from collections import deque
from collections.abc import Iterator
from dataclasses import dataclass
from math import pi, sin
from typing import Literal

from amvel.sensing.detectors import Failure
from amvel.sensing.readings import Reading, Sensor

Script = Literal["clean", "tired", "faulty"]
RATE_HZ = 20.0
BREATH_S, RISE = 5.0, 0.3  # one breath, and how far the belt stretches with it
REST_S = 24.0  # nothing goes wrong before: the rest that everything is compared with
EVERY_S = {"tired": (26.0, 40.0), "faulty": (14.0, 22.0)}
LASTS_S = 4.0


@dataclass(frozen=True)
class Event:
    """Something that goes wrong, from when on it could be seen, and until when."""

    failure: Failure
    from_s: float
    until_s: float


@dataclass(frozen=True)
class Trace:
    """Readings in the order of time, and what is wrong in them."""

    readings: tuple[Reading, ...]
    events: tuple[Event, ...]
    seconds: float


def played(script: Script, seconds: float, seed: int) -> Trace:
    rng, events = _begun(script, seconds, seed)
    return Trace(tuple(_readings(rng, events, seconds)), events, seconds)


def playing(script: Script, seconds: float, seed: int) -> Iterator[Reading]:
    """The readings of the same trace one after the other, for who plays them as they come."""
    return _readings(*_begun(script, seconds, seed), seconds)


def _begun(script: Script, seconds: float, seed: int) -> tuple[random.Random, tuple[Event, ...]]:
    rng = random.Random(f"{script} {seed}")
    return rng, tuple(_events(rng, script, seconds))


def _events(rng: random.Random, script: Script, seconds: float) -> Iterator[Event]:
    """One after the other, each kind in turn; a breath fails from the moment at which it should have risen."""
    if script == "clean":
        return
    t, kinds = REST_S, list(Failure)
    while True:
        t += rng.uniform(*EVERY_S[script])
        if t + 3 * BREATH_S > seconds:
            return
        failure = rng.choice(kinds)
        if failure is Failure.SHALLOW_BREATH:
            t = BREATH_S * (t // BREATH_S + 1)
            yield Event(failure, t, t + 2 * BREATH_S)
            t += 3 * BREATH_S
        else:
            yield Event(failure, t, t + LASTS_S)
            t += LASTS_S


def seen_from_s(e: Event) -> float:
    """When it can be seen: contact and pelvis at once, a shallow breath when it should have been half way up."""
    return e.from_s + (0.5 * BREATH_S if e.failure is Failure.SHALLOW_BREATH else 0.0)


def _readings(rng: random.Random, events: tuple[Event, ...], seconds: float) -> Iterator[Reading]:
    drift = {s: rng.uniform(-1, 1) * d for s, d in ((Sensor.CUFF, 0.02), (Sensor.BELT, 0.0006), (Sensor.TILT, 0.01))}
    way = {id(e): rng.choice((-1, 1)) * rng.uniform(1.35, 1.9) for e in events}
    knock_until, knock = {s: -1.0 for s in Sensor}, dict.fromkeys(Sensor, 0.0)
    to_come = deque(events)
    for i in range(int(seconds * RATE_HZ)):
        t = i / RATE_HZ
        while to_come and to_come[0].until_s <= t:
            to_come.popleft()
        now = to_come[0] if to_come and to_come[0].from_s <= t else None
        for sensor in Sensor:
            if rng.random() < 2 / 60 / RATE_HZ:  # two knocks a minute
                knock_until[sensor], knock[sensor] = t + rng.uniform(0.05, 0.2), rng.choice((-1, 1)) * rng.uniform(1.0, 2.0)
            value = _true(sensor, t, now, way) + drift[sensor] * t + rng.gauss(0, _NOISE[sensor])
            if t < knock_until[sensor]:
                value += knock[sensor] * _FULL[sensor]
            yield Reading(sensor, t, value)


_NOISE = {Sensor.CUFF: 0.7, Sensor.BELT: 0.01, Sensor.TILT: 0.25}
_FULL = {Sensor.CUFF: 10.0, Sensor.BELT: 0.25, Sensor.TILT: 4.0}


def _true(sensor: Sensor, t: float, now: Event | None, way: dict[int, float]) -> float:
    """What a sensor without noise would show, while `now` goes wrong."""
    if sensor is Sensor.BELT:
        shallow = now is not None and now.failure is Failure.SHALLOW_BREATH
        return 0.5 + (0.2 if shallow else 1.0) * RISE * 0.5 * (1 - _cos(t))
    base = 40.0 + 1.5 * sin(2 * pi * t / BREATH_S) if sensor is Sensor.CUFF else 12.0 + 0.6 * sin(2 * pi * t / BREATH_S)
    failure = Failure.CONTACT_LOST if sensor is Sensor.CUFF else Failure.PELVIC_ROCK
    away = way[id(now)] * _ramp(t, now) if now is not None and now.failure is failure else 0.0
    return base + away * _FULL[sensor]


def _cos(t: float) -> float:
    return sin(2 * pi * t / BREATH_S + pi / 2)


def _ramp(t: float, e: Event) -> float:
    """Half a second in, half a second out."""
    return max(0.0, min(1.0, 2 * (t - e.from_s), 2 * (e.until_s - t)))


__all__ = ["Event", "Script", "Trace", "played", "playing", "seen_from_s"]
