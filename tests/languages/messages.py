"""Every message that anybody may be shown, collected from where it stands."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

from amvel import answers
from amvel.case import CONDITIONS, PROPS, RESULTS, Field, form_of
from amvel.case.purposes import PURPOSE_TITLES
from amvel.case.schools import QUESTIONS as SCHOOLS
from amvel.checked import Profession
from amvel.fitting.stacking import STACKABLE, piece
from amvel.languages import Message
from amvel.languages.digits import DECIMALS
from amvel.movements import library
from amvel.movements.faults import OF_EVERY_STEP
from amvel.movements.feedback import STRIP_UNDER_THE_BACK
from amvel.movements.needs import Furniture
from amvel.movements.texts import messages_of
from amvel.planning.tasks import TASKS
from amvel.planning.week import DAYS
from amvel.quantities import REGISTRY
from amvel.safety import envelope, rulebook
from amvel.safety.limits import Place
from amvel.safety.permitted import RANGE_TITLES
from amvel.safety.postures import On, Posture
from amvel.safety.rulebook import example_case
from amvel.safety.ways import techniques
from amvel.screening import find_out, test_library
from amvel.screening.standards import standards
from amvel.screening.stop_signs import QUESTIONS

ROOT = Path(__file__).parents[2]
# What a rule writes: where its sentences stand among the arguments.
_OF_A_PAGE = {"limit": (3,), "forbid": (3,), "care": (3, 4), "cap": (3,), "both_sides": (4,), "for_weeks": (3,), "refer": (1,), "owe": (1, 4)}
# What a source is quoted for, where sources are shown.
_OF_A_SOURCE, _SHOWS_SOURCES = ("says", "ours", "practice"), ("fitting", "planning", "progress", "rules", "safety", "screening", "tests")
_NAMED = ("measure", "reason")
_SAID_IN_TEMPLATE = re.compile(r'{% say "([^"]+)"')


def _calls() -> Iterator[tuple[Path, str, ast.Call]]:
    """Every call in core and server, with the name of what is called."""
    for path in sorted((*(ROOT / "core" / "src").rglob("*.py"), *(ROOT / "server").rglob("*.py"))):
        for node in ast.walk(ast.parse(path.read_text())):
            if isinstance(node, ast.Call):
                yield path, node.func.attr if isinstance(node.func, ast.Attribute) else getattr(node.func, "id", ""), node


def put_together_where_said() -> Iterator[str]:
    """Calls of `said` with a sentence that is made of words only there: no catalogue can know it, and no test misses it."""
    for path, name, node in _calls():
        if name == "said" and node.args and any(isinstance(part, ast.JoinedStr | ast.BinOp) for part in ast.walk(node.args[0])):
            yield f"{path.relative_to(ROOT)}:{node.lineno}"


def in_sources() -> Iterator[str]:
    """The sentence of every `said("…")`, of every measure of care in a rule, and of every `{% say "…" %}`."""
    for path, name, node in _calls():
        yield from _sentences(node.args[0] if name == "said" and node.args else None)
        for at in _OF_A_PAGE.get(name, ()):
            yield from _sentences(node.args[at] if len(node.args) > at else None)
        yield from (x for k in node.keywords if k.arg in _NAMED for x in _sentences(k.value))
        yield from (x for text in node.args for x in _sentences(text) if name == "Slot")
        yield from _sentences(node.args[1] if name == "Fit" and len(node.args) > 1 else None)
        if name in _OF_A_SOURCE and path.parent.name in _SHOWS_SOURCES:
            yield from _sentences(node.args[0] if node.args else None)
    for path in sorted((ROOT / "server" / "templates").glob("*.html")):
        yield from _SAID_IN_TEMPLATE.findall(path.read_text())


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
    yield from (c.ASKS.why for c in CONDITIONS.values())
    yield from (piece.value for piece in Furniture)
    yield from (STRIP_UNDER_THE_BACK.tells, STRIP_UNDER_THE_BACK.misleads)
    yield from (c.WATCH for c in CONDITIONS.values() if c.WATCH)
    yield from (text for f in OF_EVERY_STEP for text in (f.name, f.seen, f.means, f.cue))
    yield from PURPOSE_TITLES.values()
    yield from (task.title for task in TASKS.values())
    yield from Profession
    for question in SCHOOLS.values():
        yield question.title
        yield from (text for option in question.options for text in (option.title, option.why))
    for prop in PROPS.values():
        yield from (prop.title, prop.stand_in)
    for kind in STACKABLE:
        yield from (piece(kind, count).sentence for count in (1, 2))
    yield from DAYS
    for way in techniques():
        yield from (way.title, way.to.says)
    yield from ("left", "right", "forward", "back")
    for model in (*CONDITIONS.values(), *RESULTS.values()):
        yield from _of_a_form(form_of(model))
    for test in test_library().values():
        yield from (*test.protocol, test.measures, test.safety, test.instead, test.unlocks, test.title, test.group, *(o.says for o in test.outcomes))
    for asked in QUESTIONS.values():
        yield from (asked.title, asked.next_step)
    for condition in answers.conditions():
        yield from (condition["title"], condition["group"], condition["about"])
    for rule in rulebook().values():
        yield from (rule.title, rule.about, *(d.when for d in rule.duties), *(e.says for e in rule.examples), *(s.quoted_for for s in rule.sources))
    for owner in (*rulebook().values(), *standards().values()):
        yield from (owner.title, owner.about, *(x for n in owner.numbers for x in (n.says, n.unit, n.source.quoted_for)))
    for test in test_library().values():
        yield test.source.quoted_for
    for q in REGISTRY.values():
        yield from (q.title, q.unit, q.sentence)
    yield from (x.says for x in (*Place, *Posture, *On))
    yield from RANGE_TITLES


def of_rules() -> Iterator[str]:
    """What limits, obligations and referrals say of every rule's own examples, wherever the sentence was put together."""
    for rule in rulebook().values():
        for example in rule.examples:
            found = find_out(example_case(example))
            bound = envelope(found)
            for limit in bound.limits:
                yield from (x for text in (limit.reason, limit.measure, limit.next_grade, limit.source.told) for x in _inside(text))
            for obligation in bound.obligations:
                yield from (x for text in (obligation.title, obligation.reason, obligation.source.told) for x in _inside(text))
            yield from (x for referral in bound.referrals for text in (referral.text, referral.source.told) for x in _inside(text))
            yield from (x for assumption in found.assumptions for x in _inside(assumption.text))


def _inside(text: object) -> Iterator[str]:
    """The sentences that a message is made of, the words in its places too; not what somebody typed."""
    if not isinstance(text, Message):
        return
    if text.parts:
        yield from (x for part in text.parts for x in _inside(part))
        return
    if not isinstance(text.values.get("rest"), Message):
        yield text.sentence
    yield from (x for value in text.values.values() for x in _inside(value))


def _of_a_form(fields: tuple[Field, ...]) -> Iterator[str]:
    for x in fields:
        yield from (x.title, x.unit)
        for value, title in x.choices:
            yield from (title, str(value).replace("_", " "))


def everything() -> list[str]:
    """All of them, each once, in the order in which they stand; what has no word in it says the same everywhere."""
    found = dict.fromkeys(m for m in map(str, (*of_declarations(), *in_sources(), *of_rules())) if re.search(r"[A-Za-z]{2}|\ba\b", re.sub(r"{\w+}", "", m)))
    return [*found, DECIMALS]
