"""The rules of progress on people who do not exist: few flares, nobody held back; and what no sequence of visits may do.

What is drawn stands in docs/progress.md.  The people know nothing of the rules, and the rules see only what a log shows.
"""

from datetime import date, timedelta

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from amvel.case import read_case
from amvel.engine import Engine
from amvel.progress import ProposalKind, proposals
from amvel.progress.simulated import Person, by_the_rules, drawn, every_week, never, practise
from amvel.safety import CONTEXTS
from tests.generated import TODAY, base
from tests.visits import done, visit

FAMILIES = ("toe_float", "knee_fold", "bridge", "wall_plank", "sit_to_stand")
PEOPLE, WEEKS, BEGINS = 40, 24, date(2026, 6, 1)


@pytest.fixture(scope="module")
def by_rules() -> list[Person]:
    return [practise(drawn(seed, FAMILIES, BEGINS), WEEKS, by_the_rules()) for seed in range(PEOPLE)]


def most_flares_in_12_weeks(p: Person) -> int:
    return max((sum(0 <= (f - first).days < 84 for f in p.flares) for first in p.flares), default=0)


def behind(p: Person) -> float:
    """The share of sessions on a rung below what could have been done six weeks before."""
    late = total = 0
    for family in {f for _, f, _, _ in p.rungs}:
        own = [(on, rung, able) for on, f, rung, able in p.rungs if f == family]
        for on, rung, _ in own:
            before = [able for day, _, able in own if on - day >= timedelta(weeks=6)]
            if before:
                total += 1
                late += rung < int(max(0.0, before[-1]))
    return late / total


def test_nine_of_ten_flare_at_most_once_in_twelve_weeks(by_rules: list[Person]) -> None:
    assert sum(most_flares_in_12_weeks(p) <= 1 for p in by_rules) >= 0.9 * PEOPLE


def test_a_rung_follows_within_six_weeks_of_being_able(by_rules: list[Person]) -> None:
    assert sum(map(behind, by_rules)) / PEOPLE < 0.05


def test_it_flares_less_than_a_rung_a_week_and_rises_more_than_never(by_rules: list[Person]) -> None:
    weekly = [practise(drawn(seed, FAMILIES, BEGINS), WEEKS, every_week) for seed in range(8)]
    stays = [practise(drawn(seed, FAMILIES, BEGINS), WEEKS, never) for seed in range(8)]
    assert sum(len(p.flares) for p in by_rules[:8]) < 0.2 * sum(len(p.flares) for p in weekly)
    assert sum(map(behind, stays)) > 5 * sum(map(behind, by_rules[:8]))


def test_the_same_log_gives_the_same_proposals_and_people_are_the_same_each_time(by_rules: list[Person]) -> None:
    again = practise(drawn(3, FAMILIES, BEGINS), WEEKS, by_the_rules())
    assert again.case == by_rules[3].case


STEPS = ("toe_float/finger_high", "toe_float/half_as_high", "knee_fold/single_fold", "clam/small_opening")
sessions = st.lists(
    st.tuples(st.integers(0, 40), st.sampled_from(STEPS), st.integers(0, 8), st.integers(0, 8), st.booleans() | st.none(), st.integers(0, 10)),
    max_size=12,
    unique_by=lambda s: s[0],
)
FRAGILE = {"kind": "fracture", "site": "spine", "on": "2026-10-30", "from_standing_height_or_less": True, "healed": False, "painful": True}


@settings(max_examples=25, deadline=None, suppress_health_check=list(HealthCheck))
@given(sessions, st.sampled_from([[], [{"noted_on": TODAY.isoformat(), **FRAGILE}], [{"kind": "spinal_pain", "since": "2026-11-01", "noted_on": TODAY.isoformat()}]]))
def test_no_sequence_of_visits_proposes_what_is_closed_today(logged: list, conditions: list) -> None:
    visits = [visit(ago, done(step, left=left, right=right), flare=flare, effort=effort) for ago, step, left, right, flare, effort in logged]
    engine = Engine(read_case(base("1952-05-01", "female", conditions, [], visits=visits)))
    for context in CONTEXTS:
        found = proposals(engine, context)
        assert [p.id for p in found] == [p.id for p in proposals(Engine(engine.case.model_copy(update={"visits": tuple(reversed(engine.case.visits))})), context)]
        for p in found:
            assert p.evidence
            if p.to and p.kind is ProposalKind.STEP_UP:
                family, step = p.to.split("/")
                assert all(v.allowed for v in engine.judge(family, step, (context,))), p.id
