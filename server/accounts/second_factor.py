"""A second factor: a code that changes every half minute (TOTP, RFC 6238), and codes to write down for the day the device is lost."""

from base64 import b32encode
from dataclasses import dataclass

import segno
from django.db import transaction
from django_otp.plugins.otp_static.models import StaticDevice, StaticToken
from django_otp.plugins.otp_totp.models import TOTPDevice

from accounts.models import User
from amvel.languages import said

RECOVERY_CODES = 8


class CodeRefused(ValueError):
    """The code is wrong, used up, or there were too many wrong ones; the message says which."""


@dataclass(frozen=True)
class Begun:
    """What a device is told once: the secret to type in, and the same as a picture (SVG)."""

    secret: str
    picture: str


def has_second_factor(user: User) -> bool:
    return TOTPDevice.objects.devices_for_user(user, confirmed=True).exists()


def begin(user: User) -> Begun:
    """A new secret; it counts from its first right code on.  Raises CodeRefused where one counts already."""
    if has_second_factor(user):
        raise CodeRefused(said("there is a second factor already: take it away first"))
    with transaction.atomic():
        TOTPDevice.objects.filter(user=user).delete()
        device = TOTPDevice.objects.create(user=user, name="app", confirmed=False)
    picture = segno.make(device.config_url, error="m").svg_inline(scale=5, border=2, dark="#1F2A30", light="#ffffff")
    return Begun(_readable(device), picture)


def _readable(device: TOTPDevice) -> str:
    """The secret as devices ask for it: base 32, in groups of four."""
    text = b32encode(device.bin_key).decode().rstrip("=")
    return " ".join(text[i : i + 4] for i in range(0, len(text), 4))


def confirm(user: User, code: str) -> list[str]:
    """From now on it counts; gives the codes to write down.  Raises CodeRefused."""
    device = TOTPDevice.objects.filter(user=user, confirmed=False).first()
    if device is None:
        raise CodeRefused(said("begin anew: there is nothing to confirm"))
    _check(device, code)
    with transaction.atomic():
        device.confirmed = True
        device.save(update_fields=["confirmed"])
        StaticDevice.objects.filter(user=user).delete()
        written = StaticDevice.objects.create(user=user, name="written down")
        codes = [StaticToken.random_token() for _ in range(RECOVERY_CODES)]
        StaticToken.objects.bulk_create(StaticToken(device=written, token=c) for c in codes)
    return codes


def pass_with(user: User, code: str) -> None:
    """Raise CodeRefused unless this is the code of now, or one that was written down; each is good once."""
    devices = [*TOTPDevice.objects.devices_for_user(user, confirmed=True), *StaticDevice.objects.devices_for_user(user)]
    refused: CodeRefused | None = None
    for device in devices:
        try:
            _check(device, code)
        except CodeRefused as error:
            refused = refused or error
            continue
        return
    raise refused or CodeRefused(said("there is no second factor"))


def _check(device: TOTPDevice | StaticDevice, code: str) -> None:
    """One device; after a wrong code it waits, each time longer."""
    if not device.verify_is_allowed()[0]:
        raise CodeRefused(said("too many wrong codes: wait a little"))
    if not device.verify_token(code.replace(" ", "").strip().lower()):
        raise CodeRefused(said("the code is wrong, or was used already"))


def codes_left(user: User) -> int:
    return StaticToken.objects.filter(device__user=user).count()


def take_away(user: User) -> None:
    with transaction.atomic():
        TOTPDevice.objects.filter(user=user).delete()
        StaticDevice.objects.filter(user=user).delete()
