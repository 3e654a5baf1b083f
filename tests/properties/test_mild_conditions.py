"""Too strict is a fault of equal rank: any single condition of mild degree, fully and well tested, keeps every function."""

from datetime import date

import pytest

from amvel.case import CONDITIONS
from amvel.engine import Engine
from amvel.movements import PURPOSES, find
from amvel.planning.reach import ENOUGH, FUNCTIONS, SERVES, healthy_case
from tests.engines import engine_of
from tests.generated import TODAY

ON = TODAY.isoformat()
# What a mild degree is, where the condition has degrees: ours.
MILD = {
    "sacroiliac_pain": {"side": "left", "since": "2026-06-01"},
    "fracture": {"site": "wrist", "on": "2024-10-02", "from_standing_height_or_less": True},
    "denosumab": {"last_dose_on": "2026-10-10"},
    "after_birth": {"on": "2026-02-01", "by": "vaginal"},
    "abdominal_surgery": {"on": "2025-06-01"},
    "spinal_fusion": {"from_level": "L4", "to_level": "S1", "on": "2022-03-10"},
    "flexion_sciatica": {"side": "left", "since": "2026-06-20", "provoking_neural_line_deg": 62},
    "sternotomy": {"on": "2026-01-20"},
    "pacemaker": {"side": "left", "on": "2026-05-01"},
    "hip_replacement": {"side": "left", "on": "2024-03-01", "approach": "anterior"},
    "knee_trouble": {"side": "left"},
    "cognitive_impairment": {"severity": "mild"},
    "learning_disability": {"severity": "mild"},
    "cerebral_palsy": {"gross_motor_level": 1},
    "abdominal_separation": {"gap_finger_breadths": 2, "doming": False},
    "heart_disease": {"what": "stable"},
    "weight_bearing": {"side": "left", "status": "as_tolerated", "since": "2026-11-01"},
    "fear_of_falling": {"confidence_0_to_10": 8},
    "parkinson": {"stage": 1},
    "multiple_sclerosis": {"walks": "freely"},
    "muscle_disease": {"walks": "freely"},
    "walking_aid": {"what": "stick"},
    "open_sore": {"place": "elbow", "side": "left"},
    "worn_support": {"what": "wrist_splint", "side": "left", "off_for_exercise": "yes"},
    "stroke": {"side": "left", "shoulder": "free"},
    "pelvic_floor": {"symptoms": ["leaking"]},
    "spondylolisthesis": {"grade": 1, "fresh": "no"},
    "scoliosis": {"convexity": "right", "region": "thoracic", "cobb_deg": 14},
    "fall": {"on": "2026-06-01"},
    "low_mood": {},
    "spinal_pain": {"since": "2026-06-01"},
}
# By their nature not of a mild degree, or meant to keep somebody from a function: each with why.
NOT_MILD = {
    "does_not_walk": "there is no standing work",
    "wheelchair_user": "there is no standing work",
    "spinal_cord_injury": "paralysed muscles are not trained",
}


def engine(kind: str, given: dict) -> Engine:
    years = 32 if kind in ("pregnancy", "after_birth") else 12 if kind == "no_periods" else 60
    birth = date(TODAY.year - years, 3, 1)
    return engine_of(healthy_case(TODAY, birth, [{"kind": kind, "noted_on": ON, **given}]))


def served(e: Engine, function: str) -> list[str]:
    """Steps of the library that serve a function and are open in the visit, as they are or changed."""
    allowed: dict[str, bool] = {}
    rows = e.table.allowed(e.envelope_in("visit"), "visit")
    for label, fine in zip(e.table.labels, rows, strict=True):
        allowed[label] = allowed.get(label, False) or bool(fine)
    serving = [r for r in allowed if find(r)[1].purposes.get(function, 0) >= SERVES]
    found = [r for r in serving if allowed[r]]
    if len(found) < ENOUGH:
        found = sorted({v.ref for r in serving for v in e.judge(*r.split("/"), contexts=("visit",)) if v.allowed})
    return found


@pytest.mark.parametrize("kind", [k for k in CONDITIONS if k not in NOT_MILD])
def test_a_mild_condition_well_tested_keeps_every_function(kind: str) -> None:
    given = MILD.get(kind, CONDITIONS[kind].EXAMPLES[0])
    e = engine(kind, given)
    thin = {f: served(e, f) for f in FUNCTIONS if f in PURPOSES}
    assert {f: left for f, left in thin.items() if len(left) < ENOUGH} == {}


def test_what_is_listed_is_a_condition() -> None:
    assert set(MILD) | set(NOT_MILD) <= set(CONDITIONS)
    assert all(why.strip() for why in NOT_MILD.values())
