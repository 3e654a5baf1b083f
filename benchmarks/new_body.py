"""What a client never seen before costs, in seconds of processor time: run as a process of its own, in any checkout.

`python new_body.py CASE…` prints one JSON object a case.  Only what every version of the core has is used, so that two
checkouts can be run in turn on the same cases.
"""

import json
import sys
from collections.abc import Callable
from contextlib import suppress
from pathlib import Path
from statistics import median
from time import perf_counter, process_time

from amvel.case import read_case
from amvel.engine import Engine
from amvel.fitting import fits
from amvel.planning.next_test import next_tests

_STOPS = 30


def cpu_s(work: Callable[[], object]) -> float:
    start = process_time()
    work()
    return round(process_time() - start, 4)


def costs(path: Path) -> dict[str, object]:
    """Library profiled, judged with its changes in both contexts, tests that are due, fits of the room, one slider stop."""
    data = json.loads(path.read_text())
    out: dict[str, object] = {"case": path.stem, **costs_of(Engine(read_case(data)))}
    data["person"]["mass_kg"] += 0.25  # another body, so that nothing of the room is known
    other = Engine(read_case(data))
    getattr(other.profiler, "ceilings", None)  # what belongs to the body and not to its room is known by then
    out["room"] = cpu_s(lambda: fits(other.profiler, other.case.room, other.envelope))
    out["slider_s"] = _slider_s(other)
    return out


def costs_of(engine: Engine) -> dict[str, float]:
    """What nobody knows yet of somebody: the library, verdicts, tests that are due."""
    return {"library": cpu_s(engine.warm), "judge": cpu_s(lambda: engine.verdicts), "next_test": cpu_s(lambda: next_tests(engine))}


def _slider_s(engine: Engine) -> float:
    """One unknown stop of one slider, sketched as the web asks for it (seconds of the clock): the middle of some in a row."""
    from amvel.movements import Request, find

    family, step = find("knee_fold/single_fold")
    values = engine.values(family, step)
    engine.profiler.sketches([Request(family, step, "left", values)])

    def stop_s(hip_deg: float) -> float:
        start = perf_counter()
        engine.profiler.sketches([Request(family, step, "left", {**values, "hip_deg": hip_deg})])
        return perf_counter() - start

    return round(median(stop_s(45.0 + k) for k in range(_STOPS)), 5)


def main() -> None:
    with suppress(ImportError):  # as the entries of the product do, in a version that does
        from amvel.collecting import collect_seldom

        collect_seldom()
    paths = [Path(p) for p in sys.argv[1:]]
    data = json.loads(paths[0].read_text())
    data["person"]["stature_cm"] += 1.5
    first = Engine(read_case(data))  # compiled, imported, warm: the first body pays for that, not a client
    costs_of(first)
    fits(first.profiler, first.case.room, first.envelope)
    for path in paths:
        print(json.dumps(costs(path)), flush=True)


if __name__ == "__main__":
    main()
