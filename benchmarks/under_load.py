"""What a second person notices while others build, and what a killed process costs: against a server that ./start runs.

    .venv/bin/python benchmarks/under_load.py PORT [--kill]

Measures log-in, Day, opening a client, a change, the pulse and a stop sign alone, then while four others change cases and build
programmes without a pause.  With --kill it also kills web processes, the worker and the database in the middle, and looks
whether every change that was acknowledged is there afterwards.
"""

import argparse
import http.cookiejar
import json
import signal
import statistics
import subprocess
import sys
import threading
import time
import urllib.error
import urllib.request
from collections import defaultdict
from collections.abc import Callable
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
PASSWORD = "weavers-yard-demo"
ROUNDS = 25


class Visitor:
    """One browser."""

    def __init__(self, port: int) -> None:
        self.base = f"http://127.0.0.1:{port}/api/v1"
        self.opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(http.cookiejar.CookieJar()))
        self.token = ""

    def call(self, method: str, path: str, body: object = None, seconds: float = 60) -> tuple[int, dict]:
        headers = {"Content-Type": "application/json", "X-CSRFToken": self.token}
        data = json.dumps(body).encode() if body is not None else None
        request = urllib.request.Request(self.base + path, data, headers, method=method)
        try:
            with self.opener.open(request, timeout=seconds) as answer:
                return answer.status, json.load(answer)
        except urllib.error.HTTPError as error:
            return error.code, json.loads(error.read() or b"{}")

    def come(self, name: str = "demo") -> None:
        self.token = self.call("GET", "/session")[1]["csrf_token"]
        status, answer = self.call("POST", "/login", {"username": name, "password": PASSWORD})
        if status != 200:
            raise SystemExit(f"{name} does not get in: {answer}")
        self.token = answer["csrf_token"]

    def until_there(self, method: str, path: str, body: object = None) -> tuple[int, dict]:
        while True:
            status, answer = self.call(method, path, body)
            if status != 202:
                return status, answer
            time.sleep(answer["again_in_s"])


def change(visitor: Visitor, client: str, minutes: int) -> tuple[int, int]:
    """Another wish on top of the newest revision: status and the revision that was acknowledged."""
    _, view = visitor.call("GET", f"/clients/{client}")
    wishes = {**view["case"]["wishes"], "minutes": minutes}
    body = {"base_revision": view["revision"], "sections": {"wishes": wishes}}
    status, answer = visitor.call("PATCH", f"/clients/{client}", body)
    return status, answer.get("revision", 0)


def stop_sign(visitor: Visitor, client: str, stands: bool) -> tuple[int, int]:
    _, view = visitor.call("GET", f"/clients/{client}")
    signs = {**(view["case"]["stop_signs"] or {"asked_on": view["case"]["as_of"]}), "present": ["chest_pain"] if stands else []}
    status, answer = visitor.call("PATCH", f"/clients/{client}", {"base_revision": view["revision"], "sections": {"stop_signs": signs}})
    return status, answer.get("revision", 0)


def deeds(visitor: Visitor, port: int, client: str) -> dict[str, Callable[[int], object]]:
    return {
        "log in": lambda i: Visitor(port).come(),
        "Day": lambda i: visitor.call("GET", "/day"),
        "open a client": lambda i: visitor.call("GET", f"/clients/{client}"),
        "pulse": lambda i: visitor.call("GET", f"/clients/{client}/pulse"),
        "a change": lambda i: change(visitor, client, 20 + i % 20),
        "a stop sign": lambda i: stop_sign(visitor, client, i % 2 == 0),
    }


def measured(visitor: Visitor, port: int, client: str) -> dict[str, list[float]]:
    found: dict[str, list[float]] = defaultdict(list)
    for i in range(ROUNDS):
        for name, deed in deeds(visitor, port, client).items():
            begun = time.monotonic()
            deed(i)
            found[name].append(1000 * (time.monotonic() - begun))
    stop_sign(visitor, client, False)
    return found


def at_work(port: int, clients: list[str], over: threading.Event, built: list[int]) -> None:
    """One of the others: changes a case and builds, again and again."""
    visitor, i = Visitor(port), 0
    visitor.come()
    while not over.is_set():
        client = clients[i % len(clients)]
        try:
            change(visitor, client, 15 + (7 * i) % 30)
            status, _ = visitor.until_there("POST", f"/clients/{client}/programmes", {"context": "home", "minutes": 15 + i % 20})
            built.append(status)
        except OSError:
            time.sleep(0.5)
        i += 1


def p(values: list[float], share: float) -> float:
    return sorted(values)[min(len(values) - 1, int(share * len(values)))]


def children(of: str) -> list[int]:
    found = subprocess.run(["pgrep", "-f", of], capture_output=True, text=True).stdout.split()
    return [int(x) for x in found]


def killed(port: int, client: str) -> None:
    """Kill each part in the middle of changes; every acknowledged revision has to be there afterwards."""
    pg = next((ROOT / "var" / f"serve-{port}").glob("pg"))
    home = Path((pg / "elsewhere").read_text().strip()) if (pg / "elsewhere").exists() else pg
    postmaster = int((home / "data" / "postmaster.pid").read_text().splitlines()[0])
    parts = {
        "a web process": lambda: children(f"config.wsgi:application -b 127.0.0.1:{port}")[1:2],
        "the worker": lambda: children("manage.py work"),
        "the database": lambda: [postmaster],
        "the whole server": lambda: children(f"config.wsgi:application -b 127.0.0.1:{port}"),
    }
    for name, pids in parts.items():
        visitor, acknowledged, refused = Visitor(port), [], 0
        visitor.come()
        end, killed_at, back_at = time.monotonic() + 25, 0.0, 0.0
        for pid in pids():
            killer = threading.Timer(1.5, lambda pid=pid: subprocess.run(["kill", f"-{signal.SIGKILL}", str(pid)]))
            killer.start()
        killed_at = time.monotonic() + 1.5
        i = 0
        while time.monotonic() < end:
            try:
                status, revision = change(visitor, client, 20 + i % 37)
            except (OSError, KeyError, ValueError):
                status, revision = 0, 0
            if status == 200:
                acknowledged.append(revision)
                if time.monotonic() > killed_at and refused and not back_at:
                    back_at = time.monotonic()
            else:
                refused += 1
                time.sleep(0.2)
            i += 1
        _, view = visitor.call("GET", f"/clients/{client}")
        _, history = visitor.call("GET", f"/clients/{client}/history?most=100")
        known = {e["revision"] for e in history["entries"]} | set(range(1, view["revision"] - 99))
        lost = sorted(set(acknowledged) - known)
        after = f"{back_at - killed_at:.1f} s" if back_at else "at once"
        print(f"kill -9 {name}: {len(acknowledged)} changes acknowledged, {refused} refused, lost {lost or 'none'}, served again {after}", flush=True)


def main() -> int:
    parser = argparse.ArgumentParser(description=__doc__.splitlines()[0])
    parser.add_argument("port", type=int)
    parser.add_argument("--kill", action="store_true")
    args = parser.parse_args()
    visitor = Visitor(args.port)
    visitor.come()
    clients = [line["id"] for line in visitor.call("GET", "/day")[1]["lines"] if line["tone"] != "stop"]
    mine, others = clients[0], clients[1:5]
    visitor.until_there("GET", f"/clients/{mine}/verdicts")
    before = measured(visitor, args.port, mine)
    over, built = threading.Event(), []
    crowd = [threading.Thread(target=at_work, args=(args.port, others[i:] + others[:i], over, built)) for i in range(4)]
    for one in crowd:
        one.start()
    time.sleep(3)
    during = measured(visitor, args.port, mine)
    over.set()
    for one in crowd:
        one.join()
    print("| deed | alone p50 / p95, ms | while four build | ratio p50 / p95 |\n|---|---|---|---|")
    worst = 0.0
    for name, alone in before.items():
        a, b, c, d = p(alone, 0.5), p(alone, 0.95), p(during[name], 0.5), p(during[name], 0.95)
        worst = max(worst, c / a)
        print(f"| {name} | {a:.0f} / {b:.0f} | {c:.0f} / {d:.0f} | {c / a:.1f} / {d / b:.1f} |")
    print(f"\n{len(built)} programmes were asked for meanwhile: {dict(sorted((s, built.count(s)) for s in set(built)))}")
    print(f"largest ratio of medians {worst:.1f}; median of all while busy {statistics.median(x for v in during.values() for x in v):.0f} ms")
    if args.kill:
        killed(args.port, mine)
    return 0


if __name__ == "__main__":
    sys.exit(main())
