"""A name as words, in the database: what the index over names holds and what a search asks."""

from django.contrib.postgres.search import SearchVector
from django.db.models import F, Func, Value

# Marks inside names part words here, on both sides: the parser of PostgreSQL reads "St.Anne" as an address and keeps it whole.
PARTS_WORDS = r"[-.,;:'’`´_/@()&]+"


def name_words() -> SearchVector:
    """One expression for the index and for the search: PostgreSQL uses the index only for the very same one."""
    spaced = Func(F("name"), Value(PARTS_WORDS), Value(" "), Value("g"), function="regexp_replace")
    return SearchVector(spaced, config="simple")
