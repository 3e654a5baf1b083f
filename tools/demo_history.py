"""Eight weeks of invented practice for six of the demo clients, by the simulated people; written into demo/cases, and the
programme that it has come to into demo/programmes.

Run once when programmes or rules of progress change: `PYTHONPATH=core/src python tools/demo_history.py`.
"""

import json
import random
from collections.abc import Sequence
from datetime import date, time, timedelta
from pathlib import Path
from typing import Any

from amvel import answers
from amvel.case import read_case
from amvel.case.visits import Visit
from amvel.engine import Engine
from amvel.languages import kept
from amvel.movements import find
from amvel.planning import plan
from amvel.progress.ladders import OpenLadders
from amvel.progress.simulated import Person, Strand, by_the_rules, practise

CASES = Path(__file__).resolve().parent.parent / "demo" / "cases"
PROGRAMMES = CASES.parent / "programmes"
WEEKS = 8
# How far the weaker side is behind, in steps; how easily overload flares; and a seed.
PEOPLE = {
    "stroke": (1.1, 4.5, 24),
    "low-bone-mass": (0.2, 1.6, 2),
    "sciatica": (0.4, 4.5, 8),
    "new-hip": (0.5, 1.6, 3),
    "parkinson": (0.3, 1.6, 4),
    "knee-and-shoulder": (0.7, 3.0, 6),
}


def history(name: str, behind: float, overload: float, seed: int) -> list[Visit]:
    data = json.loads((CASES / f"{name}.json").read_text(encoding="utf-8"))
    engine = Engine(read_case({**data, "visits": []}))
    items = plan(engine, "home", verdicts=engine.judge(contexts=("home",))).movements
    ladders = OpenLadders(engine, "home", [i.ref for i in items])
    monday = engine.case.as_of - timedelta(days=engine.case.as_of.weekday(), weeks=WEEKS)
    strands = _strands(random.Random(seed), items, ladders, behind)
    person = practise(Person(seed, strands, monday, 0.9, overload), WEEKS, by_the_rules(ladders))
    return [_as_logged(i, v, engine.case.as_of) for i, v in enumerate(person.case.visits)]


def programme(name: str) -> dict[str, Any]:
    """What is practised by now, as the planner builds it with all of that kept in where it can."""
    data = json.loads((CASES / f"{name}.json").read_text(encoding="utf-8"))
    engine = Engine(read_case(data))
    verdicts = engine.judge(contexts=("home",))
    in_use = list(dict.fromkeys(m.step for v in engine.case.visits[-3:] for m in v.movements))
    newest = {step.partition("/")[0]: step for step in in_use}
    found = plan(engine, "home", locked=tuple(newest.values()), verdicts=verdicts)
    if not found.movements:  # all of that does not fit into the time that was asked for
        found = plan(engine, "home", verdicts=verdicts)
    return answers.programme_data(found, engine)


def _strands(rng: random.Random, items: Sequence, ladders: OpenLadders, behind: float) -> list[Strand]:
    """Every ladder of the programme, begun a rung lower where one is open there."""
    out: dict[str, Strand] = {}
    for item in items:
        family, step = find(item.ref)
        rung = family.steps.index(step)
        lower = ladders.around(item.ref).down
        begins = family.steps.index(find(lower)[1]) if lower and rng.random() < 0.6 else rung
        first = begins + rng.uniform(0.2, 0.6)
        sides = {"left": first - behind, "right": first} if step.sides else {"both": first}
        out.setdefault(family.id, Strand(family.id, begins, sides, first + rng.uniform(0.8, 1.8)))
    return list(out.values())


def _as_logged(i: int, visit: Visit, today: date) -> Visit:
    """Every sixth session is one with the specialist; the last one has not been asked about yet."""
    seen = {"context": "visit", "by": "specialist", "began": time(9, 30)} if i % 6 == 0 else {"began": time(10, 0)}
    told = visit.next_day if visit.next_day is None or visit.next_day.told_on <= today else None
    return visit.model_copy(update={**seen, "next_day": told})


def main() -> None:
    for name, (behind, overload, seed) in PEOPLE.items():
        path = CASES / f"{name}.json"
        data = json.loads(path.read_text(encoding="utf-8"))
        data.pop("visits", None)
        visits = [v.model_dump(mode="json", exclude_defaults=True) for v in history(name, behind, overload, seed)]
        # One visit a line.
        lines = ",\n  ".join(json.dumps(v, ensure_ascii=False) for v in visits)
        text = json.dumps(data, indent=1, ensure_ascii=False)
        path.write_text(f'{text[:-2]},\n "visits": [\n  {lines}\n ]\n}}\n', encoding="utf-8")
        PROGRAMMES.mkdir(exist_ok=True)
        answer = json.dumps(kept(programme(name)), ensure_ascii=False)
        (PROGRAMMES / f"{name}.json").write_text(answer + "\n", encoding="utf-8")
        print(f"{name}: {len(visits)} sessions, {sum(v.get('next_day', {}).get('flare', False) for v in visits)} flares")


if __name__ == "__main__":
    main()
