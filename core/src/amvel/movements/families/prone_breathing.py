"""Prone breathing: a light weight on the low back."""

from amvel.movements.breath import breath, exhale, inhale
from amvel.movements.declaration import Dose, Fault, Parameter, Setting
from amvel.movements.families.shoulder_blade_slide import _FOREHEAD, _PELVIS, _base
from amvel.movements.faults import BACK_HOLLOWS, BREATH_HELD
from amvel.movements.frames import Frame, Prop
from amvel.movements.ladder import Ladder
from amvel.movements.needs import LIGHT_WEIGHT
from amvel.movements.room_measures import FitId
from amvel.movements.session_part import SessionPart
from amvel.movements.wrong import Wrong


def _plain(s: Setting) -> list[Frame]:
    return [_base(s)]


def _weight(s: Setting) -> list[Frame]:
    force = s.number("weight_kg") * 9.81
    return [_base(s).pull(("waist_back", (0.0, 0.0, -force))).hold(Prop("weight", ("waist_back",), 11))]


_KG = Parameter("weight_kg", "weight on the low back", "kg", 1.5, low=0.5, high=2, grid=0.5, easier="down")
FAMILY = (
    Ladder(
        "prone_breathing",
        "Prone breathing",
        "face down",
        "Breath into the back; a pattern, not strength.",
        part=SessionPart.SETTLES,
        fits=(FitId.CHEST,),
        setup=("Lie face down, a towel under the forehead, a flat cushion under hips and lower ribs.",),
        cues=("breathe into the hands of the weight", "the breath lifts the back of the waist"),
        faults=(
            Fault(
                "breath_stays_high",
                "breath stays high",
                "only the shoulders move",
                "the chest does the work",
                "wait for the breath, longer out", Wrong({"left.scapula.elevation": 16, "right.scapula.elevation": 16}), breath=True),
            BACK_HOLLOWS, BREATH_HELD,
        ),
        felt="the back of the waist widening",
        not_felt="the low back pinching",
        breath_custom=True,
        breath=breath(inhale("to the back of the waist"), back=exhale("long")),
        parameters=(_FOREHEAD, _PELVIS),
    )
    .rung("hands_beside", "Without weight", _plain, Dose(8, 1, 7.0), {"breath": 0.7}, 1,
        do=(
            "Face down on the cushion, hands beside the head.",
            "Breathe {in} until the back of the waist rises; breathe {out} long until it sinks.",
            "Wait for the next breath to come.",
        ),
    )
    .rung(
        "light_weight",
        "Light weight on the low back",
        _weight,
        Dose(8, 1, 7.0),
        {"breath": 0.8},
        1,
        parameters=(_KG, _FOREHEAD, _PELVIS),
        props=(LIGHT_WEIGHT,),
        more_faults=(Fault("buttocks_help", "buttocks help", "the buttocks tighten as the bag rises", "the bag is lifted by muscle and not by air", "a lighter bag; let the breath do it"),),
        do=(
            "Face down on the cushion, a light bag on the low back.",
            "Breathe {in} and lift the bag a little with the breath; breathe {out} long and let it sink.",
            "Nothing else works: the buttocks stay soft.",
        ),
    )
    .family()
)
