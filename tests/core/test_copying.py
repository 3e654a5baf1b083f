"""Copies of frozen parts: as `dataclasses.replace` gives them."""

import math
from dataclasses import dataclass, replace
from functools import cached_property

import pytest

from amvel.body import FrameFacts, but


@dataclass(frozen=True)
class Ramp:
    tilt_deg: float

    @cached_property
    def rise(self) -> float:
        return math.tan(math.radians(self.tilt_deg))


def test_a_copy_has_the_new_values_and_the_old_ones_otherwise() -> None:
    facts = FrameFacts(hold_s=3.0, seated=True)
    assert but(facts, hold_s=5.0) == replace(facts, hold_s=5.0)
    assert facts.hold_s == 3.0


def test_what_was_worked_out_of_the_old_values_stays_behind() -> None:
    ramp = Ramp(10.0)
    assert ramp.rise > 0  # worked out, and kept
    assert but(ramp, tilt_deg=0.0).rise == 0.0
    assert ramp.rise > 0


def test_a_name_that_does_not_exist_is_refused() -> None:
    with pytest.raises(TypeError, match="FrameFacts has no holds"):
        but(FrameFacts(), holds=1)
