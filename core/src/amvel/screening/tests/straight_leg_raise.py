"""Straight-leg raise with response."""

from amvel.case import Case, StraightLegRaise
from amvel.screening.declaration import Field, Reading, ScreenTest
from amvel.sources import Source

SOURCE = Source("AAOS 1965; Norkin & White: healthy 70–80°")


def read(result: StraightLegRaise, case: Case) -> Reading:
    """Leg pain below 70° is a nerve response until shown otherwise (our reading)."""
    if result.response == "leg_pain":
        return Reading(f"{result.deg:g}°: leg pain, the nerve line is limited to 10° less", "watch", SOURCE)
    return Reading(f"{result.deg:g}° of 70–80°", "ok" if result.deg >= 65 else "watch", SOURCE)


TEST = ScreenTest(
    "straight_leg_raise",
    "Straight-leg raise",
    "length of the back of the thigh, and the nerve's answer",
    (
        "Lie on the back, knee straight, ankle relaxed.",
        "Raise the leg until it stops or pain begins.",
        "Ask what is felt: nothing, a stretch, or pain down the leg.",
    ),
    "Stop at the first leg pain; leave it out in acute sciatica.",
    (
        Field("deg", "Angle", "deg", "number", 5, 120),
        Field(
            "response",
            "What is felt",
            "",
            "choice",
            choices=(("none", "Nothing special"), ("stretch", "Stretch"), ("leg_pain", "Pain down the leg")),
        ),
    ),
    180,
    read,
    SOURCE,
    per_side=True,
    benign={"deg": 78, "response": "stretch"},
    adverse={"deg": 45, "response": "stretch"},
)
