"""A drawing is made once for a body and a set-up, and is the same whether it is made or taken from a store."""

from amvel.answers.run_sheet import run_sheet
from amvel.case import read_case
from amvel.engine import Engine
from amvel.movements import Request, find
from amvel.movements.animation import animation
from amvel.movements.figure import figure
from amvel.movements.kept_pictures import Pictures
from amvel.planning import plan
from tests.conftest import demo
from tests.engines import engine_of

STEP = "side_bridge/light_hip"
SEATED = "sit_to_stand/two_legs"


class Drawer:
    """A store that counts what it did not have."""

    def __init__(self) -> None:
        self.kept: dict[tuple[str, str], list[str]] = {}
        self.missed = 0

    def find(self, body: str, name: str) -> list[str] | None:
        found = self.kept.get((body, name))
        self.missed += found is None
        return found

    def keep(self, body: str, name: str, drawn: list[str]) -> None:
        self.kept[body, name] = drawn


def asked(engine: Engine, ref: str = STEP, side: str = "left", **more: float) -> Request:
    family, step = find(ref)
    return Request(family, step, side, {**step.defaults(engine.profiler.body), **more})


LOOKS = [f.looks for f in find(STEP)[1].faults if f.looks]


def all_of(pictures: Pictures, request: Request) -> list[str]:
    return [pictures.figure(request), *pictures.animation(request), *(pictures.fault(request, w) for w in LOOKS)]


def test_without_a_store_everything_is_drawn_each_time() -> None:
    engine = engine_of(demo("fit-seventy"))
    request = asked(engine)
    profile = engine.profiler.profile(request)
    drawn = all_of(Pictures(engine.profiler), request)
    assert drawn[0] == figure(engine.profiler, profile)
    assert drawn[1 : -len(LOOKS)] == animation(engine.profiler, profile)


def test_what_is_taken_from_the_store_is_what_was_drawn() -> None:
    engine, store = engine_of(demo("fit-seventy")), Drawer()
    first = all_of(Pictures(engine.profiler, store), asked(engine))
    assert first == all_of(Pictures(engine.profiler), asked(engine))
    assert store.missed == len(store.kept) == 2 + len(LOOKS)
    assert all_of(Pictures(engine.profiler, store), asked(engine)) == first
    assert store.missed == 2 + len(LOOKS)


def test_another_side_measure_or_body_is_another_drawing() -> None:
    one, other, store = engine_of(demo("fit-seventy")), engine_of(demo("low-bone-mass")), Drawer()
    for engine, request in (
        (one, asked(one)),
        (one, asked(one, side="right")),
        (other, asked(other)),
        (one, asked(one, SEATED, "both")),
        (one, asked(one, SEATED, "both", seat_cm=52.0)),
    ):
        Pictures(engine.profiler, store).figure(request)
    assert store.missed == len(store.kept) == len({*map(tuple, store.kept.values())}) == 5


def test_a_pose_that_nobody_can_take_has_no_picture_and_is_not_tried_twice() -> None:
    engine, store = engine_of(demo("fit-seventy")), Drawer()
    low = asked(engine, SEATED, "both", seat_cm=8.0)
    assert engine.profiler.profile(low).fault
    for _ in range(2):
        assert all_of(Pictures(engine.profiler, store), low) == ["", *("" for _ in LOOKS)]
    assert store.missed == 2 + len(LOOKS)


def test_a_session_is_drawn_once_a_programme() -> None:
    """On the day after nothing is drawn, and the same is shown."""
    data = demo("fit-seventy")
    engine, store = Engine(read_case({**data, "stop_signs": {"asked_on": data["as_of"], "present": []}})), Drawer()
    engine.pictures_in = store
    programme = plan(engine, "home", 20)
    first = run_sheet(engine, programme.movements, "home", "A")
    drawn = store.missed
    assert drawn > len(first["movements"])
    tomorrow = engine.after(tuple(m.ref for m in programme.movements))
    assert run_sheet(tomorrow, programme.movements, "home", "A")["movements"][0]["sides"] == first["movements"][0]["sides"]
    assert run_sheet(engine, programme.movements, "home", "A") == first
    assert store.missed == drawn
