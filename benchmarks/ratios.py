"""What things cost against each other, as ratios in one run; absolute times wander on shared machines."""

import statistics
from collections.abc import Callable
from time import perf_counter

from amvel.body import Measures, healthy, measure
from amvel.case import read_case
from amvel.movements import Profiler, Request, all_steps
from amvel.safety import CONTEXTS, check, envelope, sides_of
from amvel.screening import find_out

RUNS = 3


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


def one_by_one() -> float:
    profiler, steps = fresh()
    return seconds(lambda: [profiler.profile(r) for r in steps])


def half_the_library() -> float:
    profiler, steps = fresh()
    return seconds(lambda: profiler.profiles(steps[: len(steps) // 2]))


def changed_limit() -> float:
    profiler, steps = fresh()
    profiles = profiler.profiles(steps)
    person = {"birth_date": "1950-01-01", "sex": "female", "stature_cm": 165, "mass_kg": 62}
    case = read_case({"as_of": "2026-11-24", "person": person})

    def judge_again() -> None:
        bounds = envelope(find_out(case))
        for p in profiles:
            for context in CONTEXTS:
                check(p, bounds, context)

    return seconds(judge_again)


def main() -> None:
    runs = {
        f.__name__: [f() for _ in range(RUNS)] for f in (batched, one_by_one, half_the_library, changed_limit)
    }
    median = {name: statistics.median(times) for name, times in runs.items()}
    whole = median["batched"]
    print(
        f"library for a new body: one step at a time / in one batch      {median['one_by_one'] / whole:6.2f}  (aim: 10 or more)"
    )
    print(
        f"library for a new body: whole / half                           {whole / median['half_the_library']:6.2f}  (2 is linear)"
    )
    print(
        f"a changed limit / a new body                                   {median['changed_limit'] / whole:6.3f}  (aim: 0.01 or less)"
    )


if __name__ == "__main__":
    main()
