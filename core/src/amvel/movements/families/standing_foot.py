"""Foot in standing: weight rolls from heel to ball, then the toes spread under it."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Setting
from amvel.movements.faults import BREATH_HELD, KNEE_FALLS_IN
from amvel.movements.frames import Aim, Frame
from amvel.movements.ladder import Ladder
from amvel.movements.needs import WORKTOP
from amvel.movements.standing_support import HANDS, at_the_counter, ways_to_hold
from amvel.movements.wrong import Wrong


def _rock(s: Setting) -> list[Frame]:
    start = at_the_counter(s, "firm hand")
    sway = {"heels": -1.5, "balls": 9.0}
    return [
        start.aim(Aim("centre_of_mass", "x", cm, origin="right.ankle")).with_(f"weight over the {name}")
        for name, cm in sway.items()
    ]


def _spread(s: Setting) -> list[Frame]:
    start = at_the_counter(s, "firm hand")
    lifted = {f"{x}_toes_extension": 30.0 for x in ("left", "right")}
    return [start.with_("toes lifted and spread", **lifted), start.with_("pressed evenly")]


FAMILY = (
    Ladder(
        "standing_foot",
        "Foot in standing",
        "standing",
        "The sole learns where the weight is.",
        setup=("Stand at a worktop, both hands on it, feet bare and hip-wide.",),
        cues=("from heel to ball like a slow wave", "spread before you press"),
        faults=(
            Fault(
                "toes_grip",
                "toes grip",
                "the toes claw the floor",
                "the weight is too far ahead",
                "soft toes, back a little",
                Wrong({"left.toes.extension": -40, "right.toes.extension": -40}),
            ),
            Fault(
                "bends_in_the_hips", "bends in the hips", "the seat goes back instead", "the ankles are stiff", "move as one piece", Wrong({"left.hip.flexion": 24, "right.hip.flexion": 24})
            ),
            KNEE_FALLS_IN, BREATH_HELD,
        ),
        felt="the whole sole, the calf",
        not_felt="cramp that does not ease",
        breath=breath(inhale("to the heels"), back=exhale("to the balls")),
        parameters=ways_to_hold("firm hand", HANDS),
        props=(WORKTOP,),
    )
    .rung(
        "heel_to_ball", "Heel to ball", _rock, Dose(8, 1, 5.0), {"foot": 0.7, "balance": 0.4}, 1, arrow="vertex",
        do=(
            "Hands on the worktop, feet bare.",
            "Let the weight roll from the heels to the balls of the feet like a slow wave.",
            "And back to the heels.",
        ),
    )
    .rung(
        "spread_and_press",
        "Spread and press",
        _spread,
        Dose(6, 1, 5.0),
        {"foot": 0.8, "balance": 0.3},
        1,
        arrow="left.toe_tip",
        do=(
            "Hands on the worktop, weight on both feet.",
            "Spread the toes, then press big toe, little toe and heel of both feet down.",
            "Let go, the toes stay long.",
        ),
    )
    .family()
)
