"""Cerebral palsy."""

from datetime import date

from amvel.case.conditions.development import CerebralPalsy
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import PALISANO
from amvel.movements.levels import EVERY_WAY
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place, Reader
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings

LEVELS = PALISANO.says("gross motor levels I–V; hip at risk from 30 % migration", reading=True)
SINCE = date(2019, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """The gross motor level sets positions; slow; a hip at risk is not brought in while bent."""
    page = Page("cerebral_palsy", LEVELS)
    for i, c in enumerate(f.all(CerebralPalsy)):
        page.limit(f"speed_{i}", "speed_deg_s", n["speed_deg_s"], "quick stretches set off spasm")
        if c.gross_motor_level >= n["supported_from"]:
            page.limit(
                f"standing_{i}",
                "hand_support_level",
                3,
                said("gross motor level {gross_motor_level}: no unsupported standing", gross_motor_level=term(c.gross_motor_level)),
                at_least=True,
                when=Place.STANDING,
            )
        if c.gross_motor_level >= n["trunk_from"]:
            level = n["trunk_at_five"] if c.gross_motor_level >= 5 else n["trunk_at_four"]
            page.cap(f"trunk_{i}", level, EVERY_WAY, said("gross motor level {gross_motor_level}: the trunk is held by little", gross_motor_level=term(c.gross_motor_level)))
        if c.gross_motor_level >= 5:
            page.limit(f"full_{i}", "standing", 0, "gross motor level 5: fully supported only")
            page.care(
                f"sitting_{i}",
                "sitting",
                0,
                "gross motor level 5: fully supported only",
                "high back, head support, strap; hands on", read_by=Reader.HELPER,
            )
        for side in ("left", "right"):
            migration = getattr(c, f"hip_migration_{side}_percent")
            hurts = c.opening_hurts in (side, "both")
            if hurts or (migration is not None and migration >= n["migration_percent"]):
                _hip_at_risk(page, n, i, side, migration, hurts)
    return page.done()


def _hip_at_risk(page: Page, n: Numbers, i: int, side: str, migration: float | None, hurts: bool) -> None:
    """Neither across nor far out nor turned by force; the thigh beside such a hip breaks easily when it is."""
    known = said("opening it hurts") if migration is None else said("{migration} % of migration", migration=float(migration))
    why = said("the {side} hip is at risk ({known})", side=term(side), known=term(known))
    page.limit(f"hip_{side}_{i}", f"{side}.hip_adduction_in_flexion_deg", 0, said("{why}: not past the midline while bent", why=term(why)))
    most = n["opening_painful_deg"] if hurts else n["opening_deg"]
    page.limit(f"hip_open_{side}_{i}", f"{side}.hip_abduction_deg", most, said("{why}: opened a little, never to its end", why=term(why)))
    page.limit(f"hip_turned_{side}_{i}", f"{side}.loaded_leg_rotation_deg", n["turned_deg"], said("{why}: no turned leg under load", why=term(why)))
    page.care(f"hip_care_{side}_{i}", "performed", 0, why, "move the thigh slowly, held along its length; never by the foot, never against a stop", read_by=Reader.HELPER)
    page.refer("hip", said("{why}: the hip surgeon should know of the programme; refer when it hurts more or opens less", why=term(why)), which=f"{side}_{i}")


RULE = Rule(
    "cerebral_palsy",
    "Cerebral palsy",
    "The gross motor level sets positions; slow; a hip at risk is not brought in while bent.",
    (LEVELS,),
    SINCE,
    answer,
    (
        Number("speed_deg_s", 60, "deg/s", "fastest joint", LEVELS, SINCE),
        Number("supported_from", 3, "level", "level from which standing is supported", LEVELS, SINCE),
        Number("trunk_from", 4, "level", "gross motor level from which the trunk is held by little", LEVELS, SINCE),
        Number("trunk_at_four", 2, "level", "trunk work at level 4", LEVELS, SINCE),
        Number("trunk_at_five", 1, "level", "trunk work at level 5", LEVELS, SINCE),
        Number("opening_deg", 25, "deg", "opening of a hip at risk", LEVELS, SINCE),
        Number("opening_painful_deg", 15, "deg", "opening of a hip that hurts when opened", LEVELS, SINCE),
        Number("turned_deg", 10, "deg", "turned leg under load, hip at risk", LEVELS, SINCE),
        Number("migration_percent", 30, "%", "hip migration at risk", LEVELS, SINCE),
    ),
    (
        Example(
            "level 2",
            {"conditions": [{"kind": "cerebral_palsy", "gross_motor_level": 2}]},
            {"cerebral_palsy.speed_0": 60.0, "cerebral_palsy.standing_0": None},
        ),
        Example(
            "level 3",
            {"conditions": [{"kind": "cerebral_palsy", "gross_motor_level": 3}]},
            {"cerebral_palsy.standing_0": 3.0},
        ),
        Example(
            "hip at 30 %",
            {
                "conditions": [
                    {"kind": "cerebral_palsy", "gross_motor_level": 2, "hip_migration_left_percent": 30}
                ]
            },
            {"cerebral_palsy.hip_left_0": 0.0, "cerebral_palsy.hip_open_left_0": 25.0},
            refers=("cerebral_palsy.hip_left_0",),
        ),
        Example(
            "hip at 29 %",
            {
                "conditions": [
                    {"kind": "cerebral_palsy", "gross_motor_level": 2, "hip_migration_left_percent": 29}
                ]
            },
            {"cerebral_palsy.hip_left_0": None},
        ),
    ),
    duties=(
        Duty("hip", "a hip at risk or dislocating"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.DEVELOPMENT,
)
