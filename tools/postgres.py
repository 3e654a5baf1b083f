"""A private PostgreSQL on loopback, under its own system user, with its data in one folder.

postgres.py start DATA_DIR   prints the port; starts the server when it is not running (--thrown-away: a power cut may take its data)
postgres.py stop DATA_DIR
postgres.py lives DATA_DIR   fails when the server does not run

Three roles, each with a password of its own in DATA_DIR/secrets (readable by whoever started it, and nobody else):
`amvel` runs the cluster, `amvel_owner` owns the database and migrates it, `amvel_app` reads and writes rows and no more.
"""

import os
import pwd
import secrets
import shutil
import socket
import subprocess
import sys
import tempfile
from pathlib import Path

USER = "postgres"
NAME = "amvel"
OWNER, APP = "amvel_owner", "amvel_app"
ROLES = (NAME, OWNER, APP)
THROWN_AWAY = "--thrown-away"


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


def free_port(wanted: int = 0) -> int:
    """The wanted port if it is free, so that whoever knew it finds the server again; else any."""
    with socket.socket() as s:
        s.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            s.bind(("127.0.0.1", wanted))
        except OSError:
            s.bind(("127.0.0.1", 0))
        return int(s.getsockname()[1])


def passwords(folder: Path) -> dict[str, str]:
    """One password a role, made once."""
    kept = folder / "secrets"
    kept.mkdir(mode=0o700, exist_ok=True)
    out = {}
    for role in ROLES:
        file = kept / role
        if not file.exists():
            with os.fdopen(os.open(file, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600), "w") as f:
                f.write(secrets.token_urlsafe(32))
        out[role] = file.read_text()
    return out


def initialise(bin_dir: Path, home: Path, password: str) -> None:
    """A cluster that lets nobody in without a password, not even from this machine."""
    told = home / "first"
    run("install", "-m", "600", "/dev/null", str(told))
    subprocess.run(as_user("tee", str(told)), input=password, text=True, capture_output=True, check=True, cwd="/")
    made = run(
        f"{bin_dir}/initdb",
        "-D",
        str(home / "data"),
        "-U",
        NAME,
        "-A",
        "scram-sha-256",
        f"--pwfile={told}",
        "--encoding=UTF8",
        "--locale=C.UTF-8",
    )
    run("rm", "-f", str(told))
    if made.returncode != 0:
        raise Failed(f"initdb failed: {(made.stderr.strip().splitlines() or ['no message'])[-1]}")


def tell(bin_dir: Path, port: int, password: str, statements: str, database: str = NAME) -> None:
    """Statements as the role that runs the cluster; they are read from standard input, so that no list of processes shows them."""
    told = subprocess.run(
        [f"{bin_dir}/psql", "-X", "-q", "-v", "ON_ERROR_STOP=1", "-h", "127.0.0.1", "-p", str(port), "-U", NAME, database],
        input=statements,
        text=True,
        capture_output=True,
        env={**os.environ, "PGPASSWORD": password},
    )
    if told.returncode != 0:
        raise Failed(f"the roles could not be set up: {(told.stderr.strip().splitlines() or ['no message'])[-1]}")


def set_up_roles(bin_dir: Path, port: int, known: dict[str, str]) -> None:
    """The database with its owner, and the role of the application, which owns nothing."""
    made = "".join(
        f"""DO $$ BEGIN IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = '{role}') THEN CREATE ROLE {role}; END IF; END $$;
        ALTER ROLE {role} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS PASSWORD '{known[role]}';
        """
        for role in (OWNER, APP)
    )
    tell(bin_dir, port, known[NAME], made, "postgres")
    exists = f"SELECT 'CREATE DATABASE {NAME} OWNER {OWNER}' WHERE NOT EXISTS (SELECT FROM pg_database WHERE datname = '{NAME}') \\gexec\n"
    tell(bin_dir, port, known[NAME], exists + f"ALTER DATABASE {NAME} OWNER TO {OWNER};", "postgres")
    tell(bin_dir, port, known[NAME], _GRANTS)


_GRANTS = f"""
REVOKE ALL ON DATABASE {NAME} FROM PUBLIC;
GRANT CONNECT ON DATABASE {NAME} TO {APP};
REVOKE ALL ON SCHEMA public FROM PUBLIC;
ALTER SCHEMA public OWNER TO {OWNER};
GRANT USAGE ON SCHEMA public TO {APP};
ALTER DEFAULT PRIVILEGES FOR ROLE {OWNER} IN SCHEMA public GRANT SELECT, INSERT, UPDATE, DELETE ON TABLES TO {APP};
ALTER DEFAULT PRIVILEGES FOR ROLE {OWNER} IN SCHEMA public GRANT USAGE, SELECT ON SEQUENCES TO {APP};
"""


_HAND_OVER = f"""
DO $$ DECLARE x record; BEGIN
  FOR x IN SELECT c.oid::regclass AS name, c.relkind FROM pg_class c JOIN pg_roles r ON r.oid = c.relowner
           WHERE r.rolname = '{NAME}' AND c.relnamespace = 'public'::regnamespace AND c.relkind IN ('r', 'p', 'v') LOOP
    EXECUTE format('ALTER TABLE %s OWNER TO {OWNER}', x.name);
  END LOOP;
  FOR x IN SELECT p.oid::regprocedure AS name FROM pg_proc p JOIN pg_roles r ON r.oid = p.proowner
           WHERE r.rolname = '{NAME}' AND p.pronamespace = 'public'::regnamespace LOOP
    EXECUTE format('ALTER FUNCTION %s OWNER TO {OWNER}', x.name);
  END LOOP;
END $$;
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO {APP};
GRANT USAGE, SELECT ON ALL SEQUENCES IN SCHEMA public TO {APP};
"""


def lock_down(bin_dir: Path, home: Path, port: int, known: dict[str, str]) -> None:
    """A cluster of before the roles: what it holds goes to the owner, and it asks for passwords from now on."""
    rules = str(home / "data" / "pg_hba.conf")
    if run("grep", "-q", "trust$", rules).returncode != 0:
        return
    tell(bin_dir, port, known[NAME], f"ALTER ROLE {NAME} PASSWORD '{known[NAME]}';\n" + _HAND_OVER)
    run("sed", "-i", "s/trust$/scram-sha-256/", rules)
    run(f"{bin_dir}/pg_ctl", "reload", "-D", str(home / "data"))


def start(folder: Path, lasting: bool = True) -> int:
    """Start the cluster of a folder and return its port; one that is thrown away afterwards need not outlive a power cut."""
    bin_dir, home = binaries(), real_folder(folder)
    known = passwords(folder)
    if os.geteuid() == 0:
        pwd.getpwnam(USER)
    data, sockets = home / "data", home / "run"
    port_file = home / "port"
    if run(f"{bin_dir}/pg_ctl", "status", "-D", str(data)).returncode == 0 and port_file.exists():
        return int(port_file.read_text())
    if run("test", "-e", str(data / "PG_VERSION")).returncode != 0:
        initialise(bin_dir, home, known[NAME])
    run("mkdir", "-p", "-m", "700", str(sockets))
    port = free_port(int(port_file.read_text()) if port_file.exists() else 0)
    options = f"-c listen_addresses=127.0.0.1 -c port={port} -c unix_socket_directories={sockets} -c fsync={'on' if lasting else 'off'}"
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
    set_up_roles(bin_dir, port, known)
    lock_down(bin_dir, home, port, known)
    port_file.write_text(str(port))
    return port


def lives(folder: Path) -> None:
    """Raise Failed unless the server runs."""
    if run(f"{binaries()}/pg_ctl", "status", "-D", str(real_folder(folder) / "data")).returncode != 0:
        raise Failed("the database does not run")


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
            print(start(folder, lasting=THROWN_AWAY not in sys.argv[3:]))
        else:
            {"stop": stop, "remove": remove, "lives": lives}[command](folder)
    except (Failed, KeyError, OSError) as error:
        print(f"amvel: {error}", file=sys.stderr)
        return 1
    return 0


if __name__ == "__main__":
    sys.exit(main())
