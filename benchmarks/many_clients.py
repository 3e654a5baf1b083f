"""What a list of a hundred thousand clients costs against one of a thousand: on a database of its own, through the whole server.

    ./bench clients
"""

import json
import os
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from statistics import quantiles
from typing import Any

ROOT = Path(__file__).resolve().parents[1]
FEW, MANY = 1_000, 100_000
ROUNDS = 60  # of which the quicker quarter tells: what else the machine does only ever adds


def main() -> int:
    with tempfile.TemporaryDirectory(prefix="amvel-bench-", dir=ROOT / "var") as folder, postgres(folder) as port:
        _set_up(port, Path(folder) / "pg" / "secrets" / "amvel_owner")
        return _measured()


@contextmanager
def postgres(folder: str) -> Iterator[str]:
    """A database of its own in this folder, for as long as it is needed; gives its port."""
    Path(folder).chmod(0o755)
    pg = [sys.executable, str(ROOT / "tools" / "postgres.py")]
    port = subprocess.run([*pg, "start", f"{folder}/pg"], capture_output=True, text=True, check=True).stdout.strip()
    try:
        yield port
    finally:
        subprocess.run([*pg, "remove", f"{folder}/pg"], check=False)


def _set_up(port: str, password: Path) -> None:
    os.environ |= {"AMVEL_DB_PORT": port, "AMVEL_DB_USER": "amvel_owner", "AMVEL_DB_PASSWORD": password.read_text()}
    os.environ |= {"AMVEL_SECRET_KEY": "only-for-the-bench", "AMVEL_HTTPS": "0", "DJANGO_SETTINGS_MODULE": "config.settings"}
    sys.path[:0] = [str(ROOT / "server"), str(ROOT)]
    import django

    django.setup()
    from django.conf import settings
    from django.core.management import call_command

    settings.ALLOWED_HOSTS = ["testserver"]
    call_command("migrate", verbosity=0)


def _measured() -> int:
    from django.test import Client as Browser

    from accounts.models import Organisation, User

    house = Organisation.objects.create(name="Bench")
    user = User.objects.create_user("bench", password="not-of-anybody", organisation=house, role="specialist")
    browser = Browser()
    browser.force_login(user)
    few = _figures(browser, house, FEW)
    many = _figures(browser, house, MANY)
    print(f"| deed | {FEW:,} clients, ms | {MANY:,} clients, ms | ratio (aim ≤ 1.3) |\n|---|---|---|---|")
    for name, before in few.items():
        print(f"| {name} | {before:.1f} | {many[name]:.1f} | {many[name] / before:.2f} |")
    return 0


def _figures(browser: Any, house: Any, count: int) -> dict[str, float]:
    """Times with so many clients in the house; what is missing is added."""
    from django.db import connection

    from clients.models import Client

    _fill(house, count - Client.objects.count())
    with connection.cursor() as cursor:
        cursor.execute("VACUUM ANALYZE")  # now, and not by itself while it is measured
    newest = Client.objects.order_by("-created_at", "id")[:ROUNDS]
    ids = [str(c.pk) for c in newest]
    deeds: dict[str, Callable[[int], Any]] = {
        "Day": lambda i: browser.get("/api/v1/day"),
        "Day, page 20": lambda i: browser.get("/api/v1/day?page=20"),
        "search by a full name": lambda i: browser.get("/api/v1/day", {"find": _name(7 * i)}),
        "search by a syllable": lambda i: browser.get("/api/v1/day", {"find": _SYLLABLES[i % len(_SYLLABLES)]}),
        "open a client": lambda i: browser.get(f"/api/v1/clients/{ids[i]}"),
        "save a change": lambda i: _save(browser, ids[i], i),
    }
    return {name: _quick(deed) for name, deed in deeds.items()}


def _quick(deed: Callable[[int], Any]) -> float:
    took = []
    deed(0)  # the first of its kind warms what is kept in memory
    for i in range(ROUNDS):
        begun = time.perf_counter()
        answer = deed(i)
        took.append(1000 * (time.perf_counter() - begun))
        if answer.status_code != 200:
            raise SystemExit(f"{answer.status_code}: {answer.content[:300]!r}")
    return quantiles(took, n=4)[0]


def _save(browser: Any, client: str, i: int) -> Any:
    from clients.models import CaseRevision

    newest = CaseRevision.objects.filter(client=client).order_by("-number")[0]
    wishes = {**newest.data["wishes"], "minutes": 15 + (newest.number + i) % 30}
    body = {"base_revision": newest.number, "sections": {"wishes": wishes}}
    return browser.patch(f"/api/v1/clients/{client}", json.dumps(body), content_type="application/json")


_SYLLABLES = ("ber", "da", "fin", "gro", "hal", "ist", "jor", "ket", "lum", "mar", "nis", "olt", "pra", "quin", "ros", "sten", "tov", "ul", "vey", "wim")


def _name(number: int) -> str:
    """A made-up name, another one for every number: four syllables for the family, two before."""
    parts = []
    mixed = (number * 7_919 + 104_729) % 20**6  # 7919 and 20**6 share no factor, so that no name comes twice
    for _ in range(6):
        mixed, k = divmod(mixed, 20)
        parts.append(_SYLLABLES[k])
    return f"{''.join(parts[:2]).title()} {''.join(parts[2:]).title()}"


def _fill(house: Any, count: int) -> None:
    """Clients as they are after their first entry: a summary of today, and one revision."""
    from django.utils import timezone

    from amvel.admission import admitted
    from amvel.case import read_case
    from clients.models import CaseRevision, Client
    from clients.summary import summary_of

    source = json.loads((ROOT / "demo" / "cases" / "low-bone-mass.json").read_text())
    engine = admitted(read_case({**source, "visits": [], "as_of": timezone.localdate().isoformat()}))
    summary, data = summary_of(engine, False), engine.case.model_dump(mode="json", exclude={"as_of", "visits"})
    at = Client.objects.count()
    for start in range(0, count, 2_000):
        names = [_name(at + start + k) for k in range(min(2_000, count - start))]
        made = Client.objects.bulk_create([Client(organisation=house, **{**summary, "name": n}) for n in names])
        cases = [{**data, "person": {**data["person"], "name": n}} for n in names]
        CaseRevision.objects.bulk_create(CaseRevision(client=c, number=1, data=d, reason="first entry") for c, d in zip(made, cases, strict=True))


if __name__ == "__main__":
    sys.exit(main())
