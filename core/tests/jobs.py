"""A job of round figures to work by hand: 1000 kg, 2000 mm a turn, 200 N·m flat to 6000 rpm."""

import re
from typing import Any

from driveline.benches.brief.needs import BriefNeeds
from driveline.benches.brief.solve import run as run_brief
from driveline.benches.contract import LaidOut
from driveline.checks import Check
from driveline.figures import written
from driveline.gearing.brief import Brief
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from driveline.margins import Judge, Margins

WHEEL_RPM_PER_KMH = 1000 / 60 / 2  # 2 m a turn
USUAL_SHAFT_AND_AXLE = 0.995 * 0.99


def box(name: str, ratio: str, **more: Any) -> dict[str, Any]:
    return {"name": name, "ratio": {"text": ratio}, **more}


def round_job(layout: str, ratios: dict[str, Any], **brief: Any) -> dict[str, Any]:
    """Return a job file of that layout; ``brief`` replaces parts of its brief."""
    sheet = {
        "vehicle": {
            "kerb_mass": {"text": "1000 kg"},
            "laden_mass": {"text": "1200 kg"},
            "front_share": 0.5,
            "cg_height": {"text": "500 mm"},
            "wheelbase": {"text": "2500 mm"},
            "cda_m2": 0.7,
        },
        "tyre": {"roll_out": {"text": "2000 mm"}},
        "motor": {
            "peak_torque": {"text": "200 Nm"},
            "peak_power": {"text": "125.66 kW"},
            "greatest_rpm": {"text": "6000 rpm"},
            "continuous_torque": {"text": "100 Nm"},
            "continuous_power": {"text": "62.83 kW"},
            "battery_power": {"text": "300 kW"},
            "overrun_torque": {"text": "50 Nm"},
        },
        "layout": layout,
        "wanted": {"top_speed": {"text": "60 km/h"}, "cruise_speed": {"text": "50 km/h"}},
    }
    load = {
        "name": "load",
        "mass": {"text": "200 kg"},
        "only_laden": True,
        "x": {"text": "1250 mm"},
        "z": {"text": "500 mm"},
    }
    whole = {"masses": {"items": [load]}, **sheet, **brief}
    return {"version": 2, "name": "Round", "sheets": {"brief": whole, "ratios": ratios}}


def solved(layout: str, ratios: dict[str, Any], **brief: Any) -> JobResult:
    """Return what such a job comes to, with the first of each list chosen where it says nothing of a choice."""
    return evaluate(JobFile.model_validate(round_job(layout, {"choice": first_of(ratios), **ratios}, **brief)))


def first_of(ratios: dict[str, Any]) -> dict[str, Any]:
    """The choice of the first of each list of parts."""
    lists = {
        "reduction": ratios.get("reductions"),
        "gear": ratios.get("gearbox", {}).get("gears"),
        "final_drive": ratios.get("final_drives"),
        "front_reduction": ratios.get("front_reductions"),
        "front_final_drive": ratios.get("front_final_drives"),
    }
    return {name: parts[0]["name"] for name, parts in lists.items() if parts}


def brief_of(job: JobFile) -> Brief:
    """The vehicle and its motors, ready to calculate with."""
    sheet = job.sheets.brief
    solved = run_brief(sheet, LaidOut(), BriefNeeds(), Judge("brief", Margins(job.sheets.margins))).solved
    return solved.brief


def check_of(result: JobResult, key: str) -> Check:
    return next(check for check in result.checks if check.key == key)


def said(text: str) -> str:
    """A text of the core as it is read in metric units, its spaces all alike."""
    return re.sub(r"\s", " ", written(text))


def keys_of(result: JobResult) -> set[str]:
    return {check.key for check in result.checks}


GEARBOX: dict[str, Any] = {"gears": [box("2nd", "2.0", efficiency=0.9)]}
KEPT: dict[str, Any] = {"gearbox": GEARBOX, "final_drives": [box("4.0", "4.0", efficiency=0.9)]}
CENTRE: dict[str, Any] = {
    "reductions": [box("unit", "8.0", efficiency=0.9)],
    "final_drives": [box("4.0", "4.0", efficiency=0.9)],
}
TWO: dict[str, Any] = {
    "reductions": [box("rear", "8.0", efficiency=0.9)],
    "front_reductions": [box("front", "10.0", efficiency=0.9)],
}
