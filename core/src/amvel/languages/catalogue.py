"""The catalogues: one gettext file for each language beside English."""

from functools import lru_cache
from pathlib import Path
from typing import Literal, get_args

from babel.messages.pofile import read_po

Language = Literal["en", "de"]
LANGUAGES: tuple[str, ...] = get_args(Language)
SOURCE: Language = "en"  # the language in which everything is written
_FOLDER = Path(__file__).parent


def is_language(name: str) -> bool:
    return name in LANGUAGES


@lru_cache(maxsize=4)
def catalogue(language: str) -> dict[str, str]:
    """English sentence to the sentence of this language; empty for English.  Raises ValueError for one that is not there."""
    if not is_language(language):
        raise ValueError(f"language: there is no '{language}'; known are {', '.join(LANGUAGES)}")
    if language == SOURCE:
        return {}
    with (_FOLDER / f"{language}.po").open("rb") as file:
        return {str(m.id): str(m.string) for m in read_po(file, locale=language) if m.id and m.string}


__all__ = ["LANGUAGES", "SOURCE", "Language", "catalogue", "is_language"]
