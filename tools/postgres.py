"""A private PostgreSQL on loopback, under its own system user, with its data in one folder.

postgres.py start DATA_DIR   prints the port; starts the server when it is not running
postgres.py stop DATA_DIR
"""

import os
import pwd
import shutil
import socket
import subprocess
import sys
import tempfile
from pathlib import Path

USER = "postgres"
NAME = "amvel"


class Failed(RuntimeError):
    """PostgreSQL could not be started; the message is one line."""


def binaries() -> Path:
    """The newest installed server."""
    found = sorted(Path("/usr/lib/postgresql").glob("*/bin/initdb"), key=lambda p: int(p.parts[-3]))
    if not found:
        raise Failed("no PostgreSQL server binaries under /usr/lib/postgresql")
    return found[-1].parent


def as_user(*command: str) -> list[str]:
    """As root, run it as the database's own user; otherwise as whoever we are."""
    return ["runuser", "-u", USER, "--", *command] if os.geteuid() == 0 else list(command)


def run(*command: str) -> subprocess.CompletedProcess[str]:
    return subprocess.run(as_user(*command), capture_output=True, text=True, cwd="/")


def real_folder(wanted: Path) -> Path:
    """The folder itself, or one of its own under /var/lib when the database's user cannot reach it."""
    wanted.mkdir(parents=True, exist_ok=True)
    pointer = wanted / "elsewhere"
    if pointer.exists():
        return Path(pointer.read_text().strip())
    if os.geteuid() == 0:
        shutil.chown(wanted, USER, USER)
        if run("test", "-w", str(wanted)).returncode != 0:
            moved = Path(tempfile.mkdtemp(prefix="amvel-", dir="/var/lib"))
            shutil.chown(moved, USER, USER)
            pointer.write_text(str(moved))
            return moved
    return wanted


def free_port() -> int:
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        return int(s.getsockname()[1])


def start(folder: Path) -> int:
    bin_dir, home = binaries(), real_folder(folder)
    if os.geteuid() == 0:
        pwd.getpwnam(USER)
    data, sockets = home / "data", home / "run"
    port_file = home / "port"
    if run(f"{bin_dir}/pg_ctl", "status", "-D", str(data)).returncode == 0 and port_file.exists():
        return int(port_file.read_text())
    if not (data / "PG_VERSION").exists():
        made = run(
            f"{bin_dir}/initdb",
            "-D",
            str(data),
            "-U",
            NAME,
            "-A",
            "trust",
            "--encoding=UTF8",
            "--locale=C.UTF-8",
        )
        if made.returncode != 0:
            raise Failed(f"initdb failed: {(made.stderr.strip().splitlines() or ['no message'])[-1]}")
    run("mkdir", "-p", "-m", "700", str(sockets))
    port = free_port()
    options = f"-c listen_addresses=127.0.0.1 -c port={port} -c unix_socket_directories={sockets} -c fsync=on"
    begun = run(
        f"{bin_dir}/pg_ctl",
        "start",
        "-w",
        "-t",
        "30",
        "-D",
        str(data),
        "-l",
        str(home / "server.log"),
        "-o",
        options,
    )
    if begun.returncode != 0:
        raise Failed(f"PostgreSQL did not start; see {home / 'server.log'}")
    port_file.write_text(str(port))
    run(f"{bin_dir}/createdb", "-h", "127.0.0.1", "-p", str(port), "-U", NAME, NAME)
    return port


def stop(folder: Path) -> None:
    home = real_folder(folder)
    run(f"{binaries()}/pg_ctl", "stop", "-m", "fast", "-D", str(home / "data"))


def remove(folder: Path) -> None:
    home = real_folder(folder)
    stop(folder)
    shutil.rmtree(home, ignore_errors=True)
    shutil.rmtree(folder, ignore_errors=True)


def main() -> int:
    try:
        command, folder = sys.argv[1], Path(sys.argv[2]).resolve()
        if command == "start":
            print(start(folder))
        else:
            {"stop": stop, "remove": remove}[command](folder)
    except (Failed, KeyError, OSError) as error:
        print(f"amvel: {error}", file=sys.stderr)
        return 1
    return 0


if __name__ == "__main__":
    sys.exit(main())
