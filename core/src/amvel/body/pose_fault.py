"""Why a body cannot take a pose: one class for each reason, with what a developer and what a specialist reads of it."""

from abc import ABC, abstractmethod
from dataclasses import dataclass

from amvel.languages import Message, said


@dataclass(frozen=True)
class PoseFault(ABC):
    """`pose` is the frame in which it is seen."""

    pose: str

    @abstractmethod
    def plain(self) -> Message:
        """The reason in the words of whoever works with the client."""


@dataclass(frozen=True)
class _Open(PoseFault):
    aim: str
    gap_m: float
    ended: tuple[str, ...] = ()  # joints that gave and have reached their stop

    def __str__(self) -> str:
        why = f" ({', '.join(self.ended)} at the end)" if self.ended else ""
        return f"{self.pose}: '{self.aim}' stays {self.gap_m * 1000:.0f} mm from where it must be{why}"


class OutOfReach(_Open):
    """A contact or an aim that the joints do not let the body meet."""

    def plain(self) -> Message:
        return said("the joints do not reach: {aim}", aim=_words(self.aim))


class WeightNotOverFeet(_Open):
    """The centre of mass cannot be brought over what carries it."""

    def plain(self) -> Message:
        return said("the weight cannot be brought over the feet from here")


@dataclass(frozen=True)
class UnderTheFloor(PoseFault):
    """The contacts hold, but a part of the body would be under the floor."""

    part: str
    depth_m: float

    def __str__(self) -> str:
        return f"{self.pose}: '{self.part}' would be {self.depth_m * 1000:.0f} mm under the floor"

    def plain(self) -> Message:
        return said("the joints do not let this be taken on the floor: the {part} would end under it", part=_words(self.part))


@dataclass(frozen=True)
class PelvisTips(PoseFault):
    """A pelvis that was declared level tips to the side."""

    tip_deg: float

    def __str__(self) -> str:
        return f"{self.pose}: the pelvis would tip {self.tip_deg:.0f}° to the side"

    def plain(self) -> Message:
        return said("the joints do not let the pelvis stay level here: it would tip {tip_deg}° to the side", tip_deg=round(self.tip_deg))


@dataclass(frozen=True)
class ShortOfAsked(PoseFault):
    """The pose does not have the angle that its parameter promises."""

    parameter: str
    asked_deg: float
    off_deg: float

    def __str__(self) -> str:
        return f"{self.pose}: '{self.parameter}' is {self.off_deg:.0f}° from the {self.asked_deg:g}° that were asked"

    def plain(self) -> Message:
        return said(
            "the joints do not go so far: '{parameter}' is {off_deg}° from the {asked_deg}° that were asked",
            parameter=self.parameter,
            off_deg=round(self.off_deg),
            asked_deg=round(self.asked_deg, 1),
        )


@dataclass(frozen=True)
class Falls(PoseFault):
    """No push of the supports balances the pose."""

    def __str__(self) -> str:
        return f"{self.pose}: the supports cannot balance this pose"

    def plain(self) -> Message:
        return said("no support can balance this position: it would end in a fall")


def plain_fault(fault: PoseFault | None) -> Message | str:
    """Why a body cannot take a pose, in words; '' when it can."""
    return fault.plain() if fault else ""


def _words(name: str) -> str:
    return name.replace(".", " ").replace("_", " ")


__all__ = [
    "Falls",
    "OutOfReach",
    "PelvisTips",
    "PoseFault",
    "ShortOfAsked",
    "UnderTheFloor",
    "WeightNotOverFeet",
    "plain_fault",
]
