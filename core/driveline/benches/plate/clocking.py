"""Which way round the motor goes: ligaments over a turn, and the terminals' window."""

from driveline.arrays import Floats
from driveline.benches.plate.parts import LIGAMENT_FACTOR, motor_names
from driveline.benches.plate.results import ClockingResult, ClockingWindow, Terminals
from driveline.benches.plate.sheet import PlateSheet
from driveline.flat.clocking import Clocking, Window, clocking
from driveline.flat.holes import Disc, motor_on_plate
from driveline.memory import Memory, key_of
from driveline.results import rounded
from driveline.sheet import positive_of, value_of


def terminals_of(sheet: PlateSheet) -> Terminals | None:
    """Return where the terminals come to lie; ``None`` while nothing is said of them."""
    face, plate = sheet.face, sheet.plate
    if face.terminals_at is None:
        return None
    window = None
    if plate.terminals_from is not None and plate.terminals_to is not None:
        start = plate.terminals_from.deg % 360
        window = start, start + ((plate.terminals_to.deg - start) % 360 or 360.0)
    return Terminals(
        at_deg=(180 - face.terminals_at.deg + plate.turned.deg) % 360,
        arc_deg=min(max(face.terminals_arc.deg, 0.0), 360.0) if face.terminals_arc else 0.0,
        from_deg=window and window[0],
        to_deg=window and window[1],
    )


def _allowed(sheet: PlateSheet, terminals: Terminals | None) -> Window | None:
    """Clocking angles that keep the terminals in their window; ``None`` where nothing is asked or nothing fits."""
    if terminals is None or terminals.from_deg is None or terminals.to_deg is None:
        return None
    room = terminals.to_deg - terminals.from_deg - terminals.arc_deg
    if room < 0:
        return None
    at_zero = terminals.at_deg - sheet.plate.turned.deg
    start = (terminals.from_deg + terminals.arc_deg / 2 - at_zero) % 360
    return Window(start, start + room)


_TURNS = Memory(64)


def clocking_result(
    sheet: PlateSheet, fixed: tuple[Disc, ...], face_xy: Floats, terminals: Terminals | None
) -> ClockingResult | None:
    """Return the least ligament over a whole turn; ``None`` while a pattern or the motor's clearance hole is missing.

    Args:
        sheet: Of the bench.
        fixed: The holes that the motor's may come too near to.
        face_xy: The motor's holes seen looking at its face, (n, 2), mm.
        terminals: Where they come to lie, and where they may.
    """
    hole_mm = positive_of(sheet.face.plate_hole)
    if hole_mm is None or not fixed or not len(face_xy):
        return None
    at_zero = motor_on_plate(face_xy, 0.0)
    widest_mm = max(hole_mm, value_of(sheet.face.counterbore) or 0.0)
    allowed = _allowed(sheet, terminals)
    factor = sheet.plate.wanted_ligament_factor or LIGAMENT_FACTOR
    key = key_of(fixed, at_zero, widest_mm, factor, allowed)  # the angle that it is turned to does not come into it
    found = _TURNS.remembered(key, lambda: clocking(fixed, at_zero, widest_mm, factor=factor, allowed=allowed))
    return _shown_clocking(sheet, found, allowed, motor_names(sheet, len(face_xy)))


def _shown_clocking(
    sheet: PlateSheet, turning: Clocking, allowed: Window | None, names: tuple[str, ...]
) -> ClockingResult:
    return ClockingResult(
        closest=[f"{fixed} and {names[k]}" for fixed, k in turning.closest[::2]],
        angle_deg=rounded(turning.angle_deg[::2]),
        share=rounded(turning.share[::2], 4),
        windows=tuple(ClockingWindow(from_deg=one.from_deg, to_deg=one.to_deg) for one in turning.windows),
        allowed=(ClockingWindow(from_deg=allowed.from_deg, to_deg=allowed.to_deg),) if allowed else (),
        best_deg=turning.best_deg,
        best_share=turning.best_share,
        is_settled=turning.is_settled,
        best_turn_deg=_as_typed_deg(turning.best_deg),
        present_deg=sheet.plate.turned.deg % 360,
        present_turn_deg=_as_typed_deg(sheet.plate.turned.deg),
    )


def _as_typed_deg(angle_deg: float) -> float:
    """Return an angle from -180 to 180: nobody types 355."""
    return (angle_deg + 180) % 360 - 180
