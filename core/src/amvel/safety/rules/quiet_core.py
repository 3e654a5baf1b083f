"""What the quiet-core tests found: painful tilt, breath, clean ranges per side."""

from datetime import date

from amvel.checked import Profession
from amvel.languages import said, term
from amvel.literature import MENS
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer, Place
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

LEG_RAISE = MENS.says("active straight-leg raise 0–5 a side", reading=True)
SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """The painful direction is left out; a range ends where something gives; what did not start is owed first."""
    page = Page("quiet_core", COMMON_PRACTICE)
    for r in f.results("pelvic_tilt"):
        if r.painful in ("arch", "both"):
            page.limit("arch", "lumbar_extension_deg", n["painful_tilt_deg"], "arching the pelvis hurts")
        if r.painful in ("tuck", "both"):
            page.limit("tuck", "lumbar_flexion_deg", n["painful_tilt_deg"], "tucking the pelvis hurts")
    for r in f.results("fall_out_clean"):
        if r.gives != "nothing":
            page.limit(
                f"fall_out_{r.side}",
                f"{r.side}.hip_external_rotation_deg",
                r.deg,
                said("the {gives} gives beyond this on the {side}", gives=term(r.gives), side=term(r.side)),
                only_step="bent_knee_fall_out",
            )
    for r in f.results("leg_reach_clean"):
        if r.gives != "nothing":
            for family in ("leg_reach", "opposite_arm_and_leg_supine"):
                page.limit(
                    f"{family}_{r.side}",
                    f"{r.side}.hip_flexion_deg",
                    r.hip_deg,
                    said("the {gives} gives below this on the {side}", gives=term(r.gives), side=term(r.side)),
                    at_least=True,
                    only_step=family,
                )
    breath = f.results("breath_directions")
    if any(r.changed_by_leg == "both" for r in breath):
        page.limit(
            "breath",
            "performed",
            0,
            "lifting a leg changes the breath: legs supported first",
            only_step="loaded_90_90_breathing",
        )
    if breath and any(len(r.reaches) < 4 for r in breath):
        page.owe("breath", "Breath all round, every day", ("breath",), 7, "the breath does not reach all round")
    if any(r.result in ("none", "bulge") for r in f.results("deep_contraction")):
        page.limit(
            "lever",
            "pelvic_moment_nm_per_kg_m",
            n["lever_nm_per_kg_m"],
            "the deep layer does not start yet: no more than one bent leg",
            when=Place.EXERCISES,
        )
        page.owe("deep", "The deep set, every day", ("deep_control",), 7, "the deep layer does not start yet")
    for r in f.results("active_leg_raise"):
        if r.score >= n["leg_raise_score"]:
            page.care(
                f"leg_raise_{r.side}",
                "performed",
                0,
                said("lifting the {side} leg is hard work for the pelvis", side=term(r.side)),
                "hands press the hip bones together first; squeeze and push before single-leg work",
                source=LEG_RAISE,
            )
    return page.done()


RULE = Rule(
    "quiet_core",
    "Quiet core",
    "Painful tilt left out, ranges end where something gives, the deep layer first.",
    (COMMON_PRACTICE, LEG_RAISE),
    SINCE,
    answer,
    (
        Number("painful_tilt_deg", 3.0, "deg", "tilt in a painful direction", COMMON_PRACTICE, SINCE),
        Number(
            "lever_nm_per_kg_m",
            0.24,
            "N·m/(kg·m)",
            "pelvic control moment of one bent leg",
            COMMON_PRACTICE,
            SINCE,
        ),
        Number("leg_raise_score", 2, "0–5", "effort that counts", LEG_RAISE, SINCE),
    ),
    (
        Example(
            "arch hurts",
            {"tests": [{"test": "pelvic_tilt", "tuck_deg": 10, "arch_deg": 5, "painful": "arch"}]},
            {"quiet_core.arch": 3.0, "quiet_core.tuck": None},
        ),
        Example(
            "a bulge",
            {"tests": [{"test": "deep_contraction", "result": "bulge"}]},
            {"quiet_core.lever": 0.24},
            ("quiet_core.deep",),
        ),
        Example(
            "firm", {"tests": [{"test": "deep_contraction", "result": "firm"}]}, {"quiet_core.lever": None}
        ),
        Example(
            "pelvis turns at 20°",
            {"tests": [{"test": "fall_out_clean", "side": "left", "deg": 20, "gives": "pelvis"}]},
            {"quiet_core.fall_out_left": 20.0},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 26),
    check_by=Profession.PHYSIOTHERAPY,
)
