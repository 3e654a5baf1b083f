"""Scores at every class boundary, against the published cut-offs (figures from memory)."""

from datetime import date

import pytest

from amvel import screening
from amvel.case import read_case
from amvel.screening import bone_status
from amvel.screening.bone_status import NotReadable, score
from amvel.screening.tests.chair_stand_30s import cut

DAY = "2026-11-24"


def case(
    birth: str = "1950-01-01", sex: str = "female", tests: tuple = (), conditions: tuple = (), **person: object
):
    return read_case(
        {
            "as_of": DAY,
            "person": {"birth_date": birth, "sex": sex, "stature_cm": 165, "mass_kg": 65, **person},
            "tests": list(tests),
            "conditions": list(conditions),
        }
    )


STANDS = screening.test_library()["chair_stand_30s"].in_force(case())


# CDC STEADI 30-Second Chair Stand: fewer than this is below average (women, men).
CHAIR = {
    60: (12, 14),
    64: (12, 14),
    65: (11, 12),
    69: (11, 12),
    70: (10, 12),
    75: (10, 11),
    80: (9, 10),
    85: (8, 8),
    90: (4, 7),
    94: (4, 7),
}


@pytest.mark.parametrize("age", CHAIR)
def test_chair_stand_table(age: int) -> None:
    assert (cut(age, "female", STANDS), cut(age, "male", STANDS)) == CHAIR[age]


@pytest.mark.parametrize("age", [59, 95])
def test_no_chair_stand_interpretation_outside_its_ages(age: int) -> None:
    assert cut(age, "female", STANDS) is None


def level(test: str, birth: str = "1950-01-01", **result: object) -> str:
    c = case(birth, tests=({"test": test, "on": DAY, **result},))
    return screening.test_library()[test].reading(c.tests[0], c).level


@pytest.mark.parametrize(("seconds", "expected"), [(11.9, "ok"), (12.0, "watch"), (12.1, "watch")])
def test_timed_up_and_go_at_twelve_seconds(seconds: float, expected: str) -> None:
    assert level("timed_up_and_go", seconds=seconds) == expected


@pytest.mark.parametrize(("tandem", "expected"), [(9.9, "watch"), (10.0, "ok"), (None, "watch")])
def test_four_stage_balance_at_ten_seconds_of_tandem(tandem: float | None, expected: str) -> None:
    assert level("four_stage_balance", side_by_side_s=10, semi_tandem_s=10, tandem_s=tandem) == expected


@pytest.mark.parametrize(
    ("lying", "standing", "expected"),
    [
        ((130, 80), (111, 79), "ok"),
        ((130, 80), (110, 80), "watch"),
        ((130, 80), (125, 70), "watch"),
        ((150, 85), (121, 80), "watch"),
        ((139, 89), (139, 89), "ok"),
        ((140, 80), (140, 80), "watch"),
        ((180, 80), (180, 80), "stop"),
        ((150, 110), (150, 110), "stop"),
    ],
)
def test_blood_pressure_classes(lying: tuple, standing: tuple, expected: str) -> None:
    """Freeman et al. 2011: 20/10 within 3 min (30 when lying pressure is high); ≥ 180 or ≥ 110 no session."""
    assert (
        level(
            "blood_pressure",
            systolic_lying_mmhg=lying[0],
            diastolic_lying_mmhg=lying[1],
            systolic_standing_3min_mmhg=standing[0],
            diastolic_standing_3min_mmhg=standing[1],
        )
        == expected
    )


def bone(**k: object):
    return {"test": "bone_density", "on": DAY, "site": "femoral_neck", **k}


@pytest.mark.parametrize(
    ("t", "tier"),
    [
        (-2.6, "osteoporosis"),
        (-2.5, "osteoporosis"),
        (-2.4, "low"),
        (-1.1, "low"),
        (-1.0, "unrestricted"),
        (0.0, "unrestricted"),
    ],
)
def test_who_classes_of_the_t_score(t: float, tier: str) -> None:
    assert bone_status(case(tests=(bone(t_score=t),))).tier == tier


@pytest.mark.parametrize(
    ("site", "density", "device", "expected"),
    [
        ("femoral_neck", 0.858, "hologic", 0.0),
        ("femoral_neck", 0.738, "hologic", -1.0),
        ("total_hip", 0.698, "hologic", -2.0),
        ("total_hip", 0.637, "hologic", -2.5),
        ("femoral_neck", 0.80, "lunar", -1.6),
    ],
)
def test_t_score_from_density(site: str, density: float, device: str, expected: float) -> None:
    """NHANES III (Looker et al. 1998): neck (BMD − 0.858)/0.120, hip (BMD − 0.942)/0.122; other make by the named equation; to one decimal."""
    c = case(tests=(bone(site=site, density_g_cm2=density, device=device),))
    kind, value = score(c.tests[0], c)
    assert kind == "T"
    assert value == pytest.approx(expected, abs=1e-9)


def test_a_density_that_cannot_be_converted_is_not_read() -> None:
    c = case(tests=(bone(site="total_hip", density_g_cm2=0.9, device="lunar"),))
    with pytest.raises(NotReadable):
        score(c.tests[0], c)


def test_below_fifty_the_z_score_counts() -> None:
    assert bone_status(case("1990-01-01", tests=(bone(t_score=-3.0, z_score=-1.5),))).tier == "unrestricted"
    assert bone_status(case("1990-01-01", tests=(bone(z_score=-2.0),))).tier == "low"


def test_the_lowest_major_site_decides_and_the_radius_only_alone() -> None:
    assert (
        bone_status(case(tests=(bone(t_score=-1.5), bone(site="one_third_radius", t_score=-3.0)))).tier == "low"
    )
    assert bone_status(case(tests=(bone(site="one_third_radius", t_score=-3.0),))).tier == "osteoporosis"


@pytest.mark.parametrize(
    ("birth", "sex", "tier"),
    [
        ("1961-11-24", "female", "caution"),
        ("1961-11-25", "female", "unrestricted"),
        ("1956-11-24", "male", "caution"),
        ("1956-11-25", "male", "unrestricted"),
    ],
)
def test_unknown_bone_is_cautious_from_65_and_70(birth: str, sex: str, tier: str) -> None:
    assert bone_status(case(birth, sex)).tier == tier


@pytest.mark.parametrize(("tallest", "referred"), [(168.9, False), (169.0, True)])
def test_four_centimetres_of_lost_stature_refer(tallest: float, referred: bool) -> None:
    """BHOF 2022: 4 cm from the tallest."""
    status = bone_status(case(tests=(bone(t_score=0.0),), tallest_stature_cm=tallest))
    assert bool(status.referrals) == referred
    assert (status.tier == "osteoporosis") == referred


def test_an_adverse_density_does_not_lapse_but_a_good_one_does() -> None:
    old = str(date(2023, 1, 1))
    assert bone_status(case(tests=({**bone(t_score=-2.9), "on": old},))).tier == "osteoporosis"
    assert bone_status(case(tests=({**bone(t_score=0.5), "on": old},))).tier == "caution"
