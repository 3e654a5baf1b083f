"""Deep abdominal set: a gentle draw of the deep belly wall, felt by the fingertips."""

from amvel.movements.breath import breath, breathe, exhale
from amvel.movements.declaration import Dose, Family, Fault, Parameter, Setting, Step
from amvel.movements.faults import BREATH_HELD
from amvel.movements.feedback import FINGERTIPS
from amvel.movements.frames import Aim, Frame, Touch
from amvel.movements.lying_positions import own_heel_distance_cm, supine_crook
from amvel.movements.session_part import SessionPart
from amvel.movements.sign import Sign
from amvel.movements.wrong import Wrong

_SUCKS = Fault(
    "sucks_in_the_navel",
    "sucks in the navel",
    "the navel is pulled in and the ribs lift",
    "the outer layer works alone",
    "think of the two hip bones drawing together, not of the navel", Wrong({"lower_thoracic.flexion": -14, "lumbar.flexion": -6}),
)
_PUSHES = Fault(
    "pushes_out",
    "pushes out",
    "the belly swells against the fingers",
    "pressure instead of a draw",
    "breathe out first, then narrow the waist", Wrong(domes=True),
)
_BUTTOCKS = Fault(
    "buttocks_clench",
    "buttocks clench",
    "the buttocks tighten or the pelvis tips",
    "more force than the task needs",
    "a third of the effort", Wrong({"lumbar.flexion": 14}),
)


def _frames(s: Setting) -> list[Frame]:
    hands = {
        f"{side}_{k}": v
        for side in ("left", "right")
        for k, v in (
            ("shoulder_flexion", -2.0),
            ("shoulder_abduction", 22.0),
            ("elbow_flexion", 68.0),
            ("shoulder_rotation", 42.0),
            ("forearm_pronation", 20.0),
        )
    }
    frame = supine_crook(s.body, s.number("heel_distance_cm")).with_("fingertips inside the hip bones", **hands)
    frame = frame.free_(
        **{
            f"{side}_{j}": 0.3
            for side in ("left", "right")
            for j in ("shoulder_flexion", "shoulder_abduction", "shoulder_rotation", "elbow_flexion")
        }
    )
    aims = [
        Aim(f"{side}.fingertips", axis, cm, origin=f"{side}.hip_bone", must_hold=False, weight=0.5)
        for side, inward in (("left", -2.5), ("right", 2.5))
        for axis, cm in (("x", -1.0), ("y", inward), ("z", 2.5))
    ]
    elbows = (Touch(f"{side}.elbow_tip", "floor", strategy="rests") for side in ("left", "right"))
    return [frame.touch(*elbows).aim(*aims)]


_HEELS = Parameter(
    "heel_distance_cm",
    "heels from the sit bones",
    "cm",
    own_heel_distance_cm,
    low=22,
    high=44,
    grid=2,
    easier="up",
)
_FEEL = "Fingertips about 2.5 cm in and 2.5 cm down from the front hip bones."


def _step(
    id: str, title: str, extra: tuple[str, ...], cues: tuple[str, ...], dose: Dose, weight: float, effort: float, do: tuple[str, ...], *signs: Sign
) -> Step:
    return Step(
        id,
        title,
        _frames,
        ("Lie on your back, knees bent, feet flat.", _FEEL, *extra),
        cues,
        (_SUCKS, _PUSHES, BREATH_HELD, _BUTTOCKS),
        "a gentle firming under the fingertips",
        "bulging against the fingers, a clenched seat",
        breath(exhale("to draw"), end=breathe("then breathe on quietly while the draw stays")),
        dose,
        {"deep_control": weight, "breath": 0.3},
        effort=effort,
        parameters=(_HEELS,),
        feedback=(FINGERTIPS,),
        do=do,
        signs=(Sign.NARROW, *signs),
    )


_FIRST = _step(
    "draw_on_breath_out",
    "Draw with the breath out",
    (),
    (
        "begin as if to stop the flow, then let the two hip bones draw together",
        "a third of your strength is plenty",
    ),
    Dose(8, 1, 8.0),
    0.8,
    1,
    (
        "Fingertips on the belly wall, two quiet breaths to settle.",
        "Breathe {out}, begin as if to stop the flow, and let the two hip bones draw together until the fingertips feel the wall firm up; if it bulges, use less.",
        "Let go on the breath {in}, and set it anew each time.",
    ),
)
FAMILY = Family(
    "deep_abdominal_set",
    "Deep abdominal set",
    "on the back",
    "The quiet beginning of every other step: the deep wall firms before anything moves.",
    (
        _FIRST,
        _step(
            "hold_while_breathing",
            "Hold while breathing",
            ("Draw, then keep it for two or three breaths.",),
            ("the fingers feel firm, the breath goes on", "renew it each time"),
            Dose(8, 1, 15.0),
            0.9,
            2,
            (
                "Breathe {out}, draw the two hip bones towards each other, and feel the wall firm under the fingertips.",
                "Keep it while two or three easy breaths go on above it; ribs move, the lower belly stays quietly firm.",
                "Let go wholly for one breath before the next.",
            ),
            Sign.BREATH,
        ).watching(Fault("lets_go_with_the_breath_in", "lets go with the breath in", "the wall softens under the fingers as air comes in", "the belly works only with the breath out", "smaller breaths above it, or back to one breath")),
        _step(
            "hold_while_talking",
            "Hold while talking",
            ("Draw, then count aloud to ten.",),
            ("speak in your usual voice", "the belly stays quietly firm"),
            Dose(6, 1, 15.0),
            1.0,
            2,
            (
                "Breathe {out}, draw, and feel it under the fingertips.",
                "Count aloud to ten in your usual voice; the fingers keep feeling the same firmness through every word.",
                "Let go, breathe, and begin anew.",
            ),
            Sign.TALK,
        ).watching(Fault("voice_is_pinched", "voice is pinched", "the voice gets thin or the words stop", "the throat holds instead of the belly", "use less; count more quietly and breathe between the words")),
    ),
    part=SessionPart.SETTLES,
)
