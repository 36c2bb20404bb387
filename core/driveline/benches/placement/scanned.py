"""Scans among the bodies: which file, in what unit, and where it lies."""

import math
from collections.abc import Iterator
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.placement.places import Built, ScanLaid
from driveline.benches.placement.sheet import BodySheet, LaidBy, PlacementSheet, ScanMatch, ScanSheet, ScanUnit, UpAxis
from driveline.errors import ImpossibleInput
from driveline.memory import kept
from driveline.scans.store import is_ready, surface_of
from driveline.sheet import Coordinate, value_of
from driveline.space.bodies import Body
from driveline.space.laying import Match, lay_scan
from driveline.space.lumps import lumps
from driveline.space.pose import Placed
from driveline.space.spots import spot_missing, spot_mm, turn_of
from driveline.space.surface import LaidSurface
from driveline.space.tapes import Points3

SCAN_U_MM: Final = 0.5  # of a hand-held scanner, where no ± is stated
PLACE_U_MM: Final = 1.0  # of a place on the vehicle, where neither tool nor ± is stated
USUAL_NOISE_MM: Final = 0.5
MM_EACH: Final = {ScanUnit.MM: 1.0, ScanUnit.CM: 10.0, ScanUnit.M: 1000.0, ScanUnit.INCH: 25.4}
# Each turns its axis of the file upward.
_UP: Final = {
    UpAxis.Z: np.eye(3),
    UpAxis.Y: np.array([[1.0, 0, 0], [0, 0, -1], [0, 1, 0]]),
    UpAxis.X: np.array([[0.0, 0, -1], [0, 1, 0], [1, 0, 0]]),
    UpAxis.MINUS_Z: np.array([[1.0, 0, 0], [0, -1, 0], [0, 0, -1]]),
    UpAxis.MINUS_Y: np.array([[1.0, 0, 0], [0, 0, 1], [0, -1, 0]]),
    UpAxis.MINUS_X: np.array([[0.0, 0, 1], [0, 1, 0], [-1, 0, 0]]),
}
_laid_surface = kept(4)(LaidSurface)  # what of a scan was looked at goes with it
_lumps = kept(4)(lumps)


def scans_there(sheet: PlacementSheet) -> tuple[bool, ...]:
    """Return which scans of the sheet are in the store: what it comes to changes with them."""
    return tuple(is_ready(sha256) for sha256 in sheet.scan_files)


def lay(scan: ScanSheet, name: str, points: Points3 | None, places: dict[str, Floats]) -> ScanLaid:
    """Return where a scan lies.

    Args:
        scan: As entered.
        name: Of its body.
        points: As their readings place them; none in the unit's own axes.
        places: Of those that are fixed.
    """
    if scan.laid is LaidBy.POINTS:
        return _by_points(scan, name, points, places)
    if scan.laid is None:
        return ScanLaid(placed=None, by_points=None, missing=(f"{name}: how it is laid",))
    at, turn = spot_mm(scan.at, places), turn_of(scan.angles)
    missing = [*spot_missing(scan.at, places, f"{name}: its origin")]
    missing += [] if turn is not None else [f"{name}: roll, pitch and yaw"]
    missing += [] if scan.up is not None else [f"{name}: which of its axes points up"]
    if at is None or turn is None or scan.up is None:
        return ScanLaid(placed=None, by_points=None, missing=tuple(missing))
    return ScanLaid(placed=Placed(turn @ _UP[scan.up], at), by_points=None, missing=())


def _by_points(scan: ScanSheet, name: str, points: Points3 | None, places: dict[str, Floats]) -> ScanLaid:
    matches: list[Match] = []
    missing: list[str] = []
    for k, match in enumerate(scan.matches, start=1):
        at = spot_mm(match.at, places)
        missing += spot_missing(match.at, places, f"{name}: point {k} on the vehicle")
        if match.x is None or match.y is None or match.z is None:
            missing.append(f"{name}: point {k} on the scan")
        elif at is not None:
            on_scan = np.array([match.x.mm, match.y.mm, match.z.mm])
            matches.append(Match(key=label(match, k), on_scan_mm=on_scan, at_mm=at, u_mm=_u_mm(match, points)))
    try:
        found = lay_scan(matches)
    except ImpossibleInput:
        missing.append(f"{name}: three points or more on both, not in one line")
        return ScanLaid(placed=None, by_points=None, missing=tuple(missing))
    return ScanLaid(placed=found.placed, by_points=found, missing=tuple(missing))


def label(match: ScanMatch, k: int) -> str:
    """Return what a match is called."""
    return match.at.point or f"point {k}"


def _u_mm(match: ScanMatch, points: Points3 | None) -> float:
    def worst(axes: tuple[Coordinate | None, ...], usual: float) -> float:
        return max(((one.u_mm if one else None) or usual) for one in axes)

    on_scan = worst((match.x, match.y, match.z), SCAN_U_MM)
    of_point = points.u_mm.get(match.at.point or "") if points is not None else None
    on_vehicle = of_point or worst((match.at.x, match.at.y, match.at.z), PLACE_U_MM)
    return math.hypot(on_scan, on_vehicle)


def scanned(sheet: BodySheet, points: Points3 | None, places: dict[str, Floats]) -> Built:
    """Return a scan as a body: of the vehicle its surface, of the unit, without ``points``, lumps that hold it."""
    scan, name = sheet.scan, sheet.name
    laid = lay(scan, name, points, places)
    noise_mm, missing = value_of(scan.noise), list(laid.missing)
    if scan.file is None:
        missing.append(f"{name}: its file")
    elif not is_ready(scan.file):
        missing.append(f"{name}: its file, which this shop's store does not hold")
    missing += [] if scan.unit is not None else [f"{name}: the unit of its file"]
    missing += [] if noise_mm is not None else [f"{name}: how far its surface may be out"]
    surface = None if scan.file is None else surface_of(scan.file)
    body = None
    if surface is not None and scan.unit is not None and laid.placed is not None:
        lying = _laid_surface(surface, MM_EACH[scan.unit], laid.placed)
        lying = lying.without_specks() if scan.leave_out_bits else lying
        if points is not None:
            body = Body(name, (), lying.thicker(noise_mm or 0.0))
        else:
            body = Body(name, _lumps(lying, noise_mm=noise_mm or 0.0))
    return Built(name=name, body=body, missing=tuple(missing), scan=laid)


def sizes_words(size: tuple[float, float, float]) -> Iterator[tuple[ScanUnit, float]]:
    """Return how long a scan would be in each unit, mm: for somebody to say which one is right."""
    for unit, mm in MM_EACH.items():
        yield unit, max(size) * mm
