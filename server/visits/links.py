"""The private link of one client: made, found again by its code, taken back."""

import hashlib
import secrets
from datetime import timedelta

from django.utils import timezone

from accounts.models import User
from clients.models import Client
from visits.models import HomeLink

VALID = timedelta(days=60)  # our choice; then a new one is handed out
# Four groups of letters and digits that are not taken for each other, so that it can be typed from paper: 79 bits.
_LETTERS, _LENGTH, _GROUP = "abcdefghjkmnpqrstuvwxyz23456789", 16, 4


def made_link(client: Client, user: User) -> tuple[HomeLink, str]:
    """A new link and its code, which is kept nowhere; an earlier link of this client is taken back."""
    revoked(client)
    code = "".join(secrets.choice(_LETTERS) for _ in range(_LENGTH))
    code = "-".join(code[i : i + _GROUP] for i in range(0, _LENGTH, _GROUP))
    return HomeLink.objects.create(client=client, fingerprint=_fingerprint(code), made_by=user, expires_on=timezone.localdate() + VALID), code


def revoked(client: Client) -> None:
    client.home_links.filter(revoked_at=None).update(revoked_at=timezone.now())


def open_link_of(client: Client) -> HomeLink | None:
    found = client.home_links.filter(revoked_at=None).order_by("-made_at").first()
    return found if found is not None and found.is_open(timezone.localdate()) else None


def by_code(code: str) -> HomeLink | None:
    """The open link with this code, however it was typed; None for any other."""
    found = HomeLink.objects.select_related("client").filter(fingerprint=_fingerprint(code)).first()
    return found if found is not None and found.is_open(timezone.localdate()) else None


def _fingerprint(code: str) -> str:
    plain = "".join(c for c in code.lower() if c in _LETTERS)
    return hashlib.sha256(plain.encode()).hexdigest()


__all__ = ["by_code", "made_link", "open_link_of", "revoked"]
