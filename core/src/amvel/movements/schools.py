"""What a chosen school changes in a step: the pose, the breath, the words for switching on.

Choices that change the pose travel in a request's values as 'school.<question>', so that a solved profile is kept
per school like any other measure of the set-up.
"""

from amvel.case.schools import QUESTIONS
from amvel.languages import said, said_together
from amvel.movements.breath import Breath, breath, exhale, inhale
from amvel.movements.declaration import Family, Step
from amvel.movements.feedback import STRIP_UNDER_THE_BACK, Feedback
from amvel.movements.frames import Frame

PREFIX = "school."
FLAT_TUCK_DEG = (
    8.0  # from the natural curve to the low back resting: our estimate, within the 5-10° of a small tuck
)
_LEG_WORK = ("deep_control", "resist_extension", "turning")
HEAVY_EFFORT = 5.0
_SWITCHED = {
    "gentle_draw": said("Lift the pelvic floor as if to stop a flow, draw the two hip bones together; about a third of your strength."),
    "stiffen": said("Firm all round, belly, sides and back, as much as the load asks and no more; breathe behind it."),
    "breath": said("Let the long breath out do it; nothing is held, nothing is drawn."),
}


def pose_values(family: Family, step: Step, choices: dict[str, str]) -> dict[str, str]:
    """The choices that change this step's pose, where they differ from the default."""
    return {
        PREFIX + q: choices[q]
        for q in ("low_back", "side_lift")
        if concerns(family, step, q) and choices[q] != QUESTIONS[q].default
    }


def concerns(family: Family, step: Step, question: str) -> bool:
    """Whether the choice changes the pose of this step."""
    if question == "low_back":
        rests = any(t in step.purposes for t in _LEG_WORK) and "flexion_strength" not in step.purposes
        own = family.id in (
            "pelvic_tilt_clock",
            "bridge",
            "two_knee_roll",
            "roll_to_the_side",
            "lying_side_reach",
        )
        return family.position == "on the back" and rests and not own and not family.asked_for
    return question == "side_lift" and family.id == "both_legs_lift"


def option_in(values: dict[str, float | str], question: str) -> str:
    """What a request's values say of a question."""
    return str(values.get(PREFIX + question, QUESTIONS[question].default))


def with_school(frames: list[Frame], values: dict[str, float | str]) -> list[Frame]:
    """The frames as the chosen school places them: the low back flat where that was asked for."""
    if option_in(values, "low_back") != "flat":
        return frames
    return [f.with_(lumbar_flexion=f.angles.get("lumbar.flexion", 0.0) + FLAT_TUCK_DEG) for f in frames]


CONTINUOUS = breath(exhale("in one thin breath through both phases"), back=exhale(), ready=inhale("before the next repetition"))
_CONTINUOUS_SAYS = said("one thin breath out through both phases; breathe in before the next repetition")


def breath_of(step: Step, option: str) -> Breath:
    """The breath of a step in a school; a step whose custom is its own keeps it."""
    if step.breath_custom or option == "out_on_effort":
        return step.breath
    return CONTINUOUS if option == "continuous" else step.breath.turned()


def breath_words(step: Step, option: str) -> str:
    """The same in words."""
    own = breath_of(step, option)
    return _CONTINUOUS_SAYS if own is CONTINUOUS else own.says()


_IN, _OUT = said("in"), said("out")
_AIRS = {"in": _IN, "out": _OUT}
_TURNED = {"in": _OUT, "out": _IN}
_ALL_OUT = {"in": _OUT, "out": _OUT}


def do_lines(step: Step, option: str) -> tuple[str, ...]:
    """What to do, sentence by sentence, with the breath of a school where it says {in} or {out}."""
    own = breath_of(step, option)
    airs = _AIRS if own is step.breath else _ALL_OUT if own is CONTINUOUS else _TURNED
    return tuple(said(str(line), **airs) for line in step.do)


def switching_on(family: Family, step: Step, option: str) -> str:
    """How to switch the trunk on for this step, in words for the client."""
    if option == "by_load":
        upright = family.position in ("standing", "at the wall", "kneeling")
        loaded = step.effort >= HEAVY_EFFORT or (upright and step.effort >= 3)
        option = "stiffen" if loaded else "gentle_draw"
    return _SWITCHED[option]


_STRIP = (STRIP_UNDER_THE_BACK.worded(),)


def feedback_of(family: Family, step: Step, choices: dict[str, str]) -> tuple[Feedback, ...]:
    """What tells whether it is right: the step's own, and the strip that belongs to a flat low back.

    With the natural curve flat hands would feel for it; most of these steps have the hands elsewhere.
    """
    flat = concerns(family, step, "low_back") and choices["low_back"] == "flat"
    return (*step.feedback, *(_STRIP if flat else ()))


def school_lines(family: Family, step: Step, choices: dict[str, str]) -> dict[str, str]:
    """Breath, switching on and the further lines that a school adds to what is printed, by name."""
    lines = {
        "breath": breath_words(step, choices["breath"]),
        "switching_on": switching_on(family, step, choices["switching_on"]),
    }
    if concerns(family, step, "low_back"):
        flat = choices["low_back"] == "flat"
        lines["low_back"] = (
            said("The small of the back rests flat on the floor all the time.")
            if flat
            else said("Natural curve of the low back: neither pressed nor arched.")
        )
    if step.purposes.get("deep_control", 0) >= 0.3 or step.purposes.get("breath", 0) >= 0.3:
        up = _OUT if choices["pelvic_floor"] == "out_breath" else _IN
        lines["pelvic_floor"] = said("The pelvic floor lifts on the breath {up} and lets go in rest.", up=up)
        still = choices["belly"] == "still" or (choices["belly"] == "by_load" and step.effort >= 3)
        lines["belly"] = (
            said("Belly still, the ribs move with the breath.")
            if still
            else said("Breathe to all sides, belly and back as well.")
        )
    if choices["buttocks"] != "by_step":
        lines["buttocks"] = said("Buttocks set.") if choices["buttocks"] == "set" else said("Buttocks relaxed.")
    elif family.position == "face down" or step.id in ("both_straight", "legs_straight"):
        lines["buttocks"] = said("Buttocks set.")
    if concerns(family, step, "side_lift"):
        crunch = choices["side_lift"] == "side_crunch"
        lines["side_lift"] = said("A small side bend is part of it.") if crunch else said("The whole waist stays long.")
    if tells := feedback_of(family, step, choices):
        lines["feedback"] = said_together((f.says() for f in tells), " ")
    return lines
