"""Write docs/licences.md: under which licences the packages and fonts stand that Amvel ships with or runs on.

    .venv/bin/python tools/licences.py

Read from what is installed; the packages that only tests and the build need are left out.
"""

import json
import re
from importlib.metadata import PackageNotFoundError, metadata
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
HEAD = "# Licences\n\nOf everything that runs with Amvel or ships with its pages, as the packages themselves say; written by `tools/licences.py`.\n"


def of_python() -> list[tuple[str, str, str]]:
    lines = (ROOT / "requirements.txt").read_text(encoding="utf-8").splitlines()
    return [(*line.split("=="), _python_licence(line.split("==")[0])) for line in lines if "==" in line]


def _python_licence(name: str) -> str:
    try:
        found = metadata(name)
    except PackageNotFoundError:
        return "not installed here"
    plain = found.get("License-Expression") or found.get("License") or ""
    classified = [c.rpartition(" :: ")[2] for c in found.get_all("Classifier") or [] if c.startswith("License ::")]
    return plain if plain and "\n" not in plain and len(plain) < 60 else ", ".join(classified) or "see the package"


def of_web() -> list[tuple[str, str, str]]:
    wanted = json.loads((ROOT / "web" / "package.json").read_text(encoding="utf-8"))["dependencies"]
    found = (json.loads((ROOT / "web" / "node_modules" / name / "package.json").read_text(encoding="utf-8")) for name in sorted(wanted))
    return [(p["name"], p["version"], str(p.get("license", "see the package"))) for p in found]


def table(title: str, rows: list[tuple[str, str, str]]) -> str:
    lines = [f"| {name} | {version} | {re.sub(r'[|]', '/', licence)} |" for name, version, licence in rows]
    return "\n".join((f"\n## {title}\n", "| package | version | licence |", "|---|---|---|", *lines, ""))


if __name__ == "__main__":
    (ROOT / "docs" / "licences.md").write_text(HEAD + table("Python", of_python()) + table("Pages, fonts among them", of_web()), encoding="utf-8")
