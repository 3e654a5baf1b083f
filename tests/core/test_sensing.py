"""Failures read from sensors: found in time, and not where there are none; lines and tables that say the same."""

import itertools

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from amvel.movements import all_steps
from amvel.movements.faults import faults_to_watch
from amvel.sensing import Detectors, Failure, Reading, Sensor
from amvel.sensing.quality import found_in, quality
from amvel.sensing.readings import ReadingError, from_csv, read_line, to_csv
from amvel.sensing.simulated import Script, played


def detected(sensor: Sensor, *values: float, every_s: float = 0.05) -> list[tuple[Failure, float]]:
    detectors = Detectors()
    return [(d.failure, round(d.t_s, 2)) for i, v in enumerate(values) for d in detectors.take(Reading(sensor, i * every_s, v))]


def cuff(mmhg: float, seconds: float = 4.0) -> list[float]:
    """Forty for two seconds, then this."""
    return [40.0] * 40 + [mmhg] * int(20 * seconds)


class TestContact:
    """±10 mmHg from 40 (common practice, no source)."""

    @pytest.mark.parametrize(("mmhg", "lost"), [(49.5, False), (50.5, True), (30.5, False), (29.5, True)])
    def test_ten_from_forty(self, mmhg: float, lost: bool) -> None:
        assert bool(detected(Sensor.CUFF, *cuff(mmhg))) is lost

    def test_it_is_said_within_two_seconds_and_once(self) -> None:
        [(failure, t_s)] = detected(Sensor.CUFF, *cuff(20))
        assert failure is Failure.CONTACT_LOST
        assert 2.0 < t_s < 4.0

    def test_a_knock_is_none(self) -> None:
        assert detected(Sensor.CUFF, *([40.0] * 40 + [75.0] * 4 + [40.0] * 60)) == []

    def test_slow_drift_is_none(self) -> None:
        drifted = [40 + 0.02 * i / 20 for i in range(20 * 600)]  # 12 mmHg in ten minutes
        assert detected(Sensor.CUFF, *drifted) == []


def test_a_pelvis_that_tips_by_more_than_four_degrees_rocks() -> None:
    assert detected(Sensor.TILT, *([11.0] * 60 + [14.5] * 40)) == []
    assert [f for f, _ in detected(Sensor.TILT, *([11.0] * 60 + [16.0] * 40))] == [Failure.PELVIC_ROCK]


@pytest.mark.parametrize("seed", range(3))
def test_a_clean_script_raises_nothing_in_five_minutes(seed: int) -> None:
    assert found_in(played("clean", 300.0, seed)) == []


@pytest.mark.parametrize("script", ["tired", "faulty"])
def test_what_goes_wrong_is_found_within_two_seconds(script: Script) -> None:
    q = quality(played(script, 300.0, seed) for seed in range(4))
    assert q.events > 10
    assert q.recall >= 0.95
    assert q.false_a_minute <= 0.2
    assert q.longest_s <= 2.0


def test_every_failure_speaks_for_a_fault_that_a_step_knows() -> None:
    known = {f.id for _, step in all_steps() for f in faults_to_watch(step)}
    assert {f.value for f in Failure} <= known


numbers = st.floats(-500, 500).map(lambda x: round(x, 3) + 0.0)
readings = st.lists(st.builds(Reading, st.sampled_from(Sensor), st.floats(0, 5000).map(lambda x: round(x, 3)), numbers), max_size=30)


@settings(max_examples=60)
@given(readings)
def test_lines_and_tables_say_the_same(trace: list[Reading]) -> None:
    assert [read_line(r.line()) for r in trace] == trace
    assert from_csv(to_csv(trace)) == trace


@pytest.mark.parametrize(
    ("line", "field"),
    [
        ("{", "line"),
        ("[1]", "line"),
        ('{"sensor": "ears", "t_s": 1, "value": 2, "unit": "1"}', "sensor"),
        ('{"sensor": "cuff", "t_s": 1, "value": 2, "unit": "kPa"}', "unit"),
        ('{"sensor": "cuff", "t_s": "soon", "value": 2, "unit": "mmHg"}', "t_s"),
        ('{"sensor": "cuff", "t_s": 1, "value": NaN, "unit": "mmHg"}', "value"),
    ],
)
def test_what_is_no_reading_is_refused_with_its_field(line: str, field: str) -> None:
    with pytest.raises(ReadingError, match=field):
        read_line(line)


def test_a_row_that_is_no_reading_names_its_row() -> None:
    good = to_csv([Reading(Sensor.CUFF, 0.0, 40.0)])
    with pytest.raises(ReadingError, match="row 3: value"):
        from_csv(good + "0.05,cuff,high,mmHg\n")
    with pytest.raises(ReadingError, match="row 1"):
        from_csv("a,b\n1,2\n")


def test_traces_of_one_seed_are_the_same_and_of_two_are_not() -> None:
    a, b, c = (played("faulty", 60.0, s).readings for s in (1, 1, 2))
    assert a == b != c
    assert all(x.t_s <= y.t_s for x, y in itertools.pairwise(a))
