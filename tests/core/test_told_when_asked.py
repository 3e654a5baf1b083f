"""What is worked out only when somebody asks, and what is kept: it says what it would say at once, and nothing is asked too early."""

from dataclasses import replace

import numpy as np
import pytest

from amvel.body import cautious, flatten, healthy, other_side
from amvel.body.between import filled
from amvel.movements import Profiler, Request, all_steps, find
from amvel.movements.columns import Columns, Later
from amvel.movements.course import WHEN_ASKED
from amvel.movements.declaration import RangesWanted, Setting, once
from amvel.movements.declared_facts import with_declared_facts
from amvel.movements.declared_frames import declared_frames
from amvel.movements.frames import alike, mirrored
from amvel.movements.propped import with_head_end
from amvel.safety import sides_of
from amvel.safety.limits import Envelope, Limit
from amvel.safety.table import Table
from amvel.safety.verdict import check, holds
from amvel.sources import Kind, Source
from tests.bodies import body, library_profiles, profiler

SOURCE = Source(Kind.MODEL, quoted_for="a limit of this test")


def columns(asked: list[str]) -> Columns:
    """Two frames of an angle, and values of a movement that note when they are worked out: two together, one by itself."""

    def told(name: str) -> dict[str, float]:
        asked.append("rise" if name == "rise_level" else "acts")
        return {"rise_level": 3.0} if name == "rise_level" else {"left.leg_acts": 1.0, "right.leg_acts": 0.0}

    index = {"hip": 0, "left.leg_acts": 1, "right.leg_acts": 2, "rise_level": 3}
    table = np.array([[10.0, 20.0], *[[0.0, 0.0]] * 3])
    return Columns(index, table, Later(frozenset(index) - {"hip"}, told))


def test_a_column_of_the_frames_asks_nothing_and_one_of_the_movement_is_worked_out_once() -> None:
    asked: list[str] = []
    own = columns(asked)
    assert list(own["hip"]) == [10.0, 20.0] and not asked
    assert list(own["left.leg_acts"]) == [1.0, 1.0] and list(own["right.leg_acts"]) == [0.0, 0.0]
    assert asked == ["acts"] and own.untold == {"rise_level"}
    assert own.table.shape == (4, 2) and asked == ["acts", "rise"]
    assert own["rise_level"].max() == 3.0 and not own.untold and len(asked) == 2


@pytest.mark.parametrize("way", ["copied", "larger", "turned round"])
def test_a_copy_asks_nothing_either_and_says_the_same(way: str) -> None:
    asked: list[str] = []
    own = columns(asked)
    copy = {
        "copied": lambda: own.with_({"hip": np.array([1.0, 2.0])}),
        "larger": lambda: own.larger_of(own, ["hip"]),
        "turned round": lambda: own.exchanged(other_side),
    }[way]()
    assert not asked
    left, right = copy["left.leg_acts"], copy["right.leg_acts"]
    assert (left.min(), right.max()) == ((0.0, 1.0) if way == "turned round" else (1.0, 0.0))
    assert list(own["left.leg_acts"]) == [1.0, 1.0] and asked == ["acts"]


def test_what_was_told_before_it_was_turned_round_is_not_lost() -> None:
    own = columns([])
    assert own["left.leg_acts"].max() == 1.0
    turned = own.exchanged(other_side)
    assert (turned["left.leg_acts"].max(), turned["right.leg_acts"].max(), turned["rise_level"].max()) == (0.0, 1.0, 3.0)


def test_the_worst_of_a_column_is_what_is_told_whoever_asked_for_what_before() -> None:
    """The worst of the frames is found before anybody asks; a column that waits must not read as nothing."""
    own = columns([])
    assert (own.worst("hip"), own.worst("hip", at_least=True)) == (20.0, 10.0)
    assert (own.worst("rise_level"), own.worst("left.leg_acts"), own.worst("right.leg_acts")) == (3.0, 1.0, 0.0)


@pytest.mark.parametrize("told", [np.nan, np.inf, -np.inf])
def test_what_is_told_and_missing_breaks_a_bound_of_either_kind(told: float) -> None:
    own = Columns({"rise_level": 0}, np.zeros((1, 2)), Later(frozenset(["rise_level"]), lambda name: {name: told}))
    assert (own.worst("rise_level"), own.worst("rise_level", at_least=True)) == (np.inf, -np.inf)


def test_what_one_reader_was_given_does_not_change_while_another_asks() -> None:
    """Requests of one server share profiles: one reads while another works out the rest."""
    own = columns([])
    assert own.later is not None
    reading = iter(own.later.told("left.leg_acts").items())
    first = next(reading)
    assert own.later.told("rise_level") == {"rise_level": 3.0}
    assert dict([first, *reading]) == {"left.leg_acts": 1.0, "right.leg_acts": 0.0}


def test_replacing_what_is_told_of_the_movement_is_not_undone_by_telling_it() -> None:
    asked: list[str] = []
    changed = columns(asked).with_({"left.leg_acts": np.array([0.5, 0.5])})
    assert list(changed.table[1]) == [0.5, 0.5] and list(changed.table[2]) == [0.0, 0.0]


def test_what_frames_begin_with_is_declared_once_for_each_setting() -> None:
    asked: list[float] = []

    @once
    def start(s: Setting) -> float:
        asked.append(s.number("seat_cm"))
        return s.number("seat_cm")

    low, high = (Setting(body(), healthy(), {"seat_cm": cm}) for cm in (40.0, 50.0))
    assert [start(low), start(high), start(low)] == [40.0, 50.0, 40.0] and asked == [40.0, 50.0]


def single(quantity: str, bound: float) -> Envelope:
    return Envelope((Limit("test.0", quantity, bound, "because", SOURCE),), (), ())


def fresh(ref: str):
    family, step = find(ref)
    own = Profiler(body("middle"), healthy())
    return own.profile(Request(family, step, "left" if step.sides else "both", step.defaults(own.body)))


def test_who_is_out_by_a_frame_is_never_asked_about_the_movement() -> None:
    known = next(p for p in library_profiles() if not p.fault and p.peak("coordination") >= 1 and p.peak("left.hip_flexion_deg") > 20)
    profile = fresh(known.request.label)
    hip, coordination = (single(name, 0.0).limits[0] for name in ("hip_flexion_deg", "coordination"))
    both = Envelope((coordination, replace(hip, id="test.1")), (), ())
    assert not holds(profile, both, "home")
    assert profile.columns.untold == WHEN_ASKED
    assert {b.quantity for b in check(profile, both, "home").breaches} >= {"left.hip_flexion_deg", "coordination"}
    other = fresh(known.request.label)
    assert not holds(other, Envelope((coordination,), (), ()), "home")
    assert other.columns.untold == WHEN_ASKED - {"coordination"}, "a limit on one of them works out another"


@pytest.mark.parametrize("asked_by", ["a column", "the table"])
def test_what_is_told_between_two_checks_is_seen_by_the_second(asked_by: str) -> None:
    """The worst values of the frames are kept: what was told since then must not be missing from them."""
    known = next(p for p in library_profiles() if not p.fault and p.peak("coordination") >= 1 and p.peak("left.hip_flexion_deg") > 20)
    profile = fresh(known.request.label)
    assert not holds(profile, single("hip_flexion_deg", 0.0), "home")
    assert (profile.columns["coordination"] if asked_by == "a column" else profile.columns.table[profile.columns.index["coordination"]]).max() >= 1
    assert "coordination" not in profile.columns.untold
    assert [b.quantity for b in check(profile, single("coordination", 0.0), "home").breaches] == ["coordination"]
    assert not Table([profile]).allowed(single("coordination", 0.0), "home")[0]


@pytest.mark.parametrize("quantity", sorted({n.partition(".")[2] or n for n in WHEN_ASKED}))
def test_a_limit_of_the_movement_alone_closes_it(quantity: str) -> None:
    """With no other limit nothing is out before the movement is asked about."""
    family, step = find("sit_to_stand/two_legs")
    low_seat = Request(family, step, "both", {**step.defaults(profiler().body), "seat_cm": 38.0})
    profiles = [p for p in (*library_profiles(), profiler().profile(low_seat)) if not p.fault]
    envelope = single(quantity, 0.0)
    closed = [p for p in profiles if not holds(p, envelope, "home")]
    names = [n for n in WHEN_ASKED if n.endswith(quantity)]
    assert closed and len(closed) < len(profiles)
    assert {id(p) for p in closed} == {id(p) for p in profiles if max(p.peak(n) for n in names) > 0.5}


def test_frames_are_what_the_step_declares_whatever_is_kept() -> None:
    """The whole library, for two bodies and two sets of ranges: what is kept for any ranges is what each of them would get."""
    asks = set()
    stiff = cautious({"left.hip_flexion": 75.0, "right.hip_flexion": 80.0, "left.ankle_dorsiflexion": 2.0})
    for size in ("small", "tall"):
        for family, step in all_steps():
            own = body(size)
            values = step.defaults(own)
            for ranges in (healthy(), stiff):
                side = sides_of(step)[-1]
                kept = declared_frames(family, step, side, own, ranges, values)
                anew = with_declared_facts(with_head_end(step.frames(Setting(own, ranges, values)), values), family, step)
                anew = [mirrored(f) for f in anew] if side == "right" else anew
                assert len(kept) == len(anew) and all(alike(a, b) for a, b in zip(kept, anew, strict=True)), family.ref(step)
            try:
                step.frames(Setting(own, None, values))
            except RangesWanted:
                asks.add(family.ref(step))
    assert 0 < len(asks) < 0.1 * len(all_steps())


def test_poses_of_which_none_is_on_the_way_are_handed_on_as_they_are() -> None:
    p = library_profiles()[0]
    flat = flatten(profiler().skeleton, list(p.specs), [profiler().stops_rad] * len(p.specs))
    same = np.arange(flat.poses)
    assert filled(flat, same, np.zeros(flat.poses)) is flat
    other = filled(flat, same[:-1], np.full(flat.poses - 1, 0.5))
    assert other.poses == flat.poses - 1
