"""The plate's registers as metal: where each sits and how deep, and what is not known of it."""

from dataclasses import dataclass

from driveline.benches.plate.buildup_sheet import BuildKind
from driveline.benches.plate.inputs import OwnInputs, PlateInputs, RegisterInputs, mm_of
from driveline.benches.plate.register_sheet import Facing
from driveline.fits.limits import fit_within
from driveline.flat.seats import SAME_MM, Mate, Ring, Seat, SeatKind
from driveline.margins import missing_of
from driveline.results import COVERAGE_95

MEETS = {SeatKind.BORE: Mate.SPIGOT, SeatKind.SPIGOT: Mate.BORE}


def own_of(inputs: PlateInputs, side: Facing) -> OwnInputs:
    """Return what the motor's or the gearbox's face has to be located by."""
    return inputs.face.register if side is Facing.MOTOR else inputs.flange_register


def bore_of(inputs: PlateInputs, side: Facing) -> float | None:
    """Return the bore through the plate that lies on that side, mm; 0: none is wanted; ``None``: not entered.

    What stands for it while nobody said is drawn, but no register is judged by it: it would make room of its own.
    """
    if is_in_ring(inputs, side):
        return inputs.built.ring.inside_mm
    if inputs.built.is_on_standoffs and side is Facing.MOTOR:
        return inputs.motor_plate_bore_mm
    return inputs.plate.bore_mm


def plate_mm(inputs: PlateInputs, side: Facing) -> float | None:
    """Return how thick the plate on that side is, mm."""
    if is_in_ring(inputs, side):
        return mm_of(inputs.built.ring.thickness)
    is_second = inputs.built.is_on_standoffs and side is Facing.MOTOR
    return mm_of(inputs.built.second) if is_second else inputs.plate.thickness_mm


def is_in_ring(inputs: PlateInputs, side: Facing) -> bool:
    """Return whether it is the spacer ring that lies against a face, and bears its register."""
    return inputs.built.kind is BuildKind.RING and inputs.built.ring.on == side.value


def mate_of(inputs: PlateInputs, register: RegisterInputs) -> Mate | None:
    """Return what a register meets: a bore takes a spigot and a spigot a bore; a ring takes what is there."""
    if register.kind is None or register.side is None:
        return None
    return MEETS.get(register.kind) or own_of(inputs, register.side).kind


def wanted_of(inputs: PlateInputs, register: RegisterInputs, number: int) -> tuple[str, ...]:
    """Return what of a register is not known, so that it can't be drawn; what counts from 1 is its number."""
    is_ring = register.kind is SeatKind.RING
    mate = mate_of(inputs, register)
    is_out = is_ring and mate is Mate.BORE
    return missing_of(
        {
            f"Register {number}: which side of the plate it is on": register.side,
            f"Register {number}: a bore, a spigot or a ring": register.kind,
            f"Register {number}: whether what it meets stands out or is sunk": mate or register.kind is None,
            f"Register {number}: how deep it is, or how far it stands out": _depth_mm(inputs, register),
            f"Register {number}: what the ring sits in, and how deep": not is_ring
            or (register.ring_outside_mm and register.ring_depth_mm),
            f"Register {number}: the ring's inside": not is_out or register.ring_inside_mm,
        }
    )


def _depth_mm(inputs: PlateInputs, register: RegisterInputs) -> float | None:
    """As entered; of one that goes right through, the plate's thickness; about a spigot, as deep as its ring sits."""
    if register.depth_mm is not None or register.side is None:
        return register.depth_mm
    if register.kind is SeatKind.RING and mate_of(inputs, register) is Mate.SPIGOT:
        return register.ring_depth_mm
    bore_mm = bore_of(inputs, register.side)
    is_through = bore_mm is not None and abs(register.size_mm - bore_mm) <= SAME_MM
    return plate_mm(inputs, register.side) if is_through and register.kind is SeatKind.BORE else None


def seat_of(inputs: PlateInputs, register: RegisterInputs, number: int) -> Seat | None:
    """Return a register as metal; ``None`` while something of it is not known."""
    depth_mm, mate = _depth_mm(inputs, register), mate_of(inputs, register)
    if wanted_of(inputs, register, number) or register.kind is None or mate is None or depth_mm is None:
        return None
    ring = None
    if register.kind is SeatKind.RING and register.ring_outside_mm and register.ring_depth_mm:
        inside_mm = register.size_mm if mate is Mate.SPIGOT else register.ring_inside_mm
        ring = Ring(outside_mm=register.ring_outside_mm, depth_mm=register.ring_depth_mm, inside_mm=inside_mm)
    return Seat(
        id=f"R{number}",
        side=0 if register.side is Facing.MOTOR else 1,
        kind=register.kind,
        mate=mate,
        size_mm=register.size_mm,
        depth_mm=depth_mm,
        chamfer_mm=register.chamfer_mm or 0.0,
        ring=ring,
        fit=register.fit.value,
    )


def seats_on(inputs: PlateInputs, faces: tuple[str, str]) -> tuple[Seat, ...]:
    """Return the registers of a part that lies against the faces named."""
    found = []
    for number, register in enumerate(inputs.plate.registers, start=1):
        seat = seat_of(inputs, register, number)
        if seat is not None and register.side is not None and register.side.value.upper() in faces:
            found.append(seat)
    return tuple(found)


@dataclass(frozen=True, slots=True, kw_only=True)
class Play:
    """Of a register on what it meets, diametral, mm; below 0 is interference."""

    least_mm: float
    greatest_mm: float
    is_sure: bool  # what it meets is measured, with its ±


def play_of(inputs: PlateInputs, register: RegisterInputs) -> Play | None:
    """Return a register's play: against what was measured where it was, with its ±, else between both bands of its fit.

    ``None`` where the size is outside the tables.
    """
    found = fit_within(register.size_mm, register.fit.value)
    if found is None:
        return None
    own = None if register.side is None else own_of(inputs, register.side)
    mate = mate_of(inputs, register)
    if own is None or own.size is None or own.size.u_mm is None or mate is None or own.kind is not mate:
        return Play(least_mm=found.least_play_mm, greatest_mm=found.greatest_play_mm, is_sure=False)
    size_mm, off_mm = own.size.mm, COVERAGE_95 * own.size.u_mm
    if mate is Mate.SPIGOT:
        least_mm, greatest_mm = found.bore.least_mm - size_mm, found.bore.greatest_mm - size_mm
    else:
        least_mm, greatest_mm = size_mm - found.shaft.greatest_mm, size_mm - found.shaft.least_mm
    return Play(least_mm=least_mm - off_mm, greatest_mm=greatest_mm + off_mm, is_sure=True)


def all_wanted(inputs: PlateInputs) -> tuple[str, ...]:
    """Return what of any register is not known."""
    numbered = enumerate(inputs.plate.registers, start=1)
    return tuple(one for number, register in numbered for one in wanted_of(inputs, register, number))
