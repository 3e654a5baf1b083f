"""Sciatica that bending forward provokes: temporary, with review and graded return."""

from datetime import date, timedelta

from amvel.case.conditions.spine import FlexionSciatica
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.movements.levels import EVERY_WAY
from amvel.numbers import Number, Numbers
from amvel.safety.graded_return import progress
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.screening.declaration import current
from amvel.sources import practice

PRACTICE = practice("flexion-provoked sciatica", reading=True)
REVIEW_AFTER = timedelta(weeks=4)
ACUTE_FOR = timedelta(weeks=6)  # common practice, no source
VALID_SLR_DAYS = 180
# Grades of return: loaded, held, unloaded rounding and rounding in sitting, in degrees.
GRADES = (
    (said("hinge from the hips"), 10.0, 10.0, 10.0, 3.0),
    (said("small rounding without load"), 10.0, 10.0, 20.0, 3.0),
    (said("larger rounding without load"), 10.0, 20.0, 40.0, 5.0),
    (said("small rounding under load"), 20.0, 30.0, 60.0, 10.0),
    (said("larger rounding under load"), 40.0, 40.0, 80.0, 20.0),
)


def provoking_line_deg(f: Findings, side: str, noted: float | None) -> float | None:
    """The smallest nerve-line angle that provoked pain on this side; None when never tested."""
    raised = [
        t.deg
        for t in current(f.case, "straight_leg_raise", VALID_SLR_DAYS)
        if t.side == side and t.response == "leg_pain"
    ]
    values = [*raised, *([noted] if noted is not None else [])]
    return min(values) if values else None


def _flared(f: Findings, c: FlexionSciatica) -> bool:
    """Whether the last review of this side found a flare."""
    own = [r for r in f.case.reviews if r.rule == "flexion_sciatica" and r.side in (None, c.side)]
    return bool(own) and max(own, key=lambda r: r.on).next_day_flare


def answer(f: Findings, n: Numbers) -> Answer:
    """Rounding by grade, never more than one grade per passed review; the nerve line 10° short of what provokes."""
    page = Page("flexion_sciatica", PRACTICE)
    for i, c in enumerate(f.all(FlexionSciatica)):
        way = progress(f.case, "flexion_sciatica", c.side, c.noted_on or c.since, REVIEW_AFTER)
        if way.grade >= len(GRADES):
            continue
        name, loaded, held, free, seated = GRADES[way.grade]
        following = GRADES[way.grade + 1][0] if way.grade + 1 < len(GRADES) else said("no limit")
        more = {
            "review_on": way.review_on,
            "next_grade": said("{following}, after a passed review", following=term(following)),
            "grade": way.grade,
            "grades": len(GRADES),
        }
        due = said(" (grade {what} of {what1}: {name})", what=term(way.grade + 1), what1=term(len(GRADES)), name=term(name)) + (said(". Review is due.") if way.overdue else "")
        for id, quantity, bound, why in (
            ("loaded_flexion", "loaded_trunk_flexion_deg", loaded, said("bending forward provokes the leg pain")),
            ("held_flexion", "held_trunk_flexion_deg", held, said("held bending provokes the leg pain")),
            ("unloaded_flexion", "unloaded_trunk_flexion_deg", free, said("bending forward provokes the leg pain")),
            ("seated_rounding", "seated_rounding_deg", seated, said("sitting bent provokes the leg pain")),
        ):
            page.limit(f"{id}_{i}", quantity, bound, said(why) + due, **more)
        line = provoking_line_deg(f, c.side, c.provoking_neural_line_deg)
        bound = n["unknown_line_deg"] if line is None else max(0.0, line - n["below_provoking_deg"])
        why = (
            said("{short_deg}° short of where the leg pain began", short_deg=float(n["below_provoking_deg"]))
            if line is not None
            else said("the provoking angle is not tested: cautious value")
        )
        page.limit(f"nerve_line_{c.side}_{i}", f"{c.side}.neural_line_deg", bound, why, **more)
        if c.at_rest or f.case.as_of < c.since + ACUTE_FOR or _flared(f, c):
            why = said("the nerve pain is acute")
            page.cap(f"level_{i}", n["acute_level"], EVERY_WAY, said("{why}: one leg or arm off the ground at most", why=term(why)), **more)
            press = said("{why}: little more press on the spine than standing makes", why=term(why))
            page.limit(f"press_{i}", "press_against_standing", n["acute_press"], press, when=Place.EXERCISES, **more)
            weighted = said("{why}: no weight while bending or turning", why=term(why))
            page.limit(f"weighted_{i}", "weighted_trunk_deg", n["weighted_deg"], weighted, **more)
            page.limit(f"both_legs_{i}", "legs_lifted", 1, said("{why}: never both legs in the air", why=term(why)), when=Place.EXERCISES, **more)
        if c.rotation_provokes:
            page.limit(
                f"rotation_{i}",
                "loaded_trunk_rotation_deg",
                n["rotation_deg"],
                "turning provokes the leg pain",
                **more,
            )
    return page.done()


SINCE = date(2026, 1, 1)
_NOW = {"kind": "flexion_sciatica", "side": "left", "since": "2026-10-20", "noted_on": "2026-11-20"}
_PASSED = {"rule": "flexion_sciatica", "done_strongly": True, "confidence_0_to_10": 8, "next_day_flare": False}
RULE = Rule(
    "flexion_sciatica",
    "Sciatica provoked by bending",
    "Rounding at most 10° at first; one grade more after each passed review; nerve line 10° short of pain.",
    (PRACTICE,),
    SINCE,
    answer,
    (
        Number("below_provoking_deg", 10.0, "deg", "nerve line short of what provokes", PRACTICE, SINCE),
        Number("unknown_line_deg", 40.0, "deg", "nerve line when nobody tested it", PRACTICE, SINCE),
        Number("acute_level", 2, "level", "trunk work while the nerve pain is acute", PRACTICE, SINCE),
        Number("weighted_deg", 5.0, "deg", "bend or turn with a weight that still counts as none", PRACTICE, SINCE),
        Number("acute_press", 1.5, "× quiet standing", "press on the spine while it is acute", PRACTICE, SINCE),
        Number("rotation_deg", 5.0, "deg", "loaded turning when turning provokes", PRACTICE, SINCE),
    ),
    (
        Example(
            "at first",
            {"conditions": [{**_NOW, "provoking_neural_line_deg": 52}]},
            {
                "flexion_sciatica.loaded_flexion_0": 10.0,
                "flexion_sciatica.unloaded_flexion_0": 10.0,
                "flexion_sciatica.nerve_line_left_0": 42.0,
            },
        ),
        Example("not tested", {"conditions": [_NOW]}, {"flexion_sciatica.nerve_line_left_0": 40.0}),
        Example(
            "one passed review opens one grade",
            {"conditions": [_NOW], "reviews": [{**_PASSED, "on": "2026-11-23"}]},
            {"flexion_sciatica.unloaded_flexion_0": 20.0, "flexion_sciatica.loaded_flexion_0": 10.0},
        ),
        Example(
            "a flare opens nothing",
            {"conditions": [_NOW], "reviews": [{**_PASSED, "on": "2026-11-23", "next_day_flare": True}]},
            {"flexion_sciatica.unloaded_flexion_0": 10.0},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PHYSIOTHERAPY,
)
