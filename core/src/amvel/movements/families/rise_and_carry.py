"""Carry-over: a task of several steps: rise with a cup in the hand, stand, put it down, sit."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.sit_to_stand import ARMS_AHEAD, risen_frames
from amvel.movements.faults import BREATH_HELD, KNEE_FALLS_IN, TRUNK_ROUNDS
from amvel.movements.frames import Frame, Prop
from amvel.movements.ladder import Ladder
from amvel.movements.needs import FIRM_CHAIR, WORKTOP
from amvel.movements.room_measures import FitId
from amvel.movements.seats import SEAT
from amvel.movements.session_part import SessionPart


def _with_cup(frames: list[Frame], load_kg: float) -> list[Frame]:
    """The cup stays level in front of the breastbone all the way."""
    hand = {"left_shoulder_flexion": 80.0, "left_elbow_flexion": 30.0, "left_forearm_pronation": 0.0}
    pull = ("left.palm", (0.0, 0.0, -load_kg * 9.81))
    return [f.with_(**hand).pull(pull).hold(Prop("weight", ("left.knuckles",), 8)) for f in frames]


def _cup(s: Setting) -> list[Frame]:
    return _with_cup(risen_frames(s), s.number("load_kg"))


def _cup_and_reach(s: Setting) -> list[Frame]:
    frames = _with_cup(risen_frames(s), s.number("load_kg"))
    put = frames[-1].with_("put down ahead", left_shoulder_flexion=75.0, left_elbow_flexion=20.0)
    return [*frames, put]


_LOAD = Parameter("load_kg", "what the cup holds", "kg", 0.3, low=0.1, high=1, grid=0.1, easier="down")
FAMILY = (
    Ladder(
        "rise_and_carry",
        "Rise with a cup",
        "sitting",
        "Several steps, one breath at a time: rise, stand, put down, sit. Form is checked where life asks for it.",
        fits=(FitId.RISING_SEAT,),
        part=SessionPart.CARRIES_OVER,
        setup=("Sit near the front edge of a firm chair, a half-full cup in one hand, a worktop ahead.",),
        cues=("the cup stays level", "one step after the other, a breath between them"),
        faults=(
            TRUNK_ROUNDS,
            Fault(
                "forgets_the_breath",
                "forgets the breath",
                "the steps run into each other",
                "too many things at once",
                "say the next step aloud", breath=True),
            KNEE_FALLS_IN, BREATH_HELD,
        ),
        felt="thighs, and quiet belly",
        not_felt="hurry",
        breath=breath(exhale("to rise"), end=inhale("to stand"), back=exhale("to put down")),
        sides=True,
        props=(FIRM_CHAIR, WORKTOP),
        parameters=(SEAT, ARMS_AHEAD, _LOAD),
        shown=(0, 1, -1),
    )
    .rung(
        "rise_with_a_cup",
        "Rise, stand, sit again",
        _cup,
        Dose(4, 1, 9.0),
        {"sit_to_stand": 0.8, "leg_loading": 0.6, "balance": 0.3},
        5,
        do=(
            "A half-full cup in one hand, feet back.",
            "Breathe {out} and rise, the cup level; stand for a breath.",
            "Sit down again with the cup, slowly.",
        ),
    )
    .rung(
        "rise_and_put_down",
        "Rise, put it down, sit",
        _cup_and_reach,
        Dose(4, 1, 14.0),
        {"sit_to_stand": 0.8, "leg_loading": 0.6, "balance": 0.4, "upper_back": 0.3},
        5,
        do=(
            "A half-full cup in one hand, a worktop ahead.",
            "Breathe {out} and rise, breathe {in} to stand, breathe {out} and put the cup down on the worktop.",
            "Sit down, and next time fetch it back.",
        ),
    )
    .family(daily_task=True)
)
