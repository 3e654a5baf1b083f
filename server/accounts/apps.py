"""People and how they get in."""

from django.apps import AppConfig


class AccountsConfig(AppConfig):
    name = "accounts"

    def ready(self) -> None:
        from django.contrib.auth.signals import user_logged_in, user_logged_out

        from accounts.open_sessions import begun, ended

        user_logged_in.connect(begun)
        user_logged_out.connect(ended)
