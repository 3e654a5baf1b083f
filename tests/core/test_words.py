"""A clinician forbids, limits or clears; the specialist may be stricter; contradictions are shown."""

from datetime import timedelta

import pytest

from amvel.case import CaseError, read_case
from amvel.safety import envelope
from amvel.safety.limits import Origin
from amvel.screening import contradictions, find_out
from tests.generated import TODAY

OPERATED = {"kind": "abdominal_surgery", "on": "2026-10-20"}
WORD = {"name": "Dr. Wend", "role": "surgeon", "profession": "surgeon", "on": "2026-11-20"}


def case(**more: object):
    person = {
        "birth_date": "1970-01-01",
        "sex": "female",
        "stature_cm": 165,
        "mass_kg": 64,
        **more.pop("person", {}),
    }
    return read_case({"as_of": str(TODAY), "person": person, **more})


def found(**more: object):
    return envelope(find_out(case(**more)))


def test_a_clearing_lifts_what_waits_for_it_and_nothing_else() -> None:
    clears = {**WORD, "kind": "clears", "clears": "abdominal_surgery"}
    conditions = [OPERATED, {"kind": "pelvic_floor"}]
    before, after = found(conditions=conditions), found(conditions=conditions, clinician_words=[clears])
    assert "abdominal_surgery.lever_0" in before.by_id
    assert "abdominal_surgery.lever_0" not in after.by_id
    assert "pelvic_floor.lever" in after.by_id
    other = found(conditions=conditions, clinician_words=[{**clears, "clears": "pelvic_floor"}])
    assert "pelvic_floor.lever" in other.by_id


@pytest.mark.parametrize(("days", "counts"), [(-1, False), (0, True), (1, True)])
def test_a_clearing_counts_from_the_day_of_the_operation(days: int, counts: bool) -> None:
    day = TODAY.replace(month=10, day=20) + timedelta(days=days)
    word = {**WORD, "kind": "clears", "clears": "abdominal_surgery", "on": str(day)}
    answer = found(conditions=[OPERATED], clinician_words=[word])
    assert ("abdominal_surgery.lever_0" not in answer.by_id) == counts
    assert any(r.id.startswith("clinician.too_old") for r in answer.referrals) == (not counts)
    shown = contradictions(case(conditions=[OPERATED], clinician_words=[word]))
    assert bool(shown) == (not counts)


def test_a_clinicians_limit_names_who_and_when_and_ends_on_its_day() -> None:
    word = {
        **WORD,
        "kind": "limits",
        "quantity": "hip_flexion_deg",
        "side": "right",
        "bound": 85,
        "valid_until": "2026-11-24",
    }
    limit = found(clinician_words=[word]).by_id["clinician.limits_0"]
    assert (limit.quantity, limit.bound, limit.strength) == ("right.hip_bend_deg", 85, "limit")  # thigh against trunk
    assert "Dr. Wend" in limit.set_by and "20 Nov 2026" in limit.set_by
    assert limit.origin is Origin.CLINICIAN
    assert "clinician.limits_0" not in found(clinician_words=[{**word, "valid_until": "2026-11-23"}]).by_id


def test_a_clinicians_no_is_forbidden_and_only_a_clinician_lifts_it() -> None:
    word = {**WORD, "kind": "forbids", "quantity": "face_down"}
    assert found(clinician_words=[word]).by_id["clinician.forbids_0"].strength == "forbidden"


@pytest.mark.parametrize(
    ("word", "path"),
    [
        ({**WORD, "kind": "clears"}, "clears"),
        ({**WORD, "kind": "limits", "quantity": "hip_flexion_deg"}, "bound"),
        ({**WORD, "kind": "forbids"}, "quantity"),
        ({**WORD, "kind": "forbids", "quantity": "face_down", "on": "2027-01-01"}, "clinician_words\\[0\\].on"),
    ],
)
def test_half_a_word_is_refused_with_what_is_missing(word: dict, path: str) -> None:
    with pytest.raises(CaseError, match=path):
        case(clinician_words=[word])


def test_the_specialist_may_be_stricter() -> None:
    own = {
        "quantity": "trunk_rotation_deg",
        "side": "left",
        "bound": 12,
        "reason": "flinched at 15",
        "by": "I. Falk",
        "on": str(TODAY),
    }
    limit = found(own_limits=[own]).by_id["own.0"]
    assert (limit.quantity, limit.bound) == ("left.trunk_rotation_deg", 12)
    assert "I. Falk" in limit.set_by


@pytest.mark.parametrize(
    ("fragment", "words"),
    [
        ({"conditions": [{"kind": "pregnancy", "weeks": 20}], "person": {"sex": "male"}}, "male build"),
        (
            {
                "conditions": [{"kind": "does_not_walk"}],
                "tests": [{"test": "timed_up_and_go", "on": str(TODAY), "seconds": 9}],
            },
            "does not walk",
        ),
        ({"person": {"tallest_stature_cm": 160}}, "tallest remembered"),
        ({"tests": [{"test": "stature", "on": str(TODAY), "stature_cm": 158}]}, "measured 158"),
    ],
)
def test_what_cannot_be_true_together_is_shown(fragment: dict, words: str) -> None:
    assert any(words in c.text for c in contradictions(case(**fragment)))


@pytest.mark.parametrize(
    ("fragment", "path"),
    [
        ({"conditions": [{"kind": "spinal_fusion", "on": "2020-01-01"}]}, "conditions"),
        (
            {
                "conditions": [
                    {"kind": "spinal_fusion", "from_level": "L4", "to_level": "L2", "on": "2020-01-01"}
                ]
            },
            "to_level",
        ),
        (
            {"tests": [{"test": "bone_density", "on": str(TODAY), "site": "total_hip", "t_score": 28}]},
            "t_score",
        ),
        (
            {
                "conditions": [
                    {"kind": "scoliosis", "convexity": s, "region": "thoracic"} for s in ("left", "right")
                ]
            },
            "same apex",
        ),
        ({"conditions": [{"kind": "brain_fog"}]}, "no condition 'brain_fog'"),
    ],
)
def test_what_makes_no_sense_is_refused_with_its_place(fragment: dict, path: str) -> None:
    with pytest.raises(CaseError, match=path):
        case(**fragment)


@pytest.mark.parametrize("profession", [None, "nurse", "occupational_therapist", "other"])
def test_a_clearing_counts_only_from_a_profession_that_loosens_and_is_asked_for_again(profession: str | None) -> None:
    word = {**WORD, "kind": "clears", "clears": "abdominal_surgery", "profession": profession}
    answer = found(conditions=[OPERATED], clinician_words=[word])
    assert "abdominal_surgery.lever_0" in answer.by_id
    assert "clinician.who_0" in {r.id for r in answer.referrals}


def test_anybody_named_may_limit_or_forbid() -> None:
    for profession in (None, "nurse", "other"):
        word = {**WORD, "kind": "limits", "quantity": "effort_0_to_10", "bound": 3, "profession": profession}
        assert found(clinician_words=[word]).by_id["clinician.limits_0"].bound == 3


def test_a_limit_on_one_movement_names_it_by_its_title() -> None:
    from amvel.languages import said
    from amvel.safety.limits import Limit, Place
    from amvel.sources import COMMON_PRACTICE

    def limit(step: str, quantity: str = "performed", **more) -> Limit:
        return Limit("own", quantity, 0, said("rest"), COMMON_PRACTICE, only_step=step, **more)

    assert limit("curl_family").says() == "not: Curls"
    assert limit("curl_family").says().in_language("de") == "nicht: Einrollen"
    assert limit("knee_fold/single_fold").says().startswith("not: ")
    assert "_" not in limit("knee_fold/single_fold").says()
    assert limit("curl_family", when=Place.STANDING).says() == "not: Curls (standing)"
    assert limit("curl_family", "trunk_flexion_deg").says().endswith("(Curls)")
