"""How often Python looks for cycles, for a process that solves: poses and frames have none, and looking through them cost a tenth.

What has lived for a while is looked through seldom: a quarter of a second each time, in the middle of an answer.
"""

import gc


def collect_seldom() -> None:
    """For the entry of a process; memory that is freed by counting is freed as before."""
    gc.set_threshold(50_000, 100, 100)


__all__ = ["collect_seldom"]
