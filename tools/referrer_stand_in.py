"""A referrer's FHIR R4 server that does not exist: a few invented people to find, page by page, and a place to send bundles to.

`./referrer --script fine|slow|failing|garbled` plays it on loopback.  `slow` thinks before it answers, `failing` refuses every
other request with 503, `garbled` sends what is no JSON.
"""

import argparse
import json
import sys
import threading
import time
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from typing import Any, Literal, get_args
from urllib.parse import parse_qs, urlencode, urlsplit

Script = Literal["fine", "slow", "failing", "garbled"]
Resource = dict[str, Any]
SLOW_S = 30.0
PAGE = 2  # resources on a page, whatever is asked for

# Invented people of an invented practice.
_PEOPLE = (
    ("mill-1", "Hollin", "Agathe", "1951-03-12", "female"),
    ("mill-2", "Hollin", "Bertram", "1948-07-30", "male"),
    ("mill-3", "Hollinger", "Cosima", "1963-11-02", "female"),
    ("mill-4", "Quist", "Damian", "1975-01-19", "male"),
)


def _patient(row: tuple[str, str, str, str, str]) -> Resource:
    key, family, given, born, sex = row
    return {"resourceType": "Patient", "id": key, "name": [{"family": family, "given": [given]}], "birthDate": born, "gender": sex}


def _measured(key: str, n: int, code: str, says: str, value: float, unit: str) -> Resource:
    return {
        "resourceType": "Observation",
        "id": f"{key}-o{n}",
        "status": "final",
        "code": {"coding": [{"system": "http://loinc.org", "code": code, "display": says}]},
        "subject": {"reference": f"Patient/{key}"},
        "effectiveDateTime": "2026-10-01",
        "valueQuantity": {"value": value, "unit": unit, "system": "http://unitsofmeasure.org", "code": unit},
    }


def everything(key: str) -> list[Resource]:
    """All that the practice has of one person."""
    person = next(_patient(p) for p in _PEOPLE if p[0] == key)
    return [
        person,
        _measured(key, 1, "8302-2", "Body height", 164.0, "cm"),
        _measured(key, 2, "29463-7", "Body weight", 61.5, "kg"),
        {
            "resourceType": "Goal",
            "id": f"{key}-g1",
            "lifecycleStatus": "active",
            "description": {"text": "to carry the shopping up to the second floor"},
            "subject": {"reference": f"Patient/{key}"},
        },
    ]


class Practice(ThreadingHTTPServer):
    """The stand-in; `sent` holds every bundle by its id, `asked` counts requests."""

    daemon_threads = True

    def __init__(self, port: int, script: Script = "fine", slow_s: float = SLOW_S) -> None:
        super().__init__(("127.0.0.1", port), _Answer)
        self.script, self.slow_s = script, slow_s
        self.sent: dict[str, Resource] = {}
        self.asked = 0
        self.tokens: list[str] = []

    @property
    def url(self) -> str:
        return f"http://127.0.0.1:{self.server_address[1]}/fhir"


class _Answer(BaseHTTPRequestHandler):
    server: Practice

    def do_GET(self) -> None:
        if self._disturbed():
            return
        at = urlsplit(self.path)
        asked = {k: v[0] for k, v in parse_qs(at.query).items()}
        parts = at.path.removeprefix("/fhir/").split("/")
        if parts == ["Patient"]:
            name = asked.get("name", "").lower()
            self._page(at.path, asked, [_patient(p) for p in _PEOPLE if any(x.lower().startswith(name) for x in p[1:3])])
        elif len(parts) == 3 and parts[0] == "Patient" and parts[2] == "$everything" and parts[1] in {p[0] for p in _PEOPLE}:
            self._page(at.path, asked, everything(parts[1]))
        else:
            self._say(404, {"resourceType": "OperationOutcome", "issue": [{"severity": "error", "code": "not-found"}]})

    def do_PUT(self) -> None:
        if self._disturbed():
            return
        key = urlsplit(self.path).path.removeprefix("/fhir/Bundle/")
        new = key not in self.server.sent
        self.server.sent[key] = json.loads(self.rfile.read(int(self.headers.get("Content-Length", 0))))
        self._say(201 if new else 200, self.server.sent[key])

    def _disturbed(self) -> bool:
        self.server.asked += 1
        self.server.tokens.append(self.headers.get("Authorization", ""))
        if self.server.script == "slow":
            time.sleep(self.server.slow_s)
        if self.server.script == "failing" and self.server.asked % 2:
            self._say(503, {"resourceType": "OperationOutcome", "issue": [{"severity": "error", "code": "transient"}]}, {"Retry-After": "0"})
            return True
        if self.server.script == "garbled":
            self._send(200, b"<html>try later</html>", {})
            return True
        return False

    def _page(self, path: str, asked: dict[str, str], found: list[Resource]) -> None:
        begins = int(asked.get("begins", 0))
        link = [{"relation": "self", "url": f"{self.server.url}{path.removeprefix('/fhir')}"}]
        if begins + PAGE < len(found):
            more = urlencode({**asked, "begins": begins + PAGE})
            link.append({"relation": "next", "url": f"{self.server.url}{path.removeprefix('/fhir')}?{more}"})
        shown = [{"fullUrl": f"{self.server.url}/{r['resourceType']}/{r['id']}", "resource": r} for r in found[begins : begins + PAGE]]
        self._say(200, {"resourceType": "Bundle", "type": "searchset", "total": len(found), "link": link, "entry": shown})

    def _say(self, status: int, what: Resource, headers: dict[str, str] | None = None) -> None:
        self._send(status, json.dumps(what).encode(), {"Content-Type": "application/fhir+json", **(headers or {})})

    def _send(self, status: int, body: bytes, headers: dict[str, str]) -> None:
        self.send_response(status)
        for name, value in {**headers, "Content-Length": str(len(body))}.items():
            self.send_header(name, value)
        self.end_headers()
        self.wfile.write(body)

    def log_message(self, format: str, *args: Any) -> None:
        """Nothing: names of people stand in the addresses."""


def played(script: Script = "fine", slow_s: float = SLOW_S) -> Practice:
    """The stand-in on a port of its own, in a thread of this process; the caller shuts it down."""
    practice = Practice(0, script, slow_s)
    threading.Thread(target=practice.serve_forever, daemon=True).start()
    return practice


def main() -> int:
    parser = argparse.ArgumentParser(prog="referrer", description=__doc__.splitlines()[0])
    parser.add_argument("--port", type=int, default=8341)
    parser.add_argument("--script", choices=get_args(Script), default="fine")
    args = parser.parse_args()
    if not 1024 <= args.port <= 65535:
        parser.error("--port: 1024 to 65535")
    practice = Practice(args.port, args.script)
    print(f"referrer: {practice.url} plays '{args.script}'", flush=True)
    try:
        practice.serve_forever()
    except KeyboardInterrupt:
        practice.server_close()
    return 0


if __name__ == "__main__":
    sys.exit(main())
