"""Workings of a torque arm."""

import math
from typing import Final

from driveline.benches.mounts.brackets import STEEL
from driveline.metal.ears import BEARING, NET_TENSION, SHEAR, Ear, EarStress
from driveline.metal.sections import Section
from driveline.metal.struts import secant_stress_mpa
from driveline.working import Step, Working, entered, entered_or_usual, step, tabled, worked

SECANT: Final = (
    "Secant formula, both ends alike and pinned: the load at which the outer fibre yields, sought to the last digit. "
    "The least of both loads counts."
)
EYE: Final = "A ring as an ear: bearing 0.9, tear-out 0.4, net section 0.6 of yield."
THROAT: Final = "A fillet all round the tube: force over its throat; the leg counts up to the tube's wall."


def offset_working(
    straight: Working,
    section: Section,
    outside_mm: float,
    length_mm: float,
    offset_mm: float,
    load_n: float,
    field: str,
) -> Working:
    """Return at what load an arm yields whose load passes beside its middle, after that at which it buckles."""
    gyration = math.sqrt(section.upright_mm4 / section.area_mm2)
    at_yield = secant_stress_mpa(
        load_n,
        area_mm2=section.area_mm2,
        gyration_mm=gyration,
        fibre_mm=outside_mm / 2,
        length_mm=length_mm,
        end_factor=1.0,
        offset_mm=abs(offset_mm),
        e_mpa=STEEL.modulus_mpa,
    )
    area = worked("A", section.area_mm2, "mm²", section.words)
    inertia = worked("I", section.upright_mm4, "mm⁴", section.words)
    load = worked("Q", load_n, "N", "at which it yields, sought")
    length = worked("L", length_mm, "mm", "between its eyes")
    e = tabled("E", STEEL.modulus_mpa, "MPa", "steel")
    bent = step(
        "β",
        "L / 2 * sqrt(Q / (E * I))",
        length,
        load,
        e,
        inertia,
        value=math.degrees(length_mm / 2 * math.sqrt(load_n / (STEEL.modulus_mpa * section.upright_mm4))),
        unit="°",
        decimals=2,
    )
    last = step(
        "σ",
        "Q / A * (1 + abs(e) * D / 2 * A / I / cos(β))",
        load,
        area,
        entered("e", offset_mm, "mm", f"{field}.bracket.beside"),
        entered("D", outside_mm, "mm", f"{field}.bracket.depth"),
        inertia,
        bent,
        value=at_yield,
        unit="MPa",
        decimals=1,
    )
    buckles = straight.steps[-1]
    assert isinstance(buckles, Step)
    least = step("R", f"min({buckles.symbol}, Q)", buckles, load, value=min(buckles.value, load_n), unit="N")
    return Working(steps=(*straight.steps, bent, last, least), source=f"{straight.source} {SECANT}")


def eye_working(
    eye: Ear, stress: EarStress, force_n: float, yield_mpa: float, field: str, *, is_usual: bool
) -> Working:
    """Return what governs an eye, its ring taken as an ear whose hole the bush fills."""
    force = worked("F", force_n, "N", "along the arm")
    outside = entered("D", eye.width_mm, "mm", f"{field}.eye.outside")
    bore = entered("d", eye.hole_mm, "mm", f"{field}.eye.bore")
    wide = entered("w", eye.thickness_mm, "mm", f"{field}.eye.width")
    expression, given, share = {
        "bearing": ("F / (d * w)", (force, bore, wide), BEARING),
        "tear-out": ("F / ((D - d) * w)", (force, outside, bore, wide), SHEAR),
        "net section": ("F / ((D - d) * w)", (force, outside, bore, wide), NET_TENSION),
    }[stress.governing]
    first = step("σ", expression, *given, value=stress.governing_mpa, unit="MPa", decimals=1, words=stress.governing)
    yielding = entered_or_usual("R", yield_mpa, "MPa", f"{field}.bracket.yield_mpa", is_usual=is_usual)
    part = tabled("q", share, "", "of yield")
    allowed = step("a", "q * R", part, yielding, value=stress.allowed_mpa, unit="MPa", decimals=1)
    return Working(steps=(first, allowed), source=EYE)


def eye_weld_working(outside_mm: float, leg_mm: float, force_n: float, stress_mpa: float, field: str) -> Working:
    """Return the stress of the fillet between an arm's tube and its eye."""
    diameter = entered("D", outside_mm, "mm", f"{field}.bracket.depth")
    leg = worked("l", leg_mm, "mm", "of its leg, as far as the wall counts")
    throat = step(
        "A", "pi * D * l / sqrt(2)", diameter, leg, value=math.pi * outside_mm * leg_mm / math.sqrt(2), unit="mm²"
    )
    last = step(
        "τ", "F / A", worked("F", force_n, "N", "along the arm"), throat, value=stress_mpa, unit="MPa", decimals=1
    )
    return Working(steps=(throat, last), source=THROAT)
