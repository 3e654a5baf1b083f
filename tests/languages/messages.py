"""Every message that a client may be shown, collected from where it stands."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

from amvel.case import CONDITIONS, PROPS
from amvel.fitting.stacking import STACKABLE, piece
from amvel.movements import library
from amvel.movements.texts import messages_of
from amvel.planning.week import DAYS
from amvel.safety.ways import TECHNIQUES

ROOT = Path(__file__).parents[2]
_SAID_IN_TEMPLATE = re.compile(r'{% say "([^"]+)"')


def in_sources() -> Iterator[str]:
    """The sentence of every `said("…")`, of every measure of care in a rule, and of every `{% say "…" %}`."""
    for path in sorted((*(ROOT / "core" / "src").rglob("*.py"), *(ROOT / "server").rglob("*.py"))):
        for node in ast.walk(ast.parse(path.read_text())):
            if not isinstance(node, ast.Call):
                continue
            name = node.func.attr if isinstance(node.func, ast.Attribute) else getattr(node.func, "id", "")
            yield from _sentences(node.args[0] if name == "said" and node.args else None)
            yield from _sentences(_measure(node) if name == "care" else None)
            yield from _sentences(node.args[2] if name == "Slot" else None)
    for path in sorted((ROOT / "server" / "templates").glob("*.html")):
        yield from _SAID_IN_TEMPLATE.findall(path.read_text())


def _measure(call: ast.Call) -> ast.expr | None:
    return call.args[4] if len(call.args) > 4 else next((k.value for k in call.keywords if k.arg == "measure"), None)


def _sentences(node: ast.expr | None) -> Iterator[str]:
    if isinstance(node, ast.Constant) and isinstance(node.value, str):
        yield node.value
    if isinstance(node, ast.IfExp):
        yield from _sentences(node.body)
        yield from _sentences(node.orelse)


def of_declarations() -> Iterator[str]:
    """What stands in declarations and is said as it stands there."""
    for family in library().values():
        yield from map(str, messages_of(family))
    yield from (c.WATCH for c in CONDITIONS.values() if c.WATCH)
    for prop in PROPS.values():
        yield from (prop.title, prop.stand_in)
    for kind in STACKABLE:
        yield from (piece(kind, count).sentence for count in (1, 2))
    yield from DAYS
    for way in TECHNIQUES:
        yield from (way.title, way.to.says)
    yield from ("left side", "right side", "left", "right", "forward", "back")


def for_clients() -> list[str]:
    """All of them, each once, in the order in which they stand; what has no letter in it says the same everywhere."""
    found = dict.fromkeys(m for m in (*of_declarations(), *in_sources()) if re.search(r"[A-Za-z]{2}", re.sub(r"{\w+}", "", m)))
    return list(found)
