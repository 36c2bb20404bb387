"""A browser on the demo shop. Any error on the page, or in its console, fails the test."""

import os
import re
from datetime import UTC, datetime
from typing import Any
from unittest import mock

from django.contrib.staticfiles.testing import StaticLiveServerTestCase
from django.core.management import call_command
from playwright.sync_api import Browser, BrowserContext, Page, Playwright, expect, sync_playwright

from jobs.beside import give_up_and_wait

PASSWORD = "only-for-tests"
FLAGS = [
    "--no-sandbox",
    "--disable-dev-shm-usage",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]
# What the browser itself says of an answer that a test provokes on purpose.
EXPECTED = ("status of 409", "status of 422", "status of 401")


class BrowserTestCase(StaticLiveServerTestCase):
    """The application with the demo data, and a fresh browser context per person."""

    playwright: Playwright
    chromium: Browser

    @classmethod
    def setUpClass(cls) -> None:
        # Playwright runs an event loop in this thread, which Django would take for an async caller.
        cls.enterClassContext(mock.patch.dict(os.environ, {"DJANGO_ALLOW_ASYNC_UNSAFE": "1"}))
        cls.playwright = cls.enterClassContext(sync_playwright())
        cls.chromium = cls.playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
        cls.addClassCleanup(cls.chromium.close)
        expect.set_options(timeout=15_000)
        super().setUpClass()

    def setUp(self) -> None:
        self.addCleanup(give_up_and_wait)
        self.troubles: list[str] = []
        call_command("load_demo", password=PASSWORD, stdout=open(os.devnull, "w"))  # noqa: SIM115, PTH123

    def tearDown(self) -> None:
        self.assertEqual(self.troubles, [])

    def context(self, **options: Any) -> BrowserContext:
        context = self.chromium.new_context(
            **{"viewport": {"width": 1280, "height": 800}, "accept_downloads": True, **options}
        )
        context.set_default_timeout(30_000)  # a machine that is busy with the laws as well
        self.addCleanup(context.close)
        return context

    def page_of(self, username: str, context: BrowserContext | None = None, **options: Any) -> Page:
        """Sign a person in and return their page, on the list of jobs."""
        page = (context or self.context(**options)).new_page()
        page.on("pageerror", lambda error: self.troubles.append(str(error)))
        page.on("console", lambda message: self._note(message.type, message.text))
        page.goto(self.live_server_url)
        page.get_by_label("Name").fill(username)
        page.get_by_label("Password").fill(PASSWORD)
        page.get_by_role("button", name="Sign in").click()
        expect(page.get_by_role("heading", name="Jobs")).to_be_visible()
        return page

    def _note(self, kind: str, text: str) -> None:
        if kind == "error" and not any(expected in text for expected in EXPECTED):
            self.troubles.append(text)

    def as_one_gesture(self, page: Page) -> None:
        """Let the page's clock stand: what is pressed now follows closely, however busy the machine is."""
        page.clock.set_fixed_time(datetime.now(UTC))

    def open_job(self, page: Page, job: str, step: str) -> None:
        page.get_by_role("link", name=re.compile(f"^{job} ")).click()
        steps = page.get_by_role("navigation", name="Steps")
        expect(page.get_by_role("heading", name="Checks").first).to_be_visible()
        if not steps.get_by_role("link", name=step).is_visible():
            steps.get_by_text("not in this layout").click()
        steps.get_by_role("link", name=step).click()
        expect(page.get_by_role("heading", name="Checks")).to_be_visible()
