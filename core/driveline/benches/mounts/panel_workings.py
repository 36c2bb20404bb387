"""The sums behind a wall that may fold."""

from typing import Final

from driveline.benches.mounts.brackets import STEEL
from driveline.metal.panels import Fold
from driveline.working import Given, Step, Working, step, tabled, worked

PANEL: Final = "k π² E/(12 (1 - ν²)) (t/b)²; above half of yield S_y (1 - S_y/4σ)."


def panel_working(wall: Fold, yield_mpa: float) -> Working:
    """Return the stress at which a wall folds."""
    return Working(steps=panel_steps(wall, worked("R", yield_mpa, "MPa", "yield")), source=PANEL)


def panel_steps(wall: Fold, yielding: Given) -> tuple[Step, ...]:
    """Return the elastic stress at which a wall folds, and what yield leaves of it."""
    found, elastic = wall.found, _elastic_step(wall)
    if found.rule == "elastic":
        return (elastic,)
    folds = step("c", "R * (1 - R / (4 * σ))", elastic, yielding, value=found.buckling_mpa, unit="MPa", decimals=0)
    return elastic, folds


def _elastic_step(wall: Fold) -> Step:
    panel, found = wall.panel, wall.found
    if panel.is_round:
        return step(
            "σ",
            "k * E * t / r",
            tabled("k", found.factor, "", "0.605, lowered to what tests bore"),
            tabled("E", STEEL.modulus_mpa, "MPa", "steel"),
            worked("t", panel.thickness_mm, "mm", f"{panel.words}, thick"),
            worked("r", panel.breadth_mm, "mm", "radius of its middle line"),
            value=found.elastic_mpa,
            unit="MPa",
            decimals=0,
        )
    return step(
        "σ",
        "k * pi**2 * E / (12 * (1 - ν**2)) * (t / b)**2",
        tabled("k", found.factor, "", "one long edge free" if panel.has_free_edge else "both long edges supported"),
        tabled("E", STEEL.modulus_mpa, "MPa", "steel"),
        tabled("ν", STEEL.poisson, "", "steel"),
        worked("t", panel.thickness_mm, "mm", f"{panel.words}, thick"),
        worked("b", panel.breadth_mm, "mm", f"{panel.words}, clear breadth"),
        value=found.elastic_mpa,
        unit="MPa",
        decimals=0,
    )
