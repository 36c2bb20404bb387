"""Law 5: nothing takes long, fills the memory, or ends in anything but an answer or a refusal by name."""

import os
from unittest import TestCase

from tests.laws.fuzz import fuzz

COUNT = int(os.environ.get("FERNBACK_FUZZ", "500"))


class FuzzTest(TestCase):
    maxDiff = None
    tags = frozenset({"laws"})  # ./test runs them beside the others

    def test_bent_jobs_are_answered_or_refused(self) -> None:
        self.assertEqual(fuzz("jobs", COUNT), [])

    def test_bent_files_are_read_or_refused(self) -> None:
        self.assertEqual(fuzz("files", COUNT), [])
