"""Compile every kernel of the body model once: `python -m amvel.warm_up`.  Later starts find them in the cache."""

from amvel.body import Measures, healthy, measure
from amvel.movements import Profiler, Request, find


def main() -> None:
    """One small movement with a band, solved on one body, asks for all of them."""
    body = measure(Measures(1.65, 63, "female"))
    family, step = find("band_press_out_seated/press")
    Profiler(body, healthy()).profile(Request(family, step, "left", step.defaults(body)))


if __name__ == "__main__":
    main()
