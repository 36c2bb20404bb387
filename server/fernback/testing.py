"""Django's test runner, which also leaves its tally for ``./test`` to add up."""

import os
import unittest
from pathlib import Path
from typing import Any

from django.test.runner import DiscoverRunner


class TallyRunner(DiscoverRunner):
    """Appends ``passed failed`` to the file named by FERNBACK_TALLY."""

    def suite_result(self, suite: unittest.TestSuite, result: Any, **kwargs: Any) -> int:
        failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
        if tally := os.environ.get("FERNBACK_TALLY"):
            with Path(tally).open("a") as file:
                file.write(f"{max(result.testsRun - failed, 0)} {failed}\n")
        return super().suite_result(suite, result, **kwargs)
