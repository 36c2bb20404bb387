"""The sums behind the placement's checks."""

from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.placement.gaps import FAR_MM, Gap, travel_mm
from driveline.benches.placement.sheet import PlacementSheet
from driveline.space.laying import LaidScan
from driveline.space.outputs import JointAt
from driveline.space.path import StepFound
from driveline.space.tapes import GREATEST_W, Points3
from driveline.working import Given, Step, Working, entered_or_usual, step, tabled, worked

GAP_SOURCE: Final = (
    "Least distance of both bodies, each as entered; the nearest point on each in the vehicle's axes. What the mounts "
    "let the unit move is taken off whole, whichever way it goes."
)
AXES: Final = ("x", "y", "z")


def _between(first_mm: Floats, second_mm: Floats) -> Step:
    points = (("1", first_mm), ("2", second_mm))
    given = [
        worked(f"{axis}_{name}", float(point[k]), "mm", "on the unit" if name == "1" else "on the other")
        for name, point in points
        for k, axis in enumerate(AXES)
    ]
    value = float(np.linalg.norm(first_mm - second_mm))
    expression = "sqrt((x_2 - x_1)**2 + (y_2 - y_1)**2 + (z_2 - z_1)**2)"
    return step("g", expression, *given, value=value, unit="mm", decimals=1)


def _travel(sheet: PlacementSheet) -> Given:
    return entered_or_usual("t", travel_mm(sheet), "mm", "placement.travel", is_usual=sheet.travel is None)


def gap_working(gap: Gap | None, sheet: PlacementSheet, wanted_mm: float) -> Working:
    """Return the sums of a gap; of none within reach, how far was looked."""
    if gap is None:
        wanted, far = worked("w", wanted_mm, "mm", "wanted"), tabled("f", FAR_MM, "mm", "looked beyond it")
        return Working(steps=(step("c", "w + f", wanted, far, value=wanted_mm + FAR_MM, unit="mm"),), source=GAP_SOURCE)
    between: Given | Step
    noise = worked("s", gap.near.noise_mm, "mm", "what the scan's surface may be out")
    if gap.near.depth_mm > 0:
        between = worked(
            "g", gap.gap_mm + gap.near.noise_mm, "mm", "how deep they overlap: the least straight move that clears them"
        )
        steps: tuple[Step, ...] = ()
    else:
        between = _between(gap.near.on_first_mm, gap.near.on_second_mm)
        steps = (between,)
    taken_off, sums = [noise] if gap.near.noise_mm else [], "g - s - t" if gap.near.noise_mm else "g - t"
    left = step("c", sums, between, *taken_off, _travel(sheet), value=gap.least_mm, unit="mm", decimals=1)
    return Working(steps=(*steps, left), source=GAP_SOURCE)


def lowest_working(gap: Gap | None, sheet: PlacementSheet) -> Working:
    """Return the sums of the ground clearance."""
    source = "Lowest corner of the unit above the ground at ride height, less what the mounts let it sink."
    if gap is None:
        return Working(source=source)
    height = worked("z", gap.gap_mm, "mm", f"lowest corner, of {gap.unit.sheet.name}")
    left = step("c", "z - t", height, _travel(sheet), value=gap.least_mm, unit="mm", decimals=1)
    return Working(steps=(left,), source=source)


def way_in_working(found: StepFound | None, capacity_mm: float | None) -> Working:
    """Return the sums of the way in."""
    source = (
        "Swept, not sampled: the gap of convex bodies on a straight move has one valley, found by its slopes; with "
        "turns, no point comes nearer than its path allows."
    )
    if capacity_mm is None:
        return Working(source=source)
    if found is None or found.near is None:
        far = tabled("f", capacity_mm, "mm", "looked so far")
        return Working(
            steps=(
                step("c", "f - s", far, worked("s", 0.0, "mm", "not settled closer"), value=capacity_mm, unit="mm"),
            ),
            source=source,
        )
    if found.contact_at is not None:
        touching = worked("g", 0.0, "mm", "they touch")
        sure = worked("s", 0.0, "mm", "not settled closer")
        return Working(steps=(step("c", "g - s", touching, sure, value=0.0, unit="mm"),), source=source)
    between = _between(found.near.on_first_mm, found.near.on_second_mm)
    sure = worked("s", found.sure_mm + found.near.noise_mm, "mm", "not settled closer, and what a scan may be out")
    left = step("c", "g - s", between, sure, value=capacity_mm, unit="mm", decimals=1)
    return Working(steps=(between, left), source=source)


def joint_working(joint: JointAt | None) -> Working:
    """Return the sums of a joint's angle."""
    source = (
        "Angle of the output line, outward, and the line to the outer joint: β = 2 asin(|u - v|/2) of both directions."
    )
    if joint is None:
        return Working(source=source)
    given = [
        worked(f"{name}_{axis}", float(direction[k]), "", words)
        for name, direction, words in (
            ("u", joint.outward, "along the output line"),
            ("v", joint.toward, "along the shaft"),
        )
        for k, axis in enumerate(AXES)
    ]
    apart = float(np.linalg.norm(joint.outward - joint.toward))
    expression = "sqrt((u_x - v_x)**2 + (u_y - v_y)**2 + (u_z - v_z)**2)"
    chord = step("n", expression, *given, value=apart, unit="", decimals=4)
    angle = step("β", "2 * asin(n / 2)", chord, value=joint.angle_deg, unit="°", decimals=1)
    return Working(steps=(chord, angle), source=source)


def points_working(found: Points3) -> Working:
    """Return the misfit of tapes and coordinates, each reading's share of it."""
    method = "least squares over every reading; settled" if found.settled else "least squares; not settled"
    source = "Σ(v/u)² against χ² at 5 % of the readings beyond those that are just enough."
    given, terms = [], []
    for k, fit in enumerate(found.fits, start=1):
        given.append(worked(f"v_{k}", fit.v_mm, "mm", f"{fit.key}: adjusted less read"))
        given.append(worked(f"u_{k}", fit.u_mm, "mm", "its standard uncertainty"))
        terms.append(f"(v_{k} / u_{k})**2")
    if not terms:
        return Working(source=source)
    if found.chi_square_limit is None:
        return Working(source=source)
    misfit = step("X", " + ".join(terms), *given, value=found.chi_square, unit="", decimals=1)
    share = step(
        "k",
        "max(w / w_0, X / X_0)",
        worked("w", found.worst_w, "", "of the reading that fits worst, v/(u √r)"),
        tabled("w_0", GREATEST_W, "", "0.1 %, two-sided"),
        misfit,
        tabled("X_0", found.chi_square_limit, "", "χ² at 5 %"),
        value=max(found.worst_w / GREATEST_W, found.chi_square / found.chi_square_limit),
        unit="",
        decimals=2,
    )
    return Working(steps=(misfit, share), source=source, method=method)


def scan_working(found: LaidScan | None) -> Working:
    """Return the misfit of a scan's matched points, each one's share of it."""
    source = (
        "Least squares of the matched points (Arun, Huang and Blostein, 1987); Σ(v/u)² against χ² of 3 n - 6 at one "
        "in 1000."
    )
    if found is None:
        return Working(source=source)
    given, terms = [], []
    for k, one in enumerate(found.misfits, start=1):
        given.append(worked(f"v_{k}", one.size_mm, "mm", f"{one.key}: the scan has it from the vehicle"))
        given.append(worked(f"u_{k}", one.u_mm, "mm", "its standard uncertainty, of both places"))
        terms.append(f"(v_{k} / u_{k})**2")
    misfit = step("X", " + ".join(terms), *given, value=found.chi_square, unit="", decimals=1)
    limit = worked("X_0", found.limit, "", "its limit")
    share = step("k", "X / X_0", misfit, limit, value=found.chi_square / found.limit, unit="", decimals=2)
    return Working(steps=(misfit, share), source=source)
