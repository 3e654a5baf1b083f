"""One value of one sensor, as a line of JSON and as a row of a table (docs/sensors.md)."""

import csv
import io
import json
import math
from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum


class Sensor(StrEnum):
    """The kinds that are understood."""

    CUFF = "cuff"  # air cushion under the low back, mmHg, set to 40 at the start
    BELT = "belt"  # breath belt, share of its stretch, unit free
    TILT = "tilt"  # pelvic tilt, degrees, any zero


UNITS = {Sensor.CUFF: "mmHg", Sensor.BELT: "1", Sensor.TILT: "deg"}
_COLUMNS = ("t_s", "sensor", "value", "unit")


class ReadingError(ValueError):
    """A line or a row that is no reading; the message names the field."""


@dataclass(frozen=True)
class Reading:
    """A value at a time in seconds since the trace began."""

    sensor: Sensor
    t_s: float
    value: float

    def line(self) -> str:
        """One line of the protocol."""
        return json.dumps({"sensor": self.sensor, "t_s": round(self.t_s, 3), "value": round(self.value, 3), "unit": UNITS[self.sensor]})


def read_line(text: str) -> Reading:
    """The reading of a line; raises ReadingError."""
    try:
        data = json.loads(text)
    except ValueError as error:
        raise ReadingError("line: not JSON") from error
    if not isinstance(data, dict):
        raise ReadingError("line: a JSON object is expected")
    return _reading(data)


def to_csv(readings: Iterable[Reading]) -> str:
    """A trace as a table with a head."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\n")
    table.writerow(_COLUMNS)
    for r in readings:
        table.writerow((f"{r.t_s:.3f}", r.sensor.value, f"{r.value:.3f}", UNITS[r.sensor]))
    return out.getvalue()


def from_csv(text: str) -> list[Reading]:
    """The trace of a table; raises ReadingError naming the row."""
    rows = csv.DictReader(io.StringIO(text))
    if tuple(rows.fieldnames or ()) != _COLUMNS:
        raise ReadingError(f"row 1: the columns are {', '.join(_COLUMNS)}")
    out = []
    for i, row in enumerate(rows, 2):
        try:
            out.append(_reading(row))
        except ReadingError as error:
            raise ReadingError(f"row {i}: {error}") from error
    return out


def _reading(data: dict[str, object]) -> Reading:
    try:
        sensor = Sensor(str(data.get("sensor")))
    except ValueError as error:
        raise ReadingError(f"sensor: one of {', '.join(Sensor)}") from error
    if data.get("unit") != UNITS[sensor]:
        raise ReadingError(f"unit: {UNITS[sensor]} for {sensor}")
    numbers = []
    for name in ("t_s", "value"):
        try:
            number = float(str(data.get(name)))
        except ValueError as error:
            raise ReadingError(f"{name}: a number") from error
        if not math.isfinite(number):
            raise ReadingError(f"{name}: a finite number")
        numbers.append(number)
    return Reading(sensor, numbers[0], numbers[1])


__all__ = ["UNITS", "Reading", "ReadingError", "Sensor", "from_csv", "read_line", "to_csv"]
