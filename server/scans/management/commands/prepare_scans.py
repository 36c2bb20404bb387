"""Make scans ready as they come, until the process that started this one ends."""

import os
import time
from argparse import ArgumentParser

from django.core.management.base import BaseCommand

from scans.incoming import tidy
from scans.work import work_off

LOOK_EVERY_S = 1.0
TIDY_EVERY = 600  # looks
GIVES_WAY = 10


class Command(BaseCommand):
    """The worker."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--once", action="store_true", help="what waits now, then end")

    def handle(self, *_args: object, once: bool, **_options: object) -> None:
        os.nice(GIVES_WAY)
        started_by, looks = os.getppid(), 0
        while True:
            if looks % TIDY_EVERY == 0:
                tidy()
            looks += 1
            work_off()
            if once or os.getppid() != started_by:
                return
            time.sleep(LOOK_EVERY_S)
