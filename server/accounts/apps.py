"""People and how they get in."""

from django.apps import AppConfig


class AccountsConfig(AppConfig):
    name = "accounts"

    def ready(self) -> None:
        from accounts import open_sessions  # noqa: F401  (hears of log-ins)
