"""Light seat: the lean before the rise; buttocks and thighs take the weight, the seat stays there."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Setting
from amvel.movements.families.sit_to_stand import ARMS_AHEAD, leaning_frames, leaning_on_rests
from amvel.movements.faults import BREATH_HELD, KNEE_FALLS_IN, TRUNK_ROUNDS
from amvel.movements.frames import Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import CHAIR_WITH_ARMS, FIRM_CHAIR
from amvel.movements.seats import SEAT

_HANDS_PUSH_CM = 3.0  # the last part of the lean (our choice)


def _hands(s: Setting) -> list[Frame]:
    return leaning_on_rests(s, _HANDS_PUSH_CM)


def _free(s: Setting) -> list[Frame]:
    return leaning_frames(s)


FAMILY = (
    Ladder(
        "light_seat",
        "Light seat",
        "sitting",
        "The back of the hips at work without leaving the chair.",
        setup=("Sit near the front edge of a firm chair, heels a little behind the knees.",),
        cues=(
            "lean from the hips until the feet feel you",
            "press the floor away, the seat gets light",
            "come back slowly",
        ),
        faults=(TRUNK_ROUNDS, KNEE_FALLS_IN, BREATH_HELD),
        felt="buttocks and thighs",
        not_felt="the low back, the knees",
        breath=breath((inhale("to lean"), exhale("to press")), back=inhale("to come back")),
        props=(FIRM_CHAIR,),
        parameters=(SEAT,),
        arrow="breastbone",
    )
    .rung(
        "with_hands",
        "With the hands",
        _hands,
        Dose(6, 1, 7.0, hold_s=3),
        {"hip_back": 0.5, "leg_loading": 0.4, "hip_bend": 0.5, "sit_to_stand": 0.4, "position_change": 0.3},
        2,
        props=(CHAIR_WITH_ARMS,),
        do=(
            "Near the edge of the seat, hands on the arm rests.",
            "Lean from the hips, breathe {out} and press feet and hands down until the seat gets light; stay three seconds.",
            "Breathe {in} and let the seat have you again.",
        ),
    )
    .rung(
        "without_hands",
        "Without hands",
        _free,
        Dose(6, 2, 7.0, hold_s=3),
        {"hip_back": 0.7, "leg_loading": 0.6, "hip_bend": 0.5, "sit_to_stand": 0.4, "position_change": 0.3},
        3,
        parameters=(SEAT, ARMS_AHEAD),
        do=(
            "Near the edge of the seat, arms ahead.",
            "Lean from the hips, breathe {out} and press only the feet down until the seat gets light; stay three seconds.",
            "Breathe {in} and sit back slowly.",
        ),
    )
    .family()
)
