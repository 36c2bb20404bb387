"""Workings of a screwed joint's checks."""

from driveline.joints.preload_sums import (
    WORST_WAY,
    greatest_steps,
    least_steps,
    proof_step,
    pull_steps,
    stress_area_step,
)
from driveline.joints.screws import (
    FRICTION,
    Loads,
    SleeveResult,
    Worked,
    friction_of,
)
from driveline.metal.bolts import mean_radius_mm
from driveline.sheet import positive_of
from driveline.working import Working, entered_or_usual, step, tabled, worked


def proof_working(
    worked_on: Worked,
    loads: Loads,
    *,
    greatest_n: float | None,
    tension_n: float | None,
    together_n: float | None,
    proof_n: float | None,
) -> Working:
    """Return the greatest preload with the load on top, and what the screw is proved for."""
    steps = [*greatest_steps(worked_on, greatest_n), *pull_steps(worked_on.place, loads, tension_n)]
    parts = [one for one in steps if one.symbol in ("F_great", "F_pull")]
    if together_n is not None and len(parts) > 1:
        total = " + ".join(one.symbol for one in parts)
        steps.append(step("F_most", total, *parts, value=together_n, unit="N"))
    if proof_n is not None and worked_on.strength is not None:
        area = next((one for one in steps if one.symbol == "A_s"), None) or stress_area_step(worked_on.size)
        steps += [] if area in steps else [area]
        steps.append(proof_step(worked_on.strength, area, proof_n))
    return Working(
        steps=tuple(steps),
        source="ISO 898-1, SAE J429. K 0.20 dry, 0.15 oiled or threadlocker; tightening scatters by a quarter. "
        "The whole load is counted on the screw, which is cautious.",
        method=WORST_WAY if tension_n is not None else "",
    )


def head_working(
    worked_on: Worked, hole_mm: float, *, greatest_n: float | None, pressure_mpa: float | None, note: str
) -> Working:
    """Return the pressure under the head."""
    steps = greatest_steps(worked_on, greatest_n)
    if pressure_mpa is not None and steps:
        field = f"{worked_on.place.fields.joint}.head"
        head = entered_or_usual(
            "d_head", worked_on.head_mm, "mm", field, is_usual=not positive_of(worked_on.joint.head)
        )
        steps = (
            *steps,
            step(
                "p",
                "F_great / (pi / 4 * (d_head**2 - d_hole**2))",
                steps[-1],
                head,
                worked("d_hole", hole_mm, "mm", "the widest hole of the pattern"),
                value=pressure_mpa,
                unit="MPa",
            ),
        )
    return Working(
        steps=steps,
        source="Against the plate's least yield, which is cautious. Hardened washers spread it: give their size.",
        note=note,
    )


def past_proof_working(worked_on: Worked) -> Working:
    """Return the greatest preload, and what the screw is proved for."""
    steps = greatest_steps(worked_on, worked_on.greatest_n)
    if worked_on.proof_n is not None and worked_on.strength is not None:
        area = next((one for one in steps if one.symbol == "A_s"), None) or stress_area_step(worked_on.size)
        steps += () if area in steps else (area,)
        steps += (proof_step(worked_on.strength, area, worked_on.proof_n),)
    return Working(steps=steps, source="ISO 898-1, SAE J429: past proof a screw does not spring back.")


def friction_working(worked_on: Worked, least_n: float | None, carried_nm: float | None) -> Working:
    """Return the torque that the clamped faces carry by friction."""
    steps, place, joint = least_steps(worked_on, least_n), worked_on.place, worked_on.joint
    if carried_nm is not None and steps:
        mu = (
            entered_or_usual("μ", friction_of(joint), "", f"{place.fields.joint}.surface", is_usual=True)
            if joint.surface is None
            else tabled("μ", FRICTION[joint.surface], "", joint.surface.words)
        )
        steps = (
            *steps,
            step(
                "T_hold",
                "z * μ * F_least * r",
                worked("z", float(len(place.xy_mm)), "", "screws of the pattern"),
                mu,
                steps[-1],
                worked("r", mean_radius_mm(place.xy_mm), "mm", "mean distance of the screws from their centroid"),
                value=carried_nm,
                unit="N·m",
            ),
        )
    surface = joint.surface.words if joint.surface else "plated, which is the least: say what they are"
    return Working(
        steps=steps,
        source="Friction carries it; clearance screws are not to bear. μ 0.15 dry steel or iron, 0.12 plated, "
        "0.20 blasted; r from the screws' centroid. Settling: VDI 2230-1.",
        note=f"Faces taken as {surface}.",
    )


def hangs_working(worked_on: Worked, loads: Loads, *, least_n: float | None, tension_n: float | None) -> Working:
    """Return what the overhung motor pulls and what clamps it."""
    return Working(
        steps=(*pull_steps(worked_on.place, loads, tension_n), *least_steps(worked_on, least_n)),
        source="Rigid faces, clamped; the worst direction of the moment. 3 g is a customary bump, not a code.",
        note="Below the wanted margin: support the motor's tail.",
        method=WORST_WAY if tension_n is not None else "",
    )


def tube_working(
    worked_on: Worked, thinnest: SleeveResult | None, *, greatest_n: float | None, stress_mpa: float | None
) -> Working:
    """Return the stress in a sleeve that is clamped end to end."""
    steps = greatest_steps(worked_on, greatest_n)
    if thinnest is not None and stress_mpa is not None and steps:
        outside = worked("D", thinnest.outside_mm, "mm", "the sleeve, to turn")
        inside = worked("d_in", thinnest.inside_mm, "mm", "the sleeve, to turn")
        expression = "F_great / (pi / 4 * (D**2 - d_in**2))"
        steps = (*steps, step("σ", expression, steps[-1], outside, inside, value=stress_mpa, unit="MPa"))
    return Working(steps=steps, source="Preload over the tube's area; cut it to the finished gap, both ends square.")
