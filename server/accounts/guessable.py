"""Passwords that are easy to guess, by what is known of broken ones: words, names, dates, patterns and their mixtures."""

from typing import Any

from django.core.exceptions import ValidationError
from zxcvbn import zxcvbn

LEAST = 3  # of 4: "safely unguessable" against somebody who has stolen the hashes slowly
LONGEST = 72  # as far as the estimate looks


class NotGuessable:
    """Estimated offline from lists of passwords that have come out (Wheeler, zxcvbn: USENIX Security 2016; from memory)."""

    def validate(self, password: str, user: Any = None) -> None:
        own = [x for x in (getattr(user, n, "") for n in ("username", "first_name", "last_name", "email")) if x]
        found = zxcvbn(password[:LONGEST], user_inputs=[*own, "amvel"])
        if found["score"] < LEAST:
            why = found["feedback"]["warning"] or "it is easy to guess"
            raise ValidationError(f"This password would be guessed: {why.rstrip('.')}. Take a few words that do not belong together.")

    def get_help_text(self) -> str:
        return "Take a few words that do not belong together."
