"""What things cost against each other, as ratios in one run; absolute times wander on shared machines."""

import random
import statistics
import sys
from collections.abc import Callable, Iterable, Iterator
from functools import partial
from pathlib import Path
from time import perf_counter
from typing import NamedTuple

from against import against_lines
from hand_out_cost import paper_line
from programmes_built import programme_lines
from progress import progress_lines
from variety import variety_lines

from amvel.body import FrameFacts, Measures, PoseSpec, demand, flatten, healthy, measure, react_flat, solve_flat
from amvel.case import CONDITIONS, Case, amended, read_case
from amvel.case.results.ranges import Range
from amvel.engine import Engine
from amvel.movements import Profiler, Request, all_steps, find
from amvel.planning.next_test import due_tests
from amvel.safety import CONTEXTS, Table, envelope, sides_of
from amvel.screening import find_out, test_library
from amvel.sensing.quality import quality
from amvel.sensing.simulated import played

RUNS = 3
BOUNDS_DEG = range(60, 96, 4)


def seconds(work: Callable[[], object]) -> float:
    start = perf_counter()
    work()
    return perf_counter() - start


def fresh() -> tuple[Profiler, list[Request]]:
    profiler = Profiler(measure(Measures(1.65, 62, "female")), healthy())
    steps = [Request(f, s, side, s.defaults(profiler.body)) for f, s in all_steps() for side in sides_of(s)]
    return profiler, steps


def batched() -> float:
    profiler, steps = fresh()
    return seconds(lambda: profiler.profiles(steps))


def every_frame() -> tuple[Profiler, list[PoseSpec], list[FrameFacts]]:
    """Every frame of the whole library as it is declared, for one body."""
    profiler, steps = fresh()
    profiles = [profiler.posed(p) for p in profiler.profiles(steps)]  # right versions that were turned round have none
    return profiler, [s for p in profiles for s in p.specs], [f.facts for p in profiles for f in p.frames]


def profiled(profiler: Profiler, specs: list[PoseSpec], facts: list[FrameFacts]) -> None:
    """Pose, supports and demand: all that a frame costs."""
    flat = flatten(profiler.skeleton, specs, [profiler.stops_rad] * len(specs))
    posed = solve_flat(profiler.skeleton, flat, [s.name for s in specs])
    demand(profiler.skeleton, flat, posed, react_flat(profiler.skeleton, flat, posed), facts)


def frames_together() -> float:
    profiler, specs, facts = every_frame()
    return seconds(lambda: profiled(profiler, specs, facts))


def one_frame_at_a_time() -> float:
    profiler, specs, facts = every_frame()
    return seconds(lambda: [profiled(profiler, [s], [f]) for s, f in zip(specs, facts, strict=True)])


SLIDERS = (
    ("sit_to_stand/two_legs", "seat_cm"),
    ("wall_plank/forearms", "wall_cm"),
    ("knee_fold/single_fold", "hip_deg"),
)


def stops_of_sliders() -> tuple[Profiler, list[list[Request]]]:
    """Every stop of some sliders, for a body that has solved nothing of them."""
    profiler, out = fresh()[0], []
    for ref, name in SLIDERS:
        family, step = find(ref)
        p = next(x for x in step.parameters if x.id == name)
        side, start = sides_of(step)[0], step.defaults(profiler.body)
        count = round((p.high - p.low) / p.grid)
        out.append([Request(family, step, side, {**start, name: p.low + i * p.grid}) for i in range(count + 1)])
    return profiler, out


def stops_together() -> float:
    profiler, sliders = stops_of_sliders()
    return seconds(lambda: [profiler.profiles(stops) for stops in sliders])


def one_stop_at_a_time() -> float:
    profiler, sliders = stops_of_sliders()
    return seconds(lambda: [profiler.profile(stop) for stops in sliders for stop in stops])


def half_the_library() -> float:
    profiler, steps = fresh()
    return seconds(lambda: profiler.profiles(steps[: len(steps) // 2]))


def changed_limit() -> float:
    """The specialist sets one limit after the other: everything that binds, and the library under it; the median of some."""
    profiler, steps = fresh()
    table = Table(profiler.profiles(steps))
    person = {"birth_date": "1950-01-01", "sex": "female", "stature_cm": 165, "mass_kg": 62}
    case = read_case({"as_of": "2026-11-24", "person": person})
    judged_again(table, case)
    set_by_hand = [{"quantity": "hip_flexion_deg", "bound": bound, "reason": "it pinches beyond", "by": "bench", "on": "2026-11-24"} for bound in BOUNDS_DEG]
    changed = [amended(case, {"own_limits": [limit]}) for limit in set_by_hand]
    return statistics.median(seconds(partial(judged_again, table, each)) for each in changed)


def judged_again(table: Table, case: Case) -> None:
    bounds = envelope(find_out(case))
    for context in CONTEXTS:
        table.allowed(bounds, context)


CLIENTS = 4


def tests_needed() -> tuple[float, float]:
    """Median number of tests until the admissible steps equal those after the full battery: adaptive, and in fixed order."""
    adaptive, fixed = [], []
    for seed in range(CLIENTS):
        truth, data = a_client(random.Random(seed))
        final = admissible(Engine(read_case({**data, "tests": [t for ts in truth.values() for t in ts]})))
        adaptive.append(count_until(final, truth, data, adaptive_order))
        fixed.append(count_until(final, truth, data, lambda engine, left: list(left)))
    return statistics.median(adaptive), statistics.median(fixed)


def a_client(rng: random.Random) -> tuple[dict, dict]:
    """Somebody of 60–85 with one condition and a true result for every test that shapes limits but not poses."""
    kind = rng.choice(sorted(CONDITIONS))
    born = f"{2026 - rng.randint(60, 85)}-03-01"
    person = {"birth_date": born, "sex": rng.choice(["female", "male"]), "stature_cm": 165, "mass_kg": 64}
    condition = {"kind": kind, "noted_on": "2026-11-24", **CONDITIONS[kind].EXAMPLES[0]}
    data = {"as_of": "2026-11-24", "person": person, "conditions": [condition]}
    truth = {}
    for t in test_library().values():
        if issubclass(t.model, Range) or t.avoid(read_case(data)):
            continue
        outcome = rng.choices(t.outcomes, [o.probability for o in t.outcomes])[0]
        sides = ("left", "right") if t.per_side else (None,)
        truth[t.id] = [
            {"test": t.id, "on": "2026-11-24", **({"side": s} if s else {}), **outcome.result} for s in sides
        ]
    return truth, data


def admissible(engine: Engine) -> tuple:
    return tuple(tuple(engine.table.allowed(engine.envelope, c)) for c in CONTEXTS)


def adaptive_order(engine: Engine, left: dict) -> list[str]:
    due = [d for d in due_tests(engine) if d.test.id in left]
    return [d.test.id for d in due if d.test.gate or d.expected > 0] or list(left)


def count_until(final: tuple, truth: dict, data: dict, order: Callable[[Engine, dict], list[str]]) -> int:
    left, done = dict(truth), []
    while left:
        engine = Engine(read_case({**data, "tests": done}))
        if admissible(engine) == final and not any(test_library()[t].gate for t in left):
            break
        done = [*done, *left.pop(order(engine, left)[0])]
    return len(truth) - len(left)


def library_lines() -> Iterator[str]:
    """One body's library: in one batch, one frame at a time, half of it; a changed limit; the stops of three sliders."""
    work = (batched, frames_together, one_frame_at_a_time, half_the_library, changed_limit, stops_together, one_stop_at_a_time)
    median = {f.__name__: statistics.median(f() for _ in range(RUNS)) for f in work}
    whole = median["batched"]
    yield f"library for a new body: seconds here                           {whole:6.2f}"
    yield f"library for a new body: frames one at a time / in one batch    {median['one_frame_at_a_time'] / median['frames_together']:6.2f}"
    yield f"library for a new body: whole / half                           {whole / median['half_the_library']:6.2f}  (2 is linear)"
    yield f"a changed limit / a new body                              1/{whole / median['changed_limit']:8.0f}  (aim: less than 1/500)"
    yield f"all stops of three sliders: one at a time / in one batch       {median['one_stop_at_a_time'] / median['stops_together']:6.2f}"


def tests_lines() -> Iterator[str]:
    """How many tests until nothing more changes."""
    adaptive, fixed = tests_needed()
    yield f"tests until nothing more changes: adaptive / fixed order        {adaptive / fixed:6.2f}  (aim: 0.5 or less; {adaptive:g} against {fixed:g})"


def papers_lines() -> Iterator[str]:
    """What pictures cost in a PDF."""
    yield paper_line()


def sensors_lines() -> Iterator[str]:
    """Failures found in simulated traces."""
    for script in ("clean", "tired", "faulty"):
        q = quality(played(script, 300.0, seed) for seed in range(100, 140))
        yield (
            f"sensors, {script:7s} recall {q.recall:5.3f}  (aim 0.95; {q.events} failures)   false alarms a minute {q.false_a_minute:5.3f}  (aim 0.2)   "
            f"longest delay {q.longest_s:4.2f} s  (aim 2)"
        )


class Part(NamedTuple):
    """A part of ./bench: what it looks at, and the lines that it prints; of `people` where it is asked for by its name, of `few`
    among all parts, which take less than ten minutes together."""

    what: str
    lines: Callable[[int], Iterable[str]]
    people: int = 0
    few: int = 0


PARTS: dict[str, Part] = {
    "library": Part("a body's library, limits and sliders", lambda _: library_lines()),
    "programme": Part("building programmes", programme_lines, 60, 12),
    "variety": Part("programmes of different people", variety_lines, 200, 30),
    "papers": Part("the hand-out as a PDF", lambda _: papers_lines()),
    "progress": Part("the rules of progress on simulated people", progress_lines, 60, 20),
    "sensors": Part("failures read from sensors", lambda _: sensors_lines()),
    "tests": Part("the adaptive order of tests", lambda _: tests_lines()),
}


def main(words: list[str]) -> int:
    """All parts, one by its name, or `against DIR [CASE…]`."""
    if words[:1] == ["against"] and len(words) > 1:
        print("every demo case in both checkouts, in turn …", file=sys.stderr, flush=True)
        for line in against_lines(Path(words[1]).resolve(), words[2:]):
            print(line, flush=True)
        return 0
    unknown = [w for w in words if w not in PARTS]
    if unknown:
        print(f"bench: no part '{unknown[0]}'; there are {', '.join(PARTS)}, or: against DIR", file=sys.stderr)
        return 2
    for name in words or PARTS:
        part = PARTS[name]
        people = part.people if words else part.few
        print(f"{name}: {part.what}{f', {people} of them' if people else ''} …", file=sys.stderr, flush=True)
        start = perf_counter()
        for line in part.lines(people):
            print(line, flush=True)
        print(f"{name}: {perf_counter() - start:.0f} s", file=sys.stderr, flush=True)
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
