"""What a plate is made to, for the paper that its machinist gets: all that the checks count on and no line shows."""

from driveline.benches.plate.inputs import PlateInputs
from driveline.figures import fig, num
from driveline.fits.limits import fit_within
from driveline.parts.made import FlatPart

FLAT = "both faces flat and parallel: the checks allow nothing for them"


def made_to(inputs: PlateInputs, part: FlatPart) -> tuple[str, ...]:
    """Return fits with their limits, counterbores, and how true a plate is to be, a line each."""
    plate = inputs.plate
    lines = []
    if any(hole.kind == "bore" for hole in part.holes):
        lines += [_limits(f"register {k}", mm, fit.value) for k, (mm, fit) in enumerate(plate.registers, start=1)]
        if plate.concentricity_mm is not None:
            lines.append(f"registers and bore true to one another within {fig(plate.concentricity_mm, 'mm')}")
    if plate.dowel_mm is not None and plate.dowel_fit is not None:
        lines.append(_limits("dowels, reamed after indicating,", plate.dowel_mm, plate.dowel_fit.value))
    sunk = [hole for hole in part.holes if hole.counterbore_mm]
    if sunk:
        depth_mm = inputs.face.counterbore_depth_mm
        deep = "depth not stated" if depth_mm is None else f"{fig(depth_mm, 'mm')} deep"
        names = f"{sunk[0].id} to {sunk[-1].id}" if len(sunk) > 1 else sunk[0].id
        lines.append(f"{names} counterbored Ø{fig(sunk[0].counterbore_mm, 'mm')}, {deep}")
    return (*lines, FLAT)


def _limits(what: str, size_mm: float, fit: str) -> str:
    found = fit_within(size_mm, fit)
    if found is None:
        return f"{what} Ø{fig(size_mm, 'mm')} {fit}: outside the tables, as measured"
    limits = f"{num(found.bore.least_mm, 'mm', 3)} to {fig(found.bore.greatest_mm, 'mm', 3)}"
    return f"{what} Ø{fig(size_mm, 'mm')} {fit}: bore {limits}"
