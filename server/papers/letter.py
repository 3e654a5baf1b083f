"""The letter to the referrer: limits, tests with their change, the programme, and what we have to ask.

It is in the language of who writes it, for a colleague; what the client reads is in the client's own.
"""

from typing import Any

from django.template.loader import render_to_string
from django.utils.safestring import mark_safe

from amvel.answers.why import asked_about
from amvel.engine import Engine
from amvel.languages import in_language, said
from amvel.screening.changes import changes
from clients.casework import known_verdicts
from clients.models import Client
from papers.hand_out import page_context
from papers.writer import Writer

_STRENGTH = {"forbidden": said("Forbidden"), "limit": said("Limited"), "caution": said("With care")}


def letter_html(client: Client, writer: Writer) -> str:
    """The letter; raises ProgrammeBlocked or NotAllowed."""
    context = page_context(client, writer, pictures=False, language=writer.language)
    engine: Engine = context["engine"]
    own = {
        "birth": engine.case.person.birth_date,
        "conditions": [said(title) for title in dict.fromkeys(c.TITLE for c in engine.case.conditions)],
        "limits": _limits(engine),
        "tests": [_test(t) for t in changes(engine.case)],
        "questions": _questions(engine),
        "asked": _asked(client, engine),
        "whole_minutes": round(context["minutes"]),
        "uncovered": [o for o in context["programme"].answer["obligations"] if o["why_not"]],
    }
    return render_to_string("letter.html", {**context, **in_language(own, writer.language)})


def _asked(client: Client, engine: Engine) -> list[dict[str, Any]]:
    """Pictures of what the clinician is asked about, as far as everything is judged."""
    return [{**a, "svg": mark_safe(a["svg"])} for a in asked_about(engine, known_verdicts(client.latest()))]


def _limits(engine: Engine) -> list[dict[str, Any]]:
    """What binds, strongest first; cautions stand apart as measures on the hand-out."""
    order = list(_STRENGTH)
    found = [x for x in engine.envelope.limits if x.strength != "caution" and not x.only_step]
    return [
        {
            "says": x.says(),
            "strength": _STRENGTH[x.strength],
            "reason": x.reason,
            "source": x.source.told,
            "review_on": x.review_on,
        }
        for x in sorted(found, key=lambda x: (order.index(x.strength), x.id))
    ]


def _test(t) -> dict[str, Any]:
    return {
        "title": t.title,
        "side": said(t.side) if t.side else "",
        "on": t.newest_on,
        "reading": t.reading,
        "change": t.compared.text if t.compared else "",
        "first_on": t.first_on,
    }


def _questions(engine: Engine) -> list[str]:
    """What only a clinician can answer: referrals, and limits that wait for a word."""
    asked = [r.text for r in engine.envelope.referrals]
    asked += [said("May this be eased: {what}? ({waits_for})", what=x.says(), waits_for=x.waits_for) for x in engine.envelope.limits if x.waits_for]
    return list(dict.fromkeys(asked))
