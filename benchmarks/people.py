"""The clients that the programme benches ask about: the demo, and as many generated ones.

A generated client is somebody of one of a few bodies, so that poses are solved once and only judged again; conditions,
test outcomes (any part of a normal screen), room, time, days, effort and goals are drawn.  Whoever has to stop or cannot be read is drawn again.
"""

import json
import random
from collections.abc import Iterator
from datetime import date
from pathlib import Path

from amvel.case import CONDITIONS, CaseError, read_case
from amvel.case.goals import Task
from amvel.engine import Engine
from amvel.planning.reach import healthy_case

ROOT = Path(__file__).resolve().parent.parent
TODAY = date(2026, 11, 24)
BODIES = ((165, 63, "female"), (178, 84, "male"))
TASKS = (*Task, None)


def demo_clients() -> Iterator[Engine]:
    """Every demo client who may be planned for."""
    for path in sorted((ROOT / "demo" / "cases").glob("*.json")):
        engine = Engine(read_case(json.loads(path.read_text())))
        if not engine.stop_signs:
            yield engine


def generated_clients(count: int) -> Iterator[Engine]:
    """The same `count` clients every time."""
    rng, found = random.Random(20261124), 0
    while found < count:
        engine = _drawn(rng)
        if engine is not None:
            found += 1
            yield engine


def _drawn(rng: random.Random) -> Engine | None:
    kinds = rng.sample(sorted(CONDITIONS), rng.choice([0, 1, 1, 2, 3]))
    conditions = [
        {"kind": k, "noted_on": TODAY.isoformat(), **rng.choice(CONDITIONS[k].EXAMPLES)} for k in kinds
    ]
    data = healthy_case(TODAY, date(2026 - rng.randint(10, 90), 3, 1), conditions)
    stature, mass, sex = rng.choice(BODIES)
    data["person"] |= {"stature_cm": stature, "mass_kg": mass, "sex": sex}
    room = data["room"]
    room["seats"][0] |= {"height_cm": rng.choice([40, 44, 48]), "arms": rng.random() < 0.5}
    room["worktop"], room["floor_mat"] = rng.random() < 0.8, rng.random() < 0.7
    room |= {"bed_height_cm": rng.choice([45, 50, 55]), "bed_firmness": rng.choice(["firm", "firm", "soft"])}
    room["wall"] = rng.random() < 0.9
    yes_no = {p: rng.choice(["yes"] * 4 + ["no"]) for p in ("floor", "lying_flat", "face_down", "kneeling")}
    data["tolerates"] |= yes_no
    task = rng.choice(TASKS)
    data["tests"] = rng.sample(data["tests"], rng.randint(0, len(data["tests"])))
    data["wishes"] = {
        "minutes": rng.choice([10, 15, 20, 25, 30, 40]),
        "effort_0_to_10": rng.choice([4, 5, 6, 7]),
        "days_per_week": rng.randint(2, 6),
        "goals": [{"words": task, "task": task}] if task else [],
    }
    try:
        engine = Engine(read_case(data))
    except CaseError:
        return None
    return None if engine.stop_signs else engine
