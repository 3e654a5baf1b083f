"""The course on paper, for the client and for whoever referred: what was done, what changed, what comes next."""

from typing import Any

from django.template.loader import render_to_string

from amvel.answers.course import CourseData, DoneData, course
from amvel.engine import Engine
from amvel.languages import in_language
from clients.models import Client
from papers.hand_out import page_context
from papers.writer import Writer


def course_html(client: Client, writer: Writer) -> str:
    """The page; raises ProgrammeBlocked, NotAllowed, or Http404 when there is no programme."""
    context = page_context(client, writer, pictures=False)
    engine: Engine = context["engine"]
    found = course(engine)
    own = {"rows": _rows(found), "summary": found["summary"], "tests": found["tests"], "sessions_done": len(found["visits"]), "decisions": _decisions(engine)}
    return render_to_string("course.html", {**context, **in_language(own, context["language"])})


def _rows(found: CourseData) -> list[dict[str, Any]]:
    """Of each movement the first session and the newest one."""
    first: dict[str, tuple[str, DoneData]] = {}
    last: dict[str, tuple[str, DoneData]] = {}
    for v in found["visits"]:
        for m in v["movements"]:
            if m["sides"]:
                first.setdefault(m["family"], (v["on"], m))
                last[m["family"]] = (v["on"], m)
    return [_row(first[f], last[f]) for f in first]


def _row(first: tuple[str, DoneData], last: tuple[str, DoneData]) -> dict[str, Any]:
    (began, a), (newest, b) = first, last
    return {"title": a["family_title"], "began": began, "newest": newest, "step_then": a["title"], "step_now": b["title"], "then": _counts(a), "now": _counts(b)}


def _counts(m: DoneData) -> list[dict[str, Any]]:
    return [{"side": "" if s["side"] == "both" else s["side"], "clean": s["clean"], "target": s["target"]} for s in m["sides"]]


def _decisions(engine: Engine) -> list[dict[str, Any]]:
    """What people decided, newest first."""
    return [{"on": d.on, "answer": d.answer, "reason": d.reason, "by": d.by} for d in sorted(engine.case.decisions, key=lambda d: d.on, reverse=True)]
