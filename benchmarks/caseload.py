"""Another figure of the rule-book tried on ten thousand clients: by two workers of which one is killed, and by one against two.

    ./bench caseload
"""

import json
import os
import signal
import subprocess
import sys
import tempfile
import time
from pathlib import Path
from typing import Any

from many_clients import ROOT, _set_up, postgres

MANY, FEW = 10_000, 2_000
LINE = ("low_bone_mass", "loaded_flexion_deg")


def main() -> int:
    os.environ["AMVEL_WORKERS"] = "1"
    with tempfile.TemporaryDirectory(prefix="amvel-bench-", dir=ROOT / "var") as folder, postgres(folder) as port:
        _set_up(port, Path(folder) / "pg" / "secrets" / "amvel_owner")
        few, many = _house("Few", FEW), _house("Many", MANY)
        _go_through(few, 9.0, 2)  # bodies are solved once, whoever asks later
        one, two = (_go_through(few, value, workers)[0] for value, workers in ((8.0, 1), (7.0, 2)))
        print(f"{FEW:,} clients: one worker {one:.0f} s, two {two:.0f} s, ratio {one / two:.2f} (aim ≥ 1.7)", flush=True)
        took, found = _go_through(many, 8.0, 2, kill_one=True)
        ids = [c["id"] for c in found["clients"]]
        seen = len(ids) + found["untouched"] + len(found["unreadable"])
        print(f"{MANY:,} clients, two workers, one killed -9 in the middle: {took:.0f} s, {seen:,} gone through, {len(ids):,} touched", flush=True)
        if seen != MANY or len(set(ids)) < len(ids):
            print("somebody was left out or counted twice")
            return 1
    return 0


def _house(name: str, count: int) -> Any:
    """An organisation whose clients are the demo's, each many times under made-up names."""
    from accounts.models import Organisation
    from clients.engines import NOT_OF_THE_REVISION, today
    from clients.management.commands.load_demo import WRITTEN_AS_OF, moved
    from clients.models import CaseRevision, Client

    house = Organisation.objects.create(name=name)
    cases = []
    for path in sorted((ROOT / "demo" / "cases").glob("*.json")):
        case = moved(json.loads(path.read_text()), today() - WRITTEN_AS_OF)
        cases.append({k: v for k, v in case.items() if k not in NOT_OF_THE_REVISION})
    clients = [Client(organisation=house, name=f"Client {i}") for i in range(count)]
    Client.objects.bulk_create(clients, batch_size=1000)
    CaseRevision.objects.bulk_create(
        (CaseRevision(client=c, number=1, reason="made up", data=cases[i % len(cases)]) for i, c in enumerate(clients)), batch_size=500
    )
    return house


def _go_through(house: Any, value: float, workers: int, kill_one: bool = False) -> tuple[float, Any]:
    """Seconds and what was found, from the asking to the answer, by workers that have begun before."""
    from jobs.asking import NotYet
    from jobs.models import LongAnswer, Work
    from jobs.tasks import take_up
    from rulebook_signing.caseload import found_for

    processes = [_worker() for _ in range(workers)]
    time.sleep(15)  # they load kernels and library
    begun = time.monotonic()
    parts = LongAnswer.objects.filter(organisation=house, work=Work.DRY_RUN_PART)
    before = parts.count()
    try:
        while True:
            try:
                return time.monotonic() - begun, found_for(house, {LINE: value})
            except NotYet:
                time.sleep(0.5)
                take_up.func(timestamp=0)  # what the clock does once a minute
            if kill_one and parts.exclude(done_at=None).count() > before + (parts.count() - before) / 2:
                processes[0].send_signal(signal.SIGKILL)
                kill_one = False
    finally:
        for process in processes:
            process.kill()
            process.wait()


def _worker() -> subprocess.Popen[bytes]:
    command = [sys.executable, "manage.py", "procrastinate", "worker", "-q", "answers", "--concurrency", "1"]
    return subprocess.Popen(command, cwd=ROOT / "server", stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)


if __name__ == "__main__":
    sys.exit(main())
