"""From a case to findings: what holds today, what is only assumed, and what has aged."""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import date
from functools import lru_cache
from typing import Any, TypeVar

from amvel.body import HEALTHY_DEG, Capacities, cautious
from amvel.case import Case, Condition, age_years
from amvel.case.conditions.falls import Fall, FearOfFalling
from amvel.case.results.ranges import Range, SidedRange
from amvel.case.results.vital import BloodPressure
from amvel.case.traits import Trait
from amvel.checked import Profession
from amvel.languages import said, said_together, term
from amvel.literature import WORLD_FALLS
from amvel.numbers import Number, Numbers
from amvel.remembered import Remembered
from amvel.screening.bone_status import BoneStatus, bone_status
from amvel.screening.declaration import current, newest
from amvel.screening.fused_levels import mobile_shares
from amvel.screening.library import test_library
from amvel.screening.standard import Standard
from amvel.screening.tests.blood_pressure import beyond_limit, drops, pulse_rises, raised
from amvel.screening.tests.chair_stand_30s import cut
from amvel.screening.tests.five_stands import SOURCE as STANDS
from amvel.screening.tests.five_stands import is_slow as stands_slowly
from amvel.screening.tests.four_stage_balance import SOURCE as BALANCE
from amvel.screening.tests.four_stage_balance import tandem_failed
from amvel.screening.tests.gait_4m import SOURCE as GAIT
from amvel.screening.tests.gait_4m import is_slow as walks_slowly
from amvel.screening.tests.gait_4m import speed_m_s
from amvel.screening.tests.observed_function import RISING_DEG, SHELF_DEG, STAIRS_DEG, hip_shown_deg
from amvel.screening.tests.one_leg_stance import SOURCE as ONE_LEG
from amvel.screening.tests.one_leg_stance import is_short
from amvel.screening.tests.timed_up_and_go import SOURCE as TUG
from amvel.screening.tests.timed_up_and_go import at_risk
from amvel.screening.traits import has
from amvel.sources import Source, ours

_RISES = ("unable", "with_help", "with_furniture", "alone")  # worst first
FALLS = WORLD_FALLS.says("signs of fall risk, with the cuts of CDC STEADI")
FEAR = WORLD_FALLS.says("concern about falling", reading=True)
UNTESTED = ours("not tested counts as doubtful from here")
SINCE = date(2026, 1, 1)
FALL_RISK = Standard(
    "screening.fall_risk",
    "Fall risk as told",
    "What counts as a sign of fall risk beside the tests, and from what age a missing test counts as one.",
    (
        Number("tested_from_years", 65, "years", "from here a balance that was not tested is doubtful", UNTESTED, SINCE),
        Number("falls", 2, "falls", "as many in a year are a sign; one with injury is", FALLS, SINCE),
        Number("within_days", 365, "days", "how long a fall counts", FALLS, SINCE),
        Number("confidence", 5, "0–10", "confidence in standing that is a sign, or less", FEAR, SINCE),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.OLDER_PEOPLE,
)
C = TypeVar("C", bound=Condition)


@dataclass(frozen=True)
class Assumption:
    """Something nobody has tested, what it is taken to be, and which test would replace it."""

    id: str
    text: str
    test: str
    first: bool = False  # measured before anything else
    is_range: bool = False  # how far a joint goes, one of many


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
    pressure_drops: bool = False
    pressure_raised: bool = False
    pulse_rises: bool = False

    def all(self, model: type[C]) -> list[C]:
        """Every condition of this kind."""
        return [c for c in self.case.conditions if isinstance(c, model)]

    def one(self, model: type[C]) -> C | None:
        """The first condition of this kind, or None."""
        return next(iter(self.all(model)), None)

    def results(self, test_id: str) -> list[Any]:
        """Results of the last day on which this test was done, while they hold."""
        return newest(self.case, test_id, test_library()[test_id].validity_days)

    @property
    def alone_at_home(self) -> bool:
        """Whether nobody is in the room during practice at home."""
        return self.case.tolerates.helper_at_home == "nobody"

    @property
    def growing(self) -> bool:
        """Under 18 years."""
        return self.age < 18

    def assumed(self, id: str) -> bool:
        return any(a.id == id for a in self.assumptions)


def find_out(case: Case) -> Findings:
    """All findings of a case as of its day, by the numbers that hold where the client is."""
    return Findings(case=case, **_FOUND.of(case))


def _found(case: Case, _: Numbers) -> dict[str, Any]:
    """The fields of its findings but for the case itself."""
    age = age_years(case.person.birth_date, case.as_of)
    bone = bone_status(case)
    assumptions: list[Assumption] = []
    if bone.assumed:
        taken = {"osteoporosis": said("as osteoporosis"), "caution": said("with caution")}.get(
            bone.tier, said("as not restricted at this age")
        )
        assumptions.append(Assumption("bone", said("bone is not measured and is treated {taken}", taken=taken), "bone_density"))
    signs = _fall_signs(case, age, assumptions)
    n = test_library()["blood_pressure"].in_force(case)
    pressures = sorted(
        current(case, "blood_pressure", 0),
        key=lambda r: (beyond_limit(r, n), drops(r, n), raised(r, n), r.systolic_lying_mmhg),
        reverse=True,
    )
    if not pressures and age >= FALL_RISK.in_force(case)["tested_from_years"]:
        assumptions.append(
            Assumption(
                "blood_pressure",
                "blood pressure was not taken today: no breath hold, holds of at most 10 s",
                "blood_pressure",
                first=True,
            )
        )
    if has(case, Trait.SUGAR_MAY_FALL) and not current(case, "blood_sugar", 0):
        assumptions.append(Assumption("blood_sugar", "sugar was not measured today", "blood_sugar", first=True))
    rises = sorted(
        newest(case, "floor_rise", test_library()["floor_rise"].validity_days),
        key=lambda r: _RISES.index(r.result),
    )
    capacities = _capacities(case)
    for name in sorted(capacities.assumed):
        base = name.split(".")[-1]
        if base not in test_library():
            continue
        assumptions.append(_range_assumption(name, float(capacities.of(name))))
    return {
        "age": age,
        "bone": bone,
        "fall_signs": tuple(signs),
        "pressure": pressures[0] if pressures else None,
        "floor_rise": rises[0].result if rises else None,
        "capacities": capacities,
        "assumptions": tuple(assumptions),
        "aged": tuple(_aged(case)),
        "pressure_drops": bool(pressures) and drops(pressures[0], n),
        "pressure_raised": bool(pressures) and raised(pressures[0], n),
        "pulse_rises": any(pulse_rises(p, age, n) for p in pressures),
    }


_FOUND = Remembered(_found)


def _fall_signs(
    case: Case, age: int, assumptions: list[Assumption]
) -> list[tuple[str, Source]]:
    def n(test: str) -> Numbers:
        return test_library()[test].in_force(case)

    days = test_library()["timed_up_and_go"].validity_days
    signs: list[tuple[str, Source]] = []
    walk, stands, stages = (
        newest(case, t, days) for t in ("timed_up_and_go", "chair_stand_30s", "four_stage_balance")
    )
    for r in walk:
        if at_risk(r, n("timed_up_and_go")):
            signs.append((said("timed up and go {seconds} s", seconds=float(r.seconds)), TUG))
    for r in stages:
        if tandem_failed(r, n("four_stage_balance")):
            signs.append((said("tandem {what} s", what=float(r.tandem_s or 0)), BALANCE))
    for r in stands:
        limit = cut(age, case.person.sex, n("chair_stand_30s"))
        if limit is not None and (0 if r.arms_used else r.count) < limit:
            how = said("{count} with the arms, which count as none", count=term(r.count)) if r.arms_used else f"{r.count}"
            signs.append((said("chair stands: {how}; average is {limit} or more", how=term(how), limit=float(limit)), FALLS))
    told = FALL_RISK.in_force(case)
    signs += _slow_signs(case, days, n)
    signs += _told_signs(case, told)
    missing = [
        t
        for t, r in (("timed_up_and_go", walk), ("four_stage_balance", stages), ("chair_stand_30s", stands))
        if not r
    ]
    if age >= told["tested_from_years"] and missing:
        assumptions.append(
            Assumption(
                "balance", "balance is not fully tested: at home standing only with hand support", missing[0], first=True
            )
        )
        signs.append(
            (
                said("not tested: {what}", what=said_together((test_library()[m].title for m in missing), ", ")),
                UNTESTED,
            )
        )
    return signs


def _slow_signs(case: Case, days: int, n: Callable[[str], Numbers]) -> list[tuple[str, Source]]:
    """Cautions from the further tests of walking and standing."""
    out: list[tuple[str, Source]] = []
    for r in newest(case, "gait_4m", days):
        if walks_slowly(r, n("gait_4m")):
            out.append((said("walks {what} m/s", what=round(speed_m_s(r), 2)), GAIT))
    for r in newest(case, "five_stands", days):
        if stands_slowly(r.seconds, n("five_stands")):
            out.append(
                (
                    said("five stands {what}", what=term('not possible' if r.seconds is None else format(r.seconds, 'g') + ' s')),
                    STANDS,
                )
            )
    worst = min((r.seconds for r in newest(case, "one_leg_stance", days)), default=None)
    if worst is not None and is_short(worst, n("one_leg_stance")):
        out.append((said("one-leg stance {worst} s", worst=float(worst)), ONE_LEG))
    return out


def _told_signs(case: Case, n: Numbers) -> list[tuple[str, Source]]:
    """Falls and fear, as told."""
    out: list[tuple[str, Source]] = []
    recent = [c for c in case.conditions if isinstance(c, Fall) and (case.as_of - c.on).days <= n["within_days"]]
    hurt = any(c.injury for c in recent)
    if len(recent) >= n["falls"] or hurt:
        out.append((said("{what} fall(s) in a year", what=term(len(recent))) + (said(", with injury") if hurt else ""), FALLS))
    for c in case.conditions:
        if isinstance(c, FearOfFalling) and c.confidence_0_to_10 <= n["confidence"]:
            out.append((said("confidence in standing {confidence_0_to_10} of 10", confidence_0_to_10=term(c.confidence_0_to_10)), FEAR))
    return out


def _capacities(case: Case) -> Capacities:
    """Measured ranges, and for the rest what daily life shows or the cautious value."""
    tests = test_library()
    measured = _smallest_of_newest_day(
        [
            (f"{r.side}.{r.test}" if isinstance(r, SidedRange) else r.test, r.on, r.deg)
            for r in case.tests
            if isinstance(r, Range) and (case.as_of - r.on).days <= tests[r.test].validity_days
        ]
    )
    own = {k: v for k, v in measured.items() if _is_capacity(k)}
    return _cautious(*(frozenset(x.items()) for x in (own, _shown(case), mobile_shares(case))))


_ByName = frozenset[tuple[str, float]]


@lru_cache(maxsize=256)
def _cautious(measured: _ByName, shown: _ByName, mobile: _ByName) -> Capacities:
    """The same ranges are the same capacities: what is known of them is found once."""
    return cautious(dict(measured), dict(shown), dict(mobile))


def _is_capacity(name: str) -> bool:
    return name.split(".")[-1] in HEALTHY_DEG


def _shown(case: Case) -> dict[str, float]:
    """What was seen in daily life; the least of one day, and only upwards of the cautious value."""
    out: dict[str, float] = {}
    if _rises_without_arms(case):
        out |= {f"{side}.hip_flexion": RISING_DEG for side in ("left", "right")}
    for r in newest(case, "observed_function", test_library()["observed_function"].validity_days):
        hips = [hip_shown_deg(r.sits_on_cm)] if r.sits_on_cm is not None else []
        hips += [STAIRS_DEG] if r.climbs_stairs else []
        for side in ("left", "right"):
            if hips:
                out[f"{side}.hip_flexion"] = max(*hips, out.get(f"{side}.hip_flexion", 0.0))
            if r.reaches_shelf in (side, "both"):
                out[f"{side}.shoulder_elevation"] = SHELF_DEG
    return out


@lru_cache(maxsize=1024)
def _range_assumption(name: str, deg: float) -> Assumption:
    """That 'left.hip_flexion' goes so far because nobody measured it, as its test names it, with its side."""
    side, _, base = name.rpartition(".")
    title = said(test_library()[base].title)
    what = said("{title} ({side})", title=title, side=term(side)) if side else title
    return Assumption(f"range.{name}", said("{what} is not measured: {what1}° assumed", what=what, what1=deg), base, is_range=True)


def _rises_without_arms(case: Case) -> bool:
    """Whether every stand test of its newest day shows a rise without the arms, and at least one was done."""
    days = test_library()["chair_stand_30s"].validity_days
    stands = [r.count >= 1 and not r.arms_used for r in newest(case, "chair_stand_30s", days)]
    five = [
        r.seconds is not None and not r.arms_used_or_unable
        for r in newest(case, "five_stands", test_library()["five_stands"].validity_days)
    ]
    return bool(stands or five) and all((*stands, *five))


def _smallest_of_newest_day(results: list[tuple[str, date, float]]) -> dict[str, float]:
    """Per range the smallest value of the last day it was measured on."""
    last = {name: max(on for n, on, _ in results if n == name) for name, _, _ in results}
    return {name: min(deg for n, on, deg in results if n == name and on == day) for name, day in last.items()}


def _aged(case: Case) -> list[str]:
    """Tests whose newest result has passed its validity."""
    last: dict[str, date] = {}
    for t in case.tests:
        last[t.test] = max(t.on, last.get(t.test, t.on))
    return [
        said("{title}: last done {newest}, holds {validity_days} days; test again", title=term(test.title), newest=term(last[id]), validity_days=term(test.validity_days))
        for id, test in test_library().items()
        if id in last and (case.as_of - last[id]).days > test.validity_days
    ]
