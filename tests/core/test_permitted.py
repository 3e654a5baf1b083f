"""What may be used of each range: the narrowest limit of any of its measures, drawn on the side that has it."""

import re

import pytest

from amvel.engine import Engine
from amvel.movements.range_figure import range_figure
from amvel.safety.permitted import all_ranges, fans
from tests.engines import engine_of
from tests.generated import TODAY, base

HIP = {"kind": "hip_replacement", "side": "right", "approach": "posterior", "on": TODAY.isoformat(), "noted_on": TODAY.isoformat()}
BONE = {"test": "bone_density", "on": TODAY.isoformat(), "site": "total_hip", "t_score": -2.8}


@pytest.fixture
def hip() -> Engine:
    return engine_of(base("1955-05-01", "female", [HIP], []))


def drawn(engine: Engine, view: str) -> list[str]:
    """The words of one picture."""
    own = [f for f in fans(engine.profiler.capacities, engine.envelope) if f.view == view]
    return re.findall(r">([^<>]+)</text>", range_figure(engine.profiler.body, view, own))


def test_a_surgeons_bend_narrows_the_hip_that_it_speaks_of(hip: Engine) -> None:
    """90° with 5° of margin (`safety.md` §2a), by whichever measure of the bend is larger."""
    rows = {r["id"]: r for r in all_ranges(hip.profiler.capacities, hip.envelope)}
    assert rows["right.hip_flexion"]["loaded"] == 85
    assert rows["left.hip_flexion"]["loaded"] == rows["left.hip_flexion"]["available"]


def test_the_side_with_the_limit_is_the_one_that_is_drawn_from_the_side(hip: Engine) -> None:
    words = drawn(hip, "side")
    assert "hip bend right 90°" in words and "up to 85°" in words
    assert "hip back 10°" in words  # alike on both sides: no side is named


def test_numbers_are_named() -> None:
    words = drawn(engine_of(base("1955-05-01", "female", [], [BONE])), "side")
    place = words.index("rounding 40°")
    assert words[place + 1 : place + 3] == ["unloaded 20°", "loaded 10°"]


@pytest.mark.parametrize("view", ["side", "front", "above"])
def test_every_word_lies_inside_its_picture(hip: Engine, view: str) -> None:
    own = [f for f in fans(hip.profiler.capacities, hip.envelope) if f.view == view]
    svg = range_figure(hip.profiler.body, view, own)
    left, top, width, height = map(float, re.search(r'viewBox="([-\d. ]+)"', svg)[1].split())
    for x, y, size, anchor, text in re.findall(r'<text x="([-\d.]+)" y="([-\d.]+)" font-size="([\d.]+)"[^>]*text-anchor="(\w+)"[^>]*>([^<]+)<', svg):
        broad = 0.6 * float(size) * len(text) * (1 if anchor == "start" else -1)
        assert left <= min(float(x), float(x) + broad) and max(float(x), float(x) + broad) <= left + width, text
        assert top <= float(y) - 0.7 * float(size) and float(y) <= top + height, text
