"""What `./bench` measures is what is there: its parts run, here without a clock.  How long they take is not looked at."""

import json
import os
import subprocess
import sys

from tests.conftest import ROOT

# In a process of its own, as `./bench` begins them: its files have names that parts of the server have too.
_TRIED = """
import json
from ratios import PARTS, every_frame, profiled, stops_of_sliders

profiler, specs, facts = every_frame()
profiled(profiler, specs[:7], facts[:7])
other, sliders = stops_of_sliders()
faults = [str(p.fault) for stops in sliders for p in other.sketches(stops[len(stops) // 2 :][:1]) if p.fault]
print(json.dumps({"frames": [len(specs), len(facts)], "stops": [len({s.key() for s in stops}) for stops in sliders], "faults": faults, "parts": list(PARTS)}))
"""


def test_every_frame_and_every_stop_can_be_measured() -> None:
    """Right versions too, which are turned round from the left ones and have no poses of their own."""
    done = subprocess.run(
        [sys.executable, "-c", _TRIED], cwd=ROOT, env={**os.environ, "PYTHONPATH": str(ROOT / "benchmarks")}, capture_output=True, text=True, timeout=600
    )
    assert done.returncode == 0, done.stderr[-3000:]
    found = json.loads(done.stdout)
    specs, facts = found["frames"]
    assert specs == facts > 3000
    assert found["faults"] == []
    assert min(found["stops"]) > 5
    assert "library" in found["parts"]
