"""Splint, brace or collar."""

from datetime import date

from amvel.case.conditions.general import WornSupport
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Duty, Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE, ours

SINCE = date(2026, 1, 1)
GIVES = ours("what a prescribed support still lets through; who fitted it prevails")
_EACH = ("left", "right")


def answer(f: Findings, n: Numbers) -> Answer:
    """What is held still stays still while it is worn; whether it may come off is asked, and until then it stays on."""
    page = Page("worn_support", GIVES)
    for i, c in enumerate(f.all(WornSupport)):
        title = c.what.replace("_", " ")
        if c.off_for_exercise == "unknown":
            page.refer(
            "off", said("{title}: ask who fitted it whether it may come off for exercise", title=term(title)), COMMON_PRACTICE, which=i)
        if c.off_for_exercise != "yes":
            _HOLDS[c.what](page, n, i, c, said("a {title} is worn and holds this still", title=term(title)))
            page.care(f"on_{i}", "performed", 0, said("{title} worn", title=term(title)), "it stays on; look at the skin under it afterwards")
    return page.done()


def _trunk(page: Page, n: Numbers, i: int, c: WornSupport, why: str) -> None:
    page.limit(f"flexion_{i}", "trunk_flexion_deg", n["trunk_deg"], why)
    page.limit(f"extension_{i}", "trunk_extension_deg", n["trunk_deg"], why)
    page.both_sides(_EACH, f"rotation_{i}", "trunk_rotation_deg", n["trunk_deg"], why)
    page.both_sides(_EACH, f"side_bend_{i}", "trunk_side_bend_deg", n["trunk_deg"], why)


def _neck(page: Page, n: Numbers, i: int, c: WornSupport, why: str) -> None:
    page.limit(f"flexion_{i}", "neck_flexion_deg", n["neck_deg"], why)
    page.limit(f"extension_{i}", "neck_extension_deg", n["neck_deg"], why)
    page.both_sides(_EACH, f"rotation_{i}", "neck_rotation_deg", n["neck_deg"], why)


def _wrist(page: Page, n: Numbers, i: int, c: WornSupport, why: str) -> None:
    page.limit(f"wrist_{i}", f"{c.side}.wrist_extension_deg", n["wrist_deg"], why)
    page.limit(f"carries_{i}", f"{c.side}.arm_carries_percent_bw", n["arm_percent_bw"], why)


def _knee(page: Page, n: Numbers, i: int, c: WornSupport, why: str) -> None:
    most = n["knee_deg"] if c.most_knee_bend_deg is None else c.most_knee_bend_deg
    page.limit(f"knee_{i}", f"{c.side}.knee_flexion_deg", most, why)


def _foot(page: Page, n: Numbers, i: int, c: WornSupport, why: str) -> None:
    page.limit(f"toes_down_{i}", f"{c.side}.ankle_plantarflexion_deg", n["ankle_deg"], why)
    page.limit(f"toes_up_{i}", f"{c.side}.ankle_dorsiflexion_deg", n["ankle_deg"], why)


_HOLDS = {"trunk_brace": _trunk, "collar": _neck, "wrist_splint": _wrist, "knee_brace": _knee, "foot_splint": _foot}
_BRACE = {"kind": "worn_support", "what": "trunk_brace"}
RULE = Rule(
    "worn_support",
    "Splint, brace or collar",
    "What is held still stays still while it is worn; until somebody says that it may come off, it stays on.",
    (GIVES, COMMON_PRACTICE),
    SINCE,
    answer,
    (
        Number("trunk_deg", 10, "deg", "rounding, arching, bending and turning in a trunk brace", GIVES, SINCE),
        Number("neck_deg", 10, "deg", "neck in a collar", GIVES, SINCE),
        Number("wrist_deg", 20, "deg", "wrist in a splint", GIVES, SINCE),
        Number("arm_percent_bw", 20, "% of body weight", "what an arm with a splinted wrist carries", GIVES, SINCE),
        Number("knee_deg", 90, "deg", "knee in a brace, where nothing was said", GIVES, SINCE),
        Number("ankle_deg", 10, "deg", "ankle in a splint, up and down; quiet standing has up to 6°", GIVES, SINCE),
    ),
    (
        Example("not known: stays on, and is asked about", {"conditions": [_BRACE]}, {"worn_support.flexion_0": 10.0}, refers=("worn_support.off_0",)),
        Example("may come off", {"conditions": [{**_BRACE, "off_for_exercise": "yes"}]}, {"worn_support.flexion_0": None}),
        Example(
            "a knee brace with its own number",
            {"conditions": [{**_BRACE, "what": "knee_brace", "side": "left", "most_knee_bend_deg": 60}]},
            {"worn_support.knee_0": 60.0},
        ),
        Example("a wrist splint", {"conditions": [{**_BRACE, "what": "wrist_splint", "side": "left"}]}, {"worn_support.wrist_0": 20.0}),
        Example("a foot splint", {"conditions": [{**_BRACE, "what": "foot_splint", "side": "left"}]}, {"worn_support.toes_down_0": 10.0}),
        Example("a collar", {"conditions": [{**_BRACE, "what": "collar"}]}, {"worn_support.rotation_0_left": 10.0}),
    ),
    duties=(
        Duty("off", "whether it may come off for exercise is not known"),
    ),
    read_on=date(2026, 11, 26),
    check_by=Profession.ORTHOPAEDICS,
)
