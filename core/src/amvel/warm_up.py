"""What is done once, so that nobody who asks waits for it: kernels of the body model compiled (`python -m amvel.warm_up`, later
starts find them in the cache), and what only answers need read into a process that is to give some."""

import importlib

from amvel.body import Measures, healthy, measure
from amvel.movements import Profiler, Request, all_steps, find

_ONLY_FOR_ANSWERS = ("amvel.planning.solve", "scipy.optimize")  # read where they are used: half a second each


def read_ahead() -> None:
    """Read the library of movements with what only some answers need, in a process that will be asked for all of them."""
    all_steps()
    for name in _ONLY_FOR_ANSWERS:
        importlib.import_module(name)


def main() -> None:
    """One small movement with a band, solved on one body, asks for all of them."""
    body = measure(Measures(1.65, 63, "female"))
    family, step = find("band_press_out_seated/press")
    Profiler(body, healthy()).profile(Request(family, step, "left", step.defaults(body)))


if __name__ == "__main__":
    main()
