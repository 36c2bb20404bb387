"""The sums of the welds at a bracket's root: at its worst, beside it, and to and fro."""

from typing import Final

from driveline.metal.weld_groups import BASE_SHEAR, E70_MPA, WeldStress
from driveline.metal.welds import FAT_CYCLES, FAT_MPA, NOT_INSPECTED, OF_ELECTRODE, SCREEN_CYCLES
from driveline.working import Given, Step, Working, entered, entered_or_usual, step, tabled, worked

AXES: Final = ("x", "y", "z")


def weld_steps(stress: WeldStress, where: str) -> tuple[Step, ...]:
    """Return the stress of a group of fillets from its lines' length and moments on, the sum of its parts last."""
    parts = _parts(stress, where) if _is_spread(stress) else ()
    last = parts[2::3] or _finished(stress, where)
    size = "sqrt(τ_x**2 + τ_y**2 + τ_z**2)"
    return *parts, step("s", size, *last, value=stress.governing_mpa, unit="MPa", decimals=1)


def _is_spread(stress: WeldStress) -> bool:
    """Whether it bends about both axes: a single straight line does not."""
    size = max(stress.unit_x_mm3, stress.unit_y_mm3)
    return stress.unit_x_mm3 * stress.unit_y_mm3 - stress.unit_xy_mm3**2 > 1e-9 * size**2


def _finished(stress: WeldStress, where: str) -> tuple[Given, ...]:
    return tuple(
        worked(f"τ_{axis}", float(one), "MPa", where) for axis, one in zip(AXES, stress.components_mpa, strict=True)
    )


def _parts(stress: WeldStress, where: str) -> tuple[Step, ...]:
    forces = {axis: worked(f"F_{axis}", float(one), "N", where) for axis, one in zip(AXES, stress.force_n, strict=True)}
    moments = {
        axis: worked(f"M_{axis}", float(one) / 1000, "N·m", "about the middle of its lines")
        for axis, one in zip(AXES, stress.moment_nmm, strict=True)
    }
    x_mm, y_mm = (float(one) for one in stress.at_mm - stress.centroid_mm)
    x, y = worked("x", x_mm, "mm", "from their middle to that end"), worked("y", y_mm, "mm", "the same, square to it")
    length, throat = worked("L", stress.length_mm, "mm", "of its lines"), worked("a", stress.throat_mm, "mm", "throat")
    i_x = worked("I_x", stress.unit_x_mm3, "mm³", "of its lines about x")
    i_y = worked("I_y", stress.unit_y_mm3, "mm³", "about y")
    i_xy = worked("I_xy", stress.unit_xy_mm3, "mm³", "of both")
    lines = (throat, i_x, i_y)
    turns = (
        ("-M_z * y / ((I_x + I_y) * a)", (moments["z"], y, *lines)),
        ("M_z * x / ((I_x + I_y) * a)", (moments["z"], x, *lines)),
        (
            "((M_x * I_y + M_y * I_xy) * y - (M_y * I_x + M_x * I_xy) * x) / (I_x * I_y - I_xy**2) / a",
            (moments["x"], moments["y"], x, y, i_xy, *lines),
        ),
    )
    found = list[Step]()
    for axis, (expression, given), whole, force in zip(AXES, turns, stress.components_mpa, stress.force_n, strict=True):
        pushed_mpa = float(force) / (stress.length_mm * stress.throat_mm)
        direct = (forces[axis], length, throat)
        pushed = step(f"p_{axis}", f"F_{axis} / (L * a)", *direct, value=pushed_mpa, unit="MPa", decimals=1)
        turned = step(f"t_{axis}", expression, *given, value=float(whole) - pushed_mpa, unit="MPa", decimals=1)
        both = step(f"τ_{axis}", f"p_{axis} + t_{axis}", pushed, turned, value=float(whole), unit="MPa", decimals=1)
        found += [pushed, turned, both]
    return tuple(found)


def allowed_step(allowed_mpa: float, *, is_inspected: bool) -> Step:
    """Return what the throat of a weld may bear."""
    words = "inspected" if is_inspected else "for work that is not inspected: half"
    return step(
        "a_w",
        "q * R_e * h",
        tabled("q", OF_ELECTRODE, "", "of the electrode's tensile strength"),
        tabled("R_e", E70_MPA, "MPa", "E70"),
        worked("h", 1.0 if is_inspected else NOT_INSPECTED, "", words),
        value=allowed_mpa,
        unit="MPa",
        decimals=1,
    )


def weld_working(stress: WeldStress, allowed_mpa: float, *, is_inspected: bool) -> Working:
    """Return the stress on a root's weld, and what it may bear."""
    parts = weld_steps(stress, "at the end where it is worst")
    allowed = allowed_step(allowed_mpa, is_inspected=is_inspected)
    return Working(
        steps=(*parts, allowed),
        source="Fillets as lines of throat 0.707 leg: direct force, twist and bending added as vectors; AWS D1.1.",
    )


def base_working(
    stress: WeldStress, shear_mpa: float, base: tuple[float, str], yield_mpa: float, field: str, *, is_usual: bool
) -> Working:
    """Return the shear of the plate beside the weld; ``base`` is how thick it is, and in which field."""
    first = step(
        "τ",
        "s * a / t",
        worked("s", stress.governing_mpa, "MPa", "on the weld's throat"),
        worked("a", stress.throat_mm, "mm", "throat, 0.707 of the leg"),
        entered("t", base[0], "mm", f"{field}.bracket.{base[1]}"),
        value=shear_mpa,
        unit="MPa",
        decimals=1,
    )
    yielding = entered_or_usual("R", yield_mpa, "MPa", f"{field}.bracket.yield_mpa", is_usual=is_usual)
    allowed = step(
        "c",
        "q * R",
        tabled("q", BASE_SHEAR, "", "of yield"),
        yielding,
        value=BASE_SHEAR * yield_mpa,
        unit="MPa",
        decimals=1,
    )
    return Working(
        steps=(first, allowed),
        source="The weld's force for each length over the plate's thickness; 0.40 of yield, AWS D1.1.",
    )


def fatigue_working(stress: WeldStress, allowed_mpa: float) -> Working:
    """Return the range of stress on a weld, and what it bears so often."""
    parts = weld_steps(stress, "from launch to back, at the end where it is worst")
    allowed = step(
        "a",
        "f * (n / N)**(1 / 3)",
        tabled("f", FAT_MPA, "MPa", "class, at two million"),
        tabled("n", FAT_CYCLES, "", "two million"),
        tabled("N", SCREEN_CYCLES, "", "times, taken as usual"),
        value=allowed_mpa,
        unit="MPa",
        decimals=1,
    )
    return Working(steps=(*parts, allowed), source="EN 1993-1-9 class 36 on the throat, slope 3: a screen, no proof.")
