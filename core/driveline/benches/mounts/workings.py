"""The sums behind the mounts' checks."""

from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.brackets import STEEL, Arm, Stressed
from driveline.benches.mounts.carried import Carried
from driveline.benches.mounts.ears import THREAD_SHARE, EarBolt
from driveline.benches.mounts.pull import PullFound
from driveline.benches.mounts.sheet import MountsSheet
from driveline.figures import fig
from driveline.held.modes import USUAL_DYNAMIC, Mode
from driveline.metal.ears import BEARING, BENDING, NET_TENSION, SHEAR, Ear, EarStress
from driveline.metal.sections import Section
from driveline.metal.struts import Buckling
from driveline.working import Fact, Given, Step, Working, entered, entered_or_usual, step, tabled, worked

HELD_SOURCE: Final = (
    "Rigid unit on springs, small turns: K q = load, f = -k (t + θ × r), rubber in series with its bracket; the "
    "mounts' forces are in balance with weight, inertia and the torque that leaves the unit."
)
AXES: Final = ("x", "y", "z")


def force_working(carried: Carried, mount: int) -> Working:
    """Return what a mount carries in its worst case."""
    row = carried.worst_case(mount)
    force, case = carried.held.forces_n[row, mount], carried.cases[row]
    given = [
        worked(f"f_{axis}", float(one), "N", f"{case.name}, from the balance")
        for axis, one in zip(AXES, force, strict=True)
    ]
    size = float(np.linalg.norm(force))
    first = step("F", "sqrt(f_x**2 + f_y**2 + f_z**2)", *given, value=size, unit="N")
    worst = float(carried.sizes_n[row, mount])
    left = worked("s", worst - size, "N", "more, were the stiffnesses half or twice what they are taken as")
    last = step("d", "F + s", first, left, value=worst, unit="N")
    return Working(steps=(*_balance_facts(carried, mount, row), first, last), source=HELD_SOURCE)


def _balance_facts(carried: Carried, mount: int, row: int) -> tuple[Fact, ...]:
    """What the balance starts from and ends at: the load, where this mount stands, and how the unit moves."""
    load, at = carried.loads[row], carried.mounts[mount].at_mm
    facts = (
        ("pushes on the unit, forward, left and up", load[:3], "N", 0),
        ("turns it, about the same axes through its centre of gravity", load[3:] / 1000, "N·m", 1),
        ("where the mount stands, from the datum", at, "mm", 1),
        ("moves the unit", carried.held.moves_mm[row], "mm", 2),
        ("and turns it", np.degrees(carried.held.turns_rad[row]), "°", 3),
    )
    return tuple(
        Fact(what=what, found=", ".join(fig(float(one), unit, decimals) for one in parts))
        for what, parts, unit, decimals in facts
        if parts is not None
    )


def gap_working(gap_mm: float | None, case: str) -> Working:
    """Return the gap with the unit moved."""
    source = "Least distance with the unit moved as the case moves it; of all cases and bodies the tightest."
    if gap_mm is None:
        return Working(source=source)
    gap = worked("g", gap_mm, "mm", f"{case}, unit moved")
    taken = worked("t", 0.0, "mm", "nothing more is taken off")
    return Working(steps=(step("c", "g - t", gap, taken, value=gap_mm, unit="mm", decimals=1),), source=source)


def travel_working(move_mm: float | None, case: str) -> Working:
    """Return how far the corner that goes farthest does."""
    source = "The corner of the envelope that moves farthest, in the case that moves it most."
    if move_mm is None:
        return Working(source=source)
    move = worked("u", move_mm, "mm", case)
    none = worked("n", 0.0, "mm", "where the unit stands at rest")
    return Working(steps=(step("d", "u - n", move, none, value=move_mm, unit="mm", decimals=1),), source=source)


def _each(symbol: str, parts: Floats, unit: str, words: str) -> tuple[Given, ...]:
    return tuple(worked(f"{symbol}_{axis}", float(one), unit, words) for axis, one in zip(AXES, parts, strict=True))


def mode_working(mode: Mode | None, sheet: MountsSheet) -> Working:
    """Return the lowest natural frequency, of what the mounts push back with and what is carried in its shape."""
    source = (
        "ω² = vᵀ K v/vᵀ M v about the centre of gravity (Rayleigh), exact in a mode; the rubber's stiffness times q."
    )
    if mode is None:
        return Working(source=source)
    shift = _each("v", 1000 * mode.shape[:3], "mm", "its shape")
    turn = _each("θ", np.degrees(mode.shape[3:]), "°", "its shape")
    push = _each("f", mode.pushes[:3], "N", "mounts push back, K v")
    twist = _each("m", mode.pushes[3:], "N·m", "and turn it back")
    slow = _each("L", mode.carries[3:], "kg·m²", "inertia by that turn")
    mass = worked("m", mode.mass_kg, "kg", "of unit and subframe")
    turned = "θ_x * {0}_x + θ_y * {0}_y + θ_z * {0}_z"
    sums = [
        step(symbol, expression, *along, *by, value=float(value), unit=unit, decimals=3)
        for symbol, expression, along, by, value, unit in (
            ("U_v", "v_x * f_x + v_y * f_y + v_z * f_z", shift, push, mode.shape[:3] @ mode.pushes[:3], "J"),
            ("U_θ", turned.format("m"), turn, twist, mode.shape[3:] @ mode.pushes[3:], "J"),
            (
                "T_v",
                "m * (v_x**2 + v_y**2 + v_z**2)",
                shift,
                (mass,),
                mode.shape[:3] @ mode.carries[:3],
                "kg·m²",
            ),
            ("T_θ", turned.format("L"), turn, slow, mode.shape[3:] @ mode.carries[3:], "kg·m²"),
        )
    ]
    dynamic = Fact(what="q, rubber shaking over rubber at rest", found=f"{sheet.dynamic or USUAL_DYNAMIC:g}")
    last = step(
        "f", "sqrt((U_v + U_θ) / (T_v + T_θ)) / (2 * pi)", *sums, value=mode.frequency_hz, unit="Hz", decimals=1
    )
    return Working(steps=(dynamic, *sums, last), source=source)


def _twisted(arm: Arm, section: Section, moment_nmm: Floats) -> tuple[list[Given], bool, Given]:
    """The moments of twisted rubber and of ears that stand off, about three axes, as pairs of forces so far apart."""
    about, level, upright = (abs(float(one)) for one in arm.turn.T @ moment_nmm)
    pairs = [
        worked(
            name,
            moment / section.depth_mm,
            "N",
            f"of twisted rubber and ears that stand off, {words}, as a pair of forces",
        )
        for name, moment, words in (
            ("Q_l", level, "level across it"),
            ("Q_u", upright, "upright"),
            ("Q_a", about, "about it"),
        )
    ]
    return pairs, bool(about or level or upright), worked("D", section.depth_mm, "mm", "so far apart")


def _direct_step(section: Section, upright: float, across: float, direct_mpa: float) -> Step:
    webs = [
        worked(name, area, "mm²", section.words) for name, area in zip(("A_u", "A_s"), section.webs_mm2, strict=True)
    ]
    loads = (worked("U", upright, "N", "upright at its end"), worked("S", across, "N", "across at its end"))
    return step(
        "τ_d",
        "1.5 * sqrt((U / A_u)**2 + (S / A_s)**2)",
        *loads,
        *webs,
        value=direct_mpa,
        unit="MPa",
        decimals=1,
        words="the load's own shear, in its webs",
    )


def arm_working(arm: Arm, most: Stressed, load: tuple[Floats, Floats], offset_mm: float) -> Working:
    """Return the stress of a bracket where it is greatest."""
    section, stress = most.section, most.stress
    along, across, upright = (abs(float(one)) for one in arm.turn.T @ load[0])
    twist, is_twisted, apart = _twisted(arm, section, load[1])
    from_where = "from the vehicle to the mount" if not arm.taper else "from where it is worst to the mount"
    length = worked("L", most.lever_mm, "mm", from_where)
    bending = step(
        "b",
        "(L * U + Q_l * D) * c_u / I_u + (L * S + Q_u * D) * c_s / I_s + P / A"
        if is_twisted
        else "L * (U * c_u / I_u + S * c_s / I_s) + P / A",
        length,
        *((*twist[:2], apart) if is_twisted else ()),
        worked("U", upright, "N", "upright at its end"),
        worked("c_u", section.depth_mm / 2, "mm", "to the outer fibre"),
        worked("I_u", section.upright_mm4, "mm⁴", section.words),
        worked("S", across, "N", "across at its end"),
        worked("c_s", section.breadth_mm / 2, "mm", "to the outer fibre"),
        worked("I_s", section.across_mm4, "mm⁴", section.words),
        worked("P", along, "N", "along it"),
        worked("A", section.area_mm2, "mm²", section.words),
        value=stress.bending_and_axial_mpa,
        unit="MPa",
        decimals=1,
    )
    beside = (worked("U", upright, "N", "upright at its end"), worked("e", offset_mm, "mm", "from the shear centre"))
    below = (
        worked("S", across, "N", "across at its end"),
        worked("r", section.rise_mm, "mm", "below the shear centre"),
    )
    torque = step(
        "T",
        f"U * e{' + S * r' if section.rise_mm else ''}{' + Q_a * D' if is_twisted else ''}",
        *beside,
        *(below if section.rise_mm else ()),
        *((twist[2], apart) if is_twisted else ()),
        value=stress.torque_nmm / 1000,
        unit="N·m",
    )
    shear = step(
        "τ",
        "T / w",
        torque,
        worked("w", 1 / section.shear_per_nmm, "mm³", "torsional modulus of its walls"),
        value=stress.torsion_mpa,
        unit="MPa",
        decimals=1,
    )
    direct = _direct_step(section, upright, across, stress.direct_mpa)
    total = "sqrt(b**2 + 3 * (τ + τ_d)**2)"
    both = step("s", total, bending, shear, direct, value=stress.judged_mpa, unit="MPa", decimals=1)
    source = (
        "σ = M c/I both ways + F/A; torsion on the walls' middle line, or by Σ b t³/3 of an open section; direct shear "
        "1.5 V/A of the webs, all at one place."
    )
    return Working(steps=(bending, torque, shear, direct, both), source=source, note=f"Twists {stress.twist_deg:.2f}°.")


def ear_bolt_working(found: EarBolt, count: int, field: str) -> Working:
    """Return the stress of the bolt through a mount's ears."""
    area = step(
        "A",
        "w * pi / 4 * d**2",
        tabled("w", THREAD_SHARE, "", "thread's section over the whole"),
        entered("d", found.diameter_mm, "mm", f"{field}.ears.bolt"),
        value=THREAD_SHARE * np.pi / 4 * found.diameter_mm**2,
        unit="mm²",
        decimals=1,
    )
    last = step(
        "σ",
        "sqrt((P / A)**2 + 3 * (F / (n * A))**2)",
        worked("P", found.along_n, "N", "along the bolt"),
        area,
        worked("F", found.in_plane_n, "N", "across it"),
        entered("n", count, "", f"{field}.ears.count"),
        value=found.stress_mpa,
        unit="MPa",
        decimals=1,
    )
    return Working(steps=(area, last), source="Shear in as many planes as there are ears; von Mises on the thread.")


def ear_working(
    ear: Ear, stress: EarStress, in_plane_n: float, side_n: float, yield_mpa: float, field: str, *, is_usual: bool
) -> Working:
    """Return what governs an ear, as a share of what yield allows."""
    force, side = (
        worked("F", in_plane_n, "N", "of one ear, in its plane"),
        worked("S", side_n, "N", "of one ear, across"),
    )
    thick = entered("t", ear.thickness_mm, "mm", f"{field}.ears.thickness")
    sizes = {
        "bearing": ("F / (d * t)", (force, entered("d", ear.bolt_mm, "mm", f"{field}.ears.bolt"), thick), BEARING),
        "tear-out": ("F / (2 * e * t)", (force, entered("e", ear.edge_mm, "mm", f"{field}.ears.edge"), thick), SHEAR),
        "net section": (
            "F / ((w - d) * t)",
            (
                force,
                entered("w", ear.width_mm, "mm", f"{field}.ears.width"),
                entered("d", ear.hole_mm, "mm", f"{field}.ears.hole"),
                thick,
            ),
            NET_TENSION,
        ),
        "bending": (
            "S * h / (b * t**2 / 6)",
            (
                side,
                entered("h", ear.height_mm, "mm", f"{field}.ears.height"),
                entered("b", ear.root_mm, "mm", f"{field}.ears.root"),
                thick,
            ),
            BENDING,
        ),
    }
    expression, given, share = sizes[stress.governing]
    first = step("σ", expression, *given, value=stress.governing_mpa, unit="MPa", decimals=1, words=stress.governing)
    yielding = entered_or_usual("R", yield_mpa, "MPa", f"{field}.bracket.yield_mpa", is_usual=is_usual)
    allowed = step(
        "a", "q * R", tabled("q", share, "", "of yield"), yielding, value=stress.allowed_mpa, unit="MPa", decimals=1
    )
    source = (
        "Bearing F/(d t), tear-out F/(2 e t) from the hole's edge, net section F/((w - d) t), bending F h/(b t²/6)."
    )
    return Working(steps=(first, allowed), source=source)


def pull_working(found: PullFound | None, spare_mm: float | None, room_mm: float | None) -> Working:
    """Return how far off the middle of its limits a gap may come out."""
    source = "AWS Welding Handbook, 1.02 leg/t for a tee, 1.52 a lap, and a degree of tilt; or the shop's own log."
    if found is None or spare_mm is None or room_mm is None:
        return Working(source=source)
    low, high = found.after_mm
    middle = worked("m", (low + high) / 2, "mm", "after welding, most likely")
    half = worked("h", (high - low) / 2, "mm", "either way, 19 times in 20")
    wanted = worked("w", (low + high) / 2 - (spare_mm - (high - low) / 2), "mm", "middle of the limits, or as far off")
    off = step("d", "abs(m - w) + h", middle, wanted, half, value=spare_mm, unit="mm", decimals=2)
    return Working(steps=(off,), source=source)


def strut_working(
    section: Section, found: Buckling, length_mm: float, yield_mpa: float, *, ends: str = "between its ends, as pins"
) -> Working:
    """Return the load at which an arm buckles."""
    area = worked("A", section.area_mm2, "mm²", section.words)
    slender = step(
        "s",
        "L / sqrt(I / A)",
        worked("L", length_mm, "mm", ends),
        worked("I", section.upright_mm4, "mm⁴", section.words),
        area,
        value=found.slenderness,
        unit="",
        decimals=1,
    )
    e = tabled("E", STEEL.modulus_mpa, "MPa", "steel")
    yielding = worked("R", yield_mpa, "MPa", "yield")
    if found.rule == "Euler":
        load = step("P", "A * pi**2 * E / s**2", area, e, slender, value=found.load_n, unit="N")
    else:
        expression = "A * R * (1 - R * s**2 / (4 * pi**2 * E))"
        load = step("P", expression, area, yielding, slender, e, value=found.load_n, unit="N")
    return Working(steps=(slender, load), source=f"{found.rule}; Euler above a slenderness of {found.changeover:.0f}.")
