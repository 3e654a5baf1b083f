"""Figures of the rule-book that are others where a client is: what they touch, and what a house may not ask less of."""

import math

import pytest

from amvel.case import CaseError, read_case
from amvel.engine import Engine
from amvel.planning.changed_numbers import asks_less_than_its_source, loosened, touched
from amvel.safety import envelope
from amvel.safety.lines import Doubt, lines
from amvel.screening import find_out
from tests.conftest import demo
from tests.engines import engine_of
from tests.generated import base

ON = "2026-11-24"
DENSITY = {"test": "bone_density", "on": ON, "site": "total_hip", "t_score": -2.4}
OSTEOPOROSIS = ("screening.bone_status", "t_osteoporosis")


def thin_boned() -> Engine:
    return Engine(read_case(base("1950-05-01", "female", [], [DENSITY])))


def test_a_stricter_class_closes_and_opens_nothing() -> None:
    found = touched(thin_boned(), {OSTEOPOROSIS: -2.4})
    assert found is not None
    assert found["closes"] and not found["opens"] and not found["looser"]
    assert "low_bone_mass.loaded_flexion" in {x["id"] for x in found["limits"] if x["change"] == "new"}
    assert ("obligation", "new") in {(d["kind"], d["change"]) for d in found["duties"]}


def test_back_again_is_the_other_way_round() -> None:
    """What opens under the old figure is what the new one closed."""
    one = thin_boned()
    other = Engine(one.case.with_local({OSTEOPOROSIS: -2.4}))
    there, back = touched(one, {OSTEOPOROSIS: -2.4}), touched(other, {OSTEOPOROSIS: -2.5})
    assert there is not None and back is not None
    assert back["opens"] == there["closes"] and back["closes"] == there["opens"]
    assert "low_bone_mass.loaded_flexion" in back["looser"]


def test_who_is_far_from_it_is_not_touched() -> None:
    assert touched(engine_of(demo("fit-seventy")), {("stenosis", "extension_deg"): 3.0}) is None


def test_a_stop_sign_that_goes_is_looser_and_said() -> None:
    taken = {"test": "blood_pressure", "on": ON, "systolic_lying_mmhg": 185, "diastolic_lying_mmhg": 88}
    data = base("1950-05-01", "female", [], [taken]) | {
        "stop_signs": {"asked_on": ON, "present": []},
        "consent": {"on": ON, "given_by": "client", "capacity_confirmed": True},
    }
    found = touched(Engine(read_case(data)), {("test.blood_pressure", "stop_systolic_mmhg"): 190.0})
    assert found is not None
    assert "pressure_beyond_limit" in found["looser"]
    assert ("stop_sign", "gone") in {(d["kind"], d["change"]) for d in found["duties"]}


def test_a_local_number_is_read_wherever_its_rule_is() -> None:
    """A break whose force nobody knows counts from an age: for the class of the bone and for the rule's own limits alike."""
    broke = {"kind": "fracture", "site": "wrist", "on": "2024-02-01"}
    case = read_case(base("1974-05-01", "female", [broke], []))
    here = case.with_local({("screening.bone_status", "unknown_force_years"): 60.0})
    assert find_out(case).bone != find_out(here).bone
    assert loosened(envelope(find_out(case)), envelope(find_out(here)))


@pytest.mark.parametrize(
    ("owner", "number", "stricter", "weaker"),
    [("screening.bone_status", "t_osteoporosis", -2.4, -3.0), ("test.timed_up_and_go", "at_risk_s", 10.0, 16.0)],
)
def test_what_a_source_says_may_only_be_made_stricter(owner: str, number: str, stricter: float, weaker: float) -> None:
    line = next(x for x in lines() if (x.owner, x.number) == (owner, number))
    assert line.doubt is Doubt.MEMORY
    assert not asks_less_than_its_source(owner, number, stricter)
    assert line.source.title in asks_less_than_its_source(owner, number, weaker)


def test_our_own_number_may_move_either_way() -> None:
    ours = next(x for x in lines() if (x.owner, x.number) == ("stenosis", "extension_deg"))
    assert ours.doubt is Doubt.OURS and ours.value is not None
    for value in (ours.value / 2, ours.value * 2):
        assert not asks_less_than_its_source("stenosis", "extension_deg", value)


@pytest.mark.parametrize("value", [math.nan, math.inf, -1e9, "ten"])
def test_no_number_that_is_none(value: object) -> None:
    data = base("1950-05-01", "female", [], [])
    with pytest.raises(CaseError, match="local_numbers"):
        read_case({**data, "local_numbers": [{"rule": "stenosis", "number": "extension_deg", "value": value}]})


def test_two_values_of_one_number_contradict_each_other() -> None:
    one = {"rule": "stenosis", "number": "extension_deg", "value": 5.0}
    with pytest.raises(CaseError, match="contradict"):
        read_case({**base("1950-05-01", "female", [], []), "local_numbers": [one, {**one, "value": 6.0}]})


def test_answers_are_kept_apart_by_what_holds_where_the_client_is() -> None:
    """In another order they are the same; another value is another answer."""
    one, two = {("stenosis", "extension_deg"): 5.0}, {("wrist_trouble", "extension_deg"): 30.0}
    case = thin_boned().case
    there, back = Engine(case.with_local({**one, **two})), Engine(case.with_local({**two, **one}))
    assert there.verdicts_digest == back.verdicts_digest != Engine(case).verdicts_digest
    assert Engine(case.with_local({**one, ("wrist_trouble", "extension_deg"): 31.0})).verdicts_digest != there.verdicts_digest
    assert Engine(case.with_local(one)).digest != Engine(case).digest
