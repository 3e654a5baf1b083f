"""Sciatica that bending forward provokes: temporary, with review and graded return."""

from datetime import date, timedelta

from amvel.safety.limits import Answer, Limit
from amvel.safety.rulebook import Rule
from amvel.screening import Findings
from amvel.screening.declaration import current
from amvel.sources import Source

PRACTICE = Source(
    "flexion-provoked sciatica: common practice, values our reading", from_memory=False, reading=True
)
FLEXION_DEG, SEATED_ROUNDING_DEG, TURN_DEG = 10.0, 3.0, 5.0
BELOW_PROVOKING_DEG, UNKNOWN_LINE_DEG = 10.0, 40.0
REVIEW_AFTER = timedelta(weeks=4)
VALID_SLR_DAYS = 180


def provoking_line_deg(f: Findings, side: str, noted: float | None) -> float | None:
    """The smallest nerve-line angle that provoked pain on this side; None when never tested."""
    raised = [
        t.deg
        for t in current(f.case, "straight_leg_raise", VALID_SLR_DAYS)
        if t.side == side and t.response == "leg_pain"
    ]
    values = [*raised, *([noted] if noted is not None else [])]
    return min(values) if values else None


def answer(f: Findings) -> Answer:
    """Rounding small, never seated; the nerve line 10° short of what provokes."""
    limits: list[Limit] = []
    for i, c in enumerate(f.conditions("flexion_sciatica")):
        assert c.kind == "flexion_sciatica"
        review = (c.noted_on or c.since) + REVIEW_AFTER
        line = provoking_line_deg(f, c.side, c.provoking_neural_line_deg)
        bound = UNKNOWN_LINE_DEG if line is None else max(0.0, line - BELOW_PROVOKING_DEG)
        overdue = " Review is due." if f.case.as_of >= review else ""

        def add(
            name: str,
            quantity: str,
            value: float,
            reason: str,
            i: int = i,
            review: date = review,
            overdue: str = overdue,
        ) -> None:
            limits.append(
                Limit(
                    f"flexion_sciatica.{name}_{i}",
                    quantity,
                    value,
                    reason + overdue,
                    PRACTICE,
                    review_on=review,
                    next_grade="small unloaded rounding, after a painless review",
                )
            )

        add("loaded_flexion", "loaded_trunk_flexion_deg", FLEXION_DEG, "bending forward provokes the leg pain")
        add("held_flexion", "held_trunk_flexion_deg", FLEXION_DEG, "held bending provokes the leg pain")
        add("seated_rounding", "seated_rounding_deg", SEATED_ROUNDING_DEG, "sitting bent provokes the leg pain")
        add(
            f"nerve_line_{c.side}",
            f"{c.side}.neural_line_deg",
            bound,
            "10° short of where the leg pain began"
            if line is not None
            else "the provoking angle is not tested: cautious value",
        )
        if c.rotation_provokes:
            add("rotation", "trunk_rotation_deg", TURN_DEG, "turning provokes the leg pain")
    return Answer(tuple(limits))


RULE = Rule(
    "flexion_sciatica",
    "Sciatica provoked by bending",
    "Rounding at most 10° under load or held, none while sitting; nerve line 10° short of pain; reviewed after four weeks.",
    (PRACTICE,),
    date(2026, 1, 1),
    date(2026, 11, 24),
    date(2027, 5, 24),
    answer,
)
