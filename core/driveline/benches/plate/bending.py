"""How far the overhung motor bends what it hangs on: plates and legs."""

import math
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.benches.plate.inputs import PlateInputs, mm_of
from driveline.benches.plate.parts import Patterns, standoff_centres
from driveline.benches.plate.stack import stack_of
from driveline.errors import ImpossibleInput
from driveline.flat.holes import Disc
from driveline.gearing.road import GRAVITY_MS2
from driveline.joints.preload_sums import BUMP_G
from driveline.joints.screws import Loads
from driveline.margins import missing_of
from driveline.metal.overhang import greatest_tension_n, hub_tilt_deg, legs_drop_mm, legs_stress_mpa, legs_tilt_deg
from driveline.tables.materials import Material, material

SAME_RADIUS_SHARE: Final = 0.999  # rings nearer than this have no plate between them that could bend


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateBend:
    """One plate between two rings of screws, under a tilting moment."""

    arm_mm: float
    inner_mm: float  # radii of the rings
    outer_mm: float
    thickness_mm: float
    metal: Material
    tilt_deg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class LegsBend:
    """Legs between two plates."""

    arm_mm: float
    length_mm: float
    outside_mm: float
    bored_mm: float
    area_mm2: float
    second_mm2: float  # Σy² about the axis that they resist least
    modulus_mpa: float
    count: int
    inertia_mm4: float
    pull_n: float  # on the farthest of them, in a bump

    def tilt_deg(self, weight_n: float) -> float:
        """Return how far they let the plate lean, by their stretch."""
        return legs_tilt_deg(
            moment_nm=weight_n * self.arm_mm / 1000,
            length_mm=self.length_mm,
            area_mm2=self.area_mm2,
            second_mm2=self.second_mm2,
            modulus_mpa=self.modulus_mpa,
        )

    def drop_mm(self, weight_n: float) -> float:
        """Return how far they let the plate sink."""
        return legs_drop_mm(
            force_n=weight_n,
            count=self.count,
            length_mm=self.length_mm,
            inertia_mm4=self.inertia_mm4,
            modulus_mpa=self.modulus_mpa,
        )

    def stress_mpa(self, force_n: float) -> float:
        """Return the greatest stress in one of them under a load across all, and the pull of a bump."""
        return legs_stress_mpa(
            force_n=force_n,
            pull_n=self.pull_n,
            count=self.count,
            length_mm=self.length_mm,
            area_mm2=self.area_mm2,
            modulus_mm3=self.inertia_mm4 / (self.outside_mm / 2),
        )


@dataclass(frozen=True, slots=True, kw_only=True)
class Bent:
    """How the build-up gives standing still; ``None`` is not known, and ``missing`` says why."""

    plates_deg: float | None = None
    legs_deg: float | None = None  # 0 without legs
    drop_mm: float | None = None  # of the shaft, by the legs; 0 without
    legs_mpa: float | None = None  # in a bump
    motor_kg: float = 0.0
    plates: tuple[PlateBend, ...] = ()
    legs: LegsBend | None = None
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
        return Bent(missing=missing)
    metal, weight_n = material(inputs.plate.made_of), loads.motor_kg * GRAVITY_MS2
    if not is_two:
        bend = _plate_bend(patterns.motor, patterns.flange, weight_n, overhang_mm, plate_mm, metal)
        return Bent(
            plates_deg=bend.tilt_deg,
            legs_deg=0.0,
            drop_mm=0.0,
            legs_mpa=0.0,
            motor_kg=loads.motor_kg,
            plates=(bend,),
            missing=(),
        )
    bent = _on_legs(inputs, patterns, metal, weight_n, overhang_mm, plate_mm, second_mm or plate_mm, legs_mm or 0.0)
    return replace(bent, motor_kg=loads.motor_kg)


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
    at_motor_mm, at_gearbox_mm = overhang_mm + second_mm, overhang_mm + second_mm + legs_mm
    plates = (
        _plate_bend(patterns.motor, patterns.standoffs, weight_n, at_motor_mm, second_mm, metal),
        _plate_bend(patterns.standoffs, patterns.flange, weight_n, at_gearbox_mm, plate_mm, metal),
    )
    legs = _legs_bend(inputs, weight_n, at_gearbox_mm, legs_mm)
    if isinstance(legs, str):
        return Bent(missing=(legs,))
    return Bent(
        plates_deg=sum(plate.tilt_deg for plate in plates),
        plates=plates,
        legs=legs,
        legs_deg=legs.tilt_deg(weight_n),
        drop_mm=legs.drop_mm(weight_n),
        legs_mpa=legs.stress_mpa(BUMP_G * weight_n),
        missing=(),
    )


def _legs_bend(inputs: PlateInputs, weight_n: float, arm_mm: float, legs_mm: float) -> LegsBend | str:
    """The legs as what bends, or what is wrong with them."""
    legs = inputs.built.legs
    outside_mm, bored_mm = legs.diameter_mm or 0.0, legs.bored_mm
    if not bored_mm < outside_mm or legs.made_of is None:
        return "Legs with a wall"
    xy = standoff_centres(inputs)
    about = xy - xy.mean(axis=0)
    least_second = float(np.linalg.eigvalsh(about.T @ about)[0])
    if least_second < 1e-6:
        return "Three standoffs, not on one line"
    try:
        pull_n = greatest_tension_n(xy, BUMP_G * weight_n * arm_mm / 1000)
    except ImpossibleInput as error:
        return f"Standoffs: {error.rule}"
    return LegsBend(
        arm_mm=arm_mm,
        length_mm=legs_mm,
        outside_mm=outside_mm,
        bored_mm=bored_mm,
        area_mm2=math.pi / 4 * (outside_mm**2 - bored_mm**2),
        second_mm2=least_second,
        modulus_mpa=material(legs.made_of).modulus_mpa,
        count=len(xy),
        inertia_mm4=math.pi / 64 * (outside_mm**4 - bored_mm**4),
        pull_n=pull_n,
    )


def _legs_mm(inputs: PlateInputs) -> float | None:
    stack = stack_of(inputs)
    return None if stack is None else next((one.length_mm for one in stack.shares if one.name == "standoffs"), None)


def _plate_bend(
    one: tuple[Disc, ...],
    other: tuple[Disc, ...],
    weight_n: float,
    arm_mm: float,
    thickness_mm: float,
    metal: Material,
) -> PlateBend:
    """Between two rings of screws; 0 where they lie on one circle and clamp the plate between two faces."""
    radii = sorted(float(np.mean([math.hypot(disc.x_mm, disc.y_mm) for disc in discs])) for discs in (one, other))
    inner_mm, tilt_deg = max(radii[0], 1e-3 * radii[1]), 0.0
    if radii[0] < SAME_RADIUS_SHARE * radii[1]:
        tilt_deg = hub_tilt_deg(
            moment_nm=weight_n * arm_mm / 1000,
            inner_mm=inner_mm,
            outer_mm=radii[1],
            thickness_mm=thickness_mm,
            modulus_mpa=metal.modulus_mpa,
            poisson=metal.poisson,
        )
    return PlateBend(
        arm_mm=arm_mm,
        inner_mm=inner_mm,
        outer_mm=radii[1],
        thickness_mm=thickness_mm,
        metal=metal,
        tilt_deg=tilt_deg,
    )
