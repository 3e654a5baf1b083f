"""A day that is told is the day of the place, and not the one in Greenwich."""

import ast
from datetime import datetime
from pathlib import Path
from zoneinfo import ZoneInfo

import pytest
from django.utils import timezone

from accounts.models import User
from clients.models import Client
from exchange.client_file import brought_in, taken_out
from tests.server.conftest import Api, logged_in, user_of

SERVER = Path(__file__).resolve().parents[2] / "server"
EAST = ZoneInfo("Pacific/Auckland")
LATE = datetime(2026, 11, 20, 23, 30, tzinfo=ZoneInfo("UTC"))  # half past twelve on the 21st in the east
# A moment there is one of a clock on the wall already.
OF_THE_WALL = {"papers/reminders.py", "visits/next_visit.py"}


def _days_of_a_moment(path: Path) -> list[str]:
    calls = (n for n in ast.walk(ast.parse(path.read_text())) if isinstance(n, ast.Call) and not n.args)
    return [ast.unparse(c) for c in calls if isinstance(c.func, ast.Attribute) and c.func.attr == "date"]


def test_no_moment_is_cut_to_its_day_without_a_zone() -> None:
    files = {str(p.relative_to(SERVER)): p for p in SERVER.rglob("*.py")}
    assert {name for name, path in files.items() if _days_of_a_moment(path)} == OF_THE_WALL


@pytest.mark.django_db
def test_a_colleague_was_seen_on_the_day_of_the_place() -> None:
    user_of("office", "administrator")
    office = logged_in("office")
    User.objects.filter(username="office").update(last_login=LATE)
    for zone, day in ((EAST, "2026-11-21"), (ZoneInfo("UTC"), "2026-11-20")):
        with timezone.override(zone):
            assert [p["last_seen"] for p in office.get("/people").json()["people"]] == [day]


def test_a_record_of_after_midnight_comes_along(api: Api, client_id: str) -> None:
    """What was found on a day that had begun only in the east is not in the future of its revision."""
    with timezone.override(EAST):
        client = Client.objects.get(pk=client_id)
        file = taken_out(client)
        newest = file.revisions[-1]
        early = newest.model_copy(update={"number": 1, "at": LATE}, deep=True)
        newest.number = 2
        early.case["tests"] = [{"test": "timed_up_and_go", "on": "2026-11-21", "seconds": 11.0}]
        early.case["stop_signs"] = None
        early.case["consent"] = None
        early.case["conditions"] = []
        sent = file.model_copy(update={"revisions": [early, newest]})
        _, left = brought_in(user_of("eve"), sent.model_dump(mode="json"))
        assert left == []
