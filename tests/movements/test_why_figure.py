"""The picture of a limit: the frame that breaks it, the mark where it is, the version that holds it beside it."""

import re

import numpy as np
import pytest

from amvel.answers.tried import Chosen, tried
from amvel.body import healthy
from amvel.movements import Profile, Profiler, Request, find
from amvel.movements.on_the_body import Angle, Load, Spot, Twist, mark_of
from amvel.movements.why_figure import Broken, why_figure, worst_row
from amvel.quantities import REGISTRY
from tests.bodies import body
from tests.planned import engine

PROFILER = Profiler(body(), healthy())


def read(svg: str) -> str:
    """What is read aloud: without the light rims under words."""
    return re.sub(r"<text[^>]*aria-hidden[^>]*>[^<]*</text>", "", svg)


def profile(ref: str, side: str = "both", **values: float) -> Profile:
    family, step = find(ref)
    return PROFILER.profile(Request(family, step, side, {**step.defaults(PROFILER.body), **values}))


@pytest.mark.parametrize(
    ("quantity", "kind"),
    [
        ("left.hip_bend_deg", Angle),
        ("loaded_trunk_flexion_deg", Angle),
        ("right.knee_flexion_deg", Angle),
        ("left.trunk_rotation_deg", Twist),
        ("right.leg_carries_percent_bw", Load),
        ("arching_level", Spot),
        ("one_leg_stance", Spot),
    ],
)
def test_each_kind_of_quantity_has_its_own_mark(quantity: str, kind: type) -> None:
    assert isinstance(mark_of(quantity, "left"), kind)


def test_every_mark_stands_on_landmarks_of_the_body() -> None:
    known = set(PROFILER.skeleton.landmarks.index)
    drawn = 0
    for name, q in REGISTRY.items():
        for column in (f"left.{name}", f"right.{name}") if q.sided else (name,):
            mark = mark_of(column, "left")
            if mark is None:
                continue
            drawn += 1
            at = {
                Angle: lambda m: (m.at, m.one, m.other),
                Load: lambda m: (m.at,),
                Spot: lambda m: m.at,
                Twist: lambda m: (*m.one, *m.other),
            }[type(mark)](mark)
            assert set(at) <= known, column
    assert drawn > 60


def test_the_frame_that_is_shown_is_the_worst_where_the_limit_looks() -> None:
    rise = profile("sit_to_stand/two_legs")
    row = worst_row(rise, Broken("left.hip_bend_deg", 90))
    assert rise.columns["left.hip_bend_deg"][row] == pytest.approx(rise.peak("left.hip_bend_deg"))
    standing = worst_row(rise, Broken("left.hip_bend_deg", 30, place="standing"))
    assert rise.columns["standing"][standing] > 0
    least = worst_row(rise, Broken("head_above_heart_cm", 20, at_least=True))
    assert rise.columns["head_above_heart_cm"][least] == pytest.approx(np.min(rise.columns["head_above_heart_cm"]))


def test_the_number_stands_at_the_mark_and_the_words_are_read_aloud() -> None:
    svg = why_figure(PROFILER, profile("curl_family/one_knee_bent", "left"), Broken("loaded_trunk_flexion_deg", 10, here="here 30°", says="rounding under load at most 10°"))
    assert re.search(r"<text[^>]*>\d+°</text>", svg)
    assert 'aria-label="Curls: Curl, one knee bent. rounding under load at most 10° here 30°"' in svg


def test_beside_it_stands_the_version_that_holds_it_in_the_same_scale() -> None:
    wide, small = profile("tall_turn/hands_on_ribs", "left", turn_deg=30), profile("tall_turn/hands_on_ribs", "left", turn_deg=10)
    one = why_figure(PROFILER, wide, Broken("left.trunk_rotation_deg", 11))
    both = why_figure(PROFILER, wide, Broken("left.trunk_rotation_deg", 11), small)
    numbers = [int(n) for n in re.findall(r">(\d+)°</text>", read(both))]
    assert len(numbers) == 2 and numbers[0] > 25 and numbers[1] < 12
    assert both.count("<svg") == 1 and len(both) > 1.7 * len(one)


def test_a_load_is_an_arrow_as_long_as_it_is_large() -> None:
    def length(ref: str, side: str) -> float:
        svg = why_figure(PROFILER, profile(ref, side), Broken("right.leg_carries_percent_bw", 10))
        y1, y2 = re.search(r'y1="(-?[\d.]+)" x2="[^"]+" y2="(-?[\d.]+)" stroke-width="3"', svg).groups()
        return abs(float(y1) - float(y2))

    assert length("standing_leg_to_the_side/firm_hand", "left") > 1.5 * length("heel_raise/firm_hand", "both")


def test_what_is_the_largest_of_several_is_drawn_as_the_one_that_it_is() -> None:
    twisted = why_figure(PROFILER, profile("seated_twist/with_weight", "left"), Broken("weighted_trunk_deg", 5))
    assert "stroke-dasharray" in twisted, "a turn is two lines turned against each other"


@pytest.mark.parametrize(("name", "ref", "kind"), [("low-bone-mass", "curl_family/one_knee_bent", "excluded"), ("low-bone-mass", "tall_turn/hands_on_ribs", "modified"), ("low-bone-mass", "foot_gather/spread_and_press", "as_is")])
def test_the_step_page_gets_it_with_the_limit_and_its_reason_where_one_is_broken(name: str, ref: str, kind: str) -> None:
    found = tried(engine(name), Chosen(*ref.split("/"), "left", context="visit"))
    assert found["verdict"]["verdict"] == kind
    if kind == "as_is":
        assert found["why"] is None
        return
    why = found["why"]
    assert why["svg"].startswith("<svg") and why["reason"] and "at most" in why["says"]
    assert len(re.findall(r"<text[^>]*>\d+°</text>", read(why["svg"]))) == (2 if kind == "modified" else 1)
