"""Nervous system and senses."""

from typing import Literal, get_args

from amvel.case.affected import NOTHING, Affected, of
from amvel.case.condition import Asks, Condition
from amvel.case.parts import Side, ask, side
from amvel.case.traits import Trait, having

GROUP = "Nerves and senses"
CordLevel = Literal[
    "C4",
    "C5",
    "C6",
    "C7",
    "C8",
    "T1",
    "T2",
    "T3",
    "T4",
    "T5",
    "T6",
    "T7",
    "T8",
    "T9",
    "T10",
    "T11",
    "T12",
    "L1",
    "L2",
    "L3",
    "L4",
    "L5",
]


Walks = Literal["freely", "with_an_aid", "a_few_steps"]
WALKS_SAYS = {"with_an_aid": "With an aid", "a_few_steps": "A few steps"}
CORD_LEVELS: tuple[str, ...] = get_args(CordLevel)


class Parkinson(Condition):
    WATCH = "your feet stick to the floor: stop, stand tall, begin again with a big step"
    TITLE, GROUP = "Parkinson’s disease", GROUP
    AFFECTS = of(Affected.NERVES)
    TRAITS = having(Trait.NEEDS_RESTS)
    EXAMPLES = ({"freezing": True, "good_from_hour": 10, "good_to_hour": 12},)
    SNOMED = "49049000"
    kind: Literal["parkinson"]
    freezing: bool = ask("Steps freeze", default=False)
    stage: int | None = ask("Stage (Hoehn and Yahr)", "1–5", default=None, ge=1, le=5)
    good_from_hour: int | None = ask("Medicine works from", "h", default=None, ge=0, le=24)
    good_to_hour: int | None = ask("until", "h", default=None, ge=0, le=24)


class MultipleSclerosis(Condition):
    WATCH = "your legs get weaker or your sight blurs: rest somewhere cool"
    ASKS = Asks(("balance",), "balance with multiple sclerosis")
    TITLE, GROUP = "Multiple sclerosis", GROUP
    AFFECTS = of(Affected.NERVES)
    TRAITS = having(Trait.NEEDS_RESTS)
    EXAMPLES = ({},)
    SNOMED = "24700007"
    kind: Literal["multiple_sclerosis"]
    heat_sensitive: bool = ask("Heat makes it worse", default=True)
    walks: Walks | None = ask("Walks", default=None, titles=WALKS_SAYS)


class Stroke(Condition):
    WATCH = "the weak side gets weaker, or the shoulder hurts"
    ASKS = Asks(("balance", "leg_loading"), "both legs under load after a stroke")
    TITLE, GROUP = "Stroke", GROUP
    AFFECTS = of(Affected.NERVES)
    TRAITS = having(Trait.NEEDS_RESTS, Trait.PARESIS, Trait.NO_EXHAUSTION)
    EXAMPLES = ({"side": "left", "shoulder": "painful"},)
    SNOMED = "230690007"
    kind: Literal["stroke"]
    side: Side = side("Weaker side")
    shoulder: Literal["free", "painful", "uncontrolled"] = ask("That shoulder")


class SpinalCordInjury(Condition):
    WATCH = "your head pounds, or you sweat and flush: sit up and get help at once"
    TITLE, GROUP = "Spinal cord injury", GROUP
    AFFECTS = of(Affected.NERVES, Affected.TRUNK)
    STOP_SIGNS = ("autonomic_dysreflexia",)
    TRAITS = having(Trait.LEGS_LOSE_BONE)
    EXAMPLES = ({"level": "T4", "own_systolic_mmhg": 100}, {"level": "L2"})
    SNOMED = "90584004"
    kind: Literal["spinal_cord_injury"]
    level: CordLevel = ask("Level")
    complete: bool = ask("Complete", default=True)
    own_systolic_mmhg: int | None = ask("Own usual systolic", "mmHg", default=None, ge=60, le=180)

    def at_or_above(self, level: str) -> bool:
        return CORD_LEVELS.index(self.level) <= CORD_LEVELS.index(level)

    def paralyses_the_trunk(self) -> bool:
        return self.at_or_above("T12")


class Neuropathy(Condition):
    WATCH = "you find a red or sore spot on a foot"
    ASKS = Asks(("balance", "foot"), "feet that feel less")
    TITLE, GROUP = "Numb feet", GROUP
    AFFECTS = of(Affected.LEGS)
    EXAMPLES = ({},)
    kind: Literal["neuropathy"]


class MuscleDisease(Condition):
    WATCH = "you are weaker the next day, or the urine is dark"
    TITLE, GROUP = "Muscle disease", GROUP
    AFFECTS = of(Affected.NERVES)
    TRAITS = having(Trait.NEEDS_RESTS, Trait.NO_EXHAUSTION)
    EXAMPLES = ({},)
    kind: Literal["muscle_disease"]
    walks: Walks | None = ask("Walks", default=None, titles=WALKS_SAYS)


class Epilepsy(Condition):
    WATCH = "you feel a fit coming: lie down on the floor"
    TITLE, GROUP = "Epilepsy", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    SNOMED = "84757009"
    kind: Literal["epilepsy"]


class CognitiveImpairment(Condition):
    TITLE, GROUP = "Memory and thinking", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({"severity": "moderate"},)
    kind: Literal["cognitive_impairment"]
    severity: Literal["mild", "moderate", "severe"] = ask("How much")


class Vertigo(Condition):
    WATCH = "the room turns: hold on and sit down"
    TITLE, GROUP = "Dizziness with head movement", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    kind: Literal["vertigo"]
    sudden: bool = ask("New, or suddenly worse", default=False)


class LowVision(Condition):
    TITLE, GROUP = "Low vision", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    kind: Literal["low_vision"]


class HearingLoss(Condition):
    TITLE, GROUP = "Hearing loss", GROUP
    AFFECTS = NOTHING
    EXAMPLES = ({},)
    SNOMED = "15188001"
    kind: Literal["hearing_loss"]
    sudden: bool = ask("New, or suddenly worse", default=False)


class WheelchairUser(Condition):
    TITLE, GROUP = "Uses a wheelchair", GROUP
    AFFECTS = of(Affected.TRUNK)
    EXAMPLES = ({"transfers": "with_help"},)
    kind: Literal["wheelchair_user"]
    transfers: Literal["alone", "with_help", "hoist"] = ask("Moves over")
