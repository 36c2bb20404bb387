"""Settings for tests: the same, with passwords that are quick to check and refusals that are not logged."""

import atexit
import shutil
import tempfile
from pathlib import Path

from fernback.settings import *  # noqa: F403

MEDIA = Path(tempfile.mkdtemp(prefix="fernback-media-"))
atexit.register(shutil.rmtree, MEDIA, ignore_errors=True)

PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
TEST_RUNNER = "fernback.testing.TallyRunner"
LOGGING = {
    "version": 1,
    "disable_existing_loggers": True,
    "handlers": {"none": {"class": "logging.NullHandler"}},
    "root": {"handlers": ["none"]},
}
