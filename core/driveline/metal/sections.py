"""Sections of arms: area, bending and torsion of a box, a round tube or a channel, and the stress at their worst."""

import math
from dataclasses import dataclass, replace
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig, num
from driveline.flat.folds import unfolded

SHEAR_MODULUS: Final = 2.6  # G = E/2.6


@dataclass(frozen=True, slots=True, kw_only=True)
class Section:
    """A section of an arm. z is upright: the load's; y across."""

    words: str
    area_mm2: float
    upright_mm4: float  # second moment for an upright load
    across_mm4: float
    depth_mm: float
    breadth_mm: float
    torsion_mm4: float
    shear_per_nmm: float  # MPa for each N·mm of torque, at its worst
    shear_centre_mm: float  # outside the web's middle line, of a channel; 0 for the others
    is_closed: bool
    webs_mm2: tuple[float, float]  # that bear direct shear, of an upright load and of one across
    rise_mm: float = 0.0  # of its shear centre above a load across

    @property
    def modulus_mm3(self) -> float:
        """Section modulus for an upright load."""
        return self.upright_mm4 / (self.depth_mm / 2)


def _sized(**sizes: float) -> None:
    for name, value in sizes.items():
        if not (math.isfinite(value) and value > 0):
            raise ImpossibleInput(name.removesuffix("_mm").replace("_", " "), value, "above 0")


def box(*, breadth_mm: float, depth_mm: float, wall_mm: float) -> Section:
    """Return a closed box; outside sizes.

    Args:
        breadth_mm: Across.
        depth_mm: Upright.
        wall_mm: All round.

    Raises:
        ImpossibleInput: If a size is not above nought, or the wall fills it.

    Source:
        Exact rectangles for A and I; torsion on the wall's middle line, J = 4 A_m²/Σ(s/t), τ = T/(2 A_m t).
    """
    _sized(breadth_mm=breadth_mm, depth_mm=depth_mm, wall_mm=wall_mm)
    b, d = breadth_mm - 2 * wall_mm, depth_mm - 2 * wall_mm
    if b <= 0 or d <= 0:
        raise ImpossibleInput("wall", fig(wall_mm, "mm"), f"below half of {fig(min(breadth_mm, depth_mm), 'mm')}")
    middle = (breadth_mm - wall_mm) * (depth_mm - wall_mm)
    round_mm = 2 * (breadth_mm - wall_mm + depth_mm - wall_mm)
    return Section(
        words=f"box {num(breadth_mm, 'mm')} x {num(depth_mm, 'mm')} x {fig(wall_mm, 'mm')}",
        area_mm2=breadth_mm * depth_mm - b * d,
        upright_mm4=(breadth_mm * depth_mm**3 - b * d**3) / 12,
        across_mm4=(depth_mm * breadth_mm**3 - d * b**3) / 12,
        depth_mm=depth_mm,
        breadth_mm=breadth_mm,
        torsion_mm4=4 * middle**2 * wall_mm / round_mm,
        shear_per_nmm=1 / (2 * middle * wall_mm),
        shear_centre_mm=0.0,
        is_closed=True,
        webs_mm2=(2 * wall_mm * depth_mm, 2 * wall_mm * breadth_mm),
    )


def tube(*, outside_mm: float, wall_mm: float) -> Section:
    """Return a round tube.

    Args:
        outside_mm: Its diameter.
        wall_mm: Of it.

    Raises:
        ImpossibleInput: If a size is not above nought, or the wall fills it.

    Source:
        Plain geometry, I = π (D⁴ - d⁴)/64, J = 2 I, τ = T D/(2 J).
    """
    _sized(outside_mm=outside_mm, wall_mm=wall_mm)
    inside = outside_mm - 2 * wall_mm
    if inside <= 0:
        raise ImpossibleInput("wall", fig(wall_mm, "mm"), f"below half of {fig(outside_mm, 'mm')}")
    bending = math.pi * (outside_mm**4 - inside**4) / 64
    area = math.pi * (outside_mm**2 - inside**2) / 4
    return Section(
        words=f"tube {num(outside_mm, 'mm')} x {fig(wall_mm, 'mm')}",
        area_mm2=area,
        upright_mm4=bending,
        across_mm4=bending,
        depth_mm=outside_mm,
        breadth_mm=outside_mm,
        torsion_mm4=2 * bending,
        shear_per_nmm=outside_mm / (4 * bending),
        shear_centre_mm=0.0,
        is_closed=True,
        webs_mm2=(area * 0.75, area * 0.75),  # a thin ring's greatest shear is 2 V/A
    )


def channel(*, flange_mm: float, depth_mm: float, flange_thickness_mm: float, web_thickness_mm: float) -> Section:
    """Return a channel, web upright; outside sizes. Open, it twists easily.

    Args:
        flange_mm: Width of a flange, over the web.
        depth_mm: Upright.
        flange_thickness_mm: Of both.
        web_thickness_mm: Of the web.

    Raises:
        ImpossibleInput: If a size is not above nought, or nothing is left between.

    Source:
        Exact rectangles for A and I; J = Σ b t³/3 on the middle lines; τ = T t_max/J; shear centre t_f b² h²/(4 I)
        outside the web's middle line (Roark).
    """
    _sized(
        flange_mm=flange_mm,
        depth_mm=depth_mm,
        flange_thickness_mm=flange_thickness_mm,
        web_thickness_mm=web_thickness_mm,
    )
    web = depth_mm - 2 * flange_thickness_mm
    if web <= 0 or flange_mm <= web_thickness_mm:
        raise ImpossibleInput(
            "flange", fig(flange_thickness_mm, "mm"), "below half the depth, its width above the web's"
        )
    b, h = flange_mm - web_thickness_mm / 2, depth_mm - flange_thickness_mm  # on the middle lines
    area = 2 * flange_mm * flange_thickness_mm + web * web_thickness_mm
    upright = (flange_mm * depth_mm**3 - (flange_mm - web_thickness_mm) * web**3) / 12
    out = (flange_mm**2 * flange_thickness_mm + web * web_thickness_mm**2 / 2) / area
    across = (
        2 * (flange_thickness_mm * flange_mm**3 / 12 + flange_mm * flange_thickness_mm * (flange_mm / 2 - out) ** 2)
        + web * web_thickness_mm**3 / 12
        + web * web_thickness_mm * (out - web_thickness_mm / 2) ** 2
    )
    on_lines = flange_thickness_mm * b * h**2 / 2 + web_thickness_mm * h**3 / 12
    torsion = (2 * b * flange_thickness_mm**3 + h * web_thickness_mm**3) / 3
    return Section(
        words=f"channel {num(flange_mm, 'mm')} x {num(depth_mm, 'mm')} x {fig(flange_thickness_mm, 'mm')}",
        area_mm2=area,
        upright_mm4=upright,
        across_mm4=across,
        depth_mm=depth_mm,
        breadth_mm=2 * (flange_mm - out),
        torsion_mm4=torsion,
        shear_per_nmm=max(flange_thickness_mm, web_thickness_mm) / torsion,
        shear_centre_mm=flange_thickness_mm * b**2 * h**2 / (4 * on_lines),
        is_closed=False,
        webs_mm2=(web_thickness_mm * depth_mm, 2 * flange_thickness_mm * flange_mm),
    )


def folded_channel(*, flange_mm: float, depth_mm: float, thickness_mm: float, inside_mm: float) -> Section:
    """Return a channel folded from one sheet, web upright; outside sizes.

    Args:
        flange_mm: Width of a flange, over the web.
        depth_mm: Upright.
        thickness_mm: Of the sheet.
        inside_mm: Radius of its bends, inside.

    Raises:
        ImpossibleInput: If a size is not above nought, or nothing is left between the bends.

    Source:
        The channel with sharp corners, less what the round of both outer corners takes, (1 - π/4)((r + t)² - r²) each,
        counted at the outer fibre; bent fibres counted where sharp ones would be, on the safe side.
    """
    _sized(inside_mm=inside_mm)
    unfolded((flange_mm, depth_mm, flange_mm), thickness_mm=thickness_mm, inside_mm=inside_mm)
    sharp = channel(
        flange_mm=flange_mm, depth_mm=depth_mm, flange_thickness_mm=thickness_mm, web_thickness_mm=thickness_mm
    )
    lost = 2 * (1 - math.pi / 4) * ((inside_mm + thickness_mm) ** 2 - inside_mm**2)
    return replace(
        sharp,
        words=f"folded channel {num(flange_mm, 'mm')} x {num(depth_mm, 'mm')} x {fig(thickness_mm, 'mm')}",
        area_mm2=sharp.area_mm2 - lost,
        upright_mm4=sharp.upright_mm4 - lost * (depth_mm / 2) ** 2,
        across_mm4=sharp.across_mm4 - lost * (sharp.breadth_mm / 2) ** 2,
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class ArmStress:
    """An arm at its root."""

    torque_nmm: float
    bending_and_axial_mpa: float
    torsion_mpa: float
    combined_mpa: float
    direct_mpa: float  # shear of the load itself, in its webs
    twist_deg: float

    @property
    def judged_mpa(self) -> float:
        """Bending, twist and direct shear at one place, which is safe."""
        return math.sqrt(self.bending_and_axial_mpa**2 + 3 * (self.torsion_mpa + self.direct_mpa) ** 2)


def arm_stress(
    section: Section,
    *,
    arm_mm: float,
    upright_n: float,
    across_n: float,
    axial_n: float,
    offset_mm: float,
    e_mpa: float,
    moment_nmm: tuple[float, float, float] = (0.0, 0.0, 0.0),
) -> ArmStress:
    """Return the stress at the root of a cantilever.

    Args:
        section: All along it.
        arm_mm: From the root to the load.
        upright_n: Size of the load along the depth.
        across_n: The same across; bends it the other way.
        axial_n: Size of the pull or push along it.
        offset_mm: How far the upright load passes from the shear centre.
        e_mpa: Young's modulus.
        moment_nmm: Sizes of moments at the load, about the arm, level across it and upright.

    Source:
        σ = M c/I both ways + F/A, τ of torsion, √(σ² + 3 τ²) at the corner; free to warp; direct shear 1.5 V/A of
        the webs. Worked examples arm-box-channel-bending-torsion, short-arm-shear.
    """
    along, level, upright = moment_nmm
    torque = upright_n * offset_mm + across_n * section.rise_mm + along
    bending = (arm_mm * upright_n + level) * section.depth_mm / 2 / section.upright_mm4
    bending += (arm_mm * across_n + upright) * section.breadth_mm / 2 / section.across_mm4
    normal = bending + axial_n / section.area_mm2
    shear = torque * section.shear_per_nmm
    return ArmStress(
        torque_nmm=torque,
        bending_and_axial_mpa=normal,
        torsion_mpa=shear,
        combined_mpa=math.sqrt(normal**2 + 3 * shear**2),
        direct_mpa=1.5 * math.hypot(upright_n / section.webs_mm2[0], across_n / section.webs_mm2[1]),
        twist_deg=math.degrees(torque * arm_mm / (e_mpa / SHEAR_MODULUS * section.torsion_mm4)),
    )


def arm_turning_nmm_per_rad(section: Section, *, arm_mm: float, e_mpa: float) -> tuple[float, float, float]:
    """Return what a cantilever holds its end with against turns about itself, level across and upright.

    Args:
        section: All along it.
        arm_mm: Its length.
        e_mpa: Young's modulus.

    Source:
        G J/L and E I/L.
    """
    return (
        e_mpa / SHEAR_MODULUS * section.torsion_mm4 / arm_mm,
        e_mpa * section.upright_mm4 / arm_mm,
        e_mpa * section.across_mm4 / arm_mm,
    )


def arm_stiffness_n_per_mm(section: Section, *, arm_mm: float, e_mpa: float) -> tuple[float, float, float]:
    """Return what a cantilever holds its end with along itself, across and upright.

    Args:
        section: All along it.
        arm_mm: Its length.
        e_mpa: Young's modulus.

    Source:
        E A/L and 3 E I/L³.
    """
    return (
        e_mpa * section.area_mm2 / arm_mm,
        3 * e_mpa * section.across_mm4 / arm_mm**3,
        3 * e_mpa * section.upright_mm4 / arm_mm**3,
    )
