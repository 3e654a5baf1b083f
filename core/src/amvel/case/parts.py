"""What every part of a case shares: strict fields, sides, and how a field asks for itself on a screen."""

from typing import Any, ClassVar, Literal

from pydantic import BaseModel, ConfigDict, Field

from amvel.languages import said

Side = Literal["left", "right"]
SIDE_SAID = {"left": said("left side"), "right": said("right side")}
Sex = Literal["female", "male"]
SPINE_LEVELS = (
    *(f"C{i}" for i in range(1, 8)),
    *(f"T{i}" for i in range(1, 13)),
    *(f"L{i}" for i in range(1, 6)),
    "S1",
)
SpineLevel = Literal[
    "T1", "T2", "T3", "T4", "T5", "T6", "T7", "T8", "T9", "T10", "T11", "T12", "L1", "L2", "L3", "L4", "L5", "S1",
]  # fmt: skip


class Part(BaseModel):
    """Unknown fields are refused, and nothing changes once it is read."""

    model_config = ConfigDict(extra="forbid", frozen=True)


class Titled(Part):
    """A part with a name, an optional group and examples of its own that every sweep of tests and reports runs."""

    TITLE: ClassVar[str] = ""
    GROUP: ClassVar[str] = ""
    EXAMPLES: ClassVar[tuple[dict[str, Any], ...]] = ()


def ask(
    title: str,
    unit: str = "",
    *,
    default: Any = ...,
    titles: dict[str, str] | None = None,
    asked: bool = False,
    **bounds: Any,
) -> Any:
    """A field that can be asked for: its question, unit, and words of its choices.

    A form begins with the default, which counts where nothing is said; without one it begins with no answer at all, since one
    that nobody gave looks like one that was given.  `asked` is a choice or number that a form does not begin with either, though a file
    may leave it out: its default would say that all is well.  So is every yes or no.
    """
    extra: dict[str, Any] = {"unit": unit, "titles": titles or {}, **({"asked": True} if asked else {})}
    return Field(default=default, title=title, json_schema_extra=extra, **bounds)


def side(title: str = "Side") -> Any:
    """Which side of the body."""
    return ask(title, titles={"left": "Left", "right": "Right"})
