"""Entries that contradict each other: not refused, but shown where the person sees them."""

from dataclasses import dataclass

from amvel.case import Case, age_years
from amvel.case.conditions.back_and_pelvis import AfterBirth, Pregnancy
from amvel.case.conditions.bone import DoesNotWalk
from amvel.case.conditions.joints import HipReplacement
from amvel.case.results.ranges import HipFlexion, ObservedFunction
from amvel.case.results.vital import Stature
from amvel.languages import said, term
from amvel.screening.declaration import results
from amvel.screening.library import test_library
from amvel.screening.pregnancy_weeks import weeks_now
from amvel.screening.tests.observed_function import hip_shown_deg


@dataclass(frozen=True)
class Contradiction:
    """Where, and what does not fit."""

    path: str
    text: str


def contradictions(case: Case) -> list[Contradiction]:
    """Everything in a case that cannot be true together."""
    return [*_clearings(case), *_pregnancy(case), *_walking(case), *_measures(case)]


def _clearings(case: Case) -> list[Contradiction]:
    out = []
    for i, w in enumerate(case.clinician_words):
        if w.kind != "clears":
            continue
        rule = w.clears.split(".")[0]
        for c in case.conditions:
            day = c.happened_on()
            if c.kind == rule and day is not None and w.on < day:
                out.append(
                    Contradiction(
                        f"$.clinician_words[{i}].on",
                        said("the clearing of {on} is older than what it clears ({what1}, {day}); it counts for nothing", on=term(w.on), what1=said(c.TITLE), day=term(day)),
                    )
                )
    return out


def _pregnancy(case: Case) -> list[Contradiction]:
    out = []
    for i, c in enumerate(case.conditions):
        if isinstance(c, Pregnancy):
            if case.person.sex == "male":
                out.append(
                    Contradiction(
                        f"$.conditions[{i}]", "a pregnancy with the tables for a male build: check the person"
                    )
                )
            if weeks_now(c, case.as_of) > 43:
                out.append(
                    Contradiction(
                        f"$.conditions[{i}].weeks", "more than 43 weeks by now: note the birth instead"
                    )
                )
            if any(isinstance(b, AfterBirth) and c.noted_on and b.on > c.noted_on for b in case.conditions):
                out.append(
                    Contradiction(
                        f"$.conditions[{i}]", "a birth was noted after this pregnancy: take the pregnancy out"
                    )
                )
    if age_years(case.person.birth_date, case.as_of) > 60 and any(
        isinstance(c, Pregnancy | AfterBirth) for c in case.conditions
    ):
        out.append(Contradiction("$.person.birth_date", "a pregnancy or birth over 60 years: check the dates"))
    return out


def _walking(case: Case) -> list[Contradiction]:
    if not any(isinstance(c, DoesNotWalk) for c in case.conditions):
        return []
    library = test_library()
    return [
        Contradiction(f"$.tests[{i}]", said("does not walk, yet {what} was measured on {on}", what=said(t.TITLE), on=term(t.on)))
        for i, t in enumerate(case.tests)
        if library[t.test].on_own_feet
    ]


def _measures(case: Case) -> list[Contradiction]:
    out = []
    p = case.person
    if p.tallest_stature_cm is not None and p.tallest_stature_cm < p.stature_cm - 1:
        out.append(
            Contradiction("$.person.tallest_stature_cm", "the tallest remembered stature is less than today’s")
        )
    newest = max(results(case, Stature), key=lambda r: r.on, default=None)
    if newest is not None and abs(newest.stature_cm - p.stature_cm) > 5:
        out.append(
            Contradiction(
                "$.person.stature_cm",
                said("measured {stature_cm} cm on {on}, the person’s page says {stature_cm_2} cm", stature_cm=float(newest.stature_cm), on=term(newest.on), stature_cm_2=float(p.stature_cm)),
            )
        )
    seats = [r.sits_on_cm for r in results(case, ObservedFunction) if r.sits_on_cm is not None]
    for r in results(case, HipFlexion):
        if (
            seats
            and r.deg < hip_shown_deg(min(seats)) - 10
            and not any(isinstance(c, HipReplacement) and c.side == r.side for c in case.conditions)
        ):
            out.append(
                Contradiction(
                    "$.tests",
                    said("{side} hip bend {deg}°, yet sits level on {what2} cm: measure again", side=term(r.side), deg=float(r.deg), what2=float(min(seats))),
                )
            )
    return out
