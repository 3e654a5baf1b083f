"""One case through the whole core: findings, envelope, verdicts, programme, figures."""

import hashlib
import json
import math
from collections import OrderedDict
from collections.abc import Callable
from functools import cached_property
from typing import Any

from amvel.body import Anthropometry, Capacities, Measures, measure
from amvel.body.anthropometry import ADULT_FROM_YEARS
from amvel.case import Case, age_years
from amvel.case.conditions.spine import RoundedBack
from amvel.fitting import start_values
from amvel.movements import MODEL_VERSION, Family, Profiler, Request, Step, all_steps, find
from amvel.movements.kept_pictures import Pictures, PictureStore
from amvel.movements.schools import pose_values
from amvel.safety import CONTEXTS, RULEBOOK_VERSION, Envelope, Table, Verdict, envelope, judge, sides_of
from amvel.safety.judge import StartValues
from amvel.safety.schools import Schools, schools_for
from amvel.safety.ways import WayThere, ways_there, with_ways
from amvel.screening import Findings, StopSign, find_out, stop_signs, test_library
from amvel.screening.declaration import current

_MOST_PROFILES = 16_000  # of all kept bodies together, about 0.1 MB each; a body that is judged has some 1 700
_PART = 128  # large enough to be a batch, small enough to show that something happens
_profilers: "OrderedDict[str, Profiler]" = OrderedDict()


def body_of(case: Case) -> Anthropometry:
    """The body of a case; raises BodyError when it lies outside the tables."""
    p = case.person

    def metres(value_cm: float | None) -> float | None:
        return None if value_cm is None else value_cm / 100

    age = age_years(p.birth_date, case.as_of)
    rounded = max((c.extra_deg for c in case.conditions if isinstance(c, RoundedBack)), default=0.0)
    return measure(
        Measures(
            p.stature_cm / 100,
            p.mass_kg,
            p.sex,
            metres(p.popliteal_height_cm),
            metres(p.arm_span_cm),
            math.radians(rounded),
            age if age < ADULT_FROM_YEARS else None,
        )
    )


def profiler_for(body: Anthropometry, capacities: Capacities, like: Profiler | None = None) -> Profiler:
    """A kept profiler: the same body and capacities share their solved profiles.  `like` is one of this body with others."""
    key = repr(body.measures) + capacities.digest()
    if key not in _profilers:
        _profilers[key] = Profiler(body, capacities, like=like)
    _profilers.move_to_end(key)
    _let_go_of_the_oldest()
    return _profilers[key]


def _let_go_of_the_oldest() -> None:
    """Bodies that were asked about longest ago, until the others are few enough; never the last one."""
    held = sum(p.held for p in _profilers.values())
    while held > _MOST_PROFILES and len(_profilers) > 1:
        held -= _profilers.popitem(last=False)[1].held


def case_digest(case: Case) -> str:
    """Fingerprint of everything that can change an answer."""
    data = case.model_dump(mode="json")
    data["person"].pop("name")
    return _fingerprint([data, RULEBOOK_VERSION, MODEL_VERSION])


class Engine:
    """Lazy answers for one case."""

    def __init__(self, case: Case, told: Callable[[float], None] = lambda share: None) -> None:
        """`told` hears, 0 to 1, how much of the library is solved while it is warmed."""
        self.case, self.told = case, told
        self._judged_by: Engine | None = None
        self.pictures_in: PictureStore | None = None  # where drawings are kept, if anywhere

    def after(self, steps: tuple[str, ...]) -> "Engine":
        """The same client with another programme behind them; no verdict depends on it, so none is judged again."""
        other = self._beside(self.case.model_copy(update={"previous_steps": steps}))
        other._judged_by = self
        return other

    def changed(self, case: Case) -> "Engine":
        """The same client with something else wished for or there; judged anew only where that could change a verdict."""
        other = self._beside(case)
        if other.verdicts_digest == self.verdicts_digest:
            other._judged_by = self
        return other

    def _beside(self, case: Case) -> "Engine":
        other = Engine(case)
        other.pictures_in = self.pictures_in
        return other

    @cached_property
    def findings(self) -> Findings:
        return find_out(self.case)

    @cached_property
    def stop_signs(self) -> list[StopSign]:
        return stop_signs(self.case)

    @cached_property
    def envelope(self) -> Envelope:
        return envelope(self.findings)

    @cached_property
    def ways(self) -> dict[str, tuple[WayThere, ...]]:
        """Per context the techniques that lead to floor and bed, or what closes them."""
        return ways_there(self.findings, self.envelope, self.profiler, {c: self._begin(c) for c in CONTEXTS})

    def _begin(self, context: str) -> Callable[[str], dict[str, float | str]]:
        return lambda ref: self.values(*find(ref), context)

    @cached_property
    def _envelopes(self) -> dict[str, Envelope]:
        return {c: with_ways(self.envelope, ways) for c, ways in self.ways.items()}

    def envelope_in(self, context: str) -> Envelope:
        """What binds in one context, with every position closed to which no way is open there."""
        return self._envelopes[context]

    @cached_property
    def profiler(self) -> Profiler:
        return profiler_for(body_of(self.case), self.findings.capacities)

    @cached_property
    def pictures(self) -> Pictures:
        """What is drawn for this client again and again."""
        return Pictures(self.profiler, self.pictures_in)

    def values(self, family: Family, step: Step, context: str = "home") -> dict[str, float | str]:
        """The step's parameters in the room of this context."""
        if (step, context) not in self._values:
            values = start_values(self.profiler, self.case.room_for(context), family, step)
            self._values[step, context] = {**values, **pose_values(family, step, self.schools.of(family.id))}
        return dict(self._values[step, context])

    @cached_property
    def _values(self) -> dict[tuple[Step, str], dict[str, float | str]]:
        return {}

    @cached_property
    def schools(self) -> Schools:
        return schools_for(self.case)

    def requests(self) -> list[Request]:
        """Every step and side as this person would meet it."""
        return [Request(f, s, side, self.values(f, s)) for f, s in all_steps() for side in sides_of(s)]

    @cached_property
    def table(self) -> Table:
        """The whole library's worst values for this body, for comparing envelopes."""
        return Table(self.profiler.profiles(self.requests()))

    @cached_property
    def verdicts(self) -> list[Verdict]:
        if self._judged_by is not None:
            return self._judged_by.verdicts
        self.warm()
        return self.judge()

    def judge(
        self, family: str | None = None, step: str | None = None, contexts: tuple[str, ...] = CONTEXTS
    ) -> list[Verdict]:
        def only(f: Family, s: Step) -> bool:
            return (family is None or f.id == family) and (step is None or s.id == step)

        return self.judge_only(only, contexts, self.values)

    def judge_only(
        self, only: Callable[[Family, Step], bool], contexts: tuple[str, ...], values: StartValues
    ) -> list[Verdict]:
        """Verdicts of some steps, starting from these measures."""
        return judge(self.case, self.findings, self.envelope_in, self.profiler, values, only, contexts)

    def warm(self) -> None:
        """Solve the whole library for this body, so that single steps are there at once; in parts, for `solved_share`."""
        requests = self.requests()
        for i in range(0, len(requests), _PART):
            self.profiler.profiles(requests[i : i + _PART])
            self.told(min(1.0, (i + _PART) / len(requests)))

    @property
    def is_judged(self) -> bool:
        """Whether the verdicts are there without any more work."""
        return "verdicts" in self.__dict__

    def solved_share(self) -> float:
        """How much of the library is solved for this body, 0 to 1."""
        requests = self.requests()
        return self.profiler.known(requests) / len(requests)

    @property
    def digest(self) -> str:
        """Fingerprint of the case with its day: what a programme was made of."""
        return case_digest(self.case)

    @cached_property
    def verdicts_digest(self) -> str:
        """Fingerprint of all that verdicts depend on; the day is in it only through what it has aged."""
        # Visits count by the limits that they move; what somebody wishes for decides what is planned, never what is allowed.
        data = self.case.model_dump(mode="json", exclude={"as_of", "visits", "decisions", "wishes"})
        data["local_numbers"].sort(key=lambda n: (n["rule"], n["number"]))
        data["person"].pop("name")
        aged = {
            "age": self.findings.age,
            "body": repr(body_of(self.case).measures),
            "capacities": self.findings.capacities.digest(),
            "limits": [repr(x) for x in self.envelope.limits],
            "assumed": [a.id for a in self.findings.assumptions],
            "overrides": [o.on <= self.case.as_of <= o.expires_on for o in self.case.overrides],
        }
        return _fingerprint([data, aged, RULEBOOK_VERSION, MODEL_VERSION])

    @cached_property
    def due_tests_digest(self) -> str:
        """The same for the tests that are due: which ones still hold, and which are left out today."""
        tests = test_library().values()
        held = [[str(getattr(r, "side", "")) for r in current(self.case, t.id, t.validity_days)] for t in tests]
        return _fingerprint([self.verdicts_digest, held, [t.avoid(self.case) for t in tests]])


def _fingerprint(data: list[Any]) -> str:
    return hashlib.sha256(json.dumps(data, sort_keys=True).encode()).hexdigest()[:24]


def finite(value: float) -> float | None:
    """JSON has no infinity."""
    return value if math.isfinite(value) else None
