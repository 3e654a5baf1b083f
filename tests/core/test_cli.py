"""The command line: fields, figures, and exits."""

import json
from pathlib import Path

import pytest

from amvel.cli import main
from tests.conftest import ROOT

CASE = str(ROOT / "demo" / "cases" / "low-bone-mass.json")


def run(capsys: pytest.CaptureFixture[str], *args: str) -> tuple[int, str, str]:
    status = main(list(args))
    out = capsys.readouterr()
    return status, out.out, out.err


def data(capsys: pytest.CaptureFixture[str], *args: str):
    status, out, err = run(capsys, *args)
    assert status == 0, err
    return json.loads(out)


def test_screen_has_its_fields(capsys: pytest.CaptureFixture[str]) -> None:
    found = data(capsys, "screen", CASE)
    assert set(found) >= {"stop_signs", "findings", "limits", "obligations", "referrals", "assumptions"}
    assert set(found["limits"][0]) >= {
        "id",
        "quantity",
        "bound",
        "unit",
        "condition",
        "strength",
        "reason",
        "source",
        "review_on",
        "valid_until",
    }


def test_judge_one_step(capsys: pytest.CaptureFixture[str]) -> None:
    found = data(
        capsys, "judge", CASE, "--family", "curl_family", "--step", "legs_straight", "--context", "home"
    )
    assert [v["verdict"] for v in found] == ["excluded"]
    assert set(found[0]) >= {
        "family",
        "step",
        "side",
        "context",
        "verdict",
        "cautions",
        "assumed",
        "changes",
        "reasons",
        "instead",
    }
    assert set(found[0]["reasons"][0]) >= {"limit", "quantity", "value", "bound", "unit", "source"}


def test_profile_names_quantities(capsys: pytest.CaptureFixture[str]) -> None:
    found = data(capsys, "profile", "knee_fold/single_fold", "--case", CASE, "--set", "hip_deg=70")
    assert found["values"]["hip_deg"] == 70
    assert found["peaks"]["left.hip_flexion_deg"] == pytest.approx(70, abs=0.1)
    assert len(found["frames"]) == len(found["quantities"]["loaded"])


def test_figure_is_written(capsys: pytest.CaptureFixture[str], tmp_path: Path) -> None:
    target = tmp_path / "out.svg"
    assert run(capsys, "figure", "clam/small_opening", "--case", CASE, "-o", str(target))[0] == 0
    assert target.read_text().startswith("<svg")


@pytest.mark.parametrize("command", [("movements",), ("tests",), ("rules",), ("schema",)])
def test_catalogues_print(capsys: pytest.CaptureFixture[str], command: tuple[str, ...]) -> None:
    assert data(capsys, *command)


@pytest.mark.parametrize(
    ("args", "word"),
    [
        (("screen", "/nowhere.json"), "No such file"),
        (("judge", CASE, "--family", "nothing"), "nothing"),
        (("profile", "a/b", "--case", CASE), "no family"),
        (("profile", "knee_fold/single_fold", "--case", CASE, "--set", "hip_deg=400"), "outside"),
        (("profile", "knee_fold/single_fold", "--case", CASE, "--set", "size=1"), "no such parameter"),
        (("rules", "--id", "none"), "no rule"),
        (("figure", "clam/small_opening", "--case", CASE, "--side", "both"), "--side"),
    ],
)
def test_bad_input_exits_with_two_and_one_line(
    capsys: pytest.CaptureFixture[str], args: tuple[str, ...], word: str
) -> None:
    status, out, err = run(capsys, *args)
    assert status == 2
    assert out == ""
    assert word in err
    assert len(err.strip().splitlines()) == 1


def test_every_fault_of_a_case_is_a_line(capsys: pytest.CaptureFixture[str], tmp_path: Path) -> None:
    bad = json.loads(Path(CASE).read_text())
    bad["person"]["stature_cm"] = 1600
    bad["extra"] = 1
    path = tmp_path / "bad.json"
    path.write_text(json.dumps(bad))
    status, _, err = run(capsys, "screen", str(path))
    assert status == 2
    assert err.splitlines() == [
        "$.person.stature_cm: Input should be less than or equal to 220",
        "$.extra: Extra inputs are not permitted",
    ]


def test_contact_sheets_hold_twenty_figures_at_most() -> None:
    from amvel.movements.contact_sheet import contact_sheets

    drawing = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"></svg>'
    pages = contact_sheets([(f"a/{i}", drawing) for i in range(41)] + [("b/0", "the joints do not reach")])
    assert [page.count("<text") for page in pages] == [20, 20, 3]
    assert "the joints do not reach" in pages[2]
