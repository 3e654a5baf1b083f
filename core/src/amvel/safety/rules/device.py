"""Tube, stoma, pump or shunt."""

from datetime import date

from amvel.case.conditions.skin_and_devices import Device
from amvel.checked import Profession
from amvel.languages import said, term
from amvel.numbers import Number, Numbers
from amvel.safety.limits import Answer
from amvel.safety.page import Page
from amvel.safety.rulebook import Example, Rule
from amvel.screening import Findings
from amvel.sources import COMMON_PRACTICE

SINCE = date(2026, 1, 1)


def answer(f: Findings, n: Numbers) -> Answer:
    """No pressure there; upright 30–60 min after feeds."""
    page = Page("device", COMMON_PRACTICE)
    for i, c in enumerate(f.all(Device)):
        if c.what in ("gastrostomy", "stoma", "pump"):
            page.limit(f"prone_{i}", "face_down", 0, said("no pressure on the {what}", what=term(c.what)))
            page.limit(
                f"curl_{i}", "loaded_trunk_flexion_deg", n["flexion_deg"], said("curling presses the {what}", what=term(c.what))
            )
        if c.what == "gastrostomy":
            page.care(
                f"feed_{i}",
                "lying_flat",
                0,
                "a full stomach",
                "upright 30–60 min after a feed before lying down",
            )
        if c.what == "shunt":
            page.limit(
                f"head_{i}", "head_below_heart_cm", 0, "the head below the heart changes the flow of a shunt"
            )
            page.care(
                f"neck_{i}",
                "lying_flat",
                0,
                "the tube runs down the neck",
                "no pressure on that side of the neck",
            )
    return page.done()


RULE = Rule(
    "device",
    "Tube, stoma, pump or shunt",
    "No pressure there; upright 30–60 min after feeds.",
    (COMMON_PRACTICE,),
    SINCE,
    answer,
    (Number("flexion_deg", 15, "deg", "rounding under load", COMMON_PRACTICE, SINCE),),
    (
        Example("stoma", {"conditions": [{"kind": "device", "what": "stoma"}]}, {"device.prone_0": 0.0}),
        Example(
            "shunt",
            {"conditions": [{"kind": "device", "what": "shunt"}]},
            {"device.prone_0": None, "device.head_0": 0.0},
        ),
    ),
    duties=(),
    read_on=date(2026, 11, 25),
    check_by=Profession.DEVICE_CLINIC,
)
