"""Job files of older versions brought up to the newest, one version at a time."""

from collections.abc import Callable
from copy import deepcopy
from typing import Any, Final

VERSION: Final = 2
FIRST: Final = 1  # files that state none

# Version 2 names choices by slugs; here by the field that holds them, what version 1 wrote.
SLUGS: Final[dict[str, dict[str, str]]] = {
    "kind": {
        "one plate": "one_plate",
        "two plates on standoffs": "two_plates",
        "plate and spacer ring": "ring",
        "base plate, foot-mounted motor": "base",
    },
    "locating": {
        "dowels reamed after indicating": "dowels",
        "not chosen": "not_chosen",
    },
    "outline_by": {"flange outline": "flange"},
    "seen_from": {"engine side": "engine", "gearbox side": "gearbox"},
    "turned": {"the dial, with the shaft": "dial", "the part, under a standing dial": "part"},
    "tapped": {
        "cast iron": "cast_iron",
        "aluminium, wrought": "aluminium_wrought",
        "aluminium, cast": "aluminium_cast",
    },
    "surface": {"dry steel or iron": "dry", "plated or anodised": "plated"},
    "property_class": {"grade 5": "grade_5", "grade 8": "grade_8"},
    "made_of": {"stainless steel": "stainless"},
    "tool": {
        "steel rule": "rule",
        "caliper on ground faces": "caliper_ground",
        "depth gauge": "depth_gauge",
        "combination square": "square",
        "plumb line": "plumb_line",
        "spirit level": "level",
        "digital inclinometer": "inclinometer",
        "dial indicator": "indicator",
        "traced card": "card",
        "hand-held scanner": "scanner",
    },
}
SEEN: Final = {"engine": "first", "gearbox": "second"}
BASE_SEEN: Final = {"engine": "above", "gearbox": "below"}


def brought_up(data: dict[str, Any]) -> dict[str, Any]:
    """Return a job file's data as the newest version writes it. What no version knows, the model refuses."""
    version = data.get("version", FIRST)
    while isinstance(version, int) and version in STEPS:
        data = STEPS[version](data)
        version = data["version"]
    return data


def sheets_brought_up(sheets: dict[str, Any], version: int) -> dict[str, Any]:
    """Return sheets that were kept by themselves as the newest version writes them."""
    found: dict[str, Any] = brought_up({"version": version, "sheets": sheets})["sheets"]
    return found


def record_brought_up(record: dict[str, Any]) -> dict[str, Any]:
    """Return a release or delivery that was kept by itself as the newest version writes it."""
    return record if "." in str(record.get("part", ".")) else _with_slugged_part(record)


def _to_2(data: dict[str, Any]) -> dict[str, Any]:
    """Masses became a part of the brief, choices and parts got slugs, a part's sides became first and second."""
    data = {**data, "version": 2}
    sheets = data.get("sheets")
    if isinstance(sheets, dict):
        sheets = _slugged(deepcopy(sheets))
        masses = sheets.pop("masses", None)
        brief = sheets.setdefault("brief", {}) if masses is not None else sheets.get("brief")
        if masses is not None and isinstance(brief, dict):
            brief["masses"] = masses
        data["sheets"] = sheets
    build = data.get("build")
    if isinstance(build, dict):
        data["build"] = {key: _records(kept) for key, kept in build.items()}
    return data


def _records(kept: Any) -> Any:
    return (
        [_with_slugged_part(one) if isinstance(one, dict) else one for one in kept] if isinstance(kept, list) else kept
    )


def _with_slugged_part(record: dict[str, Any]) -> dict[str, Any]:
    changed = {**record}
    if isinstance(record.get("part"), str):
        changed["part"] = f"plate.{record['part']}"
    side = record.get("side")
    if isinstance(side, str):
        changed["side"] = SEEN.get(side, side)
        changed["seen_from"] = BASE_SEEN.get(side, "") if record.get("part") == "base_plate" else f"{side} side"
    return changed


def _slugged(value: Any) -> Any:
    if isinstance(value, list):
        return [_slugged(one) for one in value]
    if not isinstance(value, dict):
        return value
    return {
        key: SLUGS[key].get(one, one) if key in SLUGS and isinstance(one, str) else _slugged(one)
        for key, one in value.items()
    }


STEPS: Final[dict[object, Callable[[dict[str, Any]], dict[str, Any]]]] = {1: _to_2}
