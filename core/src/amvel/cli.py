"""The core on the command line: JSON in, JSON out; bad input exits with 2 and one line per fault."""

import argparse
import json
import sys
from dataclasses import asdict
from datetime import date
from pathlib import Path
from typing import Any

from amvel import answers
from amvel.admission import admitted
from amvel.body import BodyError, plain_fault
from amvel.case import Case, CaseError, read_case
from amvel.collecting import collect_seldom
from amvel.engine import Engine
from amvel.languages.catalogue import LANGUAGES, SOURCE
from amvel.movements import Family, Request, Step, UnknownMovement, all_steps, find, library
from amvel.movements.contact_sheet import contact_sheets
from amvel.movements.demand_table import demand_table
from amvel.movements.figure import figure
from amvel.movements.pose_report import PoseFileError, read_poses, report
from amvel.movements.texts import messages_of
from amvel.planning import ProgrammeBlocked, plan, stopped_by
from amvel.planning.holds import estimated_holds
from amvel.safety import rulebook, sides_of
from amvel.sensing.detectors import SAYS, Detectors
from amvel.sensing.readings import ReadingError, from_csv


class BadInput(ValueError):
    """Something on the command line or in the case is wrong; one line per fault."""


def main(argv: list[str] | None = None) -> int:
    """Run one command; returns the exit status."""
    collect_seldom()
    args = _parser().parse_args(argv)
    try:
        answer = args.run(args)
    except CaseError as error:
        return _refuse([f"{path}: {reason}" for path, reason in error.faults])
    except PoseFileError as error:
        return _refuse(error.faults)
    except (BadInput, UnknownMovement, ProgrammeBlocked, BodyError) as error:
        return _refuse([str(error)])
    if answer is not None:
        json.dump(answer, sys.stdout, indent=1, ensure_ascii=False, allow_nan=False)
        sys.stdout.write("\n")
    return 0


def _refuse(lines: list[str]) -> int:
    for line in lines:
        print(line, file=sys.stderr)
    return 2


def _engine(path: str) -> Engine:
    try:
        text = Path(path).read_text(encoding="utf-8")
    except OSError as error:
        raise BadInput(f"{path}: {error.strerror}") from error
    try:
        return admitted(read_case(json.loads(text)))
    except json.JSONDecodeError as error:
        raise BadInput(f"{path}: not JSON: {error}") from error


def _texts(args: argparse.Namespace) -> Any:
    return {str(m): m.in_language(args.language) for f in library().values() for m in messages_of(f)}


def _judge(args: argparse.Namespace) -> Any:
    """Verdicts of one case as a list, of several by the name of their file."""
    wanted = [w for w in (args.steps or "").split(",") if w]
    if args.family:
        wanted.append(f"{args.family}/{args.step}" if args.step else args.family)
    for name in wanted:
        if "/" in name:
            find(name)
        elif name not in library():
            raise UnknownMovement(f"no family '{name}'")
    contexts = (args.context,) if args.context else ("visit", "home")
    found = {case: _judged(_engine(case), wanted, args.step_set or [], contexts) for case in args.case}
    return found if len(args.case) > 1 else found[args.case[0]]


def _judged(engine: Engine, wanted: list[str], changes: list[str], contexts: tuple[str, ...]) -> Any:
    stopped_by(engine.stop_signs)

    def only(f: Family, s: Step) -> bool:
        return not wanted or f.id in wanted or f.ref(s) in wanted

    chosen = [(f, s) for f, s in all_steps() if only(f, s)]
    named = {c.partition("=")[0] for c in changes}
    known = {p.id for _, s in chosen for p in s.parameters}
    if named - known:
        raise BadInput(f"--step-set {', '.join(sorted(named - known))}: none of these steps has such a parameter")

    def values(f: Family, s: Step, context: str) -> dict[str, float | str]:
        own = {p.id for p in s.parameters}
        return _values(s, engine.values(f, s, context), [c for c in changes if c.partition("=")[0] in own])

    return [answers.verdict_data(v) for v in engine.judge_only(only, contexts, values)]


def _values(step: Step, values: dict[str, float | str], changes: list[str]) -> dict[str, float | str]:
    known = {p.id: p for p in step.parameters}
    for change in changes:
        name, _, value = change.partition("=")
        if name not in known:
            raise BadInput(f"--set {name}: the step has no such parameter; it has {', '.join(known) or 'none'}")
        p = known[name]
        if p.choices:
            if value not in p.choices:
                raise BadInput(f"--set {name}: one of {', '.join(p.choices)}")
            values[name] = value
            continue
        try:
            number = float(value)
        except ValueError as error:
            raise BadInput(f"--set {name}: '{value}' is not a number") from error
        if not p.low <= number <= p.high:
            raise BadInput(f"--set {name}: {number:g} is outside {p.low:g}–{p.high:g} {p.unit}")
        values[name] = number
    return values


def _request(args: argparse.Namespace, engine: Engine) -> Request:
    family, step = find(args.movement)
    sides = sides_of(step)
    side = args.side or sides[0]
    if side not in sides:
        raise BadInput(f"--side {side}: this step has {', '.join(sides)}")
    return Request(family, step, side, _values(step, engine.values(family, step), args.set or []))


def _profile(args: argparse.Namespace) -> Any:
    engine = _engine(args.case)
    profile = engine.profiler.profile(_request(args, engine))
    return {**answers.profile_data(profile), "steady": answers.steady_data(engine.profiler, profile)}


def _figure(args: argparse.Namespace) -> None:
    engine = _engine(args.case)
    profile = engine.profiler.profile(_request(args, engine))
    try:
        drawing = figure(engine.profiler, profile)
    except ValueError as error:
        raise BadInput(str(error)) from error
    if args.output:
        Path(args.output).write_text(drawing, encoding="utf-8")
    else:
        sys.stdout.write(drawing + "\n")


def _sheets(args: argparse.Namespace) -> Any:
    """Every step's figure, twenty to a page."""
    engine, folder = _engine(args.case), Path(args.output)
    folder.mkdir(parents=True, exist_ok=True)
    drawn = []
    for profile in engine.profiler.profiles([r for r in engine.requests() if r.side != "right"]):
        drawn.append((profile.request.label, plain_fault(profile.fault) or figure(engine.profiler, profile)))
    pages = contact_sheets(drawn)
    for i, page in enumerate(pages, 1):
        (folder / f"sheet-{i:02d}.svg").write_text(page, encoding="utf-8")
    return {"figures": len(drawn), "sheets": [f"sheet-{i:02d}.svg" for i in range(1, len(pages) + 1)]}


def _plan(args: argparse.Namespace) -> Any:
    engine = _engine(args.case)
    programme = plan(engine, args.context, args.minutes, verdicts=engine.judge(contexts=(args.context,)))
    return {**answers.programme_data(programme, engine), "case_digest": engine.digest}


def _pose(args: argparse.Namespace) -> Any:
    """Frames in the frame language, placed on a body: angles, contact forces, moments, compression, gaps."""
    try:
        data = json.loads(Path(args.file).read_text(encoding="utf-8"))
    except OSError as error:
        raise BadInput(f"{args.file}: {error.strerror}") from error
    except json.JSONDecodeError as error:
        raise BadInput(f"{args.file}: not JSON: {error}") from error
    body, capacities, frames = read_poses(data)
    return [asdict(r) for r in report(body, frames, capacities)]


def _trace(args: argparse.Namespace) -> Any:
    """What the detectors find in a recorded trace."""
    try:
        readings = from_csv(Path(args.file).read_text(encoding="utf-8"))
    except OSError as error:
        raise BadInput(f"{args.file}: {error.strerror}") from error
    except ReadingError as error:
        raise BadInput(f"{args.file}: {error}") from error
    detectors = Detectors()
    return [{"t_s": d.t_s, "fault": d.failure, "says": SAYS[d.failure]} for r in readings for d in detectors.take(r)]


def _demand(args: argparse.Namespace) -> None:
    text = demand_table()
    if args.output:
        Path(args.output).write_text(text, encoding="utf-8")
    else:
        sys.stdout.write(text)


def _rules(args: argparse.Namespace) -> Any:
    if args.id and args.id not in rulebook():
        raise BadInput(f"--id: no rule '{args.id}'; there are {', '.join(rulebook())}")
    return [r for r in answers.rules() if not args.id or r["id"] == args.id]


def _next_test(args: argparse.Namespace) -> Any:
    from amvel.planning.next_test import next_tests

    return next_tests(_engine(args.case))


def _reach(args: argparse.Namespace) -> None:
    from amvel.planning.reach import report

    text = report(args.on)
    if args.output:
        Path(args.output).write_text(text, encoding="utf-8")
    else:
        sys.stdout.write(text)


def _day(text: str) -> date:
    try:
        return date.fromisoformat(text)
    except ValueError as error:
        raise argparse.ArgumentTypeError(f"'{text}' is not a day (YYYY-MM-DD)") from error


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="amvel", description="Screen, judge, modify and plan for one client's case."
    )
    commands = parser.add_subparsers(required=True, metavar="command")

    def add(name: str, run: Any, about: str, case: bool = False) -> argparse.ArgumentParser:
        p = commands.add_parser(name, help=about)
        p.set_defaults(run=run)
        if case:
            p.add_argument("case", help="a case file (JSON)")
        return p

    add("schema", lambda a: Case.model_json_schema(), "the JSON Schema of a case")
    add("movements", lambda a: answers.movements(), "the movement library")
    add("tests", lambda a: answers.tests(), "the screening tests")
    add("rules", _rules, "the rule-book").add_argument("--id")
    add("screen", lambda a: answers.screen(_engine(a.case)), "stop signs, findings, limits", case=True)
    p = add("judge", _judge, "verdict on every step, of one case or several")
    p.add_argument("case", nargs="+", help="case files (JSON)")
    p.add_argument("--steps", metavar="family/step,family", help="only these")
    p.add_argument("--step-set", action="append", metavar="name=value", help="with this measure, where a step has it")
    p.add_argument("--all", action="store_true", help="every family and step (the default)")
    p.add_argument("--family")
    p.add_argument("--step")
    p.add_argument("--context", choices=("visit", "home"))
    p = add("plan", _plan, "build the programme", case=True)
    p.add_argument("--minutes", type=_minutes)
    p.add_argument("--context", choices=("visit", "home"), default="home")
    p = add("progress", lambda a: answers.progress(_engine(a.case), a.context), "what the logged visits propose", case=True)
    p.add_argument("--context", choices=("visit", "home"), default="home")
    add("pose", _pose, "place frames on a body: angles, contact forces, moments, gaps").add_argument(
        "file", help="a body and frames (JSON; see docs/checking-a-pose.md)"
    )
    add("trace", _trace, "what is found in a recorded trace of sensors").add_argument("file", help="a table (CSV; see docs/sensors.md)")
    p = add("demand", _demand, "what every step asks of one body (Markdown)")
    p.add_argument("-o", "--output")
    add("next-test", _next_test, "which test would decide most", case=True)
    p = add("texts", _texts, "every text of the library, and what another language says")
    p.add_argument("--language", choices=LANGUAGES, default=SOURCE)
    add("schools", _schools, "the schools' questions with this client's answers", case=True)
    add("holds", _holds, "holds of other steps, estimated from measured ones", case=True)
    add("sheets", _sheets, "contact sheets of all figures", case=True).add_argument(
        "-o", "--output", required=True, help="a folder"
    )
    p = add("reach", _reach, "how much of the library each condition leaves (Markdown)")
    p.add_argument("--on", type=_day, required=True, help="the day to reckon with, YYYY-MM-DD")
    p.add_argument("-o", "--output")
    for name, run, about in (
        ("profile", _profile, "the demand profile of a step"),
        ("figure", _figure, "the drawing of a step"),
    ):
        p = add(name, run, about)
        p.add_argument("movement", help="family/step")
        p.add_argument("--case", required=True)
        p.add_argument("--side", choices=("left", "right", "both"))
        p.add_argument("--set", action="append", metavar="name=value")
        if name == "figure":
            p.add_argument("-o", "--output")
    return parser


def _schools(args: argparse.Namespace) -> Any:
    return answers.schools_data(_engine(args.case).schools)


def _holds(args: argparse.Namespace) -> Any:
    return [answers.capacity_data(c) for c in estimated_holds(_engine(args.case))]


def _minutes(text: str) -> int:
    value = int(text)
    if not 5 <= value <= 90:
        raise argparse.ArgumentTypeError("between 5 and 90")
    return value


if __name__ == "__main__":
    sys.exit(main())
