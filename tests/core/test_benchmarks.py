"""What `./bench` measures is what is there: its parts run, here without a clock.  How long they take is not looked at."""

import json
import os
import subprocess
import sys

from tests.conftest import ROOT
from tests.patience import WHOLE_COMMAND_S

# In a process of its own, as `./bench` begins them.
_TRIED = """
import json
from ratios import PARTS, every_frame, profiled, stops_of_sliders
from hand_out_cost import pages, pdf_of

profiler, specs, facts = every_frame()
profiled(profiler, specs[:7], facts[:7])
other, sliders = stops_of_sliders()
faults = [str(p.fault) for stops in sliders for p in other.sketches(stops[len(stops) // 2 :][:1]) if p.fault]
drawn, bare = pages()
lines = {name: len(list(PARTS[name].lines(1))) for name in ("variety", "progress")}
print(json.dumps({"lines": lines, "papers": [drawn.count("<svg"), bare.count("<svg"), pdf_of(bare)[:4].decode()], "frames": [len(specs), len(facts)], "stops": [len({s.key for s in stops}) for stops in sliders], "faults": faults, "parts": list(PARTS)}))
"""

_PEOPLE = "import json; from ratios import PARTS; print(json.dumps({n: [p.people, p.few] for n, p in PARTS.items()}))"


def test_every_frame_and_every_stop_can_be_measured() -> None:
    """Right versions too, which are turned round from the left ones and have no poses of their own."""
    done = subprocess.run(
        [sys.executable, "-c", _TRIED], cwd=ROOT, env={**os.environ, "PYTHONPATH": str(ROOT / "benchmarks")}, capture_output=True, text=True, timeout=WHOLE_COMMAND_S
    )
    assert done.returncode == 0, done.stderr[-3000:]
    found = json.loads(done.stdout)
    specs, facts = found["frames"]
    assert specs == facts > 3000
    assert found["faults"] == []
    assert min(found["stops"]) > 5
    assert found["lines"]["variety"] > 5 and found["lines"]["progress"] == 9
    pictures, left, kind = found["papers"]
    assert pictures > 5 and left == 0 and kind == "%PDF"


def test_what_is_measured_is_never_named_like_a_part_of_the_server() -> None:
    """One process reads both, where the hand-out is measured as it is served: of two of one name the first that was read is both."""
    ours = {p.stem for p in (ROOT / "benchmarks").glob("*.py")}
    theirs = {p.name for p in (ROOT / "server").iterdir() if (p / "__init__.py").exists()}
    assert ours and theirs and not ours & theirs


def test_all_parts_look_at_fewer_people_than_one_that_is_asked_for() -> None:
    done = subprocess.run([sys.executable, "-c", _PEOPLE], cwd=ROOT, env={**os.environ, "PYTHONPATH": str(ROOT / "benchmarks")}, capture_output=True, text=True, timeout=WHOLE_COMMAND_S)
    assert done.returncode == 0, done.stderr[-3000:]
    found = json.loads(done.stdout)
    assert {"library", "programme", "variety", "papers", "progress", "sensors", "tests"} == set(found)
    assert all(0 < few < people for people, few in found.values() if people)
