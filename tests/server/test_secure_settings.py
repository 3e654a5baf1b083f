"""Whoever starts the server without saying anything gets the safe settings."""

import os
import subprocess
import sys
from pathlib import Path

import pytest

SERVER = Path(__file__).parents[2] / "server"
PLAIN = {k: v for k, v in os.environ.items() if k not in ("AMVEL_HTTPS", "AMVEL_DEBUG", "DJANGO_ALLOW_ASYNC_UNSAFE")}
KEY = {"AMVEL_SECRET_KEY": "k" + "0123456789abcdefghijklmnopqrstuvwxyz" * 2, "DJANGO_SETTINGS_MODULE": "config.settings"}


def asked(code: str, **more: str) -> str:
    """What a line of Python prints with these settings."""
    command = [sys.executable, "-c", f"import django; django.setup(); from django.conf import settings; print({code})"]
    done = subprocess.run(command, cwd=SERVER, env={**PLAIN, **KEY, **more}, capture_output=True, text=True)
    assert done.returncode == 0, done.stderr
    return done.stdout.strip()


def test_djangos_own_check_for_deployment_has_nothing_to_say() -> None:
    command = [sys.executable, "manage.py", "check", "--deploy", "--fail-level", "WARNING"]
    done = subprocess.run(command, cwd=SERVER, env={**PLAIN, **KEY}, capture_output=True, text=True)
    assert done.returncode == 0, done.stderr
    assert "no issues" in done.stdout


def test_cookies_and_pages_go_over_tls_unless_somebody_says_otherwise() -> None:
    names = "settings.SESSION_COOKIE_SECURE, settings.CSRF_COOKIE_SECURE, settings.SECURE_SSL_REDIRECT, settings.DEBUG"
    assert asked(names) == "True True True False"
    assert asked(names, AMVEL_HTTPS="0") == "False False False False"


def test_a_header_of_a_proxy_counts_only_where_there_is_one() -> None:
    assert asked("settings.SECURE_PROXY_SSL_HEADER") == "None"
    assert "X_FORWARDED_PROTO" in asked("settings.SECURE_PROXY_SSL_HEADER", AMVEL_BEHIND_PROXY="1")


def test_without_a_secret_key_nothing_starts() -> None:
    env = {k: v for k, v in PLAIN.items() if k != "AMVEL_SECRET_KEY"}
    done = subprocess.run([sys.executable, "manage.py", "check"], cwd=SERVER, env=env, capture_output=True, text=True)
    assert done.returncode != 0
    assert "AMVEL_SECRET_KEY" in done.stderr


@pytest.mark.django_db
@pytest.mark.parametrize("path", ["/", "/day", "/mark.svg", "/api/v1/session", "/healthz"])
def test_every_page_says_what_it_may_load_and_who_may_frame_it(client, settings, path: str) -> None:
    settings.WHITENOISE_AUTOREFRESH = True  # the built files are found when they are asked for
    headers = client.get(path).headers
    assert "default-src 'self'" in headers["Content-Security-Policy"]
    assert headers["X-Frame-Options"] == "SAMEORIGIN"
    assert headers["X-Content-Type-Options"] == "nosniff"
