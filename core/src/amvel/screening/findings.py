"""From a case to findings: what holds today, what is only assumed, and what has aged."""

from dataclasses import dataclass
from datetime import date

from amvel.body import Capacities, cautious
from amvel.case import BloodPressure, Case, Condition, age_years
from amvel.screening.bone_status import BoneStatus, bone_status
from amvel.screening.declaration import current, newest
from amvel.screening.library import test_library
from amvel.screening.tests.blood_pressure import beyond_limit, drops, raised
from amvel.screening.tests.chair_stand_30s import cut
from amvel.screening.tests.four_stage_balance import SOURCE as BALANCE
from amvel.screening.tests.four_stage_balance import tandem_failed
from amvel.screening.tests.timed_up_and_go import CUT_S
from amvel.screening.tests.timed_up_and_go import SOURCE as TUG
from amvel.sources import Source

STEADI_AGE = 65
_RISES = ("unable", "with_help", "with_furniture", "alone")  # worst first
YEAR_DAYS = 365
FALLS = Source("CDC STEADI; World Falls Guidelines, Montero-Odasso et al. 2022")
_SIDED_TESTS = {"hip_flexion": "hip_flexion", "straight_leg_raise": "straight_leg_raise"}


@dataclass(frozen=True)
class Assumption:
    """Something nobody has tested, what it is taken to be, and which test would replace it."""

    id: str
    text: str
    test: str


@dataclass(frozen=True)
class Findings:
    """Everything rules may look at."""

    case: Case
    age: int
    bone: BoneStatus
    fall_signs: tuple[tuple[str, Source], ...]
    pressure: BloodPressure | None
    floor_rise: str | None
    capacities: Capacities
    assumptions: tuple[Assumption, ...]
    aged: tuple[str, ...]

    def conditions(self, kind: str) -> list[Condition]:
        return [c for c in self.case.conditions if c.kind == kind]

    @property
    def pressure_drops(self) -> bool:
        return self.pressure is not None and drops(self.pressure)

    @property
    def pressure_raised(self) -> bool:
        return self.pressure is not None and raised(self.pressure)

    def assumed(self, id: str) -> bool:
        return any(a.id == id for a in self.assumptions)


def find_out(case: Case) -> Findings:
    """All findings of a case as of its day."""
    age = age_years(case.person.birth_date, case.as_of)
    bone = bone_status(case)
    assumptions: list[Assumption] = []
    if bone.assumed:
        taken = {"osteoporosis": "as osteoporosis", "caution": "with caution"}.get(
            bone.tier, "as not restricted at this age"
        )
        assumptions.append(Assumption("bone", f"bone is not measured and is treated {taken}", "bone_density"))
    signs = _fall_signs(case, age, assumptions)
    pressures = sorted(
        current(case, "blood_pressure", 0),
        key=lambda r: (beyond_limit(r), drops(r), raised(r), r.systolic_lying_mmhg),
        reverse=True,
    )
    if not pressures and age >= STEADI_AGE:
        assumptions.append(
            Assumption(
                "blood_pressure",
                "blood pressure was not taken today: no breath hold, holds of at most 10 s",
                "blood_pressure",
            )
        )
    rises = sorted(
        newest(case, "floor_rise", test_library()["floor_rise"].validity_days),
        key=lambda r: _RISES.index(r.result),
    )
    capacities = _capacities(case)
    for name in sorted(capacities.assumed):
        base = name.split(".")[-1]
        test = base if base in _SIDED_TESTS else "joint_range"
        assumptions.append(
            Assumption(
                f"range.{name}",
                f"{name.replace('.', ' ').replace('_', ' ')} is not measured: {capacities.of(name):g}° assumed",
                test,
            )
        )
    return Findings(
        case,
        age,
        bone,
        tuple(signs),
        pressures[0] if pressures else None,
        rises[0].result if rises else None,
        capacities,
        tuple(assumptions),
        tuple(_aged(case)),
    )


def _fall_signs(case: Case, age: int, assumptions: list[Assumption]) -> list[tuple[str, Source]]:
    days = test_library()["timed_up_and_go"].validity_days
    signs: list[tuple[str, Source]] = []
    walk, stands, stages = (
        newest(case, t, days) for t in ("timed_up_and_go", "chair_stand_30s", "four_stage_balance")
    )
    for r in walk:
        if r.seconds >= CUT_S:
            signs.append((f"timed up and go {r.seconds:g} s", TUG))
    for r in stages:
        if tandem_failed(r):
            signs.append((f"tandem {r.tandem_s or 0:g} s", BALANCE))
    for r in stands:
        limit = cut(age, case.person.sex)
        if limit is not None and (0 if r.arms_used else r.count) < limit:
            signs.append((f"{0 if r.arms_used else r.count} chair stands, average is {limit} or more", FALLS))
    recent = [c for c in case.conditions if c.kind == "fall" and (case.as_of - c.on).days <= YEAR_DAYS]
    if len(recent) >= 2 or any(c.injury for c in recent):
        signs.append(
            (
                f"{len(recent)} fall(s) in a year" + (", with injury" if any(c.injury for c in recent) else ""),
                FALLS,
            )
        )
    for c in case.conditions:
        if c.kind == "fear_of_falling" and c.confidence_0_to_10 <= 5:
            signs.append(
                (
                    f"confidence in standing {c.confidence_0_to_10} of 10",
                    Source("World Falls Guidelines 2022: concern about falling", reading=True),
                )
            )
    missing = [
        t
        for t, r in (("timed_up_and_go", walk), ("four_stage_balance", stages), ("chair_stand_30s", stands))
        if not r
    ]
    if age >= STEADI_AGE and missing:
        assumptions.append(
            Assumption(
                "balance", "balance is not fully tested: at home standing only with hand support", missing[0]
            )
        )
        signs.append(
            (
                "not tested: " + ", ".join(m.replace("_", " ") for m in missing),
                Source("not tested counts as doubtful from 65 years", reading=True),
            )
        )
    return signs


def _capacities(case: Case) -> Capacities:
    measured: dict[str, float] = {}
    for test_id, name in _SIDED_TESTS.items():
        results = current(case, test_id, test_library()[test_id].validity_days)
        measured |= _smallest_of_newest_day([(f"{r.side}.{name}", r.on, r.deg) for r in results])
    ranges = current(case, "joint_range", test_library()["joint_range"].validity_days)
    measured |= _smallest_of_newest_day(
        [(r.joint if r.side is None else f"{r.side}.{r.joint}", r.on, r.deg) for r in ranges]
    )
    return cautious(measured)


def _smallest_of_newest_day(results: list[tuple[str, date, float]]) -> dict[str, float]:
    """Per range the smallest value of the last day it was measured on."""
    last = {name: max(on for n, on, _ in results if n == name) for name, _, _ in results}
    return {name: min(deg for n, on, deg in results if n == name and on == day) for name, day in last.items()}


def _aged(case: Case) -> list[str]:
    """Tests whose newest result has passed its validity."""
    out = []
    for test in test_library().values():
        newest = max((t.on for t in case.tests if t.test == test.id), default=None)
        if newest is not None and (case.as_of - newest).days > test.validity_days:
            out.append(f"{test.title}: last done {newest}, holds {test.validity_days} days; test again")
    return out
