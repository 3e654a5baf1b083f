"""The API against its own description, by requests that nobody would think of (schemathesis, all phases to the end):
never a 5xx, no status and no shape that is not declared."""

import subprocess
import sys
from pathlib import Path

import pytest
from django.test import Client as Browser

from accounts.models import User
from clients.casework import create_client
from tests.patience import PATIENCE_S, WHOLE_COMMAND_S
from tests.server.conftest import PASSWORD, today_case, user_of

pytestmark = pytest.mark.long
CHECKS = "not_a_server_error,status_code_conformance,response_schema_conformance,content_type_conformance"
# What would end the session that asks, or change its password.
ENDS_IT = "logout|sessions|second-factor|/password$"
BIN = Path(sys.executable).parent
# A method that an address does not have is refused before any of ours is asked: `test_bad_requests.py` tries every address.
# A visit logged at home has the body of one that is logged in the room: what may be wrong with it is tried once.
# Every room that is tried is fitted, and each fit solved: ten of them instead of three hundred.
# What is read is read of somebody, and found again for what is written.
CONFIG = """
[phases.coverage]
unexpected-methods = []

[[operations]]
include-path = "/api/v1/home/{{code}}/visits"
phases.coverage.enabled = false

[[operations]]
include-path = "/api/v1/clients/{{client_id}}/fits"
phases.coverage.enabled = false
generation.max-examples = 10

[[operations]]
include-method = "GET"
parameters = {{ "path.client_id" = "{client_id}" }}
"""


def cookies(name: str) -> tuple[str, str]:
    """A log-in as headers: cookie and CSRF token."""
    browser = Browser(enforce_csrf_checks=True)
    token = browser.get("/api/v1/session").json()["csrf_token"]
    answer = browser.post("/api/v1/login", {"username": name, "password": PASSWORD}, content_type="application/json", headers={"X-CSRFToken": token})
    return "; ".join(f"{k}={m.value}" for k, m in browser.cookies.items()), answer.json()["csrf_token"]


@pytest.mark.django_db(transaction=True)
@pytest.mark.parametrize(("role", "which"), [("clinician", ("--exclude-path-regex", f"{ENDS_IT}|people")), ("administrator", ("--include-path-regex", "people|texts|own|reference"))])
def test_whatever_is_asked_is_answered_as_it_is_declared(live_server, tmp_path: Path, role: str, which: tuple[str, str]) -> None:
    user_of("ann", role)
    somebody = create_client(User.objects.get(username="ann"), today_case("fit-seventy"))  # judged fastest: whatever is written is judged again
    cookie, token = cookies("ann")
    description = tmp_path / "openapi.json"  # not asked of the server, which takes its time to write it beside other tests
    description.write_bytes(Browser().get("/api/v1/openapi.json").content)
    (tmp_path / "schemathesis.toml").write_text(CONFIG.format(client_id=somebody.pk))
    command = [str(BIN / "schemathesis"), "--config-file", "schemathesis.toml", "run", str(description), "--url", live_server.url, "--checks", CHECKS, "--max-examples", "2"]
    # A write judges the client anew, beside whatever else is tested on this machine: how long that takes says nothing of whether it is right.
    command += ["--request-timeout", f"{PATIENCE_S:g}"]
    command += ["--generation-deterministic", "--suppress-health-check", "all", "--continue-on-failure", "--no-color", *which]
    command += ["-H", f"Cookie: {cookie}", "-H", f"X-CSRFToken: {token}", "-H", f"Referer: {live_server.url}/"]
    done = subprocess.run(command, cwd=tmp_path, capture_output=True, text=True, timeout=WHOLE_COMMAND_S)
    failures = done.stdout.partition("FAILURES")[2] or done.stdout[-6000:]
    assert done.returncode == 0, failures[:6000]
    assert "Test cases:" in done.stdout
    for phase in ("Coverage", "Fuzzing", "Stateful"):
        assert phase in done.stdout
