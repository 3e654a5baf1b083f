"""This checkout against another one of the same product, run in turn on the same cases: ratios per kind of work."""

import json
import os
import statistics
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

RUNS = 2
ROOT = Path(__file__).resolve().parent.parent
KINDS = {
    "library": "library profiled, new body",
    "judge": "judged with all changes, both contexts",
    "next_test": "which test is next",
    "room": "all fits of a room",
    "slider_s": "one stop of a slider",
}


def against_lines(other: Path, names: list[str]) -> Iterator[str]:
    """Lines: this one over the other, median and worst of the cases; each case is run in both before the next.

    Of some runs in turn the least of each kind of work counts: what else a shared machine does can only add to it.
    """
    if not (other / "core" / "src" / "amvel").is_dir():
        raise SystemExit(f"bench: {other} is no checkout of this product (core/src/amvel is missing)")
    cases = sorted((ROOT / "demo" / "cases").glob("*.json"))
    chosen = [c for c in cases if c.stem in names] if names else cases
    ours, theirs = [], []
    for case in chosen:
        there, here = [], []
        for _ in range(RUNS):
            there.append(_run(other, _as_written_there(other, case)))
            here.append(_run(ROOT, case))
        theirs.append(_least(there))
        ours.append(_least(here))
        print(f"  {case.stem}: {ours[-1]} against {theirs[-1]}", file=sys.stderr, flush=True)
    for kind, title in KINDS.items():
        ratios = [a[kind] / max(b[kind], 1e-6) for a, b in zip(ours, theirs, strict=True)]
        own, before = (statistics.median(x[kind] for x in side) for side in (ours, theirs))
        yield (
            f"{title:45s} 1/{1 / statistics.median(ratios):5.1f}  (worst case 1/{1 / max(ratios):.1f}; "
            f"median {own:.3f} s against {before:.3f} s; {len(ratios)} cases)"
        )


def _least(runs: list[dict[str, float]]) -> dict[str, float]:
    return {kind: min(run[kind] for run in runs) for kind in KINDS}


def _as_written_there(other: Path, case: Path) -> Path:
    """The same person as the older state writes him: it need not understand what forms ask since then."""
    its_own = other / "demo" / "cases" / case.name
    return its_own if its_own.is_file() else case


def _run(checkout: Path, case: Path) -> dict[str, float]:
    script = Path(__file__).with_name("new_body.py")
    environment = {**os.environ, "PYTHONPATH": str(checkout / "core" / "src"), "OMP_NUM_THREADS": "1", "OPENBLAS_NUM_THREADS": "1"}
    done = subprocess.run([sys.executable, str(script), str(case)], capture_output=True, text=True, env=environment, check=False)
    if done.returncode:
        raise SystemExit(f"bench: {case.name} failed in {checkout}: {done.stderr[-500:]}")
    found: dict[str, float] = json.loads(done.stdout.splitlines()[-1])
    return found
