"""Every rule's own examples, on both sides of its thresholds, and what every declaration must have."""

from datetime import date

import pytest

from amvel.case import CONDITIONS, read_case
from amvel.checked import Profession
from amvel.numbers import Number
from amvel.safety import envelope, rulebook
from amvel.safety.rulebook import Example, Rule, example_case, numbers_of_later
from amvel.screening import find_out
from amvel.sources import COMMON_PRACTICE
from tests.generated import TODAY

EXAMPLES = [(rule, e) for rule in rulebook().values() for e in rule.examples]


@pytest.mark.parametrize(("rule", "example"), EXAMPLES, ids=[f"{r.id}: {e.says}" for r, e in EXAMPLES])
def test_a_rule_says_what_its_example_says(rule: Rule, example: Example) -> None:
    found = envelope(find_out(example_case(example)))
    for id, bound in example.limits.items():
        if bound is None:
            assert id not in found.by_id
        else:
            assert found.by_id[id].bound == pytest.approx(bound), id
    assert set(example.obliges) <= {o.id for o in found.obligations}
    assert set(example.refers) <= {r.id for r in found.referrals}


@pytest.mark.parametrize("kind", list(CONDITIONS))
def test_every_condition_has_a_rule_or_changes_a_finding(kind: str) -> None:
    """A question that can change nothing would not be asked."""
    plain = read_case(
        {
            "as_of": str(TODAY),
            "person": {"birth_date": "1981-03-03", "sex": "female", "stature_cm": 165, "mass_kg": 64},
        }
    )
    before = envelope(find_out(plain))
    changed = False
    for example in CONDITIONS[kind].EXAMPLES:
        data = {
            **plain.model_dump(mode="json"),
            "conditions": [{"kind": kind, "noted_on": str(TODAY), **example}],
        }
        after = envelope(find_out(read_case(data)))
        changed |= (
            after.limits != before.limits
            or after.obligations != before.obligations
            or after.referrals != before.referrals
        )
        changed |= find_out(read_case(data)).bone != find_out(plain).bone
    assert changed


def test_every_rule_has_examples_on_both_sides() -> None:
    for rule in rulebook().values():
        assert len(rule.examples) >= 2, rule.id


def test_every_number_has_a_source_and_is_used() -> None:
    import inspect

    for rule in rulebook().values():
        own = inspect.getmodule(rule.answer)
        helpers = {inspect.getmodule(v) for v in vars(own).values() if inspect.isfunction(v)}
        text = "".join(inspect.getsource(m) for m in helpers | {own})
        for n in rule.numbers:
            assert str(n.source), (rule.id, n.id)
            assert text.count(n.id) >= 2 or "n[c." in text, (rule.id, n.id)


READ = {"duties": (), "read_on": date(2026, 11, 26), "check_by": Profession.PHYSIOTHERAPY}


def _versions() -> Rule:
    numbers = (
        Number("deg", 10.0, "deg", "", COMMON_PRACTICE, date(2020, 1, 1)),
        Number("deg", 8.0, "deg", "", COMMON_PRACTICE, date(2026, 1, 1)),
    )
    example = Example("nothing", {})
    return Rule("x", "X", "x", (COMMON_PRACTICE,), date(2020, 1, 1), lambda f, n: None, numbers, (example,), **READ)


@pytest.mark.parametrize(
    ("day", "value"), [(date(2025, 12, 31), 10.0), (date(2026, 1, 1), 8.0), (date(2026, 1, 2), 8.0)]
)
def test_the_version_in_force_on_the_day_counts(day: date, value: float) -> None:
    assert _versions().in_force(day, {}) == {"deg": value}


def test_an_uncovered_day_is_judged_by_the_oldest_numbers_and_says_so() -> None:
    rule = _versions()
    assert rule.in_force(date(2019, 12, 31), {}) == rule.in_force(min(n.since for n in rule.numbers), {})
    said = numbers_of_later(date(2013, 1, 1))
    assert any("Stroke" in line and "1 Jan 2014" in line for line in said)
    assert not numbers_of_later(date(2026, 11, 24))


def test_a_local_number_changes_one_number_of_one_rule() -> None:
    example = next(e for r, e in EXAMPLES if r.id == "wrist_trouble" and e.says == "not tested")
    case = example_case(example)
    here = envelope(find_out(case.with_local({("wrist_trouble", "extension_deg"): 35.0})))
    assert here.by_id["wrist_trouble.angle_right_0"].bound == 35.0
    assert envelope(find_out(case)).by_id["wrist_trouble.angle_right_0"].bound == 20.0
