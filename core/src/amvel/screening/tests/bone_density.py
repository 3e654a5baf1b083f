"""Bone density, read from a report."""

from amvel.case import BoneDensity, Case
from amvel.screening.bone_status import WHO, NotReadable, score
from amvel.screening.declaration import Field, Reading, ScreenTest


def read(result: BoneDensity, case: Case) -> Reading:
    """T-score for older adults, Z-score for younger ones."""
    try:
        kind, value = score(result, case)
    except NotReadable as error:
        return Reading(str(error), "none", WHO)
    if kind == "Z":
        low = value <= -2.0
        return Reading(
            f"Z {value:+.1f}: " + ("below expected for age" if low else "within expected for age"),
            "watch" if low else "ok",
            WHO,
        )
    if value <= -2.5:
        return Reading(f"T {value:+.1f}: osteoporosis range", "watch", WHO)
    return Reading(
        f"T {value:+.1f}: " + ("low bone mass" if value < -1.0 else "normal"),
        "watch" if value < -1.0 else "ok",
        WHO,
    )


TEST = ScreenTest(
    "bone_density",
    "Bone density (from a report)",
    "how much mineral the bone holds",
    (
        "Take site, T- or Z-score and date from the report.",
        "A density alone needs the make of the device.",
        "Enter every site; the lowest valid one decides.",
    ),
    "A paper test: nothing is asked of the body.",
    (
        Field(
            "site",
            "Site",
            "",
            "choice",
            choices=(
                ("lumbar_spine", "Lumbar spine"),
                ("total_hip", "Total hip"),
                ("femoral_neck", "Femoral neck"),
                ("one_third_radius", "One-third radius"),
            ),
        ),
        Field("t_score", "T-score", "", "number", -7, 5, optional=True),
        Field("z_score", "Z-score", "", "number", -7, 5, optional=True),
        Field("density_g_cm2", "Density", "g/cm²", "number", 0.2, 2.5, optional=True),
        Field(
            "device",
            "Device",
            "",
            "choice",
            choices=(("hologic", "Scale H (Hologic)"), ("lunar", "Scale L (Lunar)")),
            optional=True,
        ),
    ),
    730,
    read,
    WHO,
    benign={"site": "total_hip", "t_score": -0.5},
    adverse={"site": "total_hip", "t_score": -2.8},
)
