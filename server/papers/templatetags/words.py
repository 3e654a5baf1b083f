"""What a paper says, in the language of the client who reads it: {% say "Session {letter}" letter=s.id %}."""

from datetime import date
from typing import Any

from django import template
from django.utils.html import conditional_escape
from django.utils.safestring import SafeString, mark_safe

from amvel.languages import day_in, said
from amvel.languages.days import Length

register = template.Library()


@register.simple_tag(takes_context=True)
def say(context: template.Context, sentence: str, **values: Any) -> SafeString:
    """The sentence with its values, in the language of the page."""
    return mark_safe(conditional_escape(said(sentence, **values).in_language(context["language"])))


@register.simple_tag(takes_context=True)
def day(context: template.Context, on: date, length: Length = "long") -> str:
    """A day as it is written in the language of the page."""
    return day_in(context["language"], on, length)
