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
        "$.person.stature_cm: at most 220",
        "$.extra: there is no such field",
    ]


def test_contact_sheets_hold_twenty_figures_at_most() -> None:
    from amvel.movements.contact_sheet import contact_sheets

    drawing = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"></svg>'
    pages = contact_sheets([(f"a/{i}", drawing) for i in range(41)] + [("b/0", "the joints do not reach")])
    assert [page.count("<text") for page in pages] == [20, 20, 3]
    assert "the joints do not reach" in pages[2]


def test_several_cases_and_chosen_steps_are_judged_in_one_go(capsys) -> None:
    names = [str(ROOT / "demo" / "cases" / f"{n}.json") for n in ("sciatica", "new-hip")]
    assert main(["judge", *names, "--steps", "knee_fold/single_fold,clam", "--context", "home"]) == 0
    found = json.loads(capsys.readouterr().out)
    assert list(found) == names
    for verdicts in found.values():
        assert {v["family"] for v in verdicts} == {"knee_fold", "clam"}
        assert {v["step"] for v in verdicts if v["family"] == "knee_fold"} == {"single_fold"}


def test_a_measure_can_be_set_for_the_steps_that_have_it(capsys) -> None:
    case = str(ROOT / "demo" / "cases" / "fit-seventy.json")
    assert main(["judge", case, "--steps", "tall_hinge,clam/pulses", "--step-set", "lean_deg=15", "--context", "home"]) == 0
    found = json.loads(capsys.readouterr().out)
    assert {v["original_values"]["lean_deg"] for v in found if v["family"] == "tall_hinge"} == {15}


@pytest.mark.parametrize(
    "words", [["--steps", "no_family"], ["--steps", "clam/no_step"], ["--steps", "clam", "--step-set", "lean_deg=3"], ["--steps", "tall_hinge", "--step-set", "lean_deg=300"]]
)
def test_unknown_steps_and_measures_are_refused(words: list[str], capsys) -> None:
    assert main(["judge", str(ROOT / "demo" / "cases" / "sciatica.json"), *words]) == 2
    assert capsys.readouterr().err


def test_the_demand_of_the_library_is_a_table(capsys) -> None:
    assert main(["demand"]) == 0
    text = capsys.readouterr().out
    assert text.count("\n| ") > 227
    assert "knee_fold/single_fold" in text and "## On the back" in text
