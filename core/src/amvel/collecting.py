"""How often Python looks for cycles, for a process that solves: poses and frames have none, and looking through them cost a tenth
(every 50 000 new things it still costs a twentieth of judging; every 200 000 half of that, in the same memory)."""

import gc


def collect_seldom() -> None:
    """For the entry of a process; memory that is freed by counting is freed as before."""
    gc.set_threshold(200_000, 20, 100)


__all__ = ["collect_seldom"]
