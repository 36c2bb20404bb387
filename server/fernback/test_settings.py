"""Settings for tests: the same, with passwords that are quick to check and refusals that are not logged."""

from fernback.settings import *  # noqa: F403

PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
TEST_RUNNER = "fernback.testing.TallyRunner"
LOGGING = {"version": 1, "disable_existing_loggers": True}
