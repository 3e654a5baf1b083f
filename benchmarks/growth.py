"""What a client costs in a year: bytes kept and processor seconds, measured on a database of its own and on this machine.

    ./bench growth
"""

import json
import sys
import tempfile
from collections.abc import Callable
from pathlib import Path
from time import process_time
from typing import Any

from many_clients import ROOT, _set_up, postgres

CLIENTS = 40
# What a client makes in a year; ours, to be replaced by a practice's own figures.
IN_A_YEAR = {"revisions": 12, "visits": 100, "programmes": 8, "lines of the audit": 400}
OPENED = 24  # times a year that a programme is opened to be worked on, or changed
TABLES = {
    "revisions": "clients_caserevision",
    "visits": "visits_loggedvisit",
    "programmes": "programmes_programme",
    "lines of the audit": "clients_auditentry",
}
# Of a table with its indexes, or of the parts that it consists of.
_BYTES = """
    SELECT pg_total_relation_size(%s::regclass) + coalesce(sum(pg_total_relation_size(inhrelid)), 0)
    FROM pg_inherits WHERE inhparent = %s::regclass
"""


def main() -> int:
    with tempfile.TemporaryDirectory(prefix="amvel-bench-", dir=ROOT / "var") as folder, postgres(folder) as port:
        _set_up(port, Path(folder) / "pg" / "secrets" / "amvel_owner")
        sizes = _sizes()
        costs, pictures = _costs()
    print("| kept | a year | bytes each | MB a client-year |\n|---|---|---|---|")
    for name, count in IN_A_YEAR.items():
        print(f"| {name} | {count} | {sizes[name]:,.0f} | {count * sizes[name] / 1e6:.2f} |")
    print(f"| together | | | {sum(n * sizes[k] for k, n in IN_A_YEAR.items()) / 1e6:.2f} |\n")
    print(f"Drawings of one programme, dropped when nobody has looked at them for 90 days: {pictures / 1e6:.2f} MB\n")
    print("| worked out | a year | processor s each | s a client-year |\n|---|---|---|---|")
    for name, (count, seconds) in costs.items():
        print(f"| {name} | {count} | {seconds:.2f} | {count * seconds:.0f} |")
    print(f"| together | | | {sum(n * s for n, s in costs.values()):.0f} |")
    return 0


def _sizes() -> dict[str, float]:
    """Bytes of a row with its indexes, as PostgreSQL keeps it (compressed where it does so)."""
    from django.db import connection

    from accounts.models import Organisation, User
    from clients.casework import audit, create_client
    from exchange.client_file import brought_in, taken_out
    from programmes.models import Programme

    house = Organisation.objects.create(name="Bench")
    user = User.objects.create_user("bench", password="not-of-anybody", organisation=house, role="specialist")
    case = json.loads((ROOT / "demo" / "cases" / "stroke.json").read_text())
    case.pop("as_of")
    first = create_client(user, _today(case))
    answer = json.loads((ROOT / "demo" / "programmes" / "stroke.json").read_text())
    Programme.objects.create(client=first, number=1, context="home", answer=answer, made_by="solver", case_digest="", rulebook_version="", model_version="")
    file = json.loads(taken_out(first).model_dump_json())
    for _ in range(CLIENTS - 1):
        client, _left = brought_in(user, file)
        for _ in range(10):
            audit(user, client, "client opened")
    with connection.cursor() as cursor:
        cursor.execute("VACUUM FULL")
        found = {}
        for name, table in TABLES.items():
            cursor.execute(_BYTES, [table, table])
            (size,) = cursor.fetchone()
            cursor.execute(f"SELECT count(*) FROM {table}")
            found[name] = float(size) / float(cursor.fetchone()[0])
    return found


def _today(case: dict[str, Any]) -> dict[str, Any]:
    from clients.engines import today
    from clients.management.commands.load_demo import WRITTEN_AS_OF, moved

    return moved(case, today() - WRITTEN_AS_OF)


def _costs() -> tuple[dict[str, tuple[int, float]], float]:
    """Processor seconds of what a worker does for a client that nobody has judged before, and the bytes of a programme's drawings.

    Each process has compiled its kernels.
    """
    from amvel import answers
    from amvel.answers.run_sheet import run_sheet
    from amvel.case import read_case
    from amvel.engine import Engine
    from amvel.planning import plan
    from amvel.planning.effects import effects
    from amvel.planning.item import sessions_of
    from amvel.planning.next_test import next_tests
    from amvel.planning.whatif import what_if_now
    from jobs.kept_pictures import KeptPictures

    case = read_case(json.loads((ROOT / "demo" / "cases" / "stroke.json").read_text()))
    answers.verdicts(Engine(case))  # the first of a process warms what is kept in memory
    engine = Engine(case)
    judged = _seconds(lambda: answers.verdicts(engine))
    asked = _seconds(lambda: (next_tests(engine), effects(engine)))
    planned, programme = _seconds_and(lambda: plan(engine, "home", 25))
    ahead = _seconds(lambda: what_if_now(engine, "home", tuple(m.ref for m in programme.movements)))
    engine.pictures_in = KeptPictures()
    letters = [s.id for s in sessions_of(programme.movements)]
    drawn, again = (_seconds(lambda: [run_sheet(engine, programme.movements, "home", x) for x in letters]) / len(letters) for _ in range(2))
    sheets = IN_A_YEAR["programmes"] * len(letters)
    return {
        "verdicts of a changed body": (IN_A_YEAR["revisions"], judged),
        "next tests and effects of limits": (IN_A_YEAR["revisions"], asked),
        "a programme": (IN_A_YEAR["programmes"], planned),
        "what if, worked out ahead": (OPENED, ahead),
        "a session to be run, the first time": (sheets, drawn),
        "a session to be run again": (IN_A_YEAR["visits"] - sheets, again),
    }, _kept_bytes("jobs_keptpicture")


def _kept_bytes(table: str) -> float:
    from django.db import connection

    with connection.cursor() as cursor:
        cursor.execute(f"VACUUM FULL {table}")
        cursor.execute("SELECT pg_total_relation_size(%s::regclass)", [table])
        return float(cursor.fetchone()[0])


def _seconds(work: Callable[[], object]) -> float:
    return _seconds_and(work)[0]


def _seconds_and(work: Callable[[], Any]) -> tuple[float, Any]:
    begun = process_time()
    found = work()
    return process_time() - begun, found


if __name__ == "__main__":
    sys.exit(main())
