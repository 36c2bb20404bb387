"""The placement laid out from its own sheet: points, bodies, and how the unit may stand."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.contract import LaidOut
from driveline.benches.placement.places import Built, built, known_points, points_of
from driveline.benches.placement.scanned import scanned
from driveline.benches.placement.sheet import BodyShape, BodySheet, Fate, PlacementSheet, Stand, UnitBody, VehicleBody
from driveline.sheet import value_of
from driveline.space.pose import Placed
from driveline.space.spots import spot_missing, spot_mm, turn_of
from driveline.space.tapes import Points3

MOST_MOVING: Final = 120  # pieces of bars and hoses that go with the wheels: each is swept past all of the unit


@dataclass(frozen=True, kw_only=True)
class VehicleThing:
    """A body of the vehicle; ``field`` is its path."""

    field: str
    sheet: VehicleBody
    built: Built


@dataclass(frozen=True, kw_only=True)
class UnitThing:
    """A body of the unit, in the unit's axes."""

    field: str
    sheet: UnitBody
    built: Built


@dataclass(frozen=True, kw_only=True)
class Standing:
    """One way for the unit to stand; ``placed`` is ``None`` while it lacks a figure."""

    field: str
    sheet: Stand
    placed: Placed | None
    missing: tuple[str, ...]


@dataclass(frozen=True, kw_only=True)
class LaidMass:
    """A mass with its place, for the axle loads; what is not known is ``None``."""

    name: str
    mass_kg: float | None
    is_on: bool
    at_mm: tuple[float, float, float] | None


@dataclass(frozen=True, kw_only=True)
class LaidPlacement(LaidOut):
    """All that geometry alone gives."""

    points: Points3
    places: dict[str, Floats]  # of the points that are fixed
    vehicle: tuple[VehicleThing, ...]
    unit: tuple[UnitThing, ...]
    stands: tuple[Standing, ...]
    chosen: Standing | None
    masses: tuple[LaidMass, ...]

    @property
    def in_the_way(self) -> tuple[VehicleThing, ...]:
        """What stays, for good or in the end."""
        return tuple(one for one in self.vehicle if one.sheet.fate in (Fate.STAYS, Fate.AFTER))

    @property
    def unit_on(self) -> tuple[UnitThing, ...]:
        """What of the unit is not left off."""
        return tuple(one for one in self.unit if not (one.sheet.can_come_off and one.sheet.is_off))


def lay_out(sheet: PlacementSheet) -> LaidPlacement:
    """Return everything that follows from the sheet alone."""
    found = points_of(sheet.points, sheet.tapes)
    places = known_points(found)
    vehicle = _few_that_move(
        VehicleThing(field=f"placement.bodies.{k}", sheet=one, built=_built(one, found, places))
        for k, one in enumerate(sheet.bodies)
    )
    unit = tuple(
        UnitThing(field=f"placement.unit.bodies.{k}", sheet=one, built=_built(one, None, {}))
        for k, one in enumerate(sheet.unit.bodies)
    )
    stands = tuple(_standing(f"placement.stands.{k}", one, places) for k, one in enumerate(sheet.stands))
    chosen = next((one for one in stands if one.sheet.name == sheet.chosen), None)
    if sheet.chosen is None and len(stands) == 1:
        chosen = stands[0]
    return LaidPlacement(
        points=found,
        places=places,
        vehicle=vehicle,
        unit=unit,
        stands=stands,
        chosen=chosen,
        masses=_masses(sheet, vehicle, chosen),
    )


def _few_that_move(things: Iterable[VehicleThing]) -> tuple[VehicleThing, ...]:
    """The bodies, those that go with the wheels as far as they are swept in time: of more, no gap is known."""
    found, pieces = list[VehicleThing](), 0
    for one in things:
        travel = one.sheet.travel
        goes = any(value_of(way) for way in (travel.up, travel.down, travel.aside))
        if goes and one.built.body is not None:
            pieces += len(one.built.body.pieces)
            if pieces > MOST_MOVING:
                text = f"{one.sheet.name}: fewer points; {MOST_MOVING} lengths of what goes with the wheels are swept"
                one = replace(one, built=replace(one.built, body=None, missing=(text,)))  # noqa: PLW2901
        found.append(one)
    return tuple(found)


def _built(sheet: BodySheet, points: Points3 | None, places: dict[str, Floats]) -> Built:
    return scanned(sheet, points, places) if sheet.shape is BodyShape.SCAN else built(sheet, places)


def _standing(field: str, stand: Stand, places: dict[str, Floats]) -> Standing:
    at, turn = spot_mm(stand.at, places), turn_of(stand.angles)
    missing = spot_missing(stand.at, places, f"{stand.name}: its place")
    if turn is None:
        missing = (*missing, f"{stand.name}: roll, pitch and yaw")
    return Standing(
        field=field,
        sheet=stand,
        placed=None if at is None or turn is None else Placed(turn, at),
        missing=missing,
    )


def _masses(sheet: PlacementSheet, vehicle: tuple[VehicleThing, ...], chosen: Standing | None) -> tuple[LaidMass, ...]:
    """What the unit puts on, and what comes off for it; nothing where the brief's own masses have them.

    While nobody has said which, nothing of the vehicle's mass is known.
    """
    if sheet.weighs_in is False or sheet == PlacementSheet():
        return ()
    counts = sheet.weighs_in is not None
    off = [
        LaidMass(
            name=one.sheet.name,
            mass_kg=value_of(one.sheet.mass) if counts else None,
            is_on=False,
            at_mm=_middle_mm(one.built),
        )
        for one in vehicle
        if one.sheet.fate is Fate.OFF
    ]
    cg = spot_mm(sheet.unit.cg, {})
    at = None if cg is None or chosen is None or chosen.placed is None else _three(chosen.placed.points(cg))
    name = sheet.unit.name or "drive unit"
    return (*off, LaidMass(name=name, mass_kg=value_of(sheet.unit.mass) if counts else None, is_on=True, at_mm=at))


def _middle_mm(one: Built) -> tuple[float, float, float] | None:
    return None if one.body is None else _three(np.mean(one.body.bounds_mm, axis=0))


def _three(point_mm: Floats) -> tuple[float, float, float]:
    x, y, z = (float(one) for one in point_mm)
    return x, y, z
