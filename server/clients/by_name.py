"""Finding people by name: what is typed are beginnings of words, in any order, as far as they are typed."""

import re

from django.contrib.postgres.search import SearchQuery
from django.db.models import QuerySet

from clients.models import Client
from clients.name_words import PARTS_WORDS, name_words


def named(clients: QuerySet[Client], typed: str) -> QuerySet[Client]:
    """Those of `clients` in whose name every word of `typed` begins a word; all of them when nothing is typed."""
    if not typed.strip():
        return clients
    words = re.findall(r"\w+", re.sub(PARTS_WORDS, " ", typed))
    if not words:
        return clients.none()
    query = SearchQuery(" & ".join(f"'{w}':*" for w in words), config="simple", search_type="raw")
    return clients.alias(words=name_words()).filter(words=query)
