"""Answers in the language that the page asks for: every message in them is said in it before they leave."""

from collections.abc import Callable, Mapping
from functools import wraps
from typing import Any

import ninja
from django.http import HttpRequest
from pydantic import BaseModel

from amvel.languages import in_language
from config.speaking import language_of


def _spoken(view: Callable[..., Any]) -> Callable[..., Any]:
    @wraps(view)
    def answer(request: HttpRequest, *args: Any, **kwargs: Any) -> Any:
        found, language = view(request, *args, **kwargs), language_of(request)
        if isinstance(found, ninja.Status):
            return ninja.Status(found.status_code, _said(found.value, language))
        return _said(found, language)

    return answer


def _said(answer: Any, language: str) -> Any:
    """A schema that was put together without validation still holds its messages; it is validated when it leaves."""
    return in_language(_opened(answer), language)


def _opened(answer: Any) -> Any:
    """Schemas as mappings, those inside lists and other schemas too."""
    if isinstance(answer, BaseModel):
        return {name: _opened(value) for name, value in answer}
    if isinstance(answer, Mapping):
        return {name: _opened(value) for name, value in answer.items()}
    if isinstance(answer, list):
        return [_opened(value) for value in answer]
    return answer


class Router(ninja.Router):
    """Ninja's router, whose answers are said in the language of the request."""

    def add_api_operation(self, path: str, methods: Any, view_func: Callable[..., Any], **more: Any) -> None:
        super().add_api_operation(path, methods, _spoken(view_func), **more)


__all__ = ["Router", "language_of"]
