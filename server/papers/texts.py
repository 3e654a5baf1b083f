"""The texts that an organisation may write itself, with a few names to be filled in; nothing else is understood.

Jinja's sandbox fills them in from plain strings: a text can neither call anything nor reach anything of the server.
"""

from dataclasses import dataclass

from django.utils.html import escape
from jinja2 import TemplateSyntaxError, meta
from jinja2.sandbox import ImmutableSandboxedEnvironment

from accounts.models import Organisation, User
from amvel.languages import said
from amvel.languages.catalogue import SOURCE
from papers.models import OrganisationText

NAMES = ("name", "minutes", "days", "specialist", "organisation", "date")


@dataclass(frozen=True)
class Slot:
    """One text: where it stands, and what stands there when nobody wrote another."""

    title: str
    where: str
    default: str

    def __post_init__(self) -> None:
        object.__setattr__(self, "title", said(self.title))
        object.__setattr__(self, "where", said(self.where))


SLOTS: dict[str, Slot] = {
    "greeting": Slot(
        "Greeting",
        "hand-out",
        "Dear {{ name }}, these are your exercises: about {{ minutes }} minutes, {{ days }} days a week.",
    ),
    "contact": Slot(
        "Whom to call", "hand-out, fridge sheet", "Ring {{ organisation }} when something is new or worse."
    ),
    "closing": Slot(
        "Closing line",
        "hand-out",
        "This sheet supports the advice of your specialist and does not replace your doctor. If your doctor says otherwise, that counts.",
    ),
    "letter_opening": Slot(
        "Opening of the letter",
        "letter",
        "Thank you for sending {{ name }}. Below are the limits that we keep, what was measured, and the present programme.",
    ),
    "letter_closing": Slot(
        "Closing of the letter",
        "letter",
        "We would be grateful for an answer to the questions above, and for a word if anything changes.",
    ),
}
_LONGEST = 2000
_engine = ImmutableSandboxedEnvironment(autoescape=True)


class TextRefused(ValueError):
    """A text cannot be used; the message says why."""


def check_text(key: str, text: str) -> None:
    """Raise TextRefused for an unknown slot, a block or comment, an unknown name, or anything but a bare name."""
    if key not in SLOTS:
        raise TextRefused(said("key: there is no text '{key}'", key=key))
    if len(text) > _LONGEST:
        raise TextRefused(said("text: at most {longest} characters", longest=_LONGEST))
    if "{%" in text or "{#" in text:
        raise TextRefused(said("text: only names in double braces are filled in, such as {{ name }}"))
    try:
        tree = _engine.parse(text)
    except TemplateSyntaxError as error:
        raise TextRefused(said("text: line {lineno}: {message}", lineno=error.lineno, message=error.message)) from error
    unknown = sorted(meta.find_undeclared_variables(tree) - set(NAMES))
    if unknown:
        raise TextRefused(said("text: '{name}' is not filled in here; known are {names}", name=unknown[0], names=", ".join(NAMES)))
    for part in text.split("{{")[1:]:
        if part.split("}}")[0].strip() not in NAMES:
            raise TextRefused(said("text: a pair of braces holds one name and nothing else"))


def texts_of(organisation: Organisation, language: str = SOURCE) -> dict[str, str]:
    """The text of every slot, the newest version as the organisation wrote it, or the default in this language."""
    found = {key: said(slot.default).in_language(language) for key, slot in SLOTS.items()}
    for own in OrganisationText.objects.filter(organisation=organisation).order_by("number"):
        if own.key in found:
            found[own.key] = own.text
    return found


def keep_text(user: User, key: str, text: str) -> OrganisationText:
    """A new version of a text."""
    check_text(key, text)
    organisation = user.organisation
    newest = OrganisationText.objects.filter(organisation=organisation, key=key).order_by("-number").first()
    return OrganisationText.objects.create(
        organisation=organisation, key=key, number=(newest.number if newest else 0) + 1, text=text, author=user
    )


def filled(texts: dict[str, str], names: dict[str, str]) -> dict[str, str]:
    """Every text with its names filled in, escaped for HTML."""
    return {
        key: _engine.from_string(str(escape(text))).render({n: names.get(n, "") for n in NAMES})
        for key, text in texts.items()
    }
