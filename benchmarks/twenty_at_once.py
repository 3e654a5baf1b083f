"""Twenty people at work at once, each with a client open, against a server that ./start runs: how long an answer takes, and what goes wrong.

    .venv/bin/python benchmarks/twenty_at_once.py PORT [--people 20] [--seconds 40]

Everybody looks at the day, opens a client, asks for its verdicts, changes a wish and lets the page ask for the pulse, with a
second or two between; a change that met somebody else's is a 409, as declared, and no error.  Then the memory of each process.
"""

import argparse
import os
import random
import sys
import threading
import time
from collections import Counter, defaultdict
from pathlib import Path

from under_load import PASSWORD, Visitor, change, children, p

ROOT = Path(__file__).resolve().parents[1]
COME_WITHIN_S = 10.0  # a log-in costs a quarter of a second of processor time on purpose: twenty in one instant measure only that
AIM = 4.0  # p95 against p50


class Person(threading.Thread):
    """One of them: what each deed took (ms), and each status."""

    def __init__(self, port: int, login: str, clients: list[str], until: float, seed: int) -> None:
        super().__init__()
        self.login = login
        self.port, self.clients, self.until, self.rng = port, clients, until, random.Random(seed)
        self.took: dict[str, list[float]] = defaultdict(list)
        self.statuses: Counter[int] = Counter()

    def run(self) -> None:
        visitor = Visitor(self.port)
        time.sleep(self.rng.uniform(0, COME_WITHIN_S))
        visitor.come(self.login)
        while time.monotonic() < self.until:
            client = self.rng.choice(self.clients)
            self._did("Day", lambda: visitor.call("GET", "/day")[0])
            self._did("open a client", lambda c=client: visitor.call("GET", f"/clients/{c}")[0])
            self._did("its verdicts", lambda c=client: visitor.call("GET", f"/clients/{c}/verdicts")[0])
            self._did("a change", lambda c=client: change(visitor, c, self.rng.randint(15, 40))[0])
            for _ in range(2):
                self._did("pulse", lambda c=client: visitor.call("GET", f"/clients/{c}/pulse")[0])

    def _did(self, name: str, deed) -> None:
        begun = time.monotonic()
        try:
            status = deed()
        except OSError:
            status = 0
        self.took[name].append(1000 * (time.monotonic() - begun))
        self.statuses[status] += 1
        time.sleep(self.rng.uniform(0.5, 2.0))


def memory_mb(pid: int) -> float:
    """Of this process alone: shared pages counted by their share."""
    for line in Path(f"/proc/{pid}/smaps_rollup").read_text().splitlines():
        if line.startswith("Pss:"):
            return int(line.split()[1]) / 1024
    return 0.0


def with_logins(port: int, count: int) -> list[str]:
    """So many people of the demo's house with log-ins of their own, made where there are none."""
    home = ROOT / "var" / f"serve-{port}"
    database = {"AMVEL_DB_PORT": (home / "pg" / "port").read_text().strip(), "AMVEL_DB_USER": "amvel_app"}
    os.environ |= database | {"AMVEL_DB_PASSWORD": (home / "pg" / "secrets" / "amvel_app").read_text().strip()}
    os.environ |= {"AMVEL_SECRET_KEY": "only-for-the-bench", "AMVEL_HTTPS": "0", "DJANGO_SETTINGS_MODULE": "config.settings"}
    sys.path[:0] = [str(ROOT / "server")]
    import django

    django.setup()
    from accounts.models import User

    house = User.objects.get(username="demo").organisation
    names = [f"bench-{n}" for n in range(count)]
    for name in names:
        if not User.objects.filter(username=name).exists():
            User.objects.create_user(name, password=PASSWORD, organisation=house, role="specialist")
    return names


def main() -> int:
    parser = argparse.ArgumentParser(description=__doc__.splitlines()[0])
    parser.add_argument("port", type=int)
    parser.add_argument("--people", type=int, default=20)
    parser.add_argument("--seconds", type=float, default=40)
    args = parser.parse_args()
    first = Visitor(args.port)
    first.come()
    clients = [line["id"] for line in first.call("GET", "/day")[1]["lines"] if line["tone"] != "stop"]
    for c in clients:
        first.until_there("GET", f"/clients/{c}/verdicts")
    logins = with_logins(args.port, args.people)
    until = time.monotonic() + args.seconds
    people = [Person(args.port, login, clients, until, n) for n, login in enumerate(logins)]
    for one in people:
        one.start()
    for one in people:
        one.join()
    took: dict[str, list[float]] = defaultdict(list)
    statuses: Counter[int] = Counter()
    for one in people:
        statuses.update(one.statuses)
        for name, values in one.took.items():
            took[name] += values
    print(f"| deed | times | p50, ms | p95, ms | ratio (aim ≤ {AIM:.0f}) |\n|---|---|---|---|---|")
    for name, values in took.items():
        low, high = p(values, 0.5), p(values, 0.95)
        print(f"| {name} | {len(values)} | {low:.0f} | {high:.0f} | {high / low:.1f} |")
    wrong = {s: n for s, n in statuses.items() if s not in (200, 202, 409)}
    print(f"\n{args.people} people, {sum(statuses.values())} requests, answers {dict(sorted(statuses.items()))}, errors {wrong or 'none'}")
    for name, found in (("web", f"config.wsgi:application -b 127.0.0.1:{args.port}"), ("worker", "manage.py work")):
        print(f"{name}: {', '.join(f'{memory_mb(pid):.0f} MB' for pid in children(found))}")
    return 1 if wrong else 0


if __name__ == "__main__":
    sys.exit(main())
