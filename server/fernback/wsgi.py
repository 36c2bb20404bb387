"""The application server's way in."""

import os
from importlib import import_module

from django.conf import settings
from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "fernback.settings")
application = get_wsgi_application()
# Everything is imported before the workers are forked, so that none of them keeps its first visitor waiting.
import_module(settings.ROOT_URLCONF)
