"""In which language a request is answered."""

from contextvars import ContextVar

from babel.core import negotiate_locale
from django.http import HttpRequest
from django.utils.translation.trans_real import parse_accept_lang_header

from amvel.languages import LANGUAGES
from amvel.languages.catalogue import SOURCE

# Of the request that is being answered; refusals are put together where nobody hands the request on.
speaking: ContextVar[str] = ContextVar("speaking", default=SOURCE)


def language_of(request: HttpRequest) -> str:
    """The first language of Accept-Language in which something is said here; English where none is."""
    wanted = [name for name, _ in parse_accept_lang_header(request.headers.get("Accept-Language", ""))]
    return negotiate_locale(wanted, LANGUAGES, sep="-") or SOURCE
