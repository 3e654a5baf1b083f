"""A slipped vertebra."""

from datetime import date

from amvel.case.conditions.spine import Spondylolisthesis
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.movements.levels import EVERY_WAY, Way
from amvel.numbers import Number, Numbers
from amvel.safety.arching import limit_arching
from amvel.safety.limits import Answer
from amvel.safety.page import CLINICIAN, Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import practice

SOURCE = practice("spondylolisthesis: extension to neutral or 5°", reading=True)


def answer(f: Findings, n: Numbers) -> Answer:
    """Arching small; from grade 3, or a grade that is not known, ask first."""
    page, found = Page("spondylolisthesis", SOURCE), f.all(Spondylolisthesis)
    if found:
        limit_arching(page, n["extension_deg"], "arching pushes the slipped vertebra forward")
        page.forbid("jolt", "jolt", 0, "no bounce on a slipped vertebra")
        fresh = [c for c in found if c.fresh != "no"]
        if fresh:
            why = said("a slip of the last year") if any(c.fresh == "yes" for c in fresh) else said("whether the slip is fresh is not known")
            page.cap("level", n["fresh_level"], EVERY_WAY, said("{why}: small bridges, the wall, a hinge at most", why=term(why)), waits_for=CLINICIAN)
            page.cap("turning", n["fresh_turning"], (Way.TURNING,), said("{why}: no more turning than a light band asks for, sitting", why=term(why)), waits_for=CLINICIAN)
            page.limit("weighted", "weighted_trunk_deg", n["weighted_deg"], said("{why}: no weight while bending or turning", why=term(why)), waits_for=CLINICIAN)
        if any(c.grade is None or c.grade >= n["refer_from_grade"] for c in found):
            page.refer("grade", "a slipped vertebra of grade 3 or more, or not graded: ask what may be loaded")
    return page.done()


SINCE = date(2020, 1, 1)
RULE = Rule(
    "spondylolisthesis",
    "Slipped vertebra",
    "Arching at most neutral to 5°; no bounce.",
    (SOURCE,),
    SINCE,
    answer,
    (
        Number("extension_deg", 3.0, "deg", "arching at most (between neutral and 5°)", SOURCE, SINCE),
        Number("weighted_deg", 5.0, "deg", "bend or turn with a weight that still counts as none", SOURCE, SINCE),
        Number("fresh_level", 3, "level", "trunk work with a fresh slip", SOURCE, SINCE),
        Number("fresh_turning", 2, "level", "work against turning: about that of a light band, sitting", SOURCE, SINCE),
        Number("refer_from_grade", 3, "grade", "grade to refer", SOURCE, SINCE),
    ),
    (
        Example(
            "grade 2",
            {"conditions": [{"kind": "spondylolisthesis", "grade": 2}]},
            {"spondylolisthesis.arching": 3.0},
        ),
        Example(
            "grade 3",
            {"conditions": [{"kind": "spondylolisthesis", "grade": 3}]},
            refers=("spondylolisthesis.grade",),
        ),
    ),
    duties=(
        Duty("grade", "grade 3 or more, or not graded"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.ORTHOPAEDICS,
)
