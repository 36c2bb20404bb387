"""Workings of how a build-up bends."""

import math

from driveline.benches.plate.bending import Bent, LegsBend, PlateBend
from driveline.figures import fig, num
from driveline.gearing.road import GRAVITY_MS2
from driveline.joints.preload_sums import BUMP_G
from driveline.working import Given, Step, Working, entered, step, tabled, worked

GRAVITY = tabled("g", GRAVITY_MS2, "m/s²", "standard gravity")


def _mass(bent: Bent) -> Given:
    return worked("m", bent.motor_kg, "kg", "brief.motor.mass")


def _bend_steps(bent: Bent, bend: PlateBend, k: int) -> tuple[Step, ...]:
    """One plate's lean; the coefficient is of the ring between both circles of screws."""
    n = "" if len(bent.plates) == 1 else f"_{k + 1}"
    metal, thick = bend.metal, bend.thickness_mm
    moment = bent.motor_kg * GRAVITY_MS2 * bend.arm_mm / 1000
    stiff_nmm = metal.modulus_mpa * thick**3 / (12 * (1 - metal.poisson**2))
    leans = step(
        f"M{n}",
        "m * g * a",
        _mass(bent),
        GRAVITY,
        worked("a", bend.arm_mm, "mm", "plate.face.overhang"),
        value=moment,
        unit="N·m",
        decimals=1,
    )
    stiff = step(
        f"D{n}",
        "E * t**3 / (12 * (1 - ν**2))",
        tabled("E", metal.modulus_mpa, "MPa", "the plate's metal"),
        worked("t", thick, "mm", "plate.plate.thickness"),
        tabled("ν", metal.poisson, "", "the plate's metal"),
        value=stiff_nmm / 1000,
        unit="N·m",
        words="of the plate in bending",
    )
    share = math.radians(bend.tilt_deg) * 4 * math.pi * stiff_nmm / (moment * 1000) if moment else 0.0
    circles = f"{num(bend.inner_mm, 'mm', 1)} and {fig(bend.outer_mm, 'mm', 1)}"
    k_lean = worked("k", share, "", f"art. 63, of circles of {circles} radius; 0 where they are one")
    tilt = step(
        f"φ{n}",
        f"k * {leans.symbol} / (4 * pi * {stiff.symbol})",
        k_lean,
        leans,
        stiff,
        value=bend.tilt_deg,
        unit="°",
        decimals=4,
    )
    return leans, stiff, tilt


def _section_steps(legs: LegsBend) -> tuple[Step, Step, Given]:
    outside = entered("D", legs.outside_mm, "mm", "plate.build_up.standoffs.diameter")
    bored = entered("d", legs.bored_mm, "mm", "plate.build_up.standoffs.bored")
    area = step("A", "pi / 4 * (D**2 - d**2)", outside, bored, value=legs.area_mm2, unit="mm²", decimals=1)
    inertia = step("I", "pi / 64 * (D**4 - d**4)", outside, bored, value=legs.inertia_mm4, unit="mm⁴")
    return area, inertia, worked("L", legs.length_mm, "mm", "plate.build_up.standoffs")


def lean_steps(bent: Bent) -> tuple[Step, ...]:
    """Return how far plates and legs lean, the whole of it last; empty while it is not known."""
    if bent.lean_deg is None:
        return ()
    steps = [one for k, bend in enumerate(bent.plates) for one in _bend_steps(bent, bend, k)]
    tilts = [one for one in steps if one.symbol.startswith("φ")]
    if bent.legs is not None and bent.legs_deg is not None:
        legs = bent.legs
        area, inertia, length = _section_steps(legs)
        moment = step(
            "M_legs",
            "m * g * a",
            _mass(bent),
            GRAVITY,
            worked("a", legs.arm_mm, "mm", "plate.face.overhang"),
            value=bent.motor_kg * GRAVITY_MS2 * legs.arm_mm / 1000,
            unit="N·m",
            decimals=1,
        )
        second = worked("S", legs.second_mm2, "mm²", "Σy² of the standoffs' places, about the weakest axis")
        tilt = step(
            "φ_legs",
            "M_legs * L / (E * A * S)",
            moment,
            length,
            tabled("E", legs.modulus_mpa, "MPa", "the legs' metal"),
            area,
            second,
            value=bent.legs_deg,
            unit="°",
            decimals=4,
        )
        steps += [moment, area, tilt]
        tilts.append(tilt)
    total = step(
        "φ_all",
        " + ".join(one.symbol for one in tilts),
        *tilts,
        value=bent.lean_deg,
        unit="°",
        decimals=4,
        words="of the motor against the gearbox, standing still",
    )
    return (*steps, total)


def lean_working(bent: Bent) -> Working:
    """Return how far the overhung motor leans."""
    return Working(
        steps=lean_steps(bent),
        source="Timoshenko, Theory of Plates and Shells, art. 63; judged at 1 g. The bump passes, the set stays.",
        note="Thickness counts three times over: a quarter more halves the lean.",
        method="k comes of four equations: the plate held flat at one circle, and turning with the other.",
    )


def drop_step(bent: Bent) -> tuple[Step, ...]:
    """Return how far the legs let the shaft sink; empty without legs."""
    if bent.legs is None or bent.drop_mm is None:
        return ()
    legs = bent.legs
    _, inertia, length = _section_steps(legs)
    sinks = step(
        "e_drop",
        "m * g * L**3 / (12 * E * I * z)",
        _mass(bent),
        GRAVITY,
        length,
        tabled("E", legs.modulus_mpa, "MPa", "the legs' metal"),
        inertia,
        worked("z", float(legs.count), "", "standoffs"),
        value=bent.drop_mm,
        unit="mm",
        decimals=3,
        words="by which the legs let it sink, at 1 g",
    )
    return inertia, sinks


def legs_working(bent: Bent) -> Working:
    """Return the stress in the legs, and how far they let the motor sink."""
    steps: tuple[Step, ...] = drop_step(bent)
    if bent.legs is not None and bent.legs_mpa is not None:
        legs = bent.legs
        area, inertia, length = _section_steps(legs)
        modulus = step(
            "Z",
            "2 * I / D",
            inertia,
            entered("D", legs.outside_mm, "mm", "plate.build_up.standoffs.diameter"),
            value=2 * legs.inertia_mm4 / legs.outside_mm,
            unit="mm³",
        )
        pull = worked("N", legs.pull_n, "N", "M y/Σy² of the farthest standoff in a 3 g bump")
        across = step(
            "F",
            "bump * m * g",
            tabled("bump", BUMP_G, "", "a customary bump, not a code"),
            _mass(bent),
            GRAVITY,
            value=BUMP_G * bent.motor_kg * GRAVITY_MS2,
            unit="N",
        )
        stress = step(
            "σ",
            "F * L / (2 * z * Z) + N / A",
            across,
            length,
            worked("z", float(legs.count), "", "standoffs"),
            modulus,
            pull,
            area,
            value=bent.legs_mpa,
            unit="MPa",
        )
        steps = (*steps, area, modulus, across, stress)
    return Working(
        steps=steps,
        source="Legs as beams held against turning by both plates. 3 g is a customary bump, not a code.",
    )
