"""What loosens needs somebody with the right to it: reported words wait for a second person, withdrawn ones count no more."""

from datetime import date, timedelta

import pytest

from amvel.case import CaseError
from tests.engines import engine_of
from tests.generated import TODAY, base

ON = TODAY.isoformat()
BIRTH = {"kind": "after_birth", "on": (TODAY - timedelta(days=80)).isoformat(), "by": "vaginal", "noted_on": ON}
WORD = {
    "kind": "clears",
    "name": "Dr. Wend",
    "role": "midwife",
    "profession": "midwife",
    "on": ON,
    "clears": "after_birth",
    "document": "letter of this week",
    "recorded_by": "ann",
}


def waiting(*words: dict, as_of: date = TODAY) -> set[str]:
    data = base("1992-05-01", "female", [BIRTH], [], clinician_words=list(words))
    e = engine_of({**data, "as_of": as_of.isoformat()})
    return {x.id for x in e.envelope.limits if x.waits_for}


CLOSED = waiting()


def test_without_a_word_limits_wait() -> None:
    assert CLOSED


def test_the_clinicians_own_word_clears() -> None:
    assert waiting(WORD) < CLOSED


def test_a_reported_word_clears_nothing_until_it_is_confirmed() -> None:
    assert waiting({**WORD, "reported": True}) == CLOSED


def test_whoever_entered_it_cannot_confirm_it() -> None:
    assert waiting({**WORD, "reported": True, "confirmed_by": "ann", "confirmed_on": ON}) == CLOSED


def test_a_second_person_confirms_it() -> None:
    assert waiting({**WORD, "reported": True, "confirmed_by": "bea", "confirmed_on": ON}) == waiting(WORD)


def test_a_reported_clearing_needs_its_document() -> None:
    with pytest.raises(CaseError, match="document"):
        waiting({**WORD, "reported": True, "document": " "})


def test_the_wait_for_a_second_person_is_said() -> None:
    data = base("1992-05-01", "female", [BIRTH], [], clinician_words=[{**WORD, "reported": True}])
    said = {r.id: r.text for r in engine_of(data).envelope.referrals}
    assert "second person" in said["clinician.confirm_0"]


@pytest.mark.parametrize(("days", "cleared"), [(-1, True), (0, False), (1, False)])
def test_a_withdrawn_word_counts_until_the_day_before(days: int, cleared: bool) -> None:
    later = TODAY + timedelta(days=3)
    withdrawn = {**WORD, "withdrawn_on": (later).isoformat()}
    on = later + timedelta(days=days)
    assert (waiting(withdrawn, as_of=on) < waiting(as_of=on)) is cleared


def override(**more) -> dict:
    return {
        "limit_id": "trunk_work.arching",
        "step": "floor_plank/full_length",
        "side": "both",
        "by": "Ann Lee",
        "role": "specialist",
        "reason": "held it well today",
        "on": ON,
        "expires_on": (TODAY + timedelta(days=10)).isoformat(),
        **more,
    }


def lifted(*overrides: dict) -> set[str]:
    data = base("1990-05-01", "female", [], [], overrides=list(overrides))
    [v] = engine_of(data).judge("floor_plank", "full_length", contexts=("visit",))
    return {b.limit.id for b in v.reasons}


def test_a_withdrawn_override_opens_nothing() -> None:
    assert "trunk_work.arching" in lifted()
    assert "trunk_work.arching" not in lifted(override())
    assert "trunk_work.arching" in lifted(override(withdrawn_on=ON, withdrawn_by="Ann Lee"))


@pytest.mark.parametrize(("days", "fine"), [(90, True), (91, False)])
def test_an_override_lasts_ninety_days_at_most(days: int, fine: bool) -> None:
    wanted = override(expires_on=(TODAY + timedelta(days=days)).isoformat())
    if fine:
        lifted(wanted)
    else:
        with pytest.raises(CaseError, match="90 days"):
            lifted(wanted)


@pytest.mark.parametrize("more", [{"reason": "     "}, {"by": "  "}])
def test_an_override_without_reason_or_name_is_refused(more: dict) -> None:
    with pytest.raises(CaseError):
        lifted(override(**more))
