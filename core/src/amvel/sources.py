"""Where a number comes from.

Nothing in Amvel holds a number without a Source.  `from_memory` marks figures quoted without
the publication at hand; `reading` marks figures that are our own reading of a source's words.
"""

from dataclasses import dataclass


@dataclass(frozen=True)
class Source:
    """A citation, and how far the number can be trusted to be the source's own."""

    cite: str
    from_memory: bool = True
    reading: bool = False

    def __post_init__(self) -> None:
        if not self.cite.strip():
            raise ValueError("Source.cite: a number needs a citation")

    def __str__(self) -> str:
        marks = [w for on, w in ((self.reading, "our reading"), (self.from_memory, "from memory")) if on]
        return f"{self.cite} ({', '.join(marks)})" if marks else self.cite


COMMON_PRACTICE = Source("common practice, no source", from_memory=False)
