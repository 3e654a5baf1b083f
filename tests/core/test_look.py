"""How closely a version is looked at: what was begun is gone on with, and a look that is less close rules out no more than the
closest one does.  That the parts fit each other is checked here; what they find is checked elsewhere."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from amvel.body import cautious, healthy
from amvel.movements import Profile, Profiler, Request, all_steps
from amvel.movements.look import Look
from amvel.movements.profiler import Asked, solved_directly
from amvel.quantities import quantity
from tests.alike import unlike_columns
from tests.bodies import body

# Of a body whose arms and hamstrings were not measured some poses end at stops that were only assumed.
PEOPLE = {
    "nobody has measured": cautious({}),
    "one hip was measured": cautious({"left.hip_flexion": 84.0}),
    "a fused low back": cautious({"trunk_flexion": 30.0}, mobile={"lumbar": 0.4}),
}


def some_requests(every: int, first: int = 0) -> list[Request]:
    asked = [Request(f, s, side, s.defaults(body())) for f, s in all_steps() for side in (("left", "right") if s.sides else ("both",))]
    return asked[first::every]


@pytest.mark.parametrize("who", PEOPLE)
def test_what_was_begun_as_assumed_ends_as_what_is_looked_at_whole(who: str) -> None:
    begun, whole = Profiler(body(), PEOPLE[who]), Profiler(body(), PEOPLE[who])
    requests = some_requests(3)
    assumed = begun.looked_at([(Look.ASSUMED, r) for r in requests])
    found = begun.profiles(requests)
    larger = 0
    for r, a, b, want in zip(requests, assumed, found, whole.profiles(requests), strict=True):
        assert (b.fault is None) == (want.fault is None), r.label
        if want.fault is None:
            assert not unlike_columns(b, want), r.label
            larger += bool(unlike_columns(a, want))
    assert larger > 3, "no limb ended at a stop that was only assumed: this looked at nothing"


@given(st.integers(0, 16))
def test_as_assumed_nothing_counts_further_than_it_may_go(first: int) -> None:
    """What fails as assumed fails whole: a limb that may go further counts no less, and everything else stays."""
    profiler = Profiler(body(), PEOPLE["nobody has measured"])
    requests = some_requests(17, first)
    assumed = profiler.looked_at([(Look.ASSUMED, r) for r in requests])
    for r, a, whole in zip(requests, assumed, profiler.profiles(requests), strict=True):
        if a.fault is not None:
            assert whole.fault is not None, r.label
        elif whole.fault is None:
            for name in a.columns:
                if quantity(name).limb_angle:
                    assert np.all(whole.columns[name] >= a.columns[name] - 1e-9), (r.label, name)
                else:
                    assert np.array_equal(whole.columns[name], a.columns[name], equal_nan=True), (r.label, name)


def test_what_is_known_more_closely_is_not_solved_again() -> None:
    profiler = Profiler(body(), PEOPLE["nobody has measured"])
    requests = some_requests(11)
    whole = profiler.profiles(requests)
    solved = profiler.solved
    assert profiler.looked_at([(Look.ASSUMED, r) for r in requests]) == whole
    assert profiler.solved == solved
    profiler.sketches(requests)
    assert profiler.solved > solved, "a sketch has other frames"


def test_a_body_that_was_measured_is_looked_at_once(monkeypatch: pytest.MonkeyPatch) -> None:
    profiler = Profiler(body(), healthy())
    requests = some_requests(29)
    assumed = profiler.looked_at([(Look.ASSUMED, r) for r in requests])
    assert profiler.loosened is profiler

    def none_of_it(asked: list[Asked]) -> list[Profile]:
        assert not asked, asked
        return []

    monkeypatch.setattr("amvel.movements.profiler._solve_within", none_of_it)
    for a, whole in zip(assumed, profiler.profiles(requests), strict=True):
        assert (a.fault is None) == (whole.fault is None) and not unlike_columns(a, whole), a.request.label


def test_looks_of_one_answer_keep_their_order() -> None:
    profiler = Profiler(body(), PEOPLE["one hip was measured"])
    requests = some_requests(23)
    looks = [list(Look)[i % 3] for i in range(len(requests))]
    found = profiler.looked_at(list(zip(looks, requests, strict=True)))
    assert [p.request.key for p in found] == [r.key for r in requests]
    sketched = [p for p, look in zip(found, looks, strict=True) if look is Look.SKETCH and not p.fault]
    assert sketched and all(p.rows[-1] - p.rows[0] + 1 == len(p.rows) for p in sketched), "a sketch has declared frames alone"


def test_what_was_begun_is_taken_over_by_another_process() -> None:
    one, other = (Profiler(body(), PEOPLE["nobody has measured"]) for _ in range(2))
    requests = some_requests(19)
    one.looked_at([(Look.ASSUMED, r) for r in requests])
    other.take_over(one.pack())
    other.looked_at([(Look.ASSUMED, r) for r in requests])
    assert other.solved <= sum(bool(p.fault) for p in one.looked_at([(Look.ASSUMED, r) for r in requests]))
    for got, want in zip(other.profiles(requests), one.profiles(requests), strict=True):
        assert (got.fault is None) == (want.fault is None)
        if want.fault is None:
            assert not unlike_columns(got, want), want.request.label


def test_a_measured_side_is_not_counted_as_far_as_an_unmeasured_one() -> None:
    """Asked in one batch, the left one whole and both as assumed: what freer limbs do on the left says nothing of a right hip and
    knee that were measured."""
    measured = {f"right.{name}": deg for name, deg in {"hip_flexion": 90.0, "knee_flexion": 110.0, "shoulder_elevation": 120.0}.items()}
    rights = [r for r in some_requests(1) if r.side == "right"][::5]
    lefts = [Request(r.family, r.step, "left", r.values) for r in rights]
    alone = [solved_directly([Asked(Profiler(body(), cautious(measured)), r, look) for r in rights]) for look in (Look.ASSUMED, Look.WHOLE)]
    whole, assumed = [(Look.WHOLE, r) for r in lefts], [(Look.ASSUMED, r) for r in (*lefts, *rights)]
    for asked in ([*whole, *assumed], [*assumed, *whole]):
        together = Profiler(body(), cautious(measured))
        together.looked_at(asked)
        for r, got, *either in zip(rights, together.looked_at([(Look.ASSUMED, r) for r in rights]), *alone, strict=True):
            assert any((got.fault is None) == (p.fault is None) and (p.fault or not unlike_columns(got, p)) for p in either), r.label


def test_a_request_is_known_by_what_it_asks_for_whatever_order_and_kind_of_number_it_is_written_in() -> None:
    family, step = next((f, s) for f, s in all_steps() if len(s.parameters) > 1)
    values = step.defaults(body())
    one = Request(family, step, "left", values)
    turned = Request(family, step, "left", {k: np.float64(v) if isinstance(v, float) else v for k, v in reversed(values.items())})
    assert one.key == turned.key
    moved = next(p for p in step.parameters if not p.choices)
    others = [Request(family, step, "right", values), Request(family, step, "left", {**values, moved.id: float(values[moved.id]) + 1})]
    assert len({one.key, *(r.key for r in others)}) == 3
