"""The fridge sheet: each session on one page, pictures first, to hang where it is seen."""

from typing import Any

from django.template.loader import render_to_string

from amvel.languages import said
from amvel.planning.week import DAYS
from clients.models import Client
from papers.hand_out import page_context
from papers.schedule import week_of
from papers.writer import Writer

_SMALL = 6  # from so many movements on the pictures get smaller


def fridge_html(client: Client, writer: Writer) -> str:
    """A page for each session; raises ProgrammeBlocked or NotAllowed."""
    context = page_context(client, writer)
    week = week_of(context["engine"], context["programme"])
    full = {s.day: s for s in week.sessions if not s.light}
    several = len(context["sessions"]) > 1
    days = [
        {
            "title": said(title).in_language(context["language"])[:2],
            "at": full[d].at.isoformat("minutes") if d in full else "",
            "letter": full[d].letter if d in full and several else "",
            "numbers": [r + 1 for r in full[d].rows] if d in full else [],
        }
        for d, title in enumerate(DAYS)
    ]
    light = next((s for s in week.sessions if s.light), None)
    return render_to_string(
        "fridge.html",
        {
            **context,
            "pages": _pages(context),
            "week": days,
            "light": {"at": light.at.isoformat("minutes"), "said": ", ".join(str(r + 1) for r in light.rows)} if light else None,
        },
    )


def _pages(context: dict[str, Any]) -> list[dict[str, Any]]:
    """The movements of each session with their numbers, and how large their cards may be."""
    numbered = list(enumerate(context["movements"], 1))
    sessions = context["sessions"] or [{"id": "", "numbers": [n for n, _ in numbered]}]
    return [_page(s["id"], [(n, m) for n, m in numbered if n in s["numbers"]]) for s in sessions]


def _page(letter: str, cards: list[tuple[int, dict[str, Any]]]) -> dict[str, Any]:
    count = len(cards)
    high_mm = 58 if count <= 4 else 50 if count <= _SMALL else 46
    return {
        "letter": letter,
        "cards": cards,
        "card_mm": 93 if count <= 4 else 60.6 if count <= _SMALL else 44.5,
        "high_mm": high_mm,
        "half_mm": high_mm / 2 - 3,  # two pictures where the sides are set up differently
        "size_pt": 13 if count <= _SMALL else 11,
    }
