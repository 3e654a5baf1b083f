"""What is said, in English where it stands and in other languages from a catalogue.

A message is its English sentence with named places: `said("Seat of {height_cm} cm", height_cm=46)`.  It reads in English
like any string, and keeps sentence and values apart, so that `in_language` can say it in another language at the border:
on paper, on a page, in a letter.  Catalogues are gettext's: `de.po`, an entry for each English sentence.
"""

from amvel.languages.catalogue import LANGUAGES, Language, catalogue, is_language
from amvel.languages.days import day_in
from amvel.languages.digits import as_entered, to_decimals
from amvel.languages.message import Message, in_language, kept, said, said_together, term, told

__all__ = ["LANGUAGES", "Language", "Message", "as_entered", "catalogue", "day_in", "in_language", "is_language", "kept", "said", "said_together", "term", "to_decimals", "told"]
