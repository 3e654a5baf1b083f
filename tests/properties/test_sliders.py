"""Along a slider what a body can take is one stretch: no stop in its middle is closed while both its neighbours are open.

A hole is where a pose was not found, or was found toppling, although it can be taken: too strict is a fault too.
"""

import pytest

from amvel.answers.tried import Chosen, request_of
from amvel.movements import Parameter
from amvel.safety import sides_of
from tests.bodies import steps_under_test
from tests.conftest import demo
from tests.engines import engine_of

STOPS = 6


def spread(p: Parameter) -> list[float]:
    """Both ends and stops between them, on the grid of the slider."""
    steps = round((p.high - p.low) / p.grid)
    count = min(STOPS - 1, steps)
    return [round(p.low + round(steps * k / count) * p.grid, 6) for k in range(count + 1)]


def holes(faults: list[str]) -> list[str]:
    open_ = [i for i, fault in enumerate(faults) if not fault]
    return [f for f in faults[open_[0] : open_[-1]] if f] if open_ else []


def test_a_hole_is_seen_and_a_closed_end_is_none() -> None:
    assert holes(["", "falls", ""]) == ["falls"]
    assert holes(["too low", "", "", "too high"]) == holes(["", ""]) == holes(["never"]) == []


@pytest.mark.parametrize("name", ["low-bone-mass", "fit-seventy"])
def test_no_slider_of_the_library_has_a_hole(name: str) -> None:
    engine = engine_of(demo(name))
    sliders = [
        (
            f"{f.id}/{s.id} {p.id}",
            [request_of(engine, Chosen(f.id, s.id, sides_of(s)[0], {p.id: x})) for x in spread(p)],
        )
        for f, s in steps_under_test()
        for p in s.parameters
        if not p.choices
    ]
    engine.profiler.profiles([r for _, requests in sliders for r in requests])
    found = {
        label: at
        for label, requests in sliders
        if (at := holes([p.fault for p in engine.profiler.profiles(requests)]))
    }
    assert found == {}
