"""What pictures cost in a PDF: the hand-out with them against the same pages without."""

import json
import os
import re
import statistics
import sys
from pathlib import Path
from time import perf_counter

RUNS = 3
ROOT = Path(__file__).resolve().parent.parent


def paper_line() -> str:
    """One line: a programme of eight movements, made into a PDF by the server's own template; no database."""
    drawn, bare = pages()
    times = {name: [_seconds(lambda page=page: pdf_of(page)) for _ in range(RUNS)] for name, page in (("drawn", drawn), ("bare", bare))}
    full, without = (statistics.median(times[n]) for n in ("drawn", "bare"))
    return f"hand-out PDF: with pictures / without                           {full / without:6.2f}  (aim: 2 or less)"


def pages() -> tuple[str, str]:
    """The hand-out with its drawings, and the same without."""
    django_ready()
    from django.template.loader import render_to_string

    from amvel import answers
    from amvel.answers.programmes import item_from
    from amvel.case import read_case
    from amvel.engine import Engine
    from amvel.planning import plan
    from papers.hand_out import _fonts, _movement

    engine = Engine(read_case(json.loads((ROOT / "demo" / "cases" / "low-bone-mass.json").read_text())))
    answer = answers.programme_data(plan(engine, "home"), engine)
    room = engine.case.room_for("home")
    movements = [_movement(engine, item_from(m), room, pictures=True, language="en") for m in answer["movements"]]
    html = render_to_string(
        "hand_out.html",
        {
            "name": "Bench",
            "language": "en",
            "movements": movements,
            "minutes": answer["minutes"],
            "days": 4,
            "day": engine.case.as_of,
            "fonts": _fonts(),
            "texts": {},
            "programme": {"number": 1, "rulebook_version": "", "case_digest": ""},
        },
    )
    return html, re.sub(r"<svg.*?</svg>", "", html, flags=re.DOTALL)


def pdf_of(page: str) -> bytes:
    """The page as the server makes it into a PDF."""
    django_ready()
    from papers.hand_out import pdf_of as as_served

    return as_served(page)


def django_ready() -> None:
    """The server's code can be read in this process."""
    if str(ROOT / "server") in sys.path:
        return
    sys.path.insert(0, str(ROOT / "server"))
    os.environ.setdefault("AMVEL_SECRET_KEY", "only-for-the-bench")
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings")
    import django

    django.setup()


def _seconds(work) -> float:
    start = perf_counter()
    work()
    return perf_counter() - start
