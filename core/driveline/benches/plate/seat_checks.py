"""Whether each register of the plate has metal, sits in what it meets without touching its end, and fits it."""

from functools import partial
from typing import Final

from driveline.benches.plate.buildup_sheet import BuildKind
from driveline.benches.plate.inputs import PlateInputs, RegisterInputs
from driveline.benches.plate.register_sheet import Facing
from driveline.benches.plate.seat_workings import matches_working, metal_working, sits_working
from driveline.benches.plate.seats import (
    Play,
    all_wanted,
    bore_of,
    mate_of,
    own_of,
    plate_mm,
    play_of,
    seat_of,
    wanted_of,
)
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.fits.limits import fit_within
from driveline.flat.seats import BEHIND_MM, LEAST_REACH_MM, Mate, MetalLeft, Seat, behind_mm, held_mm, metal_left
from driveline.margins import Judge, missing_of, wanted_words
from driveline.results import COVERAGE_95

REGISTERS: Final = "plate.plate.registers"


def seat_checks(inputs: PlateInputs, judge: Judge) -> tuple[Check, ...]:
    """Return the checks of every register that is made to a fit."""
    found: list[Check] = []
    for number, register in enumerate(inputs.plate.registers, start=1):
        seat, wanted = seat_of(inputs, register, number), wanted_of(inputs, register, number)
        found += [
            _metal(inputs, register, seat, wanted, number, judge),
            _sits(inputs, register, seat, wanted, number, judge),
            _matches(inputs, register, number, judge),
        ]
    return tuple(found)


def metal_of(inputs: PlateInputs, register: RegisterInputs, seat: Seat | None) -> tuple[MetalLeft, ...] | None:
    """Return what metal a register leaves, the worst first; ``None`` while the plate or its bore is not known."""
    if seat is None or register.side is None:
        return None
    bore_mm, thickness_mm = bore_of(inputs, register.side), plate_mm(inputs, register.side)
    if bore_mm is None or thickness_mm is None:
        return None
    return metal_left(
        seat,
        bore_mm=bore_mm,
        thickness_mm=thickness_mm,
        other_into_mm=_other_into_mm(inputs, seat, bore_mm) if inputs.built.kind is BuildKind.ONE_PLATE else 0.0,
    )


def _other_into_mm(inputs: PlateInputs, seat: Seat, bore_mm: float) -> float:
    """How deep the registers of the plate's other side go in, where one plate has both sides."""
    numbered = enumerate(inputs.plate.registers, start=1)
    seats = [found for number, one in numbered if (found := seat_of(inputs, one, number)) is not None]
    deep = [one.into_mm for one in seats if one.side != seat.side and not one.goes_through(bore_mm)]
    return max(deep, default=0.0)


def _metal(
    inputs: PlateInputs, register: RegisterInputs, seat: Seat | None, wanted: tuple[str, ...], number: int, judge: Judge
) -> Check:
    left = metal_of(inputs, register, seat)
    bore_mm = None if register.side is None else bore_of(inputs, register.side)
    missing = (
        wanted
        or all_wanted(inputs)
        or missing_of(
            {
                "Bore through the plate, or 0 where there is none": bore_mm,
                "Thickness of the plate": left if bore_mm is not None else True,
            }
        )
    )
    worst = left[0] if left else None
    says = wanted_words(missing)
    if left is not None and seat is not None and bore_mm is not None:
        says = f"Ø{fig(seat.size_mm, 'mm')} is bored right through"
    if worst is not None and seat is not None:
        says = f"{fig(worst.left_mm, 'mm', 1)} {worst.where}; {num(worst.wanted_mm, 'mm', 1)} wanted"
        if worst.left_mm < 0 and worst.where == "beside the bore":
            says = f"Ø{fig(seat.hole_mm, 'mm')} lies inside the bore of Ø{fig(bore_mm, 'mm')}: no metal is left for it"
        if worst.left_mm < worst.wanted_mm:
            says = f"{says}; {worst.way_out}"
    key, title = f"plate.register_metal_{number}", f"Metal for register {number}"
    fields = (f"{REGISTERS}.{number - 1}", "plate.plate.bore", "plate.plate.thickness")
    working = partial(metal_working, seat, left, bore_mm)
    if left is not None and worst is None:  # goes right through: nothing is thinner for it
        return judge.answer(is_so=True, key=key, title=title, says=says, inputs=fields, working=working)
    return judge.check(
        "clearance",
        key=key,
        title=title,
        demand=worst.wanted_mm if worst else None,
        capacity=max(worst.left_mm, 0.0) if worst else None,
        unit="mm",
        says=says,
        missing=missing,
        inputs=fields,
        working=working,
    )


def _sits(
    inputs: PlateInputs, register: RegisterInputs, seat: Seat | None, wanted: tuple[str, ...], number: int, judge: Judge
) -> Check:
    own = None if register.side is None else own_of(inputs, register.side)
    deep_mm = own.depth_mm if own else None
    face = _face_words(register.side)
    missing = (
        *wanted,
        *missing_of(
            {
                f"How far the {face} register stands out, or how deep it is": deep_mm,
                f"Register {number}: its chamfer, 0 for none": register.chamfer_mm,
            }
        ),
    )
    behind = held = None
    if not missing and seat is not None and deep_mm is not None and register.side is not None:
        bore_mm = bore_of(inputs, register.side)
        is_through = bore_mm is not None and seat.goes_through(bore_mm) and seat.ring is None
        through_mm = plate_mm(inputs, register.side) if is_through else None
        behind, held = behind_mm(seat, deep_mm, through_mm=through_mm), held_mm(seat, deep_mm)
    says, demand, capacity = wanted_words(missing), None, None
    if behind is not None and held is not None:
        is_behind = behind / BEHIND_MM <= held / LEAST_REACH_MM
        demand, capacity = (BEHIND_MM, behind) if is_behind else (LEAST_REACH_MM, held)
        says = f"{fig(held, 'mm', 1)} in one another, {fig(behind, 'mm', 1)} free past the end"
        if behind < BEHIND_MM:
            says = f"its end touches before the faces do: {num(behind, 'mm', 1)} free, {fig(BEHIND_MM, 'mm')} wanted"
        elif held < LEAST_REACH_MM:
            says = f"only {fig(held, 'mm', 1)} of both are straight in one another: too little to locate"
    return judge.check(
        "clearance",
        key=f"plate.register_sits_{number}",
        title=f"Register {number} sits in what it meets",
        demand=demand,
        capacity=None if capacity is None else max(capacity, 0.0),
        unit="mm",
        says=says,
        missing=missing,
        inputs=(f"{REGISTERS}.{number - 1}", *_own_fields(register.side)),
        working=lambda: sits_working(seat, deep_mm, behind, held),
    )


def _matches(inputs: PlateInputs, register: RegisterInputs, number: int, judge: Judge) -> Check:
    own = None if register.side is None else own_of(inputs, register.side)
    face = _face_words(register.side)
    meets = own.kind if own else None
    asked, play = mate_of(inputs, register), play_of(inputs, register)
    size = own.size if own else None
    missing = missing_of(
        {
            f"Register {number}: which side of the plate it is on": register.side,
            f"Register {number}: a bore, a spigot or a ring": register.kind,
            f"Whether the {face} register stands out or is sunk": meets,
            f"Diameter of the {face} register, as measured": size,
            "What it was measured with, or its ±": size is None or size.u_mm,
            "A size that the tables of fits know": play,
        }
    )
    is_so, has_catch, says = None, False, wanted_words(missing)
    if meets is not None and asked is not None and asked is not meets:
        is_so, missing = False, ()
        says = f"the {face} register {meets.words}: it needs {_needs(meets)}"
    elif not missing and play is not None and size is not None and size.u_mm is not None:
        off_mm = COVERAGE_95 * size.u_mm
        is_so, has_catch = _goes_in(register, play, off_mm)
        band = f"{num(play.least_mm + off_mm, 'mm', 3)} to {fig(play.greatest_mm - off_mm, 'mm', 3)}"
        says = f"play of {band} on Ø{fig(size.mm, 'mm', 3)} as measured, ± {fig(off_mm, 'mm', 3)}"
        if not is_so:
            says += f": make the register to Ø{fig(size.mm, 'mm', 3)}, or choose another fit"
        elif has_catch:
            says += ": measure it closer before it is cut"
    return judge.answer(
        is_so=is_so,
        has_catch=has_catch,
        key=f"plate.register_matches_{number}",
        title=f"Register {number} fits what it meets",
        says=says,
        missing=missing,
        inputs=(f"{REGISTERS}.{number - 1}", *_own_fields(register.side)),
        working=lambda: matches_working(register, size, meets),
    )


def _goes_in(register: RegisterInputs, play: Play, off_mm: float) -> tuple[bool, bool]:
    """Whether the fit is what it is meant to be, loose or tight, and whether the ± of the measurement may undo it."""
    found = fit_within(register.size_mm, register.fit.value)
    is_loose = found is not None and found.least_play_mm >= 0
    is_tight = found is not None and found.greatest_play_mm <= 0
    if is_loose:
        return play.least_mm + off_mm >= 0, play.least_mm < 0
    return (play.greatest_mm - off_mm <= 0, play.greatest_mm > 0) if is_tight else (True, False)


def _face_words(side: Facing | None) -> str:
    return f"{side.value}'s" if side else "other's"


def _own_fields(side: Facing | None) -> tuple[str, ...]:
    if side is Facing.MOTOR:
        return ("plate.face.register_size", "plate.face.register_kind", "plate.face.register_depth")
    return ("plate.flange_register",) if side is Facing.GEARBOX else ()


def _needs(meets: Mate) -> str:
    return "a bore or a ring about it" if meets is Mate.SPIGOT else "a spigot, or a ring that stands out"
