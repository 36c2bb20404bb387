"""What a plate needs for the registers that motor and gearbox have: a bore, a spigot, a ring, or a way out."""

import math
from typing import Final

from driveline.benches.plate.buildup_sheet import BuildKind
from driveline.benches.plate.inputs import OwnInputs, PlateInputs
from driveline.benches.plate.register_sheet import Facing
from driveline.benches.plate.results import RegisterProposal
from driveline.benches.plate.seats import bore_of, own_of, plate_mm
from driveline.benches.plate.sheet import Locating, Process
from driveline.figures import fig
from driveline.flat.seats import BEHIND_MM, LEAST_FLOOR_MM, LEAST_WALL_MM, SAME_MM, Mate, SeatKind
from driveline.joints.sheet import RegisterFit
from driveline.results import COVERAGE_95

PROPOSED_FIT: Final = RegisterFit.H7_H6  # of the size that surely goes in: no play is given away beside it
STEP_MM: Final = 0.01
CHAMFER_MM: Final = 0.5
RING_SHARE: Final = 0.5  # of the plate's thickness that a ring sits in


def proposals_of(inputs: PlateInputs) -> tuple[RegisterProposal, ...]:
    """Return for each side without a register of its own what would take what is measured there."""
    if inputs.built.is_base or inputs.plate.locating is Locating.DOWELS:
        return ()
    made = {register.side for register in inputs.plate.registers}
    found = [_proposed(inputs, side) for side in Facing if side not in made]
    return tuple(one for one in found if one is not None)


def _proposed(inputs: PlateInputs, side: Facing) -> RegisterProposal | None:
    own, bore_mm, thickness_mm = own_of(inputs, side), bore_of(inputs, side), plate_mm(inputs, side)
    if own.size is None or own.kind is None or bore_mm is None or thickness_mm is None:
        return None
    off_mm = COVERAGE_95 * (own.size.u_mm or 0.0)  # so that it goes in, however far the measurement is out
    if own.kind is Mate.SPIGOT:
        size_mm = math.ceil((own.size.mm + off_mm) / STEP_MM - 1e-6) * STEP_MM
        return _for_spigot(side, own, size_mm, bore_mm, thickness_mm)
    size_mm = math.floor((own.size.mm - off_mm) / STEP_MM + 1e-6) * STEP_MM
    return _for_bore(inputs, side, own, size_mm, bore_mm, thickness_mm)


def _for_spigot(side: Facing, own: OwnInputs, size_mm: float, bore_mm: float, thickness_mm: float) -> RegisterProposal:
    size, face = f"Ø{fig(size_mm, 'mm')}", side.value
    if abs(size_mm - bore_mm) <= SAME_MM:
        says = f"The {face}'s spigot of {size} goes into the plate's bore: bored right through to a fit."
        return _proposal(side, says, SeatKind.BORE, size_mm, None)
    if size_mm > bore_mm:
        deep_mm = None if own.depth_mm is None else own.depth_mm + BEHIND_MM
        if deep_mm is not None and deep_mm + LEAST_FLOOR_MM > thickness_mm:
            says = (
                f"The {face}'s spigot of {size} stands out {fig(own.depth_mm, 'mm')}: too deep for "
                f"{fig(thickness_mm, 'mm')} of plate. Bore the plate right through to {size}, or take a thicker one."
            )
            return RegisterProposal(side=side, says=says)
        says = f"The {face}'s spigot of {size} needs a bore in the plate on this side."
        return _proposal(side, says, SeatKind.BORE, size_mm, deep_mm)
    says = (
        f"The {face}'s spigot of {size} is smaller than the plate's bore of Ø{fig(bore_mm, 'mm')}: no metal is left "
        "for it. A ring in the bore takes it, or a second plate."
    )
    return _proposal(side, says, SeatKind.RING, size_mm, None, ring=(bore_mm, thickness_mm, None))


def _for_bore(
    inputs: PlateInputs, side: Facing, own: OwnInputs, size_mm: float, bore_mm: float, thickness_mm: float
) -> RegisterProposal:
    size, face = f"Ø{fig(size_mm, 'mm')}", side.value
    out_mm = None if own.depth_mm is None else max(own.depth_mm - BEHIND_MM, 0.0) or None
    if size_mm < bore_mm + 2 * LEAST_WALL_MM[SeatKind.RING]:
        says = (
            f"The {face}'s bore of {size} leaves no wall for a spigot or ring round a bore of "
            f"Ø{fig(bore_mm, 'mm')}: bore the plate smaller, or ream dowels after indicating."
        )
        return RegisterProposal(side=side, says=says)
    if inputs.plate.process is Process.MILLED and size_mm >= bore_mm + 2 * LEAST_WALL_MM[SeatKind.SPIGOT]:
        says = f"The {face}'s bore of {size} takes a spigot turned on the plate."
        return _proposal(side, says, SeatKind.SPIGOT, size_mm, out_mm)
    says = f"The {face}'s bore of {size} takes a separate ring, pressed into the plate: no plate is turned down for it."
    left_mm = thickness_mm - LEAST_FLOOR_MM - _far_side_mm(inputs, side, bore_mm)
    ring = (size_mm, max(min(RING_SHARE * thickness_mm, left_mm), LEAST_FLOOR_MM), bore_mm or None)
    return _proposal(side, says, SeatKind.RING, size_mm, out_mm, ring=ring)


def _far_side_mm(inputs: PlateInputs, side: Facing, bore_mm: float) -> float:
    """How deep the plate's other side is bored, or would be, for what stands out there."""
    far = own_of(inputs, Facing.GEARBOX if side is Facing.MOTOR else Facing.MOTOR)
    made = [one.depth_mm or 0.0 for one in inputs.plate.registers if one.side is not side and one.kind is SeatKind.BORE]
    if far.kind is Mate.SPIGOT and far.size is not None and far.size.mm > bore_mm + SAME_MM:
        made.append((far.depth_mm or 0.0) + BEHIND_MM)
    return max(made, default=0.0) if inputs.built.kind is BuildKind.ONE_PLATE else 0.0


def _proposal(
    side: Facing,
    says: str,
    kind: SeatKind,
    size_mm: float,
    depth_mm: float | None,
    *,
    ring: tuple[float, float, float | None] | None = None,
) -> RegisterProposal:
    outside_mm, ring_depth_mm, inside_mm = ring or (None, None, None)
    return RegisterProposal(
        side=side,
        says=says,
        kind=kind,
        size=_typed(size_mm),
        fit=PROPOSED_FIT,
        depth=_typed(depth_mm),
        chamfer=_typed(CHAMFER_MM),
        ring_outside=_typed(outside_mm),
        ring_depth=_typed(ring_depth_mm),
        ring_inside=_typed(inside_mm),
    )


def _typed(mm: float | None) -> str | None:
    return None if mm is None else f"{mm:.7g} mm"
