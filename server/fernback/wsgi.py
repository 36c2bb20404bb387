"""The application server's way in."""

import gc
import os
from importlib import import_module

from django.conf import settings
from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "fernback.settings")
application = get_wsgi_application()
# Everything is imported before the workers are forked, so that none of them keeps its first visitor waiting.
import_module(settings.ROOT_URLCONF)
# What is there now stays, so that collecting garbage never walks through it; a keystroke makes some 20 000 objects and
# drops them all, which is no reason to look for circles thirty times.
gc.freeze()
gc.set_threshold(50_000, 20, 20)
