"""Long answers in processes of their own: the same answers, the same refusals, and an end together with the server."""

import os
import signal
from collections.abc import Iterator

import pytest

from amvel import answers
from amvel.case import read_case
from amvel.engine import Engine
from amvel.planning import ProgrammeBlocked, plan
from amvel.tried import Chosen, judged_stops, tried
from clients import apart
from tests.alike import alike
from tests.conftest import demo

CLAM = Chosen("clam", "small_opening", "left", context="visit")


@pytest.fixture
def lanes(settings) -> Iterator[None]:
    settings.LONG_ANSWERS_APART = True
    yield
    apart.stop()
    apart._lanes.clear()


def engine_for(name: str, **sections: object) -> Engine:
    return Engine(read_case({**demo(name), **sections}))


def process_number(engine: Engine) -> int:
    return os.getpid()


def its_niceness(engine: Engine) -> int:
    return os.nice(0)


def its_past(engine: Engine) -> tuple[str, ...]:
    return engine.case.previous_steps


def end_unless(engine: Engine, spared: int) -> int:
    """Kill the process that runs this, unless it is the one to be spared."""
    if os.getpid() != spared:
        os.kill(os.getpid(), signal.SIGKILL)
    return os.getpid()


def test_an_answer_is_the_same_wherever_it_is_worked_out(lanes: None) -> None:
    engine = engine_for("stroke")
    assert apart.ask(answers.screen, engine) == answers.screen(engine)
    assert alike(apart.ask(tried, engine, CLAM, lane=apart.SEEKING), tried(engine, CLAM))
    along = (CLAM, "open_deg", [5.0, 10.0])
    assert alike(apart.ask(judged_stops, engine, *along, lane=apart.STANDING), judged_stops(engine, *along))


def test_each_lane_is_one_other_process_that_gives_way(lanes: None) -> None:
    engine = engine_for("stroke")
    first, again = apart.ask(process_number, engine), apart.ask(process_number, engine)
    other = apart.ask(process_number, engine, lane=apart.SEEKING)
    assert first == again and len({os.getpid(), first, other}) == 3
    assert apart.ask(its_niceness, engine) > os.nice(0)


def test_a_refusal_crosses_over_with_its_words(lanes: None) -> None:
    stopped = engine_for("stroke", stop_signs={**demo("stroke")["stop_signs"], "present": ["chest_pain"]})
    assert stopped.stop_signs
    with pytest.raises(ProgrammeBlocked) as there:
        apart.ask(plan, stopped)
    with pytest.raises(ProgrammeBlocked) as here:
        plan(stopped)
    assert str(there.value) == str(here.value)


def test_what_somebody_has_behind_them_goes_along(lanes: None) -> None:
    engine = engine_for("stroke")
    assert apart.ask(its_past, engine.after(("clam/small_opening",))) == ("clam/small_opening",)
    assert apart.ask(its_past, engine) == ()


def test_a_process_that_was_killed_costs_no_answer_is_told_and_replaced(lanes: None, caplog) -> None:
    engine = engine_for("stroke")
    assert apart.ask(end_unless, engine, os.getpid()) == os.getpid()
    assert "judging lane has ended" in caplog.text
    assert apart.ask(process_number, engine) != os.getpid()


def test_nothing_is_built_for_somebody_who_does_not_wait(lanes: None) -> None:
    assert apart.solved_share(engine_for("stroke")) == 0.0


def test_the_bar_hears_how_much_is_solved_and_never_more_than_all() -> None:
    heard: list[float] = []
    engine = Engine(read_case(demo("stroke")), told=heard.append)
    engine.warm()
    assert heard == sorted(heard) and heard[-1] == 1.0 and heard[0] < 1.0
    assert engine.solved_share() == 1.0 and not engine.is_judged


def test_without_lanes_everything_is_answered_where_it_is_asked(settings) -> None:
    settings.LONG_ANSWERS_APART = False
    assert apart.ask(process_number, engine_for("stroke")) == os.getpid()
    assert apart.solved_share(engine_for("fit-seventy")) <= 1.0
