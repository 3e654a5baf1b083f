"""Sources say what stands behind a number; figures that tests decide by are tried like those of rules."""

from datetime import date

import pytest

from amvel import literature
from amvel.case import read_case
from amvel.numbers import Number, in_force
from amvel.safety import envelope, rulebook
from amvel.safety.lines import Doubt, lines
from amvel.screening import find_out, stop_signs
from amvel.screening.standards import standards
from amvel.sources import COMMON_PRACTICE, Kind, Source, ours, practice
from tests.generated import base

TODAY = date(2026, 11, 24)
ON = TODAY.isoformat()
WORKS = {k: v for k, v in vars(literature).items() if isinstance(v, Source)}
WALK = {"test": "timed_up_and_go", "on": ON, "seconds": 11.0}
BALANCED = (
    {
        "test": "four_stage_balance",
        "on": ON,
        "side_by_side_s": 10,
        "semi_tandem_s": 10,
        "tandem_s": 10,
        "one_leg_s": 8,
    },
    {"test": "chair_stand_30s", "on": ON, "count": 15},
    WALK,
)


@pytest.mark.parametrize("name", WORKS)
def test_a_work_has_authors_a_year_and_a_title_and_says_that_it_is_from_memory(name: str) -> None:
    work = WORKS[name]
    assert work.kind in (Kind.PUBLICATION, Kind.GUIDELINE)
    assert work.authors and work.title and 1950 < (work.year or 0) <= TODAY.year
    assert work.from_memory and not work.reading and "from memory" in str(work)


def test_no_work_stands_twice() -> None:
    assert len({(w.authors, w.year, w.title) for w in WORKS.values()}) == len(WORKS)


@pytest.mark.parametrize(
    "wrong",
    [
        {"kind": Kind.PUBLICATION, "authors": "Nobody", "title": "x"},
        {"kind": Kind.GUIDELINE, "authors": "Nobody", "year": 2020},
        {"kind": Kind.PRACTICE, "authors": "Nobody"},
        {"kind": Kind.OURS},
        {"kind": Kind.WORD},
    ],
)
def test_a_source_that_says_less_than_its_kind_promises_is_refused(wrong: dict) -> None:
    with pytest.raises(ValueError, match=r"^Source\."):
        Source(**wrong)


def test_a_citation_says_where_it_is_from_and_how_far_it_is_the_sources_own() -> None:
    said = str(literature.GREEN.says("wall to occiput > 0 cm"))
    assert said == "Green et al. 2004, JAMA 292: wall to occiput > 0 cm (from memory)"
    assert str(literature.BULL.as_read).endswith("(our reading, from memory)")
    assert str(COMMON_PRACTICE) == "common practice, no source"
    assert str(practice("x", reading=True)) == "common practice, no source: x (our reading)"
    assert str(ours("half a year")) == "half a year (our choice)"


def test_every_rule_and_standard_says_when_it_was_read_and_who_is_to_check_it() -> None:
    for owner in (*rulebook().values(), *standards().values()):
        assert owner.read_on < owner.check_again_on
        assert owner.check_by.value, owner.id
        assert date(2026, 11, 1) <= owner.read_on


def test_rules_were_not_all_read_on_one_day() -> None:
    assert len({r.read_on for r in rulebook().values()}) > 1


def test_every_line_stands_once_says_its_doubt_and_changes_its_mark_with_what_it_says() -> None:
    found = lines()
    assert len({(x.owner, x.number) for x in found}) == len(found)
    assert {x.doubt for x in found} == set(Doubt)
    owners = {x.owner for x in found}
    assert owners == set(rulebook()) | set(standards())
    assert len({x.digest for x in found}) > 0.9 * len(found)
    by_name = {(x.owner, x.number): x for x in found}
    assert by_name["screening.bone_status", "t_osteoporosis"].value == -2.5
    assert by_name["screening.bone_status", "t_osteoporosis"].doubt is Doubt.MEMORY
    assert by_name["stenosis", "extension_deg"].doubt is Doubt.OURS


def test_numbers_of_later_versions_do_not_reach_back() -> None:
    versions = (
        Number("x", 1, "s", "x", COMMON_PRACTICE, date(2026, 1, 1)),
        Number("x", 2, "s", "x", COMMON_PRACTICE, date(2027, 1, 1)),
    )
    for day, value in ((date(2025, 5, 5), 1), (date(2026, 5, 5), 1), (date(2027, 1, 1), 2)):
        assert in_force("o", versions, day, {}) == {"x": value}
        assert in_force("o", versions, day, {("o", "x"): 9.0}) == {"x": 9.0}
        assert in_force("o", versions, day, {("other", "x"): 9.0}) == {"x": value}


def test_a_local_cut_of_a_test_moves_the_sign_of_fall_risk() -> None:
    case = read_case(base("1950-05-01", "female", [], list(BALANCED)))
    assert not find_out(case).fall_signs
    found = find_out(case.with_local({("test.timed_up_and_go", "at_risk_s"): 10.0}))
    assert [text for text, _ in found.fall_signs] == ["timed up and go 11 s"]


def test_a_local_bone_class_moves_the_limits() -> None:
    density = {"test": "bone_density", "on": ON, "site": "total_hip", "t_score": -2.4}
    case = read_case(base("1950-05-01", "female", [], [density]))
    here = case.with_local({("screening.bone_status", "t_osteoporosis"): -2.4})
    assert find_out(case).bone.tier == "low"
    assert find_out(here).bone.tier == "osteoporosis"
    assert set(envelope(find_out(here)).by_id) != set(envelope(find_out(case)).by_id)


def test_a_local_pressure_that_ends_a_visit_ends_it() -> None:
    taken = {"test": "blood_pressure", "on": ON, "systolic_lying_mmhg": 172, "diastolic_lying_mmhg": 88}
    given = {
        "stop_signs": {"asked_on": ON, "present": []},
        "consent": {"on": ON, "given_by": "client", "capacity_confirmed": True},
    }
    case = read_case(base("1950-05-01", "female", [], [taken]) | given)
    assert not stop_signs(case)
    assert [s.id for s in stop_signs(case.with_local({("test.blood_pressure", "stop_systolic_mmhg"): 170.0}))] == [
        "pressure_beyond_limit"
    ]


@pytest.mark.parametrize(
    ("sitting", "fall", "counts"), [(False, 19, False), (False, 20, True), (True, 14, False), (True, 15, True)]
)
def test_pressure_that_falls_counts_sooner_after_sitting(sitting: bool, fall: int, counts: bool) -> None:
    """Freeman et al. 2011 for lying; 15 after sitting is our reading (figures from memory)."""
    taken = {
        "test": "blood_pressure",
        "on": ON,
        "systolic_lying_mmhg": 130,
        "diastolic_lying_mmhg": 80,
        "systolic_standing_3min_mmhg": 130 - fall,
        "diastolic_standing_3min_mmhg": 80,
        "rested": "sitting" if sitting else "lying",
    }
    assert find_out(read_case(base("1950-05-01", "female", [], [taken]))).pressure_drops == counts
