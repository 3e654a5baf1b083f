"""A long answer as it leaves: put into the language of whoever asks once, not for every request that gets the same."""

import json
from collections import OrderedDict
from collections.abc import Callable
from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import Schema

from amvel.languages import in_language
from api.spoken import language_of
from jobs.asking import Question

_MOST = 32  # some hundred kilobytes each
_said: "OrderedDict[tuple[Any, ...], bytes]" = OrderedDict()


def in_words(request: HttpRequest, question: Question, model: type[Schema], about: dict[str, Any], answer: Callable[[], dict[str, Any]]) -> HttpResponse:
    """`about` and the answer together as `model`; whatever raises NotYet does so here.

    The digest of a question names all that could change its answer; the day is in the key so that an answer counts as used.
    Whom it is said of may change without it.
    """
    key = (str(question.organisation.pk), question.work, question.digest, str(question.day), language_of(request))
    rest = _said.get(key)
    if rest is None:
        said = in_language({**about, **answer()}, language_of(request))
        rest = _said[key] = model.model_validate(said).model_dump_json(exclude=set(about)).encode()
    _said.move_to_end(key)
    while len(_said) > _MOST:
        _said.popitem(last=False)
    return HttpResponse(json.dumps(about).encode()[:-1] + b"," + rest[1:], content_type="application/json; charset=utf-8")


__all__ = ["in_words"]
