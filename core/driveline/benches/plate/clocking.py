"""Which way round the motor goes: ligaments over a turn, and the terminals' window."""

import numpy as np

from driveline.arrays import Floats
from driveline.benches.plate.hole_made import discs_made
from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.parts import LIGAMENT_FACTOR, motor_names
from driveline.benches.plate.results import ClockingResult, ClockingWindow, Terminals
from driveline.flat.clocking import Clocking, Window, clocking
from driveline.flat.holes import Disc, Ligament, motor_on_plate
from driveline.memory import kept
from driveline.results import rounded


def terminals_of(inputs: PlateInputs) -> Terminals | None:
    """Return where the terminals come to lie; ``None`` while nothing is said of them."""
    face, plate = inputs.face, inputs.plate
    if face.terminals_at_deg is None:
        return None
    window = None
    if plate.terminals_window_deg is not None:
        start, end = plate.terminals_window_deg[0] % 360, plate.terminals_window_deg[1]
        window = start, start + ((end - start) % 360 or 360.0)
    return Terminals(
        at_deg=(180 - face.terminals_at_deg + plate.turned_deg) % 360,
        arc_deg=min(max(face.terminals_arc_deg or 0.0, 0.0), 360.0),
        from_deg=window and window[0],
        to_deg=window and window[1],
    )


def _allowed(inputs: PlateInputs, terminals: Terminals | None) -> Window | None:
    """Clocking angles that keep the terminals in their window; ``None`` where nothing is asked or nothing fits."""
    if terminals is None or terminals.from_deg is None or terminals.to_deg is None:
        return None
    room = terminals.to_deg - terminals.from_deg - terminals.arc_deg
    if room < 0:
        return None
    at_zero = terminals.at_deg - inputs.plate.turned_deg
    start = (terminals.from_deg + terminals.arc_deg / 2 - at_zero) % 360
    return Window(start, start + room)


_turned = kept(64)(clocking)  # the angle that it is turned to does not come into it


def clocking_result(
    inputs: PlateInputs,
    fixed: tuple[Disc, ...],
    face_xy: Floats,
    terminals: Terminals | None,
    still: Ligament | None = None,
) -> ClockingResult | None:
    """Return the least ligament over a whole turn; ``None`` while a pattern or the motor's clearance hole is missing.

    Args:
        inputs: Of the bench.
        fixed: The holes that the motor's may come too near to.
        face_xy: The motor's holes seen looking at its face, (n, 2), mm.
        terminals: Where they come to lie, and where they may.
        still: The least of the ligaments that no turning changes: the curve is never above it, as the check is not.
    """
    hole_mm = inputs.face.plate_hole_mm
    if hole_mm is None or not fixed or not len(face_xy):
        return None
    places = zip(motor_names(inputs, len(face_xy)), motor_on_plate(face_xy, 0.0).tolist(), strict=True)
    moving = discs_made(inputs, "motor", [Disc(name, x_mm, y_mm, hole_mm) for name, (x_mm, y_mm) in places])
    if not moving:
        return None
    at_zero, names = np.array([[one.x_mm, one.y_mm] for one in moving]), tuple(one.id for one in moving)
    widest_mm = max(one.diameter_mm for one in moving)
    allowed = _allowed(inputs, terminals)
    factor = inputs.plate.ligament_factor or LIGAMENT_FACTOR
    found = _turned(fixed, at_zero, widest_mm, factor=factor, allowed=allowed)
    shown = _shown_clocking(inputs, found, allowed, names)
    return shown if still is None else _held_down(shown, still)


def _held_down(shown: ClockingResult, still: Ligament) -> ClockingResult:
    pair = " and ".join(still.between)
    return shown.model_copy(
        update={
            "closest": [
                pair if still.share < share else turning
                for share, turning in zip(shown.share, shown.closest, strict=True)
            ],
            "share": rounded(np.minimum(shown.share, still.share), 4),
            "windows": shown.windows if still.share >= 1 else (),
            "best_share": min(shown.best_share, still.share),
            "whatever_angle": "" if still.share >= 1 else pair,
        }
    )


def _shown_clocking(
    inputs: PlateInputs, turning: Clocking, allowed: Window | None, names: tuple[str, ...]
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
        present_deg=inputs.plate.turned_deg % 360,
        present_turn_deg=_as_typed_deg(inputs.plate.turned_deg),
    )


def _as_typed_deg(angle_deg: float) -> float:
    """Return an angle from -180 to 180: nobody types 355."""
    return (angle_deg + 180) % 360 - 180
