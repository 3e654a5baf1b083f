"""Failures read from sensors as they come, one reading at a time.

Thresholds: contact is lost at ±10 mmHg from the 40 that the cushion was set to; a breath is shallow below half of the resting
one; a pelvis rocks when it tips by more than 4° from where it was (common practice, no source; the filters are our choice).
"""

from collections import deque
from collections.abc import Iterator
from dataclasses import dataclass, field
from enum import StrEnum
from statistics import median

from amvel.languages import Message, said
from amvel.sensing.readings import Reading, Sensor


class Failure(StrEnum):
    """What can be read from them, by the fault of a step that it speaks for."""

    CONTACT_LOST = "low_back_arches"
    SHALLOW_BREATH = "breath_held"
    PELVIC_ROCK = "pelvis_rocks"


SAYS: dict[Failure, Message] = {
    Failure.CONTACT_LOST: said("The cushion under the back has lost its pressure."),
    Failure.SHALLOW_BREATH: said("The breath has become shallow."),
    Failure.PELVIC_ROCK: said("The pelvis rocks."),
}


@dataclass(frozen=True)
class Detected:
    """One failure at the time at which it was noticed."""

    failure: Failure
    t_s: float


SET_MMHG, LOST_MMHG = 40.0, 10.0
SHALLOW_SHARE = 0.5
ROCKS_DEG = 4.0
SPIKE_S = 0.25  # what is shorter is a knock against the sensor
LASTS_S = 0.3  # so long it has to be beyond
QUIET_S = 3.0  # then the same may be said again
_SLOW_S = 30.0  # how quickly the middle follows a drift


@dataclass
class _Middle:
    """A median over a moment, which a knock does not move."""

    seconds: float
    held: deque[tuple[float, float]] = field(default_factory=deque)

    def add(self, t_s: float, value: float) -> float:
        self.held.append((t_s, value))
        while self.held and t_s - self.held[0][0] > self.seconds:
            self.held.popleft()
        return median(v for _, v in self.held)


@dataclass
class _Beyond:
    """Says once that a deviation has lasted, and again only after it was away for a while."""

    since: float | None = None
    said: bool = False
    last: float = float("-inf")

    def lasting(self, t_s: float, beyond: bool) -> bool:
        if not beyond:
            if self.said and t_s - self.last > QUIET_S:
                self.said = False
            self.since = None
            return False
        self.last = t_s
        if self.since is None:
            self.since = t_s
        if self.said or t_s - self.since < LASTS_S:
            return False
        self.said = True
        return True


@dataclass
class _Deviation:
    """A value against a middle that follows drift, but not a failure."""

    limit: float
    centre: float | None
    middle: _Middle = field(default_factory=lambda: _Middle(2 * SPIKE_S))
    beyond: _Beyond = field(default_factory=_Beyond)
    before_s: float | None = None

    def failed(self, t_s: float, value: float) -> bool:
        smooth = self.middle.add(t_s, value)
        if self.centre is None:
            self.centre = smooth
        away = smooth - self.centre
        if self.before_s is not None and abs(away) < 0.6 * self.limit:
            self.centre += away * min(1.0, (t_s - self.before_s) / _SLOW_S)
        self.before_s = t_s
        return self.beyond.lasting(t_s, abs(away) > self.limit)


RESTING_BREATHS = 3
_LEAST_SWING = 0.02


@dataclass
class _Breath:
    """Each breath against the resting ones: how far it rises, and whether it comes at all."""

    middle: _Middle = field(default_factory=lambda: _Middle(2 * SPIKE_S))
    low: tuple[float, float] | None = None  # the lowest since the last turn down
    high: tuple[float, float] | None = None  # the highest since the last turn up
    rising: bool = False
    began: tuple[float, float] | None = None  # the low from which this breath rises
    top: float = 0.0  # how high it has come
    rests: list[tuple[float, float, float]] = field(default_factory=list)  # rise, seconds of it, seconds of the whole breath
    beyond: _Beyond = field(default_factory=_Beyond)

    @property
    def usual(self) -> tuple[float, float, float] | None:
        if len(self.rests) < RESTING_BREATHS:
            return None
        rise, up_s, all_s = (median(x[i] for x in self.rests) for i in range(3))
        return rise, up_s, all_s

    def failed(self, t_s: float, value: float) -> bool:
        smooth = self.middle.add(t_s, value)
        self._turn(t_s, smooth)
        usual = self.usual
        if usual is None or self.began is None:
            return False
        rise, up_s, all_s = usual
        self.top = max(self.top, smooth)
        since = t_s - self.began[0]
        # By now the breath in should be over, or the next one should have begun and come half way.
        small = since > up_s and self.top - self.began[1] < SHALLOW_SHARE * rise
        held = since > all_s + 0.6 * up_s
        return self.beyond.lasting(t_s, small or held)

    def _turn(self, t_s: float, value: float) -> None:
        """Follow the extremes; a turn is one when it goes back by a sixth of the usual rise."""
        usual = self.usual
        back = usual[0] / 6 if usual is not None else _LEAST_SWING
        if self.low is None or self.high is None:
            self.low = self.high = (t_s, value)
        elif self.rising:
            if value >= self.high[1]:
                self.high = (t_s, value)
            elif self.high[1] - value > back:
                self.rising, self.low = False, (t_s, value)
        elif value <= self.low[1]:
            self.low = (t_s, value)
        elif value - self.low[1] > back:
            self._next_breath(self.low)
            self.rising, self.high, self.top = True, (t_s, value), value

    def _next_breath(self, low: tuple[float, float]) -> None:
        if self.began is not None and self.high is not None and len(self.rests) < RESTING_BREATHS:
            self.rests.append((self.high[1] - self.began[1], max(0.5, self.high[0] - self.began[0]), low[0] - self.began[0]))
        self.began = low


class Detectors:
    """All of them over one trace; the first breaths and the first seconds are the rest that everything is compared with."""

    def __init__(self) -> None:
        self._cuff = _Deviation(LOST_MMHG, SET_MMHG)
        self._tilt = _Deviation(ROCKS_DEG, None)
        self._breath = _Breath()

    def take(self, r: Reading) -> Iterator[Detected]:
        """What this reading makes known."""
        if r.sensor is Sensor.CUFF and self._cuff.failed(r.t_s, r.value):
            yield Detected(Failure.CONTACT_LOST, r.t_s)
        if r.sensor is Sensor.TILT and self._tilt.failed(r.t_s, r.value):
            yield Detected(Failure.PELVIC_ROCK, r.t_s)
        if r.sensor is Sensor.BELT and self._breath.failed(r.t_s, r.value):
            yield Detected(Failure.SHALLOW_BREATH, r.t_s)


__all__ = ["SAYS", "Detected", "Detectors", "Failure"]
