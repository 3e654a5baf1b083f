"""What a condition is, it says itself; no room lists conditions by name."""

import ast
from pathlib import Path
from typing import get_args

import pytest

import amvel
from amvel.case import CONDITIONS, Case, read_case
from amvel.case.schools import QUESTIONS as SCHOOLS
from amvel.case.stop_sign_names import StopSignName
from amvel.case.traits import Trait
from amvel.safety.schools import schools_for
from amvel.screening.cautions import no_bending_test, no_standing, no_strain, unsafe_neck
from amvel.screening.contradictions import contradictions
from amvel.screening.findings import find_out
from amvel.screening.library import test_library as library
from amvel.screening.stop_signs import QUESTIONS, asked_of
from tests.generated import base

ROOMS = Path(amvel.__file__).parent


def with_conditions(*conditions: dict[str, object], born: str = "1961-05-01", **more: object) -> Case:
    return read_case(base(born, "female", [{"noted_on": "2026-11-20", **c} for c in conditions], [], **more))


def _compared_names(tree: ast.AST) -> set[str]:
    """Every string constant that stands in a comparison or a set, tuple, list or mapping key."""
    found: set[str] = set()
    for node in ast.walk(tree):
        parts: list[ast.expr | None] = []
        if isinstance(node, ast.Compare):
            parts = [node.left, *node.comparators]
        elif isinstance(node, ast.Tuple | ast.List | ast.Set):
            parts = list(node.elts)
        elif isinstance(node, ast.Dict):
            parts = list(node.keys)
        found |= {p.value for p in parts if isinstance(p, ast.Constant) and isinstance(p.value, str)}
    return found


def test_no_room_of_the_core_decides_by_a_condition_s_name() -> None:
    """Examples of rules name the kind they are an example of; nothing else does."""
    lone = {"device", "fracture", "fall", *SCHOOLS}  # words that also name something else: a make, a question of the schools
    listed = {}
    for file in ROOMS.rglob("*.py"):
        names = _compared_names(ast.parse(file.read_text())) & (set(CONDITIONS) - lone - {file.stem})
        if names:
            listed[str(file.relative_to(ROOMS))] = names
    assert listed == {}


@pytest.mark.parametrize("name", get_args(StopSignName))
def test_every_stop_sign_is_asked_of_somebody(name: str) -> None:
    assert QUESTIONS[name].of_everybody or any(name in m.STOP_SIGNS for m in CONDITIONS.values())


def test_a_condition_adds_its_own_questions() -> None:
    assert "upper_neck_signs" in asked_of(with_conditions({"kind": "down_syndrome"}))
    assert "upper_neck_signs" not in asked_of(with_conditions())


@pytest.mark.parametrize(
    ("condition", "avoided"),
    [
        ({"kind": "heart_disease", "what": "unstable_angina"}, True),
        ({"kind": "heart_disease", "what": "stable"}, False),
        ({"kind": "muscle_disease"}, True),
        ({"kind": "stroke", "side": "left", "shoulder": "free"}, True),
        ({"kind": "rounded_back", "extra_deg": 10}, False),
    ],
)
def test_who_may_not_hold_to_exhaustion(condition: dict[str, object], avoided: bool) -> None:
    assert bool(no_strain(with_conditions(condition))) is avoided


@pytest.mark.parametrize(
    ("level", "avoided"),
    [(3, False), (4, True)],
)
def test_gross_motor_level_four_is_not_tested_standing_and_loses_bone(level: int, avoided: bool) -> None:
    child = with_conditions({"kind": "cerebral_palsy", "gross_motor_level": level})
    assert bool(no_standing(child)) is avoided
    assert (find_out(child).bone.tier == "osteoporosis") is avoided


def test_a_leg_that_may_only_touch_is_not_tested_standing_and_one_that_carries_is() -> None:
    touch = {"kind": "weight_bearing", "side": "left", "status": "touch", "since": "2026-11-01"}
    assert no_standing(with_conditions(touch)).startswith(CONDITIONS["weight_bearing"].TITLE)
    assert not no_standing(with_conditions({**touch, "status": "as_tolerated"}))


def test_a_neck_that_only_hurts_is_measured_and_a_rheumatoid_one_is_not_taken_to_its_end() -> None:
    assert not unsafe_neck(with_conditions({"kind": "neck_trouble", "what": "painful"}))
    assert unsafe_neck(with_conditions({"kind": "neck_trouble", "what": "rheumatoid"}))


def test_a_direction_that_was_tested_and_hurts_counts_like_the_named_pain() -> None:
    bends = {"kind": "provoked_pain", "direction": "bending_forward", "since": "2026-11-01"}
    assert no_bending_test(with_conditions(bends))
    assert not no_bending_test(with_conditions({**bends, "direction": "turning", "side": "left"}))
    flat = schools_for(with_conditions(bends, schools={"low_back": "flat"}))
    assert [r.question for r in flat.refused] == ["low_back"]


def test_sugar_is_measured_first_with_insulin_and_asked_of_nobody_else() -> None:
    insulin = find_out(with_conditions({"kind": "diabetes_medicine"}))
    assert [a.id for a in insulin.assumptions if a.first and a.test == "blood_sugar"] == ["blood_sugar"]
    assert not find_out(with_conditions()).assumed("blood_sugar")
    assert library()["blood_sugar"].gate


def test_a_clearing_older_than_the_operation_counts_for_nothing_and_is_shown() -> None:
    word = {
        "kind": "clears", "clears": "after_birth", "name": "N. Hollins", "role": "midwife", "profession": "midwife", "on": "2026-09-01",
    }
    birth = {"kind": "after_birth", "on": "2026-10-25", "by": "vaginal"}
    old = with_conditions(birth, clinician_words=[word], born="1991-05-01")
    assert [c.path for c in contradictions(old)] == ["$.clinician_words[0].on"]
    fresh = with_conditions({**birth, "on": "2026-08-25"}, clinician_words=[word], born="1991-05-01")
    assert not contradictions(fresh)


def test_every_trait_is_some_condition_s() -> None:
    held = {t for kind in CONDITIONS for example in CONDITIONS[kind].EXAMPLES for t in with_conditions({"kind": kind, **example}).conditions[0].traits()}
    assert set(Trait) <= held
