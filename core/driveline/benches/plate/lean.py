"""How far the overhung motor bends what it hangs on: plates, legs, and what coupler and metal say to it."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.benches.plate.centre import Offset
from driveline.benches.plate.inputs import PlateInputs, mm_of
from driveline.benches.plate.parts import Patterns, standoff_centres
from driveline.benches.plate.results import BuildUpResult
from driveline.benches.plate.stack import stack_of
from driveline.checks import Check, Step, Working
from driveline.errors import ImpossibleInput
from driveline.flat.holes import Disc
from driveline.gearing.road import GRAVITY_MS2
from driveline.joints.checks import BUMP_G
from driveline.joints.screws import Loads
from driveline.margins import Judge, missing_of, wanted_words
from driveline.metal.overhang import greatest_tension_n, hub_tilt_deg, legs_drop_mm, legs_stress_mpa, legs_tilt_deg
from driveline.shafts.coupler import ANGLE_ALLOWANCE_DEG, PARALLEL_ALLOWANCE_MM, CouplerStyle
from driveline.shafts.misalignment import Budget
from driveline.tables.materials import Material, material

SAME_RADIUS_SHARE: Final = 0.999  # rings nearer than this have no plate between them that could bend


@dataclass(frozen=True, slots=True, kw_only=True)
class Bent:
    """How the build-up gives standing still; ``None`` is not known, and ``missing`` says why."""

    plates_deg: float | None
    legs_deg: float | None  # 0 without legs
    drop_mm: float | None  # of the shaft, by the legs; 0 without
    legs_mpa: float | None  # in a bump
    missing: tuple[str, ...]

    @property
    def lean_deg(self) -> float | None:
        """Of the motor against the gearbox."""
        return None if self.plates_deg is None or self.legs_deg is None else self.plates_deg + self.legs_deg


def bent_by(inputs: PlateInputs, patterns: Patterns, loads: Loads) -> Bent:
    """Return how plates and legs give under the motor.

    Args:
        inputs: Of the bench.
        patterns: Holes of flange, motor and standoffs.
        loads: Of the motor.
    """
    overhang_mm, plate_mm = inputs.face.overhang_mm, inputs.plate.thickness_mm
    is_two, second_mm = inputs.built.is_on_standoffs, mm_of(inputs.built.second)
    legs = inputs.built.legs
    legs_mm = _legs_mm(inputs) if is_two else 0.0
    missing = missing_of(
        {
            "What the plate is made of": inputs.plate.made_of,
            "Thickness of the plate": plate_mm,
            loads.hung or "Mass of the motor": loads.motor_kg,
            "Centre of gravity of the motor from its face": overhang_mm,
            "Holes of flange and motor": bool(patterns.flange and patterns.motor),
            "Thickness of the motor plate": not is_two or second_mm,
            "Standoffs: how many, on what circle, with what hole": not is_two or bool(patterns.standoffs),
            "Standoffs: their length, diameter and what they are made of": not is_two
            or bool(legs_mm and legs.diameter_mm and legs.made_of),
        }
    )
    if missing or not (inputs.plate.made_of and plate_mm and loads.motor_kg is not None and overhang_mm is not None):
        return Bent(plates_deg=None, legs_deg=None, drop_mm=None, legs_mpa=None, missing=missing)
    metal, weight_n = material(inputs.plate.made_of), loads.motor_kg * GRAVITY_MS2
    if not is_two:
        moment_nm = weight_n * overhang_mm / 1000
        tilt = _plate_tilt_deg(patterns.motor, patterns.flange, moment_nm, plate_mm, metal)
        return Bent(plates_deg=tilt, legs_deg=0.0, drop_mm=0.0, legs_mpa=0.0, missing=())
    return _on_legs(inputs, patterns, metal, weight_n, overhang_mm, plate_mm, second_mm or plate_mm, legs_mm or 0.0)


def _on_legs(
    inputs: PlateInputs,
    patterns: Patterns,
    metal: Material,
    weight_n: float,
    overhang_mm: float,
    plate_mm: float,
    second_mm: float,
    legs_mm: float,
) -> Bent:
    """Both plates and the legs between them, each under the moment that reaches it."""
    at_motor_nm = weight_n * (overhang_mm + second_mm) / 1000
    at_gearbox_nm = weight_n * (overhang_mm + second_mm + legs_mm) / 1000
    plates_deg = _plate_tilt_deg(patterns.motor, patterns.standoffs, at_motor_nm, second_mm, metal)
    plates_deg += _plate_tilt_deg(patterns.standoffs, patterns.flange, at_gearbox_nm, plate_mm, metal)
    legs = inputs.built.legs
    outside_mm, bored_mm = legs.diameter_mm or 0.0, legs.bored_mm
    if not bored_mm < outside_mm or legs.made_of is None:
        return Bent(plates_deg=None, legs_deg=None, drop_mm=None, legs_mpa=None, missing=("Legs with a wall",))
    area, inertia = math.pi / 4 * (outside_mm**2 - bored_mm**2), math.pi / 64 * (outside_mm**4 - bored_mm**4)
    modulus_mpa, xy = material(legs.made_of).modulus_mpa, standoff_centres(inputs)
    about = xy - xy.mean(axis=0)
    least_second = float(np.linalg.eigvalsh(about.T @ about)[0])
    if least_second < 1e-6:
        return Bent(
            plates_deg=None, legs_deg=None, drop_mm=None, legs_mpa=None, missing=("Three standoffs, not on one line",)
        )
    try:
        pull_n = greatest_tension_n(xy, BUMP_G * at_gearbox_nm)
    except ImpossibleInput as error:
        return Bent(plates_deg=None, legs_deg=None, drop_mm=None, legs_mpa=None, missing=(f"Standoffs: {error.rule}",))
    return Bent(
        plates_deg=plates_deg,
        legs_deg=legs_tilt_deg(
            moment_nm=at_gearbox_nm, length_mm=legs_mm, area_mm2=area, second_mm2=least_second, modulus_mpa=modulus_mpa
        ),
        drop_mm=legs_drop_mm(
            force_n=weight_n, count=len(xy), length_mm=legs_mm, inertia_mm4=inertia, modulus_mpa=modulus_mpa
        ),
        legs_mpa=legs_stress_mpa(
            force_n=BUMP_G * weight_n,
            pull_n=pull_n,
            count=len(xy),
            length_mm=legs_mm,
            area_mm2=area,
            modulus_mm3=inertia / (outside_mm / 2),
        ),
        missing=(),
    )


def _legs_mm(inputs: PlateInputs) -> float | None:
    stack = stack_of(inputs)
    return None if stack is None else next((one.length_mm for one in stack.shares if one.name == "standoffs"), None)


def _plate_tilt_deg(
    one: tuple[Disc, ...], other: tuple[Disc, ...], moment_nm: float, thickness_mm: float, metal: Material
) -> float:
    """Between two rings of screws; 0 where they lie on one circle and clamp the plate between two faces."""
    radii = sorted(float(np.mean([math.hypot(disc.x_mm, disc.y_mm) for disc in discs])) for discs in (one, other))
    if radii[0] >= SAME_RADIUS_SHARE * radii[1]:
        return 0.0
    return hub_tilt_deg(
        moment_nm=moment_nm,
        inner_mm=max(radii[0], 1e-3 * radii[1]),
        outer_mm=radii[1],
        thickness_mm=thickness_mm,
        modulus_mpa=metal.modulus_mpa,
        poisson=metal.poisson,
    )


def lean_checks(
    inputs: PlateInputs,
    bent: Bent,
    off: Offset,
    built: BuildUpResult,
    coupler: CouplerStyle | None,
    judge: Judge,
) -> tuple[Check, ...]:
    """Return whether the build-up is stiff and strong, and whether offset and angle together suit the coupler."""
    checks = [_lean(bent, coupler, judge), _together(inputs, bent, off, built, coupler, judge)]
    return (*checks, _legs(inputs, bent, judge)) if inputs.built.is_on_standoffs else tuple(checks)


def _lean(bent: Bent, coupler: CouplerStyle | None, judge: Judge) -> Check:
    allowed = ANGLE_ALLOWANCE_DEG[coupler] if coupler else None
    missing = (*missing_of({"Coupler style, on the Ratios bench": allowed}), *bent.missing)
    lean, says = bent.lean_deg, wanted_words(missing)
    if lean is not None and allowed:
        says = f"leans {lean:.3f}° standing still, {BUMP_G * lean:.3f}° in a 3 g bump, of {allowed:g}° allowed"
    return judge.check(
        "clearance",
        key="plate.lean",
        title="Plate stiff under the overhung motor",
        demand=lean,
        capacity=allowed,
        unit="°",
        says=says,
        missing=missing,
        inputs=("plate.plate.thickness", "plate.plate.made_of", "plate.face.overhang", "brief.motor.mass"),
        working=Working(
            steps=(
                Step(
                    formula="plates: rigid rings, one clamped, M = m g × lever",
                    result="" if bent.plates_deg is None else f"{bent.plates_deg:.4f}°",
                ),
                Step(formula="legs: M L/(E A Σy²)", result="" if bent.legs_deg is None else f"{bent.legs_deg:.4f}°"),
            ),
            source="Timoshenko, Theory of Plates and Shells, art. 63; judged at 1 g. The bump passes, the set stays.",
            note="Thickness counts three times over: a quarter more halves the lean.",
        ),
    )


def _together(
    inputs: PlateInputs,
    bent: Bent,
    off: Offset,
    built: BuildUpResult,
    coupler: CouplerStyle | None,
    judge: Judge,
) -> Check:
    """A coupler that is both offset and at an angle has less of either: parallel/allowed + angle/allowed ≤ 1."""
    parallel, angle = (PARALLEL_ALLOWANCE_MM[coupler], ANGLE_ALLOWANCE_DEG[coupler]) if coupler else (None, None)
    tilt_deg = built.tilt.tilt_deg if built.tilt else 0.0
    is_tilt_known = built.tilt is not None or not inputs.built.is_on_standoffs
    missing = (
        *missing_of({"Coupler style, on the Ratios bench": coupler}),
        *off.missing,
        *bent.missing,
        *missing_of({"Measured length of each standoff": is_tilt_known}),
    )
    offset_mm, leans_deg = off.total_mm + (bent.drop_mm or 0.0), tilt_deg + (bent.lean_deg or 0.0)
    used = None
    if parallel is not None and angle is not None:
        used = Budget(
            plays_mm=(2 * off.play_mm,),
            concentricity_mm=off.concentricity_mm,
            centre_u_mm=off.centre_u_mm,
            drop_mm=bent.drop_mm or 0.0,
            angle_deg=leans_deg,
            allowed_parallel_mm=parallel,
            allowed_angle_deg=angle,
        ).used
    says = wanted_words(missing)
    if used is not None:
        found = f"{offset_mm:.3f} mm and {leans_deg:.3f}° use up {used:.0%} of what the coupler forgives"
        says = f"{found}, at best. {says}" if missing else found
    return judge.check(
        "clearance",
        key="plate.misalignment",
        title="Offset and angle together",
        demand=used,
        capacity=1.0,
        unit="of it",
        says=says,
        missing=missing,
        inputs=("plate.plate", "plate.build_up", "plate.face.overhang", "brief.motor.mass", "ratios.coupler"),
        working=Working(
            steps=(
                Step(
                    formula="offset / allowed + angle / allowed",
                    numbers=f"{offset_mm:.3f} / {parallel or 0:g} + {leans_deg:.3f} / {angle or 0:g}",
                    result="" if used is None else f"{used:.2f}",
                ),
            ),
            source="Usual allowances of the coupler's style; a maker's replace them. Flat faces are taken as parallel.",
        ),
    )


def _legs(inputs: PlateInputs, bent: Bent, judge: Judge) -> Check:
    legs = inputs.built.legs
    yield_mpa = material(legs.made_of).yield_mpa if legs.made_of else None
    missing = (*bent.missing, *missing_of({"What the standoffs are made of": yield_mpa}))
    says = wanted_words(missing)
    if bent.legs_mpa is not None and yield_mpa is not None:
        says = f"{bent.legs_mpa:.0f} MPa in a 3 g bump, on legs that give at {yield_mpa:g}"
        says += f"; they sink {bent.drop_mm:.3f} mm"
    return judge.check(
        "bracket_yield",
        key="plate.standoff_legs",
        title="Standoffs strong enough",
        demand=bent.legs_mpa,
        capacity=yield_mpa,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=("plate.build_up.standoffs", "plate.face.overhang", "brief.motor.mass"),
        working=Working(
            steps=(
                Step(
                    formula="F L/(2 n Z) + N/A, held at both ends",
                    result="" if bent.legs_mpa is None else f"{bent.legs_mpa:.0f} MPa",
                ),
                Step(
                    formula="sinks F L³/(12 E I n), at 1 g",
                    result="" if bent.drop_mm is None else f"{bent.drop_mm:.3f} mm",
                ),
            ),
            source="Legs as beams held against turning by both plates. 3 g is a customary bump, not a code.",
        ),
    )
