"""One seat height where one will do, and furniture as high as it was measured."""

from dataclasses import replace

import pytest

from amvel.engine import Engine
from amvel.movements import Family, Step, all_steps
from amvel.movements.room_measures import Measured
from amvel.planning import Item, SetUp, violations
from amvel.planning.one_seat import on_one_seat, put_on_the_seat, raised_seat, sat_on_cm
from tests.conftest import demo
from tests.engines import engine_of, planned
from tests.planned import engine


def seated(ref: str, seat_cm: float, e: Engine) -> Item:
    values = next(r for r in e.requests() if r.label == ref).values
    return Item(ref, "sitting", (SetUp("both", {**values, "seat_cm": seat_cm}, 5),))


def one(e: Engine, *items: Item) -> tuple[Item, ...]:
    return on_one_seat(items, e.case, e.envelope_in("visit"), e.profiler, "visit")


def heights(items) -> set:
    return {s.values["seat_cm"] for i in items for s in i.set_ups if "seat_cm" in s.values}


def test_movements_that_bear_it_share_one_seat_and_say_that_they_were_changed() -> None:
    e = engine("painful-wrist")
    items = (seated("tall_sitting/unsupported", 44, e), seated("tall_hinge/hands_on_thighs", 44, e), seated("seated_leg_reach/heel_slides", 48, e))
    found = one(e, *items)
    assert heights(found) == {44}
    assert [i.set_ups[0].verdict for i in found] == ["as_is", "as_is", "modified"]


def test_a_seat_that_one_of_them_needs_higher_is_not_taken_from_it() -> None:
    """A new posterior hip bends less on a higher seat: the others come up to it, it never goes down to them."""
    e = engine("new-hip")
    programme = planned(e, "home")
    assert violations(e.case, e.envelope_in("home"), e.profiler, programme.movements, "home") == []
    bent = [s.values["seat_cm"] for i in programme.movements for s in i.set_ups if "seat_cm" in s.values]
    assert bent and min(bent) >= 44


@pytest.mark.parametrize("name", ["low-bone-mass", "painful-wrist", "tall-man-low-chair", "new-hip", "parkinson"])
def test_what_is_shared_stays_allowed(name: str) -> None:
    e = engine(name)
    for context in ("home", "visit"):
        items = planned(e, context).movements
        assert violations(e.case, e.envelope_in(context), e.profiler, items, context) == []
        again = on_one_seat(items, e.case, e.envelope_in(context), e.profiler, context)
        assert heights(again) == heights(items)


def test_a_seat_that_has_to_be_higher_says_what_is_put_on_it() -> None:
    e = engine("painful-wrist")
    room = e.case.room.model_copy(update={"seats": (e.case.room.seats[0].model_copy(update={"height_cm": 40.0}),)})
    item = seated("tall_sitting/unsupported", 46, e)
    says = put_on_the_seat(item, e.profiler.body, room)
    assert "book" in says and "46 cm" in says
    assert put_on_the_seat(replace(item, set_ups=(replace(item.set_ups[0], values={"seat_cm": 40.0}),)), e.profiler.body, room) == ""


@pytest.mark.parametrize(("asked_cm", "says", "cm"), [(43, "1 book", 43), (42, "1 book", 43), (41, "something firm", 41), (46, "2 books", 46), (44, "something firm", 44)])
def test_nobody_is_put_higher_or_lower_than_was_judged(asked_cm: int, says: str, cm: int) -> None:
    """A seat of 40 cm and books of 3 cm: within a centimetre above what is asked, never below it."""
    e = engine("painful-wrist")
    room = e.case.room.model_copy(update={"seats": (e.case.room.seats[0].model_copy(update={"height_cm": 40.0}),), "props": ()})
    words = put_on_the_seat(seated("tall_sitting/unsupported", asked_cm, e), e.profiler.body, room)
    assert says in words and f"{cm} cm" in words


@pytest.mark.parametrize("name", ["low-bone-mass", "painful-wrist", "tall-man-low-chair", "new-hip"])
def test_what_is_got_ready_is_what_is_planned(name: str) -> None:
    """The number on the list of what to get ready is the number beside the movement: books come in steps, the plan follows them."""
    e = engine(name)
    for context in ("home", "visit"):
        for item in planned(e, context).movements:
            raised = raised_seat(item, e.profiler.body, e.case.room_for(context))
            if raised is not None:
                assert sat_on_cm(item) == [pytest.approx(raised.height_cm)] * len(item.set_ups), item.ref


AT_A_WORKTOP = [pytest.param(f, s, id=f.ref(s)) for f, s in all_steps() if any(p.measured is Measured.WORKTOP for p in s.parameters)]


@pytest.mark.parametrize("cm", [84, 90, 96])
def test_a_worktop_is_planned_as_high_as_it_was_measured(cm: int) -> None:
    data = demo("painful-wrist")
    data["room"] = {**data["room"], "worktop": True, "worktop_height_cm": cm}
    e = engine_of(data)
    seen = 0
    for request in e.requests():
        for p in request.step.parameters:
            if p.measured is Measured.WORKTOP:
                assert request.values[p.id] == cm, request.label
                seen += 1
    assert seen > 20
    for item in planned(e, "home").movements:
        for s in item.set_ups:
            assert s.values.get("worktop_cm", cm) == cm and (item.ref != "counter_plank/short" or s.values["counter_cm"] == cm)


@pytest.mark.parametrize(("family", "step"), AT_A_WORKTOP)
def test_nothing_is_solved_by_moving_what_cannot_be_moved(family: Family, step: Step) -> None:
    assert all(p.easier == "" for p in step.parameters if p.measured in (Measured.WORKTOP, Measured.HAND_REST))
