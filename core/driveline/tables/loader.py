"""Reads the tables once."""

import json
from functools import cache
from pathlib import Path
from typing import Any

FOLDER = Path(__file__).parent


@cache
def table(name: str) -> dict[str, Any]:
    """Return a table by its file's name, without the ending; read once."""
    found: dict[str, Any] = json.loads((FOLDER / f"{name}.json").read_text())
    return found
