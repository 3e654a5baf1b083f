"""What counts as a mail address, wherever one is entered."""

from typing import Annotated

from django.core.exceptions import ValidationError
from django.core.validators import validate_email
from pydantic import AfterValidator, Field

from amvel.case.faults import fault
from amvel.languages import said

LONGEST = 200


def mail_address(text: str) -> str:
    """The same address; raises ValueError for what is none, or has signs in it that break the head of a mail."""
    try:
        validate_email(text)
    except ValidationError as error:
        raise fault(said("this is no mail address")) from error
    if not text.isprintable():
        raise fault(said("this is no mail address"))
    return text


MailAddress = Annotated[str, Field(max_length=LONGEST, json_schema_extra={"format": "email"}), AfterValidator(mail_address)]

__all__ = ["MailAddress", "mail_address"]
