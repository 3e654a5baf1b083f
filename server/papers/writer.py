"""Who writes a paper."""

from dataclasses import dataclass

from amvel.languages.catalogue import SOURCE


@dataclass(frozen=True)
class Writer:
    """The specialist's name, and the language of the writing desk: a letter to a colleague is in it, whatever the client speaks."""

    name: str = ""
    language: str = SOURCE
