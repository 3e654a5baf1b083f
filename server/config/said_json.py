"""A column for answers of the core: JSON in which messages stay messages, so that they can be said in any language later."""

from typing import Any

from django.db import models

from amvel.languages import kept, told


class SaidJSONField(models.JSONField):
    """Django's JSON column; messages are stored as their parts and come back as messages.  What is stored as plain text stays so."""

    def get_db_prep_value(self, value: Any, connection: Any, prepared: bool = False) -> Any:
        return super().get_db_prep_value(kept(value), connection, prepared)

    def from_db_value(self, value: Any, expression: Any, connection: Any) -> Any:
        return told(super().from_db_value(value, expression, connection))

    def deconstruct(self) -> Any:
        """For migrations it is Django's own: nothing differs in the database."""
        name, _, args, kwargs = super().deconstruct()
        return name, "django.db.models.JSONField", args, kwargs


__all__ = ["SaidJSONField"]
