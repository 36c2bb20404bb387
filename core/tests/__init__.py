"""Tests of the core. Property tests draw the same examples every time: a failure is there again when looked at."""

from hypothesis import settings

settings.register_profile("repeatable", derandomize=True, deadline=None)
settings.load_profile("repeatable")
