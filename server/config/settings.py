"""Settings.  Everything that differs between machines comes from the environment; defaults are the safe ones."""

import os
from pathlib import Path

from config.logs import configure, logging_config
from config.middleware import policy_headers

BASE_DIR = Path(__file__).resolve().parent.parent
ROOT = BASE_DIR.parent
DEBUG = os.environ.get("AMVEL_DEBUG") == "1"
SECRET_KEY = os.environ["AMVEL_SECRET_KEY"]
ALLOWED_HOSTS = os.environ.get("AMVEL_HOSTS", "127.0.0.1,localhost").split(",")
CSRF_TRUSTED_ORIGINS = [o for o in os.environ.get("AMVEL_ORIGINS", "").split(",") if o]

INSTALLED_APPS = [
    "django.contrib.contenttypes",
    "django.contrib.auth",
    "django.contrib.sessions",
    "django.contrib.messages",
    "django.contrib.postgres",
    "django.contrib.staticfiles",
    "axes",
    "django_otp",
    "django_otp.plugins.otp_totp",
    "django_otp.plugins.otp_static",
    "ninja",
    "procrastinate.contrib.django",
    "accounts",
    "clients",
    "exchange",
    "jobs",
    "operation",
    "programmes",
    "papers",
    "visits",
    "practice",
    "rulebook_signing",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "config.logs.Logged",
    "accounts.session_cookie.SessionCookie",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.contrib.messages.middleware.MessageMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "config.middleware.ContentPolicy",
    "config.guard.Guard",
    "axes.middleware.AxesMiddleware",
    "accounts.idle.Idle",
    "clients.sent_twice.SentTwice",
]
ROOT_URLCONF = "config.urls"
WSGI_APPLICATION = "config.wsgi.application"
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "DIRS": [BASE_DIR / "templates"],
        "APP_DIRS": True,
        "OPTIONS": {"context_processors": ["django.template.context_processors.request"]},
    }
]
DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.postgresql",
        "NAME": os.environ.get("AMVEL_DB_NAME", "amvel"),
        "USER": os.environ.get("AMVEL_DB_USER", "amvel"),
        "PASSWORD": os.environ.get("AMVEL_DB_PASSWORD", ""),
        "HOST": os.environ.get("AMVEL_DB_HOST", "127.0.0.1"),
        "PORT": os.environ.get("AMVEL_DB_PORT", "5432"),
        "CONN_MAX_AGE": int(os.environ.get("AMVEL_DB_KEEP_S", "60")),
        "CONN_HEALTH_CHECKS": True,  # a database that comes back on its port is used again
    }
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"
AUTH_USER_MODEL = "accounts.User"
AUTHENTICATION_BACKENDS = ["axes.backends.AxesStandaloneBackend", "django.contrib.auth.backends.ModelBackend"]
PASSWORD_HASHERS = ["django.contrib.auth.hashers.Argon2PasswordHasher"]
_RULES = "django.contrib.auth.password_validation"
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": f"{_RULES}.MinimumLengthValidator", "OPTIONS": {"min_length": 10}},
    {"NAME": f"{_RULES}.UserAttributeSimilarityValidator"},
    {"NAME": f"{_RULES}.CommonPasswordValidator"},
    {"NAME": f"{_RULES}.NumericPasswordValidator"},
    {"NAME": "accounts.guessable.NotGuessable"},
]
OTP_TOTP_ISSUER = "Amvel"
PASSWORD_RESET_TIMEOUT = 3 * 24 * 3600
AXES_FAILURE_LIMIT = 5
AXES_COOLOFF_TIME = 0.25  # hours
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_RESET_ON_SUCCESS = True
FAILURES_A_NAME, FAILURES_AN_ADDRESS = 20, 60  # in that time, see accounts/guessing.py

# Long answers are left to workers beside the processes that serve pages; tests and commands make them where they are.
# A referrer's FHIR server, for one organisation; without an address there is none (docs/formats.md).
REFERRER_URL = os.environ.get("AMVEL_REFERRER_URL", "")
REFERRER_ORGANISATION = os.environ.get("AMVEL_REFERRER_ORGANISATION", "")
REFERRER_TOKEN = os.environ.get("AMVEL_REFERRER_TOKEN", "")
REFERRER_WAIT_S = (3.0, 6.0)  # to reach it, and for each answer
METRICS_TOKEN = os.environ.get("AMVEL_METRICS_TOKEN", "")  # whoever carries it reads /metrics; without one there is no such page
KEEP_YEARS = int(os.environ.get("AMVEL_KEEP_YEARS", "10"))  # records are erased no earlier without a reason; local law prevails
WORKERS = os.environ.get("AMVEL_WORKERS", "0") != "0"

LANGUAGE_CODE = "en"
TIME_ZONE = os.environ.get("AMVEL_TIME_ZONE", "UTC")
USE_TZ = True
STATIC_URL = "/static/"
STATIC_ROOT = ROOT / "var" / "static"
WEB_BUILD = ROOT / "web" / "dist"
WHITENOISE_ROOT = WEB_BUILD if WEB_BUILD.exists() else None
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SAMESITE = CSRF_COOKIE_SAMESITE = "Lax"
SESSION_COOKIE_AGE = 8 * 3600
SESSION_EXPIRE_AT_BROWSER_CLOSE = True
IDLE_MINUTES = int(os.environ.get("AMVEL_IDLE_MINUTES", "45"))
# Only who says so goes without TLS: ./start does, on loopback.
HTTPS = os.environ.get("AMVEL_HTTPS", "1") != "0"
SECURE_SSL_REDIRECT = SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = HTTPS
SECURE_HSTS_SECONDS = 31536000 if HTTPS else 0
SECURE_HSTS_INCLUDE_SUBDOMAINS = SECURE_HSTS_PRELOAD = HTTPS
# Behind a proxy that ends TLS and overwrites this header in every request; without such a proxy anybody could send it.
SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https") if os.environ.get("AMVEL_BEHIND_PROXY") == "1" else None
SECURE_REDIRECT_EXEMPT = [r"^healthz$", r"^readyz$"]  # whoever supervises asks on loopback
SECURE_CONTENT_TYPE_NOSNIFF = True
X_FRAME_OPTIONS = "SAMEORIGIN"
SILENCED_SYSTEM_CHECKS = ["security.W019"]  # papers are looked at in a frame of our own pages, and of no others
WHITENOISE_ADD_HEADERS_FUNCTION = policy_headers
DATA_UPLOAD_MAX_MEMORY_SIZE = 1_000_000
# Until a mail server is named, mail lands in a folder of the project: a stand-in mailbox.
EMAIL_HOST = os.environ.get("AMVEL_MAIL_HOST", "")
EMAIL_PORT = int(os.environ.get("AMVEL_MAIL_PORT", "587"))
EMAIL_USE_TLS = os.environ.get("AMVEL_MAIL_TLS", "1") == "1"
EMAIL_HOST_USER = os.environ.get("AMVEL_MAIL_USER", "")
EMAIL_HOST_PASSWORD = os.environ.get("AMVEL_MAIL_PASSWORD", "")
EMAIL_BACKEND = f"django.core.mail.backends.{'smtp' if EMAIL_HOST else 'filebased'}.EmailBackend"
EMAIL_FILE_PATH = ROOT / "var" / "mailbox"
DEFAULT_FROM_EMAIL = os.environ.get("AMVEL_MAIL_FROM", "exercises@localhost")
LOGGING = logging_config(os.environ.get("AMVEL_LOG_LEVEL", "WARNING"))
configure()
