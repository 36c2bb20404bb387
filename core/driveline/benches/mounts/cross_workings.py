"""The sums behind a cross member's checks."""

from typing import Final

from driveline.benches.mounts.cross_loads import CrossLoaded, Cut
from driveline.working import Fact, Working, entered_or_usual, step, worked

WHOLE: Final = (
    "Beam from rail to rail under all that stands on it at once, judged with its ends held (12 E I/L³, 6 E I/L², "
    "4 E I/L) and with rails that give way to bending; at both ends and beside each load. σ = M c/I both ways + F/A, "
    "√(σ² + 3 τ²) with torsion and 1.5 V/A of the webs."
)


def whole_working(one: CrossLoaded, worst: Cut | None, yield_mpa: float, *, is_usual: bool) -> Working:
    """Return the stress of a cross member where it is stressed most."""
    member = one.cross.member
    if worst is None or member is None:
        return Working(source=WHOLE)
    section, where = member.section, f"{one.names[worst.row]}, from the balance of the member"
    along, across, upright, about, level, standing = (abs(float(part)) for part in worst.faces)
    pulled_mpa = along / section.area_mm2
    bent = step(
        "σ_b",
        "M_l * d / (2 * I_l) + M_u * b / (2 * I_u)",
        worked("M_l", level / 1000, "N·m", where),
        worked("d", section.depth_mm, "mm", section.words),
        worked("I_l", section.upright_mm4, "mm⁴", section.words),
        worked("M_u", standing / 1000, "N·m", "the same, about the upright"),
        worked("b", section.breadth_mm, "mm", section.words),
        worked("I_u", section.across_mm4, "mm⁴", section.words),
        value=worst.stress.bending_and_axial_mpa - pulled_mpa,
        unit="MPa",
        decimals=1,
    )
    force, area = worked("F", along, "N", "along it"), worked("A", section.area_mm2, "mm²", section.words)
    pulled = step("σ_a", "F / A", force, area, value=pulled_mpa, unit="MPa", decimals=1)
    twisted = step(
        "τ",
        "T / W",
        worked("T", about / 1000, "N·m", "about it"),
        worked("W", 1 / section.shear_per_nmm, "mm³", "torsional modulus"),
        value=worst.stress.torsion_mpa,
        unit="MPa",
        decimals=1,
    )
    direct = step(
        "v",
        "1.5 * sqrt((V_u / A_u)**2 + (V_a / A_a)**2)",
        worked("V_u", upright, "N", "upright"),
        worked("A_u", section.webs_mm2[0], "mm²", "of its webs"),
        worked("V_a", across, "N", "across"),
        worked("A_a", section.webs_mm2[1], "mm²", "of its webs"),
        value=worst.stress.direct_mpa,
        unit="MPa",
        decimals=1,
    )
    last = step(
        "s",
        "sqrt((σ_b + σ_a)**2 + 3 * (τ + v)**2)",
        bent,
        pulled,
        twisted,
        direct,
        value=worst.stress.judged_mpa,
        unit="MPa",
        decimals=1,
    )
    yielding = entered_or_usual("R", yield_mpa, "MPa", f"{one.cross.field}.bracket.yield_mpa", is_usual=is_usual)
    stands = Fact(what="stands on it", found=", ".join(mount.sheet.name for mount in one.mounts))
    allowed = step("a", "R", yielding, value=yield_mpa, unit="MPa", decimals=0)
    return Working(steps=(stands, bent, pulled, twisted, direct, last, allowed), source=WHOLE)
