"""Getting there and back: no position without a technique that is open, and the plan says which."""

import pytest

from amvel.answers import programme_data
from amvel.engine import Engine
from amvel.planning import Item, SetUp
from amvel.planning.programme import ways_of
from amvel.safety.ways import Destination, techniques
from tests.conftest import demo
from tests.engines import engine_of, planned
from tests.generated import TODAY, base


def engine(*conditions: dict, birth: str = "1975-05-01", **more) -> Engine:
    noted = [{"noted_on": TODAY.isoformat(), **c} for c in conditions]
    return engine_of(base(birth, "female", noted, [], **more))


def ways(e: Engine, context: str = "visit"):
    return {w.to: w for w in e.ways[context]}


def test_somebody_healthy_gets_everywhere_by_the_taught_ways() -> None:
    found = ways(engine())
    assert all(w.open for w in found.values())
    first = {t.to: t.id for t in reversed(techniques())}
    assert {w.to: w.technique.id for w in found.values()} == first
    assert [s.ref for s in found[Destination.IN_BED].stages] == ["side_to_sitting/all_the_way"]
    assert [s.ref for s in found[Destination.TURNED_IN_BED].stages] == ["roll_to_the_side/to_the_side"]


def test_with_a_sore_over_the_sacrum_the_side_in_bed_stays_open_and_the_back_does_not() -> None:
    e = engine({"kind": "open_sore", "place": "sacrum"}, room={"bed_height_cm": 50, "bed_firmness": "firm"})
    found = ways(e)
    assert found[Destination.IN_BED].open
    assert not found[Destination.TURNED_IN_BED].open
    allowed = [v for v in e.judge(contexts=("visit",)) if v.allowed and v.profile.peak("bed_transfer") > 0]
    assert any(v.profile.peak("lying") > 0 for v in allowed)
    assert not any(v.profile.peak("on_the_back") > 0 for v in allowed)


def test_where_the_only_way_is_closed_the_floor_is_closed_and_the_reason_says_by_what() -> None:
    e = engine({"kind": "knee_trouble", "side": "left", "kneeling": "not_tolerated"}, {"kind": "knee_trouble", "side": "right", "kneeling": "not_tolerated"})
    assert not ways(e)[Destination.ON_THE_KNEES].open
    for ref in ("shoulder_blade_slide/slide", "breathing_rest/knees_bent"):
        for v in e.judge(*ref.split("/"), contexts=("visit",)):
            assert v.profile.peak("floor_transfer") == 0 or not v.allowed
            reason = next(b.limit for b in v.reasons if b.limit.id.startswith("ways."))
            assert "no way" in reason.reason and "knee" in reason.reason


def test_bed_takes_the_place_of_the_floor_where_only_the_floor_is_closed() -> None:
    e = engine(tolerates={"floor": "no", "lying_flat": "yes"})
    (v,) = e.judge("breathing_rest", "knees_bent", contexts=("home",))
    assert v.verdict == "modified"
    assert v.profile.request.values["lying_on"] == "firm bed"


def test_what_a_stiff_hip_closes_names_the_measurement_that_could_open_it() -> None:
    own = {"quantity": "loaded_trunk_flexion_deg", "bound": 2, "reason": "seen to hurt", "by": "J. Marsh", "on": TODAY.isoformat()}
    closed = ways(engine(own_limits=[own]))[Destination.ON_THE_KNEES]
    assert not closed.open
    assert "hip_flexion" in closed.opened_by


@pytest.mark.parametrize(
    ("told", "visit", "home"),
    [("unknown", False, False), ("alone", True, True), ("with_help", True, False), ("hoist", True, True)],
)
def test_who_is_told_to_get_into_bed_does_so_as_every_day(told: str, visit: bool, home: bool) -> None:
    cord = {"kind": "spinal_cord_injury", "level": "T4"}
    e = engine(cord, tolerates={"bed_transfer": told, "lying_flat": "yes"})
    assert ways(e)[Destination.IN_BED].open == visit
    assert ways(e, "home")[Destination.IN_BED].open == home


def test_separation_pressure_drop_fusion_and_hip_precautions_have_a_way_or_no_floor() -> None:
    drop = {"test": "blood_pressure", "on": TODAY.isoformat(), "systolic_lying_mmhg": 130, "diastolic_lying_mmhg": 80}
    drop |= {"systolic_standing_1min_mmhg": 105, "diastolic_standing_1min_mmhg": 75}
    cases = [
        engine({"kind": "abdominal_separation", "gap_finger_breadths": 3, "doming": True}),
        engine({"kind": "spinal_fusion", "from_level": "L3", "to_level": "S1", "on": "2020-01-01"}, tolerates={"floor": "yes"}),
        engine({"kind": "hip_replacement", "side": "left", "approach": "posterior", "on": "2026-10-20"}),
        engine_of(base("1975-05-01", "female", [], [drop])),
    ]
    for e in cases:
        for context in ("visit", "home"):
            there = ways(e, context)
            for v in e.judge(contexts=(context,)):
                if v.allowed and v.profile.peak("floor_transfer") > 0 and v.family not in ("floor_by_a_chair", "roll_to_the_side"):
                    assert there[Destination.ON_THE_KNEES].open, v.ref
                    if v.profile.peak("lying") > 0:
                        assert there[Destination.LYING_DOWN].open, v.ref


@pytest.mark.parametrize("name", ["low-bone-mass", "fused-spine", "parkinson"])
def test_a_plan_names_the_way_to_every_position_and_each_of_its_stages_is_open(name: str) -> None:
    e = engine_of(demo(name))
    programme = planned(e, "home")
    floor = any(s.values.get("lying_on") == "floor" for m in programme.movements for s in m.set_ups)
    named = {w["to"] for w in programme_data(programme, e)["ways"]}
    assert ("lying_down" in named) == floor
    for way in programme.ways:
        assert way.open and way.stages
        for stage in way.stages:
            family, _, step = stage.ref.partition("/")
            assert any(v.allowed and v.side == stage.side for v in e.judge(family, step, ("home",)))


def test_a_programme_of_chairs_needs_no_way() -> None:
    e = engine()
    values = next(r for r in e.requests() if r.label == "tall_sitting/unsupported").values
    assert ways_of(e, "home", [Item("tall_sitting/unsupported", "sitting", (SetUp("both", values, 5),))]) == ()


TOUCH = {"kind": "weight_bearing", "side": "right", "status": "touch", "since": "2026-11-01"}


def test_who_cannot_rise_by_any_pose_stands_for_nothing_until_the_rise_of_every_day_is_told() -> None:
    """A foot that may only touch: every rise of the library leans on it, or on one leg that nobody has seen alone."""
    old = engine(TOUCH, birth="1950-05-01")
    for context in ("visit", "home"):
        way = ways(old, context)[Destination.STANDING]
        assert not way.open and "observed_function" in way.opened_by
        standing = [v for v in old.judge(contexts=(context,)) if v.profile.peak("standing") > 0]
        assert standing and not any(v.allowed for v in standing)
    seen = {"test": "observed_function", "rises": "both_hands", "on": TODAY.isoformat()}
    told = engine_of(base("1950-05-01", "female", [{"noted_on": TODAY.isoformat(), **TOUCH}], [seen]))
    assert ways(told)[Destination.STANDING].open
    assert any(v.allowed for v in told.judge("one_leg_hinge", "one_leg", ("visit",)))
    before = {**seen, "on": "2026-10-20"}  # before the foot might only touch: it says nothing of today
    late = engine_of(base("1950-05-01", "female", [{"noted_on": TODAY.isoformat(), **TOUCH}], [before]))
    assert not ways(late)[Destination.STANDING].open


def test_a_rise_that_is_not_everybodys_is_named_by_a_plan_that_stands() -> None:
    e = engine(birth="1950-05-01")
    values = next(r for r in e.requests() if r.label == "heel_raise/firm_hand").values
    (way,) = ways_of(e, "home", [Item("heel_raise/firm_hand", "standing", (SetUp("both", values, 5),))])
    assert way.to is Destination.STANDING and [s.ref for s in way.stages] == ["sit_to_stand/with_hands"]
