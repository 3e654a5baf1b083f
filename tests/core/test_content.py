"""Versions are fingerprints: whatever makes an answer changes them, by itself."""

import json
import subprocess
import sys
from datetime import date, timedelta
from pathlib import Path

import pytest

from amvel.content import LENGTH, MODEL, RULES, fingerprint, version
from amvel.engine import Engine
from amvel.movements import MODEL_VERSION
from amvel.planning.next_test import due_tests
from amvel.safety import RULEBOOK_VERSION
from tests.conftest import demo
from tests.engines import engine_of
from tests.patience import PATIENCE_S


@pytest.fixture
def rooms(tmp_path: Path) -> Path:
    (tmp_path / "body").mkdir()
    (tmp_path / "body" / "loads.py").write_text("LEVER_M = 0.060\n")
    (tmp_path / "movements" / "families").mkdir(parents=True)
    (tmp_path / "movements" / "families" / "clam.py").write_text("STEPS = 3\n")
    (tmp_path / "quantities.py").write_text("")
    return tmp_path


def of(rooms: Path) -> str:
    fingerprint.cache_clear()
    return fingerprint(("body", "movements", "quantities.py"), rooms)


def test_the_same_sources_have_the_same_fingerprint(rooms: Path) -> None:
    assert of(rooms) == of(rooms)
    assert len(of(rooms)) == LENGTH


@pytest.mark.parametrize(
    ("file", "text"),
    [
        ("body/loads.py", "LEVER_M = 0.061\n"),  # a number
        ("movements/families/clam.py", "STEPS = 4\n"),  # a declaration
        ("movements/families/bridge.py", ""),  # a new family
        ("quantities.py", "X = 1\n"),
    ],
)
def test_any_change_of_a_source_changes_it(rooms: Path, file: str, text: str) -> None:
    before = of(rooms)
    (rooms / file).write_text(text)
    assert of(rooms) != before


def test_a_renamed_file_changes_it_and_what_is_elsewhere_does_not(rooms: Path) -> None:
    before = of(rooms)
    (rooms / "server.py").write_text("anything")
    assert of(rooms) == before
    (rooms / "body" / "loads.py").rename(rooms / "body" / "forces.py")
    assert of(rooms) != before


def test_the_products_own_versions_carry_their_fingerprints() -> None:
    assert version("2026.11", MODEL) == MODEL_VERSION
    assert version("2026.11", RULES) == RULEBOOK_VERSION
    assert len(MODEL_VERSION) <= 20 and len(RULEBOOK_VERSION) <= 20


def later(name: str, days: int, **changes: object) -> Engine:
    data = {**demo(name), **changes}
    data["as_of"] = (date.fromisoformat(data["as_of"]) + timedelta(days=days)).isoformat()
    return engine_of(data)


def test_a_new_morning_keeps_verdicts_where_nothing_has_aged() -> None:
    assert later("sciatica", 0).verdicts_digest == later("sciatica", 1).verdicts_digest
    assert later("sciatica", 0).digest != later("sciatica", 1).digest  # a programme stores its day


def test_what_has_aged_is_judged_anew() -> None:
    """Blood pressure holds for the day."""
    assert later("low-bone-mass", 0).verdicts_digest != later("low-bone-mass", 1).verdicts_digest


def test_verdicts_with_the_same_digest_are_the_same() -> None:
    today, tomorrow = (later("sciatica", d).judge("clam") for d in (0, 1))
    assert [(v.ref, v.side, v.context, v.verdict) for v in today] == [(v.ref, v.side, v.context, v.verdict) for v in tomorrow]


def test_another_measure_or_name_of_the_person() -> None:
    person = demo("sciatica")["person"]
    own = later("sciatica", 0).verdicts_digest
    assert later("sciatica", 0, person={**person, "mass_kg": person["mass_kg"] + 1}).verdicts_digest != own
    assert later("sciatica", 0, person={**person, "name": "Somebody Else"}).verdicts_digest == own


OTHER_WISHES = {"minutes": 35, "days_per_week": 2, "effort_0_to_10": 2, "goals": [{"words": "walk", "task": "walking"}], "likes": ["clam"], "dislikes": ["bridge"]}


@pytest.mark.parametrize("name", ["sciatica", "low-bone-mass", "stroke"])
def test_what_somebody_wishes_for_is_no_reason_to_judge_again(name: str) -> None:
    """The digest says so, and so do the verdicts, the limits, and the tests that are due."""
    own, other = later(name, 0), later(name, 0, wishes=OTHER_WISHES)
    assert own.verdicts_digest == other.verdicts_digest and own.due_tests_digest == other.due_tests_digest
    assert own.digest != other.digest  # a programme is built of wishes
    told = [[(v.ref, v.side, v.context, v.verdict, [c.after for c in v.changes], v.reasons, v.cautions) for v in e.judge(f)] for e in (own, other) for f in ("clam", "sit_to_stand")]
    assert told[:2] == told[2:]
    assert own.envelope == other.envelope
    assert [(d.test.id, d.expected) for d in due_tests(own)] == [(d.test.id, d.expected) for d in due_tests(other)]


def test_whatever_rules_and_model_are_made_of_has_a_part_in_their_versions() -> None:
    """All modules of ours that judging reads: of languages only sentences come, and the fingerprint is no part of itself."""
    read = "import sys, json, amvel.safety, amvel.screening; print(json.dumps([m for m in sys.modules if m.startswith('amvel.')]))"
    done = subprocess.run([sys.executable, "-c", read], capture_output=True, text=True, timeout=PATIENCE_S)
    assert done.returncode == 0, done.stderr[-2000:]
    parts = {name.split(".")[1] for name in json.loads(done.stdout)}
    rooms = {room.removesuffix(".py") for room in (*RULES, *MODEL)}
    assert parts - rooms == {"content", "languages"}
