"""The table of what every step asks is the one that the command writes today."""

from pathlib import Path

from amvel.cli import main

KEPT = Path(__file__).parents[2] / "docs" / "demand.md"


def test_the_kept_table_is_what_the_command_writes(tmp_path: Path) -> None:
    written = tmp_path / "demand.md"
    assert main(["demand", "-o", str(written)]) == 0
    ours, kept = written.read_text().splitlines(), KEPT.read_text().splitlines()
    assert sorted(set(ours) ^ set(kept)) == [], "docs/demand.md is of another state: ./amvel demand -o docs/demand.md"
    assert len(ours) == len(kept)
