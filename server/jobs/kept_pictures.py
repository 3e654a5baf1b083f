"""Drawings that one process has made, for all that draw the same: a session is drawn once a programme, not once a visit."""

import hashlib
import json
import zlib

import structlog
from django.utils import timezone

from jobs.models import KeptPicture

log = structlog.get_logger(__name__)


class KeptPictures:
    """A store of drawings in the database (amvel.movements.kept_pictures)."""

    def find(self, body: str, name: str) -> list[str] | None:
        kept = KeptPicture.objects.filter(digest=digest_of(body, name)).first()
        if kept is None:
            return None
        today = timezone.localdate()
        if kept.used_on != today:
            KeptPicture.objects.filter(pk=kept.pk).update(used_on=today)
        try:
            drawn: list[str] = json.loads(zlib.decompress(bytes(kept.drawn)))
        except (zlib.error, ValueError):
            log.exception("a kept drawing cannot be read: it is drawn anew")
            return None
        return drawn

    def keep(self, body: str, name: str, drawn: list[str]) -> None:
        packed = zlib.compress(json.dumps(drawn, ensure_ascii=False).encode())
        KeptPicture.objects.update_or_create(digest=digest_of(body, name), defaults={"drawn": packed, "used_on": timezone.localdate()})


def digest_of(body: str, name: str) -> str:
    """What a drawing is kept under."""
    return hashlib.sha256(f"{body} {name}".encode()).hexdigest()[:40]


__all__ = ["KeptPictures", "digest_of"]
