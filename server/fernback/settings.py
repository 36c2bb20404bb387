"""Settings. What differs between machines comes from the environment, which ``./start`` and ``./test`` set."""

import os
from pathlib import Path

ROOT = Path(__file__).resolve().parents[2]
WEB_DIST = ROOT / "web" / "dist"
MEDIA = Path(os.environ.get("FERNBACK_MEDIA", ROOT / ".media"))  # scans, outside the database

SECRET_KEY = os.environ.get("FERNBACK_SECRET_KEY", "")
if not SECRET_KEY:
    raise RuntimeError("FERNBACK_SECRET_KEY is not set. Run ./start, which makes one for this machine.")
DEBUG = False
PROXIES = int(os.environ.get("FERNBACK_PROXIES", "0"))  # that stand before this server, each adding whom it heard
ALLOWED_HOSTS = os.environ.get("FERNBACK_HOSTS", "127.0.0.1,localhost").split(",")

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.staticfiles",
    "ninja",
    "axes",
    "accounts",
    "jobs",
    "library",
    "build",
    "scans.apps.ScansConfig",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "fernback.middleware.content_security_policy",  # ahead of whatever answers, files as well
    "whitenoise.middleware.WhiteNoiseMiddleware",  # ahead of gzip: what it serves is compressed when it is built
    "django.middleware.gzip.GZipMiddleware",  # it pads answers at random, so that their length tells nothing
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "fernback.gate.gate",  # ahead of CSRF, which reads a form to its end
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
]
ROOT_URLCONF = "fernback.urls"
WSGI_APPLICATION = "fernback.wsgi.application"
TEMPLATES: list[dict[str, object]] = []

DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.postgresql",
        "NAME": os.environ.get("FERNBACK_DB_NAME", "fernback"),
        "USER": os.environ.get("FERNBACK_DB_USER", "postgres"),
        "PASSWORD": os.environ.get("FERNBACK_DB_PASSWORD", ""),
        # One, or several with commas, each with its port: whichever of them takes writes is used.
        "HOST": os.environ.get("FERNBACK_DB_SOCKET", ""),
        "PORT": os.environ.get("FERNBACK_DB_PORT", "5432"),
        "OPTIONS": {"target_session_attrs": "read-write", "connect_timeout": 3},
        "CONN_MAX_AGE": 60,
        "CONN_HEALTH_CHECKS": True,  # the database may be killed and come back between two requests
    }
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

AUTH_USER_MODEL = "accounts.User"
AUTHENTICATION_BACKENDS = ["axes.backends.AxesStandaloneBackend", "accounts.sessions.SessionBackend"]
_VALIDATION = "django.contrib.auth.password_validation"
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": f"{_VALIDATION}.MinimumLengthValidator", "OPTIONS": {"min_length": 10}},
    {"NAME": f"{_VALIDATION}.CommonPasswordValidator"},  # the twenty thousand that are tried first
    {"NAME": f"{_VALIDATION}.UserAttributeSimilarityValidator"},
]
AXES_FAILURE_LIMIT = 5
AXES_COOLOFF_TIME = 0.25  # hours
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_RESET_ON_SUCCESS = True
AXES_CLIENT_IP_CALLABLE = "accounts.events.address_of"
AXES_LOCKOUT_CALLABLE = "accounts.api.locked_out"
AXES_VERBOSE = False

SESSION_ENGINE = "accounts.sessions"
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SAMESITE = "Lax"
CSRF_COOKIE_SAMESITE = "Lax"
CSRF_FAILURE_VIEW = "fernback.errors.csrf_failure"
SECURE_CONTENT_TYPE_NOSNIFF = True
if os.environ.get("FERNBACK_HTTPS"):  # behind a proxy that speaks it, and says so
    SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https")
    SECURE_HSTS_SECONDS = 31_536_000
    SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = True
    CSRF_TRUSTED_ORIGINS = [f"https://{host}" for host in ALLOWED_HOSTS]
X_FRAME_OPTIONS = "DENY"

DATA_UPLOAD_MAX_MEMORY_SIZE = 2_000_000
FILE_UPLOAD_MAX_MEMORY_SIZE = 2_000_000

STATIC_URL = "/static/"
STATICFILES_DIRS: list[Path] = []
WHITENOISE_ROOT = WEB_DIST if WEB_DIST.is_dir() else None
WHITENOISE_MAX_AGE = 0  # file names in assets/ carry a hash and are marked immutable below


def _is_hashed(_path: str, url: str) -> bool:
    return url.startswith("/assets/")


WHITENOISE_IMMUTABLE_FILE_TEST = _is_hashed

USE_TZ = True
TIME_ZONE = "UTC"
LANGUAGE_CODE = "en-gb"
LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "formatters": {"json": {"()": "fernback.logs.JsonFormatter"}},
    "handlers": {"console": {"class": "logging.StreamHandler", "formatter": "json"}},
    "root": {"handlers": ["console"], "level": os.environ.get("FERNBACK_LOG", "warning").upper()},
    # Django says a failure once more, without our number; the doors' own record has wrong passwords.
    "loggers": {"django.request": {"level": "CRITICAL"}, "axes": {"level": "ERROR"}},
}
