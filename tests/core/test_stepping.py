"""One slow step: where the feet are, which of them carries, and that nothing else is asked."""

import numpy as np
import pytest

from amvel.body import solve
from amvel.movements.pose_of_frame import compile_frame
from amvel.movements.positions import hip_wide, standing
from amvel.movements.stepping import stepped_ahead
from tests.bodies import profiler


def placed(size: str, step_cm: float, turned_out_deg: float = 0.0) -> dict[str, dict[str, np.ndarray]]:
    """The landmarks of each frame in cm, by its name."""
    p = profiler(size)
    body = p.skeleton.body
    frames = stepped_ahead(standing(body).aim(hip_wide(body)), body, step_cm, turned_out_deg)
    found = solve(p.skeleton, [compile_frame(f, f.name, body, p.capacities) for f in frames], p.stops_rad)
    assert not any(found.faults), found.faults
    index = p.skeleton.landmarks.index
    return {f.name: {n: 100 * found.points[i, index[n]] for n in index} for i, f in enumerate(frames)}


@pytest.mark.parametrize("size", ["small", "middle", "tall", "heavy"])
@pytest.mark.parametrize("step_cm", [12.0, 26.0, 40.0])
def test_the_foot_lands_a_step_ahead_of_the_other_which_stays_as_far_ahead(size: str, step_cm: float) -> None:
    frames = placed(size, step_cm)
    landed, over = frames["foot landed"], frames["weight on one foot"]
    assert landed["left.ankle"][0] - landed["right.ankle"][0] == pytest.approx(step_cm, abs=1.0)
    assert abs(landed["right.heel"][0] - over["right.heel"][0]) < 1.0
    assert landed["left.ankle"][1] - landed["right.ankle"][1] == pytest.approx(over["left.ankle"][1] - over["right.ankle"][1], abs=1.0)
    assert landed["left.heel"][2] == pytest.approx(0.0, abs=0.6)


@pytest.mark.parametrize("size", ["small", "tall"])
def test_the_foot_is_in_the_air_on_its_way_and_both_are_down_at_the_end(size: str) -> None:
    frames = placed(size, 26.0)
    assert frames["foot on its way"]["left.heel"][2] > 3.0
    assert frames["foot on its way"]["right.heel"][2] == pytest.approx(0.0, abs=0.6)
    assert frames["weight between the feet"]["left.heel"][2] == pytest.approx(0.0, abs=0.6)


def test_the_weight_goes_from_one_foot_to_between_both() -> None:
    """The hips stand over the right foot while the left is in the air, and come towards the left one afterwards."""
    frames = placed("middle", 26.0)
    across = {name: f["hip_axis"][1] - f["right.ankle"][1] for name, f in frames.items()}
    assert abs(across["weight on one foot"]) < 3.0
    assert across["weight between the feet"] > across["weight on one foot"] + 3.0
    along = {name: f["hip_axis"][0] - f["right.ankle"][0] for name, f in frames.items()}
    assert along["weight between the feet"] > along["weight on one foot"] + 2.0


def test_a_foot_that_turns_out_points_out_when_it_has_landed() -> None:
    def points_out_deg(frame: dict[str, np.ndarray]) -> float:
        way = frame["left.ball"] - frame["left.heel"]
        return float(np.degrees(np.arctan2(way[1], way[0])))

    straight, turned = (placed("middle", 20.0, deg)["foot landed"] for deg in (0.0, 20.0))
    assert points_out_deg(turned) - points_out_deg(straight) == pytest.approx(20.0, abs=4.0)
