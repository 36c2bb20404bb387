"""What a plate is made to, for the paper that its machinist gets: all that the checks count on and no line shows."""

from driveline.benches.plate.inputs import PlateInputs
from driveline.drawing.hole import HeldBy
from driveline.drawing.plate import seat_words
from driveline.figures import fig, num
from driveline.fits.limits import fit_within
from driveline.flat.seats import Mate, Seat
from driveline.parts.made import FlatPart

FLAT = "both faces flat and parallel: the checks allow nothing for them"


def made_to(inputs: PlateInputs, part: FlatPart) -> tuple[str, ...]:
    """Return fits with their limits, counterbores, and how true a plate is to be, a line each."""
    plate = inputs.plate
    lines = []
    lines += [_register(seat, part) for seat in part.seats]
    if any(hole.kind == "bore" for hole in part.holes):
        loose = [one for one in enumerate(plate.registers, start=1) if one[1].side is None]
        lines += [_limits(f"register {k}", one.size_mm, one.fit.value) for k, one in loose]
        if plate.concentricity_mm is not None:
            lines.append(f"registers and bore true to one another within {fig(plate.concentricity_mm, 'mm')}")
    if plate.dowel_mm is not None and plate.dowel_fit is not None:
        lines.append(_limits("dowels, reamed after indicating,", plate.dowel_mm, plate.dowel_fit.value))
    sunk = [hole for hole in part.holes if hole.counterbore_mm and not hole.sunk]
    odd = [hole for hole in part.holes if hole.held is not HeldBy.CLEARANCE or hole.sunk]
    for made in dict.fromkeys(hole.made for hole in odd):  # one line for all that are made alike
        lines.append(f"{', '.join(hole.id for hole in odd if hole.made == made)}: {made}")
    if sunk:
        depth_mm = inputs.face.counterbore_depth_mm
        deep = "depth not stated" if depth_mm is None else f"{fig(depth_mm, 'mm')} deep"
        names = f"{sunk[0].id} to {sunk[-1].id}" if len(sunk) > 1 else sunk[0].id
        lines.append(f"{names} counterbored Ø{fig(sunk[0].counterbore_mm, 'mm')}, {deep}")
    return (*lines, FLAT)


def _register(seat: Seat, part: FlatPart) -> str:
    chamfer = f", chamfer {fig(seat.chamfer_mm, 'mm')}" if seat.chamfer_mm else ""
    ring = ", ring pressed in H7/p6" if seat.ring else ""
    found, band = fit_within(seat.size_mm, seat.fit), ""
    if found is not None:
        own = found.bore if seat.mate is Mate.SPIGOT else found.shaft
        band = f": {num(own.least_mm, 'mm', 3)} to {fig(own.greatest_mm, 'mm', 3)}"
    return f"{seat.id} {seat_words(seat)}, {part.sides[seat.side]}{chamfer}{ring}{band}"


def _limits(what: str, size_mm: float, fit: str) -> str:
    found = fit_within(size_mm, fit)
    if found is None:
        return f"{what} Ø{fig(size_mm, 'mm')} {fit}: outside the tables, as measured"
    limits = f"{num(found.bore.least_mm, 'mm', 3)} to {fig(found.bore.greatest_mm, 'mm', 3)}"
    return f"{what} Ø{fig(size_mm, 'mm')} {fit}: bore {limits}"
