"""Invitations and passwords: by a link that is mailed, good once and for three days."""

from urllib.parse import urlencode

from django.contrib.auth.password_validation import validate_password
from django.contrib.auth.tokens import default_token_generator
from django.core.exceptions import ValidationError
from django.core.mail import EmailMessage
from django.utils import translation
from django.utils.encoding import force_bytes
from django.utils.http import urlsafe_base64_decode, urlsafe_base64_encode

from accounts.models import User
from amvel.languages import said
from config.speaking import speaking


class PasswordRefused(ValueError):
    """The password is too easy, or the link is used up; the message says which."""


def mail_link(user: User, site: str, invited: bool) -> bool:
    """Send the link; False when there is no address to send it to."""
    if not user.email or not user.is_active:
        return False
    who = urlsafe_base64_encode(force_bytes(user.pk))
    link = f"{site}/welcome?{urlencode({'who': who, 'token': default_token_generator.make_token(user)})}"
    subject = "Your log-in for Amvel" if invited else "A new password for Amvel"
    first = f"{user.organisation} has made a log-in for you: {user.username}." if invited else f"Somebody asked for a new password for {user.username}."
    text = f"{first}\n\nChoose a password here, within three days:\n{link}\n\nIf this was not meant for you, leave it: nothing changes.\n"
    EmailMessage(subject, text, to=[user.email]).send()
    return True


def of_link(who: str, token: str) -> User:
    """The person that a link belongs to; raises PasswordRefused when it is used up, too old or not ours."""
    try:
        user = User.objects.filter(pk=urlsafe_base64_decode(who).decode(), is_active=True).first()
    except (ValueError, ValidationError, UnicodeDecodeError):
        user = None
    if user is None or not default_token_generator.check_token(user, token):
        raise PasswordRefused(said("this link is used up or too old: ask for a new one"))
    return user


def choose(user: User, password: str) -> None:
    """Set it, and end every session that is open; raises PasswordRefused for one that is easy to guess."""
    try:
        with translation.override(speaking.get()):
            validate_password(password, user)
    except ValidationError as error:
        raise PasswordRefused(" ".join(error.messages)) from error
    user.set_password(password)
    user.session_round += 1
    user.save(update_fields=["password", "session_round"])
