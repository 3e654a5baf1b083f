"""What is done once, so that nobody who asks waits for it: kernels of the body model compiled (`python -m amvel.warm_up`, later
starts find them in the cache), and what only answers need read into a process that is to give some."""

import importlib
from multiprocessing import get_context

import numpy as np

from amvel.body import Measures, Posed, PoseSpec, Skeleton, demand, flatten, healthy, measure, react_flat, solve
from amvel.body.bounds import Bounds, broken

_BODY = measure(Measures(1.65, 63, "female"))
_ONLY_FOR_ANSWERS = ("amvel.planning.solve", "scipy.optimize")  # read where they are used: half a second each


def read_ahead() -> None:
    """Read the library of movements with what only some answers need, in a process that will be asked for all of them."""
    from amvel.movements import all_steps

    all_steps()
    for name in _ONLY_FOR_ANSWERS:
        importlib.import_module(name)


def main() -> None:
    """Poses on one core, what they ask on the other; one small movement with a band, solved on one body, asks for the rest."""
    other = get_context("spawn").Process(target=_poses)
    other.start()
    _what_poses_ask()
    other.join()
    if other.exitcode:
        raise SystemExit(other.exitcode)
    from amvel.movements import Profiler, Request, find

    family, step = find("band_press_out_seated/press")
    Profiler(_BODY, healthy()).profile(Request(family, step, "left", step.defaults(_BODY)))


# A kernel is compiled for kinds of arguments, whatever is in them.
def _poses() -> None:
    solve(Skeleton(_BODY), [PoseSpec("as it stands", np.eye(3))], {})


def _what_poses_ask() -> None:
    """Movements read their columns off kernels as they are read themselves: in this process alone, or each would compile them."""
    importlib.import_module("amvel.movements")
    skeleton = Skeleton(_BODY)
    flat, posed = flatten(skeleton, [], []), Posed.of_nothing(skeleton)
    demand(skeleton, flat, posed, react_flat(skeleton, flat, posed), [])
    none = np.zeros(0, dtype=np.int64)
    broken(np.zeros((0, 0)), Bounds(none, none, np.zeros(0), np.zeros(0)))


if __name__ == "__main__":
    main()
