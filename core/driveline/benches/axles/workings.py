"""The sums behind the checks of axles."""

from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.axles.bars import STEEL, Section
from driveline.benches.axles.needs import ShaftLoad
from driveline.benches.axles.sheet import Axle, DifferentialKind
from driveline.benches.axles.through_travel import Travelling
from driveline.gearing.differential import clutched_high_nm
from driveline.sheet import value_of
from driveline.working import Given, Step, Working, entered, step, tabled, worked

SCANNED: Final = "Every height, lock and move of the unit together, since the worst is seldom at an end of one."
TORSION: Final = "Saint-Venant's torsion of a round section; a spline at its root diameter. Guides: ENGINEERING 14."
WHIRLS: Final = "First bending mode of a slender beam on two pins."


Lines = tuple[Floats, Floats]  # directions of a joint's two sides, (3,) each, both along the line


def angle_working(angle_deg: float | None, lines: Lines | None, where: str, source: str = "") -> Working:
    """Return a joint's greatest angle, of the directions of its two sides there."""
    if angle_deg is None or lines is None:
        return Working(source=source or SCANNED)
    return Working(steps=(bend_step(angle_deg, lines, where),), source=source, method="" if source else SCANNED)


def bend_step(angle_deg: float, lines: Lines, where: str) -> Step:
    """Return the angle between two lines as the chord between their directions, each of a length of one."""
    first, second = (line / float(np.linalg.norm(line)) for line in lines)
    given = [
        worked(f"{name}_{axis}", float(part), "", words)
        for name, line, words in (("a", first, f"one side, {where}"), ("b", second, "the other"))
        for axis, part in zip("xyz", line, strict=True)
    ]
    chord = "2 * asin(sqrt((a_x - b_x)**2 + (a_y - b_y)**2 + (a_z - b_z)**2) / 2)"
    return step("β", chord, *given, value=angle_deg, unit="°", decimals=2)


def plunge_working(travel: Travelling | None, made_to_field: str) -> Working:
    """Return the plunge that a shaft takes at its tightest place, and what the joint has there."""
    tightest = None if travel is None else travel.tightest
    if travel is None or tightest is None or travel.envelope is None or travel.middle_mm is None:
        return Working(source=SCANNED)
    envelope = travel.envelope
    allowed = step(
        "p",
        "p_0 + (p_b - p_0) * min(β, β_g) / β_g",
        worked("p_0", envelope.plunge_mm, "mm", "the joint's, running straight"),
        worked("p_b", envelope.bent_mm, "mm", "the joint's, at its greatest angle"),
        worked("β", tightest.inner_deg, "°", "there"),
        worked("β_g", envelope.angle_deg, "°", "the joint's greatest angle"),
        value=tightest.allowed_mm,
        unit="mm",
        decimals=2,
        words="that it has there",
    )
    last = step(
        "d",
        "abs(L - L_0) + t",
        worked("L", tightest.at.value, "mm", "between the joints' centres there"),
        worked("L_0", travel.middle_mm, "mm", "with the joint at mid plunge"),
        entered("t", travel.made_to_mm, "mm", made_to_field),
        value=tightest.taken_mm,
        unit="mm",
        decimals=2,
    )
    return Working(steps=(allowed, last), method=SCANNED)


def _side_step(axle: Axle, whole_nm: float, torque_nm: float) -> Step:
    whole = worked("T_a", whole_nm, "N·m", "the axle's design torque, at Ratios")
    lock = value_of(axle.lock) or 0.0
    bias = axle.bias_ratio or 1.0
    expression, more = {
        DifferentialKind.OPEN: ("T_a / 2", ()),
        DifferentialKind.BIAS: ("T_a * B / (1 + B)", (entered("B", bias, "", "bias ratio"),)),
        DifferentialKind.CLUTCHES: (
            "(T_a + T_l) / 2" if clutched_high_nm(whole_nm, lock) < whole_nm else "T_a",
            (entered("T_l", lock, "N·m", "held by its clutches"),)
            if clutched_high_nm(whole_nm, lock) < whole_nm
            else (),
        ),
        DifferentialKind.LOCKED: ("T_a", ()),
        None: ("T_a", ()),
    }[axle.differential]
    given: tuple[Given, ...] = more
    return step("T", expression, whole, *given, value=torque_nm, unit="N·m", words="the most that comes to one side")


def _sizes(section: Section) -> tuple[Given, Given]:
    return (
        entered("D", section.outside_mm, "mm", section.field),
        worked("d", section.bore_mm, "mm", "its bore"),
    )


SHEARED: Final = "16 * T * D / (pi * (D**4 - d**4))"


def shear_working(axle: Axle, load: ShaftLoad | None, section: Section | None, torque_nm: float | None) -> Working:
    """Return the shear in the worst section of a bar."""
    if load is None or load.design_nm is None or section is None or torque_nm is None:
        return Working(source=TORSION)
    torque = _side_step(axle, load.design_nm, torque_nm)
    last = step("τ", SHEARED, torque, *_sizes(section), value=section.shear_mpa(torque_nm), unit="MPa", decimals=1)
    return Working(steps=(torque, last), source=TORSION)


def range_working(section: Section | None, torque_nm: float | None, back_nm: float | None) -> Working:
    """Return the range of shear from launch to overrun."""
    if section is None or torque_nm is None:
        return Working(source=TORSION)
    back = 0.0 if back_nm is None else back_nm
    whole = step(
        "T",
        "T_l + T_o",
        worked("T_l", torque_nm, "N·m", "on launch, this side"),
        worked("T_o", back, "N·m", "on overrun, this side"),
        value=torque_nm + back,
        unit="N·m",
    )
    last = step(
        "Δτ", SHEARED, whole, *_sizes(section), value=section.shear_mpa(torque_nm + back), unit="MPa", decimals=1
    )
    return Working(steps=(whole, last), source=TORSION)


def whirl_working(
    length_mm: float | None,
    outside_mm: float | None,
    inside_mm: float | None,
    critical: float | None,
    *,
    share: float = 1.0,
) -> Working:
    """Return the speed at which a bar or tube would whirl."""
    if length_mm is None or outside_mm is None or inside_mm is None or critical is None:
        return Working(source=WHIRLS)
    radius = step(
        "r",
        "sqrt(D**2 + d**2) / 4",
        worked("D", outside_mm, "mm", "outside"),
        worked("d", inside_mm, "mm", "inside"),
        value=(outside_mm**2 + inside_mm**2) ** 0.5 / 4,
        unit="mm",
        decimals=3,
        words="radius of gyration",
    )
    given: list[Given | Step] = [
        radius,
        tabled("E", STEEL.modulus_mpa, "MPa", "steel"),
        tabled("ρ", STEEL.density_kgm3, "kg/m³", "steel"),
        worked("L", length_mm, "mm", "between the joints' centres, at its longest"),
    ]
    expression = "pi / 2 * sqrt(E / ρ) * r / L**2"
    if share != 1.0:
        given.append(tabled("s", share, "", "of two pieces, 0.65 where one may run at 0.70"))
        expression = f"s * {expression}"
    last = step("n", expression, *given, value=critical * share, unit="rpm", words="whirls")
    return Working(steps=(radius, last), source=WHIRLS)
