"""The bed instead of the floor: offered to who cannot get down and up, and to nobody else."""

import pytest

from amvel.case import Room, Seat
from amvel.engine import Engine
from amvel.fitting.needs import check_room
from amvel.movements import Request, all_steps, find, library
from amvel.movements.bed import BED, LYING_ON
from amvel.movements.needs import Furniture
from amvel.safety import EXCLUDED, MODIFIED
from tests.engines import engine_of
from tests.generated import base


def engine(floor: str) -> Engine:
    tolerates = {"floor": floor, "kneeling": floor, "lying_flat": "yes", "face_down": "yes"}
    return engine_of(base("1975-05-01", "female", [], [], tolerates=tolerates))


def verdict(floor: str, ref: str):
    family, step = ref.split("/")
    return engine(floor).judge(family, step, contexts=("visit",))[0]


@pytest.mark.parametrize(
    "ref", ["deep_abdominal_set/draw_on_breath_out", "clam/small_opening", "prone_breathing/hands_beside"]
)
def test_who_cannot_get_to_the_floor_gets_the_bed_and_not_a_lesser_session(ref: str) -> None:
    found = verdict("no", ref)
    assert found.verdict == MODIFIED
    assert found.profile.request.values[LYING_ON.id] == BED
    assert verdict("yes", ref).profile.request.values[LYING_ON.id] != BED


@pytest.mark.parametrize("ref", ["breathing_rest/calves_on_seat", "loaded_90_90_breathing/one_leg", "supported_heel_slide/on_a_box"])
def test_calves_lie_on_a_bolster_where_a_chair_cannot_stand(ref: str) -> None:
    found = verdict("no", ref)
    assert found.verdict == MODIFIED
    family, step = find(ref)
    room = Room(bed_height_cm=50, bed_firmness="firm", seats=(Seat(name="chair", height_cm=44),))
    there = check_room(engine("no").profiler.body, room, family, step, [found.profile.request.values])
    assert there.lacking == ()
    assert {u.id for u in there.uses} >= {"bolster", Furniture.BED}
    assert Furniture.SEAT not in {u.id for u in there.uses}


@pytest.mark.parametrize("ref", ["over_chair_lift/hands_press", "bent_knee_fall_out/on_a_long_roller", "belly_lift/with_the_breath"])
def test_what_needs_furniture_at_floor_height_or_firm_knees_stays_on_the_floor(ref: str) -> None:
    assert verdict("no", ref).verdict == EXCLUDED


def test_the_bed_changes_the_way_there_and_nothing_of_the_pose() -> None:
    e = engine("yes")
    family, step = find("clam/small_opening")
    values = e.values(family, step)
    floor, bed = (
        e.profiler.profile(Request(family, step, "left", {**values, LYING_ON.id: on})) for on in ("floor", BED)
    )
    changed = [name for name in floor.columns if (floor.columns[name] != bed.columns[name]).any()]
    assert sorted(changed) == ["bed_transfer", "floor_transfer"]


def test_every_lying_family_that_is_planned_has_a_step_for_the_bed() -> None:
    lying = ("on the back", "on the side")
    for family in library().values():
        if (
            family.position in lying
            and not family.asked_for
            and family.id != "side_to_sitting"  # it begins in bed
        ):
            assert any(p.id == LYING_ON.id for s in family.steps for p in s.parameters), family.id


def test_nothing_upright_offers_the_bed() -> None:
    for family, step in all_steps():
        if family.position in ("standing", "sitting", "at the wall", "kneeling", "hands and knees"):
            assert all(p.id != LYING_ON.id for p in step.parameters), (family.id, step.id)
