"""The body against published tables and an independent inertia library."""

import numpy as np
import pytest
import yeadon

from amvel.body import HEALTHY_DEG, JOINTS, Measures, Skeleton, healthy, measure
from tests.bodies import SIZES, body

# de Leva 1996, table 4: share of body mass (from memory).
DE_LEVA = {
    ("female", "thigh"): 0.1478,
    ("male", "thigh"): 0.1416,
    ("female", "shank"): 0.0481,
    ("male", "shank"): 0.0433,
    ("female", "upper_arm"): 0.0255,
    ("male", "upper_arm"): 0.0271,
}


@pytest.mark.parametrize("size", SIZES)
def test_segment_masses_sum_to_the_body(size: str) -> None:
    assert sum(s.mass_kg for s in body(size).segments) == pytest.approx(SIZES[size][1], rel=1e-3)


@pytest.mark.parametrize(("sex", "part"), DE_LEVA)
def test_limb_masses_follow_de_leva(sex: str, part: str) -> None:
    found = {s.name: s.mass_kg for s in measure(Measures(1.70, 70, sex)).segments}
    assert found[f"left.{part}"] / 70 == pytest.approx(DE_LEVA[sex, part], abs=1e-4)


# The same table: the three parts of the trunk together (upper, middle, lower), from memory.
DE_LEVA_TRUNK = {"female": 0.1545 + 0.1465 + 0.1247, "male": 0.1596 + 0.1633 + 0.1117}


@pytest.mark.parametrize("sex", DE_LEVA_TRUNK)
def test_the_trunk_cut_again_keeps_the_mass_of_the_table(sex: str) -> None:
    found = {s.name: s.mass_kg for s in measure(Measures(1.70, 70, sex)).segments}
    cut = sum(found[n] for n in ("pelvis", "lumbar", "lower_thorax", "upper_thorax"))
    assert cut / 70 == pytest.approx(DE_LEVA_TRUNK[sex], abs=1e-4)


# Jensen 1986 (from memory, coarse): share of body mass of head and neck in boys, about 17 % at six falling to 8 % at sixteen.
JENSEN_HEAD = {6: (0.15, 0.19), 10: (0.11, 0.14), 16: (0.07, 0.09)}


@pytest.mark.parametrize("age", JENSEN_HEAD)
def test_the_head_of_a_growing_body_weighs_its_share_of_that_age(age: int) -> None:
    body = measure(Measures(1.15 + 0.055 * (age - 6), 20 + 3.6 * (age - 6), "male", growing_age_years=age))
    head = sum(s.mass_kg for s in body.segments if s.name in ("head", "neck")) / body.mass_kg
    low, high = JENSEN_HEAD[age]
    assert low <= head <= high
    assert sum(s.mass_kg for s in body.segments) == pytest.approx(body.mass_kg)


# AAOS 1965; Norkin & White (from memory): healthy ranges of adults, degrees.
AAOS_DEG = {
    "trunk_flexion": 80,
    "trunk_side_bend": 35,
    "trunk_rotation": 45,
    "hip_flexion": 120,
    "hip_abduction": 45,
    "hip_adduction": 30,
    "hip_internal_rotation": 45,
    "hip_external_rotation": 45,
    "shoulder_elevation": 180,
}


@pytest.mark.parametrize("name", AAOS_DEG)
def test_healthy_joints_go_as_far_as_printed_and_no_further(name: str) -> None:
    assert HEALTHY_DEG[name] == AAOS_DEG[name]
    stops = healthy().stops_rad()
    if name == "hip_flexion":
        assert np.degrees(stops["left.hip.flexion"][1]) == pytest.approx(AAOS_DEG[name])


@pytest.mark.parametrize(("name", "low", "high"), [("trunk_extension", 20, 30), ("hip_extension", 20, 30), ("straight_leg_raise", 70, 80)])
def test_healthy_ranges_that_print_gives_as_a_span_lie_in_it(name: str, low: float, high: float) -> None:
    assert low <= HEALTHY_DEG[name] <= high


def standing(h: float, m: float, sex: str) -> tuple[Skeleton, np.ndarray]:
    skeleton = Skeleton(measure(Measures(h, m, sex)))
    placed = skeleton.place(np.zeros((1, 3)), np.eye(3)[None], np.zeros((1, len(JOINTS))))
    return skeleton, skeleton.points(placed)


@pytest.mark.parametrize(("sex", "low", "high"), [("female", 0.53, 0.57), ("male", 0.54, 0.58)])
def test_the_centre_of_mass_in_standing_lies_where_textbooks_put_it(sex: str, low: float, high: float) -> None:
    """Winter, Biomechanics and Motor Control: about 55–57 % of stature (from memory)."""
    skeleton, points = standing(1.70, 70, sex)
    feet = points[0, skeleton.landmarks.index["left.heel"], 2]
    assert low < (skeleton.centre_of_mass(points)[0, 2] - feet) / 1.70 < high


def test_stature_is_what_was_measured() -> None:
    """Drillis & Contini lengths add up from heel to crown."""
    skeleton, points = standing(1.75, 72, "male")
    z = points[0, :, 2]
    assert z[skeleton.landmarks.index["vertex"]] - z[skeleton.landmarks.index["left.heel"]] == pytest.approx(
        1.75, abs=0.005
    )


# A measured man of 1.78 m for the library `yeadon` (an invented set within ordinary ranges; metres).
_TRUNK = {
    "Ls1L": 0.145,
    "Ls2L": 0.26,
    "Ls3L": 0.40,
    "Ls4L": 0.50,
    "Ls5L": 0.53,
    "Ls6L": 0.17,
    "Ls7L": 0.23,
    "Ls8L": 0.32,
    "Ls0p": 0.92,
    "Ls1p": 0.80,
    "Ls2p": 0.82,
    "Ls3p": 0.95,
    "Ls5p": 0.38,
    "Ls6p": 0.46,
    "Ls7p": 0.57,
    "Ls0w": 0.33,
    "Ls1w": 0.29,
    "Ls2w": 0.30,
    "Ls3w": 0.33,
    "Ls4w": 0.34,
    "Ls4d": 0.18,
}
_ARM = {
    "2L": 0.31,
    "3L": 0.36,
    "4L": 0.56,
    "5L": 0.05,
    "6L": 0.10,
    "7L": 0.19,
    "0p": 0.36,
    "1p": 0.29,
    "2p": 0.26,
    "3p": 0.26,
    "4p": 0.165,
    "5p": 0.23,
    "6p": 0.20,
    "7p": 0.14,
    "4w": 0.055,
    "5w": 0.09,
    "6w": 0.085,
    "7w": 0.06,
}
_LEG = {
    "1L": 0.10,
    "3L": 0.43,
    "4L": 0.55,
    "5L": 0.86,
    "6L": 0.03,
    "8L": 0.15,
    "9L": 0.21,
    "1p": 0.56,
    "2p": 0.51,
    "3p": 0.37,
    "4p": 0.36,
    "5p": 0.225,
    "6p": 0.32,
    "7p": 0.25,
    "8p": 0.24,
    "9p": 0.20,
    "8w": 0.095,
    "9w": 0.085,
    "6d": 0.105,
}


def yeadon_man() -> yeadon.Human:
    measures = {
        **_TRUNK,
        **{f"L{s}{k}": v for s in "ab" for k, v in _ARM.items()},
        **{f"L{s}{k}": v for s in "jk" for k, v in _LEG.items()},
    }
    return yeadon.Human(measures)


def test_masses_agree_with_an_independent_body_of_the_same_size() -> None:
    """Library `yeadon` (Yeadon 1990): shares of arm, leg and trunk of a measured man within a quarter of ours."""
    human = yeadon_man()
    ours = {s.name: s.mass_kg for s in measure(Measures(1.78, human.mass, "male")).segments}
    pairs = {"left.upper_arm": human.A1.mass, "left.thigh": human.J1.mass}
    for name, theirs in pairs.items():
        assert ours[name] == pytest.approx(theirs, rel=0.25), name
    shank_and_foot = sum(ours[f"left.{n}"] for n in ("shank", "foot", "toes"))
    assert shank_and_foot == pytest.approx(human.J2.mass, rel=0.25)


def test_the_trunk_of_an_independent_body_weighs_as_much() -> None:
    """Library `yeadon`: pelvis, thorax and chest with shoulders against our trunk from hip to C7, within a tenth."""
    human = yeadon_man()
    ours = {s.name: s.mass_kg for s in measure(Measures(1.78, human.mass, "male")).segments}
    trunk = sum(ours[n] for n in ("pelvis", "lumbar", "lower_thorax", "upper_thorax"))
    whole = trunk + ours["head"] + ours["neck"]
    assert whole == pytest.approx(human.P.mass + human.T.mass + human.C.mass, rel=0.10)


def test_the_inertia_of_a_standing_body_agrees_with_an_independent_one() -> None:
    """About the axis from side to side through the centre of mass: library `yeadon`, within a fifth; ours has no width of its
    segments, so that it may only be smaller."""
    human = yeadon_man()
    skeleton, points = standing(1.78, human.mass, "male")
    centre = skeleton.centre_of_mass(points)[0]
    arms = points[0, skeleton.com_rows] - centre
    ours = float((skeleton.mass_kg * (arms[:, 0] ** 2 + arms[:, 2] ** 2)).sum())
    theirs = float(np.asarray(human.inertia)[0, 0])
    assert 0.75 * theirs <= ours <= 1.05 * theirs
