"""Endurance against share of maximum: Frey Law & Avin 2010; Rohmert 1960 (both from memory), worked by hand."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body.endurance import (
    LONGEST_S,
    estimated_capacity,
    estimated_hold,
    hold_s,
    rohmert_s,
    share_of,
)


@pytest.mark.parametrize("share, seconds", [(1.0, 22.69), (0.5, 109.4), (0.25, 527.8)])
def test_the_trunk_curve_by_hand(share: float, seconds: float) -> None:
    """t = 22.69 · f^−2.27: 0.5 → 22.69 · 4.823, 0.25 → 22.69 · 23.26."""
    assert hold_s(share) == pytest.approx(seconds, rel=0.005)


@pytest.mark.parametrize("share, minutes", [(0.5, 1.1), (0.3, 2.5370), (1.0, 0.1)])
def test_the_general_curve_by_hand(share: float, minutes: float) -> None:
    """t(min) = −1.5 + 2.1/f − 0.6/f² + 0.1/f³."""
    assert rohmert_s(share) == pytest.approx(60 * minutes, rel=0.001)


def test_the_general_curve_ends_at_fifteen_percent() -> None:
    with pytest.raises(ValueError, match=r"0\.15"):
        rohmert_s(0.15)


@given(st.floats(0.05, 3.0))
def test_share_and_time_are_each_others_inverse(share: float) -> None:
    assert share_of(hold_s(share)) == pytest.approx(share)


@given(st.floats(5, 100), st.floats(1, 240), st.floats(1.0, 2.0))
def test_a_harder_pose_is_never_held_longer(demand: float, seconds: float, harder: float) -> None:
    capacity = estimated_capacity(demand, seconds)
    assert estimated_hold(capacity, harder * demand).seconds <= estimated_hold(capacity, demand).seconds


@given(st.floats(5, 100), st.floats(1, LONGEST_S))
def test_the_measured_pose_gets_its_own_time_back(demand: float, seconds: float) -> None:
    found = estimated_hold(estimated_capacity(demand, seconds), demand)
    assert found.seconds == pytest.approx(seconds)
    assert found.low_s < found.seconds <= found.high_s


def test_three_times_the_capacity_is_held_for_less_than_two_seconds() -> None:
    """22.69 · 3^−2.27 = 22.69 / 12.11."""
    assert estimated_hold(100.0, 300.0).seconds == pytest.approx(1.874, rel=0.005)


@pytest.mark.parametrize("wrong", [0.0, -1.0])
def test_nonsense_is_refused(wrong: float) -> None:
    with pytest.raises(ValueError, match="above 0"):
        hold_s(wrong)
    with pytest.raises(ValueError, match="above 0"):
        share_of(wrong)
