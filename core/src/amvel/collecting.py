"""How often Python looks for cycles, for a process that solves: poses and frames have none, and looking through them cost a tenth."""

import gc


def collect_seldom() -> None:
    """For the entry of a process; memory that is freed by counting is freed as before."""
    gc.set_threshold(50_000, 20, 100)


__all__ = ["collect_seldom"]
