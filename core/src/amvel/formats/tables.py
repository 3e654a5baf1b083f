"""Tests and visits as tables (CSV, RFC 4180), back again, and the dictionary that says what every column means, in
English like the names of the columns.

Tests are long: one row a field, since every test has its own fields.  Visits have one row a set; cues, symptoms and the comparison
of sides have no columns and travel in the client's file only.
"""

import csv
import io
from collections.abc import Iterable, Iterator, Mapping, Sequence
from typing import Any

from pydantic import ValidationError

from amvel.case import RESULTS, Result, form_of
from amvel.case.faults import faults_of
from amvel.case.visits import MovementDone, Visit
from amvel.languages import said

Fault = tuple[str, str]
MOST_ROWS = 50_000
_TESTS: Mapping[str, str] = {
    "result": "number of the result in this table; the rows of one result share it",
    "on": "day of the test, as in 2026-11-27",
    "test": "which test",
    "field": "which field of it",
    "value": "the value; several values of one field stand in several rows",
    "unit": "its unit",
}
_VISITS: Mapping[str, str] = {
    "visit": "id that the device gave the visit",
    "on": "day of the visit, as in 2026-11-27",
    "context": "in the visit, or at home",
    "by": "who logged it",
    "session": "letter of the session",
    "effort_0_to_10": "effort of the whole, 0 to 10",
    "soreness_0_to_10": "soreness the day after, 0 to 10",
    "flare": "whether the old complaint was worse the day after",
    "movement": "number of the movement in the visit",
    "step": "family and step",
    "skipped": "why the movement was left out; empty when it was done",
    "confidence_0_to_10": "how far the client trusts the movement, 0 to 10",
    "side": "side of the set",
    "target": "clean repetitions that were aimed at",
    "clean": "clean repetitions",
    "with_faults": "repetitions with a fault",
    "discarded": "repetitions that began before the breath and count for nothing",
    "held_s": "longest clean hold, in seconds",
    "ended_by": "what ended the set",
    "faults": "faults by id, each with its repetition and meaning, as fault@3 tired",
}


def table_of_tests(tests: Iterable[Result]) -> str:
    """One row a field, the oldest result first."""
    return _written(_TESTS, (row for n, r in enumerate(sorted(tests, key=lambda t: (t.on, t.test)), 1) for row in _rows_of(n, r)))


def _rows_of(number: int, result: Result) -> Iterator[dict[str, Any]]:
    units = {f.name: f.unit for f in form_of(RESULTS[result.test])}
    for name, value in result.model_dump(mode="json", exclude={"test", "on"}).items():
        for one in value if isinstance(value, list) else [value]:
            if one is not None:
                yield {"result": number, "on": result.on, "test": result.test, "field": name, "value": _cell(one), "unit": str(units.get(name, ""))}


def table_of_visits(visits: Iterable[Visit]) -> str:
    """One row a set, or one for a movement that was left out; the oldest visit first."""
    return _written(_VISITS, (row for v in sorted(visits, key=lambda v: (v.on, v.id)) for row in _rows_of_visit(v)))


def _rows_of_visit(visit: Visit) -> Iterator[dict[str, Any]]:
    told = visit.next_day
    whole = {
        "visit": visit.id,
        "on": visit.on,
        "context": visit.context,
        "by": visit.by,
        "session": visit.session,
        "effort_0_to_10": visit.effort_0_to_10,
        "soreness_0_to_10": told.soreness_0_to_10 if told else None,
        "flare": _cell(told.flare) if told else None,
    }
    for number, done in enumerate(visit.movements, 1):
        own = {**whole, "movement": number, "step": done.step, "skipped": done.skipped, "confidence_0_to_10": done.confidence_0_to_10}
        yield from ({**own, **s} for s in _sets(done))


def _sets(done: MovementDone) -> Iterator[dict[str, Any]]:
    if not done.sets:
        yield {}
    for one in done.sets:
        plain = one.model_dump(mode="json", exclude={"faults"})
        yield {**plain, "faults": "; ".join(f"{f.fault}@{f.repetition} {f.meaning or ''}".strip() for f in one.faults)}


def dictionary() -> str:
    """Every column of both tables and every field of every test: its meaning, unit and values."""
    columns = ({"table": table, "column": c, "means": says} for table, own in (("tests", _TESTS), ("visits", _VISITS)) for c, says in own.items())
    fields = (
        {"table": kind, "column": f.name, "means": str(f.title), "unit": str(f.unit), "values": ", ".join(str(v) for v, _ in f.choices)}
        for kind, model in RESULTS.items()
        for f in form_of(model)
    )
    return _written(("table", "column", "means", "unit", "values"), (*columns, *fields))


def read_tests(text: str) -> tuple[list[Result], list[Fault]]:
    """The results of such a table, and the rows that are none with the reason."""
    found: list[Result] = []
    left: list[Fault] = []
    for path, rows in _grouped(text, _TESTS, "result", left):
        model = RESULTS.get(rows[0]["test"])
        if model is None:
            left.append((path, said("there is no test '{name}'", name=rows[0]["test"][:60])))
            continue
        fields = _several(rows, {f.name for f in form_of(model) if f.kind == "choices"} | {"trials"})
        _take(found, left, path, model.model_validate, {"test": rows[0]["test"], "on": rows[0]["on"], **fields})
    return found, left


def _several(rows: Sequence[Mapping[str, str]], lists: set[str]) -> dict[str, Any]:
    fields: dict[str, Any] = {}
    for row in rows:
        if row["field"] in lists:
            fields.setdefault(row["field"], []).append(row["value"])
        else:
            fields[row["field"]] = row["value"]
    return fields


def read_visits(text: str) -> tuple[list[Visit], list[Fault]]:
    """The visits of such a table, and what is none with the reason."""
    found: list[Visit] = []
    left: list[Fault] = []
    for path, rows in _grouped(text, _VISITS, "visit", left):
        first = rows[0]
        numbers = list(dict.fromkeys(r["movement"] for r in rows))
        data: dict[str, Any] = {k: first[k] or None for k in ("on", "context", "by", "session", "effort_0_to_10")}
        if first["flare"]:
            data["next_day"] = {"told_on": first["on"], "soreness_0_to_10": first["soreness_0_to_10"] or None, "flare": first["flare"]}
        data["movements"] = [_movement([r for r in rows if r["movement"] == n]) for n in numbers if n]
        _take(found, left, path, Visit.model_validate, {"id": first["visit"], **{k: v for k, v in data.items() if v is not None}})
    return found, left


_ENDS = "\r\n"
_OF_A_SET = ("side", "target", "clean", "with_faults", "discarded", "held_s", "ended_by")


def _movement(rows: Sequence[Mapping[str, str]]) -> dict[str, Any]:
    first = rows[0]
    own = {k: first[k] for k in ("step", "skipped", "confidence_0_to_10") if first[k]}
    sets = [{**{k: r[k] for k in _OF_A_SET if r[k]}, "faults": [_fault(f) for f in r["faults"].split("; ") if f]} for r in rows if r["ended_by"]]
    return {**own, "sets": sets}


def _fault(text: str) -> dict[str, Any]:
    name, _, rest = text.partition("@")
    repetition, _, meaning = rest.partition(" ")
    return {"fault": name, "repetition": repetition, **({"meaning": meaning} if meaning else {})}


def _grouped(text: str, columns: Iterable[str], by: str, left: list[Fault]) -> Iterator[tuple[str, list[dict[str, str]]]]:
    """Rows that share a value of one column, with the line on which they begin; a table without the columns is listed as a whole."""
    lines = text.removeprefix("\ufeff").splitlines(keepends=True)  # ends of lines of every system
    reader = csv.DictReader(io.StringIO("".join(f"{x.rstrip(_ENDS)}\n" for x in lines)))
    try:
        there = reader.fieldnames or []
    except csv.Error:
        there = []
    missing = [c for c in columns if c not in there]
    if missing:
        left.append(("line 1", said("columns are missing: {columns}", columns=", ".join(missing))))
        return
    groups: dict[str, tuple[int, list[dict[str, str]]]] = {}
    try:
        for line, row in enumerate(reader, 2):
            if line > MOST_ROWS:
                left.append((f"line {line}", said("a table has at most {count} rows", count=MOST_ROWS)))
                break
            plain = {c: (row.get(c) or "").strip() for c in columns}
            groups.setdefault(plain[by], (line, []))[1].append(plain)
    except csv.Error:
        left.append((f"line {reader.line_num}", said("is no table that can be read")))
    yield from ((f"line {line}", rows) for line, rows in groups.values())


def _take(found: list[Any], left: list[Fault], path: str, read: Any, data: dict[str, Any]) -> None:
    try:
        found.append(read(data))
    except ValidationError as error:
        left += [(f"{path}, {where.removeprefix('$.')}", why) for where, why in faults_of(error.errors())]


def _cell(value: Any) -> str:
    return {True: "yes", False: "no"}[value] if isinstance(value, bool) else f"{value:g}" if isinstance(value, float) else str(value)


def _written(columns: Iterable[str], rows: Iterable[Mapping[str, Any]]) -> str:
    out = io.StringIO()
    table = csv.DictWriter(out, list(columns), restval="", lineterminator="\r\n")
    table.writeheader()
    table.writerows(rows)
    return out.getvalue()


__all__ = ["dictionary", "read_tests", "read_visits", "table_of_tests", "table_of_visits"]
