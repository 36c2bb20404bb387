"""Two shops with their people, and a client that sends the CSRF token as the page does."""

import json
from pathlib import Path
from typing import Any

from django.test import Client, TestCase

from accounts.models import Membership, Role, Shop, User
from jobs.actions import import_job
from jobs.models import Job

PASSWORD = "only-for-tests"
DEMO = Path(__file__).resolve().parents[1] / "demo"


class ShopClient(Client):
    """A browser: checks CSRF, and answers with JSON."""

    def __init__(self, **more: Any) -> None:
        super().__init__(enforce_csrf_checks=True, **more)
        self.get("/api/session")

    def sign_in(self, username: str, password: str = PASSWORD) -> Any:
        return self.send("post", "/api/session", {"username": username, "password": password})

    def send(self, method: str, path: str, body: Any = None, **more: Any) -> Any:
        token = self.cookies["csrftoken"].value
        return getattr(self, method)(
            path, json.dumps(body), content_type="application/json", headers={"X-CSRFToken": token}, **more
        )

    def upload(self, path: str, name: str, data: bytes) -> Any:
        from django.core.files.uploadedfile import SimpleUploadedFile

        token = self.cookies["csrftoken"].value
        return self.post(path, {"file": SimpleUploadedFile(name, data)}, headers={"X-CSRFToken": token})


class ShopTestCase(TestCase):
    """Saltmarsh with an owner, a fabricator and a viewer; another shop with a stranger."""

    shop: Shop
    other_shop: Shop
    wren: Job

    @classmethod
    def setUpTestData(cls) -> None:
        cls.shop = Shop.objects.create(name="Saltmarsh Motor Works")
        cls.other_shop = Shop.objects.create(name="Fellside Conversions")
        for name, shop, role in [
            ("owner", cls.shop, Role.OWNER),
            ("fabricator", cls.shop, Role.FABRICATOR),
            ("viewer", cls.shop, Role.VIEWER),
            ("stranger", cls.other_shop, Role.OWNER),
        ]:
            user = User.objects.create_user(username=name, password=PASSWORD)
            Membership.objects.create(user=user, shop=shop, role=role)
        fabricator = User.objects.get(username="fabricator")
        cls.wren = import_job(shop=cls.shop, author=fabricator, data=(DEMO / "wren.fernback.json").read_bytes())

    def client_of(self, username: str) -> ShopClient:
        client = ShopClient()
        self.assertEqual(client.sign_in(username).status_code, 200)
        return client
