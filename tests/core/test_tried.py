"""A step with measures chosen by hand: the request, the pictures, and stops along a slider."""

from dataclasses import replace

import pytest

from amvel import answers
from amvel.answers.tried import Chosen, drawn, judged_stops, posed_stops, request_of, tried
from amvel.body import Falls
from amvel.engine import Engine
from amvel.movements import UnknownMovement, find
from tests.alike import alike, same_picture
from tests.conftest import demo
from tests.engines import engine_of

STAND = Chosen("sit_to_stand", "two_legs", "both")
VISIT = replace(STAND, context="visit")
SEATS = [40.0, 44.0, 52.0]


@pytest.fixture(scope="module")
def engine() -> Engine:
    return engine_of(demo("low-bone-mass"))


def test_a_measure_is_held_inside_its_range(engine: Engine) -> None:
    seat = next(p for p in find("sit_to_stand/two_legs")[1].parameters if p.id == "seat_cm")
    low = request_of(engine, replace(STAND, values={"seat_cm": seat.low - 10}))
    high = request_of(engine, replace(STAND, values={"seat_cm": seat.high + 10}))
    assert (low.values["seat_cm"], high.values["seat_cm"]) == (seat.low, seat.high)


@pytest.mark.parametrize("values", [{"no_such_measure": 3.0}, {"seat_cm": "high"}])
def test_what_is_no_measure_of_the_step_changes_nothing(engine: Engine, values: dict) -> None:
    assert request_of(engine, replace(STAND, values=values)).values == request_of(engine, STAND).values


def test_a_word_that_is_no_choice_changes_nothing(engine: Engine) -> None:
    assert request_of(engine, Chosen("clam", "small_opening", "left", {"lying_on": "cloud"})).values[
        "lying_on"
    ] in ("floor", "firm bed")
    assert (
        request_of(engine, Chosen("clam", "small_opening", "left", {"lying_on": "firm bed"})).values["lying_on"]
        == "firm bed"
    )


def test_the_room_of_the_context_is_where_the_values_start(engine: Engine) -> None:
    family, step = find("sit_to_stand/two_legs")
    for context in ("visit", "home"):
        assert request_of(engine, replace(STAND, context=context)).values == engine.values(
            family, step, context
        )


@pytest.mark.parametrize("side", ["left", "up", ""])
def test_a_side_that_the_step_has_not_is_refused_by_name(engine: Engine, side: str) -> None:
    with pytest.raises(UnknownMovement, match=f"no side '{side}'"):
        request_of(engine, replace(STAND, side=side))


def test_a_stop_is_drawn_alike_before_and_after_it_is_judged(engine: Engine) -> None:
    """The picture must not jump when the verdict comes."""
    along = (VISIT, "seat_cm", SEATS)
    posed, judged = posed_stops(engine, *along), judged_stops(engine, *along)
    assert [s["value"] for s in posed] == [s["value"] for s in judged] == SEATS
    assert all(same_picture(a["svg"], b["svg"]) for a, b in zip(posed, judged, strict=True))
    assert not same_picture(posed[0]["svg"], judged[-1]["svg"])
    assert len({s["svg"] for s in posed}) == len(SEATS)
    assert all(s["verdict"] is None for s in posed) and all(s["verdict"] for s in judged)


def test_frames_on_the_way_only_add_to_the_peaks(engine: Engine) -> None:
    along = (VISIT, "seat_cm", SEATS)
    for posed, judged in zip(posed_stops(engine, *along), judged_stops(engine, *along), strict=True):
        less = {k for k, v in posed["peaks"].items() if judged["peaks"][k] < v - 0.05 - 0.002 * abs(v)}
        assert less <= {"coordination", "speed_deg_s"}, less


def test_a_judged_stop_says_what_the_full_answer_says_of_the_pose_as_it_stands(engine: Engine) -> None:
    for stop in judged_stops(engine, VISIT, "seat_cm", SEATS):
        full = tried(engine, VISIT.at("seat_cm", stop["value"]))
        assert alike(full["profile"]["peaks"], stop["peaks"]) and same_picture(full["svg"], stop["svg"])
        assert alike(full["verdict"]["reasons"], stop["verdict"]["reasons"])
        as_it_stands = full["verdict"]["verdict"] in ("as_is", "by_override")
        assert as_it_stands == (stop["verdict"]["verdict"] in ("as_is", "by_override"))


def test_a_known_verdict_is_passed_on_and_nothing_is_sought(engine: Engine, monkeypatch) -> None:
    found = next(v for v in engine.judge("tall_turn", contexts=("visit",)) if v.verdict == "modified")
    stored = answers.verdict_data(found)
    monkeypatch.setattr("amvel.answers.tried.judge_one", lambda *a: pytest.fail("sought again"))
    page = tried(
        engine, Chosen(found.family, found.step, found.side, stored["original_values"], "visit"), stored
    )
    assert page["verdict"] is stored
    assert page["modified_svg"] and page["modified_svg"] != page["svg"]


def test_only_another_version_has_a_second_picture(engine: Engine) -> None:
    for v in engine.judge("tall_turn", contexts=("visit",)):
        page = tried(engine, Chosen(v.family, v.step, v.side, dict(v.original.request.values), "visit"))
        assert bool(page["modified_svg"]) == (v.verdict == "modified"), v.ref


def test_what_fails_only_on_its_way_is_drawn_and_what_cannot_be_taken_is_not(engine: Engine) -> None:
    sound = engine.profiler.profile(request_of(engine, STAND))
    assert drawn(engine, replace(sound, fault=Falls("between two frames")))
    beyond = request_of(engine, Chosen("breathing_rest", "knees_bent", "both", {"heel_distance_cm": 22.0}))
    profile = engine.profiler.profile(beyond)
    assert profile.fault and drawn(engine, profile) == ""
