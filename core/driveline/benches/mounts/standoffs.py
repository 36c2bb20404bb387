"""A plate on standoffs as a bracket: its legs as they are entered, and what goes down each of them."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.sheet import Bracket, StandoffLegs
from driveline.errors import ImpossibleInput
from driveline.figures import fig, num
from driveline.metal.sections import Section, tube
from driveline.metal.standoffs import Legs, four_places_mm
from driveline.sheet import positive_of, value_of

SOLID: Final = 0.4999  # of a bar's diameter: what stands for its wall
CORNERS: Final = ("lower_left", "lower_right", "upper_right", "upper_left")  # as the legs run
CORNER_WORDS: Final = tuple(corner.replace("_", " ") for corner in CORNERS)
SIZES: Final = {
    "across": "its legs apart, across",
    "upright": "its legs apart, upright",
    "outside": "the diameter of its legs",
    "wall": "the wall of its legs; of a bar half its diameter",
    "foot": "the breadth of what stands on its plate",
}


@dataclass(frozen=True, kw_only=True)
class Standing:
    """A plate on legs as far as it is known."""

    legs: Legs | None
    missing: tuple[str, ...]


def legs_missing(sheet: StandoffLegs, name: str) -> tuple[str, ...]:
    """Return what is not known of a plate's legs, in words."""
    missing = [f"{name}: {words}" for field, words in SIZES.items() if positive_of(getattr(sheet, field)) is None]
    if sheet.is_stepped is None:
        missing.append(f"{name}: whether its legs stand on a flat face or a stepped one")
    if sheet.is_stepped and None in _longer(sheet):
        missing.append(f"{name}: by how much each leg is longer than the bracket is cut")
    return tuple(missing)


def _longer(sheet: StandoffLegs) -> list[float | None]:
    return [value_of(getattr(sheet, corner)) for corner in CORNERS]


def legs_of(bracket: Bracket, name: str, length_mm: float, e_mpa: float) -> Standing:
    """Return the legs of a bracket that is so long from the vehicle to the plate's outer face."""
    missing, plate, sheet = legs_missing(bracket.legs, name), positive_of(bracket.wall), bracket.legs
    across, upright, outside, wall = (positive_of(x) for x in (sheet.across, sheet.upright, sheet.outside, sheet.wall))
    if missing or plate is None or across is None or upright is None or outside is None or wall is None:
        return Standing(legs=None, missing=missing)
    longer = np.array([one or 0.0 for one in _longer(sheet)]) if sheet.is_stepped else np.zeros(4)
    try:
        legs = Legs(
            places_mm=four_places_mm(across, upright),
            lengths_mm=length_mm - plate + longer,
            section=tube(outside_mm=outside, wall_mm=wall if wall < outside / 2 else _bar_mm(wall, outside)),
            e_mpa=e_mpa,
        )
    except ImpossibleInput as error:
        return Standing(legs=None, missing=(f"{name}: legs that can be made; its {error}",))
    return Standing(legs=legs, missing=_off_plate(bracket, legs, name))


def _bar_mm(wall_mm: float, outside_mm: float) -> float:
    if wall_mm > outside_mm / 2:
        raise ImpossibleInput("wall", fig(wall_mm, "mm"), f"at most half of {fig(outside_mm, 'mm')}")
    return SOLID * outside_mm


def _off_plate(bracket: Bracket, legs: Legs, name: str) -> tuple[str, ...]:
    """Legs that stand past the plate's edge are no legs of it."""
    sizes = (positive_of(bracket.breadth), positive_of(bracket.depth))
    reach = np.abs(legs.places_mm).max(axis=0) + legs.section.depth_mm / 2
    if any(size is not None and 2 * half > size for size, half in zip(sizes, reach.tolist(), strict=True)):
        return (f"{name}: a plate that its legs stand within",)
    return ()


def outside_of(breadth_mm: float, depth_mm: float, plate_mm: float) -> Section:
    """Return the plate as what is seen from outside: sizes, words, and its own section; its legs bear the load."""
    return Section(
        words=f"plate {num(breadth_mm, 'mm')} x {num(depth_mm, 'mm')} x {fig(plate_mm, 'mm')} on standoffs",
        area_mm2=breadth_mm * depth_mm,
        upright_mm4=breadth_mm * depth_mm**3 / 12,
        across_mm4=depth_mm * breadth_mm**3 / 12,
        depth_mm=depth_mm,
        breadth_mm=breadth_mm,
        torsion_mm4=breadth_mm * depth_mm * (breadth_mm**2 + depth_mm**2) / 12,
        shear_per_nmm=0.0,
        shear_centre_mm=0.0,
        is_closed=True,
        webs_mm2=(breadth_mm * depth_mm, breadth_mm * depth_mm),
    )


def load_at_mm(plate_mm: float, beside_mm: float) -> tuple[Floats, Floats]:
    """Return where a plate is loaded, on its outer face: beside its middle on either side, each (3,)."""
    return np.array([plate_mm, beside_mm, 0.0]), np.array([plate_mm, -beside_mm, 0.0])
