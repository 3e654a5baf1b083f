"""Every browser test: one Chromium for a test process, which keeps nothing of a test but the application's files."""

from tests.answers_once import answers_once, put_by
from tests.browser.driving import chromium, device, installed_page, page
from tests.kept_connections import kept_connections
from tests.quick_passwords import quick_passwords

__all__ = ["answers_once", "chromium", "device", "installed_page", "kept_connections", "page", "put_by", "quick_passwords"]
