"""What is remembered of findings and rules is what they would say if they were asked again, whoever was asked about before."""

from dataclasses import fields, replace
from datetime import date, timedelta
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from amvel.case import Case, amended, read_case
from amvel.languages import in_language
from amvel.remembered import Remembered
from amvel.safety import envelope, rulebook
from amvel.safety.limits import Answer
from amvel.screening import Findings, find_out
from amvel.screening import findings as screening
from tests.generated import TODAY, base, cases, conditions, outcomes, results

SOME = settings(max_examples=60, suppress_health_check=list(HealthCheck))
LANGUAGES = ("en", "de")
MORE = st.one_of(
    st.lists(outcomes() | results(), max_size=3).map(lambda more: ("tests", more)),
    st.lists(conditions(), max_size=2).map(lambda more: ("conditions", more)),
    st.sampled_from(["yes", "no"]).map(lambda floor: ("tolerates", {"floor": floor, "helper_at_home": "shown_how"})),
    st.integers(0, 400).map(lambda days: ("as_of", (TODAY + timedelta(days=days)).isoformat())),
    st.just(("own_limits", [{"quantity": "hip_flexion_deg", "bound": 70, "reason": "it pinches", "by": "someone", "on": str(TODAY)}])),
    st.floats(20, 60).map(lambda v: ("local_numbers", [{"rule": "wrist_trouble", "number": "extension_deg", "value": round(v, 1)}])),
)


def changed(case: Case, section: str, more: Any) -> Case | None:
    """The case with something added or replaced; None where that is refused."""
    before = getattr(case, section) if section in ("tests", "conditions") else ()
    try:
        return amended(case, {section: [*before, *more] if before or section in ("tests", "conditions") else more})
    except ValueError:
        return None


def asked_anew(findings: Findings) -> list[Answer]:
    case = findings.case
    return [r.answer(findings, r.in_force(case.as_of, case.local_values)) for r in rulebook().values()]


def as_read(parts: Any) -> list[str]:
    """Everything that rules say, in every language, with all else that they decide."""
    return [repr(replace(x, **_texts(x, language))) for x in parts for language in LANGUAGES]


def _texts(x: Any, language: str) -> dict[str, str]:
    values = {f.name: getattr(x, f.name) for f in fields(x) if f.init}
    return {k: in_language(v, language) for k, v in values.items() if isinstance(v, str)}


@SOME
@given(cases, st.lists(MORE, min_size=1, max_size=5))
def test_rules_say_what_they_would_say_if_they_were_asked_again(data: dict, changes: list) -> None:
    """Each change is made to the first case, as outcomes of tests are tried, and the first is looked at again after each."""
    first = read_case(data)
    tried = [changed(first, *change) for change in changes]
    for case in (first, *(each for other in tried if other is not None for each in (other, first))):
        findings = find_out(case)
        anew = screening._found(case, {})
        assert {f.name: getattr(findings, f.name) for f in fields(findings) if f.name != "case"} == anew
        found, answers = envelope(findings), asked_anew(findings)
        assert sorted(as_read(x for x in found.limits if x.rule in rulebook())) == sorted(as_read(x for a in answers for x in a.limits))
        assert as_read(found.obligations) == as_read(x for a in answers for x in a.obligations)
        assert as_read(found.referrals) == as_read(x for a in answers for x in a.referrals)


class Part:
    def __init__(self, size: int) -> None:
        self.size = size

    def doubled(self) -> int:
        return 2 * self.size


class Whole:
    def __init__(self, name: str, size: int, day: date = TODAY) -> None:
        self.name, self.part, self.day = name, Part(size), day

    def longer_than(self, letters: int) -> bool:
        return len(self.name) > letters

    @classmethod
    def kind(cls) -> str:
        return cls.__name__


def test_a_method_of_the_class_is_asked_as_one() -> None:
    remembered = Remembered(lambda s, n: s.kind() + s.name, (Part,))
    assert remembered.of(Whole("a", 1)) == remembered.of(Whole("a", 2)) == "Wholea"
    assert remembered.of(Whole("b", 1)) == "Wholeb"


def test_only_what_was_looked_at_counts() -> None:
    asked: list[str] = []

    def ask(subject: Whole, n: Any) -> str:
        asked.append(subject.name)
        return f"{subject.part.doubled()} {subject.longer_than(2)}"

    remembered = Remembered(ask, (Part,))
    assert remembered.of(Whole("abc", 3)) == "6 True"
    assert remembered.of(Whole("abc", 3, date(2030, 1, 1))) == "6 True" and len(asked) == 1  # the day was not looked at
    assert remembered.of(Whole("abc", 4)) == "8 True" and len(asked) == 2
    assert remembered.of(Whole("ab", 4)) == "8 False" and len(asked) == 3
    assert remembered.of(Whole("abc", 3)) == "6 True" and len(asked) == 3  # what was there before


def test_a_method_counts_by_what_it_returns_and_figures_count_as_a_whole() -> None:
    asked: list[int] = []

    def ask(subject: Whole, n: Any) -> float:
        asked.append(1)
        return n["x"] if subject.longer_than(2) else 0.0

    remembered = Remembered(ask, (Part,))
    assert remembered.of(Whole("abc", 1), {"x": 5.0}) == 5.0
    assert remembered.of(Whole("abcdef", 1), {"x": 5.0}) == 5.0 and len(asked) == 1
    assert remembered.of(Whole("abcdef", 1), {"x": 6.0}) == 6.0 and len(asked) == 2


def test_what_a_method_reads_on_its_way_does_not_count_but_what_it_returns() -> None:
    """Two ways to one answer: whoever has it by the second is not taken for whoever has it by none."""

    class Either(Whole):
        def known(self) -> bool:
            return self.name == "a" or self.part.size > 2

    remembered = Remembered(lambda s, n: s.known(), (Part,))
    assert remembered.of(Either("a", 1)) is True
    assert remembered.of(Either("b", 5)) is True
    assert remembered.of(Either("b", 1)) is False
    assert remembered.of(Either("a", 1)) is True


def test_what_is_no_question_is_refused() -> None:
    """Better a fault than an answer that rests on something nobody noted."""
    with pytest.raises(TypeError):
        Remembered(lambda s, n: len(s)).of([1, 2])


def test_what_fails_is_not_remembered() -> None:
    def ask(subject: Whole, n: Any) -> str:
        if subject.part.size:
            raise ValueError("wrong")
        return "right"

    remembered = Remembered(ask, (Part,))
    for _ in range(2):
        with pytest.raises(ValueError):
            remembered.of(Whole("a", 1))
    assert remembered.of(Whole("a", 0)) == "right"


def test_a_limit_of_ones_own_leaves_the_rules_unasked() -> None:
    case = read_case(base("1955-05-01", "female", [], []))
    before = envelope(find_out(case))
    limit = {"quantity": "hip_flexion_deg", "bound": 70, "reason": "it pinches", "by": "someone", "on": str(TODAY)}
    after = envelope(find_out(amended(case, {"own_limits": [limit]})))
    assert [x for x in after.limits if x.id != "own.0"] == list(before.limits)
    assert all(a is b for a, b in zip((x for x in after.limits if x.id != "own.0"), before.limits, strict=True))
    assert after.by_id["own.0"].bound == 70
