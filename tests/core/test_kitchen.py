"""A kitchen with one 44-cm chair, one wall and one towel, for somebody who cannot kneel or lie on the floor."""

from amvel.engine import Engine
from amvel.fitting import check_room
from amvel.movements import find
from amvel.planning import violations
from amvel.planning.reach import FUNCTIONS, SERVES
from tests.conftest import demo
from tests.engines import engine_of, planned

KITCHEN = {
    "name": "kitchen",
    "seats": [{"name": "chair", "height_cm": 44, "depth_cm": 42, "firmness": "firm"}],
    "wall": True,
    "props": ["towel"],
}


def engine(**more) -> Engine:
    data = demo("low-bone-mass")
    data["room"] = KITCHEN
    data["tolerates"] = {**data["tolerates"], "floor": "no", "kneeling": "no", "face_down": "no"}
    return engine_of({**data, **more})


def test_one_chair_one_wall_and_one_towel_make_a_full_programme() -> None:
    e = engine()
    found = planned(e, "home")
    assert len(found.movements) >= 6
    assert found.minutes >= 0.7 * e.case.wishes.minutes
    assert violations(e.case, e.envelope_in("home"), e.profiler, found.movements, "home") == []
    assert all(o.by for o in found.obligations), [o.why_not for o in found.obligations if not o.by]
    for item in found.movements:
        family = find(item.ref)[0]
        assert family.position in ("sitting", "standing", "at the wall")
    covered = {p for m in found.movements for p, w in find(m.ref)[1].purposes.items() if w >= SERVES}
    assert len(covered & set(FUNCTIONS)) >= 8
    room = e.case.room
    for item in found.movements:
        used = check_room(e.profiler.body, room, *find(item.ref), [s.values for s in item.set_ups])
        assert used.lacking == (), item.ref


def test_every_function_still_has_a_step_or_the_reason() -> None:
    """For who cannot get to the floor and cannot kneel (Show of the library): an admissible step, or the limits in the way."""
    e = engine()
    allowed = {v.ref for v in e.verdicts if v.context == "visit" and v.allowed}
    for function in FUNCTIONS:
        serving = [r for r in {v.ref for v in e.verdicts} if find(r)[1].purposes.get(function, 0) >= SERVES]
        left = [r for r in serving if r in allowed]
        reasons = [b.limit.says() for v in e.verdicts if v.ref in serving and not v.allowed for b in v.reasons]
        assert left or reasons, function
        assert left, (function, sorted(set(reasons)))


def test_the_floor_is_named_where_it_is_in_the_way() -> None:
    e = engine()
    found = planned(e, "home")
    assert any("floor" in why for ref, why in found.why_not.items() if find(ref)[0].on_floor)
