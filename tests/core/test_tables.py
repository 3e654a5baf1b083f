"""Tests and visits as tables: back without loss, said column by column, and a bad line costs no other."""

import csv
import io

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from amvel.case import RESULTS, form_of, read_case
from amvel.case.visits import Visit
from amvel.formats.tables import dictionary, read_tests, read_visits, table_of_tests, table_of_visits
from tests.conftest import DEMO, demo
from tests.generated import people

NAMES = [p.stem for p in DEMO]


@settings(max_examples=60, deadline=None, suppress_health_check=list(HealthCheck))
@given(people)
def test_tests_come_back_as_they_were(data: dict) -> None:
    case = read_case(data)
    found, left = read_tests(table_of_tests(case.tests))
    assert left == []
    assert sorted(map(repr, found)) == sorted(map(repr, case.tests))


def without_what_has_no_column(visit: Visit) -> Visit:
    plain = [m.model_copy(update={"cues": (), "symptoms": (), "compared": None, "effort_0_to_10": None, "felt": ()}) for m in visit.movements]
    told = visit.next_day and visit.next_day.model_copy(update={"told_on": visit.on, "where": None})
    more = {"began": None, "minutes": None, "pain_before_0_to_10": None, "pain_where": None, "slept": None, "strength_left_0_to_10": None}
    return visit.model_copy(update={"movements": tuple(plain), "next_day": told, **more})


@pytest.mark.parametrize("name", NAMES)
def test_the_sets_of_every_demo_visit_come_back_as_they_were(name: str) -> None:
    visits = read_case(demo(name)).visits
    found, left = read_visits(table_of_visits(visits))
    assert left == []
    assert found == sorted((without_what_has_no_column(v) for v in visits if v.movements), key=lambda v: (v.on, v.id))


def test_soreness_that_nobody_told_is_none_and_nought_is_nought() -> None:
    case = read_case(demo("low-bone-mass"))
    told = [v for v in case.visits if v.next_day]
    assert told
    for soreness in (None, 0, 7):
        day = told[0].next_day.model_copy(update={"soreness_0_to_10": soreness})
        found, left = read_visits(table_of_visits([told[0].model_copy(update={"next_day": day})]))
        assert not left
        assert found[0].next_day.soreness_0_to_10 == soreness


def test_the_dictionary_names_every_column_and_every_field() -> None:
    rows = list(csv.DictReader(io.StringIO(dictionary())))
    named = {(r["table"], r["column"]) for r in rows}
    for table, text in (("tests", table_of_tests(())), ("visits", table_of_visits(()))):
        assert {(table, c) for c in next(csv.reader(io.StringIO(text)))} <= named
    assert {(kind, f.name) for kind, model in RESULTS.items() for f in form_of(model)} <= named
    assert all(r["means"] for r in rows)


GOOD = "result,on,test,field,value,unit\n1,2026-11-01,timed_up_and_go,seconds,11.5,s\n"


@pytest.mark.parametrize(
    ("line", "where", "why"),
    [
        ("2,2026-11-01,nonsense,seconds,11,s", "line 3", "there is no test"),
        ("2,2026-11-01,timed_up_and_go,seconds,soon,s", "line 3, seconds", "a number is wanted"),
        ("2,yesterday,timed_up_and_go,seconds,11,s", "line 3, on", "a day is wanted"),
        ("2,2026-11-01,timed_up_and_go,colour,11,s", "line 3, ", ""),
    ],
)
def test_a_bad_line_costs_no_other(line: str, where: str, why: str) -> None:
    found, left = read_tests(GOOD + line + "\n")
    assert [r.seconds for r in found] == [11.5]
    assert left[0][0].startswith(where) and why in left[0][1]


def test_a_table_without_its_columns_is_listed_as_a_whole() -> None:
    assert read_tests("a,b\n1,2\n")[1][0][0] == "line 1"


@settings(max_examples=100, deadline=None)
@given(st.text(max_size=300))
def test_no_text_breaks_the_reading(text: str) -> None:
    for read in (read_tests, read_visits):
        found, left = read(text)
        assert found == [] or left is not None
