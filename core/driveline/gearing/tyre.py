"""How far a tyre rolls in one turn: from its code, from a roll-out, or from its loaded radius.

Left out: growth with speed, which ETRTO's factors carry at 60 km/h, and wear.
"""

import math
import re
from dataclasses import dataclass
from enum import StrEnum
from typing import Final

from driveline.errors import ImpossibleInput, UnreadableMeasurement
from driveline.figures import fig

LEAST_PLAUSIBLE_MM: Final = 1200.0
GREATEST_PLAUSIBLE_MM: Final = 3200.0
DIFFER_QUERY_SHARE: Final = 0.025
LOADED_RADIUS_U_SHARE: Final = 0.015
CODE_U_SHARE: Final = 0.015  # between makers and wear states of one size


class Construction(StrEnum):
    """How the carcass is laid; it sets how far the tyre rolls for its size."""

    RADIAL = "radial"
    CROSS_PLY = "cross-ply"


ROLLING_PER_DIAMETER: Final = {Construction.RADIAL: 3.05, Construction.CROSS_PLY: 2.99}
ROLLING_PER_LOADED: Final = {Construction.RADIAL: 1.04, Construction.CROSS_PLY: 1.02}

# After the width may stand a speed letter (185HR14), after the rim a C or LT for commercial tyres (155R12C).
_LAID = r"\s*[A-HJ-NP-UVWYZ]?(R|-)\s*"
_RIM = r"(\d{2}(?:\.5)?)(?:C|LT)?(?![\d.])"
_SECTION = re.compile(rf"^(?:P|LT)?(\d{{3}})/(\d{{2,3}}){_LAID}{_RIM}", re.I)
_NO_ASPECT = re.compile(rf"^(\d{{3}}){_LAID}{_RIM}", re.I)
_INCH_SECTION = re.compile(rf"^(\d{{1,2}}\.\d{{1,2}}){_LAID}{_RIM}", re.I)
_FLOTATION = re.compile(rf"^(\d{{2}}(?:\.\d+)?)\s*[x×]\s*\d{{1,2}}(?:\.\d+)?{_LAID}{_RIM}", re.I)


@dataclass(frozen=True, slots=True)
class TyreSize:
    """What a tyre's code says about it."""

    free_diameter_mm: float
    construction: Construction


@dataclass(frozen=True, slots=True, kw_only=True)
class Rolling:
    """A rolling circumference and the method behind it."""

    circumference_mm: float
    method: str
    u_mm: float


def read_tyre_code(code: str) -> TyreSize:
    """Return the free diameter and construction that a tyre's code stands for.

    Section codes (195/65R15), codes without an aspect (165 R 13, 82 %; 6.50-16, 95 %) and inch
    flotation sizes (31×10.50 R 15). Load and speed marks after the rim are not read.

    Args:
        code: As moulded on the sidewall.

    Returns:
        Diameter in mm with the tyre off the ground, and its construction.

    Raises:
        UnreadableMeasurement: If the code is none of these.

    Source:
        ETRTO Standards Manual, tyre size designations; aspects of codes that state none are customary.
    """
    text = code.strip()
    if found := _SECTION.match(text):
        width_mm, aspect_pct, laid, rim_in = float(found[1]), float(found[2]), found[3], float(found[4])
    elif found := _NO_ASPECT.match(text):
        width_mm, aspect_pct, laid, rim_in = float(found[1]), 82.0, found[2], float(found[3])
    elif found := _INCH_SECTION.match(text):
        width_mm, aspect_pct, laid, rim_in = float(found[1]) * 25.4, 95.0, found[2], float(found[3])
    elif found := _FLOTATION.match(text):
        return TyreSize(25.4 * float(found[1]), _construction(found[2]))
    else:
        raise UnreadableMeasurement(
            code,
            f"“{code}” is not a tyre size known here.",
            "Type it like 195/65R15, 165 R 13, 6.50-16 or 31x10.50 R 15.",
        )
    return TyreSize(25.4 * rim_in + 2 * width_mm * aspect_pct / 100, _construction(laid))


def _construction(letter: str) -> Construction:
    return Construction.CROSS_PLY if letter == "-" else Construction.RADIAL


def rolling_from_code(size: TyreSize) -> Rolling:
    """Return the rolling circumference of a tyre size, u 1.5 % for maker and wear.

    Source:
        ETRTO: 3.05 × free diameter for radials, 2.99 for cross-ply.
    """
    circumference_mm = ROLLING_PER_DIAMETER[size.construction] * size.free_diameter_mm
    return Rolling(circumference_mm=circumference_mm, method="tyre code", u_mm=CODE_U_SHARE * circumference_mm)


def rolling_from_roll_out(*, distance_mm: float, turns: int, u_mm: float = 1.0) -> Rolling:
    """Return the rolling circumference measured by rolling the loaded wheel along the floor.

    Args:
        distance_mm: Floor from mark to mark; above 0.
        turns: Whole turns of the wheel; at least 1.
        u_mm: Standard uncertainty of the distance.

    Returns:
        Distance per turn; more turns make it surer.

    Raises:
        ImpossibleInput: If a figure is outside the range stated above.

    Source:
        Circumference = distance / turns, by definition.
    """
    if not distance_mm > 0:
        raise ImpossibleInput("distance_mm", fig(distance_mm, "mm"), "above 0")
    if turns < 1:
        raise ImpossibleInput("turns", turns, "at least 1")
    return Rolling(circumference_mm=distance_mm / turns, method=f"roll-out over {turns} turns", u_mm=u_mm / turns)


def rolling_from_loaded_radius(
    *, loaded_radius_mm: float, construction: Construction, free_radius_mm: float | None = None
) -> Rolling:
    """Return the rolling circumference from the height of the hub's centre over the floor.

    Args:
        loaded_radius_mm: Hub centre to floor at ride height; above 0.
        construction: Of the tyre; used when the free radius is not given.
        free_radius_mm: Hub centre to the top of the tread, unloaded; not below the loaded one.

    Returns:
        2π(2 r_f + r_l)/3 with both radii; with the loaded one alone 2π r_l × 1.04 (radial) or × 1.02
        (cross-ply). u 1.5 %.

    Raises:
        ImpossibleInput: If a radius is outside the range stated above.

    Source:
        A loaded tyre rolls at a radius between its free and its loaded one, two to one; factors of the loaded
        radius alone are customary.
    """
    if not loaded_radius_mm > 0:
        raise ImpossibleInput("loaded_radius_mm", fig(loaded_radius_mm, "mm"), "above 0")
    if free_radius_mm is None:
        circumference_mm = 2 * math.pi * loaded_radius_mm * ROLLING_PER_LOADED[construction]
        method = "loaded radius"
    elif free_radius_mm < loaded_radius_mm:
        raise ImpossibleInput(
            "free_radius_mm", fig(free_radius_mm, "mm"), f"at least the loaded radius, {fig(loaded_radius_mm, 'mm')}"
        )
    else:
        circumference_mm = 2 * math.pi * (2 * free_radius_mm + loaded_radius_mm) / 3
        method = "loaded and free radius"
    return Rolling(circumference_mm=circumference_mm, method=method, u_mm=LOADED_RADIUS_U_SHARE * circumference_mm)


def is_plausible(rolling: Rolling) -> bool:
    """Say whether a road vehicle's tyre could roll that far in a turn."""
    return LEAST_PLAUSIBLE_MM <= rolling.circumference_mm <= GREATEST_PLAUSIBLE_MM


def methods_disagree(one: Rolling, other: Rolling) -> bool:
    """Say whether two methods differ by more than 2.5 %, as when π × diameter was taken for a roll-out."""
    return abs(one.circumference_mm / other.circumference_mm - 1) > DIFFER_QUERY_SHARE
