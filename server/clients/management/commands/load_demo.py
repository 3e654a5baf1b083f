"""Load the invented demo practice once: organisation, log-in, clients with dates relative to today."""

import json
from datetime import date, datetime, time, timedelta
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand
from django.db import transaction
from django.utils import timezone

from accounts.models import Organisation, User
from accounts.roles import Role
from amvel.admission import admitted
from amvel.case import read_case
from amvel.case.visits import Visit
from amvel.languages import told
from amvel.movements import MODEL_VERSION
from amvel.safety import RULEBOOK_VERSION
from clients.casework import create_client
from clients.engines import NOT_OF_THE_REVISION, engine_of, today
from clients.models import CaseRevision, Client
from clients.summary import summary_of
from programmes.models import Programme

ORGANISATION = "Weaver's Yard Movement House"
LOGIN, PASSWORD = "demo", "weavers-yard-demo"
OTHERS = {
    "demo-clinician": ("Maren", "Tolle", Role.CLINICIAN),
    "demo-assistant": ("Pelle", "Quist", Role.ASSISTANT),
    "demo-office": ("Ruta", "Sand", Role.ADMINISTRATOR),
}
WRITTEN_AS_OF = date(2026, 11, 24)  # the day the demo cases were written for
VISITS_A_DAY = 8


def moved(value: Any, by: timedelta) -> Any:
    """Every date of a case moved, birth dates left."""
    if isinstance(value, dict):
        return {k: v if k == "birth_date" else moved(v, by) for k, v in value.items()}
    if isinstance(value, list):
        return [moved(v, by) for v in value]
    if isinstance(value, str) and len(value) == 10 and value[4:5] == "-" and value[7:8] == "-":
        return (date.fromisoformat(value) + by).isoformat()
    return value


_OF_A_CONDITION = ("on", "since", "noted_on", "last_dose_on")
_REASONS = ("first entry", "entered")
_DATED = ("tests", "clinician_words", "own_limits", "reviews", "decisions")


def with_a_past(user: User, data: dict[str, Any]) -> Client:
    """A client who has come for some weeks: every test and decision entered on its day, every visit logged on its own."""
    engine = admitted(read_case({**data, "as_of": today().isoformat()}))
    plain = engine.case.model_dump(mode="json", exclude=NOT_OF_THE_REVISION)
    first = min(v.on for v in engine.case.visits) - timedelta(days=1)
    entered = {date.fromisoformat(entry["on"]) for name in _DATED for entry in plain[name]}
    entered |= {date.fromisoformat(c["noted_on"]) for c in plain["conditions"] if c.get("noted_on")}
    days = sorted({first, *(d for d in entered if first < d < today())})
    client = Client.objects.create(organisation=user.organisation, **summary_of(engine, has_programme=False))
    rows = [(_evening(d), _until(plain, d)) for d in days] + [(timezone.now(), plain)]
    CaseRevision.objects.bulk_create(
        CaseRevision(client=client, number=n, data=case, reason=_REASONS[n > 1], author=user, created_at=at)
        for n, (at, case) in enumerate(rows, 1)
    )
    client.visits.bulk_create(
        client.visits.model(client=client, key=v.id, version=n, on=v.on, data=v.model_dump(mode="json"), author=user, created_at=_evening(on))
        for visit in engine.case.visits
        for n, (on, v) in enumerate(_as_told(visit), 1)
    )
    return client


def _as_told(visit: Visit) -> list[tuple[date, Visit]]:
    """A visit as it was logged on its day, and as it stood when the day after had been told."""
    logged = visit.model_copy(update={"next_day": None})
    told = [(visit.next_day.told_on, visit)] if visit.next_day is not None else []
    return [(visit.on, logged), *told]


def _evening(day: date) -> datetime:
    return min(timezone.make_aware(datetime.combine(day, time(18))), timezone.now())


def _until(case: dict[str, Any], day: date) -> dict[str, Any]:
    """The case as it had been entered by the end of a day."""
    known = {name: [e for e in case[name] if date.fromisoformat(e["on"]) <= day] for name in _DATED}
    known["conditions"] = [c for c in case["conditions"] if all((c.get(name) or "") <= day.isoformat() for name in _OF_A_CONDITION)]
    asked = {**case["stop_signs"], "asked_on": day.isoformat(), "present": []} if case["stop_signs"] else None
    consent = {**case["consent"], "on": min(case["consent"]["on"], day.isoformat())} if case["consent"] else None
    return {**case, **known, "stop_signs": asked, "consent": consent, "overrides": [o for o in case["overrides"] if date.fromisoformat(o["on"]) <= day]}


class Command(BaseCommand):
    help = "Load the demo practice if the database is empty."

    @transaction.atomic
    def handle(self, *args, **options):
        if Organisation.objects.exists():
            self._others(Organisation.objects.filter(name=ORGANISATION).first())
            self.stdout.write("demo data is there already")
            return
        house = Organisation.objects.create(name=ORGANISATION)
        user = User.objects.create_user(
            LOGIN, password=PASSWORD, first_name="Ines", last_name="Falk", organisation=house, role=Role.SPECIALIST
        )
        self._others(house)
        by = timezone.localdate() - WRITTEN_AS_OF
        for i, path in enumerate(sorted((settings.ROOT / "demo" / "cases").glob("*.json"))):
            data = moved(json.loads(path.read_text(encoding="utf-8")), by)
            data.pop("as_of", None)
            client = with_a_past(user, data) if data.get("visits") else create_client(user, data)
            self._programme(client, user, path.stem)
            day, hour = divmod(i, VISITS_A_DAY)
            planned = {"visit_on": timezone.localdate() + timedelta(days=day), "visit_at": time(9 + hour)}
            Client.objects.filter(pk=client.pk).update(**planned)
        self.stdout.write(f"demo data loaded: {house.name}")

    def _programme(self, client: Client, user: User, name: str) -> None:
        """What those practise by now who have practised for some weeks."""
        path = settings.ROOT / "demo" / "programmes" / f"{name}.json"
        if not path.exists():
            return
        answer = told(json.loads(path.read_text(encoding="utf-8")))
        engine = engine_of(client.latest())
        Programme.objects.create(
            client=client,
            number=1,
            context="home",
            answer={**answer, "locked": [], "warnings": []},
            made_by="solver",
            case_digest=engine.digest,
            rulebook_version=RULEBOOK_VERSION,
            model_version=MODEL_VERSION,
            author=user,
        )
        Client.objects.filter(pk=client.pk).update(**summary_of(engine, has_programme=True))

    def _others(self, house: Organisation | None) -> None:
        """A log-in for every other role, so that each can be looked at."""
        for login, (first, last, role) in OTHERS.items():
            if house is not None and not User.objects.filter(username=login).exists():
                User.objects.create_user(login, password=PASSWORD, first_name=first, last_name=last, organisation=house, role=role)
