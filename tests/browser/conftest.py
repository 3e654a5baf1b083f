"""Every browser test: one Chromium for a test process, a context of its own for each test."""

from tests.answers_once import answers_once, put_by
from tests.browser.driving import chromium, installed_page, page
from tests.quick_passwords import quick_passwords

__all__ = ["answers_once", "chromium", "installed_page", "page", "put_by", "quick_passwords"]
